import * as z from 'zod/mini';
import { cadenceSchema } from '../cadence';
import { drillSchema, positionIds, propIds } from '../catalogue';
import { intentIds } from '../read';
import { type Provenance, type Reason } from '../reasons';
import { formIds } from '../safety';
import { schoolIds } from '../schools';

const reasonSchema: z.ZodMiniType<Reason> = z.object({
  code: z.optional(z.string()),
  what: z.string(),
  rule: z.string(),
  records: z.array(
    z.object({ kind: z.enum(['fact', 'look', 'reading', 'plan', 'run']), id: z.string(), label: z.string() }),
  ),
  provenance: z.custom<Provenance>((value) => typeof value === 'object' && value !== null && 'kind' in value),
});

/** One item of a plan: a drill in a position with props and a dose, and why it is there. */
export const planItemSchema = z.object({
  id: z.string().check(z.minLength(1)),
  drillId: z.string().check(z.minLength(1)),
  position: z.enum(positionIds),
  props: z.array(z.enum(propIds)),
  side: z.enum(['none', 'left', 'right', 'both']),
  cadences: z.array(cadenceSchema).check(z.minLength(1), z.maxLength(12)),
  breaths: z.number().check(z.int(), z.minimum(1), z.maximum(60)),
  sets: z.number().check(z.int(), z.minimum(1), z.maximum(10)),
  restSeconds: z.number().check(z.int(), z.minimum(0), z.maximum(300)),
  setUpSeconds: z.number().check(z.int(), z.minimum(0), z.maximum(300)),
  /** Seconds of staying after each set. */
  staySeconds: z.optional(z.number().check(z.int(), z.minimum(0), z.maximum(120))),
  /** The other forms a condition asks for: what is shown, said and counted is the drill as it is in them. */
  forms: z.optional(z.array(z.enum(formIds)).check(z.maxLength(formIds.length))),
  /** The same in words, with why. */
  changes: z.array(z.string()),
  reasons: z.array(reasonSchema),
  byHand: z.boolean(),
  /** The cues to begin with, at most two that are new to the client. */
  cues: z.optional(z.array(z.string().check(z.maxLength(120))).check(z.maxLength(3))),
  /** Kept as it is when the rest is planned anew. */
  locked: z.optional(z.boolean()),
  /** The coach means it to contradict another item's everyday rule. */
  contrast: z.optional(z.boolean()),
  /** The weight it is done with, in kg, where the drill is loaded and it is another than the drill begins with. */
  kg: z.optional(z.number().check(z.minimum(0), z.maximum(500, 'A load is at most 500 kg.'))),
  /** A drill of the coach's own, as it stood when it was put in: a later change of it doesn't reach what was planned. */
  own: z.optional(drillSchema),
});
export type PlanItem = z.infer<typeof planItemSchema>;

/** What the coach asked for. */
export const planRequestSchema = z.object({
  intent: z.enum(intentIds),
  side: z.nullable(z.enum(['left', 'right'])),
  minutes: z.number().check(z.int(), z.minimum(5), z.maximum(60)),
  propsAtHand: z.array(z.enum(propIds)),
  leadSchool: z.enum(schoolIds),
  /** Positions that are not to be used today. */
  avoidPositions: z.optional(z.array(z.enum(positionIds))),
  /** Drills that must be in, and drills that must not. */
  musts: z.optional(z.array(z.string()).check(z.maxLength(8))),
  nevers: z.optional(z.array(z.string()).check(z.maxLength(60))),
  /** Time for talk and correction beside each drill; the usual allowance where the coach said nothing. */
  talkSeconds: z.optional(z.number().check(z.int(), z.minimum(0), z.maximum(180))),
});
export type PlanRequest = z.infer<typeof planRequestSchema>;

export const planSchema = z.object({
  request: planRequestSchema,
  /** True when the search covered everything: nothing better exists for these minutes, props and limits. */
  proven: z.boolean(),
  /** Worth of the plan in the planner's points, and how much better another could be at most, in parts of it. */
  points: z.optional(z.number()),
  atMostBetter: z.optional(z.number().check(z.minimum(0))),
  /** First answers that are done otherwise or left out, each with why; and what became of time that is left. */
  notes: z.optional(z.array(z.string().check(z.maxLength(600))).check(z.maxLength(12))),
  /** Why there is no plan, when nothing keeps all the rules. */
  impossible: z.optional(z.string()),
  items: z.array(planItemSchema).check(z.maxLength(30)),
  /** Why each drill that could have been expected is absent. */
  refusals: z.array(z.object({ drillId: z.string(), reason: reasonSchema })),
});
export type Plan = z.infer<typeof planSchema>;
