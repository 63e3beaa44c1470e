export {
  type HomeAnswer,
  type Hours,
  type OffWay,
  type WishId,
  clockTime,
  homeAnswers,
  hoursSchema,
  offWays,
  usualHours,
  wishIds,
} from './booking';
export { commandWords, typedWords } from './commandWords';
export { type OwnBreath, type OwnEntry, ownBreathSchema, ownNoseSeconds } from './ownBreath';
export { addDays, dayIn, dayInWords, isZone, workingDay } from './day';
export { type Settings, defaultSettings, settingsSchema } from './settings';
export {
  type Command,
  type CommandKind,
  type Outcome,
  type Payload,
  type Reading,
  type RefusalCode,
  commandKinds,
  commandSchemas,
  envelopeSchema,
  firstSentence,
  parseRaw,
  rawSchemaOf,
  readingSchema,
} from './commands';
export { type Recorded, type Said, saidSince, settingsWith, shownWith, wholeRecordOf } from './shown';
export {
  type StoredLook,
  type StoredNote,
  type StoredPlan,
  type StoredReading,
  type StoredRun,
  type VisitRecord,
  type VisitRow,
  mostNoteCharacters,
  newVisit,
} from './visit';
