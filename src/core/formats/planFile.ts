import * as z from 'zod/mini';
import { type Plan, drillOf, planItemSchema, planRequestSchema, planTotals } from '../sequence';
import { type CertSetting, certItems, certOf } from './cert';

/** A plan as it is exported: what is done, why, the totals, and the sixteen things a prescription must state. */
export const planFileSchema = z.strictObject({
  format: z.literal('kokyu-plan'),
  version: z.literal(1),
  notice: z.string(),
  request: planRequestSchema,
  items: z.array(z.extend(planItemSchema, { drillName: z.string() })),
  totals: z.object({
    seconds: z.number(),
    breaths: z.number(),
    breathsPerMinute: z.nullable(z.number()),
    exhaleShare: z.nullable(z.number()),
    holdSeconds: z.number(),
    positionChanges: z.number(),
  }),
  reporting: z.array(z.object({ item: z.enum(certItems), answer: z.string().check(z.minLength(1)) })),
});
export type PlanFile = z.infer<typeof planFileSchema>;

export const notice = 'A coaching aid: it diagnoses nothing. Local rules and licensed care come first.';

/** @example planFile(plan, setting).reporting.length // 16 */
export function planFile(plan: Plan, setting: CertSetting): PlanFile {
  const { whole, positionChanges } = planTotals(plan.items);
  return {
    format: 'kokyu-plan',
    version: 1,
    notice,
    request: plan.request,
    items: plan.items.map((item) => ({ ...item, drillName: drillOf(item).name })),
    totals: { ...whole, positionChanges },
    reporting: certOf(plan, setting),
  };
}

/** The schema of the file for other programs: JSON Schema 2020-12 [R15]. */
export const planFileJsonSchema = (): Record<string, unknown> => ({
  ...z.toJSONSchema(planFileSchema, { target: 'draft-2020-12', io: 'output', unrepresentable: 'any' }),
  title: 'A plan',
  description: 'A plan as it is exported. Fields named Seconds are seconds.',
});
