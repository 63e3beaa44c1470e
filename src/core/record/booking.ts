import { z } from 'zod';

/** A time of the day as it is said and typed, 24 hours. */
const clockTime = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'Give a time, like 14:30.');

const openFromTo = z
  .object({ from: clockTime, to: clockTime })
  .refine(({ from, to }) => from < to, 'A day closes later than it opens.');

/** When the rooms are open, Monday first; null on a day they are closed. */
export const hoursSchema = z.array(openFromTo.nullable()).length(7);
export type Hours = z.infer<typeof hoursSchema>;

const usual = { from: '09:00', to: '17:00' };
export const usualHours: Hours = [usual, usual, usual, usual, usual, null, null];

/** Why a booking did not become a visit. */
export const offWays = ['cancelled', 'did not come'] as const;
export type OffWay = (typeof offWays)[number];

/** When somebody on the waiting list can come. */
export const wishIds = ['any time', 'mornings', 'afternoons', 'evenings'] as const;
export type WishId = (typeof wishIds)[number];

/** What a client says of something they took home, when they come back. */
export const homeAnswers = ['most days', 'some days', 'not done'] as const;
export type HomeAnswer = (typeof homeAnswers)[number];
