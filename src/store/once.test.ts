import { randomUUID } from 'node:crypto';
import { cadence } from '@/core/cadence';
import { type StampedEvent, digestFormula, foldRun, stateOf } from '@/core/coach';
import { idOf } from '@/core/fixtures';
import { dayIn } from '@/core/record';
import {
  bookingsBetween,
  carryOut,
  consentOn,
  findRun,
  historyOf,
  knownClientsOf,
  lastVisits,
  looksOf,
  openRuns,
  openVisits,
  planOf,
  plansOf,
  readSettings,
  stoppedDrillsOf,
  visitsOf,
  visitsOfDay,
} from '.';
import { type TestStudio, now, planOfItems, quietItem, testStudio, today } from './fixtures';

let studio: TestStudio;
beforeEach(() => {
  studio = testStudio('once');
});
afterEach(() => studio.close());

const sql = (query: string) => studio.store.$client.prepare(query);
const count = (query: string) => (sql(query).get() as { n: number }).n;

/** How many statements are asked of the file while something is read. */
function asked(work: () => unknown): number {
  const { $client: client } = studio.store;
  const { prepare } = client;
  let times = 0;
  client.prepare = ((source: string) => {
    times += 1;
    return prepare.call(client, source);
  }) as typeof prepare;
  try {
    work();
  } finally {
    client.prepare = prepare;
  }
  return times;
}

describe('what is asked of everybody', () => {
  test('is asked at once: ten people cost no more questions than two', () => {
    const people = Array.from({ length: 10 }, (_, n) => studio.person(`Person ${n}`));
    people.forEach(({ visitId }) => studio.begun(visitId));
    const day = (some: typeof people) => {
      const ids = some.map(({ clientId }) => clientId);
      const visits = some.map(({ visitId }) => visitId);
      return asked(() => {
        knownClientsOf(studio.store, ids);
        lastVisits(studio.store, ids, '2030-01-01');
        visitsOfDay(studio.store, ids, today);
        stoppedDrillsOf(studio.store, ids);
        looksOf(studio.store, visits);
        plansOf(studio.store, visits);
        openRuns(studio.store);
        openVisits(studio.store);
      });
    };
    expect(day(people)).toBe(day(people.slice(0, 2)));
  });

  test('the runs of a client too, however many there are', () => {
    const { clientId, visitId } = studio.person('Ada');
    const end = () => studio.append(studio.begun(visitId), { type: 'end', why: 'done' });
    for (let n = 0; n < 3; n += 1) end();
    const few = asked(() => historyOf(studio.store, clientId));
    for (let n = 0; n < 9; n += 1) end();
    expect(asked(() => historyOf(studio.store, clientId))).toBe(few);
  });
});

describe('a run is read once', () => {
  test('thirty thousand events are gone through in line', () => {
    const items = [quietItem({ cadences: [cadence(2, 4)], breaths: 60, sets: 10 })];
    const events: StampedEvent[] = Array.from({ length: 30_000 }, (_, seq) => ({
      id: idOf(seq),
      seq,
      atEpochMs: seq * 100,
      event: seq === 0 ? { type: 'start' } : { type: 'breath', item: 0, set: 1, breath: seq % 60 },
    }));
    const from = performance.now();
    expect(foldRun(items, events).events).toHaveLength(30_000);
    // Copied for each event, the list alone would take tens of seconds.
    expect(performance.now() - from).toBeLessThan(2500);
  });

  function done() {
    const { clientId, visitId } = studio.person('Ada');
    const runId = studio.begun(visitId);
    const breath = (n: number) => ({ type: 'breath', item: 0, set: 1, breath: n, seconds: 6 }) as const;
    studio.append(runId, ...Array.from({ length: 8 }, (_, n) => breath(n)), { type: 'end', why: 'done' });
    return { clientId, runId };
  }

  test('its sum is kept when it ends, and taken from there', () => {
    const { clientId, runId } = done();
    expect(sql('select formula, next_seq from run_summaries').all()).toEqual([
      { formula: digestFormula, next_seq: 10 },
    ]);
    const before = historyOf(studio.store, clientId);
    // Nothing but the sum is looked at: without it the plan of the run would be needed.
    sql(`update runs set items = '{' where id = '${runId}'`).run();
    expect(historyOf(studio.store, clientId)).toEqual(before);
  });

  test.each([
    ['of another formula', `update run_summaries set formula = 0`],
    ['of fewer events', `update run_summaries set next_seq = 3`],
    ['that can’t be read', `update run_summaries set value = '{'`],
    ['that is gone', `delete from run_summaries`],
  ])('a sum %s is made anew, to the same', (_, spoil) => {
    const { clientId } = done();
    const before = historyOf(studio.store, clientId);
    expect(before[0]!.outcomes).toEqual(['calm']);
    sql(spoil).run();
    expect(historyOf(studio.store, clientId)).toEqual(before);
    expect(sql('select formula, next_seq from run_summaries').all()).toEqual([
      { formula: digestFormula, next_seq: 10 },
    ]);
  });

  test('an event that can’t be read costs the run that event, and is not tried again at every page', () => {
    const { clientId, runId } = done();
    sql(`update run_events set event = '{"type":"no such"}' where seq = 4`).run();
    sql('delete from run_summaries').run();
    expect(stateOf(findRun(studio.store, runId)!).status).toBe('ended');
    historyOf(studio.store, clientId);
    const asks = asked(() => historyOf(studio.store, clientId));
    sql('delete from run_summaries').run();
    expect(asked(() => historyOf(studio.store, clientId))).toBeGreaterThan(asks);
  });
});

describe('what is kept is no more than is needed', () => {
  test('events leave no entry in the log of commands; sent twice they change nothing', () => {
    const { visitId } = studio.person('Ada');
    const runId = studio.begun(visitId);
    const before = count('select count(*) as n from taken');
    const event = { id: randomUUID(), seq: 1, atEpochMs: now, event: { type: 'note', text: 'x' } as const };
    for (let n = 0; n < 3; n += 1) expect(studio.record('run.append', { runId, events: [event] }).state).toBe('saved');
    expect(count('select count(*) as n from taken')).toBe(before);
    expect(findRun(studio.store, runId)!.events).toHaveLength(2);
  });

  test('a conflict is answered alike the second time, without the other’s plan kept for it', () => {
    const { visitId } = studio.person('Ada');
    const plan = planOfItems([quietItem({ breaths: 9 })]);
    const command = {
      id: randomUUID(),
      kind: 'plan.save',
      payload: { planId: randomUUID(), visitId, plan, revision: 0 },
    };
    const first = carryOut(studio.store, command, now);
    expect(first).toMatchObject({ state: 'conflict', revision: 2, theirs: { revision: 2 } });
    expect(carryOut(studio.store, command, now + 1000)).toEqual({ ...first, theirs: null });
    expect(count(`select max(length(why)) as n from taken`)).toBeLessThan(200);
    expect(planOf(studio.store, visitId)!.revision).toBe(2);
  });

  test('a plan is kept without what follows from it, a run without the reasons of its plan', () => {
    const reason = { what: 'x'.repeat(400), rule: 'r', records: [], provenance: { kind: 'common practice' as const } };
    const { visitId } = studio.person('Ada', { items: null });
    const items = [quietItem({ reasons: [reason] })];
    const refusals = Array.from({ length: 60 }, () => ({ drillId: 'towel-hug', reason }));
    const plan = { ...planOfItems(items), refusals };
    studio.take('plan.save', { planId: randomUUID(), visitId, plan, revision: 0 });
    studio.begun(visitId, items);
    expect(count('select max(length(value)) as n from plans')).toBeLessThan(1500);
    expect(count('select max(length(items)) as n from runs')).toBeLessThan(600);
    expect(planOf(studio.store, visitId)!.plan.items[0]!.reasons).toEqual([reason]);
  });
});

describe('pressed twice, or on two devices, it is one', () => {
  test('a visit has one run at a time; ended, another may begin', () => {
    const { visitId } = studio.person('Ada');
    const first = studio.begun(visitId);
    const again = { runId: randomUUID(), visitId, items: [quietItem()] };
    expect(studio.record('run.create', again)).toMatchObject({ state: 'refused', code: 'known already' });
    studio.append(first, { type: 'end', why: 'closed later' });
    expect(studio.record('run.create', again)).toMatchObject({ state: 'saved' });
  });

  test('somebody has one booking at a time; taken out, it can be made again', () => {
    const { clientId } = studio.person('Ada');
    const booking = (note = '') => ({
      appointmentId: randomUUID(),
      clientId,
      startsAt: `${today}T14:00:00.000Z`,
      minutes: 45,
      note,
      seriesId: null,
    });
    const book = () => studio.take('appointment.add', booking());
    book();
    book();
    // What says something else is not dropped without a word.
    expect(studio.record('appointment.add', booking('bring the half-dome'))).toMatchObject({ code: 'known already' });
    const booked = () =>
      bookingsBetween(studio.store, `${today}T00:00:00.000Z`, `${today}T23:59:00.000Z`).filter(({ off }) => !off);
    expect(booked()).toHaveLength(1);
    studio.take('appointment.cancel', { appointmentId: booked()[0]!.id, how: 'cancelled', reason: '' });
    book();
    expect(booked()).toHaveLength(1);
  });
});

describe('a visit across midnight', () => {
  const minutes = (count: number) => now + count * 60_000;
  /** Minutes until the next day of the studio begins. */
  const untilMidnight = (() => {
    let count = 0;
    while (dayIn(minutes(count), 'UTC') === dayIn(now, 'UTC')) count += 1;
    return count;
  })();
  const run = (visitId: string) => ({ runId: randomUUID(), visitId, items: [quietItem()] });

  test('goes on without the signs of the new day, and is signed on it', () => {
    studio.take('settings.change', { timeZone: 'UTC' });
    const late = minutes(untilMidnight - 20);
    const { clientId } = studio.person('Ada');
    const visitId = randomUUID();
    for (const visit of visitsOf(studio.store, clientId)) studio.take('visit.end', { visitId: visit.id }, late);
    studio.take('visit.start', { visitId, clientId }, late);
    studio.take('plan.save', { planId: randomUUID(), visitId, plan: planOfItems([quietItem()]), revision: 0 }, late);
    const after = minutes(untilMidnight + 25);
    expect(studio.record('run.create', run(visitId), after)).toMatchObject({ state: 'saved' });
    expect(studio.record('note.sign', { visitId, text: 'Late.', home: [], revision: 0 }, after).state).toBe('saved');
  });

  test('left open over night it asks for the signs of the day, and can still be noted and signed days later', () => {
    studio.take('settings.change', { timeZone: 'UTC' });
    const { visitId } = studio.person('Ada');
    const later = minutes(untilMidnight + 8 * 60);
    expect(studio.record('run.create', run(visitId), later)).toMatchObject({ state: 'refused', code: 'closed' });
    const days = minutes(untilMidnight + 3 * 24 * 60);
    expect(studio.record('note.sign', { visitId, text: 'Forgotten.', home: [], revision: 0 }, days).state).toBe(
      'saved',
    );
  });
});

test('consent told of a day begins with what stood before it', () => {
  const { clientId } = studio.person('Ada');
  const dayMs = 24 * 60 * 60_000;
  studio.fact(clientId, 'touch', 'yes', now - dayMs);
  studio.fact(clientId, 'touch', 'own hands', now - dayMs + 1000);
  studio.fact(clientId, 'touch', 'no', now);
  const day = dayIn(now, readSettings(studio.store).timeZone);
  expect(consentOn(studio.store, clientId, day).map(({ value }) => value)).toEqual(['own hands', 'no']);
});
