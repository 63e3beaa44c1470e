export { type RunPerson, eventDenied, foreignTo, itemOff, steering } from './admit';
export { announcement } from './announce';
export { checksFor } from './checks';
export { clientFigure, clientFrame } from './clientFrame';
export { clientChannel, silentAfterMs } from './clientChannel';
export { type ClientFigure, type ClientFrame, type ClientMessage, clientMessageSchema } from './clientMessage';
export { type RunNews, eventsFromElsewhere, goesBehind } from './elsewhere';
export { type RunEvent, type StampedEvent, runEventSchema, stampedEventSchema } from './events';
export { type CheckId, type Helped, type PacingMode, goesOnAfter, helpedWords } from './eventWords';
export { type BreathAt, breathAt, breathGoesOn, breathsDone } from './breathsDone';
export { type GroupForm, groupForm, itemsOff, mostInGroup, sitOutOf } from './group';
export {
  calmPart,
  mostEffort,
  type FaultHistory,
  digestFormula,
  digestOf,
  drillHistoryOf,
  faultHistoryOf,
  outcomeOf,
} from './history';
export { type RunDigest, digestSchema } from './digestSchema';
export { type Remedy, faultOrder, harderReadiness, remedyFor } from './neighbours';
export { adjusted, adjustment, fixedAgain, followed, rampCycles, ramped, scaledTo, tappedCycles } from './pacing';
export {
  type Gesture,
  type KeyMove,
  type PedalState,
  type PedalStep,
  doublePressMs,
  idlePedal,
  longPressMs,
  pedalMove,
  pedalTime,
} from './pedal';
export { pressHolds, pressWithinMs, remoteFrame } from './paired';
export {
  type MainAct,
  type PairedMessage,
  type RemoteAct,
  type RemoteFrame,
  type RemotePress,
  pairedMessageSchema,
  remoteFrameSchema,
  remotePressSchema,
} from './pairedSchema';
export { remoteNames } from './remoteNames';
export {
  type RunState,
  cursorAt,
  endedByStop,
  foldRun,
  freshRun,
  gapPause,
  modeOf,
  placeAt,
  reduceRun,
  restingIn,
  stateOf,
  waitsAt,
} from './run';
export { countedAt, stepAt } from './counting';
export { watchSigns } from './watching';
export { type ClockBridge, audioTimeOf, lateSeconds, observeClocks } from './sound';
export {
  type ItemSummary,
  type RunSummary,
  type UnnamedMark,
  answerOf,
  cueAnswer,
  faultsOf,
  lastMark,
  notesOf,
  stoppedDrillsOf,
  summariseRun,
  unnamedMarks,
} from './summary';
export { type RunPlace, type RunTimeline, locate, timelineOf } from './timeline';
export { cadencesInWords, doseInWords } from './words';
