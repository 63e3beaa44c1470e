import { randomUUID } from 'node:crypto';
import { and, desc, eq, gt, isNull } from 'drizzle-orm';
import { type CheckIn, codeOf, tellingEnds, withCheckIn } from '@/core/home';
import { type Store, afterWriting, mustBeInPlace } from '../file';
import { homeOf, returnsOf } from '../home';
import { checkIns, homeReturns } from '../schema';
import { findVisit } from '../visits';
import { AccessRefusal } from './coaches';
import { digestOf, newWord } from './secrets';
import { note } from './trail';
import { type Asker } from './who';

/** The visit somebody may hand something over for, or a refusal. */
function visitFor(store: Store, by: Asker, visitId: string) {
  const visit = findVisit(store, visitId);
  if (!visit || !by.sees(visit.clientId)) throw new AccessRefusal('This visit is no longer there. Reload the page.');
  return visit;
}

/** A link for what went home with a visit. @returns the word it carries: it is told once and kept nowhere */
export function makeCheckIn(store: Store, by: Asker, visitId: string, nowMs: number): string {
  const visit = visitFor(store, by, visitId);
  const home = homeOf(store, visitId);
  if (!home || home.handedAt === null)
    throw new AccessRefusal('Hand something over first: there is nothing to tell of.');
  const expiresAtMs = tellingEnds(home.plan);
  if (expiresAtMs <= nowMs) throw new AccessRefusal('The days of this plan are over.');
  const word = newWord();
  mustBeInPlace(store);
  store.$client
    .transaction(() => {
      revoke(store, visitId, nowMs);
      const at = new Date(nowMs).toISOString();
      store
        .insert(checkIns)
        .values({ id: randomUUID(), visitId, digest: digestOf(word), at, expiresAtMs })
        .run();
      note(store, { nowMs, coachId: by.coachId, what: 'made a link for home', clientId: visit.clientId });
    })
    .immediate();
  afterWriting(store);
  return word;
}

function revoke(store: Store, visitId: string, nowMs: number) {
  store
    .update(checkIns)
    .set({ revokedAt: new Date(nowMs).toISOString() })
    .where(and(eq(checkIns.visitId, visitId), isNull(checkIns.revokedAt)))
    .run();
}

/** Every link of a visit opens nothing any more. */
export function endCheckIns(store: Store, by: Asker, visitId: string, nowMs: number) {
  const visit = visitFor(store, by, visitId);
  store.$client
    .transaction(() => {
      revoke(store, visitId, nowMs);
      note(store, { nowMs, coachId: by.coachId, what: 'ended a link for home', clientId: visit.clientId });
    })
    .immediate();
  afterWriting(store);
}

const standing = (nowMs: number) => and(isNull(checkIns.revokedAt), gt(checkIns.expiresAtMs, nowMs));

/** The link that stands for a visit: since when and until when, or null. */
export const checkInOf = (store: Store, visitId: string, nowMs: number): { at: string; expiresAtMs: number } | null =>
  store
    .select({ at: checkIns.at, expiresAtMs: checkIns.expiresAtMs })
    .from(checkIns)
    .where(and(eq(checkIns.visitId, visitId), standing(nowMs)))
    .orderBy(desc(checkIns.at))
    .get() ?? null;

/** The visit a word was made for, or null for one that is over, was taken back or never was. */
export function checkInBy(store: Store, word: string, nowMs: number) {
  const row = store
    .select({ visitId: checkIns.visitId })
    .from(checkIns)
    .where(and(eq(checkIns.digest, digestOf(word)), standing(nowMs)))
    .get();
  const visit = row && findVisit(store, row.visitId);
  const home = visit && homeOf(store, visit.id);
  return visit && home && home.handedAt !== null ? { visit, home } : null;
}

/** Takes in what somebody says of a day at home: it is kept as the code they would have brought. */
export function tellCheckIn(store: Store, word: string, said: CheckIn, nowMs: number): 'told' | 'gone' {
  mustBeInPlace(store);
  const told = store.$client
    .transaction((): 'told' | 'gone' => {
      const found = checkInBy(store, word, nowMs);
      if (!found) return 'gone';
      const { visit, home } = found;
      const items = Math.min(3, home.plan.items.length);
      const before = returnsOf(store, visit.id, items).at(-1)?.told ?? null;
      const code = codeOf(withCheckIn(before, said, items), visit.id);
      store
        .insert(homeReturns)
        .values({ id: randomUUID(), visitId: visit.id, at: new Date(nowMs).toISOString(), code })
        .run();
      note(store, { nowMs, coachId: null, what: 'told from home', clientId: visit.clientId });
      return 'told';
    })
    .immediate();
  afterWriting(store);
  return told;
}
