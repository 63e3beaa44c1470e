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
export { offLimits, visitStory } from './story';
export { needsToday } from './needs';
export { type Followed, type Repeats, followed, followedProtocols, repeatsOf } from './over';
export { markerBeforeAfter, repeatPairs, seriesOf } from './series';
export { trendOf } from './trend';
export { visitNote, withHome } from './visitNote';
export { type Effect, type Seen, whatChanged } from './whatChanged';
export { foundIn, mapChanges } from './found';
export { notOursIn, progressLetter } from './letter';
export { type LastTime, lastTimeOf } from './lastTime';
