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
    expect(ladder(1)).toEqual([cadence(1, 2)]);
    expect(ladder(12).at(-1)).toEqual(cadence(12, 13));
    expect(() => ladder(13)).toThrow(RangeError);
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
    expect(climb(cadence(3, 4), 12, 0.5, 20).at(-1)).toEqual(cadence(3, 9.5));
    expect(climb(cadence(3, 4), 2, 2, 20).at(-1)).toEqual(cadence(3, 6));
    for (const rungs of [1, 13, 2.5]) expect(() => climb(cadence(3, 4), rungs, 1, 8)).toThrow('2 to 12');
    for (const more of [0.4, 2.1]) expect(() => climb(cadence(3, 4), 3, more, 8)).toThrow('half a second');
  });

  test('from 16 a minute to 4 is a jump and is pointed out; near the own rate nothing is', () => {
    const own = { ratePerMinute: 16, exhaleSeconds: null };
    expect(comfortOf(cadence(5, 10), own)).toEqual([
      '4.0 a minute, from 16.0 at rest: a jump. Begin near 10.7 and slow down over some breaths.',
    ]);
    expect(comfortOf(cadence(2.5, 4), own)).toEqual([]);
    expect(comfortOf(cadence(1, 1.5), own)[0]).toContain('faster than');
    // From 10 a minute half is 5, and a quarter more is 12.5: both still go.
    const ten = { ratePerMinute: 10, exhaleSeconds: null };
    expect(comfortOf(cadence(5, 7), ten)).toEqual([]);
    expect(comfortOf(cadence(5, 7.1), ten)[0]).toContain('a jump');
    expect(comfortOf(cadence(2, 2.8), ten)).toEqual([]);
    expect(comfortOf(cadence(2, 2.7), ten)[0]).toContain('faster than');
  });

  test('an exhale close to all there is is pointed out; nothing measured says nothing', () => {
    expect(comfortOf(cadence(3, 7), { ratePerMinute: null, exhaleSeconds: 6 })[0]).toContain('took 6.0 s');
    expect(comfortOf(cadence(3, 5), { ratePerMinute: null, exhaleSeconds: 6 })).toEqual([]);
    // Nine tenths of ten seconds.
    expect(comfortOf(cadence(3, 9), { ratePerMinute: null, exhaleSeconds: 10 })).toEqual([]);
    expect(comfortOf(cadence(3, 9.1), { ratePerMinute: null, exhaleSeconds: 10 })[0]).toContain('took 10.0 s');
    expect(comfortOf(cadence(5, 12), { ratePerMinute: null, exhaleSeconds: null })).toEqual([]);
  });

  test('a phase of more than twenty seconds is long for anybody, whichever it is', () => {
    const unmeasured = { ratePerMinute: null, exhaleSeconds: null };
    expect(comfortOf(cadence(20, 20), unmeasured)).toEqual([]);
    for (const [breath, seconds] of [
      [cadence(21, 5), 21],
      [cadence(5, 25), 25],
      [cadence(5, 5, { topPauseSeconds: 22 }), 22],
      [cadence(5, 5, { bottomPauseSeconds: 23 }), 23],
    ] as const)
      expect(comfortOf(breath, unmeasured)).toEqual([
        `${seconds} s in one phase is long for anybody: usual is up to 20.`,
      ]);
  });
});
