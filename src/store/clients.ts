import { and, asc, count, desc, eq, inArray, isNotNull, isNull, like, lte, max, sql } from 'drizzle-orm';
import { type Fact, type FactKey, type KnownClient, factSchemas, knownClient } from '@/core/safety';
import { among } from './columns';
import { type Store } from './file';
import { type Unreadable, called, recordInWords, soundRow, soundValue } from './rows';
import { appointments, clients, facts, visits } from './schema';

/** Two facts of the same millisecond keep the order in which they were written. */
const inOrderWritten = sql`${facts}.rowid`;

export interface ClientRow {
  id: string;
  name: string;
  createdAt: string;
}

/** What stands where a name can't be read. */
export const namelessName = 'Name can’t be read';

const clientRow = (row: typeof clients.$inferSelect, aside: Unreadable[]): ClientRow =>
  soundRow('clients', row, 'The name or day of a client', aside) ?? {
    id: row.id,
    name: typeof row.name === 'string' && row.name !== '' ? row.name : namelessName,
    createdAt: '1970-01-01T00:00:00.000Z',
  };

export function findClient(store: Store, clientId: string, aside: Unreadable[] = []): ClientRow | null {
  const row = store.select().from(clients).where(eq(clients.id, clientId)).get();
  return row ? clientRow(row, aside) : null;
}

/** Clients whose name contains the words, by name; all of them for an empty search. `away`: those put away instead of the others. */
export function searchClients(store: Store, words: string, most = 50, { away = false } = {}): ClientRow[] {
  // In whichever order: a surname first, as lists have it.
  const wanted = words.replace(/[%_,]/g, ' ').split(/\s+/).filter(Boolean);
  return store
    .select()
    .from(clients)
    .where(and(isAway(away), ...wanted.map((word) => like(clients.name, `%${word}%`))))
    .orderBy(asc(clients.name))
    .limit(most)
    .all()
    .map((row) => clientRow(row, []));
}

const isAway = (away: boolean) => (away ? isNotNull(clients.archivedAt) : isNull(clients.archivedAt));

/** When a client was put away, or null. */
export const awaySince = (store: Store, clientId: string): string | null =>
  store.select({ at: clients.archivedAt }).from(clients).where(eq(clients.id, clientId)).get()?.at ?? null;

/** Somebody put away is there again, as soon as anything is done with them. */
export function takenUpAgain(store: Store, clientId: string) {
  store.update(clients).set({ archivedAt: null }).where(eq(clients.id, clientId)).run();
}

/**
 * Clients of whom nothing was heard since a moment: no visit and no booking, and added before it. Those put away are among them.
 *
 * @param since UTC, ISO
 */
export function silentSince(store: Store, since: string, most = 50): (ClientRow & { last: string })[] {
  const last = sql<string>`max(${clients.createdAt}, coalesce((select max(${visits.startedAt}) from ${visits} where ${visits.clientId} = ${clients.id}), ''), coalesce((select max(${appointments.startsAt}) from ${appointments} where ${appointments.clientId} = ${clients.id}), ''))`;
  return store
    .select({ row: clients, last })
    .from(clients)
    .where(and(lte(clients.createdAt, since), lte(last, since)))
    .orderBy(asc(last))
    .limit(most)
    .all()
    .map(({ row, last: at }) => ({ ...clientRow(row, []), last: at }));
}

const factInWords = (key: string) => `The answer “${key.replace(/^answer:/, '')}”`;

/** A stored fact that fits its key, or null with a word on it. */
function soundFact(row: typeof facts.$inferSelect, aside: Unreadable[]): Fact | null {
  const what = recordInWords(factInWords(String(row.key)), row.at);
  const sound = soundRow('facts', row, what, aside);
  if (!sound) return null;
  const { id, key, at, day } = sound;
  const schema = Object.hasOwn(factSchemas, key) ? factSchemas[key as FactKey] : null;
  if (!schema) {
    aside.push({ table: 'facts', id, what: called(what), why: 'nothing is asked under this name' });
    return null;
  }
  const value = soundValue(schema, sound.value, { table: 'facts', id, what }, aside);
  return value === null && sound.value !== null ? null : { id, key: key as FactKey, value, at, day };
}

/** What was said of a client, oldest first, the newest `most` of it; what was taken back is left out. */
export function factsOf(store: Store, clientId: string, { most = 10_000, aside = [] as Unreadable[] } = {}): Fact[] {
  return store
    .select()
    .from(facts)
    .where(and(eq(facts.clientId, clientId), isNull(facts.retractedAt)))
    .orderBy(desc(facts.at), desc(inOrderWritten))
    .limit(most)
    .all()
    .reverse()
    .flatMap((row) => soundFact(row, aside) ?? []);
}

/** What a client told of their complaint, leaks and symptoms, oldest first; what can't be read of it is told where they are screened. */
export function toldFactsOf(store: Store, clientId: string): Pick<Fact, 'key' | 'value' | 'day'>[] {
  return store
    .select({ key: sql<FactKey>`${facts.key}`, value: facts.value, day: facts.day })
    .from(facts)
    .where(
      and(
        eq(facts.clientId, clientId),
        inArray(facts.key, ['complaintDetail', 'symptoms'] satisfies FactKey[]),
        isNull(facts.retractedAt),
      ),
    )
    .orderBy(asc(facts.at), asc(inOrderWritten))
    .all();
}

/** What was said of touch on a day, oldest first, after what stood when it began: consent may be changed in the middle of a visit. */
export function consentOn(store: Store, clientId: string, day: string): Fact[] {
  const said = store
    .select()
    .from(facts)
    .where(and(eq(facts.clientId, clientId), eq(facts.key, 'touch'), lte(facts.day, day), isNull(facts.retractedAt)))
    .orderBy(asc(facts.at), asc(inOrderWritten))
    .all()
    .flatMap((row) => soundFact(row, []) ?? []);
  const before = said.findLast((fact) => fact.day < day);
  return [...(before ? [before] : []), ...said.filter((fact) => fact.day === day)];
}

/** How much was said of a client, and on how many days. */
export function countFacts(store: Store, clientId: string): { entries: number; days: number } {
  const found = store
    .select({ entries: count(), days: sql<number>`count(distinct ${facts.day})` })
    .from(facts)
    .where(and(eq(facts.clientId, clientId), isNull(facts.retractedAt)))
    .get();
  return found ?? { entries: 0, days: 0 };
}

/** Signs stay open until a clinician's word, so that all that were said count, and not the newest answer alone. */
const signKeys = ['emergency', 'redFlags'] as const;
const clearanceKeys = ['emergencyClearance', 'redFlagClearance'] as const;

/** Whose signs were asked depends on what had been answered by then, and not on the newest answer alone. */
const contextKeys = ['answer:pregnancy', 'answer:recentBirth'] as const;

/**
 * The facts that decide what is known of clients: the newest of each key, of the signs every one that was there or was cleared, and
 * every answer on pregnancy and birth.
 * What a long history holds besides is not read.
 *
 * @param untilDay what was known on an earlier day; everything when it is left out
 */
function decidingFacts(store: Store, clientIds: readonly string[], untilDay?: string) {
  const ranked = store
    .select({
      rowid: sql<number>`${facts}.rowid`.as('row_id'),
      place:
        sql<number>`row_number() over (partition by ${facts.clientId}, ${facts.key} order by ${facts.at} desc, ${facts}.rowid desc)`.as(
          'place',
        ),
      key: facts.key,
      value: sql<string>`cast(${facts.value} as text)`.as('value_text'),
    })
    .from(facts)
    .where(
      and(
        among(facts.clientId, clientIds),
        isNull(facts.retractedAt),
        untilDay === undefined ? undefined : lte(facts.day, untilDay),
      ),
    )
    .as('ranked');
  const wanted = store
    .select({ id: ranked.rowid })
    .from(ranked)
    .where(
      sql`${ranked.place} = 1 or (${inArray(ranked.key, [...signKeys])} and ${ranked.value} <> '{"present":[]}') or ${inArray(ranked.key, [...clearanceKeys, ...contextKeys])}`,
    );
  return store
    .select()
    .from(facts)
    .where(sql`${facts}.rowid in ${wanted}`)
    .orderBy(asc(facts.at), asc(inOrderWritten))
    .all();
}

/** The newest sound fact of a key before one that can't be read: an answer is not forgotten because a later one was damaged. */
function soundBefore(store: Store, clientId: string, key: string): Fact | null {
  const rows = store
    .select()
    .from(facts)
    .where(and(eq(facts.clientId, clientId), eq(facts.key, key), isNull(facts.retractedAt)))
    .orderBy(desc(facts.at), desc(inOrderWritten))
    .all();
  for (const row of rows) {
    const sound = soundFact(row, []);
    if (sound) return sound;
  }
  return null;
}

export function knownClientOf(
  store: Store,
  clientId: string,
  { untilDay, aside = [] }: { untilDay?: string; aside?: Unreadable[] } = {},
): KnownClient {
  return knownClientsOf(store, [clientId], { ...(untilDay === undefined ? {} : { untilDay }), aside: () => aside }).get(
    clientId,
  )!;
}

/** Known clients of several ids at once, for the day's list. */
export function knownClientsOf(
  store: Store,
  clientIds: readonly string[],
  { untilDay, aside = () => [] }: { untilDay?: string; aside?: (clientId: string) => Unreadable[] } = {},
): Map<string, KnownClient> {
  const byClient = new Map<string, Fact[]>(clientIds.map((id) => [id, []]));
  if (clientIds.length > 0) {
    for (const row of decidingFacts(store, clientIds, untilDay)) {
      const list = byClient.get(row.clientId);
      if (!list) continue;
      const sound = soundFact(row, aside(row.clientId)) ?? soundBefore(store, row.clientId, row.key);
      if (sound) list.push(sound);
    }
  }
  return new Map([...byClient].map(([id, list]) => [id, knownClient(list)]));
}

/** Clients seen or added last, for the front page of a studio without appointments. */
export function recentClients(store: Store, most = 8): ClientRow[] {
  const seen = store
    .select({ clientId: visits.clientId, at: max(visits.startedAt).as('at') })
    .from(visits)
    .groupBy(visits.clientId)
    .as('seen');
  return store
    .select({ row: clients })
    .from(clients)
    .leftJoin(seen, eq(seen.clientId, clients.id))
    .where(isAway(false))
    .orderBy(desc(sql`coalesce(${seen.at}, ${clients.createdAt})`))
    .limit(most)
    .all()
    .map(({ row }) => clientRow(row, []));
}

export interface OpenVisit {
  id: string;
  clientId: string;
  name: string;
  day: string;
}

/** Visits still open on a day or left open before it, newest first. */
export function openVisits(store: Store, aside: Unreadable[] = []): OpenVisit[] {
  return store
    .select({ row: visits, name: clients.name })
    .from(visits)
    .innerJoin(clients, eq(clients.id, visits.clientId))
    .where(isNull(visits.endedAt))
    .orderBy(desc(visits.startedAt))
    .limit(20)
    .all()
    .flatMap(({ row, name }) => {
      const sound = soundRow('visits', row, `An open visit of ${String(name)}`, aside);
      return sound ? [{ id: sound.id, clientId: sound.clientId, name: String(name), day: sound.day }] : [];
    });
}

export function countClients(store: Store, { away = false } = {}): number {
  return store.select({ n: count() }).from(clients).where(isAway(away)).get()?.n ?? 0;
}
