import { and, asc, count, desc, eq, inArray, isNull, max, or, sql, sum } from 'drizzle-orm';
import { union } from 'drizzle-orm/sqlite-core';
import * as z from 'zod/mini';
import {
  type RunDigest,
  type RunEvent,
  type RunNews,
  type StampedEvent,
  digestFormula,
  digestOf,
  digestSchema,
  goesOnAfter,
  helpedWords,
  placeAt,
  restingIn,
  runEventSchema,
  stateOf,
  summariseRun,
} from '@/core/coach';
import { counted } from '@/core/reasons';
import { type StoredRun } from '@/core/record';
import { findDrill } from '@/core/catalogue';
import { type PlanItem, planItemSchema } from '@/core/sequence';
import { type Seen } from '@/core/track';
import { among } from './columns';
import { type Store } from './file';
import { type Unreadable, recordInWords, soundRow, soundValue, whyUnreadable } from './rows';
import { clients, facts, looks, runEvents, runMembers, runSummaries, runs, visits } from './schema';

/** The moment a run was over by one of these events, or null while it can go on. @example endOf([…, end]) // '2026-11-23T10:42:00.000Z' */
export function endOf(events: readonly StampedEvent[]): string | null {
  const last = events.find(
    ({ event }) =>
      event.type === 'end' || (event.type === 'settled' && event.who === undefined && !goesOnAfter(event.then)),
  );
  return last ? new Date(last.atEpochMs).toISOString() : null;
}

/** How many drills a run has; none when its plan can't be read. */
export function itemCountOf(store: Store, runId: string): number {
  const length = sql<number>`case when json_valid(${runs.items}) then json_array_length(${runs.items}) else 0 end`;
  return store.select({ length }).from(runs).where(eq(runs.id, runId)).get()?.length ?? 0;
}

/** Ids of the events that stand at places of a run. */
export function storedIds(store: Store, runId: string, seqs: readonly number[]): Map<number, string> {
  const rows = store
    .select({ seq: runEvents.seq, id: runEvents.id })
    .from(runEvents)
    .where(and(eq(runEvents.runId, runId), inArray(runEvents.seq, [...seqs])))
    .all();
  return new Map(rows.map(({ seq, id }) => [seq, id]));
}

/** Events of several runs, in order; those that can't be read are left out, with one word on them a run. */
function eventsOf(store: Store, runIds: readonly string[], aside: Unreadable[]): Map<string, StampedEvent[]> {
  const found = new Map<string, StampedEvent[]>(runIds.map((id) => [id, []]));
  const bad = new Map<string, string[]>();
  if (runIds.length === 0) return found;
  const rows = store
    .select()
    .from(runEvents)
    .where(among(runEvents.runId, runIds))
    .orderBy(asc(runEvents.runId), asc(runEvents.seq))
    .all();
  for (const row of rows) {
    const own: Unreadable[] = [];
    const place = soundRow('run_events', row, 'An event', own);
    const event = place && runEventSchema.safeParse(row.event);
    if (place && event?.success) {
      found.get(row.runId)!.push({ id: place.id, seq: place.seq, atEpochMs: place.atEpochMs, event: event.data });
    } else {
      const why = own[0]?.why ?? whyUnreadable(event!.error!, row.event);
      bad.set(row.runId, [...(bad.get(row.runId) ?? []), why]);
    }
  }
  for (const [runId, whys] of bad) {
    const what = `${counted(whys.length, 'event')} of a run`;
    aside.push({ table: 'run_events', id: runId, what, why: whys[0]! });
  }
  return found;
}

const sitsOutSchema = z.catch(z.array(z.number().check(z.int(), z.minimum(0))), []);

/** Runs with their events and members. One whose plan can't be read is left out, with a word on it. */
function storedRuns(store: Store, rows: readonly (typeof runs.$inferSelect)[], aside: Unreadable[]): StoredRun[] {
  const ids = rows.map(({ id }) => id);
  const events = eventsOf(store, ids, aside);
  const members =
    ids.length === 0
      ? []
      : store.select().from(runMembers).where(among(runMembers.runId, ids)).orderBy(asc(runMembers.place)).all();
  return rows.flatMap((row) => {
    const what = recordInWords('The run', row.at);
    const sound = soundRow('runs', row, what, aside);
    const of = { table: 'runs', id: row.id, what };
    const items = sound && soundValue(z.array(planItemSchema).check(z.minLength(1)), row.items, of, aside);
    if (!sound || !items) return [];
    return {
      id: sound.id,
      visitId: sound.visitId,
      at: sound.at,
      items,
      events: events.get(row.id)!,
      members: members
        .filter(({ runId }) => runId === row.id)
        .map(({ clientId, visitId, sitsOut }) => ({ clientId, visitId, sitsOut: sitsOutSchema.parse(sitsOut) })),
    };
  });
}

export function findRun(store: Store, runId: string, aside: Unreadable[] = []): StoredRun | null {
  const row = store.select().from(runs).where(eq(runs.id, runId)).get();
  return row ? (storedRuns(store, [row], aside)[0] ?? null) : null;
}

/** How far a run and what is known of those on it have come, for a window that goes along with it; null for a run nobody has. */
export function runNews(store: Store, runId: string): RunNews | null {
  const run = store.select({ visitId: runs.visitId }).from(runs).where(eq(runs.id, runId)).get();
  if (!run) return null;
  const members = store.select({ id: runMembers.visitId }).from(runMembers).where(eq(runMembers.runId, runId)).all();
  const visitIds = [run.visitId, ...members.map(({ id }) => id)];
  const people = store.select({ id: visits.clientId }).from(visits).where(among(visits.id, visitIds));
  // Answers and looks are added and taken back, looks changed as well: each of these numbers only grows.
  const answers = store
    .select({ said: count(), takenBack: count(facts.retractedAt) })
    .from(facts)
    .where(inArray(facts.clientId, people))
    .get()!;
  const seen = store
    .select({ taken: count(), changed: sum(looks.revision), takenBack: count(looks.retractedAt) })
    .from(looks)
    .where(among(looks.visitId, visitIds))
    .get()!;
  const last = store
    .select({ seq: runEvents.seq, id: runEvents.id })
    .from(runEvents)
    .where(eq(runEvents.runId, runId))
    .orderBy(desc(runEvents.seq))
    .limit(1)
    .get();
  return { last: last ?? null, told: [...Object.values(answers), ...Object.values(seen)].join('.') };
}

/** The runs of a visit, those of a group it took part in included. */
export function runsOf(store: Store, visitId: string, aside: Unreadable[] = []): StoredRun[] {
  const shared = store.select({ id: runMembers.runId }).from(runMembers).where(eq(runMembers.visitId, visitId));
  const rows = store
    .select()
    .from(runs)
    .where(or(eq(runs.visitId, visitId), inArray(runs.id, shared)))
    .orderBy(asc(runs.at))
    .all();
  return storedRuns(store, rows, aside);
}

/** All runs each client took part in, whoever's plan it was, with the client's own visit each belongs to. */
function runIdsOf(store: Store, clientIds: readonly string[]): { runId: string; clientId: string; visitId: string }[] {
  if (clientIds.length === 0) return [];
  const own = store
    .select({ runId: runs.id, clientId: visits.clientId, visitId: visits.id })
    .from(visits)
    .innerJoin(runs, eq(runs.visitId, visits.id))
    .where(among(visits.clientId, clientIds))
    .all();
  const shared = store
    .select({ runId: runMembers.runId, clientId: runMembers.clientId, visitId: runMembers.visitId })
    .from(runMembers)
    .where(among(runMembers.clientId, clientIds))
    .all();
  const all = new Map([...own, ...shared].map((row) => [`${row.runId} ${row.clientId}`, row]));
  return [...all.values()];
}

/** The same of one client, as a part of another query. */
const takenPartIn = (store: Store, clientId: string) =>
  union(
    store
      .select({ id: runs.id })
      .from(visits)
      .innerJoin(runs, eq(runs.visitId, visits.id))
      .where(eq(visits.clientId, clientId)),
    store.select({ id: runMembers.runId }).from(runMembers).where(eq(runMembers.clientId, clientId)),
  );

/** Sums a run up for everybody in it and keeps that, as of the formula and the events of now. */
export function storeDigests(store: Store, runId: string) {
  const run = findRun(store, runId);
  if (!run) return;
  const visit = store.select({ clientId: visits.clientId }).from(visits).where(eq(visits.id, run.visitId)).get();
  const people = run.members.length > 0 ? run.members.map(({ clientId }) => clientId) : [visit?.clientId ?? ''];
  for (const clientId of people) keepDigest(store, run, clientId);
}

function keepDigest(store: Store, run: StoredRun, clientId: string): RunDigest {
  const state = stateOf(run);
  const value = digestOf(summariseRun(state, clientId));
  // Up to the last event that lies there, whether or not it could be read: else one that can't be would be tried at every page.
  const last = store
    .select({ seq: max(runEvents.seq) })
    .from(runEvents)
    .where(eq(runEvents.runId, run.id))
    .get();
  const row = { formula: digestFormula, nextSeq: (last?.seq ?? -1) + 1, value };
  store
    .insert(runSummaries)
    .values({ runId: run.id, clientId, ...row })
    .onConflictDoUpdate({ target: [runSummaries.runId, runSummaries.clientId], set: row })
    .run();
  return value;
}

/** What a client's runs came to, with the visit each belongs to for this client, oldest first. */
export function visitDigestsOf(
  store: Store,
  clientId: string,
  aside: Unreadable[] = [],
): { visitId: string; day: string; drills: RunDigest }[] {
  const days = new Map(
    store
      .select({ id: visits.id, day: visits.day })
      .from(visits)
      .where(eq(visits.clientId, clientId))
      .all()
      .map(({ id, day }) => [id, day]),
  );
  return digestsWithRuns(store, clientId, aside).flatMap(({ visitId, digest }) => {
    const day = days.get(visitId);
    return day ? [{ visitId, day, drills: digest }] : [];
  });
}

/** Runs of the whole studio that are asked for what changed a marker: the newest so many that say. */
const mostSeen = 2000;

/** What the marker showed right after drills, over all clients of the studio. */
export function helpedSeen(store: Store): Seen[] {
  const newest = store
    .select({ clientId: runSummaries.clientId, value: runSummaries.value })
    .from(runSummaries)
    .where(
      and(
        eq(runSummaries.formula, digestFormula),
        // Sums lie beside what they were made of: of people somebody does not see they are given nothing.
        inArray(runSummaries.clientId, store.select({ id: clients.id }).from(clients)),
        sql`${runSummaries.value} like '%"helped":"%' and json_valid(${runSummaries.value})`,
      ),
    )
    // Ids tell the time they were made at.
    .orderBy(desc(runSummaries.runId))
    .limit(mostSeen)
    .as('newest');
  // Taken apart where it lies: read here, two thousand sums would take longer than the page they are for.
  return store
    .select({
      clientId: newest.clientId,
      drillId: sql<unknown>`one.value ->> 'drillId'`,
      helped: sql<unknown>`one.value ->> 'helped'`,
    })
    .from(newest)
    .innerJoin(sql`json_each(${newest.value}) as one`, sql`one.value ->> 'helped' is not null`)
    .values()
    .flatMap(([clientId, drillId, helped]) => {
      const known = helpedWords.find((word) => word === helped);
      return known && typeof drillId === 'string' ? [{ drillId, clientId: String(clientId), helped: known }] : [];
    });
}

/**
 * What a client's runs came to, oldest first. Each run is read once: what was summed up by today's formula, up to its last event, is
 * taken as it is; the rest is summed up now and kept.
 */
export const digestsOf = (store: Store, clientId: string, aside: Unreadable[] = []): RunDigest[] =>
  digestsWithRuns(store, clientId, aside).map(({ digest }) => digest);

function digestsWithRuns(
  store: Store,
  clientId: string,
  aside: Unreadable[],
): { visitId: string; digest: RunDigest }[] {
  const visitOf = new Map(runIdsOf(store, [clientId]).map(({ runId, visitId }) => [runId, visitId]));
  const ids = [...visitOf.keys()];
  if (ids.length === 0) return [];
  const rows = store
    .select({
      id: runs.id,
      endedAt: runs.endedAt,
      nextSeq: sql<
        number | null
      >`(select max(${runEvents.seq}) + 1 from ${runEvents} where ${runEvents.runId} = ${runs.id})`,
      summary: runSummaries,
    })
    .from(runs)
    .leftJoin(runSummaries, and(eq(runSummaries.runId, runs.id), eq(runSummaries.clientId, clientId)))
    .where(among(runs.id, ids))
    .orderBy(asc(runs.at))
    .all();
  const found = new Map<string, RunDigest>();
  const stale: string[] = [];
  for (const { id, nextSeq, summary } of rows) {
    const fresh = summary !== null && summary.formula === digestFormula && summary.nextSeq === (nextSeq ?? 0);
    const parsed = fresh ? digestSchema.safeParse(summary.value) : null;
    if (parsed?.success) found.set(id, parsed.data);
    else stale.push(id);
  }
  const runsAnew = storedRuns(store, rowsOf(store, stale), aside);
  const ended = new Set(rows.filter(({ endedAt }) => endedAt !== null).map(({ id }) => id));
  for (const run of runsAnew) found.set(run.id, digestOf(summariseRun(stateOf(run), clientId)));
  keepQuietly(
    store,
    clientId,
    runsAnew.filter(({ id }) => ended.has(id)),
  );
  return rows.flatMap(({ id }) => {
    const digest = found.get(id);
    return digest ? [{ visitId: visitOf.get(id)!, digest }] : [];
  });
}

const rowsOf = (store: Store, ids: readonly string[]) =>
  ids.length === 0 ? [] : store.select().from(runs).where(among(runs.id, ids)).orderBy(asc(runs.at)).all();

/** Keeping a sum is a convenience: a page that only reads is shown even when nothing can be written. */
function keepQuietly(store: Store, clientId: string, list: readonly StoredRun[]) {
  if (list.length === 0) return;
  try {
    store.$client.transaction(() => list.forEach((run) => keepDigest(store, run, clientId))).immediate();
  } catch (error) {
    console.error(`Sums of runs could not be kept: ${error instanceof Error ? error.message : String(error)}`);
  }
}

/** A run that began and was neither ended nor closed. */
export interface OpenRun {
  runId: string;
  clientId: string;
  name: string;
  day: string;
  nextSeq: number;
}

/** Runs left open, newest first. */
export function openRuns(store: Store, most = 10): OpenRun[] {
  const begun = sql<
    number | null
  >`(select max(${runEvents.seq}) + 1 from ${runEvents} where ${runEvents.runId} = ${runs.id})`;
  return store
    .select({ runId: runs.id, clientId: visits.clientId, name: clients.name, day: visits.day, nextSeq: begun })
    .from(runs)
    .innerJoin(visits, eq(visits.id, runs.visitId))
    .innerJoin(clients, eq(clients.id, visits.clientId))
    .where(and(isNull(runs.endedAt), sql`exists (select 1 from ${runEvents} where ${runEvents.runId} = ${runs.id})`))
    .orderBy(desc(runs.at))
    .limit(most)
    .all()
    .map((row) => ({ ...row, name: String(row.name), day: String(row.day), nextSeq: Number(row.nextSeq) || 0 }));
}

/** Ends what a client has open, with what was done in it: alone the whole run, in a group their part of it. */
export function closeOpenRuns(store: Store, clientId: string, nowEpochMs: number) {
  const ids = runIdsOf(store, [clientId]).map(({ runId }) => runId);
  if (ids.length === 0) return;
  const rows = store
    .select()
    .from(runs)
    .where(and(among(runs.id, ids), isNull(runs.endedAt)))
    .all();
  for (const run of storedRuns(store, rows, [])) {
    const state = stateOf(run);
    if (state.status === 'ended' || restingIn(state).out.has(clientId)) continue;
    const { item } = placeAt(state, nowEpochMs);
    const why = 'An emergency sign was logged.';
    const closing: RunEvent[] =
      run.members.length > 1
        ? [
            { type: 'stop', item, who: clientId },
            { type: 'settled', symptoms: [], note: why, then: 'refer', who: clientId },
          ]
        : [
            { type: 'stop', item },
            { type: 'settled', symptoms: [], note: why, then: 'refer' },
          ];
    const events = closing.map((event, i) => ({
      id: crypto.randomUUID(),
      seq: state.nextSeq + i,
      atEpochMs: nowEpochMs,
      event,
    }));
    store
      .insert(runEvents)
      .values(events.map((stamped) => ({ ...stamped, runId: run.id, type: stamped.event.type })))
      .run();
    const ended = endOf(events);
    if (ended === null) continue;
    store.update(runs).set({ endedAt: ended }).where(eq(runs.id, run.id)).run();
    storeDigests(store, run.id);
  }
}

/** Drills of a client that ended in a stop and were not reviewed since. In a group only one's own stops, and everybody's, count. */
export const stoppedDrills = (store: Store, clientId: string): StoppedDrill[] =>
  stoppedDrillsOf(store, [clientId]).get(clientId) ?? [];

export interface StoppedDrill {
  drillId: string;
  /** As it was called when it was coached: one of the coach's own may have been put away since. */
  name: string;
  runId: string;
}

/** The same of several clients at once. */
export function stoppedDrillsOf(store: Store, clientIds: readonly string[]): Map<string, StoppedDrill[]> {
  const taking = runIdsOf(store, clientIds);
  if (taking.length === 0) return new Map();
  const rows = store
    .select({ runId: runEvents.runId, event: runEvents.event, items: runs.items })
    .from(runEvents)
    .innerJoin(runs, eq(runs.id, runEvents.runId))
    .where(
      and(
        among(runEvents.runId, new Set(taking.map(({ runId }) => runId))),
        sql`${runEvents.type} in ('stop', 'reviewed', 'swap')`,
      ),
    )
    .orderBy(asc(runEvents.atEpochMs), asc(runEvents.seq))
    .all();
  const ofRun = new Map<string, string[]>();
  for (const { runId, clientId } of taking) ofRun.set(runId, [...(ofRun.get(runId) ?? []), clientId]);
  const stopped = new Map<string, Map<string, StoppedDrill>>(clientIds.map((id) => [id, new Map()]));
  const swapped = new Map<string, PlanItem>();
  for (const { runId, event, items } of rows) {
    const parsed = runEventSchema.safeParse(event);
    if (!parsed.success) continue;
    const one = parsed.data;
    if (one.type === 'swap') swapped.set(`${runId} ${one.item}`, one.to);
    for (const clientId of ofRun.get(runId) ?? []) {
      const own = stopped.get(clientId)!;
      if (one.type === 'reviewed') own.delete(one.drillId);
      if (one.type !== 'stop' || (one.who !== undefined && one.who !== clientId)) continue;
      const item = swapped.get(`${runId} ${one.item}`) ?? itemAt(items, one.item);
      if (item) own.set(item.drillId, { drillId: item.drillId, name: nameOf(item), runId });
    }
  }
  return new Map([...stopped].map(([clientId, own]) => [clientId, [...own.values()]]));
}

/** Names of drills of a coach's own by their ids, as runs of a client last had them: also of those that no catalogue has any more. */
export function ownNamesOf(store: Store, clientId: string): Map<string, string> {
  const items = sql`case when json_valid(${runs.items}) then ${runs.items} else '[]' end`;
  const rows = store.all<{ id: unknown; name: unknown }>(
    sql`select json_extract(${items}, one.fullkey || '.drillId') as id, json_extract(${items}, one.fullkey || '.own.name') as name
      from ${runs}, json_each(${items}) as one where ${inArray(runs.id, takenPartIn(store, clientId))} and name is not null order by ${runs.at}`,
  );
  return new Map(rows.map(({ id, name }) => [String(id), String(name)]));
}

/** Symptoms with which runs of a client were stopped, each with its visit, oldest first. */
export function stopSymptomsOf(store: Store, clientId: string): { visitId: string; symptoms: string[] }[] {
  // Stops have an index of their own: a run without one is not read through.
  const stopped = store
    .selectDistinct({ runId: runEvents.runId })
    .from(runEvents)
    .where(
      and(
        inArray(runEvents.runId, takenPartIn(store, clientId)),
        sql`${runEvents.type} in ('stop', 'reviewed', 'swap')`,
      ),
    );
  return store
    .select({ event: runEvents.event, visitId: runs.visitId, ownVisitId: runMembers.visitId })
    .from(runEvents)
    .innerJoin(runs, eq(runs.id, runEvents.runId))
    .leftJoin(runMembers, and(eq(runMembers.runId, runs.id), eq(runMembers.clientId, clientId)))
    .where(and(inArray(runEvents.runId, stopped), eq(runEvents.type, 'settled')))
    .orderBy(asc(runEvents.atEpochMs))
    .all()
    .flatMap(({ event, visitId, ownVisitId }) => {
      const parsed = runEventSchema.safeParse(event);
      if (!parsed.success || parsed.data.type !== 'settled') return [];
      const { symptoms, who } = parsed.data;
      if (symptoms.length === 0 || (who !== undefined && who !== clientId)) return [];
      return [{ visitId: ownVisitId ?? visitId, symptoms }];
    });
}

/** As much of an item as says which drill it is; null where it can't be read. */
function itemAt(items: unknown, index: number): Coached | null {
  const item = (Array.isArray(items) ? items[index] : null) as Partial<PlanItem> | null | undefined;
  return typeof item?.drillId === 'string' ? { drillId: item.drillId, own: item.own } : null;
}

type Coached = Pick<PlanItem, 'drillId'> & { own?: unknown };

function nameOf({ drillId, own }: Coached): string {
  const name = (own as { name?: unknown } | null | undefined)?.name;
  return typeof name === 'string' ? name : (findDrill(drillId)?.name ?? 'a drill that is gone from the catalogue');
}
