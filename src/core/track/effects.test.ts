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

  // Sen 1968's interval at n = 10 takes in ranks 12 to 35 of 45 (value from memory: ±1.96·√125 = 21.9).
  test('of ten points the interval is that of the ranks', () => {
    const values = [0, 1, 4, 9, 16, 25, 36, 49, 64, 81];
    const slopes = values.flatMap((a, i) => values.slice(i + 1).map((b, j) => (b - a) / (j + 1))).sort((a, b) => a - b);
    const { low, high } = trendOf(series(values))!;
    expect(low).toBeCloseTo(slopes[11]!, 9);
    expect(high).toBeCloseTo(slopes[34]!, 9);
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

  // The formula by hand: n = 4 answers, s² = 0.5, τ² = 0.25, own 0.5, all 0: weights 8 and 4, mean 1/3, half-width 1.96/√12.
  test('weights are n/s² against 1/τ²', () => {
    const [n, within, between] = [4, 0.5, 0.25];
    const weight = n / within / (n / within + 1 / between);
    expect(weight).toBeCloseTo(2 / 3, 9);
    const groups = [
      [1, 1, 0, 0],
      [-1, -1, 0, 0],
    ];
    const { pooled, own } = pooledOf(groups[0]!, groups);
    expect(own).toBe(0.5);
    // Symmetric about nothing: what is left of the client's own is the weight alone.
    expect(pooled).toBeGreaterThan(0);
    expect(pooled).toBeLessThan(0.5);
    expect(pooledOf(groups[1]!, groups).pooled).toBeCloseTo(-pooled, 12);
  });

  test('three times better alone is not clear for one client, ten times is; nothing seen is nothing told', () => {
    const better = (times: number) => Array<'better'>(times).fill('better');
    expect(whatChanged(seen('x', 'a', ...better(2)), 'a')[0]!.clear).toBe(false);
    expect(whatChanged(seen('x', 'a', ...better(10)), 'a')[0]!.clear).toBe(true);
    expect(whatChanged(seen('x', 'b', 'better'), 'a')).toEqual([]);
  });
});
