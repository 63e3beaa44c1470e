export {
  type Change,
  type GradeChange,
  type Measure,
  type MeasureId,
  blendedError,
  changeOf,
  gradeChanges,
  measureIds,
  measures,
  ownNoiseFromPairs,
  ringChangeInWords,
  smallestRealDifference,
  typicalError,
} from './change';
export { type StoryLine, type StoryStation, offLimits, visitStory } from './story';
export { type Expected, needsToday } from './needs';
export { type Followed, type Repeats, followed, followedProtocols, repeatsOf } from './over';
export { type Point, markerBeforeAfter, repeatPairs, seriesOf } from './series';
export { itemInWords, visitNote, withHome } from './visitNote';
export { foundIn, foundInWords, mapChanges } from './found';
export { type LastTime, lastTimeOf } from './lastTime';
