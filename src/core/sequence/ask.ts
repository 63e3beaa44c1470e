import { type PropId, propList, props } from '../catalogue';
import { type SchoolId, schoolIds, schools } from '../schools';
import { type PlanContext, allDrills } from './candidates';
import { layOut } from './layOut';
import { type PlanItem, type PlanRequest } from './plan';
import { search } from './search';

/** What another wish would do to the plan. */
export interface WhatIf {
  kind: 'minutes' | 'prop' | 'school';
  /** In words: “25 minutes”, “with a straw”, “led by quiet chest”. */
  change: string;
  request: PlanRequest;
  comesIn: string[];
  goesOut: string[];
  /** Worth against the plan as asked; worths of different schools are not compared. */
  points: number | null;
}

/**
 * What would change if there were other minutes, one prop more or less, or another lead school: each solved anew, those
 * that change nothing left out.
 *
 * @example whatWouldChange(request, context)[0]?.comesIn // ['Towel hug']
 */
export function whatWouldChange(request: PlanRequest, context: PlanContext): WhatIf[] {
  const names = new Map(allDrills(context).map(({ id, name }) => [id, name]));
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
  return variants.flatMap(([kind, change, asked]) => {
    const other = best(asked, context);
    const nameOf = (id: string) => names.get(id) ?? id;
    const comesIn = other.drills.filter((id) => !base.drills.includes(id)).map(nameOf);
    const goesOut = base.drills.filter((id) => !other.drills.includes(id)).map(nameOf);
    if (comesIn.length + goesOut.length === 0) return [];
    const points = kind === 'school' ? null : other.points - base.points;
    return [{ kind, change, request: asked, comesIn, goesOut, points }];
  });
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

function best(request: PlanRequest, context: PlanContext) {
  const { problem, candidates } = layOut(request, context);
  const found = search(problem);
  return { points: found.points, drills: found.chosen.map((index) => candidates[index]!.drill.id) };
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
  context: PlanContext,
  locked: readonly PlanItem[] = [],
): Loss[] {
  const { problem, candidates } = layOut(request, context, locked);
  const nameOf = (index: number) => candidates[index]!.drill.name;
  const base = search(problem);
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
