import { and, asc, desc, eq, inArray, isNull, lt, or, sql } from 'drizzle-orm';
import { type StampedEvent } from '@/core/coach';
import { type ProtocolId, protocols } from '@/core/look';
import { judgementSchema } from '@/core/read';
import {
  type StoredLook,
  type StoredNote,
  type StoredPlan,
  type StoredReading,
  type StoredRun,
  type VisitRecord,
  type VisitRow,
  commandSchemas,
  parseRaw,
  readingSchema,
} from '@/core/record';
import { type PlanItem, planItemSchema, planSchema } from '@/core/sequence';
import { type Store } from './open';
import {
  clients,
  judgements,
  looks,
  noteAdditions,
  plans,
  readings,
  runEvents,
  runMembers,
  runs,
  visitNotes,
  visits,
} from './schema';

const inOrderWritten = sql`${judgements}.rowid`;

export function visitsOf(store: Store, clientId: string): VisitRow[] {
  return store.select().from(visits).where(eq(visits.clientId, clientId)).orderBy(desc(visits.startedAt)).all();
}

export function findVisit(store: Store, visitId: string): VisitRow | null {
  return store.select().from(visits).where(eq(visits.id, visitId)).get() ?? null;
}

/** The client's visit of a day: the newest that was not ended, else the newest of that day. */
export function visitOfDay(store: Store, clientId: string, day: string): VisitRow | null {
  const rows = store
    .select()
    .from(visits)
    .where(and(eq(visits.clientId, clientId), eq(visits.day, day)))
    .orderBy(desc(visits.startedAt))
    .all();
  return rows.find(({ endedAt }) => endedAt === null) ?? rows[0] ?? null;
}

/** Looks of several visits, of one protocol when it is named. A row whose values no longer fit its protocol is left out rather than guessed at. */
export function looksOf(store: Store, visitIds: readonly string[], protocol?: ProtocolId): StoredLook[] {
  if (visitIds.length === 0) return [];
  return store
    .select()
    .from(looks)
    .where(
      and(
        inArray(looks.visitId, [...visitIds]),
        isNull(looks.retractedAt),
        protocol ? eq(looks.protocol, protocol) : undefined,
      ),
    )
    .orderBy(asc(looks.takenAt))
    .all()
    .flatMap((row) => {
      if (!(row.protocol in protocols)) return [];
      const protocol = row.protocol as StoredLook['protocol'];
      const raw = parseRaw(protocol, row.raw);
      if (!raw.success) return [];
      const { id, visitId, version, moment, takenAt, revision } = row;
      return [{ id, visitId, protocol, version, moment, takenAt, revision, raw: raw.data } as StoredLook];
    });
}

function readingOf(store: Store, visitId: string): StoredReading | null {
  const row = store.select().from(readings).where(eq(readings.visitId, visitId)).orderBy(desc(readings.at)).get();
  const parsed = row && readingSchema.safeParse(row.value);
  return row && parsed?.success ? { ...parsed.data, id: row.id, at: row.at } : null;
}

function judgementsOf(store: Store, visitId: string) {
  return store
    .select()
    .from(judgements)
    .where(eq(judgements.visitId, visitId))
    .orderBy(asc(judgements.at), asc(inOrderWritten))
    .all()
    .flatMap(({ value }) => {
      const parsed = judgementSchema.safeParse(value);
      return parsed.success ? [parsed.data] : [];
    });
}

function lookListOf(value: unknown) {
  const parsed = commandSchemas['visit.lookList'].shape.list.safeParse(value);
  return parsed.success ? parsed.data : null;
}

export function planOf(store: Store, visitId: string): StoredPlan | null {
  const row = store.select().from(plans).where(eq(plans.visitId, visitId)).get();
  const parsed = row && planSchema.safeParse(row.value);
  return row && parsed?.success ? { id: row.id, at: row.at, revision: row.revision, plan: parsed.data } : null;
}

export function eventsOf(store: Store, runId: string): StampedEvent[] {
  return store
    .select()
    .from(runEvents)
    .where(eq(runEvents.runId, runId))
    .orderBy(asc(runEvents.seq))
    .all()
    .map(({ id, seq, atEpochMs, event }) => ({ id, seq, atEpochMs, event: event as StampedEvent['event'] }));
}

export function storedRun(store: Store, row: typeof runs.$inferSelect): StoredRun | null {
  const items = planItemSchema.array().safeParse(row.items);
  if (!items.success) return null;
  return {
    id: row.id,
    visitId: row.visitId,
    at: row.at,
    items: items.data,
    events: eventsOf(store, row.id),
    members: store
      .select({ clientId: runMembers.clientId, visitId: runMembers.visitId })
      .from(runMembers)
      .where(eq(runMembers.runId, row.id))
      .orderBy(asc(runMembers.place))
      .all(),
  };
}

export function findRun(store: Store, runId: string): StoredRun | null {
  const row = store.select().from(runs).where(eq(runs.id, runId)).get();
  return row ? storedRun(store, row) : null;
}

/** The runs of a visit, those of a group it took part in included. */
export function runsOf(store: Store, visitId: string): StoredRun[] {
  const shared = store.select({ id: runMembers.runId }).from(runMembers).where(eq(runMembers.visitId, visitId));
  return store
    .select()
    .from(runs)
    .where(or(eq(runs.visitId, visitId), inArray(runs.id, shared)))
    .orderBy(asc(runs.at))
    .all()
    .flatMap((row) => storedRun(store, row) ?? []);
}

/** The note of a visit with its additions, or null before one was begun. */
export function noteOf(store: Store, visitId: string): StoredNote | null {
  const row = store.select().from(visitNotes).where(eq(visitNotes.visitId, visitId)).get();
  if (!row) return null;
  const { text, at, revision, signedAt, home } = row;
  const additions = store
    .select({ id: noteAdditions.id, at: noteAdditions.at, text: noteAdditions.text })
    .from(noteAdditions)
    .where(eq(noteAdditions.visitId, visitId))
    .orderBy(asc(noteAdditions.at))
    .all();
  return { text, at, revision, signedAt, home: Array.isArray(home) ? home.map(String) : [], additions };
}

export function visitRecord(store: Store, visit: VisitRow): VisitRecord {
  return {
    ...visit,
    lookList: lookListOf(store.select().from(visits).where(eq(visits.id, visit.id)).get()?.lookList),
    judgements: judgementsOf(store, visit.id),
    looks: looksOf(store, [visit.id]),
    reading: readingOf(store, visit.id),
    plan: planOf(store, visit.id),
    runs: runsOf(store, visit.id),
    note: noteOf(store, visit.id),
  };
}

/** The newest visit of each client before a day, with the reading confirmed in it. */
export function lastVisits(
  store: Store,
  clientIds: readonly string[],
  beforeDay: string,
): Map<string, { day: string; reading: StoredReading | null }> {
  if (clientIds.length === 0) return new Map();
  const rows = store
    .select({ id: visits.id, clientId: visits.clientId, day: visits.day })
    .from(visits)
    .where(and(inArray(visits.clientId, [...clientIds]), lt(visits.day, beforeDay)))
    .orderBy(asc(visits.startedAt))
    .all();
  const newestOf = new Map(rows.map((row) => [row.clientId, row]));
  return new Map([...newestOf].map(([clientId, { id, day }]) => [clientId, { day, reading: readingOf(store, id) }]));
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
  const ending = sql`exists (select 1 from ${runEvents} where ${runEvents.runId} = ${runs.id} and (${runEvents.type} = 'end'
    or (${runEvents.type} = 'settled' and json_extract(${runEvents.event}, '$.then') in ('end', 'refer')
      and json_extract(${runEvents.event}, '$.who') is null)))`;
  return store
    .select({
      runId: runs.id,
      clientId: visits.clientId,
      name: clients.name,
      day: visits.day,
      nextSeq: sql<number>`max(${runEvents.seq}) + 1`,
    })
    .from(runs)
    .innerJoin(runEvents, eq(runEvents.runId, runs.id))
    .innerJoin(visits, eq(visits.id, runs.visitId))
    .innerJoin(clients, eq(clients.id, visits.clientId))
    .where(sql`not ${ending}`)
    .groupBy(runs.id)
    .orderBy(desc(runs.at))
    .limit(most)
    .all();
}

/** Drills of a client that ended in a stop and were not reviewed since. In a group only one's own stops, and everybody's, count. */
export function stoppedDrills(store: Store, clientId: string): { drillId: string; runId: string }[] {
  const rows = store
    .select({ runId: runEvents.runId, event: runEvents.event, items: runs.items, at: runEvents.atEpochMs })
    .from(runEvents)
    .innerJoin(runs, eq(runs.id, runEvents.runId))
    .where(and(inArray(runs.id, runIdsOf(store, clientId)), inArray(runEvents.type, ['stop', 'reviewed', 'swap'])))
    .orderBy(asc(runEvents.atEpochMs), asc(runEvents.seq))
    .all();
  const stopped = new Map<string, string>();
  const swapped = new Map<string, string>();
  for (const { runId, event, items } of rows) {
    const parsed = event as StampedEvent['event'];
    if (parsed.type === 'swap') swapped.set(`${runId} ${parsed.item}`, parsed.to.drillId);
    if (parsed.type === 'stop' && (parsed.who === undefined || parsed.who === clientId)) {
      const drillId = swapped.get(`${runId} ${parsed.item}`) ?? (items as PlanItem[])[parsed.item]?.drillId;
      if (drillId) stopped.set(drillId, runId);
    }
    if (parsed.type === 'reviewed') stopped.delete(parsed.drillId);
  }
  return [...stopped].map(([drillId, runId]) => ({ drillId, runId }));
}

/** Ids of all runs a client took part in. */
export function runIdsOf(store: Store, clientId: string): string[] {
  const own = store
    .select({ id: runs.id })
    .from(runs)
    .innerJoin(visits, eq(visits.id, runs.visitId))
    .where(eq(visits.clientId, clientId))
    .all();
  const shared = store.select({ id: runMembers.runId }).from(runMembers).where(eq(runMembers.clientId, clientId)).all();
  return [...new Set([...own, ...shared].map(({ id }) => id))];
}
