import fc from 'fast-check';
import { median } from 'simple-statistics';
import { type Seen, trendOf, whatChanged } from '.';
import { pooledOf } from './whatChanged';

const day = (n: number) => new Date(Date.UTC(2026, 9, 1) + n * 86_400_000).toISOString().slice(0, 10);
const series = (values: readonly number[], gap = 7) => values.map((value, at) => [day(at * gap), value] as const);

describe('the slope over visits', () => {
  test('is the median of all pairs’ slopes, as an independent library has the median', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0, max: 10, noNaN: true }), { minLength: 3, maxLength: 12 }), (values) => {
        const slopes = values.flatMap((a, i) => values.slice(i + 1).map((b, j) => (b - a) / (j + 1)));
        expect(trendOf(series(values))!.perWeek).toBeCloseTo(median(slopes), 9);
      }),
    );
  });

  test('one wild day does not turn it, where a line by least squares would', () => {
    expect(trendOf(series([4, 4.5, 5, 5.5, 6, 6.5, 40]))!.perWeek).toBeCloseTo(0.5, 6);
    expect(trendOf(series([4, 4.5, -30, 5.5, 6, 6.5, 7]))!.perWeek).toBeCloseTo(0.5, 6);
  });

  test('days apart are days: every second day counts seven halves of a week', () => {
    expect(trendOf(series([1, 2, 3, 4], 2))!.perWeek).toBeCloseTo(3.5, 9);
  });

  test('with fewer than three days it says nothing, and its interval holds the slope', () => {
    expect(trendOf(series([3, 9]))).toBeNull();
    expect(trendOf([])).toBeNull();
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 10 }), { minLength: 3, maxLength: 20 }), (values) => {
        const { low, perWeek, high } = trendOf(series(values))!;
        expect(low <= perWeek + 1e-9 && perWeek <= high + 1e-9).toBe(true);
      }),
    );
  });

  // Sen 1968's interval (from memory). Ten points: ±1.96·√125 = 21.9 about the middle of 45 slopes, ranks 12 to 35; twelve: ±1.96·√(638/3) = 28.6
  // of 66, ranks 19 to 49.
  test.each([
    [10, 12, 35],
    [12, 19, 49],
  ])('of %d points the interval is from rank %d to rank %d', (points, from, to) => {
    const values = Array.from({ length: points }, (_, n) => n ** 2);
    const slopes = values.flatMap((a, i) => values.slice(i + 1).map((b, j) => (b - a) / (j + 1))).sort((a, b) => a - b);
    const { low, high } = trendOf(series(values))!;
    expect(low).toBeCloseTo(slopes[from - 1]!, 9);
    expect(high).toBeCloseTo(slopes[to - 1]!, 9);
  });
});

describe('what changed the marker', () => {
  const seen = (drillId: string, clientId: string, ...helped: Seen['helped'][]): Seen[] =>
    helped.map((one) => ({ drillId, clientId, helped: one }));

  test('a client’s own mean is drawn toward the drill’s, the more the fewer times it was seen', () => {
    const others = ['b', 'c', 'd', 'e', 'f'].flatMap((who) => seen('x', who, 'better', 'better', 'better', 'same'));
    const once = whatChanged([...others, ...seen('x', 'a', 'worse')], 'a')[0]!;
    const often = whatChanged([...others, ...seen('x', 'a', ...Array<'worse'>(12).fill('worse'))], 'a')[0]!;
    expect(once).toMatchObject({ times: 1, own: -1 });
    expect(once.pooled).toBeGreaterThan(-0.6);
    expect(often.pooled).toBeLessThan(-0.8);
  });

  test('it lies between the client’s own and everybody’s', () => {
    const value = fc.constantFrom(-1, 0, 1);
    const group = fc.array(value, { minLength: 1, maxLength: 10 });
    fc.assert(
      fc.property(group, fc.array(group, { minLength: 1, maxLength: 8 }), (own, others) => {
        const groups = [own, ...others];
        const all = groups.map((values) => values.reduce<number>((sum, one) => sum + one, 0) / values.length);
        const { pooled, low, high } = pooledOf(own, groups);
        expect(pooled).toBeGreaterThanOrEqual(Math.min(...all) - 1e-9);
        expect(pooled).toBeLessThanOrEqual(Math.max(...all) + 1e-9);
        expect(high).toBeGreaterThan(low);
      }),
    );
  });

  // By hand: each mean ±1/2, squares about it 1 and 1; with four of 2/3 beside, s² = (2 + 8/3) / 10 = 7/15, so each weighs 60/7 and Q = 30/7.
  // C = 60/7, τ² = (30/7 − 1) / (60/7) = 23/60; drawn to nothing with 60/7 against 60/23: 23/60 again. DerSimonian & Laird 1986.
  test('weights are n/s² against 1/τ², τ² by moments', () => {
    const groups = [
      [1, 1, 0, 0],
      [-1, -1, 0, 0],
    ];
    const half = 1.96 / Math.sqrt(60 / 7 + 60 / 23);
    expect(pooledOf(groups[0]!, groups)).toEqual({
      times: 4,
      own: 0.5,
      pooled: expect.closeTo(23 / 60, 12) as number,
      low: expect.closeTo(23 / 60 - half, 12) as number,
      high: expect.closeTo(23 / 60 + half, 12) as number,
      clear: false,
    });
    expect(pooledOf(groups[1]!, groups).pooled).toBeCloseTo(-23 / 60, 12);
  });

  // By hand: nobody differs, so τ² is the least that is allowed, 1/50; s² = (8/3) / 4, each weighs 3/2.
  test('clients who answer alike are still not taken to be one', () => {
    const { pooled, high } = pooledOf([1], [[1], [1], [1]]);
    expect(pooled).toBeCloseTo(1, 12);
    expect(high - pooled).toBeCloseTo(1.96 / Math.sqrt(1.5 + 50), 12);
  });

  // By hand: one client of four answers of one, s² = (8/3) / (3 + 4) = 8/21; drawn to no change by one answer's worth: 4 of 5.
  test('one client alone is drawn toward no change by the worth of one answer', () => {
    expect(pooledOf([1, 1, 1, 1], [[1, 1, 1, 1]]).pooled).toBeCloseTo(0.8, 12);
  });

  test('three times better alone is not clear for one client, ten times is; nothing seen is nothing told', () => {
    const better = (times: number) => Array<'better'>(times).fill('better');
    expect(whatChanged(seen('x', 'a', ...better(2)), 'a')[0]!.clear).toBe(false);
    expect(whatChanged(seen('x', 'a', ...better(10)), 'a')[0]!.clear).toBe(true);
    expect(whatChanged(seen('x', 'b', 'better'), 'a')).toEqual([]);
  });
});
