/** How a session stands. `locked`: the same person's passphrase opens it again, and nothing in it is lost. */
export type Standing = 'open' | 'locked' | 'over';

interface SessionTimes {
  createdAtMs: number;
  /** When something was last done in it. */
  seenAtMs: number;
  /** Locked by hand since. */
  lockedAtMs: number | null;
}

/** Minutes of silence after which a session locks, until the studio sets its own. */
export const usualLockMinutes = 10;
/** A code for another device is read within this long, or opens nothing. Ours. */
export const codeWithinMs = 10 * 60_000;
/** A device goes along with its run for so long at most, even where nobody ends the run. Ours: a working day. */
export const pairedForMs = 12 * 3_600_000;

/** A session ends so long after it began, whatever is done in it. */
const longestMs = 12 * 3_600_000;
/** And after so much silence: whoever locked it has gone home. */
const silenceMs = 4 * 3_600_000;

/**
 * How a session stands at a moment. Times that lie ahead of the clock count as now: a clock that was set back opens nothing.
 *
 * @param lockMinutes of silence; 1 to 240
 * @example standingOf({ createdAtMs: 0, seenAtMs: 0, lockedAtMs: null }, 11 * 60_000, 10) // 'locked'
 * @source OWASP ASVS 5.0, 7.3.1 and 7.3.2: an end by time and one by silence [R16]; how long is ours
 */
export function standingOf(
  { createdAtMs, seenAtMs, lockedAtMs }: SessionTimes,
  nowMs: number,
  lockMinutes: number,
): Standing {
  const silent = nowMs - seenAtMs;
  if (nowMs - createdAtMs >= longestMs || silent >= silenceMs) return 'over';
  return lockedAtMs !== null || silent >= lockMinutes * 60_000 ? 'locked' : 'open';
}
