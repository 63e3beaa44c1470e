/** Tries that failed under one name, or from one address. */
export interface Tries {
  failed: number;
  lastAtMs: number;
}

/** So many may fail before anybody is made to wait: fingers slip. */
const free = 4;
/** From then on the wait doubles, from this. */
const firstWaitMs = 2_000;
const longestWaitMs = 15 * 60_000;
/** After so long without a try they are forgotten. */
const forgottenMs = 60 * 60_000;

/**
 * How long nothing more is tried, in ms; 0 where it may be tried now. Nobody is shut out for good: then anybody who knows a name could
 * keep its owner out.
 *
 * @example waitMs({ failed: 5, lastAtMs: 0 }, 500) // 1500
 * @source OWASP ASVS 5.0, 6.3.1: tries are slowed without locking accounts [R16]; the times are ours
 */
export function waitMs({ failed, lastAtMs }: Tries, nowMs: number): number {
  if (failed <= free || nowMs - lastAtMs >= forgottenMs) return 0;
  const wait = Math.min(longestWaitMs, firstWaitMs * 2 ** Math.min(failed - free - 1, 20));
  return Math.max(0, lastAtMs + wait - nowMs);
}

/**
 * Tries after one more failed.
 *
 * @example afterFailure(undefined, 7) // { failed: 1, lastAtMs: 7 }
 */
export function afterFailure(before: Tries | undefined, nowMs: number): Tries {
  const forgotten = !before || nowMs - before.lastAtMs >= forgottenMs;
  return { failed: forgotten ? 1 : before.failed + 1, lastAtMs: nowMs };
}
