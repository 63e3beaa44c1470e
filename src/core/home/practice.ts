import * as z from 'zod/mini';
import { planItemSchema } from '../sequence';

const time = z.string().check(z.regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'A time is written like 07:30.'));
const words = (most: number) => z.string().check(z.maxLength(most, `Use at most ${most} characters.`));

/** Something to do at home: a record of its own, whatever becomes of the drill it was. */
const homeItemSchema = z.object({
  id: z.string().check(z.minLength(1), z.maxLength(80)),
  /** Drill, position, props, side, cadence, dose and the form a caution asks for. */
  item: planItemSchema,
  /** What landed while it was coached, or what the drill begins with. */
  cue: words(120),
  feels: words(160),
  notMeant: words(160),
});
export type HomeItem = z.infer<typeof homeItemSchema>;

/** One time of the day at which something is done. */
const goSchema = z.object({
  id: z.uuid(),
  itemId: z.string().check(z.minLength(1), z.maxLength(80)),
  at: time,
  /** What it hangs on: "first kettle", "in bed". */
  with: words(40),
});
export type Go = z.infer<typeof goSchema>;

/** What goes home with a client, for how long, and when in the day. */
export const homePlanSchema = z.object({
  from: z.iso.date(),
  days: z.number().check(z.int(), z.minimum(1), z.maximum(14, 'A plan for home lasts at most 14 days.')),
  wakes: time,
  /** Before `wakes` by the clock where somebody goes to sleep after midnight. */
  sleeps: time,
  /** When they sit for long, if they do. */
  sits: z.nullable(z.object({ from: time, to: time })),
  items: z.array(homeItemSchema).check(z.maxLength(6, 'At most six things go home, whatever the reason.')),
  /** Why more than three go home. */
  moreReason: words(200),
  /** What reminds them; left out or null where nobody chose. */
  remind: z.optional(z.nullable(z.enum(['alarms', 'things']))),
  goes: z.array(goSchema).check(z.maxLength(60, 'That is more than sixty times a day.')),
  /** Times of the day that an earlier calendar file told of and that are gone: the next file calls them off. */
  calledOff: z.array(goSchema).check(z.maxLength(200)),
});
export type HomePlan = z.infer<typeof homePlanSchema>;

/** A plan as it is stored: whose visit it was made in, and how often it was changed. */
export interface StoredHome {
  visitId: string;
  at: string;
  revision: number;
  plan: HomePlan;
  /** When it was first handed over, or null. */
  handedAt: string | null;
}
