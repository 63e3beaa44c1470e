export { countsAmong } from './counts';
export {
  type QuietRate,
  type RateBand,
  type TapDoubt,
  fewestTaps,
  mergedTaps,
  oneTapSeconds,
  quietRate,
  rateBand,
  rateBandProvenance,
  rateBands,
  rateOf,
  settleDoubt,
} from './quietRate';
export {
  type CalmHold,
  type FirstBreath,
  type HoldBand,
  type HoldFeeling,
  type HoldTry,
  calmHold,
  firstBreaths,
  firstHoldPositions,
  harderHoldsFollow,
  holdBandProvenance,
  holdBands,
  type HoldAdvice,
  holdAdvice,
  holdCounts,
  holdGrowth,
  holdFeelings,
  mostHoldTries,
  restBetweenTriesSeconds,
  restLeft,
} from './calmHold';
export {
  type Excursion,
  type GirthGo,
  cmPerInch,
  excursionOf,
  expansionBand,
  expansionProvenance,
  fromCm,
  gapProvenance,
  lengthInWords,
  smallGapCm,
  toCm,
} from './girth';
export { type TwoLine, twoLine, twoLineProvenance } from './twoLine';
export { type Questionnaire, oftenWords, questionnaireProvenance, questionnaireSum, symptoms } from './questionnaire';
export {
  type LandmarkPhoto,
  type PhotoMeasure,
  type PhotoPoint,
  angleAt,
  pelvicTiltDegrees,
  photoFigure,
  photoFigureOrNull,
  photoInWords,
  photoMeasureIds,
  photoMeasures,
  thoraxOffsetPercent,
} from './angles';
export { weightedKappa } from './kappa';
export { type MarkerMeasure, markerMeasureIds, markerMeasures } from './markers';
export {
  type LookPosition,
  type PosturePosition,
  type PostureTilt,
  type ProtocolId,
  type Raw,
  type TapeLevel,
  lookPositions,
  posturePositions,
  postureTilts,
  protocolIds,
  rawSchemas,
  tapeLevels,
} from './rawSchemas';
export {
  type LookRecord,
  allOf,
  baseMap,
  bestGrades,
  blindPairs,
  countingLooks,
  byTime,
  easiestGraded,
  isOf,
  mapsByPosition,
  newest,
} from './records';
export { type LookPictureId, type Protocol, protocols } from './protocols';
export { type ToldAlready, ledBy, toldForFloor } from './led';
export { type LookList, type LookSetId, expectedMinutes, lookList, lookSetIds, lookSets } from './sets';
export { type FormField, type FormProtocol, formProtocols, forms, nothingElse } from './forms';
export { lookResult } from './result';
export { type PostureResult, bestPosture, postureNames, tiltNames } from './posture';
export { rawComponents, tiltComponents } from './rawComponents';
export { blankRaw } from './blank';
export { cautionsSeen, leaksWithEffort } from './seenCautions';
export { testVerdict } from './testVerdict';
export { type Remembered, asLastTime, rememberedOf } from './remember';
export { setUpFor } from './setUp';
