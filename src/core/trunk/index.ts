export {
  type Grade,
  type Grades,
  type RegionId,
  gradeAnchors,
  gradeWords,
  mirrored,
  regionIds,
  regions,
  ringRegionIds,
  unobserved,
} from './regions';
export { gradeSchema, gradesSchema } from './gradesSchema';
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
