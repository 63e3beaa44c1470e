export { type Denial, type RunPerson, eventDenied, foreignTo, itemOff, steering } from './admit';
export { announcement, spokenFromSeconds } from './announce';
export {
  type ClientFrame,
  type ClientMessage,
  clientChannel,
  clientFrame,
  clientMessageSchema,
  silentAfterMs,
} from './clientFrame';
export {
  type Helped,
  type PacingMode,
  helpedWords,
  type RunEvent,
  type SettledThen,
  type StampedEvent,
  pacingModes,
  runEventSchema,
  stampedEventSchema,
} from './events';
export { type GroupForm, groupForm, itemsOff, mostInGroup } from './group';
export {
  type FaultHistory,
  type RunDigest,
  calmPart,
  digestFormula,
  digestOf,
  digestSchema,
  drillHistoryOf,
  faultHistoryOf,
  mostEffort,
  outcomeOf,
} from './history';
export { type Readiness, type Remedy, faultOrder, harderReadiness, remedyFor } from './neighbours';
export {
  type Repaced,
  adjusted,
  fixedAgain,
  followed,
  rampCycles,
  rampPart,
  ramped,
  scaledTo,
  tappedCycles,
} from './pacing';
export {
  type Gesture,
  type KeyMove,
  type PedalState,
  type PedalStep,
  doublePressMs,
  gestures,
  idlePedal,
  longPressMs,
  pedalMove,
  pedalTime,
} from './pedal';
export {
  type KeptRun,
  type RunState,
  cursorAt,
  endedByStop,
  foldRun,
  freshRun,
  gapAfterSeconds,
  gapPause,
  modeOf,
  placeAt,
  reduceRun,
  restingIn,
  stateOf,
  stepRun,
} from './run';
export { type Counted, countedAt, stepAt } from './counting';
export { watchSigns } from './watching';
export { type ClockBridge, audioTimeOf, lateSeconds, observeClocks } from './sound';
export {
  type ItemSummary,
  type RunSummary,
  type UnnamedMark,
  cueAnswer,
  faultsOf,
  lastMark,
  stoppedDrillsOf,
  summariseRun,
  unnamedMarks,
} from './summary';
export {
  type RunItem,
  type RunPlace,
  type RunTimeline,
  type TimedSegment,
  locate,
  setKey,
  timelineOf,
} from './timeline';
