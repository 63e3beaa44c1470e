import { median } from '../numbers';
import { type Provenance, published } from '../reasons';

/** A breathing rate counted from taps on each inhale. */
export interface QuietRate {
  breathsPerMinute: number;
  /** Standard deviation of the breath lengths, in seconds: the breath-to-breath spread. */
  spreadSeconds: number;
  /** Mean length of a breath in seconds. */
  breathSeconds: number;
  breaths: number;
  /** From the first tap to the last. */
  seconds: number;
  /** Taps that look like a slip of the finger or of the eye. */
  doubts: readonly TapDoubt[];
}

/**
 * A tap to look at again: `double` came too soon after the one before, `missed` left room for a breath nobody tapped, `gap`
 * is so long that the counting must have been interrupted.
 */
export interface TapDoubt {
  kind: 'double' | 'missed' | 'gap';
  /** Index of the tap that ends the odd interval. */
  tap: number;
  intervalSeconds: number;
}

/** Fewer taps than this give no rate. */
export const fewestTaps = 4;

/** Taps closer than this are one: a finger that bounced, or two fingers. Nobody breathes in five times a second. Common practice. */
const oneTapSeconds = 0.2;

/**
 * Taps with those that are one put together: of several closer than {@link oneTapSeconds} the first stays.
 *
 * @param tapSeconds times of the taps in seconds, none earlier than the one before
 * @example mergedTaps([0, 4, 4.01, 8]) // [0, 4, 8]
 */
export function mergedTaps(tapSeconds: readonly number[]): number[] {
  const kept: number[] = [];
  for (const tap of tapSeconds) {
    // Hundredths: a tap exactly two tenths later is one of its own, whatever binary fractions make of it.
    if (kept.length === 0 || Math.round((tap - kept.at(-1)!) * 100) >= oneTapSeconds * 100) kept.push(tap);
  }
  return kept;
}

/** An interval this much shorter or longer than the median one is asked about. Common practice. */
const doubleBelow = 0.45;
const missedAbove = 1.75;
/** From this many median breaths on nobody missed one: the count was broken off and taken up again. */
const gapAbove = 4;

/**
 * Resting rate from taps: 60 × (n − 1) / (time from first to last tap).
 *
 * @param tapSeconds times of the taps in seconds, rising
 * @throws {RangeError} with one sentence for the coach: fewer than four taps, or taps that do not rise
 * @example quietRate([0, 5, 10, 15, 20, 25, 30, 35, 40, 45]).breathsPerMinute // 12
 */
export function quietRate(tapSeconds: readonly number[]): QuietRate {
  if (tapSeconds.length < fewestTaps) {
    const more = fewestTaps - tapSeconds.length;
    throw new RangeError(`A rate needs at least ${fewestTaps} taps: ${more} more to go.`);
  }
  const intervals = tapSeconds.slice(1).map((tap, i) => tap - tapSeconds[i]!);
  if (intervals.some((interval) => !(interval > 0))) throw new RangeError('Taps must follow one another in time.');
  const seconds = tapSeconds.at(-1)! - tapSeconds[0]!;
  const mean = seconds / intervals.length;
  const variance = intervals.reduce((sum, interval) => sum + (interval - mean) ** 2, 0) / (intervals.length - 1);
  return {
    breathsPerMinute: (60 * intervals.length) / seconds,
    spreadSeconds: Math.sqrt(variance),
    breathSeconds: mean,
    breaths: intervals.length,
    seconds,
    doubts: tapDoubts(intervals),
  };
}

/**
 * The rate that taps give, or null when they give none: too few of them, or not in the order of time. For whatever shows a
 * stored record, which must never fail on one.
 *
 * @example rateOf([0, 5, 5, 10, 15])?.breathsPerMinute // 12
 * @example rateOf([0, 5]) // null
 */
export function rateOf(tapSeconds: readonly number[]): QuietRate | null {
  if (tapSeconds.some((tap, i) => !(tap >= (tapSeconds[i - 1] ?? tap)))) return null;
  const taps = mergedTaps(tapSeconds);
  return taps.length < fewestTaps ? null : quietRate(taps);
}

function tapDoubts(intervals: readonly number[]): TapDoubt[] {
  if (intervals.length === 0) return [];
  const usual = median(intervals);
  const doubts: TapDoubt[] = [];
  intervals.forEach((interval, i) => {
    const kind =
      interval < usual * doubleBelow
        ? 'double'
        : interval > usual * gapAbove
          ? 'gap'
          : interval > usual * missedAbove
            ? 'missed'
            : null;
    if (kind) doubts.push({ kind, tap: i + 1, intervalSeconds: interval });
  });
  return doubts;
}

/**
 * The taps with one doubt settled: a double tap is taken out, a missed breath is put in the middle of its gap, and of a
 * count that was broken off the longer stretch is kept.
 *
 * @example settleDoubt([0, 4, 4.5, 8], { kind: 'double', tap: 2, intervalSeconds: 0.5 }) // [0, 4, 8]
 */
export function settleDoubt(tapSeconds: readonly number[], doubt: TapDoubt): number[] {
  if (doubt.kind === 'double') return tapSeconds.filter((_, i) => i !== doubt.tap);
  if (doubt.kind === 'gap') {
    const [one, other] = [tapSeconds.slice(0, doubt.tap), tapSeconds.slice(doubt.tap)];
    const kept = other.length > one.length ? other : one;
    return kept.map((tap) => Math.round((tap - kept[0]!) * 100) / 100);
  }
  const before = tapSeconds[doubt.tap - 1]!;
  const after = tapSeconds[doubt.tap]!;
  return [...tapSeconds.slice(0, doubt.tap), (before + after) / 2, ...tapSeconds.slice(doubt.tap)];
}

export interface RateBand {
  /** Lowest and highest whole rate of the band. */
  from: number;
  to: number;
  words: string;
  /** Points of the published early-warning score, for tests and for the source on tap; never shown as a grade. */
  points: 0 | 1 | 2 | 3;
}

/** Bands of the resting rate in adults. [R1] */
export const rateBands: readonly RateBand[] = [
  { from: 0, to: 8, words: 'very slow', points: 3 },
  { from: 9, to: 11, words: 'slow', points: 1 },
  { from: 12, to: 20, words: 'usual', points: 0 },
  { from: 21, to: 24, words: 'quick: watch, and count again after rest', points: 2 },
  { from: 25, to: 300, words: 'very quick', points: 3 },
];

export const rateBandProvenance: Provenance = published('R1');

/**
 * The band a resting rate falls in, after rounding to a whole breath as the published bands are whole.
 *
 * @param breathsPerMinute above 0
 * @throws {RangeError} for a rate that is not a positive number
 * @source [R1] NEWS2 2017
 * @example rateBand(16.4).words // 'usual'
 */
export function rateBand(breathsPerMinute: number): RateBand {
  if (!(breathsPerMinute > 0)) throw new RangeError('A rate is a positive number of breaths a minute.');
  const whole = Math.round(breathsPerMinute);
  return rateBands.find((band) => whole >= band.from && whole <= band.to) ?? rateBands.at(-1)!;
}
