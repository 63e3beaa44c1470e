export { nextBreaths } from './progress';
export {
  type Dose,
  type ItemSide,
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
  sideChangeSeconds,
  totalsOf,
} from './dose';
