export { type Hit, type Wishes, browse, noWishes } from './browse';
export { type Alternative, alternatives, weighPlan } from './alternatives';
export { type Loss, type SmallPlan, type WhatIf, priceOf, whatWouldChange } from './ask';
export { cuesFor, laterVisitsOnly } from './candidates';
export { checkPlan } from './checkPlan';
export { type BrokenRule, type ChoiceRuleId } from './planRules';
export { fitOf, inTodaysForm, refitted, refusalsOf } from './fit';
export { type DrillHistory, isOwned, prescribedBreaths } from './history';
export { firstAnswers } from './firstLine';
export { orderOfWorkFor } from './orderOfWork';
export { motionOf, openedRegions, positionEffects, seenEffects, setUpEffects } from './gains';
export { layOut } from './layOut';
export { leftOut } from './leftOut';
export { likenessOf } from './alike';
export { newThings, thingsAsked, toLearn } from './newThings';
export { phaseLimits, withPhase } from './limits';
export { type PlanOptions, makePlan, secondsWithTalk, solve } from './makePlan';
export { type PlanningItem, type PlanningProblem, diminishing, gainSteps } from './problem';
export { tally } from './tally';
export { minutesOfBooking, mostItems, talkOf, usualTalkSeconds } from './rules';
export { contextOf } from './contextOf';
export { type PlanContext } from './setting';
export { canBePriced } from './reasonRules';
export { suitOf } from './suits';
export { search } from './search';
export { putIn } from './putIn';
export {
  type Plan,
  type PlanItem,
  type PlanRequest,
  planItemSchema,
  planRequestSchema,
  planSchema,
} from './planSchema';
export {
  allDrills,
  cueWords,
  drillOf,
  itemComponents,
  itemFrom,
  itemSegments,
  knownDrill,
  plainDrill,
  planTotals,
  recheckSeconds,
  startCadences,
  weightOf,
} from './plan';
