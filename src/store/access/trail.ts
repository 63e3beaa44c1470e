import { createHash } from 'node:crypto';
import { asc, desc, eq, gte } from 'drizzle-orm';
import { type Store, afterWriting } from '../file';
import { coaches, trail } from '../schema';

interface Entry {
  nowMs: number;
  coachId: string | null;
  /** What was done, in words without a name and without anything that was said. */
  what: string;
  clientId?: string | null;
}

/** What the first entry is chained to. */
const beginning = '0'.repeat(64);

interface Link {
  seq: number;
  at: string;
  coachId: string | null;
  what: string;
  clientId: string | null;
}

/** Its digest over itself and the one before, every part told apart from the next by its length. */
const chainOf = (before: string, { seq, at, coachId, what, clientId }: Link): string =>
  createHash('sha256')
    .update(JSON.stringify([before, seq, at, coachId, what, clientId]))
    .digest('hex');

/** Adds an entry. Within the transaction of what it tells of, both are there or neither. */
export function note(store: Store, { nowMs, coachId, what, clientId = null }: Entry) {
  const last = store.select({ seq: trail.seq, chain: trail.chain }).from(trail).orderBy(desc(trail.seq)).limit(1).get();
  const link = { seq: (last?.seq ?? 0) + 1, at: new Date(nowMs).toISOString(), coachId, what, clientId };
  store
    .insert(trail)
    .values({ ...link, chain: chainOf(last?.chain ?? beginning, link) })
    .run();
}

/** Notes something about the studio as a whole, apart from any command. */
export function noteHere(store: Store, coachId: string | null, what: string, nowMs: number) {
  store.$client.transaction(() => note(store, { nowMs, coachId, what })).immediate();
  afterWriting(store);
}

/** So long a page that is opened again is not told again. */
const againMs = 15 * 60_000;
const openedBefore = new Map<string, number>();
const mostRemembered = 2000;

/** Notes that somebody opened a client's pages: once in a quarter of an hour, however often they turn them. */
export function noteOpened(store: Store, coachId: string | null, clientId: string, nowMs: number, what = 'opened') {
  const key = `${store.$client.name} ${coachId ?? ''} ${clientId} ${what}`;
  if (nowMs - (openedBefore.get(key) ?? -Infinity) < againMs) return;
  if (openedBefore.size > mostRemembered) openedBefore.clear();
  openedBefore.set(key, nowMs);
  try {
    store.$client.transaction(() => note(store, { nowMs, coachId, what, clientId })).immediate();
  } catch (error) {
    // A page that only reads is shown even when the disk takes nothing in; that nothing can be noted is told where it is printed.
    console.error(`The trail could not be written: ${error instanceof Error ? error.message : String(error)}`);
  }
}

interface TrailEntry {
  seq: number;
  at: string;
  /** Who, by the name they have now; null while nobody had a name here. */
  coach: string | null;
  what: string;
}

/** What was done to and seen of a client, the newest first. */
export const trailOf = (store: Store, clientId: string, most = 400): TrailEntry[] =>
  store
    .select({ seq: trail.seq, at: trail.at, coach: coaches.name, what: trail.what })
    .from(trail)
    .leftJoin(coaches, eq(coaches.id, trail.coachId))
    .where(eq(trail.clientId, clientId))
    .orderBy(desc(trail.seq))
    .limit(most)
    .all();

/** How far the trail was checked, kept on the connection it was checked on. */
interface Checked {
  /** The first entry not looked at yet, and what it is chained to. */
  next: number;
  before: string;
  brokenAt: number | null;
  going: boolean;
}
const checkedKey = Symbol.for('kokyu.trailChecked');
const checkedOf = ({ $client }: Store): Checked =>
  (($client as { [checkedKey]?: Checked })[checkedKey] ??= {
    next: 1,
    before: beginning,
    brokenAt: null,
    going: false,
  });

/** So many are looked at in one turn: a few milliseconds. */
const aTurn = 1000;

/** Looks at the next entries. @returns whether there are more */
function checkOn(store: Store, checked: Checked): boolean {
  const rows = store
    .select()
    .from(trail)
    .where(gte(trail.seq, checked.next))
    .orderBy(asc(trail.seq))
    .limit(aTurn)
    .all();
  for (const { chain, ...link } of rows) {
    if (link.seq !== checked.next || chainOf(checked.before, link) !== chain) {
      checked.brokenAt = checked.next;
      return false;
    }
    checked.before = chain;
    checked.next += 1;
  }
  return rows.length === aTurn;
}

/**
 * Whether the trail is whole: the first place at which an entry was changed, or one is missing, or null. One that was cut off at its
 * end does not show. Everything is looked at again.
 */
export function brokenAt(store: Store): number | null {
  const checked: Checked = { next: 1, before: beginning, brokenAt: null, going: false };
  while (checkOn(store, checked));
  return checked.brokenAt;
}

/**
 * How the trail stands as far as it was looked at since the server started. A long one is looked at a little at a time, so that nobody
 * waits for it; what came since is looked at with each call.
 */
export function trailState(store: Store): { brokenAt: number | null; checking: boolean } {
  const checked = checkedOf(store);
  if (!checked.going && checked.brokenAt === null && checkOn(store, checked)) {
    checked.going = true;
    const on = () => {
      checked.going = store.$client.open && checkOn(store, checked);
      if (checked.going) setImmediate(on);
    };
    setImmediate(on);
  }
  return { brokenAt: checked.brokenAt, checking: checked.going };
}
