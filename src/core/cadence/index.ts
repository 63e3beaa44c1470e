export {
  type Cadence,
  type Phase,
  breathsPerMinute,
  cadence,
  cadenceInWords,
  longestPhaseSeconds,
  shortestPhaseSeconds,
  climb,
  cycleSeconds,
  exhaleShare,
  ladder,
  pauseSeconds,
  phaseLength,
  phases,
} from './cadence';
export { type MeasuredBreath, comfortOf } from './comfort';
export { type BreathPlan, type BreathStretch, type PhaseMoment, phaseAt, planBreaths } from './phaseAt';
export { type PlannedTone, noisesBetween, tonesBetween } from './tones';
export { cadenceSchema } from './schema';
export { type ToneShape, phaseTones } from './toneShapes';
