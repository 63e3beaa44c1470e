import { type Compiled } from './compile';
import { type Hunt, beats, descend } from './descend';
import { findPrices } from './prices';
import { type Prices, relax } from './relaxation';
import { mayCome, together } from './state';
import { narrowed } from './sweep';

/** A part of what there is to choose from that was not searched yet. */
interface Part {
  /** What may be chosen, and what of it is sure to be. */
  items: Int32Array;
  sure: readonly number[];
  /** Prices to begin from, and what nothing in it can be worth more than. */
  prices: Prices;
  bound: number;
}

/** Steps in search of prices for each part: they begin from those of the part it is of, so that few will do. */
const haggling = { rounds: 16, stretch: 0.5 };
/**
 * A part of so few items is searched depth first, with so many nodes before it is parted after all; so is one of so many, where prices for
 * all its smaller parts take longer than that.
 */
const few = 40;
const many = 400;
const glance = 3000;
/** By how much a later path of a part counts for more than the one before it: its prices are better. */
const growth = 1.1;

/**
 * Searches everything there is by parting it: by the drill that stands in most of the relaxed paths, one part without it and one for
 * each form it can be in with. What is sure to be in can't be passed by and leaves out what does not go with it, so that the
 * bound of a part closes where an order of items alone keeps it open. The part with the highest bound comes first.
 *
 * @param bound what nothing is worth more than
 * @returns the most that what was left unsearched can be worth; minus infinity when nothing was
 */
export function branch(hunt: Hunt, items: Int32Array, prices: Prices, bound: number): number {
  const { best } = hunt;
  // Lowest first, so that the last is the next.
  const parts: Part[] = [{ items, sure: [], prices, bound }];
  while (parts.length > 0) {
    const part = parts.pop()!;
    if (!beats(part.bound, best.points)) break;
    if (hunt.nodes >= hunt.cap) return part.bound;
    for (const smaller of parted(hunt, part)) {
      let at = parts.length;
      while (at > 0 && parts[at - 1]!.bound > smaller.bound) at -= 1;
      parts.splice(at, 0, smaller);
    }
  }
  return Number.NEGATIVE_INFINITY;
}

/** Smaller parts that hold everything of a part that may better what is known; none where nothing does. */
function parted(hunt: Hunt, whole: Part): Part[] {
  const { c, best } = hunt;
  const sure = new Uint8Array(c.n);
  for (const i of whole.sure) sure[i] = 1;
  const often = new Float64Array(c.drills);
  // What its paths weigh together, and the last of them.
  let [all, weight] = [0, 1];
  const { rounds, scratch, ...found } = findPrices(c, whole.items, whole.prices, { ...haggling, sure }, (path) => {
    const taken = path.map((j) => whole.items[j]!);
    weight *= growth;
    all += weight;
    for (const i of taken) often[c.drillOf[i]!]! += weight;
    best.offerRepaired(taken);
    return best.points;
  });
  hunt.nodes += rounds;
  const bound = Math.min(whole.bound, found.bound);
  if (!beats(bound, best.points)) return [];
  const { prices } = found;
  const items = narrowed(c, whole.items, prices, scratch, best.points);
  if (items.length === 0) return [];
  if (items.length <= few || items.length >= many) {
    if (descend(hunt, relax(c, items, c.problem.mostItems, prices, sure), glance, sure)) return [];
  }
  const drill = partingDrill(c, items, sure, often, all);
  const smaller: Part[] = [];
  const without = items.filter((i) => c.drillOf[i] !== drill);
  // A drill that must be in is in.
  if (!c.musts.includes(drill)) smaller.push({ items: without, sure: whole.sure, prices, bound });
  for (const one of items) {
    if (c.drillOf[one] !== drill) continue;
    const chosen = [...whole.sure, one];
    const use = together(c, chosen);
    if (use === null) continue;
    const fitting = items.filter((i) => i === one || sure[i] === 1 || mayCome(c, use, i));
    smaller.push({ items: fitting, sure: chosen, prices, bound });
  }
  return smaller;
}

/** The drill that most of the paths went by; all is all there is, though a path may take a drill twice. Of equals the first. */
function partingDrill(c: Compiled, items: Int32Array, sure: Uint8Array, often: Float64Array, all: number): number {
  let [drill, most] = [-1, -1];
  for (const i of items) {
    const own = Math.min(all, often[c.drillOf[i]!]!);
    if (sure[i] === 1 || own <= most) continue;
    drill = c.drillOf[i]!;
    most = own;
  }
  return drill;
}
