export {
  type Course,
  courseInWords,
  courseOf,
  criterionInWords,
  departureOf,
  leadOf,
  movedInWords,
  stepInWords,
  type Tried,
  withReviews,
} from './course';
export { reviewsOf } from './reviews';
export { type Step, firstStep, stepsFrom } from './steps';
export { type Ladder, climbInWords, ladderInWords, ladderOf, rungCriterion } from './ladder';
