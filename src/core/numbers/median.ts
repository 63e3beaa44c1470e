/**
 * The middle of some readings: half of them lie below it, half above. One that is far out hardly moves it.
 *
 * @param values in any order; at least one
 * @throws {RangeError} where there are none
 * @example median([3, 14, 5]) // 5
 * @example median([4, 6]) // 5
 */
export function median(values: readonly number[]): number {
  if (values.length === 0) throw new RangeError('Nothing has no middle.');
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}

/** As median, and null where there are no values. @example medianOrNull([]) // null */
export const medianOrNull = (values: readonly number[]): number | null => (values.length === 0 ? null : median(values));
