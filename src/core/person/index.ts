export { chanceFrom } from '../numbers';
export { type TroubleId, evidenceOf, signRates, troubleIds, usualNumbers } from './evidence';
export { type Degree, personWith } from './person';
export { type CoachQuality, coachQualities, coachQualityIds, seenOf } from './seen';
export { shareOf } from './share';
export {
  type StudyPart,
  bitsOf,
  calibrate,
  falseAlarms,
  looksAt,
  readingAsked,
  recall,
  settles,
  study,
  worlds,
} from './study';
