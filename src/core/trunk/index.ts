export {
  type Grade,
  type Grades,
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
export { circularMean, directionInWords, ringInWords, summariseRing } from './ring';
export {
  type Shares,
  type TrunkEffect,
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
