import { randomUUID } from 'node:crypto';
import { and, asc, eq, isNull, ne } from 'drizzle-orm';
import { type Asked, type Role, nameKey } from '@/core/access';
import { afterWriting, mustBeInPlace, type Store } from '../file';
import { care, clients, coaches, ownBreath, sessions } from '../schema';
import { hashOf, isCodeOf, isSecretOf, newRecovery } from './secrets';
import { note } from './trail';
import { type Asker } from './who';

interface Coach {
  id: string;
  name: string;
  role: Role;
  createdAt: string;
  endedAt: string | null;
}

const shown = {
  id: coaches.id,
  name: coaches.name,
  role: coaches.role,
  createdAt: coaches.createdAt,
  endedAt: coaches.endedAt,
};

/** Everybody who coaches or coached here, by name. */
export const coachesOf = (store: Store): Coach[] => store.select(shown).from(coaches).orderBy(asc(coaches.name)).all();

/** Whether the studio has a passphrase at all. Asked at every request, so it is remembered once it is so: it never goes back. */
const keyed = Symbol.for('kokyu.keyed');
export function hasCoaches(store: Store): boolean {
  const client = store.$client as { [keyed]?: boolean };
  client[keyed] ||= store.select({ id: coaches.id }).from(coaches).limit(1).get() !== undefined;
  return client[keyed];
}

/** What was asked for and can't be done: one sentence. */
export class AccessRefusal extends Error {}

const nowOf = (nowMs: number) => new Date(nowMs).toISOString();

/** In one write that is on the disk before anybody hears of it. */
function writing<T>(store: Store, work: () => T): T {
  mustBeInPlace(store);
  const made = store.$client.transaction(work).immediate();
  afterWriting(store);
  return made;
}

/**
 * The first coach, who owns the studio: everybody who was recorded until now is theirs, and their own breath too.
 *
 * @returns who they are and the code to print
 */
export async function setUp(store: Store, { name, passphrase }: Asked<'setUp'>, nowMs: number) {
  if (hasCoaches(store)) throw new AccessRefusal('This studio has a passphrase already. Sign in with it.');
  const hash = await hashOf(passphrase);
  const { code, kept } = newRecovery();
  const coachId = randomUUID();
  writing(store, () => {
    // Asked again: while the hash was made somebody else may have been first.
    if (store.select({ id: coaches.id }).from(coaches).limit(1).get()) {
      throw new AccessRefusal('This studio has a passphrase already. Sign in with it.');
    }
    const createdAt = nowOf(nowMs);
    store
      .insert(coaches)
      .values({ id: coachId, name, nameKey: nameKey(name), role: 'owner', hash, recovery: kept, createdAt })
      .run();
    store.$client
      .prepare(`insert into care (coach_id, client_id, kind, at) select ?, id, 'own', ? from clients`)
      .run(coachId, createdAt);
    store.update(ownBreath).set({ coachId }).where(isNull(ownBreath.coachId)).run();
    note(store, { nowMs, coachId, what: 'set the first passphrase' });
  });
  return { coachId, code };
}

/** One more coach. Only the owner takes somebody in. */
export async function addCoach(store: Store, by: Asker, { name, passphrase }: Asked<'addCoach'>, nowMs: number) {
  const taken = () =>
    store
      .select()
      .from(coaches)
      .where(eq(coaches.nameKey, nameKey(name)))
      .get();
  const refusal = () =>
    new AccessRefusal('Somebody of this name is here already. Choose a name that tells them apart.');
  if (taken()) throw refusal();
  const hash = await hashOf(passphrase);
  const { code, kept } = newRecovery();
  const coachId = randomUUID();
  writing(store, () => {
    if (taken()) throw refusal();
    store
      .insert(coaches)
      .values({
        id: coachId,
        name,
        nameKey: nameKey(name),
        role: 'coach',
        hash,
        recovery: kept,
        mustChange: true,
        createdAt: nowOf(nowMs),
      })
      .run();
    note(store, { nowMs, coachId: by.coachId, what: 'took in a coach' });
  });
  return { coachId, code };
}

/** Ends that somebody comes in: their sessions end, their clients are handed on, what they recorded stays. */
export function endCoach(store: Store, by: Asker, { coachId, handTo }: Asked<'endCoach'>, nowMs: number) {
  const who = store.select().from(coaches).where(eq(coaches.id, coachId)).get();
  const to = store
    .select()
    .from(coaches)
    .where(and(eq(coaches.id, handTo), isNull(coaches.endedAt)))
    .get();
  if (!who || who.endedAt !== null) throw new AccessRefusal('This coach is no longer here.');
  if (who.role === 'owner') throw new AccessRefusal('The owner stays: somebody has to be able to come in.');
  if (!to || to.id === who.id) throw new AccessRefusal('Choose who their clients go to.');
  writing(store, () => {
    const theirs = store.select().from(care).where(eq(care.coachId, coachId)).all();
    for (const { clientId, kind } of theirs) if (kind === 'own') give(store, clientId, to.id, nowMs);
    store.delete(care).where(eq(care.coachId, coachId)).run();
    store.delete(sessions).where(eq(sessions.coachId, coachId)).run();
    store
      .update(coaches)
      .set({ endedAt: nowOf(nowMs), recovery: null })
      .where(eq(coaches.id, coachId))
      .run();
    note(store, { nowMs, coachId: by.coachId, what: 'ended a coach’s access' });
  });
}

function give(store: Store, clientId: string, coachId: string, nowMs: number) {
  store
    .insert(care)
    .values({ coachId, clientId, kind: 'own', at: nowOf(nowMs) })
    .onConflictDoUpdate({ target: [care.coachId, care.clientId], set: { kind: 'own' } })
    .run();
}

/** Another passphrase. Every other session of the same person ends. */
export async function changePassphrase(
  store: Store,
  by: Asker,
  { now, passphrase }: Asked<'change'>,
  nowMs: number,
): Promise<boolean> {
  const who = store.select().from(coaches).where(eq(coaches.id, by.coachId!)).get();
  if (!(await isSecretOf(who?.hash ?? null, now))) return false;
  const hash = await hashOf(passphrase);
  writing(store, () => {
    store.update(coaches).set({ hash, mustChange: false }).where(eq(coaches.id, by.coachId!)).run();
    store
      .delete(sessions)
      .where(and(eq(sessions.coachId, by.coachId!), ne(sessions.id, by.sessionId!)))
      .run();
    note(store, { nowMs, coachId: by.coachId, what: 'changed their passphrase' });
  });
  return true;
}

/** Another printed code; the one before opens nothing any more. Null where the passphrase is wrong. */
export async function anotherCode(store: Store, by: Asker, passphrase: string, nowMs: number): Promise<string | null> {
  const who = store.select().from(coaches).where(eq(coaches.id, by.coachId!)).get();
  if (!(await isSecretOf(who?.hash ?? null, passphrase))) return null;
  const { code, kept } = newRecovery();
  writing(store, () => {
    store.update(coaches).set({ recovery: kept }).where(eq(coaches.id, by.coachId!)).run();
    note(store, { nowMs, coachId: by.coachId, what: 'had a recovery code made' });
  });
  return code;
}

/** A new passphrase by the printed code, which is used up; all sessions end. Null where name and code don't go together. */
export async function recover(
  store: Store,
  { name, code, passphrase }: Asked<'recover'>,
  nowMs: number,
): Promise<{ coachId: string; code: string } | null> {
  const who = store
    .select()
    .from(coaches)
    .where(and(eq(coaches.nameKey, nameKey(name)), isNull(coaches.endedAt)))
    .get();
  const hash = await hashOf(passphrase);
  if (!who || !isCodeOf(who.recovery, code)) return null;
  const next = newRecovery();
  return writing(store, () => {
    const { changes } = store
      .update(coaches)
      .set({ hash, recovery: next.kept, mustChange: false })
      .where(and(eq(coaches.id, who.id), eq(coaches.recovery, who.recovery!)))
      .run();
    // Two at once with the same code: it opens once.
    if (changes === 0) return null;
    store.delete(sessions).where(eq(sessions.coachId, who.id)).run();
    note(store, { nowMs, coachId: who.id, what: 'came in with a recovery code' });
    return { coachId: who.id, code: next.code };
  });
}

/** Who comes in with a name and a passphrase, or null: which of the two was wrong is not said. */
export async function coachBy(store: Store, name: string, passphrase: string): Promise<string | null> {
  const who = store
    .select()
    .from(coaches)
    .where(and(eq(coaches.nameKey, nameKey(name)), isNull(coaches.endedAt)))
    .get();
  return (await isSecretOf(who?.hash ?? null, passphrase)) && who ? who.id : null;
}

/** Whether a passphrase is that of somebody signed in. */
export async function isTheirs(store: Store, coachId: string, passphrase: string): Promise<boolean> {
  const who = store.select().from(coaches).where(eq(coaches.id, coachId)).get();
  return isSecretOf(who?.hash ?? null, passphrase);
}

/** Who has a client: their own coach and those it is shared with. */
export const carersOf = (store: Store, clientId: string): (Coach & { kind: 'own' | 'shared' })[] =>
  store
    .select({ ...shown, kind: care.kind })
    .from(care)
    .innerJoin(coaches, eq(coaches.id, care.coachId))
    .where(eq(care.clientId, clientId))
    .orderBy(asc(coaches.name))
    .all();

/** Whether somebody may give a client to others: whoever has them as their own, and the owner. */
export const mayGive = (store: Store, by: Asker, clientId: string): boolean =>
  by.role === 'owner' || carersOf(store, clientId).some(({ id, kind }) => id === by.coachId && kind === 'own');

function mustGive(store: Store, by: Asker, clientId: string) {
  const there = store.select({ id: clients.id }).from(clients).where(eq(clients.id, clientId)).get();
  if (!there || !by.sees(clientId)) throw new AccessRefusal('This client is no longer there. Reload the page.');
  if (!mayGive(store, by, clientId)) throw new AccessRefusal('Only whoever has this client as their own may say so.');
}

function mustCoach(store: Store, coachId: string) {
  const there = store
    .select({ id: coaches.id })
    .from(coaches)
    .where(and(eq(coaches.id, coachId), isNull(coaches.endedAt)))
    .get();
  if (!there) throw new AccessRefusal('This coach is no longer here. Reload the page.');
}

/** Lets another coach see a client and record of them. */
export function share(store: Store, by: Asker, { clientId, coachId }: Asked<'share'>, nowMs: number) {
  mustGive(store, by, clientId);
  mustCoach(store, coachId);
  writing(store, () => {
    store
      .insert(care)
      .values({ coachId, clientId, kind: 'shared', at: nowOf(nowMs) })
      .onConflictDoNothing()
      .run();
    note(store, { nowMs, coachId: by.coachId, what: 'shared with another coach', clientId });
  });
}

export function unshare(store: Store, by: Asker, { clientId, coachId }: Asked<'unshare'>, nowMs: number) {
  mustGive(store, by, clientId);
  writing(store, () => {
    store
      .delete(care)
      .where(and(eq(care.clientId, clientId), eq(care.coachId, coachId), eq(care.kind, 'shared')))
      .run();
    note(store, { nowMs, coachId: by.coachId, what: 'no longer shared with another coach', clientId });
  });
}

/** Gives a client to another coach, whose own they are from then on; whoever had them has them no longer. */
export function handOver(store: Store, by: Asker, { clientId, coachId }: Asked<'handOver'>, nowMs: number) {
  mustGive(store, by, clientId);
  mustCoach(store, coachId);
  writing(store, () => {
    store
      .delete(care)
      .where(and(eq(care.clientId, clientId), eq(care.kind, 'own')))
      .run();
    give(store, clientId, coachId, nowMs);
    note(store, { nowMs, coachId: by.coachId, what: 'handed over to another coach', clientId });
  });
}

/** Whether somebody still has the passphrase they were taken in with. */
export const mustChange = (store: Store, coachId: string | null): boolean =>
  coachId !== null &&
  (store.select({ must: coaches.mustChange }).from(coaches).where(eq(coaches.id, coachId)).get()?.must ?? false);
