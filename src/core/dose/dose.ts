import { type BreathStretch, type Cadence, cycleSeconds, exhaleShare } from '../cadence';

/** A pause up to this long is a natural one; a longer one is a hold and is gated. Common practice. */
export const naturalPauseSeconds = 1;

/** Time to change to the other side within a drill. */
const sideChangeSeconds = 10;

type ItemSide = 'none' | 'left' | 'right' | 'both';

/** What decides how long a drill takes and what it asks of the client. */
export interface Dose {
  /** One cadence for equal breaths; one per rung for a ladder, climbed once a set. */
  cadences: readonly Cadence[];
  /** Breaths a set; for a ladder the number of rungs. */
  breaths: number;
  sets: number;
  side: ItemSide;
  restSeconds: number;
  setUpSeconds: number;
  /** Staying in the position and breathing freely after each set; none when left out. */
  staySeconds?: number | undefined;
}

/** One piece of a drill's time, in order. */
export type Segment =
  | { kind: 'set-up'; seconds: number }
  | { kind: 'breaths'; seconds: number; side: 'left' | 'right' | null; set: number; stretches: BreathStretch[] }
  | { kind: 'stay'; seconds: number; side: 'left' | 'right' | null; set: number }
  | { kind: 'rest'; seconds: number }
  | { kind: 'change side'; seconds: number; to: 'left' | 'right' };

/** The breaths of one set, as stretches. */
export function setStretches(dose: Pick<Dose, 'cadences' | 'breaths'>): BreathStretch[] {
  const [first, ...more] = dose.cadences;
  if (!first) throw new RangeError('A dose needs a cadence.');
  return more.length === 0
    ? [{ cadence: first, breaths: dose.breaths }]
    : dose.cadences.slice(0, dose.breaths).map((cadence) => ({ cadence, breaths: 1 }));
}

/**
 * Cuts a drill into its pieces: set-up (with the change of position before it), each set on each side, rests between
 * sets, changes of side. The coach's run and the totals both come from here, so they can't disagree.
 *
 * @param dose what is given
 * @param changeSeconds seconds to change into its position, 0 or more
 * @example segmentsOf(dose, 0).reduce((sum, { seconds }) => sum + seconds, 0) // 100; 20 s of set-up, ten breaths of 2 in, 6 out
 */
export function segmentsOf(dose: Dose, changeSeconds = 0): Segment[] {
  const segments: Segment[] = [{ kind: 'set-up', seconds: dose.setUpSeconds + changeSeconds }];
  const sides = dose.side === 'both' ? (['left', 'right'] as const) : [dose.side === 'none' ? null : dose.side];
  const stretches = setStretches(dose);
  const seconds = stretches.reduce((sum, { cadence, breaths }) => sum + cycleSeconds(cadence) * breaths, 0);
  sides.forEach((side, sideIndex) => {
    if (sideIndex > 0 && side) segments.push({ kind: 'change side', seconds: sideChangeSeconds, to: side });
    for (let set = 1; set <= dose.sets; set += 1) {
      if (set > 1 && dose.restSeconds > 0) segments.push({ kind: 'rest', seconds: dose.restSeconds });
      segments.push({ kind: 'breaths', seconds, side, set, stretches });
      if (dose.staySeconds) segments.push({ kind: 'stay', seconds: dose.staySeconds, side, set });
    }
  });
  return segments;
}

export interface Totals {
  seconds: number;
  breaths: number;
  /** Seconds in pauses longer than a natural one. */
  holdSeconds: number;
  /** Mean breaths a minute while breathing with the pacer, or null without breaths. */
  breathsPerMinute: number | null;
  /** Part of the paced time spent breathing out, 0 to 1, or null without breaths. */
  exhaleShare: number | null;
}

/**
 * Hold seconds of one breath: what its pauses last beyond being natural ones.
 *
 * @example holdSecondsOf(cadence(3, 6, { bottomPauseSeconds: 4 })) // 4
 */
export function holdSecondsOf(cadence: Cadence): number {
  return [cadence.topPauseSeconds, cadence.bottomPauseSeconds]
    .filter((pause) => pause > naturalPauseSeconds)
    .reduce((sum, pause) => sum + pause, 0);
}

/**
 * Adds up pieces of time.
 *
 * @example totalsOf(segmentsOf(dose, 0)).breaths // 10
 */
export function totalsOf(segments: readonly Segment[]): Totals {
  let [seconds, breaths, holdSeconds, paced, exhaling] = [0, 0, 0, 0, 0];
  for (const segment of segments) {
    seconds += segment.seconds;
    if (segment.kind !== 'breaths') continue;
    for (const { cadence, breaths: count } of segment.stretches) {
      const cycle = cycleSeconds(cadence);
      breaths += count;
      holdSeconds += holdSecondsOf(cadence) * count;
      paced += cycle * count;
      exhaling += exhaleShare(cadence) * cycle * count;
    }
  }
  return {
    seconds,
    breaths,
    holdSeconds,
    breathsPerMinute: paced === 0 ? null : (60 * breaths) / paced,
    exhaleShare: paced === 0 ? null : exhaling / paced,
  };
}

/**
 * Breaths a day of a habit plan: some each waking hour, some on waking, some at bedtime.
 *
 * @example habitBreathsPerDay({ perWakingHour: 2.5, wakingHours: 16, onWaking: 15, atBedtime: 15 }) // 70
 */
export function habitBreathsPerDay(plan: {
  perWakingHour: number;
  wakingHours: number;
  onWaking: number;
  atBedtime: number;
}): number {
  return plan.perWakingHour * plan.wakingHours + plan.onWaking + plan.atBedtime;
}

/** All breaths of a day at a steady rate. @example breathsPerDay(14) // 20160 */
export function breathsPerDay(breathsPerMinute: number): number {
  return breathsPerMinute * 60 * 24;
}

/**
 * Whether a breath holds longer than naturally anywhere.
 *
 * @example isHold(cadence(3, 6, { bottomPauseSeconds: 4 })) // true
 */
export function isHold(cadence: Cadence): boolean {
  return holdSecondsOf(cadence) > 0;
}

/**
 * Seconds as a coach says them: under two minutes in seconds, else minutes and seconds.
 *
 * @example durationInWords(95) // '95 s'
 * @example durationInWords(150) // '2 min 30 s'
 */
export function durationInWords(seconds: number): string {
  const whole = Math.round(seconds);
  if (whole < 120) return `${whole} s`;
  const rest = whole % 60;
  return `${Math.floor(whole / 60)} min${rest === 0 ? '' : ` ${rest} s`}`;
}
