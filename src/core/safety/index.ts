export { nameTrouble } from './clientName';
export { conditionRules, conditionsWithSigns, signContextsOf } from './conditionRules';
export { type Component, componentIds, components, highRisk } from './components';
export { type FormId, formIds, forms, waysOut } from './forms';
export {
  type Condition,
  type ConditionId,
  conditionById,
  conditionGroups,
  conditionIds,
  conditionList,
} from './conditions';
export {
  type Sign,
  emergencyBehind,
  emergencySigns,
  emergencySteps,
  redFlagIds,
  redFlags,
  signInWords,
  stopSymptoms,
} from './signs';
export { type GateLimits, defaultLimits, gateTable, limitNames } from './gateTable';
export {
  type Answer,
  type AnswerDetail,
  type AnswerValue,
  type Profile,
  type SignsAnswer,
  type TouchConsent,
  ageOn,
  dueDateProblem,
  emptyProfile,
  pregnancyWeek,
  surgerySites,
  toldConditions,
} from './profile';
export {
  type Gate,
  type Gates,
  type SeenCaution,
  evaluateGates,
  flaggedConditions,
  gateChanges,
  needsGuardian,
  screeningAge,
  unansweredConditions,
} from './gates';
export { type Verdict, checkComponents, refusalInWords } from './verdict';
export { type StationId, stationIds } from './stations';
export { openStations } from './openStations';
export { type CountedRate, type PathState, pathState, rateFlag, rateSign } from './path';
export {
  type SymptomId,
  type Symptoms,
  askedBySymptoms,
  leaksInWords,
  mostLeaks,
  symptomIds,
  symptomInWords,
  symptomsInWords,
} from './symptoms';
export { type Complaint, type ComplaintPlace, type Fact, type FactKey, complaintPlaces, factKeys } from './factKeys';
export { factFits } from './factFits';
export { dayString, factSchemas } from './factSchemas';
export { type KnownClient, knownClient } from './known';
