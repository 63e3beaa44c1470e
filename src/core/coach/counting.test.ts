import { cadence } from '../cadence';
import { findDrill } from '../catalogue';
import { gatesOfPerson, planItem } from '../fixtures';
import {
  type RunEvent,
  type StampedEvent,
  countedAt,
  foldRun,
  locate,
  stepAt,
  summariseRun,
  timelineOf,
  watchSigns,
} from '.';

const march = findDrill('exhale-then-foot')!;
describe('what is counted', () => {
  test('a foot takes two breaths, and the feet change (common practice)', () => {
    const told = Array.from({ length: 8 }, (_, i) => countedAt(march, i + 1, 8));
    expect(told.map(({ at }) => at)).toEqual([1, 1, 2, 2, 3, 3, 4, 4]);
    expect(told.map(({ foot }) => foot)).toEqual(['left', 'left', 'right', 'right', 'left', 'left', 'right', 'right']);
    expect(told[0]).toMatchObject({ of: 4, what: 'repetition' });
    expect(countedAt(march, 0, 8)).toMatchObject({ at: 0, foot: null });
  });

  test('breaths are counted as breaths', () => {
    expect(countedAt(findDrill('quiet-nose')!, 3, 10)).toEqual({ at: 3, of: 10, what: 'breath', foot: null });
  });

  test('the step told is that of the breath: up on the first exhale, down on the second', () => {
    expect(stepAt(march, 'exhale', 1)).toMatch(/lift the foot/);
    expect(stepAt(march, 'exhale', 2)).toMatch(/comes down/);
    expect(stepAt(march, 'exhale', 3)).toMatch(/lift the foot/);
    expect(stepAt(findDrill('rolling-bridge')!, 'inhale', 2)).toMatch(/top/i);
    // A phase that is not told says what holds throughout, or nothing.
    expect(stepAt(findDrill('side-lean-full')!, 'bottomPause', 1)).toMatch(/reset breath/);
    expect(stepAt(findDrill('quiet-nose')!, 'topPause', 1)).toBeNull();
  });

  test('a stay has its own seconds on the run’s clock, after the breaths of the set', () => {
    const item = planItem({
      id: 'a',
      drillId: 'forearm-lifts',
      position: 'forearm kneel',
      cadences: [cadence(3, 3)],
      breaths: 3,
      sets: 1,
      setUpSeconds: 10,
      staySeconds: 15,
    });
    const timeline = timelineOf([item]);
    expect(timeline.totalSeconds).toBe(10 + 18 + 15);
    expect(locate(timeline, 29).timed.segment).toMatchObject({ kind: 'stay', seconds: 15 });
    expect(locate(timeline, 29).moment).toBeNull();
  });
});

describe('every sign to watch', () => {
  const bridge = planItem({ id: 'b', drillId: 'ball-bridge', position: 'bridge', cadences: [cadence(4, 4)] });
  test('the drill’s come first, then all of their own, each once and none left out', () => {
    const gates = gatesOfPerson({ leaking: {}, prolapse: {}, dizziness: {} });
    const signs = watchSigns(bridge, [gates]);
    expect(signs.slice(0, 3)).toEqual(expect.arrayContaining(['doming', 'held breath', 'bearing down']));
    for (const { sign } of gates.watch) expect(signs).toContain(sign);
    expect(new Set(signs).size).toBe(signs.length);
    expect(signs.length).toBeGreaterThan(5);
  });
  test('a quiet breath has none of its own', () => {
    expect(watchSigns(planItem({ id: 'q', drillId: 'quiet-nose', position: 'sitting' }), [gatesOfPerson()])).toEqual(
      [],
    );
  });
});

test('a recheck right after a drill belongs to that drill, the last word counts, and it can be taken back', () => {
  const items = ['a', 'b'].map((id) => planItem({ id, drillId: 'quiet-nose', position: 'sitting' }));
  const idAt = (seq: number) => `00000000-0000-4000-8000-${String(seq).padStart(12, '0')}`;
  const log = (...events: RunEvent[]): StampedEvent[] =>
    events.map((event, seq) => ({ id: idAt(seq), seq, atEpochMs: 1000 * seq, event }));
  const helped = (...events: RunEvent[]) =>
    summariseRun(foldRun(items, log({ type: 'start' }, ...events))).items.map((item) => item.helped);
  expect(helped({ type: 'helped', item: 0, result: 'better' })).toEqual(['better', null]);
  expect(helped({ type: 'helped', item: 0, result: 'better' }, { type: 'helped', item: 0, result: 'same' })).toEqual([
    'same',
    null,
  ]);
  expect(helped({ type: 'helped', item: 1, result: 'worse' }, { type: 'undo', of: idAt(1) })).toEqual([null, null]);
});
