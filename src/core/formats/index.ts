export { type Fault, drillFaults } from './drillFaults';
export { checkDrillFile, drillFile, drillFileJsonSchema } from './drillFile';
export { type Template, itemsOf, templateOf, templateSchema } from './templateFile';
export { certItems, certOf } from './cert';
export { notice, planFile, planFileJsonSchema, planFileSchema } from './planFile';
