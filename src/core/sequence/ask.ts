import { cycleSeconds } from '../cadence';
import { segmentsOf, totalsOf } from '../dose';
import { type PropId, propList, props } from '../catalogue';
import { type SchoolId, schoolIds, schools } from '../schools';
import { fillTime, secondsWithTalk, solve, solved } from './makePlan';
import { type Near } from './near';
import { type PlanItem, type PlanRequest } from './planSchema';
import { search } from './search';
import { type PlanContext } from './setting';
import { soundOnly } from './soundness';

/** One drill of a plan that is only compared: as much of it as a small score shows. */
interface SmallItem {
  drillId: string;
  name: string;
  /** With the change into its position, and without the talk beside it. */
  seconds: number;
  /** Part of a breath that is the inhale. */
  inhalePart: number;
}

/** A plan as a small score, and how long it takes with everything. */
export interface SmallPlan {
  items: readonly SmallItem[];
  minutes: number;
}

/** What another wish would do to the plan. */
export interface WhatIf extends SmallPlan {
  kind: 'minutes' | 'prop' | 'school';
  /** In words: “25 minutes”, “with a straw”, “led by quiet chest”. */
  change: string;
  request: PlanRequest;
  comesIn: string[];
  goesOut: string[];
  /** Worth against the plan as asked; worths of different schools are not compared. */
  points: number | null;
  /** The same as a part of today's worth, 1 being the same. */
  worth: number | null;
}

/**
 * What would change if there were other minutes, one prop more or less, or another lead school: each solved anew, those
 * that change nothing left out; with the plan as asked beside them.
 *
 * @example whatWouldChange(request, context).variants[0]?.points
 */
export function whatWouldChange(request: PlanRequest, given: PlanContext): { today: SmallPlan; variants: WhatIf[] } {
  const { context } = soundOnly(given);
  const base = best(request, context);
  const variants: [WhatIf['kind'], string, PlanRequest][] = [
    ...[-5, 5, 10]
      .map((more) => request.minutes + more)
      .filter((minutes) => minutes >= 5 && minutes <= 60)
      .map((minutes): [WhatIf['kind'], string, PlanRequest] => [
        'minutes',
        `${minutes} minutes`,
        { ...request, minutes },
      ]),
    ...propList
      .filter(({ id }) => id !== 'lips' && id !== 'hiss')
      .map(({ id }): [WhatIf['kind'], string, PlanRequest] => ['prop', propWords(id, request), otherProp(id, request)]),
    ...schoolIds
      .filter((id) => id !== request.leadSchool)
      .map((id): [WhatIf['kind'], string, PlanRequest] => ['school', schoolWords(id), { ...request, leadSchool: id }]),
  ];
  const told = new Set<string>();
  const found = variants.flatMap(([kind, change, asked]): WhatIf[] => {
    const other = best(asked, context, base.solved);
    const without = (these: readonly SmallItem[], those: readonly SmallItem[]) =>
      these.filter(({ drillId }) => !those.some((one) => one.drillId === drillId)).map(({ name }) => name);
    const comesIn = without(other.items, base.items);
    const goesOut = without(base.items, other.items);
    if (comesIn.length + goesOut.length === 0) return [];
    // Ten minutes more that bring what five did are told once.
    const same = other.items.map(({ drillId }) => drillId).join(' ');
    if (kind === 'minutes' && told.has(same)) return [];
    told.add(same);
    const points = kind === 'school' ? null : other.points - base.points;
    const worth = points === null || base.points <= 0 ? null : other.points / base.points;
    const { items, minutes } = other;
    return [{ kind, change, request: asked, comesIn, goesOut, points, worth, items, minutes }];
  });
  return { today: { items: base.items, minutes: base.minutes }, variants: found };
}

const propWords = (id: PropId, { propsAtHand }: PlanRequest) =>
  `${propsAtHand.includes(id) ? 'without' : 'with'} ${props[id].name}`;
const schoolWords = (id: SchoolId) => `led by ${schools[id].name}`;

const otherProp = (id: PropId, request: PlanRequest): PlanRequest => ({
  ...request,
  propsAtHand: request.propsAtHand.includes(id)
    ? request.propsAtHand.filter((other) => other !== id)
    : [...request.propsAtHand, id],
});

function best(request: PlanRequest, context: PlanContext, near?: Near): SmallPlan & { points: number; solved: Near } {
  const answer = solve(request, context, [], near ? { near } : {});
  const { laid, found } = answer;
  const chosen = found.chosen.map((index) => laid.candidates[index]!);
  const items = chosen.map(({ item }): PlanItem => ({ ...item, id: item.drillId, byHand: false, reasons: [] }));
  fillTime(items, request, context.gates);
  const small = items.map((item, i): SmallItem => {
    const previous = items[i - 1];
    const change = previous ? laid.problem.change[previous.position]![item.position]!.seconds : 0;
    const [breath] = item.cadences;
    return {
      drillId: item.drillId,
      name: chosen[i]!.drill.name,
      seconds: totalsOf(segmentsOf(item)).seconds + change,
      inhalePart: breath ? breath.inhaleSeconds / cycleSeconds(breath) : 0.5,
    };
  });
  return {
    solved: solved(answer),
    points: found.points,
    items: small,
    minutes: items.length > 0 ? secondsWithTalk(items, request) / 60 : 0,
  };
}

/** What it would cost to have an absent drill in: worth lost, and what it would push out. */
export interface Loss {
  drillId: string;
  /** Part of the plan's worth, 0 to 1; null when no plan with it keeps the rules. */
  part: number | null;
  pushesOut: string[];
}

/**
 * The exact price of a drill that is not in the plan: the best plan with it against the best without.
 *
 * @param drillIds drills that could be chosen; one without any candidate answers null
 */
export function priceOf(
  drillIds: readonly string[],
  request: PlanRequest,
  given: PlanContext,
  locked: readonly PlanItem[] = [],
): Loss[] {
  const { context } = soundOnly(given);
  const {
    laid: { problem, candidates },
    found: base,
  } = solve(request, context, locked);
  const nameOf = (index: number) => candidates[index]!.drill.name;
  return drillIds.map((drillId) => {
    if (!candidates.some(({ drill }) => drill.id === drillId)) return { drillId, part: null, pushesOut: [] };
    const forced = search({ ...problem, musts: [...problem.musts, drillId] });
    if (forced.chosen.length === 0) return { drillId, part: null, pushesOut: [] };
    const still = new Set(forced.chosen.map((index) => candidates[index]!.drill.id));
    return {
      drillId,
      part: base.points > 0 ? Math.max(0, base.points - forced.points) / base.points : 0,
      pushesOut: base.chosen.filter((index) => !still.has(candidates[index]!.drill.id)).map(nameOf),
    };
  });
}
