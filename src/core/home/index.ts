export { awakeMinutes, clockAfter, isNextDay, sinceWaking } from './clock';
export { homeCalendar } from './calendar';
export {
  type CodeRead,
  type HomeReturn,
  codeLetters,
  codeOf,
  doneLevels,
  feltLevels,
  homeSigns,
  readCode,
  stampOf,
  toldInWords,
} from './code';
export { type HabitId, breathsOf, goesOf, habitIds, habits, inOrderOfDay, moved } from './habits';
export { type HomeOffer, homeOffers, usualAtHome, withdrawnOf } from './offers';
export {
  type Go,
  type HomeItem,
  type HomePlan,
  type StoredHome,
  homePlanSchema,
  mostItems,
  remindIds,
} from './practice';
export {
  type DayTotals,
  type Load,
  dayInPlainWords,
  dayTotals,
  goTotals,
  homeDrills,
  homeFaults,
  sensibleLoad,
} from './totals';
export { cueSheet, tonesOf, waveOf, waveRate } from './wave';
export { type HomeWords, feelOf, homeNotice, homeWords, readingEase, stopWords } from './words';
