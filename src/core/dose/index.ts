export { nextBreaths } from './progress';
export {
  type Dose,
  type Segment,
  type Totals,
  breathsPerDay,
  durationInWords,
  habitBreathsPerDay,
  holdSecondsOf,
  isHold,
  naturalPauseSeconds,
  segmentsOf,
  setStretches,
  totalsOf,
} from './dose';
