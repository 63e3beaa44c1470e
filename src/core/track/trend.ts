/** A line through points by the middle of all their slopes. */
export interface Trend {
  /** Units a week. */
  perWeek: number;
  /** The middle half of what the pairs say is wider than this; 95 of 100 of lines lie between. */
  low: number;
  high: number;
  /** Value of the line on the first and the last day. */
  from: number;
  to: number;
}

const dayMs = 86_400_000;
/** Numbers in order: as an array of them, which sorts without a word for each pair. Two hundred visits have some 20,000 slopes. */
const inOrder = (values: readonly number[]) => Float64Array.from(values).sort();

const middle = (sorted: Float64Array): number => {
  const half = sorted.length / 2;
  return sorted.length % 2 === 1 ? sorted[Math.floor(half)]! : (sorted[half - 1]! + sorted[half]!) / 2;
};

/**
 * The slope of a measure over visits that a single odd day can't turn: the median of the slopes of all pairs of days, with its interval
 * by the ranks of the slopes.
 *
 * @param points day (yyyy-mm-dd) and value, of like with like, at least three on different days
 * @returns null with fewer
 * @source Theil 1950, Proc K Ned Akad Wet 53:386–392; Sen 1968, J Am Stat Assoc 63:1379–1389 (values from memory)
 * @example trendOf([['2026-11-01', 5], ['2026-11-08', 6], ['2026-11-15', 7]])?.perWeek // 1
 */
export function trendOf(points: readonly (readonly [day: string, value: number])[]): Trend | null {
  const at = points.map(([day, value]) => [Date.parse(day) / dayMs / 7, value] as const);
  const found: number[] = [];
  for (let i = 0; i < at.length; i += 1)
    for (let j = i + 1; j < at.length; j += 1) {
      const apart = at[j]![0] - at[i]![0];
      if (apart !== 0) found.push((at[j]![1] - at[i]![1]) / apart);
    }
  if (found.length < 3) return null;
  const slopes = inOrder(found);
  const perWeek = middle(slopes);
  const n = at.length;
  // Sen's interval: the rank statistic has variance n(n − 1)(2n + 5) / 18 without ties.
  const wide = 1.96 * Math.sqrt((n * (n - 1) * (2 * n + 5)) / 18);
  const lowest = Math.max(0, Math.floor((slopes.length - wide) / 2));
  const highest = Math.min(slopes.length - 1, Math.ceil((slopes.length + wide) / 2));
  const start = middle(inOrder(at.map(([when, value]) => value - perWeek * when)));
  const [first, last] = [Math.min(...at.map(([when]) => when)), Math.max(...at.map(([when]) => when))];
  return {
    perWeek,
    low: slopes[lowest]!,
    high: slopes[highest]!,
    from: start + perWeek * first,
    to: start + perWeek * last,
  };
}
