export {
  type Course,
  type VisitDigest,
  courseInWords,
  courseOf,
  criterionInWords,
  departureOf,
  leadOf,
  movedInWords,
  stepInWords,
  type Tried,
} from './course';
export { type Step, stepsFrom } from './steps';
