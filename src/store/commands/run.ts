import { and, eq, isNull } from 'drizzle-orm';
import { type StampedEvent, eventDenied, foreignTo, itemsOff, reduceRun, stateOf, steering } from '@/core/coach';
import { type Payload, type VisitRow, dayIn } from '@/core/record';
import { openStations } from '@/core/safety';
import { checkPlan } from '@/core/sequence';
import { historyOf } from '../catalogue';
import { among } from '../columns';
import { type Store } from '../file';
import { endOf, findRun, itemCountOf, storeDigests, storedIds } from '../runs';
import { clients, runEvents, runMembers, runs } from '../schema';
import { planOf } from '../visits';
import { type Doors, type Moment, Refusal, type Scope, gone, scopeOf, visitOrRefuse } from './door';

type Runs = Pick<Doors, 'run.create' | 'run.append'>;

/** The visits of a run: whose plan it is first, then the others of a group. */
function visitsOfRun(store: Store, runId: string): VisitRow[] {
  const run = store.select({ visitId: runs.visitId }).from(runs).where(eq(runs.id, runId)).get();
  if (!run) throw gone('run');
  const members = store
    .select({ visitId: runMembers.visitId })
    .from(runMembers)
    .where(eq(runMembers.runId, runId))
    .all();
  const ids = [...new Set([run.visitId, ...members.map(({ visitId }) => visitId)])];
  return ids.map((id) => visitOrRefuse(store, id));
}

const namesOf = (store: Store, clientIds: readonly string[]) =>
  new Map(
    store
      .select({ id: clients.id, name: clients.name })
      .from(clients)
      .where(among(clients.id, clientIds))
      .all()
      .map(({ id, name }) => [id, name]),
  );

/** Events that are new to the run. One sent twice changes nothing; another one at a place that is taken is refused. */
function newEvents({ runId, events }: Payload<'run.append'>, store: Store): StampedEvent[] {
  const stored = storedIds(
    store,
    runId,
    events.map(({ seq }) => seq),
  );
  const fresh = events.filter(({ seq }) => !stored.has(seq));
  if (events.some(({ id, seq }) => stored.has(seq) && stored.get(seq) !== id)) {
    throw new Refusal('overtaken', 'This run is being coached in another window. Reload to follow it there.');
  }
  return fresh;
}

/** Why one of these events may not happen, or null. Only what steers the run is held against people's limits. */
function denial(payload: Payload<'run.append'>, moment: Moment, { visits }: Scope): string | null {
  const { store } = moment;
  const fresh = newEvents(payload, store);
  if (!fresh.some(({ event }) => steering.includes(event.type))) {
    // What only tells of what happened is taken in whatever the limits; the run needn't be read for it.
    const clientIds = visits.map(({ clientId }) => clientId);
    const itemCount = itemCountOf(store, payload.runId);
    return fresh.map(({ event }) => foreignTo(event, itemCount, clientIds)).find((why) => why !== null) ?? null;
  }
  const run = findRun(store, payload.runId);
  if (!run) throw new Refusal('gone', 'The plan of this run can’t be read. Open a new run.');
  const names = namesOf(
    store,
    visits.map(({ clientId }) => clientId),
  );
  const people = visits.map((visit) => {
    const path = pathOfRun(visit, run.at, moment);
    return {
      clientId: visit.clientId,
      name: names.get(visit.clientId) ?? '',
      gates: moment.gatesOf(visit.clientId),
      closed: !openStations[path.state].includes('coach') ? (path.reasons[0]?.what ?? 'Not today.') : null,
    };
  });
  const { weightUnit } = moment.settings();
  let state = stateOf(run);
  for (const stamped of fresh) {
    const denied = eventDenied(state, stamped.event, people, stamped.atEpochMs, weightUnit);
    if (denied) return denied.why;
    state = reduceRun(state, stamped);
  }
  return null;
}

/** A run may go on past midnight for so long before signs have to be asked anew. */
const overMidnightMs = 6 * 3_600_000;

/** Where somebody in a run may go: as of today, but nobody is asked for the new day's signs in mid-breath. */
function pathOfRun(visit: VisitRow, runAt: string, moment: Moment) {
  const path = moment.pathOf(visit);
  const young = moment.epochMs - Date.parse(runAt) < overMidnightMs;
  return path.state === 'not asked' && young ? moment.pathOf(visit, dayIn(runAt, moment.zone)) : path;
}

/** Runs: what is coached, and everything that happens in it. */
export const runDoors: Runs = {
  'run.create': {
    whose: ({ visitId, members = [] }, { store }) => {
      for (const member of members) {
        if (visitOrRefuse(store, member.visitId).clientId !== member.clientId) throw gone('visit');
      }
      const ids = [...new Set([visitId, ...members.map((member) => member.visitId)])];
      return scopeOf(ids.map((id) => visitOrRefuse(store, id)));
    },
    station: 'coach',
    gated: ({ visitId, items, members = [] }, moment, { visits }) => {
      const { store } = moment;
      const leader = visits[0]!;
      const stored = planOf(store, visitId);
      if (!stored) return 'There is no plan to coach yet. Make one in Sequence.';
      const gates = moment.gatesOf(leader.clientId);
      const [off] = checkPlan({ ...stored.plan, items }, gates, { history: historyOf(store, leader.clientId) }).filter(
        ({ level }) => level === 'off',
      );
      if (off) return `${off.what} ${off.wayOut}`;
      const names = namesOf(
        store,
        visits.map(({ clientId }) => clientId),
      );
      for (const { clientId, sitsOut } of members) {
        const taken = itemsOff(items, moment.gatesOf(clientId)).filter((index) => !sitsOut.includes(index));
        if (clientId !== leader.clientId && taken.length > 0) {
          return `${names.get(clientId)}: drill ${taken[0]! + 1} is off for them today. They sit it out, or stay out of the group.`;
        }
      }
      return null;
    },
    revision: 'none',
    signed: 'refuses',
    act: ({ runId, visitId, items, members = [] }, { store, at }) => {
      // Pressed twice, or on two devices: a visit has one run at a time.
      const open = and(eq(runs.visitId, visitId), isNull(runs.endedAt));
      if (store.select({ id: runs.id }).from(runs).where(open).get()) {
        throw new Refusal('known already', 'A run of this visit is open already. Go back to it, or close it first.');
      }
      // The reasons of a plan stay with the plan.
      const plain = items.map((item) => ({ ...item, reasons: [] }));
      store.insert(runs).values({ id: runId, visitId, at, items: plain }).run();
      members.forEach((member, place) => {
        store
          .insert(runMembers)
          .values({ ...member, runId, place })
          .run();
      });
    },
  },

  'run.append': {
    whose: ({ runId }, { store }) => scopeOf(visitsOfRun(store, runId)),
    station: 'whatever the path',
    gated: denial,
    revision: 'none',
    // What was still on its way when the visit was signed has happened all the same.
    signed: 'takes',
    act: (payload, { store }) => {
      const { runId } = payload;
      const fresh = newEvents(payload, store);
      if (fresh.length === 0) return;
      store
        .insert(runEvents)
        .values(fresh.map(({ id, seq, atEpochMs, event }) => ({ id, runId, seq, atEpochMs, type: event.type, event })))
        .run();
      const ended = endOf(fresh);
      if (ended === null) return;
      store.update(runs).set({ endedAt: ended }).where(eq(runs.id, runId)).run();
      storeDigests(store, runId);
    },
  },
};
