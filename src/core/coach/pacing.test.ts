import { breathsPerMinute, cadence, cycleSeconds } from '../cadence';
import { idOf, planItem } from '../fixtures';
import { type PlanItem } from '../sequence';
import {
  type RunEvent,
  adjusted,
  cursorAt,
  fixedAgain,
  followed,
  foldRun,
  locate,
  modeOf,
  rampCycles,
  ramped,
  scaledTo,
  tappedCycles,
  timelineOf,
} from '.';

const item = (rest: Partial<PlanItem> = {}) =>
  planItem({ position: 'hook-lying', breaths: 5, sets: 2, restSeconds: 10, setUpSeconds: 20, ...rest });
const run = (items: PlanItem[], ...rows: [number, RunEvent][]) =>
  foldRun(
    items,
    rows.map(([seconds, event], seq) => ({ id: idOf(seq), seq, atEpochMs: seconds * 1000, event })),
  );
const cyclesOf = (items: Parameters<typeof timelineOf>[0]) =>
  timelineOf(items).segments.flatMap(({ breaths }) => (breaths ? [breaths.cadences.map(cycleSeconds)] : []));

describe('phase arithmetic of the reference page', () => {
  test.each([
    [2, 6, 7.5],
    [3.5, 7, 60 / 10.5],
    [5, 5, 6],
  ])('%d in %d out is %d a minute', (inhale, exhale, rate) => {
    expect(breathsPerMinute(cadence(inhale, exhale))).toBeCloseTo(rate, 10);
  });
  test('120 s at 6 a minute is 12 breaths, and the run has just that', () => {
    const [set] = cyclesOf([item({ cadences: [cadence(5, 5)], breaths: 12, sets: 1 })]);
    expect(set).toHaveLength(12);
    expect(set!.reduce((sum, cycle) => sum + cycle, 0)).toBe(120);
  });
});

describe('stretching a breath', () => {
  test('longer, in and out keep their ratio and pauses stay as they are: no hold is made by a slow client', () => {
    const slow = scaledTo(cadence(2, 6, { bottomPauseSeconds: 1 }), 17);
    expect(slow).toEqual({ inhaleSeconds: 4, topPauseSeconds: 0, exhaleSeconds: 12, bottomPauseSeconds: 1 });
  });
  test('shorter, everything shrinks alike', () => {
    expect(cycleSeconds(scaledTo(cadence(2, 6, { bottomPauseSeconds: 2 }), 5))).toBeCloseTo(5, 10);
    expect(() => scaledTo(cadence(2, 6), 0)).toThrow(RangeError);
  });
});

describe('the ramp', () => {
  test('climbs by at most five per cent a breath and then stays (common practice)', () => {
    const cycles = rampCycles(4, Array<number>(30).fill(8));
    let last = 4;
    for (const cycle of cycles) {
      expect(cycle / last).toBeLessThanOrEqual(1.05 + 1e-12);
      expect(cycle).toBeGreaterThanOrEqual(last - 1e-12);
      last = cycle;
    }
    // ln 2 / ln 1.05 = 14.2: on the fifteenth breath it has arrived.
    expect(cycles[13]).toBeLessThan(8);
    expect(cycles[14]).toBe(8);
  });
  test('falls by at most five per cent for a client slower than the plan', () => {
    expect(rampCycles(10, [8, 8, 8, 8, 8, 8])).toEqual([9.5, 9.025, expect.any(Number), expect.any(Number), 8, 8]);
  });
  test('set in the set-up it begins with the first breath and goes on into the next set', () => {
    const { items, cursorSeconds } = ramped([item()], 5, 0, 4);
    expect(cursorSeconds).toBe(5);
    const [first, second] = cyclesOf(items);
    expect(first![0]).toBeCloseTo(4.2, 10);
    expect(second![0]).toBeCloseTo(4 * 1.05 ** 6, 10);
    expect(second!.at(-1)).toBe(6);
  });
  test('set in mid-breath it leaves that breath as it is', () => {
    // 20 s set-up, then 6 s a breath: 28 s is 2 s into the second breath.
    const { items, cursorSeconds } = ramped([item()], 28, 0, 4);
    expect(cursorSeconds).toBe(28);
    expect(cyclesOf(items)[0]!.slice(0, 3)).toEqual([6, 6, expect.closeTo(4.2, 10)]);
    expect(cyclesOf(fixedAgain(items, 28, 0).items)[0]).toEqual([6, 6, 6, 6, 6]);
  });
});

describe('a dose changed while it runs', () => {
  test('what was breathed stays, the breath under way ends as it began, the next is the new one', () => {
    const { items, cursorSeconds } = adjusted([item()], 28, 0, { cadences: [cadence(3, 6)], breaths: 4, sets: 3 });
    expect(cursorSeconds).toBe(28);
    expect(cyclesOf(items)).toEqual([
      [6, 6, 9, 9],
      [9, 9, 9, 9],
      [9, 9, 9, 9],
    ]);
  });
  test('fewer breaths than were done keeps those done; the set ends after the one under way', () => {
    const { items } = adjusted([item()], 45, 0, { cadences: [cadence(2, 4)], breaths: 2, sets: 2 });
    expect(cyclesOf(items)[0]).toEqual([6, 6, 6, 6, 6]);
    expect(cyclesOf(items)[1]).toEqual([6, 6]);
  });
  test('on the second side the place stays the same when the sets change', () => {
    const both = [item({ side: 'both', sets: 1, breaths: 3 })];
    // 20 set-up, 18 left, 10 change, then 4 s into the right side.
    const { items, cursorSeconds } = adjusted(both, 52, 0, { cadences: [cadence(2, 4)], breaths: 3, sets: 2 });
    const place = locate(timelineOf(items), cursorSeconds);
    expect(place.timed.segment).toMatchObject({ kind: 'breaths', side: 'right', set: 1 });
    expect(place.intoSeconds).toBeCloseTo(4, 10);
  });
  test('an item that comes later is changed without moving the clock', () => {
    const two = [item(), item({ id: 'two' })];
    const { cursorSeconds, items } = adjusted(two, 28, 1, { cadences: [cadence(4, 4)], breaths: 2, sets: 1 });
    expect(cursorSeconds).toBe(28);
    expect(cyclesOf(items).at(-1)).toEqual([8, 8]);
  });
});

describe('following taps', () => {
  test('taps too close or too far apart are no breaths', () => {
    expect(tappedCycles([0, 6, 12.5, 12.9, 60])).toEqual([6, 6.5]);
  });
  test('a tap late in a breath ends it; those to come take the tapped length', () => {
    const { items, cursorSeconds } = followed([item()], 25, 0, [5]);
    expect(cyclesOf(items)[0]).toEqual([5, 5, 5, 5, 5]);
    expect(locate(timelineOf(items), cursorSeconds).moment).toMatchObject({
      breath: 1,
      phase: 'inhale',
      intoSeconds: 0,
    });
  });
  test('a tap early in a breath says it begins only now', () => {
    const { items, cursorSeconds } = followed([item()], 27, 0, [7]);
    expect(cyclesOf(items)[0]![0]).toBeCloseTo(7, 10);
    expect(locate(timelineOf(items), cursorSeconds).moment).toMatchObject({ breath: 1, intoSeconds: 0 });
  });
  test('before the first breath is over, an early tap begins it anew', () => {
    const { items, cursorSeconds } = followed([item()], 21, 0, []);
    expect(cursorSeconds).toBe(20);
    expect(cyclesOf(items)[0]).toEqual([6, 6, 6, 6, 6]);
  });
  test('in a run: three taps set the pace by their middle length, and later sets keep it', () => {
    const state = run(
      [item({ breaths: 6 })],
      [0, { type: 'start' }],
      [1, { type: 'pace', item: 0, mode: 'follow' }],
      [20, { type: 'tap', item: 0 }],
      [28, { type: 'tap', item: 0 }],
      [37, { type: 'tap', item: 0 }],
      [45, { type: 'tap', item: 0 }],
    );
    expect(modeOf(state, 0)).toBe('follow');
    const [first, second] = cyclesOf(state.items);
    expect(first!.slice(0, 3).map((cycle) => Math.round(cycle))).toEqual([8, 9, 8]);
    expect(first!.at(-1)).toBeCloseTo(8, 10);
    expect(second![0]).toBeCloseTo(8, 10);
    // The pacer is at the start of the fourth breath, on the tap.
    expect(locate(timelineOf(state.items), cursorAt(state, 45_000)).moment).toMatchObject({
      breath: 3,
      intoSeconds: 0,
    });
  });
  test('taps across a wait are not held together: nobody breathed so long', () => {
    const taps = (...between: [number, RunEvent][]) =>
      run(
        [item({ breaths: 6 })],
        [0, { type: 'start' }],
        [1, { type: 'pace', item: 0, mode: 'follow' }],
        [20, { type: 'tap', item: 0 }],
        [28, { type: 'tap', item: 0 }],
        ...between,
        [36, { type: 'tap', item: 0 }],
      ).taps.seconds;
    expect(taps()).toEqual([20, 28, 36]);
    expect(taps([29, { type: 'pause', why: 'by hand' }], [31, { type: 'resume' }])).toEqual([36]);
    expect(taps([29, { type: 'jump', toSeconds: 20, why: 'back' }])).toEqual([36]);
    expect(taps([29, { type: 'pace', item: 0, mode: 'follow' }])).toEqual([36]);
  });
  test('fixed, a tap is only written down', () => {
    const state = run([item()], [0, { type: 'start' }], [22, { type: 'tap', item: 0 }], [27, { type: 'tap', item: 0 }]);
    expect(cursorAt(state, 27_000)).toBe(27);
    expect(cyclesOf(state.items)[0]).toEqual([6, 6, 6, 6, 6]);
  });
});
