import { type Tries, afterFailure, nameKey, waitMs } from '@/core/access';

/** Tries that failed, by account, by address, by whatever is guessed at, as long as this server runs. */
const failed = new Map<string, Tries>();
const most = 10_000;

/** What tries to sign in are counted by. */
export const signInKeys = (name: string, address: string) => [`name ${nameKey(name)}`, `from ${address}`];

/** Why nothing is tried now, or null. */
export function waitWords(keys: readonly string[], nowMs: number): string | null {
  const wait = Math.max(...keys.map((key) => waitMs(failed.get(key) ?? { failed: 0, lastAtMs: 0 }, nowMs)));
  if (wait === 0) return null;
  const seconds = Math.ceil(wait / 1000);
  return `Too many tries. Wait ${seconds < 90 ? `${seconds} s` : `${Math.ceil(seconds / 60)} minutes`} and try again.`;
}

export function noteFailure(keys: readonly string[], nowMs: number) {
  if (failed.size > most) failed.clear();
  for (const key of keys) failed.set(key, afterFailure(failed.get(key), nowMs));
}

export function noteSuccess(keys: readonly string[]) {
  for (const key of keys) failed.delete(key);
}
