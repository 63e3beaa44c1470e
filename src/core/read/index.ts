export { type FindingId } from '../look';
export { type Finding, readFindings } from './findings';
export { findingIds, findingTable } from './findingTable';
export {
  type ConfirmedFinding,
  type IntentId,
  type SkillId,
  intentIds,
  intentInWords,
  intents,
  skills,
  wantedFor,
  wantedRegions,
} from './intents';
export { type Pattern, evenId, leadSchoolFor, patternIds, patterns } from './patterns';
export { type Evidence, type Likely, type PatternScore, likelyPatterns, scorePatterns, mayLead } from './score';
export {
  type JudgedFinding,
  type Judgement,
  type ReadingSnapshot,
  judgeFindings,
  judgementSchema,
  readingChanges,
  severityInWords,
  snapshotOf,
  snapshotSchema,
} from './judge';
export { findingsOf, markedIn, readVisit } from './readVisit';
export { schoolReadings } from './schoolReadings';
export { nextLook } from './settle';
export { type Strength, calibrationInWords, pointsInWords, strengthOf, strengths } from './strength';
