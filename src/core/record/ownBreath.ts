import { z } from 'zod';
import { firstBreaths, holdFeelings } from '../look';

/** Longest practice that is offered: the coach's own breath is a minute between two clients, not a session. */
export const ownNoseSeconds = 60;

/** One entry of the coach's own practice. Kept apart from clients: nothing of it is read by plans or tracks. */
export const ownBreathSchema = z.discriminatedUnion('kind', [
  /** Quiet nose breathing between clients. */
  z.object({ kind: z.literal('nose'), seconds: z.number().min(1).max(600) }),
  z.object({
    kind: z.literal('hold'),
    seconds: z.number().min(0).max(300),
    feeling: z.enum(holdFeelings),
    firstBreath: z.enum(firstBreaths),
  }),
  /** How much the voice was used, and what it felt like. */
  z.object({
    kind: z.literal('voice'),
    load: z.number().int().min(0).max(10),
    note: z.string().trim().max(500, 'A voice note is limited to 500 characters.'),
  }),
]);
export type OwnBreath = z.infer<typeof ownBreathSchema>;

export interface OwnEntry {
  id: string;
  at: string;
  day: string;
  entry: OwnBreath;
}
