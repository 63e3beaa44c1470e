export {
  type Cadence,
  type Phase,
  breathsPerMinute,
  cadence,
  cadenceInWords,
  cadenceSchema,
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
export { type MeasuredBreath, comfortOf, easyPart, jumpBelow } from './comfort';
export { type BreathPlan, type BreathStretch, type PhaseMoment, phaseAt, planBreaths } from './phaseAt';
export { type PlannedNoise, type PlannedTone, lastSecondFrom, noisesBetween, tonesBetween } from './tones';
