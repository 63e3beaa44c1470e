export {
  type DrillFile,
  type Fault,
  checkDrillFile,
  drillFaults,
  drillFile,
  drillFileJsonSchema,
  drillFileSchema,
} from './drillFile';
export { type Template, itemsOf, templateOf, templateSchema } from './templateFile';
export { type CertAnswer, certItems, certOf } from './cert';
export { type PlanFile, notice, planFile, planFileJsonSchema, planFileSchema } from './planFile';
