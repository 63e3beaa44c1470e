import { branch } from './branch';
import { type Compiled, compile } from './compile';
import { type Hunt, beats, descend } from './descend';
import { leastSeconds } from './least';
import { type PlanningProblem } from './problem';
import { findPrices, firstPrices } from './prices';
import { type Relaxation, certain, layerOf, relax, worthKeeping } from './relaxation';
import { Incumbent, fits, nothingChosen, putBack, take } from './state';

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

/** Steps in search of prices, three times. */
const firstRounds = [60, 50, 50];
/** Nodes given to the way down by these prices, before all is parted and each part gets its own. */
const patience = 40_000;
const beamWidth = 12;

/**
 * Finds the best choice. Prices for the bound come first, and with them good plans to begin from; whatever can't be part of
 * a better plan is left out for good. The rest is searched depth first in its order; where the way down takes too long, it
 * is parted by drills, and prices are sought anew for each part, which makes the bound close again.
 *
 * @returns the best choice with proof, or the best so far with the most that any other could be worth
 * @source the formulation in docs/planner.md
 * @example search(problem).proven
 */
export function search(problem: PlanningProblem, { nodes: cap = mostNodes, known }: Effort = {}): Found {
  const c = compile(problem);
  const best = new Incumbent(c);
  if (known) best.offer(known);
  const hunt: Hunt = { c, state: nothingChosen(c), best, nodes: 0, cap };
  // Where not even the musts fit into the minutes there is nothing to search.
  const some = problem.musts.length === 0 || leastSeconds(problem) <= problem.mostSeconds;
  const unsearched = some ? hunted(hunt) : Number.NEGATIVE_INFINITY;
  const points = best.points > Number.NEGATIVE_INFINITY ? best.points : 0;
  const atMost = Math.max(points, Math.floor(unsearched + 1e-6));
  return { chosen: best.chosen, points, proven: atMost <= points, atMost, nodes: hunt.nodes };
}

/**
 * Prices, a good plan, prices again with the good plan as the aim, and the way down.
 *
 * @returns the most that what was left unsearched can be worth; minus infinity when nothing was
 */
function hunted(hunt: Hunt): number {
  const { c, best } = hunt;
  const toChoose = c.problem.mostItems;
  let items = c.reachable;
  let prices = firstPrices(c);
  let bound = Number.POSITIVE_INFINITY;
  const nothing = Number.NEGATIVE_INFINITY;
  for (const rounds of firstRounds) {
    const list = items;
    const found = findPrices(c, list, prices, { rounds, stretch: 1 }, (path) => {
      best.offerRepaired(path.map((j) => list[j]!));
      return best.points;
    });
    hunt.nodes += found.rounds;
    bound = Math.min(bound, found.bound);
    prices = found.prices;
    if (!beats(bound, best.points)) return nothing;
    const table = relax(c, list, toChoose, prices);
    beam(c, table, beamWidth, best);
    if (!beats(bound, best.points)) return nothing;
    items = worthKeeping(c, table, best.points);
  }
  if (descend(hunt, relax(c, items, toChoose, prices), patience)) return nothing;
  return branch(hunt, items, prices, bound);
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
