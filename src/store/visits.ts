import { and, asc, desc, eq, inArray, isNotNull, isNull, lt, sql } from 'drizzle-orm';
import * as z from 'zod/mini';
import { type ProtocolId, lookResult, protocols, rawComponents } from '@/core/look';
import { judgementSchema, readFindings } from '@/core/read';
import { withoutStop } from '@/core/reasons';
import {
  type StoredLook,
  type StoredNote,
  type StoredPlan,
  type StoredReading,
  type VisitRecord,
  type VisitRow,
  commandSchemas,
  rawSchemaOf,
  readingSchema,
} from '@/core/record';
import { planSchema } from '@/core/sequence';
import { among } from './columns';
import { type Store } from './file';
import { type Unreadable, called, recordInWords, soundRow, soundValue } from './rows';
import { homeOf } from './home';
import { liftsOf } from './lifts';
import { runsOf } from './runs';
import { judgements, looks, noteAdditions, plans, readings, visitNotes, visits } from './schema';

const inOrderWritten = sql`${judgements}.rowid`;

function visitRow(row: typeof visits.$inferSelect, aside: Unreadable[]): VisitRow | null {
  const sound = soundRow('visits', row, recordInWords('The visit', row.day), aside);
  if (!sound) return null;
  const { id, clientId, startedAt, day, endedAt } = sound;
  return { id, clientId, startedAt, day, endedAt };
}

/** Visits of a client, newest first. */
export function visitsOf(store: Store, clientId: string, aside: Unreadable[] = []): VisitRow[] {
  return store
    .select()
    .from(visits)
    .where(eq(visits.clientId, clientId))
    .orderBy(desc(visits.startedAt))
    .all()
    .flatMap((row) => visitRow(row, aside) ?? []);
}

export function findVisit(store: Store, visitId: string): VisitRow | null {
  const row = store.select().from(visits).where(eq(visits.id, visitId)).get();
  return row ? visitRow(row, []) : null;
}

/** The client's visit of a day: the newest that was not ended, else the newest of that day. */
export const visitOfDay = (store: Store, clientId: string, day: string): VisitRow | null =>
  visitsOfDay(store, [clientId], day).get(clientId) ?? null;

/** The visit of a day of each client that has one: the newest that was not ended, else the newest. */
export function visitsOfDay(store: Store, clientIds: readonly string[], day: string): Map<string, VisitRow> {
  return new Map(
    [...allVisitsOfDay(store, clientIds, day)].map(([id, list]) => [
      id,
      list.findLast(({ endedAt }) => endedAt === null) ?? list.at(-1)!,
    ]),
  );
}

/** Every visit of a day of some clients, by client, the earliest first. */
export function allVisitsOfDay(store: Store, clientIds: readonly string[], day: string): Map<string, VisitRow[]> {
  const found = new Map<string, VisitRow[]>();
  if (clientIds.length === 0) return found;
  const rows = store
    .select()
    .from(visits)
    .where(and(among(visits.clientId, clientIds), eq(visits.day, day)))
    .orderBy(asc(visits.startedAt))
    .all();
  for (const row of rows) {
    const visit = visitRow(row, []);
    if (visit) found.set(visit.clientId, [...(found.get(visit.clientId) ?? []), visit]);
  }
  return found;
}

/** The visit of a day that a client has open, or null. */
export function openVisitOf(store: Store, clientId: string, day: string): VisitRow | null {
  const visit = visitOfDay(store, clientId, day);
  return visit && visit.endedAt === null ? visit : null;
}

/** Looks that were found sound, by id and revision: what was read once need not be tried again. Oldest forgotten first. */
const tried = new Map<string, true>();
const mostTried = 50_000;

/**
 * Holds a look against everything that is made of one look alone, so that a record nothing can be made of is told of by its name
 * instead of taking a page with it.
 */
function nothingCanBeMadeOf(look: StoredLook): string | null {
  const key = `${look.id} ${look.revision}`;
  if (tried.has(key)) return null;
  try {
    lookResult(look);
    readFindings([look]);
    rawComponents(look.protocol, look.raw);
  } catch (error) {
    return error instanceof Error ? withoutStop(error.message) : 'nothing can be made of it';
  }
  tried.set(key, true);
  if (tried.size > mostTried) tried.delete(tried.keys().next().value!);
  return null;
}

/** Looks of one kind or another over all visits of a client, oldest first; what can't be read is left out. */
export const looksOfClient = (store: Store, clientId: string, only: readonly ProtocolId[]): StoredLook[] =>
  store
    .select({ look: looks })
    .from(looks)
    .innerJoin(visits, eq(looks.visitId, visits.id))
    .where(and(eq(visits.clientId, clientId), isNull(looks.retractedAt), inArray(looks.protocol, [...only])))
    .orderBy(asc(looks.takenAt))
    .all()
    .flatMap(({ look }) => soundLook(look, []) ?? []);

/** Looks of several visits, oldest first. What can't be read is left out, with a word on it, rather than guessed at. */
export function looksOf(
  store: Store,
  visitIds: readonly string[],
  { protocols: only, aside = [] }: { protocols?: readonly ProtocolId[]; aside?: Unreadable[] } = {},
): StoredLook[] {
  if (visitIds.length === 0) return [];
  return store
    .select()
    .from(looks)
    .where(
      and(
        among(looks.visitId, visitIds),
        isNull(looks.retractedAt),
        only ? inArray(looks.protocol, [...only]) : undefined,
      ),
    )
    .orderBy(asc(looks.takenAt))
    .all()
    .flatMap((row) => soundLook(row, aside) ?? []);
}

function soundLook(row: typeof looks.$inferSelect, aside: Unreadable[]): StoredLook | null {
  const name = Object.hasOwn(protocols, row.protocol) ? protocols[row.protocol as ProtocolId].name : 'Look';
  const what = recordInWords(name, row.takenAt);
  const sound = soundRow('looks', row, what, aside);
  if (!sound) return null;
  const { id, visitId, version, moment, takenAt, revision } = sound;
  const protocol = sound.protocol as ProtocolId;
  const raw = soundValue(rawSchemaOf(protocol), sound.raw, { table: 'looks', id, what }, aside);
  if (raw === null) return null;
  const look = { id, visitId, protocol, version, moment, takenAt, revision, raw } as StoredLook;
  const why = nothingCanBeMadeOf(look);
  if (why === null) return look;
  aside.push({ table: 'looks', id, what: called(what), why });
  return null;
}

function readingOf(row: typeof readings.$inferSelect, aside: Unreadable[]): StoredReading | null {
  const what = recordInWords('The reading', row.at);
  const value = soundValue(readingSchema, row.value, { table: 'readings', id: row.id, what }, aside);
  return value && { ...value, id: row.id, at: row.at };
}

/** The newest reading of each visit that has one. */
export function readingsOf(
  store: Store,
  visitIds: readonly string[],
  aside: Unreadable[] = [],
): Map<string, StoredReading> {
  const found = new Map<string, StoredReading>();
  if (visitIds.length === 0) return found;
  const rows = store.select().from(readings).where(among(readings.visitId, visitIds)).orderBy(asc(readings.at)).all();
  for (const row of rows) {
    const reading = readingOf(row, aside);
    if (reading) found.set(row.visitId, reading);
  }
  return found;
}

/** The coach's words on the findings of a visit, in the order in which they were said. */
export const judgementsOf = (store: Store, visitId: string, aside: Unreadable[]) =>
  store
    .select()
    .from(judgements)
    .where(eq(judgements.visitId, visitId))
    .orderBy(asc(judgements.at), asc(inOrderWritten))
    .all()
    .flatMap(({ id, at, value }) => {
      const of = { table: 'judgements', id, what: recordInWords('The coach’s word on a finding', at) };
      return soundValue(judgementSchema, value, of, aside) ?? [];
    });

function lookListOf(store: Store, visitId: string) {
  const row = store.select({ list: visits.lookList }).from(visits).where(eq(visits.id, visitId)).get();
  const parsed = commandSchemas['visit.lookList'].shape.list.safeParse(row?.list);
  return parsed.success ? parsed.data : null;
}

const revisionSchema = z.number().check(z.int(), z.minimum(0));

export const planOf = (store: Store, visitId: string, aside: Unreadable[] = []): StoredPlan | null =>
  plansOf(store, [visitId], aside).get(visitId) ?? null;

/** The plan of each visit that has one. */
export function plansOf(store: Store, visitIds: readonly string[], aside: Unreadable[] = []): Map<string, StoredPlan> {
  const found = new Map<string, StoredPlan>();
  if (visitIds.length === 0) return found;
  const rows = store.select().from(plans).where(among(plans.visitId, visitIds)).all();
  for (const row of rows) {
    const of = { table: 'plans', id: row.id, what: recordInWords('The plan', row.at) };
    const revision = soundValue(revisionSchema, row.revision, of, aside);
    const plan = revision === null ? null : soundValue(planSchema, row.value, of, aside);
    if (plan) found.set(row.visitId, { id: row.id, at: row.at, revision: revision!, plan });
  }
  return found;
}

/** Whether a visit is signed; a note that can't be read keeps its signature. */
export const isSigned = (store: Store, visitId: string): boolean =>
  store
    .select({ visitId: visitNotes.visitId })
    .from(visitNotes)
    .where(and(eq(visitNotes.visitId, visitId), isNotNull(visitNotes.signedAt)))
    .get() !== undefined;

/** The note of a visit with its additions, or null before one was begun. */
export function noteOf(store: Store, visitId: string, aside: Unreadable[] = []): StoredNote | null {
  const row = store.select().from(visitNotes).where(eq(visitNotes.visitId, visitId)).get();
  const sound = row && soundRow('visit_notes', row, recordInWords('The note', row.at), aside);
  if (!sound) return null;
  const { text, at, revision, signedAt, home } = sound;
  const additions = store
    .select()
    .from(noteAdditions)
    .where(eq(noteAdditions.visitId, visitId))
    .orderBy(asc(noteAdditions.at))
    .all()
    .flatMap((addition) => {
      const one = soundRow('note_additions', addition, recordInWords('An addition to the note', addition.at), aside);
      return one ? [{ id: one.id, at: one.at, text: one.text }] : [];
    });
  return { text, at, revision, signedAt, home, additions };
}

/** A visit with everything recorded in it. */
export function visitRecord(store: Store, visit: VisitRow, aside: Unreadable[] = []): VisitRecord {
  return {
    ...visit,
    lookList: lookListOf(store, visit.id),
    judgements: judgementsOf(store, visit.id, aside),
    looks: looksOf(store, [visit.id], { aside }),
    reading: readingsOf(store, [visit.id], aside).get(visit.id) ?? null,
    plan: planOf(store, visit.id, aside),
    runs: runsOf(store, visit.id, aside),
    note: noteOf(store, visit.id, aside),
    home: homeOf(store, visit.id, aside),
    lifts: liftsOf(store, [visit.id], aside),
  };
}

/** The newest visit of each client before a day, with the reading confirmed in it. */
export function lastVisits(
  store: Store,
  clientIds: readonly string[],
  beforeDay: string,
): Map<string, { id: string; day: string; reading: StoredReading | null }> {
  if (clientIds.length === 0) return new Map();
  const ranked = store
    .select({
      id: visits.id,
      clientId: visits.clientId,
      day: visits.day,
      place: sql<number>`row_number() over (partition by ${visits.clientId} order by ${visits.startedAt} desc)`.as(
        'place',
      ),
    })
    .from(visits)
    // A day that can't be read would sort anywhere.
    .where(and(among(visits.clientId, clientIds), lt(visits.day, beforeDay), sql`${visits.day} glob '????-??-??'`))
    .as('ranked');
  const rows = store.select().from(ranked).where(eq(ranked.place, 1)).all();
  const read = readingsOf(
    store,
    rows.map(({ id }) => id),
  );
  return new Map(rows.map(({ id, clientId, day }) => [clientId, { id, day, reading: read.get(id) ?? null }]));
}
