import { type Phase, cycleSeconds, phaseLength, phases } from './cadence';
import { type BreathPlan } from './phaseAt';

/** A tone to sound at one instant of a breath plan. */
export interface PlannedTone {
  atSeconds: number;
  phase: Phase;
  breath: number;
  /** Opens the phase, or says that one second of it is left. */
  kind: 'phase' | 'last second';
}

/** An even noise to breathe out against: from one instant for some seconds. */
export interface PlannedNoise {
  atSeconds: number;
  seconds: number;
  breath: number;
}

/** Phases at least this long tell their last second; in a shorter one it would fall on the opening tone. */
const lastSecondFrom = 2.5;

/**
 * The tones of a breath plan whose onset lies in [fromSeconds, toSeconds), in order: one at the start of each phase that has
 * a length, and one a second before the end of each that is long enough. Sound is scheduled ahead from this list, so a tone
 * belongs to exactly one window and is never doubled.
 *
 * @example tonesBetween(planBreaths([{ cadence: cadence(2, 6), breaths: 1 }]), 0, 8).map((tone) => tone.atSeconds) // [0, 2, 7]
 */
export function tonesBetween(plan: BreathPlan, fromSeconds: number, toSeconds: number): PlannedTone[] {
  const tones: PlannedTone[] = [];
  plan.cadences.forEach((cadence, breath) => {
    const start = plan.starts[breath]!;
    if (start >= toSeconds || start + cycleSeconds(cadence) < fromSeconds) return;
    const add = (atSeconds: number, phase: Phase, kind: PlannedTone['kind']) => {
      if (atSeconds >= fromSeconds && atSeconds < toSeconds) tones.push({ atSeconds, phase, breath, kind });
    };
    let at = start;
    for (const phase of phases) {
      const length = phaseLength(cadence, phase);
      if (length > 0) add(at, phase, 'phase');
      if (length >= lastSecondFrom) add(at + length - 1, phase, 'last second');
      at += length;
    }
  });
  return tones;
}

/**
 * The noises of a breath plan that begin in [fromSeconds, toSeconds): one along each exhale.
 *
 * @example noisesBetween(planBreaths([{ cadence: cadence(2, 6), breaths: 1 }]), 0, 8) // [{ atSeconds: 2, seconds: 6, breath: 0 }]
 */
export function noisesBetween(plan: BreathPlan, fromSeconds: number, toSeconds: number): PlannedNoise[] {
  return plan.cadences.flatMap((cadence, breath) => {
    const atSeconds = plan.starts[breath]! + cadence.inhaleSeconds + cadence.topPauseSeconds;
    return atSeconds >= fromSeconds && atSeconds < toSeconds
      ? [{ atSeconds, seconds: cadence.exhaleSeconds, breath }]
      : [];
  });
}
