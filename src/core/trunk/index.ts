export {
  type Grade,
  type Grades,
  type Region,
  type RegionId,
  gradeAnchors,
  gradeSchema,
  gradeWords,
  gradesSchema,
  mirrored,
  regionIds,
  regions,
  ringRegionIds,
  unobserved,
} from './regions';
export { type RingSummary, circularMean, directionInWords, ringInWords, summariseRing } from './ring';
export {
  type SetUp,
  type Shares,
  type TrunkEffect,
  type TrunkEstimate,
  awareness,
  effectMultipliers,
  estimateTrunk,
  estimateYields,
  evenYields,
  givenAt,
  predictShares,
  rankSetUps,
  sharesAsGrades,
  trunkEffects,
} from './whereAirGoes';
export { type TrunkMoment, type TrunkMotion, trunkAt, trunkMotion } from './motion';
