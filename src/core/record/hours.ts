import * as z from 'zod/mini';

/** A time of the day as it is said and typed, 24 hours. */
const clockTime = z.string().check(z.regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'Give a time, like 14:30.'));

const openFromTo = z
  .object({ from: clockTime, to: clockTime })
  .check(z.refine(({ from, to }) => from < to, 'A day closes later than it opens.'));

/** When the rooms are open, Monday first; null on a day they are closed. */
export const hoursSchema = z.array(z.nullable(openFromTo)).check(z.length(7));
export type Hours = z.infer<typeof hoursSchema>;
