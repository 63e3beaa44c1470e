/** The four phases of a breath, in the order they come. */
export const phases = ['inhale', 'topPause', 'exhale', 'bottomPause'] as const;
export type Phase = (typeof phases)[number];

/** Shortest inhale or exhale, and longest phase, that can be paced: seconds. A pause may be none at all. */
export const shortestPhaseSeconds = 0.5;
export const longestPhaseSeconds = 60;

/** A breath as four lengths in seconds. In and out take at least half a second; pauses may be 0. */
export interface Cadence {
  inhaleSeconds: number;
  topPauseSeconds: number;
  exhaleSeconds: number;
  bottomPauseSeconds: number;
}

/**
 * A cadence from its in and out lengths, and pauses where there are any.
 *
 * @param inhaleSeconds seconds, 0.5 to 60
 * @param exhaleSeconds seconds, 0.5 to 60
 * @throws {RangeError} when a length is out of range
 * @example breathsPerMinute(cadence(2, 6)) // 7.5; 2 in, 6 out
 */
export function cadence(
  inhaleSeconds: number,
  exhaleSeconds: number,
  { topPauseSeconds = 0, bottomPauseSeconds = 0 }: Partial<Cadence> = {},
): Cadence {
  const within = (seconds: number, shortest: number) => seconds >= shortest && seconds <= longestPhaseSeconds;
  if (![inhaleSeconds, exhaleSeconds].every((seconds) => within(seconds, shortestPhaseSeconds)))
    throw new RangeError(`In and out take between ${shortestPhaseSeconds} and ${longestPhaseSeconds} seconds.`);
  if (![topPauseSeconds, bottomPauseSeconds].every((seconds) => within(seconds, 0)))
    throw new RangeError(`A pause takes between 0 and ${longestPhaseSeconds} seconds.`);
  return { inhaleSeconds, topPauseSeconds, exhaleSeconds, bottomPauseSeconds };
}

/** The length of one phase of a cadence, in seconds. */
export function phaseLength(breath: Cadence, phase: Phase): number {
  switch (phase) {
    case 'inhale':
      return breath.inhaleSeconds;
    case 'topPause':
      return breath.topPauseSeconds;
    case 'exhale':
      return breath.exhaleSeconds;
    case 'bottomPause':
      return breath.bottomPauseSeconds;
  }
}

/**
 * Length of a whole breath in seconds: in + pause + out + pause.
 *
 * @example cycleSeconds(cadence(2, 6)) // 8
 */
export function cycleSeconds(breath: Cadence): number {
  return breath.inhaleSeconds + breath.topPauseSeconds + breath.exhaleSeconds + breath.bottomPauseSeconds;
}

/**
 * Breaths a minute of a cadence: 60 / cycle.
 *
 * @example breathsPerMinute(cadence(5, 5)) // 6
 */
export function breathsPerMinute(breath: Cadence): number {
  return 60 / cycleSeconds(breath);
}

/**
 * The part of the breath spent breathing out, 0 to 1.
 *
 * @example exhaleShare(cadence(2, 6)) // 0.75
 */
export function exhaleShare(breath: Cadence): number {
  return breath.exhaleSeconds / cycleSeconds(breath);
}

/**
 * Seconds of a breath in which no air moves. Pauses are holds as far as gates and the hold cap are concerned.
 *
 * @example pauseSeconds(cadence(3, 6, { bottomPauseSeconds: 2 })) // 2
 */
export function pauseSeconds(breath: Cadence): number {
  return breath.topPauseSeconds + breath.bottomPauseSeconds;
}

/**
 * The count ladder: in 1 out 2, in 2 out 3 … one count longer a rung. A count is one second.
 * Common practice, no published source: the usual ladder has five rungs, 35 counts in all.
 *
 * @param rungs 1 to 12
 * @throws {RangeError} outside that range
 * @example ladder(5).reduce((sum, rung) => sum + cycleSeconds(rung), 0) // 35
 */
export function ladder(rungs: number): Cadence[] {
  if (!Number.isInteger(rungs) || rungs < 1 || rungs > 12) throw new RangeError('A ladder has 1 to 12 rungs.');
  return Array.from({ length: rungs }, (_, rung) => cadence(rung + 1, rung + 2));
}

/**
 * The same breath growing longer: each rung breathes out a little longer than the one before, up to a limit.
 *
 * @param from the first rung
 * @param rungs 2 to 12
 * @param more seconds the exhale grows a rung, 0.5 to 2
 * @param most longest exhale in seconds; rungs past it stay at it
 * @throws {RangeError} outside these ranges
 * @example climb(cadence(3, 4), 3, 1, 8).map((rung) => rung.exhaleSeconds) // [4, 5, 6]
 */
export function climb(from: Cadence, rungs: number, more: number, most: number): Cadence[] {
  if (!Number.isInteger(rungs) || rungs < 2 || rungs > 12) throw new RangeError('A climb has 2 to 12 rungs.');
  if (more < 0.5 || more > 2) throw new RangeError('A rung adds half a second to two seconds.');
  return Array.from({ length: rungs }, (_, rung) => ({
    ...from,
    exhaleSeconds: Math.max(from.exhaleSeconds, Math.min(most, from.exhaleSeconds + rung * more)),
  }));
}

const plainSeconds = (seconds: number) => String(Math.round(seconds * 10) / 10);

/**
 * A cadence as a coach says it.
 *
 * @example cadenceInWords(cadence(3, 6, { bottomPauseSeconds: 2 })) // '3 in, 6 out, 2 pause'
 */
export function cadenceInWords(breath: Cadence): string {
  const parts = [`${plainSeconds(breath.inhaleSeconds)} in`];
  if (breath.topPauseSeconds > 0) parts.push(`${plainSeconds(breath.topPauseSeconds)} pause`);
  parts.push(`${plainSeconds(breath.exhaleSeconds)} out`);
  if (breath.bottomPauseSeconds > 0) parts.push(`${plainSeconds(breath.bottomPauseSeconds)} pause`);
  return parts.join(', ');
}
