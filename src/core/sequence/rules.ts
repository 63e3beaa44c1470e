import { type PlanRequest } from './planSchema';

/** Everything the planner weighs and limits, in one place. Common practice, the sizes ours; docs/planner.md says why. */

/** Most items in a visit, by minutes: attention is the limit, not the clock. @example mostItems(20) // 6 */
export const mostItems = (minutes: number) => (minutes < 35 ? Math.min(7, 2 + Math.floor(minutes / 5)) : 8);

/** Most changes between floor, chair and standing. */
export const mostBaseChanges = 3;

/** The level may rise by at most this much over the hardest so far: difficulty never jumps. */
export const mostLevelRise = 2;

/** Drills of one and the same breath and shape, in one visit: a third is more of the same. */
export const mostAlike = 2;

/** Drills that have to be learned, in one visit. */
export const mostNewDrills = 2;

/** From this level on a drill that asks for anything new counts as something to learn. */
export const newFromLevel = 3;

/** So many first answers of its lead pattern a plan holds, by the minutes there are from which on. Common practice for two. */
export const firstAnswersFrom = [
  [35, 4],
  [25, 3],
  [15, 2],
  [0, 1],
] as const;

/** Talk, showing and correction beside what a drill takes by itself, in seconds a drill, unless the coach says otherwise. */
export const usualTalkSeconds = 30;

/**
 * Seconds of talk and correction beside each drill of a plan.
 *
 * @example talkOf({ ...request, talkSeconds: 45 }) // 45
 */
export const talkOf = ({ talkSeconds }: Pick<PlanRequest, 'talkSeconds'>): number => talkSeconds ?? usualTalkSeconds;

/** From this level on a drill is for later visits: it is built on others, which are learned first. */
export const laterFromLevel = 5;

/** Worth in points, beside what is gained on the wanted parts and skills. */
export const worth = {
  /** Answers a pattern the coach confirmed; more where that is what the drill is for first of all. */
  answer: 60,
  firstAnswer: 40,
  /** Stands as the lead school teaches, an axis. */
  schoolFit: 15,
  /** A condition asks for it. */
  pulled: 150,
  /** Settles, and answers nothing that was confirmed: another opening that does is better. */
  opensOnly: -130,
  /** A condition asks for another form of it. */
  change: -80,
  prop: -8,
  substitute: -10,
  /** Each thing it asks for that no drill the client owns has asked for. */
  newThing: -10,
  /** Moves besides the breath; has two sides; has more than one set. */
  attention: { moves: -8, sides: -6, sets: -4 },
  /** A cue of it landed before, each, up to three. */
  landed: 12,
  /** Went calmly last time; did not. */
  calm: 20,
  notCalm: -40,
  /** The marker after it was better, or worse: by as much as partial pooling leaves of it. What made it worse is swapped. */
  helped: 30,
  worsened: 60,
} as const;

/** Attention lost on a change of position: points a second of it. */
export const changePointsASecond = 2;

/**
 * Minutes to plan for of those that are booked: looking and closing take a good third, and a plan has from 5 to 60.
 *
 * @source common practice, no published source; the part ours
 * @example minutesOfBooking(50) // 30
 */
export const minutesOfBooking = (booked: number): number =>
  Math.max(5, Math.min(60, Math.round((booked * 0.6) / 5) * 5));
