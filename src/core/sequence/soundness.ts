import { type Drill, drillSchema } from '../catalogue';
import { inEnglish } from '../reasons';
import { type Plan } from './planSchema';
import { because } from './reasonRules';
import { type PlanContext } from './setting';

/** What is wrong with a drill as data, in one sentence; null for a sound one. Asked of the same few drills again and again. */
const faultsKnown = new WeakMap<Drill, string | null>();
function drillFault(drill: Drill): string | null {
  const known = faultsKnown.get(drill);
  if (known !== undefined) return known;
  const issue = drillSchema.safeParse(drill, inEnglish).error?.issues[0];
  const fault = issue ? `${issue.path.join(' ')}: ${issue.message}` : null;
  faultsKnown.set(drill, fault);
  return fault;
}

/** What is planned with, without drills of the coach's own that no longer fit the schema; each of those is said to be left out. */
export function soundOnly(context: PlanContext): { context: PlanContext; refusals: Plan['refusals'] } {
  const told = (context.ownDrills ?? []).map((drill) => ({ drill, fault: drillFault(drill) }));
  if (told.every(({ fault }) => fault === null)) return { context, refusals: [] };
  return {
    context: { ...context, ownDrills: told.flatMap(({ drill, fault }) => (fault === null ? [drill] : [])) },
    refusals: told.flatMap(({ drill, fault }) =>
      fault === null
        ? []
        : [
            {
              drillId: String(drill.id),
              reason: because('sound', `Can’t be planned with: ${fault}. Put it right in the catalogue.`),
            },
          ],
    ),
  };
}
