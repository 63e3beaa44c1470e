import { and, desc, eq, isNull, sql } from 'drizzle-orm';
import {
  type CommandKind,
  type Outcome,
  type Payload,
  type VisitRow,
  commandSchemas,
  dayIn,
  envelopeSchema,
  firstSentence,
  parseRaw,
} from '@/core/record';
import { type Raw, fewestTaps, newest, protocols, quietRate, rawComponents } from '@/core/look';
import { type Drill, drillSchema, positions } from '@/core/catalogue';
import { drillFaults } from '@/core/formats';
import {
  type CountedRate,
  type FactKey,
  type PathState,
  checkComponents,
  dueDateProblem,
  evaluateGates,
  factSchemas,
  openStations,
  pathState,
  refusalInWords,
} from '@/core/safety';
import { checkPlan } from '@/core/sequence';
import { historyOf } from './catalogue';
import { knownClientOf } from './clients';
import { type Store } from './open';
import {
  appointments,
  clients,
  commands,
  facts,
  judgements,
  looks,
  noteAdditions,
  ownBreath,
  ownDrills,
  photos,
  plans,
  readings,
  runEvents,
  runMembers,
  runs,
  templates,
  visitNotes,
  visits,
} from './schema';
import { changeSettings, readSettings } from './settings';
import { findVisit, looksOf, noteOf, planOf } from './visits';

/** A refusal thrown inside a handler: the transaction is rolled back and the writer gets the sentence. */
class Refusal extends Error {}

interface Moment {
  store: Store;
  at: string;
  day: string;
  zone: string;
}

type Handler<K extends CommandKind> = (payload: Payload<K>, moment: Moment) => Outcome | void;

const gone = (what: string) => new Refusal(`This ${what} is no longer there. Reload the page.`);

function visitOrRefuse(store: Store, visitId: string): VisitRow {
  const visit = findVisit(store, visitId);
  if (!visit) throw gone('visit');
  return visit;
}

function clientOrRefuse(store: Store, clientId: string) {
  if (!store.select().from(clients).where(eq(clients.id, clientId)).get()) throw gone('client');
}

/** Gates of a client on the day, within the limits the coach set. */
function gatesOf({ store, day }: Moment, clientId: string) {
  return evaluateGates(knownClientOf(store, clientId).profile, day, readSettings(store).limits);
}

/** The newest unannounced count of a visit, as far as the path needs it. */
export function latestRate(store: Store, visitId: string): CountedRate | null {
  const record = newest(looksOf(store, [visitId]), 'quietLook', 'before');
  if (!record || record.raw.taps.length < fewestTaps) return null;
  const { breathsPerMinute, seconds } = quietRate(record.raw.taps);
  return { breathsPerMinute, seconds, recordId: record.id };
}

/** Where the client of a visit may go today. */
export function pathOf(store: Store, visit: VisitRow, day: string): PathState {
  return pathState(knownClientOf(store, visit.clientId).profile, day, latestRate(store, visit.id));
}

function mustBeOpen(moment: Moment, visit: VisitRow, station: string) {
  const path = pathOf(moment.store, visit, moment.day);
  if (!openStations[path.state].includes(station)) {
    throw new Refusal(`Not today: ${path.reasons[0]?.what ?? 'the way is closed'} Nothing was recorded.`);
  }
}

/** A signed visit stays as it was signed; what comes later is added to its note, with its date. */
function mustBeUnsigned({ store }: Moment, visitId: string) {
  if (noteOf(store, visitId)?.signedAt) {
    throw new Refusal('This visit is signed and stays as it is. Write an addition to its note instead.');
  }
}

const saved = ({ at }: Moment, revision?: number): Outcome => ({
  state: 'saved',
  at,
  ...(revision ? { revision } : {}),
});

/** Refuses drills that name what is not there, or hide a hold: the first fault in one sentence. */
function refuseFaults(drills: readonly Drill[], store: Store) {
  const own = store
    .select()
    .from(ownDrills)
    .where(isNull(ownDrills.retractedAt))
    .all()
    .flatMap(({ value }) => drillSchema.safeParse(value).data ?? []);
  const known = new Map([...own, ...drills].map((drill) => [drill.id, drill]));
  for (const drill of drills) {
    const [fault] = drillFaults(drill, known);
    if (fault) throw new Refusal(`${drill.name}: ${fault.what}`);
  }
}

const handlers: { [K in CommandKind]: Handler<K> } = {
  'client.create': ({ clientId, factId, name }, { store, at, day, zone }) => {
    store.insert(clients).values({ id: clientId, name, createdAt: at }).run();
    store.insert(facts).values({ id: factId, clientId, key: 'name', value: name, at, day, zone }).run();
  },

  'fact.add': ({ factId, clientId, key, value, basedOn }, moment) => {
    const { store, at, day, zone } = moment;
    clientOrRefuse(store, clientId);
    const parsed = factSchemas[key as FactKey].safeParse(value);
    if (!parsed.success) throw new Refusal(firstSentence(parsed.error));
    if (key === 'birthDay' && typeof parsed.data === 'string' && parsed.data > day) {
      throw new Refusal('That birthday lies ahead. Check the year.');
    }
    const { date, dueDate } = (parsed.data ?? {}) as { date?: string; dueDate?: string };
    if (key.startsWith('answer:') && date && date > day) throw new Refusal('That date lies ahead. Check the year.');
    const problem = key.startsWith('answer:') && dueDate ? dueDateProblem(dueDate, day) : null;
    if (problem) throw new Refusal(problem);
    const before = store
      .select()
      .from(facts)
      .where(and(eq(facts.clientId, clientId), eq(facts.key, key), isNull(facts.retractedAt)))
      .orderBy(desc(facts.at), desc(sql`${facts}.rowid`))
      .get();
    store.insert(facts).values({ id: factId, clientId, key, value: parsed.data, at, day, zone }).run();
    if (key === 'name')
      store
        .update(clients)
        .set({ name: parsed.data as string })
        .where(eq(clients.id, clientId))
        .run();
    if (before && before.id !== basedOn && JSON.stringify(before.value) !== JSON.stringify(parsed.data)) {
      return {
        state: 'conflict',
        at,
        why: 'This was changed in another window meanwhile. Yours is saved now; the other is kept in the history.',
        theirs: before.value,
      };
    }
  },

  'fact.retract': ({ factId }, { store, at, day }) => {
    const fact = store.select().from(facts).where(eq(facts.id, factId)).get();
    if (!fact) throw gone('entry');
    if (fact.key === 'emergency') throw new Refusal('An emergency sign that was logged stays logged.');
    if (fact.day !== day) throw new Refusal('Entries of an earlier day stay; add a new one instead.');
    store.update(facts).set({ retractedAt: at }).where(eq(facts.id, factId)).run();
    if (fact.key !== 'name') return;
    const { texts } = knownClientOf(store, fact.clientId);
    if (texts.name) store.update(clients).set({ name: texts.name }).where(eq(clients.id, fact.clientId)).run();
  },

  'visit.start': ({ visitId, clientId }, { store, at, day, zone }) => {
    clientOrRefuse(store, clientId);
    store.insert(visits).values({ id: visitId, clientId, startedAt: at, day, zone }).run();
  },

  'visit.lookList': ({ visitId, list }, { store }) => {
    visitOrRefuse(store, visitId);
    store.update(visits).set({ lookList: list }).where(eq(visits.id, visitId)).run();
  },

  // The file was written before the transaction; the row says whose it is.
  'photo.add': ({ photoId, clientId }, { store, at }) => {
    clientOrRefuse(store, clientId);
    store.insert(photos).values({ id: photoId, clientId, at }).run();
  },

  'finding.judge': ({ judgementId, visitId, judgement }, moment) => {
    const visit = visitOrRefuse(moment.store, visitId);
    mustBeUnsigned(moment, visitId);
    mustBeOpen(moment, visit, 'read');
    moment.store.insert(judgements).values({ id: judgementId, visitId, at: moment.at, value: judgement }).run();
  },

  'visit.end': ({ visitId }, { store, at }) => {
    visitOrRefuse(store, visitId);
    store.update(visits).set({ endedAt: at }).where(eq(visits.id, visitId)).run();
  },

  'look.save': ({ lookId, visitId, protocol, moment: when, takenAt, raw, revision }, moment) => {
    const { store } = moment;
    const visit = visitOrRefuse(store, visitId);
    mustBeUnsigned(moment, visitId);
    const parsed = parseRaw(protocol, raw);
    if (!parsed.success) throw new Refusal(firstSentence(parsed.error));
    mustBeOpen(moment, visit, 'look');
    const taken = parsed.data as Raw<typeof protocol>;
    const contained = [...rawComponents(protocol, taken), ...positions[taken.position].components];
    const verdict = checkComponents(gatesOf(moment, visit.clientId), contained);
    if (!verdict.allowed) throw new Refusal(refusalInWords(verdict)!);
    const { version } = protocols[protocol];
    const existing = store.select().from(looks).where(eq(looks.id, lookId)).get();
    const row = { visitId, protocol, version, moment: when, takenAt, raw: parsed.data };
    if (!existing) {
      store
        .insert(looks)
        .values({ ...row, id: lookId, revision: 1 })
        .run();
      return saved(moment, 1);
    }
    if (existing.revision === revision) {
      store
        .update(looks)
        .set({ raw: parsed.data, takenAt, revision: revision + 1 })
        .where(eq(looks.id, lookId))
        .run();
      return saved(moment, revision + 1);
    }
    // Another window wrote this look meanwhile: theirs stays under a new id, ours takes the place, nothing is lost.
    store
      .insert(looks)
      .values({ ...existing, id: crypto.randomUUID() })
      .run();
    store
      .update(looks)
      .set({ raw: parsed.data, takenAt, revision: existing.revision + 1 })
      .where(eq(looks.id, lookId))
      .run();
    return {
      state: 'conflict',
      at: moment.at,
      why: 'This look was changed in another window meanwhile. Yours is saved; the other is kept beside it.',
      theirs: { raw: existing.raw, revision: existing.revision + 1 },
    };
  },

  'look.retract': ({ lookId }, moment) => {
    const { store, at } = moment;
    const look = store.select().from(looks).where(eq(looks.id, lookId)).get();
    if (!look) throw gone('look');
    mustBeUnsigned(moment, look.visitId);
    store.update(looks).set({ retractedAt: at }).where(eq(looks.id, lookId)).run();
  },

  'reading.confirm': ({ readingId, visitId, reading }, moment) => {
    const visit = visitOrRefuse(moment.store, visitId);
    mustBeUnsigned(moment, visitId);
    mustBeOpen(moment, visit, 'read');
    moment.store.insert(readings).values({ id: readingId, visitId, at: moment.at, value: reading }).run();
  },

  'plan.save': ({ planId, visitId, plan, revision }, moment) => {
    const { store, at } = moment;
    const visit = visitOrRefuse(store, visitId);
    mustBeUnsigned(moment, visitId);
    mustBeOpen(moment, visit, 'sequence');
    const existing = planOf(store, visitId);
    if (!existing) {
      store.delete(plans).where(eq(plans.visitId, visitId)).run();
      store.insert(plans).values({ id: planId, visitId, at, value: plan, revision: 1 }).run();
      return saved(moment, 1);
    }
    const next = existing.revision + 1;
    store.update(plans).set({ at, value: plan, revision: next }).where(eq(plans.visitId, visitId)).run();
    return existing.revision === revision
      ? saved(moment, next)
      : {
          state: 'conflict',
          at,
          why: 'This plan was changed in another window meanwhile. Yours is saved; undo there would bring the other back.',
          theirs: { plan: existing.plan, revision: next },
        };
  },

  'run.create': ({ runId, visitId, items, members = [] }, moment) => {
    const { store, at } = moment;
    const visit = visitOrRefuse(store, visitId);
    mustBeUnsigned(moment, visitId);
    mustBeOpen(moment, visit, 'coach');
    for (const member of members) {
      const theirs = visitOrRefuse(store, member.visitId);
      if (theirs.clientId !== member.clientId) throw gone('visit');
      mustBeUnsigned(moment, member.visitId);
      mustBeOpen(moment, theirs, 'coach');
    }
    const stored = planOf(store, visitId);
    if (!stored) throw new Refusal('There is no plan to coach yet. Make one in Sequence.');
    const [off] = checkPlan(
      { ...stored.plan, items },
      gatesOf(moment, visit.clientId),
      historyOf(store, visit.clientId),
    ).filter(({ level }) => level === 'off');
    if (off) throw new Refusal(`${off.what} ${off.wayOut}`);
    store.insert(runs).values({ id: runId, visitId, at, items }).run();
    members.forEach((member, place) => {
      store
        .insert(runMembers)
        .values({ ...member, runId, place })
        .run();
    });
  },

  'run.append': ({ runId, events }, { store }) => {
    if (!store.select({ id: runs.id }).from(runs).where(eq(runs.id, runId)).get()) throw gone('run');
    for (const { id, seq, atEpochMs, event } of events) {
      // The unique (run, seq) makes sending twice harmless; another writer's event at the same place is not overwritten.
      store
        .insert(runEvents)
        .values({ id, runId, seq, atEpochMs, type: event.type, event })
        .onConflictDoNothing()
        .run();
      const kept = store
        .select({ id: runEvents.id })
        .from(runEvents)
        .where(and(eq(runEvents.runId, runId), eq(runEvents.seq, seq)))
        .get();
      if (kept?.id !== id) throw new Refusal('This run is being coached in another window. Reload to follow it there.');
    }
  },

  'note.save': ({ visitId, text, home, revision }, moment) => {
    const { store, at } = moment;
    visitOrRefuse(store, visitId);
    mustBeUnsigned(moment, visitId);
    const before = noteOf(store, visitId);
    const next = (before?.revision ?? 0) + 1;
    store
      .insert(visitNotes)
      .values({ visitId, at, text, home, revision: next })
      .onConflictDoUpdate({ target: visitNotes.visitId, set: { at, text, home, revision: next } })
      .run();
    if (!before || before.revision === revision) return saved(moment, next);
    return {
      state: 'conflict',
      at,
      why: 'This note was changed in another window meanwhile. Yours is saved.',
      theirs: { text: before.text, revision: next },
    };
  },

  'note.sign': ({ visitId, text, home }, moment) => {
    const { store, at } = moment;
    const visit = visitOrRefuse(store, visitId);
    mustBeUnsigned(moment, visitId);
    const revision = (noteOf(store, visitId)?.revision ?? 0) + 1;
    store
      .insert(visitNotes)
      .values({ visitId, at, text, home, revision, signedAt: at })
      .onConflictDoUpdate({ target: visitNotes.visitId, set: { at, text, home, revision, signedAt: at } })
      .run();
    if (!visit.endedAt) store.update(visits).set({ endedAt: at }).where(eq(visits.id, visitId)).run();
    return saved(moment, revision);
  },

  'note.add': ({ additionId, visitId, text }, { store, at }) => {
    visitOrRefuse(store, visitId);
    if (!noteOf(store, visitId)?.signedAt) throw new Refusal('The note is not signed yet: write in the note itself.');
    store.insert(noteAdditions).values({ id: additionId, visitId, at, text }).run();
  },

  'own.add': ({ entryId, entry }, { store, at, day }) => {
    store.insert(ownBreath).values({ id: entryId, at, day, value: entry }).run();
  },

  'own.retract': ({ entryId }, { store, at }) => {
    if (!store.select().from(ownBreath).where(eq(ownBreath.id, entryId)).get()) throw gone('entry');
    store.update(ownBreath).set({ retractedAt: at }).where(eq(ownBreath.id, entryId)).run();
  },

  'appointment.add': ({ appointmentId, clientId, startsAt, minutes, note }, { store }) => {
    clientOrRefuse(store, clientId);
    store.insert(appointments).values({ id: appointmentId, clientId, startsAt, minutes, note }).run();
  },

  'appointment.cancel': ({ appointmentId }, { store, at }) => {
    store.update(appointments).set({ cancelledAt: at }).where(eq(appointments.id, appointmentId)).run();
  },

  'drill.save': ({ drill, revision }, moment) => {
    const { store, at } = moment;
    refuseFaults([drill], store);
    const existing = store.select().from(ownDrills).where(eq(ownDrills.id, drill.id)).get();
    if (!existing) {
      store.insert(ownDrills).values({ id: drill.id, at, value: drill, revision: 1 }).run();
      return saved(moment, 1);
    }
    const next = existing.revision + 1;
    store
      .update(ownDrills)
      .set({ at, value: drill, revision: next, retractedAt: null })
      .where(eq(ownDrills.id, drill.id))
      .run();
    if (existing.revision === revision || existing.retractedAt !== null) return saved(moment, next);
    return {
      state: 'conflict',
      at,
      why: 'This drill was changed in another window meanwhile. Yours is saved.',
      theirs: { drill: existing.value, revision: next },
    };
  },

  'drill.remove': ({ drillId }, { store, at }) => {
    const existing = store.select().from(ownDrills).where(eq(ownDrills.id, drillId)).get();
    if (!existing) throw gone('drill');
    store.update(ownDrills).set({ retractedAt: at }).where(eq(ownDrills.id, drillId)).run();
  },

  'drill.restore': ({ drillId }, { store }) => {
    store.update(ownDrills).set({ retractedAt: null }).where(eq(ownDrills.id, drillId)).run();
  },

  'drills.import': ({ drills }, { store, at }) => {
    refuseFaults(drills, store);
    for (const drill of drills) {
      store
        .insert(ownDrills)
        .values({ id: drill.id, at, value: drill, revision: 1 })
        .onConflictDoUpdate({
          target: ownDrills.id,
          set: { at, value: drill, revision: sql`${ownDrills.revision} + 1`, retractedAt: null },
        })
        .run();
    }
  },

  'template.save': ({ templateId, name, template }, { store, at }) => {
    store
      .insert(templates)
      .values({ id: templateId, at, name, value: template })
      .onConflictDoUpdate({ target: templates.id, set: { at, name, value: template } })
      .run();
  },

  'template.remove': ({ templateId }, { store, at }) => {
    store.update(templates).set({ retractedAt: at }).where(eq(templates.id, templateId)).run();
  },

  'template.restore': ({ templateId }, { store }) => {
    store.update(templates).set({ retractedAt: null }).where(eq(templates.id, templateId)).run();
  },

  'settings.change': (changes, { store }) => changeSettings(store, changes),
};

/**
 * Carries out one command, once: the same id again answers what was answered before and changes nothing.
 *
 * @param input anything that came in from outside
 * @param nowEpochMs the server's clock
 */
export function carryOut(store: Store, input: unknown, nowEpochMs: number): Outcome {
  const envelope = envelopeSchema.safeParse(input);
  if (!envelope.success) return { state: 'refused', why: 'This was not understood. Reload the page and try again.' };
  const { id, kind, payload } = envelope.data;
  const known = store.select().from(commands).where(eq(commands.id, id)).get();
  if (known) return known.outcome as Outcome;
  const parsed = commandSchemas[kind].safeParse(payload);
  if (!parsed.success) return { state: 'refused', why: firstSentence(parsed.error) };

  const { timeZone } = readSettings(store);
  const moment: Moment = {
    store,
    at: new Date(nowEpochMs).toISOString(),
    day: dayIn(nowEpochMs, timeZone),
    zone: timeZone,
  };
  try {
    return store.transaction((transaction) => {
      const inside = { ...moment, store: transaction as unknown as Store };
      const handle = handlers[kind] as (payload: unknown, moment: Moment) => Outcome | void;
      const outcome = handle(parsed.data, inside) ?? saved(moment);
      transaction.insert(commands).values({ id, kind, at: moment.at, outcome }).run();
      return outcome;
    });
  } catch (error) {
    // A refusal is not remembered: what stood in its way may be gone when it is sent again on purpose.
    if (error instanceof Refusal) return { state: 'refused', why: error.message };
    if (error instanceof Error && error.message.includes('UNIQUE constraint failed')) {
      return { state: 'refused', why: 'This was recorded already. Reload the page to see it.' };
    }
    throw error;
  }
}
