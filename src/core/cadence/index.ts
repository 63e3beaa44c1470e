export {
  type Cadence,
  type Phase,
  breathsPerMinute,
  cadence,
  cadenceInWords,
  cadenceSchema,
  cycleSeconds,
  exhaleShare,
  ladder,
  pauseSeconds,
  phaseLength,
  phases,
} from './cadence';
export { type BreathPlan, type BreathStretch, type PhaseMoment, phaseAt, planBreaths } from './phaseAt';
export { type PlannedTone, tonesBetween } from './tones';
