export { countsAmong } from './counts';
export {
  type TapDoubt,
  fewestTaps,
  mergedTaps,
  quietRate,
  rateBand,
  rateBandProvenance,
  rateBands,
  rateOf,
  settleDoubt,
} from './quietRate';
export { restingBreathOf } from './restingBreath';
export {
  type HoldTry,
  calmHold,
  firstBreaths,
  firstHoldPositions,
  harderHoldsFollow,
  holdBandProvenance,
  holdBands,
  holdAdvice,
  holdCounts,
  holdFeelings,
  mostHoldTries,
  restLeft,
} from './calmHold';
export { type GirthGo, excursionOf, expansionBand, expansionProvenance, mostGirthCm } from './girth';
export { type LengthUnit, fromCm, lengthInWords, toCm } from './length';
export { twoLine, twoLineProvenance } from './twoLine';
export { oftenWords, questionnaireProvenance, questionnaireSum, symptoms } from './questionnaire';
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
export {
  type MarkerMeasure,
  markerIn,
  markerMeasureIds,
  markerMeasures,
  markerPositions,
  markerSetUp,
} from './markers';
export { type LookPosition, lookPositions } from './positions';
export { type Severity, type Found, type FoundHere } from './finding';
export { type FormField } from './fields';
export { type Followed, type LookPictureId } from './define';
export {
  type FindingId,
  type FormProtocol,
  type MeasureId,
  type ProtocolId,
  type Raw,
  protocolIds,
  protocols,
} from './protocols';
export { tiltComponents } from './protocols/postureSearch';
export { bestGrades } from './bestGrades';
export { versionOf } from './versions';
export { type TapeLevel, tapeLevels } from './protocols/tape';
export {
  type LookMoment,
  type LookRecord,
  allOf,
  baseMap,
  blindPairs,
  countingLooks,
  byTime,
  isOf,
  lookMoments,
  mapsByPosition,
  newest,
} from './records';
export { ledBy, toldForFloor } from './led';
export { type LookList, type LookSetId, expectedMinutes, lookList, lookSetIds, lookSets } from './sets';
export { formProtocols, forms, nothingElse } from './forms';
export { lookResult } from './result';
export {
  type PosturePosition,
  type PostureTilt,
  bestPosture,
  postureNames,
  posturePositions,
  postureTilts,
  tiltNames,
} from './posture';
export { blankRaw, rawComponents, rawSchemas } from './raw';
export { cautionsSeen } from './seenCautions';
export { testVerdict } from './testVerdict';
export { type Remembered, asLastTime, rememberedOf } from './remember';
export { setUpFor } from './setUp';
