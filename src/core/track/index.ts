export { type MeasureId } from '../look';
export {
  type Change,
  blendedError,
  changeOf,
  gradeChanges,
  measureIds,
  measures,
  ringChangeInWords,
  smallestRealDifference,
  typicalError,
} from './change';
export { changeInWords, figuresOf, verdictInWords } from './figures';
export { offLimits, visitStory } from './story';
export { needsToday } from './needs';
export {
  type Followed,
  type Repeats,
  clearSince,
  followed,
  followedProtocols,
  leadingMeasure,
  likeWithLike,
  notComparedInWords,
  overInWords,
  repeatsOf,
} from './over';
export { markerBeforeAfter, repeatPairs, seriesOf } from './series';
export { trendOf } from './trend';
export { notePage, visitNote, withHome } from './visitNote';
export { type Effect, type Seen, whatChanged } from './whatChanged';
export { type WhatWorked, type Worked, whatWorked } from './worked';
export { clearestChange, foundIn, mapChanges } from './found';
export { notOursIn, progressLetter } from './letter';
export { type RingsOver, ringsOver } from './rings';
export { type Told, complaintChange, toldOver } from './told';
export { drillName } from './drillName';
export { type LastTime, lastTimeOf } from './lastTime';
export { type Kept, type RecordTable, dictionaryOf, measuredIn, questionInWords, tablesOf } from './recordTables';
