import { daysBetween } from '@/core/record';

/** Where a day stands between two ends, true to time; one day alone stands in the middle. */
export function daysAcross(from: string, to: string, left: number, right: number): (day: string) => number {
  const whole = daysBetween(from, to);
  return (day) => (whole === 0 ? (left + right) / 2 : left + ((right - left) * daysBetween(from, day)) / whole);
}

/**
 * Round marks of a scale that hold all values, in steps of 1, 2 or 5.
 *
 * @param most marks at most
 * @example roundMarks(4.2, 8.5, 6) // [4, 5, 6, 7, 8, 9]
 */
export function roundMarks(low: number, high: number, most: number): number[] {
  const reach = Math.max(high - low, 1e-9);
  const power = 10 ** Math.floor(Math.log10(reach / most));
  const step = [1, 2, 5, 10, 20].map((one) => one * power).find((one) => markCount(low, high, one) <= most)!;
  const first = Math.floor(low / step + 1e-9);
  return Array.from({ length: markCount(low, high, step) }, (_, at) => Number(((first + at) * step).toPrecision(12)));
}

const markCount = (low: number, high: number, step: number) =>
  Math.ceil(high / step - 1e-9) - Math.floor(low / step + 1e-9) + 1;

/**
 * Which of some places keep their words: the last and the first before all, and of the rest whatever has room, the newer first.
 *
 * @param xs in order
 * @param room between two that are kept
 * @example keptApart([0, 10, 100], 50) // [0, 2]
 */
export function keptApart(xs: readonly number[], room: number): number[] {
  const kept: number[] = [];
  const order = [xs.length - 1, 0, ...xs.map((_, at) => at).reverse()];
  for (const at of order)
    if (xs[at] !== undefined && !kept.includes(at) && kept.every((other) => Math.abs(xs[other]! - xs[at]!) >= room))
      kept.push(at);
  return kept.sort((a, b) => a - b);
}
