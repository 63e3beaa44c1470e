import { randomUUID } from 'node:crypto';
import { cadence } from '@/core/cadence';
import { findDrill } from '@/core/catalogue';
import { type RunEvent } from '@/core/coach';
import { commandKinds } from '@/core/record';
import { defaultLimits } from '@/core/safety';
import { type PlanItem } from '@/core/sequence';
import {
  findRun,
  findVisit,
  factsOf,
  historyOf,
  looksOf,
  openRuns,
  runNews,
  stoppedDrills,
  visitRecord,
  visitsOf,
} from '..';
import { type TestStudio, heldItem, now, planOfItems, quietItem, testStudio } from '../fixtures';
import { doors } from '.';

let studio: TestStudio;
beforeEach(() => {
  studio = testStudio('doors');
});
afterEach(() => studio.close());

const refused = (code: string, why = /./) => ({ state: 'refused', code, why: expect.stringMatching(why) });
const marker = { position: 'sitting', measure: 'ease', readings: [4, 5] };
const look = (visitId: string, rest: object = {}) => ({
  lookId: randomUUID(),
  visitId,
  protocol: 'marker' as const,
  moment: 'before' as const,
  takenAt: new Date(now).toISOString(),
  raw: marker,
  revision: 0,
  ...rest,
});

test('every kind of command has a door that says all five things', () => {
  expect(Object.keys(doors).sort()).toEqual([...commandKinds].sort());
  for (const door of Object.values(doors)) {
    expect(Object.keys(door).sort()).toEqual(['act', 'gated', 'revision', 'signed', 'station', 'whose']);
  }
});

describe('what is off stays out of plans', () => {
  // The caution table: heart conditions and pregnancy keep off holds and the balloon (common practice, no published source).
  test('a balloon and a hold of twenty seconds, for somebody pregnant with a heart condition', () => {
    const { visitId } = studio.person('Ilse', { yes: { pregnancy: { weekOnDay: 30 }, heart: {} }, items: null });
    const save = (items: Parameters<typeof planOfItems>[0]) =>
      studio.record('plan.save', { planId: randomUUID(), visitId, plan: planOfItems(items), revision: 0 });
    expect(save([heldItem({ position: 'sitting' })])).toMatchObject(refused('gated', /holds/));
    expect(save([quietItem({ drillId: 'balloon-exhale', position: '90/90', props: ['balloon'] })])).toMatchObject(
      refused('gated'),
    );
    expect(save([quietItem({ position: 'sitting' })])).toMatchObject({ state: 'saved' });
  });

  test('a drill that is not in the catalogue, whatever it is called', () => {
    const { visitId } = studio.person('Ilse', { items: null });
    for (const drillId of ['no-such-drill', '__proto__', 'constructor']) {
      const plan = planOfItems([quietItem({ drillId })]);
      expect(studio.record('plan.save', { planId: randomUUID(), visitId, plan, revision: 0 })).toMatchObject(
        refused('gated', /catalogue/),
      );
    }
  });

  test('a plan from before a caution was told can be mended one drill at a time, and not made worse', () => {
    const [one, two] = [heldItem({ id: 'one' }), heldItem({ id: 'two' })];
    const { clientId, visitId } = studio.person('Bram', { items: [one, quietItem({ id: 'q' }), two] });
    studio.fact(clientId, 'answer:heart', { value: 'yes' });
    const save = (items: (typeof one)[]) =>
      studio.record('plan.save', { planId: randomUUID(), visitId, plan: planOfItems(items), revision: 1 });
    expect(save([one, quietItem({ id: 'q' })])).toMatchObject({ state: 'saved' });
    const longer = { ...one, cadences: [cadence(2, 4, { bottomPauseSeconds: 30 })] };
    expect(save([longer, quietItem({ id: 'q' })])).toMatchObject(refused('gated'));
  });
});

describe('a run', () => {
  const week30 = { pregnancy: { weekOnDay: 30 } };
  const seated = () => quietItem({ position: 'sitting' });

  test('that began harmless can’t be swapped or turned into held breaths', () => {
    const { visitId } = studio.person('Ilse', { yes: week30, items: [seated()] });
    const runId = studio.begun(visitId, [seated()]);
    const held = { cadences: [cadence(2, 4, { bottomPauseSeconds: 5 })], breaths: 60, sets: 10 };
    expect(studio.append(runId, { type: 'adjust', item: 0, ...held })).toMatchObject(refused('gated', /holds/));
    const to = heldItem({ position: 'sitting' });
    expect(studio.append(runId, { type: 'swap', item: 0, to, why: 'easier' })).toMatchObject(refused('gated', /holds/));
    expect(findRun(studio.store, runId)!.events).toHaveLength(1);
  });

  // Total hold time in a session is capped at 120 s, and holds never come back to back (common practice, no published source).
  test('gets no more holds than a session may have, whoever it is for', () => {
    const items = [quietItem({ id: 'a' }), heldItem({ id: 'b', breaths: 1 })];
    const { visitId } = studio.person('Bram', { items });
    const runId = studio.begun(visitId, items);
    const held = [cadence(2, 4, { bottomPauseSeconds: 5 })];
    expect(studio.append(runId, { type: 'adjust', item: 1, cadences: held, breaths: 60, sets: 10 })).toMatchObject(
      refused('gated', /3000 s of holds; the cap is 120 s/),
    );
    studio.take('settings.change', { limits: { ...defaultLimits, holdSeconds: 20 } });
    const asked = { type: 'adjust', item: 1, cadences: held, breaths: 5, sets: 1 } as const;
    expect(studio.append(runId, asked)).toMatchObject(refused('gated', /25 s of holds; the cap is 20 s/));
    studio.take('settings.change', { limits: defaultLimits });
    expect(studio.append(runId, { type: 'adjust', item: 0, cadences: held, breaths: 2, sets: 1 })).toMatchObject(
      refused('gated', /back to back/),
    );
    expect(studio.append(runId, { type: 'adjust', item: 1, cadences: held, breaths: 5, sets: 1 })).toMatchObject({
      state: 'saved',
    });
  });

  test.each<[string, RunEvent]>([
    ['an item it does not have', { type: 'breath', item: 7, set: 1, breath: 0 }],
    ['a swap at a place it does not have', { type: 'swap', item: 3, to: quietItem() }],
    ['a drill nobody knows', { type: 'swap', item: 0, to: quietItem({ drillId: 'no-such-drill' }) }],
    ['somebody who is not on it', { type: 'fault', item: 0, fault: 'neck', who: randomUUID() }],
    ['a stop of somebody else', { type: 'stop', item: 0, who: randomUUID() }],
  ])('takes no event about %s', (_, event) => {
    const { visitId } = studio.person('Bram');
    const runId = studio.begun(visitId);
    expect(studio.append(runId, event)).toMatchObject(refused('gated'));
    expect(findRun(studio.store, runId)!.events).toHaveLength(1);
  });

  test('is over with an emergency, and nothing sets it going again', () => {
    const { clientId, visitId } = studio.person('Ness');
    const runId = studio.begun(visitId);
    expect(studio.append(runId, { type: 'pause', why: 'by hand' })).toMatchObject({ state: 'saved' });
    expect(openRuns(studio.store)).toHaveLength(1);
    expect(studio.fact(clientId, 'emergency', { present: ['chestPain'] }).state).not.toBe('refused');
    expect(openRuns(studio.store)).toEqual([]);
    for (const event of [
      { type: 'resume' },
      { type: 'start' },
      { type: 'jump', toSeconds: 0, why: 'next' },
      { type: 'swap', item: 0, to: quietItem() },
    ] satisfies RunEvent[]) {
      expect(studio.append(runId, event)).toMatchObject(refused('gated'));
    }
    // What was still on its way has happened all the same.
    expect(studio.append(runId, { type: 'note', text: 'Sat her down.' })).toMatchObject({ state: 'saved' });
    expect(stoppedDrills(studio.store, clientId)).toEqual([
      { drillId: 'quiet-nose', name: 'Quiet nose breath', runId },
    ]);
  });

  test('that was stopped keeps the drill’s name, also of one of the coach’s own that was put away since or put in meanwhile', () => {
    const [planned, instead] = ['Reed breath', 'Slack water'].map((name) => {
      const own = { ...findDrill('quiet-nose')!, id: randomUUID(), name };
      studio.take('drill.save', { drill: own, revision: 0 });
      return quietItem({ drillId: own.id, own });
    }) as [PlanItem, PlanItem];
    for (const [item, events] of [
      [planned, [{ type: 'stop', item: 0 }]],
      [
        instead,
        [
          { type: 'swap', item: 0, to: instead },
          { type: 'stop', item: 0 },
        ],
      ],
    ] as [PlanItem, RunEvent[]][]) {
      const { clientId, visitId } = studio.person('Ness', { items: [planned] });
      const runId = studio.begun(visitId, [planned]);
      expect(studio.append(runId, ...events)).toMatchObject({ state: 'saved' });
      const { id, name } = item.own!;
      expect(stoppedDrills(studio.store, clientId)).toEqual([{ drillId: id, name, runId }]);
      studio.store.$client.exec('update own_drills set retracted_at = at');
      expect(stoppedDrills(studio.store, clientId)).toEqual([{ drillId: id, name, runId }]);
      studio.store.$client.exec('update own_drills set retracted_at = null');
    }
  });

  test('goes on past midnight without new signs; left open overnight it waits until they were asked', () => {
    const late = Date.parse('2026-11-25T23:50:00Z');
    const { clientId, visitId } = studio.person('Ness');
    const runId = randomUUID();
    studio.take('run.create', { runId, visitId, items: [quietItem()] }, late);
    const steer = (event: RunEvent, at: number) => {
      const seq = findRun(studio.store, runId)!.events.length;
      return studio.record('run.append', { runId, events: [{ id: randomUUID(), seq, atEpochMs: at, event }] }, at);
    };
    const minute = 60_000;
    expect(steer({ type: 'start' }, late + minute)).toMatchObject({ state: 'saved' });
    expect(steer({ type: 'pause', why: 'by hand' }, late + 15 * minute)).toMatchObject({ state: 'saved' });
    expect(steer({ type: 'resume' }, late + 16 * minute)).toMatchObject({ state: 'saved' });
    expect(steer({ type: 'pause', why: 'gap' }, late + 20 * minute)).toMatchObject({ state: 'saved' });
    const morning = late + 10 * 60 * minute;
    expect(steer({ type: 'resume' }, morning)).toMatchObject(refused('gated', /asked today/));
    for (const key of ['emergency', 'redFlags'] as const) studio.fact(clientId, key, { present: [] }, morning);
    expect(steer({ type: 'resume' }, morning + minute)).toMatchObject({ state: 'saved' });
  });

  test('a stop that ended it closes it, and one that is not settled lets nothing go on', () => {
    const { visitId } = studio.person('Ness');
    const runId = studio.begun(visitId);
    studio.append(runId, { type: 'stop', item: 0 });
    expect(studio.append(runId, { type: 'resume' })).toMatchObject(refused('gated', /stopped/));
    studio.append(runId, { type: 'settled', symptoms: [], note: '', then: 'refer' });
    expect(openRuns(studio.store)).toEqual([]);
    expect(studio.append(runId, { type: 'resume' })).toMatchObject(refused('gated', /over/));
  });

  test('events sent again after it is over are answered as before and change nothing', () => {
    const { visitId } = studio.person('Ness');
    const runId = studio.begun(visitId);
    const swap = { id: randomUUID(), seq: 1, atEpochMs: now + 1000, event: { type: 'pause', why: 'by hand' } as const };
    studio.take('run.append', { runId, events: [swap] });
    const resume = { id: randomUUID(), seq: 2, atEpochMs: now + 2000, event: { type: 'resume' } as const };
    studio.take('run.append', { runId, events: [resume] });
    studio.append(runId, { type: 'end', why: 'by hand' });
    expect(studio.record('run.append', { runId, events: [swap, resume] })).toMatchObject({ state: 'saved' });
    expect(findRun(studio.store, runId)!.events).toHaveLength(4);
  });
});

/** A drill that is nothing but its pause: no form of it is left without. */
const pausesOnly = (rest: Parameters<typeof heldItem>[0] = {}) =>
  heldItem({ drillId: 'short-calm-pauses', position: 'sitting', ...rest });

const members = (...people: { clientId: string; visitId: string; sitsOut?: number[] }[]) =>
  people.map((one) => ({ sitsOut: [], ...one }));

describe('a group', () => {
  test('takes nobody into a drill that is off for them; they sit it out, and it is not counted as theirs', () => {
    const held = [quietItem({ id: 'a' }), pausesOnly({ id: 'b' })];
    const ada = studio.person('Ada', { items: held });
    const ben = studio.person('Ben', { yes: { heart: {} }, items: null });
    const create = (sitsOut: number[]) =>
      studio.record('run.create', {
        runId: randomUUID(),
        visitId: ada.visitId,
        items: held,
        members: members(ada, { ...ben, sitsOut }),
      });
    expect(create([])).toMatchObject(refused('gated', /^Ben: drill 2/));
    expect(create([1])).toMatchObject({ state: 'saved' });
    const runId = visitRecord(studio.store, findVisit(studio.store, ben.visitId)!).runs[0]!.id;
    studio.append(
      runId,
      { type: 'start' },
      { type: 'breath', item: 1, set: 1, breath: 0, seconds: 26 },
      { type: 'breath', item: 1, set: 1, breath: 1, seconds: 26 },
      { type: 'end', why: 'done' },
    );
    expect(historyOf(studio.store, ada.clientId).map(({ outcomes }) => outcomes)).toEqual([['calm']]);
    expect(historyOf(studio.store, ben.clientId)).toEqual([]);
  });

  test('is swapped only to what every one of them may do, or sits out', () => {
    const ada = studio.person('Ada');
    const ben = studio.person('Ben', { yes: { heart: {} } });
    const runId = randomUUID();
    studio.take('run.create', { runId, visitId: ada.visitId, items: [quietItem()], members: members(ada, ben) });
    studio.append(runId, { type: 'start' });
    const swap = (sitOut: string[]) => studio.append(runId, { type: 'swap', item: 0, to: pausesOnly(), sitOut });
    expect(swap([])).toMatchObject(refused('gated', /^Ben:/));
    expect(swap([randomUUID()])).toMatchObject(refused('gated', /not on the run/));
    expect(swap([ben.clientId])).toMatchObject({ state: 'saved' });
  });

  test('an emergency of one takes them out of it; the others go on once that is settled', () => {
    const [ada, ben] = [studio.person('Ada'), studio.person('Ben')];
    const runId = randomUUID();
    studio.take('run.create', { runId, visitId: ada.visitId, items: [quietItem()], members: members(ada, ben) });
    studio.append(runId, { type: 'start' }, { type: 'pause', why: 'by hand' });
    studio.fact(ben.clientId, 'emergency', { present: ['chestPain'] });
    expect(openRuns(studio.store)).toHaveLength(1);
    expect(stoppedDrills(studio.store, ben.clientId)).toHaveLength(1);
    // Told once more, or settled on the live screen before, it takes them out once.
    const typesOf = () => findRun(studio.store, runId)!.events.map(({ event }) => event.type);
    const once = typesOf();
    expect(once.slice(-2)).toEqual(['stop', 'settled']);
    expect(studio.fact(ben.clientId, 'emergency', { present: ['chestPain', 'fainting'] }).state).not.toBe('refused');
    expect(typesOf()).toEqual(once);
    expect(studio.append(runId, { type: 'resume' })).toMatchObject({ state: 'saved' });
    studio.append(runId, { type: 'pause', why: 'by hand' });
    // A red flag of somebody still in it holds everybody.
    studio.fact(ada.clientId, 'redFlags', { present: ['calf'] });
    expect(studio.append(runId, { type: 'resume' })).toMatchObject(refused('gated', /^Ada:/));
  });
});

describe('what a window that goes along with a run is told', () => {
  test('is nothing new until an event comes, or something of anybody on it is told, changed or taken back', () => {
    const [ada, ben, odo] = [studio.person('Ada'), studio.person('Ben'), studio.person('Odo')];
    const runId = randomUUID();
    studio.take('run.create', { runId, visitId: ada.visitId, items: [quietItem()], members: members(ada, ben) });
    let before = runNews(studio.store, runId)!;
    expect(before.last).toBeNull();
    const after = (what: () => void) => {
      what();
      const news = runNews(studio.store, runId)!;
      const changed = { event: news.last?.id !== before.last?.id, told: news.told !== before.told };
      before = news;
      return changed;
    };
    const nothing = { event: false, told: false };
    expect(after(() => studio.fact(odo.clientId, 'redFlags', { present: ['calf'] }))).toEqual(nothing);
    expect(after(() => studio.append(runId, { type: 'start' }))).toEqual({ event: true, told: false });
    expect(before.last).toEqual({ seq: 0, id: findRun(studio.store, runId)!.events[0]!.id });
    const onlyTold = { event: false, told: true };
    const factId = randomUUID();
    const flag = {
      factId,
      clientId: ben.clientId,
      key: 'redFlags' as const,
      value: { present: ['calf'] },
      basedOn: null,
    };
    expect(after(() => studio.take('fact.add', flag))).toEqual(onlyTold);
    expect(after(() => studio.take('fact.retract', { factId }))).toEqual(onlyTold);
    const taken = look(ada.visitId);
    expect(after(() => studio.take('look.save', taken))).toEqual(onlyTold);
    expect(after(() => studio.take('look.save', { ...taken, revision: 1 }))).toEqual(onlyTold);
    expect(after(() => studio.take('look.retract', { lookId: taken.lookId }))).toEqual(onlyTold);
    expect(runNews(studio.store, randomUUID())).toBeNull();
  });
});

describe('a signed visit', () => {
  function signed() {
    const person = studio.person('Orla');
    const saved = look(person.visitId);
    studio.take('look.save', saved);
    studio.take('note.sign', { visitId: person.visitId, text: 'Done.', home: [], revision: 0 });
    return { ...person, saved };
  }

  test('stays as it is: its end, its list of looks, its looks by whatever way', () => {
    const { clientId, visitId, saved } = signed();
    const { endedAt } = findVisit(studio.store, visitId)!;
    expect(studio.record('visit.end', { visitId }, now + 60_000)).toMatchObject(refused('signed'));
    expect(findVisit(studio.store, visitId)!.endedAt).toBe(endedAt);
    expect(studio.record('visit.lookList', { visitId, list: { set: 'full', protocols: ['marker'] } })).toMatchObject(
      refused('signed'),
    );
    expect(studio.record('look.retract', { lookId: saved.lookId })).toMatchObject(refused('signed'));
    // Under the id of another visit that is still open.
    const other = studio.person('Tamsin');
    const through = { ...saved, visitId: other.visitId, raw: { ...marker, readings: [9, 9] }, revision: 1 };
    expect(studio.record('look.save', through)).toMatchObject(refused('gone'));
    expect(looksOf(studio.store, [visitId]).map(({ raw }) => raw)).toEqual([marker]);
    expect(visitsOf(studio.store, clientId)).toHaveLength(1);
  });

  test('keeps what had been said of the day when it was signed; what is said later can be taken back', () => {
    const { clientId, visitId } = studio.person('Orla');
    const [before, after] = [randomUUID(), randomUUID()];
    const flag = (factId: string, at: number) =>
      studio.take('fact.add', { factId, clientId, key: 'redFlags', value: { present: ['calf'] }, basedOn: null }, at);
    flag(before, now);
    studio.take('note.sign', { visitId, text: 'Referred.', home: [], revision: 0 }, now + 1000);
    flag(after, now + 2000);
    expect(studio.record('fact.retract', { factId: before }, now + 3000)).toMatchObject(refused('signed'));
    expect(studio.record('fact.retract', { factId: after }, now + 3000)).toMatchObject({ state: 'saved' });
    expect(factsOf(studio.store, clientId).some(({ id }) => id === before)).toBe(true);
  });

  test('is not signed over words that were written elsewhere meanwhile', () => {
    const { visitId } = studio.person('Orla');
    studio.take('note.save', { visitId, text: 'From the tablet.', home: [], revision: 0 });
    const sign = (revision: number) =>
      studio.record('note.sign', { visitId, text: 'From the desk.', home: [], revision });
    expect(sign(0)).toMatchObject(refused('stale', /Read it there/));
    expect(sign(1)).toMatchObject({ state: 'saved' });
  });
});

describe('a visit that two devices begin', () => {
  test('is one visit; after it was ended another one can begin', () => {
    const { clientId, visitId } = studio.person('Dorrit');
    const second = randomUUID();
    expect(studio.record('visit.start', { visitId: second, clientId })).toMatchObject({ state: 'saved' });
    expect(visitsOf(studio.store, clientId).map(({ id }) => id)).toEqual([visitId]);
    studio.take('visit.end', { visitId });
    studio.take('visit.start', { visitId: second, clientId });
    expect(visitsOf(studio.store, clientId)).toHaveLength(2);
  });
});

test('names that show nothing are refused', () => {
  for (const name of ['\u200b\u200b', '\u2800\u2800', '\u3164', '\u00ad', '\u202e\u202d', ' \u2003 ', '\ufe0f']) {
    expect(studio.record('client.create', { clientId: randomUUID(), factId: randomUUID(), name })).toMatchObject(
      refused('does not fit'),
    );
  }
  for (const name of ['Ñ', '李', '🦦', 'O’Malley', 'م', '-']) {
    studio.take('client.create', { clientId: randomUUID(), factId: randomUUID(), name });
  }
});
