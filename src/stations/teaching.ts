import { type Cadence, type PhaseMoment, phaseAt, planBreaths } from '@/core/cadence';

/**
 * A breath going round and round: for showing it in a talk, a set-up or the catalogue, where nothing is paced.
 *
 * @param nowMs any clock that goes evenly
 */
export function teachingMoment(cadences: readonly Cadence[], nowMs: number): PhaseMoment {
  const breaths = planBreaths(cadences.map((cadence) => ({ cadence, breaths: 1 })));
  const seconds = nowMs / 1000;
  const moment = phaseAt(breaths, seconds % breaths.totalSeconds);
  // Counted on from round to round: a repetition may take two breaths.
  return { ...moment, breath: moment.breath + Math.floor(seconds / breaths.totalSeconds) * cadences.length };
}
