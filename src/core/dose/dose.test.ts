import { cadence, ladder } from '../cadence';
import {
  type Dose,
  breathsPerDay,
  durationInWords,
  habitBreathsPerDay,
  holdSecondsOf,
  isHold,
  nextBreaths,
  segmentsOf,
  setStretches,
  totalsOf,
} from '.';

const dose = (rest: Partial<Dose> = {}): Dose => ({
  cadences: [cadence(2, 6)],
  breaths: 10,
  sets: 1,
  side: 'none',
  restSeconds: 20,
  setUpSeconds: 20,
  ...rest,
});

describe('a dose in time', () => {
  test('set-up and ten breaths of 2 in 6 out: 20 + 80 s, 7.5 a minute, 75 % exhale', () => {
    expect(totalsOf(segmentsOf(dose()))).toEqual({
      seconds: 100,
      breaths: 10,
      holdSeconds: 0,
      breathsPerMinute: 7.5,
      exhaleShare: 0.75,
    });
  });

  test('sets, rests, both sides and a change of position, by hand', () => {
    const segments = segmentsOf(dose({ sets: 2, side: 'both', breaths: 3 }), 30);
    // 20 + 30, then left 24 + 20 + 24, change 10, right the same.
    expect(totalsOf(segments)).toMatchObject({ seconds: 50 + 68 + 10 + 68, breaths: 12 });
    expect(segments.map((segment) => (segment.kind === 'breaths' ? segment.side : segment.kind))).toEqual([
      'set-up',
      'left',
      'rest',
      'left',
      'change side',
      'right',
      'rest',
      'right',
    ]);
  });

  test('30 s twice a side, as child’s pose is given (common practice): 3 breaths of 4 in 6 out', () => {
    const [, first] = segmentsOf(dose({ cadences: [cadence(4, 6)], breaths: 3, sets: 2, side: 'both' }));
    expect(first!.seconds).toBe(30);
  });

  test('one climb of the ladder is 35 s', () => {
    const segments = segmentsOf(dose({ cadences: ladder(5), breaths: 5, setUpSeconds: 0 }));
    expect(totalsOf(segments)).toMatchObject({ seconds: 35, breaths: 5 });
  });

  test('a natural pause is no hold; a longer one is, with all its seconds', () => {
    expect(holdSecondsOf(cadence(3, 5, { topPauseSeconds: 1, bottomPauseSeconds: 1 }))).toBe(0);
    expect(isHold(cadence(3, 5, { bottomPauseSeconds: 1 }))).toBe(false);
    const pausing = cadence(3, 7, { bottomPauseSeconds: 3 });
    expect(isHold(pausing)).toBe(true);
    expect(totalsOf(segmentsOf(dose({ cadences: [pausing], breaths: 4, sets: 3 }))).holdSeconds).toBe(36);
  });

  test('nothing planned has no rate and no share; a dose without a cadence is refused', () => {
    expect(totalsOf([])).toEqual({ seconds: 0, breaths: 0, holdSeconds: 0, breathsPerMinute: null, exhaleShare: null });
    expect(() => setStretches({ cadences: [], breaths: 3 })).toThrow(RangeError);
  });
});

// Common practice, no published source: 10 breaths, then 15, 20 and 30; as many back.
describe('the next dose', () => {
  const range = { min: 3, max: 30 };
  const steps = (from: number, direction: 1 | -1, times: number) =>
    Array.from({ length: times }).reduce<number[]>(
      (taken) => [...taken, nextBreaths(range, taken.at(-1)!, direction)],
      [from],
    );

  test('goes up by the steps of the trade and down by the same', () => {
    expect(steps(10, 1, 4)).toEqual([10, 15, 20, 30, 30]);
    expect(steps(30, -1, 3)).toEqual([30, 20, 15, 10]);
    expect(steps(3, 1, 8)).toEqual([...steps(30, -1, 8)].reverse());
  });

  test('from between two steps it goes to the nearer end that way, and never out of the range of the drill', () => {
    expect([nextBreaths(range, 12, 1), nextBreaths(range, 12, -1)]).toEqual([15, 10]);
    expect(nextBreaths({ min: 8, max: 12 }, 10, 1)).toBe(12);
    expect(nextBreaths({ min: 8, max: 12 }, 8, -1)).toBe(8);
    expect(nextBreaths({ min: 4, max: 5 }, 4, -1)).toBe(4);
    expect(nextBreaths({ min: 3, max: 40 }, 35, 1)).toBe(35);
  });
});

// The arithmetic any reader can redo.
describe('a day in breaths', () => {
  test('2.5 a waking hour × 16, 15 on waking, 15 at bedtime: 70', () => {
    expect(habitBreathsPerDay({ perWakingHour: 2.5, wakingHours: 16, onWaking: 15, atBedtime: 15 })).toBe(70);
  });

  test('14 a minute is 20,160 a day; 12 to 16 is about 17,000 to 23,000', () => {
    expect(breathsPerDay(14)).toBe(20_160);
    expect([breathsPerDay(12), breathsPerDay(16)]).toEqual([17_280, 23_040]);
  });

  test('lengths are said in seconds up to two minutes', () => {
    expect([95, 119.6, 120, 150, 600].map(durationInWords)).toEqual(['95 s', '2 min', '2 min', '2 min 30 s', '10 min']);
  });
});
