export { type Finding, type FindingId, type Severity, findingTable, readFindings } from './findings';
export {
  type Intent,
  type IntentId,
  type SkillId,
  intentIds,
  intentInWords,
  intents,
  skills,
  wantedRegions,
} from './intents';
export {
  type Evidence,
  type Pattern,
  type PatternScore,
  likelyPatterns,
  patterns,
  scorePatterns,
  showFromBalance,
} from './patterns';
