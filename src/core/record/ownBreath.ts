import * as z from 'zod/mini';
import { firstBreaths, holdFeelings } from '../look';

/** Longest practice that is offered: the coach's own breath is a minute between two clients, not a session. */
export const ownNoseSeconds = 60;

/** One entry of the coach's own practice. Kept apart from clients: nothing of it is read by plans or tracks. */
export const ownBreathSchema = z.discriminatedUnion('kind', [
  /** Quiet nose breathing between clients. */
  z.object({ kind: z.literal('nose'), seconds: z.number().check(z.minimum(1), z.maximum(600)) }),
  z.object({
    kind: z.literal('hold'),
    seconds: z.number().check(z.minimum(0), z.maximum(300)),
    feeling: z.enum(holdFeelings),
    firstBreath: z.enum(firstBreaths),
  }),
  /** How much the voice was used, and what it felt like. */
  z.object({
    kind: z.literal('voice'),
    load: z.number().check(z.int(), z.minimum(0), z.maximum(10)),
    note: z.string().check(z.trim(), z.maxLength(500, 'A voice note is limited to 500 characters.')),
  }),
]);
export type OwnBreath = z.infer<typeof ownBreathSchema>;

export interface OwnEntry {
  id: string;
  at: string;
  day: string;
  entry: OwnBreath;
}
