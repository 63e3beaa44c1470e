import { type Drill } from '../catalogue';
import { isHold, nextBreaths } from '../dose';
import { because } from './reasonRules';
import { absentReasons, presentReasons } from './explain';
import { type LaidOut, layOut } from './layOut';
import { talkOf } from './rules';
import { type Near, told } from './near';
import { type Plan, type PlanItem, type PlanRequest } from './planSchema';
import { drillOf, planTotals } from './plan';
import { type Gates } from '../safety';
import { refusalsOf } from './fit';
import { type PlanningProblem } from './problem';
import { type Effort, type Found, search } from './search';
import { type PlanContext } from './setting';
import { soundOnly } from './soundness';

export interface PlanOptions extends Effort {
  /** Items that are to stay as they are, in their order. */
  locked?: readonly PlanItem[];
  /** What it was shown beside, as what would change: of plans that are worth the same it is the one that was shown. */
  beside?: PlanRequest;
}

/**
 * Makes a plan for an intent: settles first, exhale before inhale work where the intent asks for it, gentle to demanding,
 * carried into the day at the end, within the minutes, the props, the gates and the caps. The answer is one and the same
 * everywhere; `proven` says whether the whole space was searched, `atMostBetter` how much better another plan could be.
 *
 * @param request what the coach asked for
 * @param given gates, yields and history
 * @param newId gives ids for the items
 * @returns the plan; without items, and `impossible` saying why, when no choice keeps all the rules
 * @example makePlan(request, context, () => crypto.randomUUID()).items.length
 */
export function makePlan(
  request: PlanRequest,
  given: PlanContext,
  newId: () => string,
  { locked = [], beside, ...effort }: PlanOptions = {},
): Plan {
  const { context, refusals } = soundOnly(given);
  const near = beside ? solved(solve(beside, context)) : undefined;
  const { laid, found, leftOut } = solve(request, context, locked, near ? { ...effort, near } : effort);
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
  const notes = [...laid.notes, ...leftOut, ...timeLeft(items, request)];
  return {
    request,
    proven: found.proven,
    points: found.points,
    atMostBetter: betterAtMost(found),
    ...(impossible ? { impossible } : {}),
    ...(notes.length > 0 && items.length > 0 ? { notes } : {}),
    items,
    refusals: [...laid.refusals, ...refusals, ...absentReasons(found.chosen, laid, context)],
  };
}

/**
 * The best plan with the first answers in; where the rules leave no room for them, with fewer, which is said.
 *
 * @param near a problem close to this one that was solved before: its answer makes the search short or needless
 */
export function solve(
  request: PlanRequest,
  context: PlanContext,
  locked: readonly PlanItem[] = [],
  { near, ...effort }: Effort & { near?: Near } = {},
): { laid: LaidOut; found: Found; leftOut: string[] } {
  const wished = layOut(request, context, locked);
  let provenSo = true;
  for (let answers = wished.firstAnswers.length; ; answers -= 1) {
    const laid = answers === wished.firstAnswers.length ? wished : layOut(request, context, locked, answers);
    const found = answered(laid.problem, effort, near);
    if (found.chosen.length === 0 && answers > 0) {
      provenSo &&= found.proven;
      continue;
    }
    const nameOf = (id: string) => laid.candidates.find(({ drill }) => drill.id === id)?.drill.name ?? id;
    const why = provenSo ? 'keeps the rules with it' : 'with it was found that keeps the rules';
    const leftOut = wished.firstAnswers
      .filter(
        (id) => !laid.firstAnswers.includes(id) && !found.chosen.some((at) => laid.candidates[at]!.drill.id === id),
      )
      .map((id) => `${nameOf(id)}, a first answer, is left out: no plan of ${request.minutes} minutes ${why}.`);
    return { laid, found, leftOut };
  }
}

/** A problem as it was laid out, with its answer, to hold others against. */
export const solved = ({ laid: { problem }, found }: { laid: LaidOut; found: Found }): Near => ({ problem, found });

function answered(problem: PlanningProblem, effort: Effort, near: Near | undefined): Found {
  if (!near) return search(problem, effort);
  const { chosen, proven } = told(near, problem);
  if (proven) return { ...near.found, chosen };
  return search(problem, chosen.length > 0 ? { ...effort, known: chosen } : effort);
}

/** Seconds of a plan with its recheck and the talk beside each drill. */
export const secondsWithTalk = (items: readonly PlanItem[], request: PlanRequest) =>
  planTotals(items).whole.seconds + items.length * talkOf(request);

/** A way to give a drill more time; null where that is as much as it takes. */
type Fuller = (item: PlanItem, drill: Drill) => PlanItem | null;

const moreBreaths: Fuller = (item, drill) => {
  const breaths = nextBreaths(drill.breaths, item.breaths, 1);
  return breaths === item.breaths ? null : { ...item, breaths };
};
/** Once more after a rest: what a set is good for comes with the second. */
const anotherSet: Fuller = (item, drill) => (item.sets < drill.sets.max ? { ...item, sets: item.sets + 1 } : null);

/** In this order, each for every drill in turn: never more than two steps of dose, and one set. Common practice. */
const fullerWays: readonly Fuller[] = [moreBreaths, moreBreaths, anotherSet];

/**
 * Where there is time left, a step more of each drill in turn and then another set, as long as it fits; what is kept by hand
 * and what carries over stay as they are.
 */
export function fillTime(items: PlanItem[], request: PlanRequest, gates: Gates) {
  for (const way of fullerWays) {
    items.forEach((item, i) => {
      const drill = drillOf(item);
      if (item.locked || drill.family === 'carry' || drill.breath.kind === 'ladder' || item.cadences.some(isHold))
        return;
      const fuller = way(item, drill);
      if (!fuller) return;
      const then = [...items.slice(0, i), fuller, ...items.slice(i + 1)];
      if (secondsWithTalk(then, request) > request.minutes * 60 || refusalsOf(fuller, gates).length > 0) return;
      // The reason of a dose stands last.
      items[i] = { ...fuller, reasons: [...item.reasons.slice(0, -1), fullerReason] };
    });
  }
}

/** Time that nothing fills is spoken for: what it is good for, in a sentence. */
function timeLeft(items: readonly PlanItem[], request: PlanRequest): string[] {
  const left = request.minutes * 60 - secondsWithTalk(items, request);
  if (items.length === 0 || left < spareFromSeconds) return [];
  return [
    `${Math.round(left / 60)} minutes are left: no drill or step of dose that answers this fits them well. Keep them for talk, a second recheck, or add a drill by hand.`,
  ];
}
const spareFromSeconds = 150;

const fullerReason = because('minutes', 'More than the dose it would have had: there is time for it.');

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
