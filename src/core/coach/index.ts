export { type RunPlace, type RunTimeline, type TimedSegment, locate, timelineOf } from './timeline';
export { calmPart, drillHistoryOf, outcomeOf } from './history';
export {
  type ItemSummary,
  type RunEvent,
  type RunState,
  type StampedEvent,
  cursorAt,
  faultsOf,
  foldRun,
  freshRun,
  gapAfterSeconds,
  gapPause,
  placeAt,
  reduceRun,
  runEventSchema,
  stampedEventSchema,
  stoppedDrillsOf,
  summariseRun,
} from './run';
export { type ClockBridge, audioTimeOf, lateSeconds, observeClocks } from './sound';
