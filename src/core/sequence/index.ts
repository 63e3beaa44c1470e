export { type Alternative, alternatives } from './alternatives';
export { type PlanContext, openedRegions, positionEffects, seenEffects } from './candidates';
export { type Problem, checkPlan } from './checkPlan';
export { makePlan } from './makePlan';
export { diminishing, mostBaseChanges, mostItems, mostNodes } from './search';
export {
  type Plan,
  type PlanItem,
  type PlanRequest,
  drillOf,
  itemComponents,
  itemSegments,
  planItemSchema,
  planRequestSchema,
  planSchema,
  planTotals,
  recheckSeconds,
  startCadences,
} from './plan';
