export { awakeMinutes, sinceWaking } from './clock';
export { homeCalendar } from './calendar';
export { type CheckIn, checkInSchema, dayOfHome, tellingEnds, withCheckIn } from './checkIn';
export {
  type HomeReturn,
  codeLetters,
  codeOf,
  daysKept,
  doneLevels,
  feltLevels,
  homeSigns,
  readCode,
  toldInWords,
} from './code';
export { type HabitId, breathsOf, goesOf, habitIds, habits, inOrderOfDay, moved } from './habits';
export { type HomeOffer, type Withdrawn, homeOffers, usualAtHome, withdrawnOf } from './offers';
export { type Go, type HomeItem, type HomePlan, type StoredHome, homePlanSchema } from './practice';
export { mostItems } from './mostItems';
export { dayInPlainWords, dayTotals, goTotals, homeDrills, homeFaults, sensibleLoad } from './totals';
export { cueSheet, tonesOf, waveOf, waveRate } from './wave';
export { feelOf, homeNotice, homeWords, readingEase, stopWords } from './words';
