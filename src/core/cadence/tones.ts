import { type Phase, cycleSeconds, phaseLength, phases } from './cadence';
import { type BreathPlan } from './phaseAt';

/** A tone to sound at one instant of a breath plan. */
export interface PlannedTone {
  atSeconds: number;
  phase: Phase;
  breath: number;
}

/**
 * The tones of a breath plan whose onset lies in [fromSeconds, toSeconds): one at the start of each phase that has a
 * length. Sound is scheduled ahead from this list, so a tone belongs to exactly one window and is never doubled.
 *
 * @example tonesBetween(planBreaths([{ cadence: cadence(2, 6), breaths: 1 }]), 0, 8).map((tone) => tone.atSeconds) // [0, 2]
 */
export function tonesBetween(plan: BreathPlan, fromSeconds: number, toSeconds: number): PlannedTone[] {
  const tones: PlannedTone[] = [];
  plan.cadences.forEach((cadence, breath) => {
    const start = plan.starts[breath]!;
    if (start >= toSeconds || start + cycleSeconds(cadence) < fromSeconds) return;
    let at = start;
    for (const phase of phases) {
      const length = phaseLength(cadence, phase);
      if (length > 0 && at >= fromSeconds && at < toSeconds) tones.push({ atSeconds: at, phase, breath });
      at += length;
    }
  });
  return tones;
}
