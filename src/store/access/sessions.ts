import { randomUUID } from 'node:crypto';
import { and, desc, eq, isNull, lt } from 'drizzle-orm';
import { type Role, type Standing, standingOf } from '@/core/access';
import { afterWriting, type Store } from '../file';
import { coaches, sessions } from '../schema';
import { readSettings } from '../settings';
import { digestOf, newWord } from './secrets';
import { note } from './trail';

/** Somebody's session as a request finds it. */
export interface Session {
  sessionId: string;
  coachId: string;
  name: string;
  role: Role;
  /** They came in with a passphrase somebody else set. */
  mustChange: boolean;
  standing: Exclude<Standing, 'over'>;
}

/** How much of a session is written down: often enough for minutes. */
const seenEveryMs = 30_000;
const oldestMs = 7 * 86_400_000;

/** Begins a session. @returns the word its browser holds; only a digest of it is kept */
export function beginSession(store: Store, coachId: string, device: string, nowMs: number): string {
  const word = newWord();
  store.$client
    .transaction(() => {
      store
        .delete(sessions)
        .where(lt(sessions.createdAtMs, nowMs - oldestMs))
        .run();
      store
        .insert(sessions)
        .values({ id: randomUUID(), digest: digestOf(word), coachId, createdAtMs: nowMs, seenAtMs: nowMs, device })
        .run();
      note(store, { nowMs, coachId, what: 'signed in' });
    })
    .immediate();
  afterWriting(store);
  return word;
}

/** The session of a word, or null for one that is over or never was. */
export function sessionBy(store: Store, word: string, nowMs: number): Session | null {
  const row = store
    .select({ session: sessions, name: coaches.name, role: coaches.role, mustChange: coaches.mustChange })
    .from(sessions)
    .innerJoin(coaches, and(eq(coaches.id, sessions.coachId), isNull(coaches.endedAt)))
    .where(eq(sessions.digest, digestOf(word)))
    .get();
  if (!row) return null;
  const { session, name, role, mustChange } = row;
  const standing = standingOf(session, nowMs, readSettings(store).lockMinutes);
  if (standing === 'over') {
    store.delete(sessions).where(eq(sessions.id, session.id)).run();
    return null;
  }
  // Once silent for long enough it stays locked, whatever else is asked meanwhile.
  if (standing === 'locked' && session.lockedAtMs === null) lockSession(store, session.id, nowMs);
  return { sessionId: session.id, coachId: session.coachId, name, role, mustChange, standing };
}

/** Somebody is still there. */
export function seen(store: Store, sessionId: string, nowMs: number) {
  store
    .update(sessions)
    .set({ seenAtMs: nowMs })
    .where(and(eq(sessions.id, sessionId), lt(sessions.seenAtMs, nowMs - seenEveryMs)))
    .run();
}

export function lockSession(store: Store, sessionId: string, nowMs: number) {
  store.update(sessions).set({ lockedAtMs: nowMs }).where(eq(sessions.id, sessionId)).run();
  afterWriting(store);
}

/** Opens a locked session again; whoever does so has shown their passphrase. */
export function unlockSession(store: Store, sessionId: string, nowMs: number) {
  store.update(sessions).set({ lockedAtMs: null, seenAtMs: nowMs }).where(eq(sessions.id, sessionId)).run();
  afterWriting(store);
}

/** Ends a session: one's own, or as the owner anybody's, whose tablet was left somewhere. @returns whether there was one */
export function endSession(
  store: Store,
  { coachId, role }: { coachId: string; role: Role },
  sessionId: string,
  nowMs: number,
): boolean {
  const theirs = role === 'owner' ? undefined : eq(sessions.coachId, coachId);
  const { changes } = store
    .delete(sessions)
    .where(and(eq(sessions.id, sessionId), theirs))
    .run();
  if (changes > 0) note(store, { nowMs, coachId, what: 'ended a session' });
  afterWriting(store);
  return changes > 0;
}

/** Where somebody is signed in, or everybody; the session used last first. */
export const sessionsOf = (store: Store, coachId: string | null) =>
  store
    .select({
      id: sessions.id,
      coachId: sessions.coachId,
      name: coaches.name,
      device: sessions.device,
      createdAtMs: sessions.createdAtMs,
      seenAtMs: sessions.seenAtMs,
      lockedAtMs: sessions.lockedAtMs,
    })
    .from(sessions)
    .innerJoin(coaches, eq(coaches.id, sessions.coachId))
    .where(coachId === null ? undefined : eq(sessions.coachId, coachId))
    .orderBy(desc(sessions.seenAtMs))
    .all();
