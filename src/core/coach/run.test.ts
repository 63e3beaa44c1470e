import { cadence } from '../cadence';
import { drillUnderLoad } from '../catalogue';
import { gatesOfPerson, idOf, planItem } from '../fixtures';
import { type PlanItem } from '../sequence';
import {
  type RunEvent,
  type StampedEvent,
  cursorAt,
  digestOf,
  endedByStop,
  eventDenied,
  faultsOf,
  foldRun,
  freshRun,
  gapPause,
  locate,
  modeOf,
  placeAt,
  reduceRun,
  runEventSchema,
  stampedEventSchema,
  stoppedDrillsOf,
  summariseRun,
  timelineOf,
} from '.';

const item = (rest: Partial<PlanItem> = {}) =>
  planItem({ position: 'hook-lying', restSeconds: 10, setUpSeconds: 20, ...rest });
const two = [item(), item({ id: 'two', drillId: 'towel-hug', position: 'sitting', sets: 2 })];

/** Events at seconds since the start, numbered in order. */
const script = (...rows: [number, RunEvent][]): StampedEvent[] =>
  rows.map(([seconds, event], seq) => ({ id: idOf(seq), seq, atEpochMs: 1_000_000 + seconds * 1000, event }));
const at = (seconds: number) => 1_000_000 + seconds * 1000;

describe('the timeline', () => {
  test('lays set-up, sets, rests and changes of position end to end, as the totals do', () => {
    const timeline = timelineOf(two);
    // 20 + 18, then 20 + 30 for floor to chair, 18, rest 10, 18.
    expect(timeline.itemStarts).toEqual([0, 38]);
    expect(timeline.totalSeconds).toBe(38 + 50 + 18 + 10 + 18);
    expect(timeline.segments.map(({ segment }) => segment.kind)).toEqual([
      'set-up',
      'breaths',
      'set-up',
      'breaths',
      'rest',
      'breaths',
    ]);
  });

  test.each([
    [-5, 0, 'set-up', null, 20],
    [19.9, 0, 'set-up', null, 0.1],
    [20, 0, 'breaths', 'inhale', 18],
    [23, 0, 'breaths', 'exhale', 15],
    [40, 1, 'set-up', null, 48],
    [110, 1, 'rest', null, 6],
  ] as const)('at %d s it is item %d, %s', (seconds, index, kind, phase, left) => {
    const place = locate(timelineOf(two), seconds);
    expect(place.item).toBe(index);
    expect(place.timed.segment.kind).toBe(kind);
    expect(place.moment?.phase ?? null).toBe(phase);
    expect(place.leftSeconds).toBeCloseTo(left, 8);
  });

  test('is over at its end and not before; an empty plan is refused', () => {
    const timeline = timelineOf(two);
    expect(locate(timeline, timeline.totalSeconds - 0.01).over).toBe(false);
    expect(locate(timeline, timeline.totalSeconds).over).toBe(true);
    expect(() => locate(timelineOf([]), 0)).toThrow(RangeError);
  });
});

describe('the run as a fold over its events', () => {
  test('the clock runs, waits and goes on', () => {
    const run = foldRun(
      two,
      script([0, { type: 'start' }], [25, { type: 'pause', why: 'by hand' }], [60, { type: 'resume' }]),
    );
    expect(run.status).toBe('running');
    expect(cursorAt(run, at(60))).toBe(25);
    expect(cursorAt(run, at(63))).toBe(28);
    expect(placeAt(run, at(63)).moment).toMatchObject({ breath: 1, phase: 'exhale' });
  });

  test('a jump goes where it says, running or waiting', () => {
    const jump: RunEvent = { type: 'jump', toSeconds: 38, why: 'next' };
    expect(cursorAt(foldRun(two, script([0, { type: 'start' }], [5, jump])), at(7))).toBe(40);
    const waiting = foldRun(two, script([0, { type: 'start' }], [2, { type: 'pause', why: 'by hand' }], [5, jump]));
    expect(cursorAt(waiting, at(90))).toBe(38);
  });

  test('sending or replaying twice changes nothing, and order of arrival does not matter', () => {
    const events = script(
      [0, { type: 'start' }],
      [4, { type: 'fault', item: 0, fault: null }],
      [9, { type: 'resume' }],
    );
    const once = foldRun(two, events);
    expect(foldRun(two, [...events, ...events])).toEqual(once);
    expect(foldRun(two, [...events].reverse())).toEqual(once);
    expect(reduceRun(once, events[1]!)).toBe(once);
  });

  test('a swap takes the new drill from its start and leaves what was before it alone', () => {
    const easier = item({ id: 'three', drillId: 'own-hands-ribs', position: 'hook-lying' });
    const run = foldRun(two, script([0, { type: 'start' }], [70, { type: 'swap', item: 1, to: easier }]));
    expect(run.items.map(({ drillId }) => drillId)).toEqual(['quiet-nose', 'own-hands-ribs']);
    expect(cursorAt(run, at(70))).toBe(38);
    expect(run.status).toBe('running');
  });

  test('a stop stands still until it is settled; then it waits, or it is over', () => {
    const stop: [number, RunEvent] = [30, { type: 'stop', item: 0 }];
    const settled = (then: 'go on' | 'end'): [number, RunEvent] => [
      90,
      { type: 'settled', symptoms: ['dizziness'], note: '', then },
    ];
    const stopped = foldRun(two, script([0, { type: 'start' }], stop));
    expect(stopped.status).toBe('stopped');
    expect(cursorAt(stopped, at(500))).toBe(30);
    expect(foldRun(two, script([0, { type: 'start' }], stop, settled('go on'))).status).toBe('paused');
    const ended = foldRun(two, script([0, { type: 'start' }], stop, settled('end'), [95, { type: 'resume' }]));
    expect(ended.status).toBe('ended');
    expect(summariseRun(ended)).toMatchObject({ activeSeconds: 30, symptoms: ['dizziness'] });
    expect(stoppedDrillsOf(ended)).toEqual(['quiet-nose']);
    const reviewed = script([0, { type: 'start' }], stop, settled('end'), [
      99,
      { type: 'reviewed', drillId: 'quiet-nose', note: '' },
    ]);
    expect(stoppedDrillsOf(foldRun(two, reviewed))).toEqual([]);
  });

  test('an absence becomes a pause at the second the run was last seen', () => {
    const run = foldRun(two, script([0, { type: 'start' }]));
    expect(gapPause(run, at(12), at(15))).toBeNull();
    expect(gapPause(run, at(12), at(15) + 1)).not.toBeNull();
    // What happened after it was last seen was seen.
    expect(gapPause(run, at(-5), at(400))!.atEpochMs).toBe(at(0));
    const gap = gapPause(run, at(12), at(400))!;
    expect(gap).toEqual({ atEpochMs: at(12), event: { type: 'pause', why: 'gap' } });
    const back = reduceRun(run, { id: idOf(9), seq: 1, ...gap });
    expect(back).toMatchObject({ status: 'paused', pausedBy: 'gap' });
    expect(cursorAt(back, at(400))).toBe(12);
    expect(gapPause(back, at(12), at(400))).toBeNull();
  });

  test('a wall clock set back does not run the run backward, and it never runs past its end', () => {
    const run = foldRun(
      two,
      script([0, { type: 'start' }], [10, { type: 'pause', why: 'by hand' }], [11, { type: 'resume' }]),
    );
    expect(cursorAt(run, at(5))).toBe(10);
    expect(cursorAt(run, at(99_999))).toBe(timelineOf(two).totalSeconds);
  });

  test('the summary tells planned against delivered, faults by their later names, cues and time', () => {
    const events = script(
      [0, { type: 'start' }],
      [26, { type: 'breath', item: 0, set: 1, breath: 0 }],
      [27, { type: 'fault', item: 0, fault: null }],
      [28, { type: 'named', of: idOf(2), fault: 'shoulders' }],
      [29, { type: 'fault', item: 0, fault: null }],
      [32, { type: 'breath', item: 0, set: 1, breath: 1 }],
      [33, { type: 'cue', item: 0, cue: 'A smaller breath', landed: 'yes' }],
      [40, { type: 'end', why: 'by hand' }],
    );
    const run = foldRun(two, events);
    expect(faultsOf(run, 0)).toEqual(['shoulders', 'unnamed']);
    const { items, activeSeconds } = summariseRun(run);
    expect(activeSeconds).toBe(40);
    expect(items[0]).toMatchObject({
      plannedBreaths: 3,
      deliveredBreaths: 2,
      faults: [
        { fault: 'shoulders', times: 1 },
        { fault: 'unnamed', times: 1 },
      ],
      cues: [{ cue: 'A smaller breath', landed: 'yes' }],
    });
    expect(items[1]).toMatchObject({ plannedBreaths: 6, deliveredBreaths: 0 });
  });

  test('events are checked before they are kept', () => {
    expect(runEventSchema.safeParse({ type: 'jump', toSeconds: -4, why: 'next' }).success).toBe(false);
    expect(runEventSchema.safeParse({ type: 'explode' }).success).toBe(false);
    expect(stampedEventSchema.safeParse({ id: 'x', seq: 0, atEpochMs: 1, event: { type: 'start' } }).success).toBe(
      false,
    );
    expect(freshRun(two)).toMatchObject({ status: 'ready', nextSeq: 0 });
  });
});

describe('what ended a run', () => {
  const start: [number, RunEvent] = [0, { type: 'start' }];
  const stop: [number, RunEvent] = [25, { type: 'stop', item: 0 }];
  const settled = (then: 'go on' | 'end', who?: string): [number, RunEvent] => [
    60,
    { type: 'settled', symptoms: [], note: '', then, ...(who ? { who } : {}) },
  ];
  test.each<[string, [number, RunEvent][], boolean]>([
    ['through', [start, [200, { type: 'end', why: 'done' }]], false],
    ['closed later', [start, [200, { type: 'end', why: 'closed later' }]], false],
    ['a stop that ended it', [start, stop, settled('end')], true],
    ['a stop, and the end said apart', [start, stop, [60, { type: 'end', why: 'stopped' }]], true],
    [
      'a stop that was nothing, then through',
      [start, stop, settled('go on'), [200, { type: 'end', why: 'done' }]],
      false,
    ],
    [
      'one of a group stopped, the rest through',
      [start, settled('end', idOf(9)), [200, { type: 'end', why: 'done' }]],
      false,
    ],
  ])('%s: %j', (_, rows, byStop) => {
    const state = foldRun(two, script(...rows));
    expect(state.status).toBe('ended');
    expect(endedByStop(state)).toBe(byStop);
  });
});

// Near the most nobody is paced: common practice, no published source.
describe('a set by taps', () => {
  const heavy = drillUnderLoad('own-heavy', {
    movementId: 'squat',
    own: null,
    toward: null,
    kg: 80,
    strategy: 'between',
    through: false,
  });
  const cadences = [cadence(2, 2, { topPauseSeconds: 5 })];
  const set = [
    planItem({
      drillId: heavy.id,
      own: heavy,
      position: 'loaded stand',
      cadences,
      breaths: 3,
      sets: 2,
      restSeconds: 30,
      setUpSeconds: 10,
    }),
  ];
  const tap: RunEvent = { type: 'tap', item: 0 };
  const run = (...rows: [number, RunEvent][]) => foldRun(set, script([0, { type: 'start' }], ...rows));
  const placeIn = (state: ReturnType<typeof run>, seconds: number) => placeAt(state, at(seconds));

  test('the clock runs through the set-up, and waits at each repetition however long it takes', () => {
    const state = run();
    expect(modeOf(state, 0)).toBe('tapped');
    expect(placeIn(state, 9).timed.segment.kind).toBe('set-up');
    for (const seconds of [10, 30, 600]) {
      expect(placeIn(state, seconds).moment).toMatchObject({ breath: 0, intoSeconds: 0 });
      expect(cursorAt(state, at(seconds))).toBe(10);
    }
  });

  test('each tap is one repetition, a finger that was too fast counts once, and after the last the rest runs by itself', () => {
    expect(placeIn(run([40, tap]), 90).moment!.breath).toBe(1);
    expect(placeIn(run([40, tap], [40.2, tap]), 90).moment!.breath).toBe(1);
    expect(placeIn(run([40, tap], [47, tap]), 90).moment!.breath).toBe(2);
    const through = run([40, tap], [47, tap], [55, tap]);
    expect(placeIn(through, 60).timed.segment.kind).toBe('rest');
    // Thirty seconds of rest by the clock, and the second set waits again.
    expect(placeIn(through, 84).timed.segment.kind).toBe('rest');
    expect(placeIn(through, 200).timed.segment).toMatchObject({ kind: 'breaths', set: 2 });
    expect(placeIn(through, 200).moment).toMatchObject({ breath: 0 });
    // A tap in the rest is no repetition.
    expect(placeIn(run([40, tap], [47, tap], [55, tap], [60, tap]), 61).timed.segment.kind).toBe('rest');
  });

  test('while it waits nothing goes on: a pause and a gap change nothing of where it stands', () => {
    const state = run([40, tap], [50, { type: 'pause', why: 'gap' }], [400, tap], [500, { type: 'resume' }]);
    expect(placeIn(state, 900).moment!.breath).toBe(1);
  });

  test('any set can be made to wait, from the breath under way on, and be paced again', () => {
    const squat = [
      item({ drillId: 'squat-breath', position: 'standing', cadences: [cadence(3, 2)], breaths: 4, setUpSeconds: 10 }),
    ];
    const begun: [number, RunEvent][] = [
      [0, { type: 'start' }],
      [11, { type: 'pace', item: 0, mode: 'tapped' }],
    ];
    const waits = foldRun(squat, script(...begun));
    expect(placeAt(waits, at(13)).moment).toMatchObject({ breath: 0, phase: 'exhale' });
    expect(placeAt(waits, at(60)).moment).toMatchObject({ breath: 1, intoSeconds: 0 });
    const paced = foldRun(squat, script(...begun, [60, { type: 'pace', item: 0, mode: 'fixed' }]));
    expect(placeAt(paced, at(64)).moment).toMatchObject({ breath: 1, phase: 'exhale' });
  });

  test('another weight goes on at the same pace, and the sum says what was lifted, how hard, and what the breath did', () => {
    const light = [
      item({
        drillId: 'press-breath',
        position: 'loaded stand',
        props: ['weight'],
        cadences: [cadence(3, 3)],
        breaths: 3,
        sets: 1,
      }),
    ];
    const state = foldRun(
      light,
      script(
        [0, { type: 'start' }],
        [21, { type: 'adjust', item: 0, cadences: [cadence(3, 3)], breaths: 3, sets: 1, kg: 1.5 }],
        [26, { type: 'breath', item: 0, set: 1, breath: 0 }],
        [27, { type: 'fault', item: 0, fault: 'heldBreath' }],
        [38, { type: 'effort', item: 0, of10: 4 }],
        [39, { type: 'checked', item: 0, asked: ['leak'], found: ['leak'] }],
      ),
    );
    expect(placeAt(state, at(24)).moment).toMatchObject({ breath: 0, phase: 'exhale' });
    const [one] = digestOf(summariseRun(state));
    expect(one!.lift).toEqual({
      movementId: 'press-overhead',
      hand: 'both',
      kg: 1.5,
      repetitions: 1,
      effort: 4,
      strategy: 'with',
      breath: 'held',
      leaked: true,
    });
    expect(digestOf(summariseRun(foldRun(two, script([0, { type: 'start' }]))))[0]!.lift).toBeNull();
  });
});

// Found on reading it again: cautions held a set when it was planned, and any weight could be put on while it went on.
test('a weight is not made heavier while it goes on for who may hold no breath; lighter always, and for anybody else as the coach says', () => {
  const planned = [
    item({ drillId: 'press-breath', position: 'loaded stand', props: ['weight'], kg: 4, cadences: [cadence(3, 3)] }),
  ];
  const state = foldRun(planned, script([0, { type: 'start' }]));
  const denied = (kg: number, told: Parameters<typeof gatesOfPerson>[0], weights: 'kg' | 'lb' = 'kg') =>
    eventDenied(
      state,
      { type: 'adjust', item: 0, cadences: [cadence(3, 3)], breaths: 3, sets: 1, kg },
      [{ clientId: 'ada', name: 'Ada', gates: gatesOfPerson(told), closed: null }],
      at(30),
      weights,
    );
  expect(denied(6, { prolapse: {} })).toMatchObject({
    code: 'gated',
    why: expect.stringMatching(/no more than the 4 kg/),
  });
  expect(denied(6, { prolapse: {} }, 'lb')?.why).toMatch(/no more than the 8\.8 lb/);
  expect(denied(3, { prolapse: {} })?.why ?? '').not.toMatch(/no more than/);
  expect(denied(6, {})).toBeNull();
});
