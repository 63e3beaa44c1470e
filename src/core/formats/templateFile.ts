import * as z from 'zod/mini';
import { type Plan, type PlanItem, planItemSchema } from '../sequence';

/** A plan without anything of a client: no reasons, no limits, no history; sides as both. */
export const templateSchema = z.strictObject({
  items: z
    .array(z.omit(planItemSchema, { id: true, reasons: true, changes: true, byHand: true, locked: true }))
    .check(z.minLength(1, 'A template needs at least one drill.'), z.maxLength(30)),
  minutes: z.number().check(z.int(), z.minimum(5), z.maximum(60)),
  leadSchool: z.string().check(z.maxLength(40)),
});
export type Template = z.infer<typeof templateSchema>;

/**
 * Takes what may be kept of a plan for other clients.
 *
 * @example 'reasons' in templateOf(plan).items[0] // false; nor an id
 */
export function templateOf({ items, request }: Plan): Template {
  return {
    minutes: request.minutes,
    leadSchool: request.leadSchool,
    items: items.map(
      ({
        drillId,
        position,
        props,
        side,
        cadences,
        breaths,
        sets,
        restSeconds,
        setUpSeconds,
        staySeconds,
        contrast,
        own,
      }) => ({
        drillId,
        position,
        props,
        side: side === 'none' ? 'none' : 'both',
        cadences,
        breaths,
        sets,
        restSeconds,
        setUpSeconds,
        ...(staySeconds === undefined ? {} : { staySeconds }),
        ...(contrast ? { contrast } : {}),
        ...(own ? { own } : {}),
      }),
    ),
  };
}

/**
 * Items of a template for a client. Nothing is repaired: what is off for them today is shown when the plan is checked.
 *
 * @param newId gives ids for the items
 */
export const itemsOf = (template: Template, newId: () => string): PlanItem[] =>
  template.items.map((item) => ({ ...item, id: newId(), changes: [], reasons: [], byHand: true }));
