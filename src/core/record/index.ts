export { readingSchema } from './reading';
export { type HomeAnswer, type OffWay, type WishId, homeAnswers, offWays, usualHours, wishIds } from './booking';
export { type Hours } from './hours';
export { commandWords, typedWords } from './commandWords';
export { type OwnBreath, type OwnEntry, ownBreathSchema, ownNoseSeconds } from './ownBreath';
export { plannedInWords } from './planned';
export { addDays, dayIn, daysBetween, isZone, timeIn, workingDay } from './day';
export {
  type DateManner,
  type WeekStart,
  dateLanguageIds,
  dateLanguages,
  dayInWords,
  inWeekOrder,
  mannerOfDates,
  momentInWords,
  monthInWords,
  tellDatesIn,
  weekStarts,
  weekdayAndDay,
  weekdayName,
  weekdayShort,
} from './dateWords';
export { type Settings, defaultSettings, settingsSchema } from './settings';
export {
  type CommandKind,
  type Outcome,
  type Payload,
  type RefusalCode,
  commandKinds,
  commandSchemas,
  envelopeSchema,
  firstSentence,
  parseRaw,
  rawSchemaOf,
} from './commands';
export { type CopyCompared, type ImportPreview, type RowCounts, type RowDifference } from './exchange';
export { type Said, laidOver, saidSince, wholeRecordOf } from './said';
export { type Recorded, settingsWith, shownWith } from './shown';
export {
  type StoredLook,
  type StoredNote,
  type StoredPlan,
  type StoredReading,
  type StoredRun,
  type VisitRecord,
  type VisitRow,
  newVisit,
} from './visit';
export {
  type DayOrder,
  type ListColumn,
  type ListMatch,
  dayWritten,
  listColumns,
  matchColumns,
  rowOfList,
} from './clientList';
