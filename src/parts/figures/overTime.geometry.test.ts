import { daysAcross, keptApart, roundMarks } from './overTime.geometry';
import { met } from '../../../scripts/met';

test('days stand true to time: a gap of three weeks is three times as wide as one of a week', () => {
  const x = daysAcross('2026-10-01', '2026-10-29', 100, 500);
  expect(x('2026-10-01')).toBe(100);
  expect(x('2026-10-29')).toBe(500);
  expect(x('2026-10-29') - x('2026-10-08')).toBeCloseTo(3 * (x('2026-10-08') - x('2026-10-01')));
  // Over the change of the clocks at the end of October a day is as wide as any other.
  expect(x('2026-10-26') - x('2026-10-25')).toBeCloseTo(x('2026-10-02') - x('2026-10-01'));
  expect(daysAcross('2026-10-01', '2026-10-01', 100, 500)('2026-10-01')).toBe(300);
});

test.each([
  [4.2, 8.5, 6],
  [0, 0.3, 5],
  [12, 47, 6],
  [3, 3, 4],
  [980, 1020, 4],
])('marks from %d to %d are round, evenly apart, few, and hold every value', (low, high, most) => {
  const marks = roundMarks(low, high, most);
  expect(marks.length).toBeLessThanOrEqual(most);
  expect(marks[0]).toBeLessThanOrEqual(low);
  expect(marks.at(-1)).toBeGreaterThanOrEqual(high);
  const steps = marks.slice(1).map((mark, at) => mark - marks[at]!);
  for (const step of steps) expect(step).toBeCloseTo(steps[0]!, 9);
  if (met(steps.length > 0))
    expect([1, 2, 5]).toContain(Number((steps[0]! / 10 ** Math.floor(Math.log10(steps[0]! * 1.0001))).toFixed(6)));
});

test('words stay where there is room: the last and the first before the rest', () => {
  expect(keptApart([0, 10, 100], 50)).toEqual([0, 2]);
  expect(keptApart([0, 40, 80], 30)).toEqual([0, 1, 2]);
  expect(keptApart([0, 10], 50)).toEqual([1]);
  expect(keptApart([], 50)).toEqual([]);
});
