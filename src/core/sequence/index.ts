export { type Alternative, alternatives, weighPlan } from './alternatives';
export { type Loss, type SmallItem, type SmallPlan, type WhatIf, priceOf, whatWouldChange } from './ask';
export { cuesFor, laterVisitsOnly, settles } from './candidates';
export { type Problem, checkPlan } from './checkPlan';
export { type Fit, fitOf, formsInWords, inTodaysForm, refitted, refusalsOf } from './fit';
export { type DrillHistory, isOwned, prescribedBreaths } from './history';
export { type FirstLine, firstAnswers, firstLineOf, isFirstLine, orderOfWorkFor } from './firstLine';
export { openedRegions, positionEffects, seenEffects, setUpEffects } from './gains';
export { type LaidOut, layOut, talkOf } from './layOut';
export { likenessOf } from './alike';
export { newThings, thingsAsked, thingsKnown, toLearn } from './newThings';
export { type PhaseLimit, phaseLimits, withPhase } from './limits';
export { type PlanOptions, makePlan, secondsWithTalk, solve } from './makePlan';
export { type PlanningItem, type PlanningProblem, diminishing, gainSteps, tally } from './problem';
export { mostBaseChanges, mostItems, usualTalkSeconds } from './rules';
export { type PlanContext, allDrills } from './setting';
export { type Suit, suitOf } from './suits';
export { type Effort, type Found, mostNodes, search } from './search';
export {
  type Plan,
  type PlanItem,
  type PlanRequest,
  cueWords,
  drillOf,
  itemComponents,
  itemSegments,
  knownDrill,
  plainDrill,
  planItemSchema,
  planRequestSchema,
  planSchema,
  planTotals,
  recheckSeconds,
  startCadences,
  startStay,
} from './plan';
