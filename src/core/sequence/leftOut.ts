import { type Drill } from '../catalogue';
import { type Reason } from '../reasons';
import { type Plan } from './planSchema';
import { because } from './reasonRules';

/** What nothing speaks against: the planner takes it, and the coach has not. */
const byHand: Reason = {
  ...because('yourWord', 'The planner’s own plan would have it; yours does without.'),
  provenance: { kind: 'set by you' },
};

/**
 * The drills a plan does without, each with what keeps it out.
 *
 * @param drills all there are
 * @param told reasons as the planner gave them for what this plan was asked with
 * @source common practice
 * @example leftOut(plan, allDrills(context), plan.refusals)[0].reason.what
 */
export function leftOut(
  { items }: Pick<Plan, 'items'>,
  drills: readonly Drill[],
  told: Plan['refusals'],
): { drill: Drill; reason: Reason }[] {
  const inPlan = new Set(items.map(({ drillId }) => drillId));
  const reasons = new Map(told.map(({ drillId, reason }) => [drillId, reason]));
  return drills
    .filter(({ id }) => !inPlan.has(id))
    .map((drill) => ({ drill, reason: reasons.get(drill.id) ?? byHand }));
}
