import {
  breathsPerMinute,
  cadence,
  cadenceInWords,
  climb,
  comfortOf,
  cycleSeconds,
  exhaleShare,
  ladder,
  pauseSeconds,
} from '.';

// The arithmetic any reader can redo: listed as check values of the trade, derivable by hand.
describe('cadence arithmetic', () => {
  test.each([
    [2, 6, 7.5],
    [3.5, 7, 60 / 10.5],
    [5, 5, 6],
  ])('%d in %d out is %d a minute', (inhale, exhale, rate) => {
    expect(breathsPerMinute(cadence(inhale, exhale))).toBeCloseTo(rate, 10);
  });

  test('3.5 in 7 out rounds to 5.71 a minute', () => {
    expect(breathsPerMinute(cadence(3.5, 7)).toFixed(2)).toBe('5.71');
  });

  test('120 s at 6 a minute is 12 breaths', () => {
    expect(120 / cycleSeconds(cadence(5, 5))).toBe(12);
  });

  test('the ladder 1:2 … 5:6 is 35 counts', () => {
    const rungs = ladder(5);
    expect(rungs.map((rung) => [rung.inhaleSeconds, rung.exhaleSeconds])).toEqual([
      [1, 2],
      [2, 3],
      [3, 4],
      [4, 5],
      [5, 6],
    ]);
    expect(rungs.reduce((sum, rung) => sum + cycleSeconds(rung), 0)).toBe(35);
  });

  test('a ladder without rungs is refused', () => {
    expect(() => ladder(0)).toThrow(RangeError);
    expect(() => ladder(2.5)).toThrow(RangeError);
  });

  test('pauses count into the cycle and not into the exhale share', () => {
    const breath = cadence(3, 6, { topPauseSeconds: 1, bottomPauseSeconds: 2 });
    expect(cycleSeconds(breath)).toBe(12);
    expect(exhaleShare(breath)).toBe(0.5);
    expect(pauseSeconds(breath)).toBe(3);
    expect(cadenceInWords(breath)).toBe('3 in, 1 pause, 6 out, 2 pause');
  });

  test.each([
    [0, 4],
    [-1, 4],
    [4, 61],
    [Number.NaN, 4],
  ])('refuses %d in %d out', (inhale, exhale) => {
    expect(() => cadence(inhale, exhale)).toThrow();
  });
});

describe('a climb and the comfort of a cadence', () => {
  test('each rung breathes out longer, up to the limit', () => {
    expect(climb(cadence(3, 4), 4, 1, 6).map(({ exhaleSeconds }) => exhaleSeconds)).toEqual([4, 5, 6, 6]);
    expect(climb(cadence(3, 4), 2, 0.5, 8)[1]).toEqual(cadence(3, 4.5));
    expect(() => climb(cadence(3, 4), 1, 1, 8)).toThrow('2 to 12');
    expect(() => climb(cadence(3, 4), 3, 5, 8)).toThrow('half a second');
  });

  test('from 16 a minute to 4 is a jump and is pointed out; near the own rate nothing is', () => {
    const own = { ratePerMinute: 16, exhaleSeconds: null };
    expect(comfortOf(cadence(5, 10), own)).toEqual([
      '4.0 a minute, from 16.0 at rest: a jump. Begin near 10.7 and slow down over some breaths.',
    ]);
    expect(comfortOf(cadence(2.5, 4), own)).toEqual([]);
    expect(comfortOf(cadence(1, 1.5), own)[0]).toContain('faster than');
  });

  test('an exhale close to all there is is pointed out; nothing measured says nothing', () => {
    expect(comfortOf(cadence(3, 7), { ratePerMinute: null, exhaleSeconds: 6 })[0]).toContain('took 6.0 s');
    expect(comfortOf(cadence(3, 5), { ratePerMinute: null, exhaleSeconds: 6 })).toEqual([]);
    expect(comfortOf(cadence(5, 12), { ratePerMinute: null, exhaleSeconds: null })).toEqual([]);
  });
});
