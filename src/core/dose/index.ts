export { nextBreaths } from './progress';
export {
  type Dose,
  type Segment,
  type Totals,
  breathsPerDay,
  durationInWords,
  habitBreathsPerDay,
  holdCapSeconds,
  holdSecondsOf,
  isHold,
  naturalPauseSeconds,
  segmentsOf,
  setStretches,
  totalsOf,
} from './dose';
