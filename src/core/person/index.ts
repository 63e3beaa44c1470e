export { type Chance, chanceFrom } from './chance';
export { type Sign, type TroubleId, evidenceOf, signRates, troubleIds, usualNumbers } from './evidence';
export { type Degree, type People, type Person, degrees, personWith, usualPeople } from './person';
export { type CoachQuality, type Eyes, coachQualities, coachQualityIds, seenOf } from './seen';
export { type Share, shareOf } from './share';
export {
  type StudyPart,
  type World,
  bitsOf,
  calibrate,
  falseAlarms,
  looksAt,
  readingAsked,
  readingOf,
  recall,
  settles,
  study,
  worlds,
} from './study';
