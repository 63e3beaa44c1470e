export { type Component, componentIds, components, highRisk } from './components';
export { type Form, type FormId, formIds, forms, waysOut } from './forms';
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
  emergencyBehind,
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
  type SurgerySite,
  type TouchConsent,
  ageOn,
  daysBetween,
  dueDateProblem,
  emptyProfile,
  pregnancyWeek,
  signContextsOf,
  surgerySites,
} from './profile';
export {
  type Gate,
  type GateChanges,
  type Gates,
  type ScreeningAge,
  type SeenCaution,
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
export { type CountedRate, type PathState, openStations, pathState, rateFlag, rateSign } from './path';
export {
  type Complaint,
  type ComplaintPlace,
  type Fact,
  type FactKey,
  type KnownClient,
  answerValueSchema,
  complaintPlaces,
  dayString,
  factKeys,
  factSchemas,
  knownClient,
} from './facts';
