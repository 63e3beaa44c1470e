export { type Finding, type Severity, readFindings } from './findings';
export { type FindingId, findingIds, findingTable, freeFindings } from './findingTable';
export {
  type ConfirmedFinding,
  type Intent,
  type IntentId,
  type SkillId,
  intentIds,
  intentInWords,
  intents,
  skills,
  wantedFor,
  wantedRegions,
} from './intents';
export { type Pattern, type Points, evenId, leadSchoolFor, patternIds, patterns } from './patterns';
export {
  type Evidence,
  type Likely,
  type Missing,
  type PatternScore,
  likelyPatterns,
  scorePatterns,
  hintFrom,
  mayLead,
  tieWithin,
} from './score';
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
export { type SchoolReading, schoolReadings } from './schoolReadings';
export { type NextLook, nextLook, settlesBetween } from './settle';
export {
  type Calibration,
  type Strength,
  calibrationInWords,
  calibrationOf,
  pointsInWords,
  strengthAt,
  strengthOf,
  strengths,
} from './strength';
