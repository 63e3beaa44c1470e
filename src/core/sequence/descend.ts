import { type Compiled } from './compile';
import { type Relaxation, blockSize, certain, highsOf, layerOf } from './relaxation';
import { type Incumbent, type State, complete, fits, pointsOf, putBack, take } from './state';

/** A search under way. */
export interface Hunt {
  c: Compiled;
  state: State;
  best: Incumbent;
  /** Nodes so far, and those after which it is cut off. */
  nodes: number;
  cap: number;
}

/** Whether a bound leaves room for a plan that is worth more; worths are whole. */
export const beats = (bound: number, points: number) => bound > points && bound + 1e-6 >= points + 1;

interface Option {
  at: number;
  bound: number;
}

/**
 * Depth first through the items of a table in their order, from nothing chosen.
 *
 * @param most nodes it may take
 * @param sure items that must be in, as the table was laid out for them
 * @returns false when the nodes ran out before everything was seen
 */
export function descend(hunt: Hunt, table: Relaxation, most: number, sure: Uint8Array | null = null): boolean {
  const { c, state, best } = hunt;
  const { items, next, rowOf } = table;
  const until = Math.min(hunt.cap, hunt.nodes + most);

  const visit = (from: number, basis: number): boolean => {
    hunt.nodes += 1;
    if (hunt.nodes > until) return false;
    if (complete(c, state) && pointsOf(c, state) > best.points) best.offer(state.chosen);
    for (const { at, bound } of options(hunt, table, from, basis, sure)) {
      if (!beats(bound, best.points)) break;
      take(c, state, items[at]!);
      const onward = certain(c, table, state);
      const done = !stillPossible(at, onward) || visit(at + 1, onward);
      putBack(c, state);
      if (!done) return false;
    }
    return true;
  };

  /** The bound again with what the item really gains: closer than the one it was picked by. */
  const stillPossible = (at: number, basis: number) => {
    if (complete(c, state) && pointsOf(c, state) > best.points) return true;
    const places = c.problem.mostItems - state.chosen.length;
    const layer = layerOf(c, state);
    const rest = next[layer]![places]![rowOf[layer]![places]![at + 1]! + c.placeOf[items[at]!]!]!;
    return beats(basis + rest, best.points);
  };

  return visit(0, certain(c, table, state));
}

/** What can come next, with its bound, best first. */
function options(
  { c, state, best }: Hunt,
  table: Relaxation,
  from: number,
  basis: number,
  sure: Uint8Array | null,
): Option[] {
  const found: Option[] = [];
  const places = c.problem.mostItems - state.chosen.length;
  if (places === 0) return found;
  const { items, arc } = table;
  const last = state.chosen.at(-1);
  const until = lastChance(c, state, items, from, sure);
  const layer = layerOf(c, state);
  const lastPlace = last === undefined ? null : c.placeOf[last]!;
  const highs = highsOf(c, table, layer, places, lastPlace);
  const paths = table.from[layer]![places]!;
  const { points } = best;
  for (let block = Math.floor(from / blockSize); block * blockSize < until; block += 1) {
    if (!beats(basis + highs[block]!, points)) continue;
    const end = Math.min(until, (block + 1) * blockSize);
    for (let j = Math.max(from, block * blockSize); j < end; j += 1) {
      const i = items[j]!;
      let bound = basis + paths[j]!;
      if (lastPlace !== null) bound += arc[lastPlace * c.places + c.placeOf[i]!]!;
      if (!beats(bound, points) || !fits(c, state, i)) continue;
      // Of equals the earlier comes first.
      let at = found.length;
      while (at > 0 && found[at - 1]!.bound < bound) at -= 1;
      found.splice(at, 0, { at: j, bound });
    }
  }
  return found;
}

/** How far down the list the next item may stand: what must be in can't be passed by. */
function lastChance(c: Compiled, state: State, items: Int32Array, from: number, sure: Uint8Array | null): number {
  let latest = c.n;
  for (const must of c.musts) if (state.taken[must] === 0) latest = Math.min(latest, c.lastOfDrill[must]!);
  if (latest === c.n && sure === null) return items.length;
  let until = from;
  while (until < items.length && items[until]! <= latest) {
    until += 1;
    if (sure !== null && sure[items[until - 1]!] === 1) break;
  }
  return until;
}
