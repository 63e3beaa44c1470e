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
  type Shares,
  type TrunkEffect,
  effectMultipliers,
  estimateYields,
  evenYields,
  predictShares,
  trunkEffects,
} from './whereAirGoes';
