import { type Hours } from './hours';

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
