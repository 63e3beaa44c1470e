import { type Cadence, breathsPerMinute, phaseLength, phases } from './cadence';

/** What was measured of a client's own breath, where it was. */
export interface MeasuredBreath {
  /** Unannounced resting rate, breaths a minute. */
  ratePerMinute: number | null;
  /** Length of one easy full exhale, seconds. */
  exhaleSeconds: number | null;
}

/** A pacer slower than this part of the client's own rate is a jump. Common practice, the size ours. */
const jumpBelow = 0.5;

/** Part of the easy exhale that a paced one may reach with comfort, breath after breath. Common practice, the size ours. */
const easyPart = 0.9;

/** A phase longer than this is said to be long, whoever breathes it: seconds. Common practice, the size ours. */
const longPhaseSeconds = 20;

/**
 * What a cadence asks of a client beyond what they do by themselves, in words; nothing when it is comfortable or nothing was
 * measured.
 *
 * @example comfortOf(cadence(5, 10), { ratePerMinute: 16, exhaleSeconds: null })
 * // ['4.0 a minute, from 16.0 at rest: a jump. Begin near 10.7 and slow down over some breaths.']
 */
export function comfortOf(breath: Cadence, { ratePerMinute, exhaleSeconds }: MeasuredBreath): string[] {
  const rate = breathsPerMinute(breath);
  const found: string[] = [];
  if (ratePerMinute !== null && rate < ratePerMinute * jumpBelow) {
    const near = (ratePerMinute * 2) / 3;
    found.push(
      `${rate.toFixed(1)} a minute, from ${ratePerMinute.toFixed(1)} at rest: a jump. Begin near ${near.toFixed(1)} and slow down over some breaths.`,
    );
  }
  if (ratePerMinute !== null && rate > ratePerMinute * 1.25) {
    found.push(
      `${rate.toFixed(1)} a minute is faster than the ${ratePerMinute.toFixed(1)} at rest: watch for light-headedness.`,
    );
  }
  if (exhaleSeconds !== null && breath.exhaleSeconds > exhaleSeconds * easyPart) {
    found.push(
      `${breath.exhaleSeconds} s out is close to all there is: one easy full exhale took ${exhaleSeconds.toFixed(1)} s.`,
    );
  }
  const longest = Math.max(...phases.map((phase) => phaseLength(breath, phase)));
  if (longest > longPhaseSeconds) {
    found.push(`${longest} s in one phase is long for anybody: usual is up to ${longPhaseSeconds}.`);
  }
  return found;
}
