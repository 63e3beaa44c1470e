/** A part of some, with its interval. */
export interface Share {
  part: number;
  low: number;
  high: number;
  of: number;
}

/** Of the normal distribution, two-sided 95 %. */
const z = 1.959963984540054;

/**
 * A part with its 95 % interval by Wilson's score: it stays within 0 and 1 also for few and for none.
 *
 * @param right how many of them; from 0 to `of`
 * @throws RangeError for none at all
 * @source Wilson 1927, J Am Stat Assoc 22:209–212; derivable
 * @example shareOf(8, 10) // { part: 0.8, low: 0.49…, high: 0.94…, of: 10 }
 */
export function shareOf(right: number, of: number): Share {
  if (of <= 0) throw new RangeError('A part of none can’t be told.');
  const part = right / of;
  const middle = (part + (z * z) / (2 * of)) / (1 + (z * z) / of);
  const half = (z / (1 + (z * z) / of)) * Math.sqrt((part * (1 - part)) / of + (z * z) / (4 * of * of));
  return { part, low: Math.max(0, middle - half), high: Math.min(1, middle + half), of };
}
