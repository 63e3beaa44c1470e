import { type Provenance, commonPractice } from '../reasons';

export const holdFeelings = ['calm', 'at the edge', 'strained'] as const;
export type HoldFeeling = (typeof holdFeelings)[number];

export const firstBreaths = ['nose and quiet', 'nose and big', 'mouth'] as const;
export type FirstBreath = (typeof firstBreaths)[number];

/** One try of the calm exhale hold. */
export interface HoldTry {
  seconds: number;
  feeling: HoldFeeling;
  firstBreath: FirstBreath;
}

/** At most this many tries, with at least this rest between them. Common practice. */
export const mostHoldTries = 3;
export const restBetweenTriesSeconds = 60;

export interface CalmHold {
  /** Median of the calm tries, or null when none was calm. */
  seconds: number | null;
  calmTries: number;
  tries: number;
  band: HoldBand | null;
}

export interface HoldBand {
  belowSeconds: number;
  words: string;
}

/** Contested and not diagnostic; a hold is a tolerance measure, not a reading of carbon dioxide [R9]. Common practice. */
export const holdBands: readonly HoldBand[] = [
  { belowSeconds: 10, words: 'very short' },
  { belowSeconds: 20, words: 'short' },
  { belowSeconds: 30, words: 'middling' },
  { belowSeconds: 40, words: 'comfortable' },
  { belowSeconds: Infinity, words: 'long' },
];
export const holdBandProvenance: Provenance = commonPractice;

/**
 * A strained hold, or one that ends in a gasp through the mouth, does not count.
 *
 * @example holdCounts({ seconds: 22, feeling: 'calm', firstBreath: 'mouth' }) // false
 */
export function holdCounts(hold: HoldTry): boolean {
  return hold.feeling !== 'strained' && hold.firstBreath !== 'mouth';
}

/**
 * The calm exhale hold as the median of the tries that count.
 *
 * @param tries one to three, seconds 0 to 300
 * @throws {RangeError} with one sentence when there are too many tries or an impossible length
 * @example calmHold([{ seconds: 14, feeling: 'calm', firstBreath: 'nose and quiet' }]).band?.words // 'short'
 */
export function calmHold(tries: readonly HoldTry[]): CalmHold {
  if (tries.length > mostHoldTries) throw new RangeError(`At most ${mostHoldTries} tries in a visit.`);
  if (tries.some(({ seconds }) => !(seconds >= 0 && seconds <= 300))) {
    throw new RangeError('A hold lasts between 0 and 300 seconds.');
  }
  const counted = tries
    .filter(holdCounts)
    .map((hold) => hold.seconds)
    .sort((a, b) => a - b);
  const middle = counted.length >> 1;
  const seconds =
    counted.length === 0
      ? null
      : counted.length % 2 === 1
        ? counted[middle]!
        : (counted[middle - 1]! + counted[middle]!) / 2;
  return {
    seconds,
    calmTries: counted.length,
    tries: tries.length,
    band: seconds === null ? null : holdBands.find((band) => seconds < band.belowSeconds)!,
  };
}
