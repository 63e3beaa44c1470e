import { breathsPerMinute, cadence, cadenceInWords, cycleSeconds, exhaleShare, ladder, pauseSeconds } from '.';

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
