import { rmSync } from 'node:fs';
import { and, desc, eq, gte, isNull, sql } from 'drizzle-orm';
import { nameKey } from '@/core/access';
import { firstSentence } from '@/core/record';
import { inEnglish } from '@/core/reasons';
import { type FactKey, dueDateProblem, factSchemas } from '@/core/safety';
import { mayGive } from '../access';
import { forget } from '../belonging';
import { takenUpAgain, knownClientOf } from '../clients';
import { type Store } from '../file';
import { closeOpenRuns } from '../runs';
import { care, clients, facts, visitNotes, visits } from '../schema';
import { findVisit } from '../visits';
import { type Door, type Doors, Refusal, gone, ofClient } from './door';

type Facts = Pick<
  Doors,
  'client.create' | 'client.archive' | 'client.restore' | 'client.delete' | 'fact.add' | 'fact.retract'
>;

function newestFact(store: Store, clientId: string, key: FactKey) {
  return store
    .select()
    .from(facts)
    .where(and(eq(facts.clientId, clientId), eq(facts.key, key), isNull(facts.retractedAt)))
    .orderBy(desc(facts.at), desc(sql`${facts}.rowid`))
    .get();
}

const addFact: Door<'fact.add'> = {
  whose: ofClient(),
  station: 'whatever the path',
  gated: 'nothing',
  revision: ({ clientId, key, value, basedOn }, { store }) => {
    const before = newestFact(store, clientId, key);
    if (!before || JSON.stringify(before.value) === JSON.stringify(factSchemas[key].safeParse(value).data)) return null;
    return {
      seen: basedOn,
      now: before.id,
      theirs: before.value,
      stale: {
        keepsBoth:
          'This was changed in another window meanwhile. Yours is saved now; the other is kept in the history.',
      },
    };
  },
  // What is learnt of a client after a visit was signed is said with its own date.
  signed: 'takes',
  act: ({ factId, clientId, key, value }, { store, at, day, zone, epochMs }) => {
    const parsed = factSchemas[key].safeParse(value, inEnglish);
    if (!parsed.success) throw new Refusal('does not fit', firstSentence(parsed.error));
    const problem = dateProblem(key, parsed.data, day);
    if (problem) throw new Refusal('does not fit', problem);
    store.insert(facts).values({ id: factId, clientId, key, value: parsed.data, at, day, zone }).run();
    if (key === 'name') rename(store, clientId, parsed.data as string);
    // An emergency that is logged ends whatever is being coached: no window goes on from it.
    if (key === 'emergency' && (parsed.data as { present: string[] }).present.length > 0) {
      closeOpenRuns(store, clientId, epochMs);
    }
  },
};

function dateProblem(key: FactKey, value: unknown, day: string): string | null {
  if (key === 'birthDay') {
    return typeof value === 'string' && value > day ? 'That birthday lies ahead. Check the year.' : null;
  }
  if (!key.startsWith('answer:')) return null;
  const { date, dueDate } = value as { date?: string; dueDate?: string };
  if (date && date > day) return 'That date lies ahead. Check the year.';
  return dueDate ? dueDateProblem(dueDate, day) : null;
}

const rename = (store: Store, clientId: string, name: string) =>
  void store.update(clients).set({ name }).where(eq(clients.id, clientId)).run();

/** What is done with a client as a whole, whatever their day. */
const ofThem = {
  whose: ofClient(),
  station: 'whatever the path',
  gated: 'nothing',
  revision: 'none',
  signed: 'takes',
} as const;

/** Facts of clients: only ever added; one of today can be taken back while nothing was signed over it. */
export const clientDoors: Facts = {
  'client.create': {
    whose: 'studio',
    station: 'whatever the path',
    gated: 'nothing',
    revision: 'none',
    signed: 'takes',
    act: ({ clientId, factId, name }, { store, at, day, zone, by }) => {
      store.insert(clients).values({ id: clientId, name, createdAt: at }).run();
      if (by.coachId !== null) store.insert(care).values({ coachId: by.coachId, clientId, kind: 'own', at }).run();
      store.insert(facts).values({ id: factId, clientId, key: 'name', value: name, at, day, zone }).run();
    },
  },

  'client.archive': {
    ...ofThem,
    act: ({ clientId }, { store, at }) => {
      store.update(clients).set({ archivedAt: at }).where(eq(clients.id, clientId)).run();
    },
  },

  'client.restore': {
    ...ofThem,
    act: ({ clientId }, { store }) => takenUpAgain(store, clientId),
  },

  'client.delete': {
    ...ofThem,
    act: ({ clientId, name }, { store, by, afterwards }) => {
      const there = store.select().from(clients).where(eq(clients.id, clientId)).get()!;
      if (!mayGive(store, by, clientId)) {
        throw new Refusal('gated', 'Only whoever has this client as their own may delete them.');
      }
      if (nameKey(name) !== nameKey(String(there.name))) {
        throw new Refusal('does not fit', 'This is not their name as it stands here. Nothing was deleted.');
      }
      for (const path of forget(store, clientId)) afterwards.push(() => rmSync(path, { force: true }));
    },
  },

  'fact.add': addFact,

  'fact.retract': {
    // Whoever signed a visit of that day had this before them: then it stands.
    whose: ({ factId }, { store }) => {
      const fact = store.select().from(facts).where(eq(facts.id, factId)).get();
      if (!fact) throw gone('entry');
      const signedOver = store
        .select({ id: visits.id })
        .from(visits)
        .innerJoin(visitNotes, eq(visitNotes.visitId, visits.id))
        .where(and(eq(visits.clientId, fact.clientId), eq(visits.day, fact.day), gte(visitNotes.signedAt, fact.at)))
        .all();
      return { clientIds: [fact.clientId], visits: signedOver.flatMap(({ id }) => findVisit(store, id) ?? []) };
    },
    station: 'whatever the path',
    gated: 'nothing',
    revision: 'none',
    signed: 'refuses',
    act: ({ factId }, { store, at, day }) => {
      const fact = store.select().from(facts).where(eq(facts.id, factId)).get()!;
      if (fact.key === 'emergency')
        throw new Refusal('does not fit', 'An emergency sign that was logged stays logged.');
      if (fact.day !== day) {
        throw new Refusal('does not fit', 'Entries of an earlier day stay; add a new one instead.');
      }
      store.update(facts).set({ retractedAt: at }).where(eq(facts.id, factId)).run();
      if (fact.key !== 'name') return;
      const { texts } = knownClientOf(store, fact.clientId);
      if (texts.name) rename(store, fact.clientId, texts.name);
    },
  },
};
