import { cadence } from '../cadence';
import { faultIds, findDrill } from '../catalogue';
import { conditionIds, emptyProfile, evaluateGates } from '../safety';
import { idOf, planItem } from '../fixtures';
import { type PlanItem } from '../sequence';
import {
  type KeyMove,
  type PedalState,
  type RunEvent,
  announcement,
  clientFigure,
  clientFrame,
  clientMessageSchema,
  cueAnswer,
  doublePressMs,
  digestOf,
  eventsFromElsewhere,
  faultHistoryOf,
  answerOf,
  notesOf,
  faultOrder,
  faultsOf,
  foldRun,
  goesBehind,
  groupForm,
  harderReadiness,
  idlePedal,
  lastMark,
  longPressMs,
  pedalMove,
  pedalTime,
  placeAt,
  remedyFor,
  stoppedDrillsOf,
  summariseRun,
  unnamedMarks,
} from '.';

const item = (rest: Partial<PlanItem> = {}) =>
  planItem({ drillId: 'towel-hug', props: ['towel'], breaths: 5, ...rest });
const log = (...rows: [number, RunEvent][]) =>
  rows.map(([seconds, event], seq) => ({ id: idOf(seq), seq, atEpochMs: seconds * 1000, event }));
const run = (...rows: [number, RunEvent][]) => foldRun([item(), item({ id: 'two' })], log(...rows));
const breath = (n: number): RunEvent => ({ type: 'breath', item: 0, set: 1, breath: n, seconds: 6 });
const towel = findDrill('towel-hug')!;

describe('faults while coaching', () => {
  test('the drill’s own come first, in its order, for a client never seen', () => {
    const order = faultOrder(towel, {}, []);
    expect(order.slice(0, towel.faults.length)).toEqual(towel.faults);
    expect([...order].sort()).toEqual([...faultIds].sort());
  });
  test('what this client showed before comes forward, here before elsewhere', () => {
    expect(faultOrder(towel, { 'towel-hug': { neck: 3 } }, [])[0]).toBe('neck');
    const elsewhere = faultOrder(towel, { 'quiet-nose': { neck: 1 } }, []);
    expect(elsewhere.indexOf('neck')).toBe(towel.faults.length);
  });
  test.each(faultIds)('%s: correction, then fallback, then the easier one (common practice)', (fault) => {
    const gates = evaluateGates({ ...emptyProfile, answers: {} }, '2026-11-25');
    expect([1, 2, 3].map((times) => remedyFor(fault, times, gates).step)).toEqual(['correction', 'fallback', 'easier']);
  });
  test('a mark without a name is asked about until it has one or is taken back', () => {
    const state = run(
      [0, { type: 'start' }],
      [16, breath(0)],
      [17, { type: 'fault', item: 0, fault: null }],
      [18, { type: 'fault', item: 0, fault: null }],
    );
    expect(unnamedMarks(state)).toEqual([
      { id: idOf(2), item: 0, afterBreaths: 1 },
      { id: idOf(3), item: 0, afterBreaths: 1 },
    ]);
    expect(lastMark(state)?.id).toBe(idOf(3));
    const after = run(
      [0, { type: 'start' }],
      [16, breath(0)],
      [17, { type: 'fault', item: 0, fault: null }],
      [18, { type: 'fault', item: 0, fault: null }],
      [20, { type: 'named', of: idOf(2), fault: 'shoulders' }],
      [21, { type: 'undo', of: idOf(3) }],
    );
    expect(unnamedMarks(after)).toEqual([]);
    expect(faultsOf(after, 0)).toEqual(['shoulders']);
    expect(summariseRun(after).items[0]!.faults).toEqual([{ fault: 'shoulders', times: 1 }]);
    expect(faultHistoryOf([digestOf(summariseRun(after))])['towel-hug']).toEqual({ shoulders: 1 });
  });
  test('an effort that was taken back, asked of somebody else or of the drill before a swap is not shown as the answer', () => {
    const effort = (of10: number, who?: string): RunEvent => ({
      type: 'effort',
      item: 0,
      of10,
      ...(who ? { who } : {}),
    });
    const asked = (...events: RunEvent[]) =>
      run([0, { type: 'start' }], ...events.map((event, i): [number, RunEvent] => [16 + i, event]));
    expect(answerOf(asked(effort(4)), 'effort', 0)?.of10).toBe(4);
    expect(answerOf(asked(effort(4), effort(6), { type: 'undo', of: idOf(2) }), 'effort', 0)?.of10).toBe(4);
    expect(answerOf(asked(effort(4), { type: 'undo', of: idOf(1) }), 'effort', 0)).toBeNull();
    expect(answerOf(asked(effort(4, 'ilse')), 'effort', 0, 'ada')).toBeNull();
    expect(answerOf(asked(effort(4)), 'effort', 1)).toBeNull();
    const swapped = asked(effort(4), { type: 'swap', item: 0, to: item({ drillId: 'quiet-nose', props: [] }) });
    expect(answerOf(swapped, 'effort', 0)).toBeNull();
  });

  test('the notes shown are those about whoever is coached, less what was taken back', () => {
    const note = (text: string, who?: string): RunEvent => ({ type: 'note', text, ...(who ? { who } : {}) });
    const texts = (events: RunEvent[], who?: string) =>
      notesOf(run([0, { type: 'start' }], ...events.map((event, i): [number, RunEvent] => [16 + i, event])), who).map(
        ({ text }) => text,
      );
    expect(texts([note('one'), note('two'), { type: 'undo', of: idOf(1) }])).toEqual(['two']);
    expect(texts([note('hers', 'ada'), note('his', 'ilse')], 'ada')).toEqual(['hers']);
    expect(texts([note('for all')], 'ada')).toEqual([]);
  });

  test('the newest answer to a cue that stands counts', () => {
    const cue = (landed: 'yes' | 'no'): RunEvent => ({ type: 'cue', item: 0, cue: 'Wide', landed });
    expect(cueAnswer(run([0, { type: 'start' }], [12, cue('no')], [13, cue('yes')]), 0, 'Wide')).toBe('yes');
    const undone = run([0, { type: 'start' }], [12, cue('no')], [13, cue('yes')], [14, { type: 'undo', of: idOf(2) }]);
    expect(cueAnswer(undone, 0, 'Wide')).toBe('no');
    expect(cueAnswer(undone, 1, 'Wide')).toBeNull();
  });
});

describe('when a harder one is due (common practice: 80 % clean, effort at most 3 of 10, calm)', () => {
  const whole: [number, RunEvent][] = [
    [0, { type: 'start' }],
    ...[0, 1, 2, 3, 4].map((n): [number, RunEvent] => [16 + 6 * n, breath(n)]),
  ];
  const fault: [number, RunEvent] = [41, { type: 'fault', item: 0, fault: 'neck' }];
  const effort = (of10: number): [number, RunEvent] => [42, { type: 'effort', item: 0, of10 }];
  test.each([
    ['a whole clean set, effort 3', [...whole, effort(3)], true, []],
    ['one fault in five is still 80 %', [...whole, fault, effort(2)], true, []],
    ['two in five are not', [...whole, fault, fault, effort(2)], false, ['2 faults in 5 breaths.']],
    ['effort 4', [...whole, effort(4)], false, ['Effort 4 of 10.']],
    ['effort not asked', whole, false, ['Ask the effort.']],
    ['half a set', [...whole.slice(0, 3), effort(1)], false, ['2 of 5 breaths done.']],
    ['stopped', [...whole, effort(1), [43, { type: 'stop', item: 0 }]], false, ['It was stopped.']],
  ] as [string, [number, RunEvent][], boolean, string[]][])('%s', (_, rows, met, against) => {
    expect(harderReadiness(run(...rows), 0)).toEqual({ met, against });
  });
});

describe('swaps keep the log', () => {
  const easier = item({ drillId: 'own-hands-ribs', props: [], breaths: 4 });
  const state = run(
    [0, { type: 'start' }],
    [16, breath(0)],
    [17, { type: 'fault', item: 0, fault: 'shoulders' }],
    [20, { type: 'swap', item: 0, to: easier, why: 'easier' }],
    [36, breath(0)],
    [40, { type: 'stop', item: 0 }],
  );
  test('what was done before the swap stays with the drill it was done in', () => {
    const { items, activeSeconds } = summariseRun(state);
    expect(activeSeconds).toBe(40);
    expect(
      items.map(({ item: of, deliveredBreaths, deliveredSeconds, swapped }) => [
        of.drillId,
        deliveredBreaths,
        deliveredSeconds,
        swapped,
      ]),
    ).toEqual([
      ['towel-hug', 1, 20, 'easier'],
      ['own-hands-ribs', 1, 20, null],
      ['towel-hug', 0, 0, null],
    ]);
    expect(items[0]!.faults).toHaveLength(1);
    expect(items[1]).toMatchObject({ faults: [], stopped: true });
  });
  test('a stop keeps out the drill it happened in, not the one it was planned as', () => {
    expect(stoppedDrillsOf(state)).toEqual(['own-hands-ribs']);
  });
});

describe('what a screen reader is told', () => {
  const begun = run([0, { type: 'start' }]);
  test('once a phase, the breath with the inhale, nothing for a phase too short to speak', () => {
    const said = Array.from({ length: 60 }, (_, i) => announcement(begun, placeAt(begun, 10_000 + i * 500)));
    const changes = said.filter((words, i) => words !== said[i - 1]);
    expect(changes.slice(0, 4)).toEqual(['In, 1 of 5', 'Out', 'In, 2 of 5', 'Out']);
    expect(changes).toHaveLength(10);
    const quick = foldRun([item({ cadences: [cadence(1, 4)] })], log([0, { type: 'start' }]));
    expect(announcement(quick, placeAt(quick, 10_500))).toBe('');
  });
  test('set-ups, waits, talks, stops and the end', () => {
    expect(announcement(begun, placeAt(begun, 1000))).toBe('Next position: sitting.');
    const paused = (why: 'by hand' | 'talk') => run([0, { type: 'start' }], [12, { type: 'pause', why }]);
    expect(announcement(paused('by hand'), placeAt(paused('by hand'), 13_000))).toBe('Waiting.');
    expect(announcement(paused('talk'), placeAt(paused('talk'), 13_000))).toBe('Held for a talk.');
    const stopped = run([0, { type: 'start' }], [12, { type: 'stop', item: 0 }]);
    expect(announcement(stopped, placeAt(stopped, 13_000))).toBe('Stopped. Breathe normally.');
    expect(announcement(begun, placeAt(begun, 999_000))).toBe('The plan is done.');
  });
});

describe('the client’s window', () => {
  const say = { showCount: true, cue: 'Fill the towel behind', figure: clientFigure(item(), 'none') };
  test('is paced by the run’s clock, and nothing else of the run goes into it', () => {
    const state = run([0, { type: 'start' }], [12, { type: 'fault', item: 0, fault: 'neck' }]);
    const frame = clientFrame(state, 13_000, say);
    expect(frame).toMatchObject({ kind: 'breathing', startEpochMs: 10_000, stillAtSeconds: null });
    expect(Object.keys(frame).sort()).toEqual([
      'cadences',
      'cue',
      'figure',
      'kind',
      'showCount',
      'startEpochMs',
      'stillAtSeconds',
    ]);
    expect(clientMessageSchema.safeParse({ frame, sentAtMs: 13_000 }).success).toBe(true);
  });
  test('is blank while the coach looks, sets up or talks; still in a wait; plain on a stop', () => {
    const begun = run([0, { type: 'start' }]);
    expect(clientFrame(begun, 5000, say)).toEqual({ kind: 'rest', words: 'Rest' });
    const paused = (why: 'by hand' | 'talk') => run([0, { type: 'start' }], [12, { type: 'pause', why }]);
    expect(clientFrame(paused('by hand'), 20_000, say)).toMatchObject({ kind: 'breathing', stillAtSeconds: 2 });
    expect(clientFrame(paused('talk'), 20_000, say).kind).toBe('rest');
    expect(clientFrame(run([0, { type: 'start' }], [12, { type: 'stop', item: 0 }]), 13_000, say)).toEqual({
      kind: 'stopped',
    });
    expect(clientFrame(begun, 999_000, say).kind).toBe('rest');
  });
});

describe('a pedal of one key', () => {
  /** What a row of moves comes to, asking again whenever the pedal says so. */
  function told(moves: KeyMove[]) {
    let state: PedalState = idlePedal;
    const gestures: [string, number][] = [];
    let due: number | null = null;
    const take = (step: ReturnType<typeof pedalMove>, atMs: number) => {
      state = step.state;
      if (step.gesture) gestures.push([step.gesture, atMs]);
      due = step.waitMs === null ? due : atMs + step.waitMs;
    };
    for (const move of moves) {
      if (due !== null && due <= move.atMs) {
        const at = due;
        due = null;
        take(pedalTime(state, at), at);
      }
      take(pedalMove(state, move), move.atMs);
    }
    if (due !== null) take(pedalTime(state, due), due);
    return gestures;
  }
  const press = (atMs: number, length = 80): KeyMove[] => [
    { move: 'down', atMs },
    { move: 'up', atMs: atMs + length },
  ];
  test('short: told once it is sure not to be a double', () => {
    expect(told(press(0))).toEqual([['short', 80 + doublePressMs]]);
  });
  test('double: told at the second press, at once', () => {
    expect(told([...press(0), ...press(200)])).toEqual([['double', 200]]);
  });
  test('long: told while the key is still down, once, whatever follows', () => {
    expect(told(press(0, 2000))).toEqual([['long', longPressMs]]);
  });
  test('whatever the clock says as it begins', () => {
    // A page that has been open for a day.
    const day = 86_400_000;
    expect(told(press(day))).toEqual([['short', day + 80 + doublePressMs]]);
    expect(told([...press(day), ...press(day + 200)])).toEqual([['double', day + 200]]);
    expect(told(press(day, 2000))).toEqual([['long', day + longPressMs]]);
    // Asked before its time, it says nothing yet.
    const { state } = pedalMove(idlePedal, { move: 'down', atMs: day });
    expect(pedalTime(state, day + longPressMs - 1).gesture).toBeNull();
    expect(pedalTime(state, day + longPressMs).gesture).toBe('long');
  });
  test('two presses far apart are two short ones; a key that repeats is one press', () => {
    expect(told([...press(0), ...press(1000)]).map(([gesture]) => gesture)).toEqual(['short', 'short']);
    const held: KeyMove[] = [0, 30, 60, 90].map((atMs) => ({ move: 'down', atMs }));
    expect(told([...held, { move: 'up', atMs: 120 }]).map(([gesture]) => gesture)).toEqual(['short']);
  });
  test('a key let go that was never seen going down says nothing', () => {
    expect(told([{ move: 'up', atMs: 5 }])).toEqual([]);
  });
});

describe('a group on one plan', () => {
  const answered = (yes: Partial<Record<(typeof conditionIds)[number], object>>) =>
    evaluateGates(
      {
        ...emptyProfile,
        answers: Object.fromEntries(
          conditionIds.map((id) => [
            id,
            { value: id in yes ? 'yes' : 'no', day: '2026-11-25', recordId: id, detail: yes[id] ?? {} },
          ]),
        ),
      } as Parameters<typeof evaluateGates>[0],
      '2026-11-25',
    );
  test('each by their own limits: the same, another form, or not, with what to do instead', () => {
    expect(groupForm(answered({}), item())).toEqual({ kind: 'same' });
    const prone = item({ drillId: 'half-dome-back', position: 'prone over half-dome' });
    const pregnant = groupForm(answered({ pregnancy: { weekOnDay: 24 } }), prone);
    expect(pregnant.kind).toBe('not');
    const hold = item({
      drillId: 'exhale-restore',
      position: '90/90',
      cadences: [cadence(3, 7, { bottomPauseSeconds: 4 })],
    });
    const heart = groupForm(answered({ heart: {} }), hold);
    expect(heart).toMatchObject({
      kind: 'changed',
      item: { forms: ['noPause'], cadences: [{ bottomPauseSeconds: 1 }] },
    });
    expect(groupForm(answered({ lung: {} }), hold)).toMatchObject({ kind: 'not' });
  });
  test('somebody not asked yet keeps out of what is high-risk', () => {
    const hold = item({ drillId: 'short-calm-pauses', cadences: [cadence(2, 4, { bottomPauseSeconds: 4 })] });
    expect(groupForm(evaluateGates(emptyProfile, '2026-11-25'), hold).kind).toBe('not');
  });
  test('marks of before a swap are of the drill that went', () => {
    const fault = (item: number, name: 'neck' | 'shoulders'): RunEvent => ({ type: 'fault', item, fault: name });
    const swapped: RunEvent = { type: 'swap', item: 0, to: item({ id: 'easier', drillId: 'quiet-nose', props: [] }) };
    const other: RunEvent = { type: 'swap', item: 1, to: item({ id: 'else', drillId: 'quiet-nose', props: [] }) };
    const begun: [number, RunEvent][] = [
      [0, { type: 'start' }],
      [12, fault(0, 'neck')],
    ];
    expect(faultsOf(run(...begun, [13, swapped], [14, fault(0, 'shoulders')]), 0)).toEqual(['shoulders']);
    expect(faultsOf(run(...begun, [13, other], [14, fault(0, 'shoulders')]), 0)).toEqual(['neck', 'shoulders']);
  });
  test('what is done while somebody sits out is not theirs', () => {
    const [ada, ben] = [idOf(70), idOf(71)];
    const state = run(
      [0, { type: 'start' }],
      [1, { type: 'adjust', item: 0, cadences: [cadence(2, 4)], breaths: 5, sets: 1, sitOut: [ada] }],
      [16, breath(0)],
      [22, breath(1)],
      [23, { type: 'fault', item: 0, fault: 'neck' }],
    );
    const done = (of: string) => {
      const [first] = summariseRun(state, of).items;
      return [first!.deliveredBreaths, first!.faults.length];
    };
    expect([done(ada), done(ben)]).toEqual([
      [0, 0],
      [2, 1],
    ]);
  });
  test('one person’s stop leaves the run running, and counts for that person only', () => {
    const ada = idOf(70);
    const state = run([0, { type: 'start' }], [12, { type: 'stop', item: 0, who: ada }]);
    expect(state.status).toBe('running');
    expect(summariseRun(state, ada).items[0]!.stopped).toBe(true);
    expect(summariseRun(state, idOf(71)).items[0]!.stopped).toBe(false);
    const fault = (who: string): RunEvent => ({ type: 'fault', item: 0, fault: 'neck', who });
    const marked = run([0, { type: 'start' }], [12, fault(ada)], [13, fault(idOf(71))]);
    expect(faultsOf(marked, 0, ada)).toEqual(['neck']);
    expect(faultsOf(marked, 0)).toEqual(['neck', 'neck']);
    expect(run([0, { type: 'start' }], [12, { type: 'stop', item: 0 }]).status).toBe('stopped');
  });
  test('what the others breathe while somebody rests is not theirs, from their stop until they go on', () => {
    const [ada, ben] = [idOf(70), idOf(71)];
    const settled = (then: 'go on' | 'refer'): RunEvent => ({
      type: 'settled',
      symptoms: [],
      note: '',
      then,
      who: ada,
    });
    const stop: RunEvent = { type: 'stop', item: 0, who: ada };
    const begun: [number, RunEvent][] = [
      [0, { type: 'start' }],
      [16, breath(0)],
      [22, breath(1)],
    ];
    const done = (of: string, ...rows: [number, RunEvent][]) => {
      const { items, activeSeconds } = summariseRun(run(...begun, ...rows), of);
      return [items[0]!.deliveredBreaths, activeSeconds];
    };
    const back: [number, RunEvent][] = [
      [23, stop],
      [28, breath(2)],
      [30, settled('go on')],
      [34, breath(3)],
    ];
    expect(done(ada, ...back)).toEqual([3, 27]);
    expect(done(ben, ...back)).toEqual([4, 34]);
    const out: [number, RunEvent][] = [
      [23, stop],
      [24, settled('refer')],
      [28, breath(2)],
      [34, breath(3)],
    ];
    expect(done(ada, ...out)).toEqual([2, 23]);
    expect(done(ben, ...out)).toEqual([4, 34]);
  });
});

describe('what comes into a run from elsewhere', () => {
  const mine = log([0, { type: 'start' }], [6, breath(0)], [12, breath(1)]);
  const theirs = (...events: RunEvent[]) =>
    events.map((event, i) => ({ id: idOf(900 + i), seq: mine.length + i, atEpochMs: 13_000 + i, event }));
  const note: RunEvent = { type: 'note', text: 'From the desk' };
  const settled = (who?: string): RunEvent => ({
    type: 'settled',
    symptoms: [],
    note: '',
    then: 'refer',
    ...(who ? { who } : {}),
  });

  test.each<[string, RunEvent[], boolean]>([
    ['a note', [note], true],
    ['an emergency of one of a group', [{ type: 'stop', item: 0, who: idOf(70) }, settled(idOf(70))], true],
    ['a breath: somebody else keeps the clock', [note, breath(2)], false],
    ['a pause', [{ type: 'pause', why: 'by hand' }], false],
    ['an end', [{ type: 'end', why: 'closed later' }], false],
  ])('%s', (_, events, ours) => {
    const got = eventsFromElsewhere(mine, [...mine, ...theirs(...events)]);
    expect(got).toEqual({ isNew: true, ours, events: [...mine, ...theirs(...events)] });
  });

  test('what is still on its way stays behind what came in; what lies where it wrote comes anew', () => {
    const onTheWay = [3, 4].map((n) => ({ id: idOf(n), seq: n, atEpochMs: n * 6000, event: breath(n - 1) }));
    const { events, ours } = eventsFromElsewhere([...mine, ...onTheWay], [...mine, ...theirs(note)]);
    expect(ours).toBe(true);
    expect(events.map(({ id }) => id)).toEqual([...mine, ...theirs(note), onTheWay[1]!].map(({ id }) => id));
  });

  test('a server that is behind brings nothing new', () => {
    expect(eventsFromElsewhere(mine, mine.slice(0, 1))).toEqual({ isNew: false, ours: true, events: mine });
  });

  test('marks go behind what others wrote; what moves the clock does not', () => {
    expect([note, settled(), { type: 'tap', item: 0 } as const].map(goesBehind)).toEqual([true, true, true]);
    expect([{ type: 'resume' } as const, breath(1), { type: 'end', why: 'done' } as const].map(goesBehind)).toEqual([
      false,
      false,
      false,
    ]);
  });
});
