export { type Component, componentIds, components, highRisk, smallestChanges } from './components';
export {
  type Condition,
  type ConditionGroup,
  type ConditionId,
  conditionById,
  conditionGroups,
  conditionIds,
  conditionList,
} from './conditions';
export {
  type Sign,
  type SignContext,
  emergencySignIds,
  emergencySigns,
  emergencySteps,
  redFlagIds,
  redFlags,
  signInWords,
} from './signs';
export {
  type Change,
  type GateLimits,
  type GateRow,
  type Principle,
  defaultLimits,
  gateTable,
  limitNames,
  stopSymptoms,
} from './gateTable';
export {
  type Answer,
  type AnswerDetail,
  type AnswerValue,
  type Profile,
  type SignsAnswer,
  type TouchConsent,
  ageOn,
  daysBetween,
  dueDateProblem,
  emptyProfile,
  pregnancyWeek,
} from './profile';
export {
  type Gate,
  type GateChanges,
  type Gates,
  type ScreeningAge,
  type Verdict,
  checkComponents,
  conditionInWords,
  evaluateGates,
  flaggedConditions,
  gateChanges,
  needsGuardian,
  refusalInWords,
  screeningAge,
  unansweredConditions,
} from './gates';
export { type CountedRate, type PathState, openStations, pathState, rateFlag } from './path';
export {
  type Fact,
  type FactKey,
  type KnownClient,
  answerValueSchema,
  dayString,
  factKeys,
  factSchemas,
  knownClient,
} from './facts';
