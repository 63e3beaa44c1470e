import * as z from 'zod/mini';
import { daysBetween } from '../record/day';
import { type HomeReturn, doneLevels, feltLevels, homeSigns } from './code';
import { mostItems } from './mostItems';
import { type HomePlan } from './practice';

const dayMs = 86_400_000;
const noon = (day: string) => Date.parse(`${day}T12:00:00Z`);

/** What somebody says of one day at home. */
export const checkInSchema = z.object({
  /** Of the plan, the first being 0. */
  day: z.number().check(z.int(), z.minimum(0), z.maximum(13)),
  done: z.array(z.enum(doneLevels)).check(z.minLength(1), z.maxLength(mostItems)),
  felt: z.array(z.enum(feltLevels)).check(z.maxLength(mostItems)),
  signs: z.array(z.enum(homeSigns)).check(z.maxLength(homeSigns.length)),
});
export type CheckIn = z.infer<typeof checkInSchema>;

/**
 * Which day of a plan for home it is, from 0; before it begins and after it is over null.
 *
 * @param today yyyy-mm-dd, in the studio's zone
 * @example dayOfHome({ from: '2026-11-20', days: 14 }, '2026-11-22') // 2
 */
export function dayOfHome({ from, days }: Pick<HomePlan, 'from' | 'days'>, today: string): number | null {
  const day = daysBetween(from, today);
  return day < 0 || day >= days ? null : day;
}

/** How long after its last day a plan can still be told of: whoever is late on the last evening. */
const graceDays = 3;

/**
 * The moment from which nothing more is told of a plan, ms.
 *
 * @example tellingEnds({ from: '2026-11-20', days: 14 }) > Date.parse('2026-12-06') // true
 */
export const tellingEnds = ({ from, days }: Pick<HomePlan, 'from' | 'days'>): number =>
  noon(from) + (days + graceDays) * dayMs;

/**
 * What has come back from home, with one day said anew: a day said again replaces what was said of it, how it feels what was felt;
 * a sign that was ticked once stays, since it happened.
 *
 * @param before what had come back, or null
 * @param items how many things went home, 1 to 3
 * @example withCheckIn(null, { day: 0, done: ['all'], felt: ['easier'], signs: [] }, 1).done[0] // ['all']
 */
export function withCheckIn(before: HomeReturn | null, said: CheckIn, items: number): HomeReturn {
  const row = (levels: readonly (typeof doneLevels)[number][] | undefined) =>
    Array.from({ length: items }, (_, thing) => levels?.[thing] ?? 'none');
  return {
    done: Array.from({ length: 14 }, (_, day) => row(day === said.day ? said.done : before?.done[day])),
    felt: Array.from({ length: items }, (_, thing) => {
      const now = said.felt[thing] ?? 'not said';
      return now === 'not said' ? (before?.felt[thing] ?? 'not said') : now;
    }),
    signs: homeSigns.filter((sign) => said.signs.includes(sign) || before?.signs.includes(sign)),
  };
}
