import { type Drill, type PositionId } from '../catalogue';
import { type Candidate, candidateOf, gatherCandidates } from './candidates';
import { clashingPairs } from './allowance';
import { problemOf } from './layOut';
import { talkOf } from './rules';
import { type PlanItem, type PlanRequest } from './planSchema';
import { knownDrill } from './plan';
import { type Tally, tally } from './tally';
import { inShort } from './planRules';
import { type PlanContext, settingOf } from './setting';
import { soundOnly } from './soundness';

/**
 * What a plan as it stands is worth in the planner's points, in its own order, whoever made it, and the first hard rule it
 * breaks in words.
 */
export function weighPlan(items: readonly PlanItem[], request: PlanRequest, context: PlanContext): Tally {
  const setting = settingOf(request, context);
  return weighed(
    items.flatMap((item) => {
      const drill = knownDrill(item);
      return drill ? [candidateOf(drill, item, setting, 'kept')] : [];
    }),
    setting.wanted.weights,
    request,
  );
}

function weighed(candidates: readonly Candidate[], weights: readonly number[], request: PlanRequest) {
  const problem = {
    ...problemOf(candidates, weights, request),
    clashes: clashingPairs(candidates),
    settleFirst: true,
    carryLast: true,
  };
  return tally(
    problem,
    candidates.map((_, index) => index),
  );
}

/** A drill that could stand in an item's place or be added, and what that would cost. */
export interface Alternative {
  drill: Drill;
  item: Omit<PlanItem, 'id'>;
  relation: 'easier' | 'harder' | 'another way' | 'other';
  /** Worth of the plan with it, as a part of its worth now: 0.95 is five per cent less. */
  worth: number;
  /** Seconds the visit gets longer or shorter by. */
  seconds: number;
  /** Changes of position more or fewer. */
  changes: number;
  /** A rule the plan would break with it that it does not break now, in words. */
  breaks: string | null;
}

const relationOf = ({ id }: Drill, current: Drill | undefined): Alternative['relation'] =>
  id === current?.easier
    ? 'easier'
    : id === current?.harder
      ? 'harder'
      : id === current?.otherWay
        ? 'another way'
        : 'other';

/**
 * What could stand in an item's place, or be added: its easier and harder neighbours first, then by what the plan would be
 * worth with it, each with its price.
 *
 * @param items the plan as it stands
 * @param at the place to fill
 * @param mode whether what stands there goes
 */
export function alternatives(
  request: PlanRequest,
  given: PlanContext,
  items: readonly PlanItem[],
  at: number,
  mode: 'swap' | 'add',
): Alternative[] {
  const { context } = soundOnly(given);
  const { candidates, wanted } = gatherCandidates(request, context, { byHand: true });
  const setting = settingOf(request, context);
  const current = mode === 'swap' ? knownDrill(items[at]!) : undefined;
  const taken = new Set(items.filter((_, i) => mode === 'add' || i !== at).map(({ drillId }) => drillId));
  const standing = items.flatMap((item) => {
    const drill = knownDrill(item);
    return drill ? [candidateOf(drill, item, setting, 'kept')] : [];
  });
  const before = standing.slice(0, at);
  const after = standing.slice(mode === 'swap' ? at + 1 : at);
  const now = weighed(standing, wanted.weights, request);
  const changesNow = changesOf(standing.map(({ item }) => item.position));
  const best = new Map<string, Alternative & { points: number }>();
  for (const candidate of candidates) {
    const { drill, item } = candidate;
    if (taken.has(drill.id) || (drill.id === current?.id && item.position === items[at]!.position)) continue;
    const whole = [...before, candidate, ...after];
    const then = weighed(whole, wanted.weights, request);
    const known = best.get(drill.id);
    if (known && known.points >= then.points) continue;
    const [fresh] = then.broken.filter((code) => !now.broken.includes(code));
    best.set(drill.id, {
      drill,
      item: { ...item, reasons: [], byHand: true },
      relation: relationOf(drill, current),
      points: then.points,
      worth: now.points > 0 ? then.points / now.points : 1,
      // The talk beside a drill that is added is allowed for elsewhere.
      seconds: then.seconds - now.seconds - (whole.length - standing.length) * talkOf(request),
      changes: changesOf(whole.map((one) => one.item.position)) - changesNow,
      breaks: fresh ? inShort(fresh) : null,
    });
  }
  const order = { easier: 0, harder: 1, 'another way': 2, other: 3 };
  return [...best.values()]
    .sort(
      (a, b) =>
        order[a.relation] - order[b.relation] ||
        Number(a.breaks !== null) - Number(b.breaks !== null) ||
        b.points - a.points,
    )
    .map(({ points: _, ...alternative }) => alternative);
}

const changesOf = (list: readonly PositionId[]) => list.slice(1).filter((position, i) => position !== list[i]).length;
