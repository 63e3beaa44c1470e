import { cadence } from '../cadence';
import { idOf, planItem } from '../fixtures';
import { type PlanItem } from '../sequence';
import { digestOf, drillHistoryOf, outcomeOf } from './history';
import { type RunEvent } from './events';
import { type RunState, foldRun } from './run';
import { summariseRun } from './summary';

const digest = (state: RunState) => digestOf(summariseRun(state));

const item = (drillId: string, breaths = 10) => planItem({ id: drillId, drillId, cadences: [cadence(3, 5)], breaths });
const run = (items: PlanItem[], events: RunEvent[]) =>
  foldRun(
    items,
    [{ type: 'start' } as const, ...events].map((event, seq) => ({ id: idOf(seq), seq, atEpochMs: seq * 1000, event })),
  );
const breaths = (count: number, of = 0): RunEvent[] =>
  Array.from({ length: count }, (_, breath) => ({ type: 'breath', item: of, set: 1, breath }));
const faults = (count: number): RunEvent[] =>
  Array.from({ length: count }, () => ({ type: 'fault', item: 0, fault: 'neck' }));

const summary = (rest: object) =>
  outcomeOf({
    item: item('x'),
    index: 0,
    plannedBreaths: 10,
    plannedSeconds: 90,
    deliveredBreaths: 10,
    deliveredSeconds: 90,
    cycles: { planned: 8, paced: 8, tapped: null },
    checked: null,
    efforts: [],
    helped: null,
    swapped: null,
    faults: [],
    cues: [],
    stopped: false,
    ...rest,
  });

describe('how a drill went', () => {
  test('calm is at least four breaths in five without a fault (common practice)', () => {
    expect(summary({})).toBe('calm');
    expect(summary({ faults: [{ fault: 'neck', times: 2 }] })).toBe('calm');
    expect(summary({ faults: [{ fault: 'neck', times: 3 }] })).toBe('not calm');
    expect(summary({ stopped: true })).toBe('not calm');
    expect(summary({ efforts: [3] })).toBe('calm');
    expect(summary({ efforts: [2, 4] })).toBe('not calm');
    expect(summary({ swapped: 'easier', deliveredBreaths: 1 })).toBe('not calm');
  });

  test('too little done says nothing', () => {
    expect(summary({ deliveredBreaths: 0 })).toBeNull();
    expect(summary({ deliveredBreaths: 4 })).toBeNull();
    expect(summary({ deliveredBreaths: 5 })).toBe('calm');
  });

  test('over several runs: outcomes in order, the newest dose, the newest word on a cue', () => {
    const first = run(
      [item('quiet-nose')],
      [...breaths(10), ...faults(4), { type: 'cue', item: 0, cue: 'Let it come', landed: 'no' }],
    );
    const second = run(
      [item('quiet-nose', 15)],
      [
        ...breaths(15),
        { type: 'cue', item: 0, cue: 'Let it come', landed: 'yes' },
        { type: 'cue', item: 0, cue: 'A smaller breath', landed: 'no' },
      ],
    );
    expect(drillHistoryOf([first, second].map(digest))).toEqual([
      {
        drillId: 'quiet-nose',
        outcomes: ['not calm', 'calm'],
        breaths: 15,
        sets: 1,
        landed: ['Let it come'],
        missed: ['A smaller breath'],
      },
    ]);
  });

  test('a drill that was only passed over leaves no history', () => {
    expect(
      drillHistoryOf([digest(run([item('quiet-nose'), item('soft-hiss')], breaths(10)))]).map(({ drillId }) => drillId),
    ).toEqual(['quiet-nose']);
  });
});
