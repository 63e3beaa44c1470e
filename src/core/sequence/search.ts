import { type Compiled, compile } from './compile';
import { leastSeconds } from './least';
import { type PlanningProblem } from './problem';
import { findPrices, firstPrices } from './prices';
import { type Prices, type Relaxation, blockSize, certain, highsOf, layerOf, relax, worthKeeping } from './relaxation';
import { Incumbent, type State, complete, fits, mayCome, nothingChosen, pointsOf, putBack, take } from './state';

/** The search is cut off by nodes, not by time, so that the answer is the same on every machine. */
const mostNodes = 60_000;

export interface Found {
  /** Indices of the chosen items, in their order; empty when nothing keeps all the rules. */
  chosen: number[];
  points: number;
  /** True when the whole space was searched: nothing better exists for this problem. */
  proven: boolean;
  /** No choice can be worth more than this. Equal to the points when proven. */
  atMost: number;
  nodes: number;
}

export interface Effort {
  /** Nodes after which the search stops and says how much better could still be possible. */
  nodes?: number;
  /** A choice that is known to keep the rules, to begin from. */
  known?: readonly number[];
}

/** Steps in search of prices: three times at the start, and again further down. */
const firstRounds = [60, 50, 50];
const laterRounds = 25;
/** Sets of prices kept for the way down. */
const keepers = 2;
/** Nodes given to the way down before prices are sought anew. */
const patience = 4000;
/** Nodes given to each way on with the prices there are, before it gets some of its own. */
const glance = 200;
const beamWidth = 12;

interface Option {
  at: number;
  bound: number;
}

interface Hunt {
  c: Compiled;
  state: State;
  best: Incumbent;
  nodes: number;
  cap: number;
  /** The most that anything left unsearched can be worth. */
  openBound: number;
}

/** Whether a bound leaves room for a plan that is worth more; worths are whole. */
const beats = (bound: number, points: number) => bound > points && bound + 1e-6 >= points + 1;

/**
 * Finds the best choice. Prices for the bound come first, and with them good plans to begin from; whatever can't be part of
 * a better plan is left out for good. The rest is searched depth first in its order; where the way down takes too long, prices
 * are sought anew for what is left to choose at that point, which makes the bound close again.
 *
 * @returns the best choice with proof, or the best so far with the most that any other could be worth
 * @source the formulation in docs/planner.md
 * @example search(problem).proven
 */
export function search(problem: PlanningProblem, { nodes: cap = mostNodes, known }: Effort = {}): Found {
  const c = compile(problem);
  const best = new Incumbent(c);
  if (known) best.offer(known);
  const hunt: Hunt = {
    c,
    state: nothingChosen(c),
    best,
    nodes: 0,
    cap,
    openBound: Number.NEGATIVE_INFINITY,
  };
  // Where not even the musts fit into the minutes there is nothing to search.
  if (problem.musts.length === 0 || leastSeconds(problem) <= problem.mostSeconds) begin(hunt);
  const points = best.points > Number.NEGATIVE_INFINITY ? best.points : 0;
  const atMost = Math.max(points, Math.floor(hunt.openBound + 1e-6));
  return { chosen: best.chosen, points, proven: atMost <= points, atMost, nodes: hunt.nodes };
}

/** The start: prices, a good plan, prices again with the good plan as the aim. */
function begin(hunt: Hunt) {
  const { c, state, best } = hunt;
  const toChoose = c.problem.mostItems;
  let items = c.reachable;
  let prices = firstPrices(c);
  let bound = Number.POSITIVE_INFINITY;
  for (const most of firstRounds) {
    const list = items;
    const found = findPrices(c, list, state, prices, most, 1, (path) => {
      best.offerRepaired(path.map((j) => list[j]!));
      return best.points;
    });
    hunt.nodes += found.rounds;
    bound = Math.min(bound, found.bound);
    prices = found.kept[0]!;
    if (!beats(bound, best.points)) return;
    const table = relax(c, list, toChoose, prices);
    beam(c, table, beamWidth, best);
    if (!beats(bound, best.points)) return;
    items = worthKeeping(c, table, state, best.points);
  }
  explore(hunt, items, prices, bound);
}

/** Searches everything that can follow the state over some items. */
function explore(hunt: Hunt, items: Int32Array, from: Prices, ceiling: number) {
  const { c, state, best } = hunt;
  if (hunt.nodes >= hunt.cap) {
    hunt.openBound = Math.max(hunt.openBound, ceiling);
    return;
  }
  const { kept, bound, rounds } = findPrices(c, items, state, from, laterRounds, keepers, () => best.points);
  hunt.nodes += rounds;
  const most = Math.min(ceiling, bound);
  if (!beats(most, best.points)) return;
  const toChoose = c.problem.mostItems - state.chosen.length;
  const first = relax(c, items, toChoose, kept[0]!);
  const left = worthKeeping(c, first, state, best.points);
  const tables = kept.map((prices) => relax(c, left, toChoose, prices));
  if (descend(hunt, left, tables, Math.min(hunt.cap, hunt.nodes + patience))) return;
  for (const { at, bound: own } of options(hunt, left, tables, 0, certainBy(hunt, tables))) {
    const ceilingHere = Math.min(most, own);
    if (!beats(ceilingHere, best.points)) return;
    take(c, state, left[at]!);
    if (complete(c, state) && pointsOf(c, state) > best.points) best.offer(state.chosen);
    // What is soon seen through needs no prices of its own.
    if (
      state.chosen.length < c.problem.mostItems &&
      !descend(hunt, left, tables, Math.min(hunt.cap, hunt.nodes + glance), at + 1)
    ) {
      explore(hunt, compatible(c, state, left.subarray(at + 1)), kept[0]!, ceilingHere);
    }
    putBack(c, state);
  }
}

/** The items that may still be chosen some time after a state; what was taken or contradicted is out. */
const compatible = (c: Compiled, state: State, items: Int32Array): Int32Array =>
  items.filter((i) => mayCome(c, state, i));

/** What is certain at the state by each table. */
function certainBy({ c, state }: Hunt, tables: readonly Relaxation[]): Float64Array {
  const basis = new Float64Array(tables.length);
  for (let r = 0; r < tables.length; r += 1) basis[r] = certain(c, tables[r]!, state);
  return basis;
}

/** What can come next, with its bound, best first. */
function options(
  { c, state, best }: Hunt,
  items: Int32Array,
  tables: readonly Relaxation[],
  from: number,
  basis: Float64Array,
): Option[] {
  const found: Option[] = [];
  const places = c.problem.mostItems - state.chosen.length;
  if (places === 0) return found;
  const last = state.chosen.at(-1);
  const until = lastChance(c, state, items);
  const layer = layerOf(c, state);
  const lastPlace = last === undefined ? null : c.placeOf[last]!;
  const [first] = tables as [Relaxation];
  const highs = highsOf(c, first, layer, places, lastPlace);
  const paths = first.from[layer]![places]!;
  const firstBasis = basis[0]!;
  const { points } = best;
  for (let block = Math.floor(from / blockSize); block * blockSize < until; block += 1) {
    if (!beats(firstBasis + highs[block]!, points)) continue;
    const end = Math.min(until, (block + 1) * blockSize);
    for (let j = Math.max(from, block * blockSize); j < end; j += 1) {
      const i = items[j]!;
      const change = lastPlace === null ? -1 : lastPlace * c.places + c.placeOf[i]!;
      let bound = firstBasis + paths[j]!;
      if (change >= 0) bound += first.arc[change]!;
      // The first table alone turns most away.
      for (let r = 1; r < tables.length && beats(bound, points); r += 1) {
        const { from: others, arc } = tables[r]!;
        let value = basis[r]! + others[layer]![places]![j]!;
        if (change >= 0) value += arc[change]!;
        if (value < bound) bound = value;
      }
      if (!beats(bound, points) || !fits(c, state, i)) continue;
      // Of equals the earlier comes first.
      let at = found.length;
      while (at > 0 && found[at - 1]!.bound < bound) at -= 1;
      found.splice(at, 0, { at: j, bound });
    }
  }
  return found;
}

/** How far down the list the next item may stand: a drill that must be in can't be passed by. */
function lastChance(c: Compiled, state: State, items: Int32Array): number {
  let latest = c.n;
  for (const must of c.musts) if (state.taken[must] === 0) latest = Math.min(latest, c.lastOfDrill[must]!);
  if (latest === c.n) return items.length;
  let until = 0;
  while (until < items.length && items[until]! <= latest) until += 1;
  return until;
}

/** Depth first through the items in their order. False when the nodes ran out before everything was seen. */
function descend(hunt: Hunt, items: Int32Array, tables: readonly Relaxation[], until: number, from = 0): boolean {
  const { c, state, best } = hunt;
  // Of the state as it stands; what comes next is looked for at once, before it changes.
  const basis = certainBy(hunt, tables);

  const visit = (from: number): boolean => {
    hunt.nodes += 1;
    if (hunt.nodes > until) return false;
    if (complete(c, state) && pointsOf(c, state) > best.points) best.offer(state.chosen);
    for (const { at, bound } of options(hunt, items, tables, from, basis)) {
      if (!beats(bound, best.points)) break;
      take(c, state, items[at]!);
      const done = !stillPossible(at) || visit(at + 1);
      putBack(c, state);
      if (!done) return false;
    }
    return true;
  };

  /** The bound again with what the item really gains: closer than the one it was picked by. */
  const stillPossible = (at: number) => {
    const places = c.problem.mostItems - state.chosen.length;
    const better = complete(c, state) && pointsOf(c, state) > best.points;
    const place = c.placeOf[items[at]!]!;
    const layer = layerOf(c, state);
    for (let r = 0; r < tables.length; r += 1) {
      const { next, rowOf } = tables[r]!;
      basis[r] = certain(c, tables[r]!, state);
      const rest = next[layer]![places]![rowOf[layer]![places]![at + 1]! + place]!;
      if (!better && !beats(basis[r]! + rest, best.points)) return false;
    }
    return true;
  };

  return visit(from);
}

/**
 * A quick way to good plans: level by level the few partial plans with the best bounds go on, and whatever is complete on the
 * way is offered.
 */
function beam(c: Compiled, r: Relaxation, width: number, best: Incumbent) {
  const state = nothingChosen(c);
  let level: number[][] = [[]];
  for (let depth = 0; depth < c.problem.mostItems && level.length > 0; depth += 1) {
    const grown: { bound: number; chosen: number[] }[] = [];
    for (const chosen of level) {
      for (const i of chosen) take(c, state, i);
      const paths = r.from[layerOf(c, state)]![c.problem.mostItems - depth]!;
      const last = chosen.at(-1);
      const basis = certain(c, r, state);
      for (let j = 0; j < r.items.length; j += 1) {
        const i = r.items[j]!;
        if (last !== undefined && i <= last) continue;
        const arc = last === undefined ? 0 : r.arc[c.placeOf[last]! * c.places + c.placeOf[i]!]!;
        const bound = basis + paths[j]! + arc;
        if (grown.length === width && bound <= grown[width - 1]!.bound) continue;
        if (!fits(c, state, i)) continue;
        let at = grown.length;
        while (at > 0 && grown[at - 1]!.bound < bound) at -= 1;
        grown.splice(at, 0, { bound, chosen: [...chosen, i] });
        if (grown.length > width) grown.pop();
      }
      while (state.chosen.length > 0) putBack(c, state);
    }
    level = grown.map(({ chosen }) => chosen);
    for (const chosen of level) best.offer(chosen);
  }
}
