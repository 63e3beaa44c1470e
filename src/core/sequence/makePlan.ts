import { isHold, nextBreaths } from '../dose';
import { type Reason, commonPractice } from '../reasons';
import { type PlanContext } from './candidates';
import { absentReasons, presentReasons } from './explain';
import { type LaidOut, layOut } from './layOut';
import { type Plan, type PlanItem, type PlanRequest, drillOf, planTotals } from './plan';
import { type Gates } from '../safety';
import { refusalsOf } from './fit';
import { fullerFromMinutes } from './rules';
import { type Effort, type Found, search } from './search';

export interface PlanOptions extends Effort {
  /** Items that are to stay as they are, in their order. */
  locked?: readonly PlanItem[];
}

/**
 * Makes a plan for an intent: settles first, exhale before inhale work where the intent asks for it, gentle to demanding,
 * carried into the day at the end, within the minutes, the props, the gates and the caps. The answer is one and the same
 * everywhere; `proven` says whether the whole space was searched, `atMostBetter` how much better another plan could be.
 *
 * @param request what the coach asked for
 * @param context gates, yields and history
 * @param newId gives ids for the items
 * @returns the plan; without items, and `impossible` saying why, when no choice keeps all the rules
 * @example makePlan(request, context, () => crypto.randomUUID()).items.length
 */
export function makePlan(
  request: PlanRequest,
  context: PlanContext,
  newId: () => string,
  { locked = [], ...effort }: PlanOptions = {},
): Plan {
  const laid = layOut(request, context, locked);
  const found = search(laid.problem, effort);
  const chosen = found.chosen.map((index) => laid.candidates[index]!);
  const { impossible } = chosen.length === 0 ? { impossible: whyImpossible(laid) } : {};
  const items = chosen.map((candidate, i): PlanItem => {
    const kept = locked.find(({ drillId }) => candidate.dose === 'kept' && drillId === candidate.drill.id);
    // What was kept is done in the forms that today asks for.
    if (kept) return { ...kept, ...candidate.item };
    return {
      ...candidate.item,
      id: newId(),
      byHand: false,
      reasons: presentReasons(candidate, i, chosen, laid, context),
    };
  });
  fillTime(items, request, context.gates);
  return {
    request,
    proven: found.proven,
    points: found.points,
    atMostBetter: betterAtMost(found),
    ...(impossible ? { impossible } : {}),
    items,
    refusals: [...laid.refusals, ...absentReasons(found.chosen, laid, context)],
  };
}

/**
 * Where there is time left, one step more of each drill, in order, as long as it fits; what is kept by hand and what
 * carries over stay as they are.
 */
function fillTime(items: PlanItem[], request: PlanRequest, gates: Gates) {
  if (request.minutes < fullerFromMinutes) return;
  items.forEach((item, i) => {
    const drill = drillOf(item);
    if (item.locked || drill.family === 'carry' || drill.breath.kind === 'ladder' || item.cadences.some(isHold)) return;
    const breaths = nextBreaths(drill.breaths, item.breaths, 1);
    if (breaths === item.breaths) return;
    const fuller = { ...item, breaths };
    const { whole } = planTotals([...items.slice(0, i), fuller, ...items.slice(i + 1)]);
    if (whole.seconds > request.minutes * 60 || refusalsOf(fuller, gates).length > 0) return;
    items[i] = { ...fuller, reasons: [...item.reasons.slice(0, -1), fullerReason] };
  });
}

const fullerReason: Reason = {
  what: 'One step more than the dose it would have had: there is time for it.',
  rule: 'Minutes of the visit',
  records: [],
  provenance: commonPractice,
};

/** How much better a plan could be than the one found, as a part of its worth; 0 when proven. */
function betterAtMost({ proven, points, atMost }: Found): number {
  return proven || points <= 0 ? 0 : (atMost - points) / points;
}

/** What stands in the way when nothing keeps all the rules: the thing without which a plan exists. */
function whyImpossible({ problem, candidates }: LaidOut): string {
  const nameOf = (id: string) => candidates.find(({ drill }) => drill.id === id)?.drill.name ?? id;
  for (const must of problem.musts) {
    const without = search({ ...problem, musts: problem.musts.filter((id) => id !== must) });
    if (without.chosen.length > 0)
      return `No plan keeps all the rules with “${nameOf(must)}” in it. Unlock it, or give more minutes.`;
  }
  if (problem.musts.length > 0) return 'No plan keeps all the rules with everything that is locked. Unlock some of it.';
  return 'Nothing that is allowed today fits these minutes and props. Give more minutes, or allow more positions.';
}
