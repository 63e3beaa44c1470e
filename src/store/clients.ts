import { and, asc, count, desc, eq, gte, inArray, isNull, like, lt, sql } from 'drizzle-orm';
import { type Fact, type FactKey, type KnownClient, knownClient } from '@/core/safety';
import { type Store } from './open';
import { appointments, clients, facts, visits } from './schema';

/** Two facts of the same millisecond keep the order in which they were written. */
const inOrderWritten = sql`${facts}.rowid`;

export interface ClientRow {
  id: string;
  name: string;
  createdAt: string;
}

export function findClient(store: Store, clientId: string): ClientRow | null {
  return store.select().from(clients).where(eq(clients.id, clientId)).get() ?? null;
}

/** Clients whose name contains the words, by name; all of them for an empty search. */
export function searchClients(store: Store, words: string, most = 50): ClientRow[] {
  const pattern = `%${words.trim().replace(/[%_]/g, '')}%`;
  return store.select().from(clients).where(like(clients.name, pattern)).orderBy(asc(clients.name)).limit(most).all();
}

/** What was said of a client, oldest first; what was taken back is left out. */
export function factsOf(store: Store, clientId: string): Fact[] {
  return store
    .select()
    .from(facts)
    .where(and(eq(facts.clientId, clientId), isNull(facts.retractedAt)))
    .orderBy(asc(facts.at), asc(inOrderWritten))
    .all()
    .map(({ id, key, value, at, day }) => ({ id, key: key as FactKey, value, at, day }));
}

export function knownClientOf(store: Store, clientId: string): KnownClient {
  return knownClient(factsOf(store, clientId));
}

/** Known clients of several ids at once, for the day's list. */
export function knownClientsOf(store: Store, clientIds: readonly string[]): Map<string, KnownClient> {
  const byClient = new Map<string, Fact[]>(clientIds.map((id) => [id, []]));
  if (clientIds.length > 0) {
    const rows = store
      .select()
      .from(facts)
      .where(and(inArray(facts.clientId, [...clientIds]), isNull(facts.retractedAt)))
      .orderBy(asc(facts.at), asc(inOrderWritten))
      .all();
    for (const { clientId, id, key, value, at, day } of rows) {
      byClient.get(clientId)!.push({ id, key: key as FactKey, value, at, day });
    }
  }
  return new Map([...byClient].map(([id, list]) => [id, knownClient(list)]));
}

export interface AppointmentRow {
  id: string;
  clientId: string;
  name: string;
  startsAt: string;
  minutes: number;
  note: string;
}

/** Appointments that start in [from, to), by time. */
export function appointmentsBetween(store: Store, from: string, to: string): AppointmentRow[] {
  return store
    .select({
      id: appointments.id,
      clientId: appointments.clientId,
      name: clients.name,
      startsAt: appointments.startsAt,
      minutes: appointments.minutes,
      note: appointments.note,
    })
    .from(appointments)
    .innerJoin(clients, eq(clients.id, appointments.clientId))
    .where(and(gte(appointments.startsAt, from), lt(appointments.startsAt, to), isNull(appointments.cancelledAt)))
    .orderBy(asc(appointments.startsAt))
    .all();
}

/** Clients seen or added last, for the front page of a studio without appointments. */
export function recentClients(store: Store, most = 8): ClientRow[] {
  return store.select().from(clients).orderBy(desc(clients.createdAt)).limit(most).all();
}

/** Visits still open on a day or left open before it, newest first. */
export function openVisits(store: Store): { id: string; clientId: string; name: string; day: string }[] {
  return store
    .select({ id: visits.id, clientId: visits.clientId, name: clients.name, day: visits.day })
    .from(visits)
    .innerJoin(clients, eq(clients.id, visits.clientId))
    .where(isNull(visits.endedAt))
    .orderBy(desc(visits.startedAt))
    .limit(20)
    .all();
}

export function countClients(store: Store): number {
  return store.select({ n: count() }).from(clients).get()?.n ?? 0;
}
