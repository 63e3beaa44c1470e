export { recordFileJsonSchema } from './jsonSchema';
export { fileVersion, writeStudioZip } from './out';
export { tablesOfClient, tablesOfStudio } from './lists';
export { tables } from './rows';
export { ImportFault, Staging } from './staging';
