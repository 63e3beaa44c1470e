import { type Drill, type PositionId, changeSeconds, positions } from '../catalogue';
import { holdCapSeconds } from '../dose';
import { clashes, everydayRules } from '../schools';
import { type Candidate, type Wanted } from './candidates';
import { type PlanRequest, recheckSeconds } from './plan';

/** The search is cut off by nodes, not by time, so that the answer is the same on every machine. */
export const mostNodes = 800;

/** Most items in a visit, by minutes: attention is the limit, not the clock. Common practice. */
export const mostItems = (minutes: number) => Math.min(7, 2 + Math.floor(minutes / 5));

/** Most changes between floor, chair and standing. Common practice. */
export const mostBaseChanges = 3;

/** The level may rise by at most this much from the hardest so far. Common practice: difficulty never jumps. */
const mostLevelRise = 2;

/** A plan that ends upright carries over into daily posture; that is worth a step. */
const uprightEndPoints = 120;

/** Attention lost on a change of position: points a second of it. */
const changeCostPerSecond = 2;

/** Value of a gain, falling as more is gained: the first of a thing counts most. Tenths in, points out. */
const steps: readonly { upTo: number; slope: number }[] = [
  { upTo: 30, slope: 10 },
  { upTo: 60, slope: 5 },
  { upTo: 100, slope: 2 },
];

function pointsFor(tenths: number): number {
  let points = 0;
  let from = 0;
  for (const { upTo, slope } of steps) {
    if (tenths <= from) break;
    points += (Math.min(tenths, upTo) - from) * slope;
    from = upTo;
  }
  return points;
}

/** Looked up rather than computed: the search asks a million times. Past the last step nothing more is gained. */
const pointsTable = Array.from({ length: steps.at(-1)!.upTo + 1 }, (_, tenths) => pointsFor(tenths));

/**
 * Points for a gain with diminishing returns.
 *
 * @param tenths gain in whole tenths, 0 or more
 * @example diminishing(30) // 300
 */
export function diminishing(tenths: number): number {
  return pointsTable[Math.min(tenths, pointsTable.length - 1)]!;
}

/** A choice of candidates in their order, with what it uses and is worth. */
export interface Selection {
  chosen: readonly Candidate[];
  seconds: number;
  holdSeconds: number;
  gains: readonly number[];
  baseChanges: number;
  points: number;
}

export interface Found {
  best: Selection;
  /** True when the whole space was searched: nothing better exists for this model. */
  proven: boolean;
  nodes: number;
}

const nothing = (wanted: Wanted): Selection => ({
  chosen: [],
  seconds: 0,
  holdSeconds: 0,
  gains: wanted.keys.map(() => 0),
  baseChanges: 0,
  points: 0,
});

/** Why a candidate can't follow what was chosen, in words, or null when it can. */
export function obstacle(chosen: readonly Candidate[], candidate: Candidate, request: PlanRequest): string | null {
  const last = chosen.at(-1);
  if (chosen.some(({ drill }) => drill.id === candidate.drill.id)) return 'is in the plan already';
  if (!last && candidate.stage > 0) return 'can’t come first: settling does';
  if (chosen.length >= mostItems(request.minutes)) return 'would be one thing too many for the visit';
  if (last && candidate.drill.level - Math.max(...chosen.map(({ drill }) => drill.level)) > mostLevelRise) {
    return 'would be too big a step up';
  }
  if (last?.holds && candidate.holds) return 'would put two holds back to back';
  const other = chosen.find(({ drill }) => contradict(drill, candidate.drill));
  return other ? `contradicts ${other.drill.name}` : null;
}

const clashCache = new Map<string, boolean>();

function contradict(one: Drill, other: Drill): boolean {
  if (one.stances === other.stances) return false;
  const key = `${one.id} ${other.id}`;
  let known = clashCache.get(key);
  if (known === undefined) {
    known = clashes(everydayRules(one.stances), everydayRules(other.stances)).length > 0;
    clashCache.set(key, known);
  }
  return known;
}

const base = (position: PositionId) => positions[position].base;

function extended(selection: Selection, candidate: Candidate, wanted: Wanted, request: PlanRequest): Selection | null {
  const last = selection.chosen.at(-1);
  const from = last?.item.position ?? null;
  const to = candidate.item.position;
  const change = changeSeconds(from, to);
  const seconds = selection.seconds + candidate.seconds + change;
  const holdSeconds = selection.holdSeconds + candidate.holdSeconds;
  const baseChanges = selection.baseChanges + Number(from !== null && base(from) !== base(to));
  if (seconds + recheckSeconds > request.minutes * 60) return null;
  if (holdSeconds > holdCapSeconds || baseChanges > mostBaseChanges) return null;
  if (obstacle(selection.chosen, candidate, request)) return null;
  const points = selection.points + marginalPoints(selection.gains, candidate, wanted) - change * changeCostPerSecond;
  const gains = [...selection.gains];
  for (const i of candidate.helps) gains[i]! += candidate.gains[i]!;
  return { chosen: [...selection.chosen, candidate], seconds, holdSeconds, gains, baseChanges, points };
}

const finalPoints = ({ points, chosen }: Selection) =>
  points + (chosen.length > 0 && base(chosen.at(-1)!.item.position) !== 'floor' ? uprightEndPoints : 0);

/** What a candidate would add by itself: because returns diminish, it can never add more in company. */
export function marginalPoints(gains: readonly number[], candidate: Candidate, wanted: Wanted): number {
  let points = candidate.value;
  for (const i of candidate.helps) {
    points += wanted.weights[i]! * (diminishing(gains[i]! + candidate.gains[i]!) - diminishing(gains[i]!));
  }
  return points;
}

/**
 * Depth first over the ordered candidates with a bound. The bound adds the best marginal points of as many further
 * drills as there is room for and leaves the cost of changes out; since returns diminish it never lies below the truth.
 *
 * @param candidates in their total order
 * @source formulation in docs/planner.md
 */
export function search(
  candidates: readonly Candidate[],
  wanted: Wanted,
  request: PlanRequest,
  nodeCap = mostNodes,
): Found {
  let best = improved(nothing(wanted), candidates, wanted, request);
  let nodes = 0;
  let cut = false;
  const room = mostItems(request.minutes);
  const longest = request.minutes * 60 - recheckSeconds;

  const visit = (selection: Selection, from: number) => {
    if (cut) return;
    nodes += 1;
    if (nodes > nodeCap) {
      cut = true;
      return;
    }
    if (finalPoints(selection) > finalPoints(best)) best = selection;
    const places = room - selection.chosen.length;
    if (places === 0) return;
    const options: Option[] = [];
    for (let index = from; index < candidates.length; index += 1) {
      const candidate = candidates[index]!;
      if (selection.seconds + candidate.seconds > longest) continue;
      const marginal = marginalPoints(selection.gains, candidate, wanted);
      if (marginal + uprightEndPoints > 0) options.push({ index, marginal, drillId: candidate.drill.id });
    }
    options.sort((a, b) => b.marginal - a.marginal || a.index - b.index);
    const company = bestCompany(options, places);
    for (const option of options) {
      const bound = selection.points + option.marginal + company(option.drillId) + uprightEndPoints;
      if (bound <= finalPoints(best)) continue;
      // Everything after this one in the order may still follow it; what comes before it may not.
      const next = extended(selection, candidates[option.index]!, wanted, request);
      if (next) visit(next, option.index + 1);
    }
  };
  visit(nothing(wanted), 0);
  return { best, proven: !cut, nodes };
}

interface Option {
  index: number;
  marginal: number;
  drillId: string;
}

/** The most that other drills can add beside one, one option a drill, up to the places left. Options are sorted. */
function bestCompany(options: readonly Option[], places: number): (drillId: string) => number {
  const top: Option[] = [];
  for (const option of options) {
    if (option.marginal <= 0 || top.length > places) break;
    if (!top.some(({ drillId }) => drillId === option.drillId)) top.push(option);
  }
  return (drillId) =>
    top
      .filter((option) => option.drillId !== drillId)
      .slice(0, places - 1)
      .reduce((sum, { marginal }) => sum + marginal, 0);
}

/** A good plan to start from: add, exchange or drop one at a time as long as it helps. */
function improved(start: Selection, candidates: readonly Candidate[], wanted: Wanted, request: PlanRequest): Selection {
  const order = new Map(candidates.map((candidate, index) => [candidate, index]));
  const build = (chosen: readonly Candidate[]) =>
    [...chosen]
      .sort((a, b) => order.get(a)! - order.get(b)!)
      .reduce<Selection | null>((sum, next) => sum && extended(sum, next, wanted, request), nothing(wanted));
  let best = start;
  for (;;) {
    const tries = neighbours(best.chosen, candidates)
      .map(build)
      .filter((selection): selection is Selection => selection !== null);
    const next = tries.reduce((top, one) => (finalPoints(one) > finalPoints(top) ? one : top), best);
    if (next === best) return best;
    best = next;
  }
}

function neighbours(chosen: readonly Candidate[], candidates: readonly Candidate[]): Candidate[][] {
  const ids = new Set(chosen.map(({ drill }) => drill.id));
  const fresh = candidates.filter(({ drill }) => !ids.has(drill.id));
  const added = fresh.map((candidate) => [...chosen, candidate]);
  const exchanged = chosen.flatMap((out) => {
    const kept = chosen.filter((one) => one !== out);
    const moved = candidates.filter((candidate) => candidate !== out && candidate.drill.id === out.drill.id);
    return [...fresh, ...moved].map((candidate) => [...kept, candidate]);
  });
  const dropped = chosen.map((out) => chosen.filter((one) => one !== out));
  return [...added, ...exchanged, ...dropped];
}
