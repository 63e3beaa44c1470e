import { type Provenance, commonPractice } from '../reasons';
import { medianOrNull } from '../numbers';
import { type LookPosition } from './positions';

export const holdFeelings = ['calm', 'at the edge', 'strained'] as const;
type HoldFeeling = (typeof holdFeelings)[number];

export const firstBreaths = ['nose and quiet', 'nose and big', 'mouth'] as const;
type FirstBreath = (typeof firstBreaths)[number];

/** One try of the calm exhale hold. */
export interface HoldTry {
  seconds: number;
  feeling: HoldFeeling;
  firstBreath: FirstBreath;
  /** Steps taken, when it was done walking. */
  steps?: number | undefined;
  /** UTC, ISO */
  endedAt?: string | undefined;
}

/** At most this many tries, with at least this rest between them. Common practice. */
export const mostHoldTries = 3;
const restBetweenTriesSeconds = 60;

export interface CalmHold {
  /** Median of the calm tries, or null when none was calm. */
  seconds: number | null;
  calmTries: number;
  /** Middle of the steps of the calm tries that were walked, or null. */
  steps: number | null;
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
  const counted = tries.filter(holdCounts);
  const seconds = medianOrNull(counted.map((hold) => hold.seconds));
  return {
    seconds,
    calmTries: counted.length,
    steps: medianOrNull(counted.flatMap(({ steps }) => (steps === undefined ? [] : [steps]))),
    tries: tries.length,
    band: seconds === null ? null : holdBands.find((band) => seconds < band.belowSeconds)!,
  };
}

/**
 * Seconds of rest still due before the next try.
 *
 * @param nowEpochMs now; a clock set back never makes the rest longer than it is
 * @example restLeft([{ seconds: 12, feeling: 'calm', firstBreath: 'mouth', endedAt: '2026-11-25T10:00:00.000Z' }], Date.parse('2026-11-25T10:00:20.000Z')) // 40
 */
export function restLeft(tries: readonly HoldTry[], nowEpochMs: number): number {
  const last = tries.at(-1);
  if (!last?.endedAt || tries.length >= mostHoldTries) return 0;
  const gone = Math.max(0, (nowEpochMs - Date.parse(last.endedAt)) / 1000);
  return Math.max(0, Math.ceil(restBetweenTriesSeconds - gone));
}

/** Holds grow by at most this part or these seconds, whichever is larger. Common practice. */
const holdGrowth = { part: 0.1, seconds: 2, afterCalmSessions: 2 } as const;

/** Where holds are done the first times; the others are harder and come after calm sessions. Common practice. */
export const firstHoldPositions: readonly LookPosition[] = ['hook-lying', 'side-lying', 'sitting'];

/**
 * Whether holds in harder positions follow from what was done: after two calm sessions lying or seated. Common practice, no
 * published source.
 *
 * @param sessions earlier sessions, in any order
 * @example harderHoldsFollow([{ position: 'sitting', tries: [calm20] }]) // false; one calm session is not two
 */
export function harderHoldsFollow(sessions: readonly { position: LookPosition; tries: readonly HoldTry[] }[]): boolean {
  const calm = sessions.filter(({ position, tries }) => firstHoldPositions.includes(position) && isCalmSession(tries));
  return calm.length >= holdGrowth.afterCalmSessions;
}

export interface HoldAdvice {
  kind: 'stay' | 'longer' | 'step back';
  /** How long a practised hold may be from now on; null before a calm one. */
  atMostSeconds: number | null;
  words: string;
}

/** A session went calmly when every try counted. */
const isCalmSession = (tries: readonly HoldTry[]) => tries.length > 0 && tries.every(holdCounts);

/**
 * How long a practised hold may be, from the sessions so far: longer only after two calm sessions in a row, by at most a
 * tenth or two seconds, whichever is larger; shorter by as much after any strain. Common practice, no published source.
 *
 * @param sessions tries of each session in one position, oldest first
 * @example holdAdvice([[calm20], [calm20]]).atMostSeconds // 22
 */
export function holdAdvice(sessions: readonly (readonly HoldTry[])[]): HoldAdvice {
  const told = sessions.filter((tries) => tries.length > 0);
  const last = told.at(-1);
  const seconds = told.map((tries) => calmHold(tries).seconds).findLast((value) => value !== null) ?? null;
  if (!last || seconds === null) {
    return { kind: 'stay', atMostSeconds: null, words: 'Nothing to practise yet: first a calm one.' };
  }
  const step = Math.max(seconds * holdGrowth.part, holdGrowth.seconds);
  if (!isCalmSession(last)) {
    const shorter = Math.max(0, Math.floor(seconds - step));
    return {
      kind: 'step back',
      atMostSeconds: shorter,
      words: `Some strain: step back, practise holds of at most ${shorter} s, or an easier position.`,
    };
  }
  const calmInARow = told.length - 1 - told.findLastIndex((tries) => !isCalmSession(tries));
  if (calmInARow < holdGrowth.afterCalmSessions) {
    const stay = Math.floor(seconds);
    return { kind: 'stay', atMostSeconds: stay, words: `Calm: stay at about ${stay} s for one more session.` };
  }
  const longer = Math.floor(seconds + step);
  return {
    kind: 'longer',
    atMostSeconds: longer,
    words: `${calmInARow} calm sessions: holds of up to ${longer} s may be practised.`,
  };
}
