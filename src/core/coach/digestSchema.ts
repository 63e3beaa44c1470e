import * as z from 'zod/mini';
import { liftSchema } from '../load';
import { checkIds, helpedWords } from './eventWords';

const words = z.array(z.string());

/** What of a run later plans need, drill by drill, in little room. */
export const digestSchema = z.array(
  z.object({
    drillId: z.string(),
    breaths: z.number(),
    sets: z.number(),
    outcome: z.nullable(z.enum(['calm', 'not calm'])),
    /** Cues that landed and cues that did not. */
    landed: words,
    missed: words,
    /** Marks by fault. */
    faults: z.record(z.string(), z.number()),
    /** How it was done and what came of it: the course and what changed the marker are read from these. */
    position: z.string(),
    side: z.string(),
    exhaleSeconds: z.nullable(z.number()),
    delivered: z.number(),
    effort: z.nullable(z.number()),
    helped: z.nullable(z.enum(helpedWords)),
    checked: z.nullable(z.object({ asked: z.array(z.enum(checkIds)), found: z.array(z.enum(checkIds)) })),
    /** The set as it was lifted, where it was a movement under a load. */
    lift: z.nullable(liftSchema),
  }),
);
export type RunDigest = z.infer<typeof digestSchema>;
