import { type Compiled } from './compile';
import { type State, holdSecondsOf, newOnesOf, nothingChosen, secondsOf } from './state';

/**
 * What the shared limits cost and what a tenth of gain is paid, as {@link Compiled.prices} lists them. Any prices, none below 0
 * but those of what must be met exactly, give a valid bound. The price of one item more is for the pass that does not count
 * items; the tables do without it.
 */
export type Prices = Float64Array;

/**
 * A bound from above on everything that can still be chosen out of some items. With prices on the limits, on the rules
 * between drills and on each tenth of gain, what is left is a longest path through the ordered items, worked out once for
 * every place to go on from.
 */
export interface Relaxation {
  prices: Prices;
  /** The items it speaks of, in their order. */
  items: Int32Array;
  /** What each is worth at these prices, and what each drill and kind is charged for the rules. */
  worth: Float64Array;
  charge: Float64Array;
  ruleBase: number;
  /** For each target the total worth buying at its price: where the falling curve meets it. */
  aim: Float64Array;
  /** Change from place to place at these prices, below 0. */
  arc: Float64Array;
  /**
   * How many new things may still be chosen is counted and not priced, since a price on so few lets halves of them through:
   * every table has a layer for each number. Best path that begins with item j and has at most k items in all: [layer][k][j].
   */
  from: Float64Array[][];
  /**
   * Best path over items j and later, coming from place p, with at most k items: [layer][k][rowOf[layer][k][j] + p]. Items
   * that better no path share the row of the one after them.
   */
  next: Float64Array[][];
  rowOf: Int32Array[][];
  /** What {@link highsOf} worked out. */
  highs: Float64Array[];
}

export const never = -1e15;

/** The layer of the tables a state goes on in: the new things it may still take. */
export const layerOf = (c: Compiled, state: State) => c.layers - 1 - newOnesOf(state);

export type Base = Pick<Relaxation, 'prices' | 'items' | 'worth' | 'charge' | 'ruleBase' | 'aim' | 'arc'>;

/** Room for one set of prices, used again and again where nothing of it is kept. */
export type Room = Pick<Base, 'worth' | 'charge' | 'aim' | 'arc'>;

export const roomFor = (c: Compiled, items: Int32Array): Room => ({
  worth: new Float64Array(items.length),
  charge: new Float64Array(c.charged),
  aim: new Float64Array(c.targets),
  arc: new Float64Array(c.places * c.places),
});

/** @param live where a price may be other than 0, in their order; null where that was not worked out */
export function priced(
  c: Compiled,
  items: Int32Array,
  prices: Prices,
  live: Int32Array | null = null,
  room: Room = roomFor(c, items),
): Base {
  const { worth, charge, aim, arc } = room;
  const { rows } = c.prices;
  const { rowMost, rowStart, rowOf, rowFactor, gainStart, gainTarget, gainTenths, drillOf, kindOf } = c;
  const [second, holdSecond] = [prices[c.prices.second]!, prices[c.prices.holdSecond]!];
  const n = items.length;
  charge.fill(0);
  let ruleBase = 0;
  const looked = live === null ? rowMost.length : live.length;
  for (let l = 0; l < looked; l += 1) {
    const r = live === null ? l : live[l]! - rows;
    if (r < 0 || r >= rowMost.length) continue;
    const price = prices[rows + r]!;
    if (price === 0) continue;
    ruleBase += price * rowMost[r]!;
    for (let at = rowStart[r]!; at < rowStart[r + 1]!; at += 1) charge[rowOf[at]!]! += rowFactor[at]! * price;
  }
  for (let j = 0; j < n; j += 1) {
    const i = items[j]!;
    let value = c.value[i]! - second * c.seconds[i]! - charge[drillOf[i]!]! - charge[kindOf[i]!]!;
    if (holdSecond > 0) value -= holdSecond * c.holdSeconds[i]!;
    const end = gainStart[i + 1]!;
    for (let g = gainStart[i]!; g < end; g += 1) value += prices[gainTarget[g]!]! * gainTenths[g]!;
    worth[j] = value;
  }
  for (let a = 0; a < arc.length; a += 1) arc[a] = -c.changePoints[a]! - second * c.changeSeconds[a]!;
  for (let t = 0; t < c.targets; t += 1) aim[t] = wantedTenths(c, t, prices[t]!);
  return { prices, items, worth, charge, ruleBase, aim, arc };
}

/**
 * Lays out the tables for one set of prices. Work: items × places × items still to choose.
 *
 * @param sure items that no path passes by
 */
export function relax(
  c: Compiled,
  items: Int32Array,
  toChoose: number,
  prices: Prices,
  sure: Uint8Array | null = null,
): Relaxation {
  const { places, placeOf, stageOf, isNew } = c;
  const { carryLast } = c.problem;
  const n = items.length;
  const { worth, charge, ruleBase, arc, aim } = priced(c, items, prices);
  const layers = Array.from({ length: c.layers }, (_, layer) => layer);
  const from = layers.map(() => Array.from({ length: toChoose + 1 }, () => new Float64Array(n)));
  const next = layers.map(() => [new Float64Array(places).fill(never)]);
  const rowOf = layers.map(() => [new Int32Array(n + 1)]);
  const bestAt = new Float64Array(places);
  // Few items better a path: only their rows are kept, and one more where none passes by.
  const rows = new Float64Array((sure === null ? n + 1 : 2 * n + 1) * places);
  rows.fill(never, 0, places);
  for (const layer of layers) from[layer]![0]!.fill(never);
  for (let k = 1; k <= toChoose; k += 1) {
    for (const layer of layers) {
      const own = from[layer]![k]!;
      const index = new Int32Array(n + 1);
      // What goes on after an item: with as many new things left, or with one fewer.
      const onward = [layer, layer - 1].map((below) => (below < 0 ? null : next[below]![k - 1]!));
      const onwardRow = [layer, layer - 1].map((below) => (below < 0 ? null : rowOf[below]![k - 1]!));
      bestAt.fill(never);
      let row = 0;
      // Whether something stands further on that no path may leave out.
      let ahead = false;
      for (let j = n - 1; j >= 0; j -= 1) {
        const i = items[j]!;
        const place = placeOf[i]!;
        const then = onward[isNew[i]!]!;
        let rest = 0;
        if (then === null || (ahead && carryLast && stageOf[i] === 3)) rest = never;
        else if (!carryLast || stageOf[i] !== 3) {
          rest = then[onwardRow[isNew[i]!]![j + 1]! + place]!;
          if (!carryLast && !ahead && rest < 0) rest = 0;
        }
        const here = rest <= never / 2 ? never : worth[j]! + rest;
        own[j] = here;
        if (sure !== null && sure[i] === 1) {
          ahead = true;
          bestAt.fill(never);
          row += places;
          rows.fill(never, row, row + places);
        }
        // What is no better than another item at the same place betters no path.
        if (here > bestAt[place]!) {
          bestAt[place] = here;
          const grown = row + places;
          for (let p = 0, a = place; p < places; p += 1, a += places) {
            const through = here + arc[a]!;
            const past = rows[row + p]!;
            rows[grown + p] = through > past ? through : past;
          }
          row = grown;
        }
        index[j] = row;
      }
      next[layer]!.push(rows.slice(0, row + places));
      rowOf[layer]!.push(index);
    }
  }
  return { prices, items, worth, charge, ruleBase, aim, arc, from, next, rowOf, highs: [] };
}

/** Items whose best goes by one number, so that what is not worth looking at is passed by together. */
export const blockSize = 16;

/** The best that goes on with one of each block of items, with at most k in all, coming from a place or, null, from none. */
export function highsOf(c: Compiled, r: Relaxation, layer: number, k: number, place: number | null): Float64Array {
  const { from, items, arc } = r;
  const key = (layer * from[0]!.length + k) * (c.places + 1) + (place ?? c.places);
  const known = r.highs[key];
  if (known) return known;
  const paths = from[layer]![k]!;
  const highs = new Float64Array(Math.ceil(items.length / blockSize)).fill(never);
  for (let j = 0; j < items.length; j += 1) {
    const value = paths[j]! + (place === null ? 0 : arc[place * c.places + c.placeOf[items[j]!]!]!);
    const block = Math.floor(j / blockSize);
    if (value > highs[block]!) highs[block] = value;
  }
  return (r.highs[key] = highs);
}

/** What is certain at a state under a set of prices, without the path to come. */
export function certain(c: Compiled, { prices, aim, ruleBase, charge }: Base, state: State): number {
  const { mostSeconds, mostHoldSeconds } = c.problem;
  let sum = state.fixed + ruleBase;
  // A limit without a price may be endless.
  const [second, holdSecond] = [prices[c.prices.second]!, prices[c.prices.holdSecond]!];
  if (second > 0) sum += second * (mostSeconds - secondsOf(state));
  if (holdSecond > 0) sum += holdSecond * (mostHoldSeconds - holdSecondsOf(state));
  for (let at = 0; at < state.chosen.length; at += 1) {
    const i = state.chosen[at]!;
    sum -= charge[c.drillOf[i]!]! + charge[c.kindOf[i]!]!;
  }
  for (let target = 0; target < c.targets; target += 1) {
    // The curve falls: short of the aim the rest is bought at its price, past it nothing is.
    const [gain, wanted, curve] = [state.gains[target]!, aim[target]!, c.worth[target]!];
    if (gain < wanted) sum += curve[wanted]! - prices[target]! * (wanted - gain);
    else sum += curve[gain > c.lastTenth ? c.lastTenth : gain]!;
  }
  return sum;
}

/**
 * Which items can still be part of something worth more than is known: for each the best path to it and the best path from
 * it. The others can be left out for good.
 */
export function worthKeeping(c: Compiled, r: Relaxation, points: number): Int32Array {
  const { items, arc, worth } = r;
  const { places, placeOf, stageOf, isNew } = c;
  const { settleFirst, carryLast } = c.problem;
  const top = c.layers - 1;
  const k = r.from[0]!.length - 1;
  const basis = certain(c, r, nothingChosen(c));
  const lowest = points + 1 - 1e-6 - basis;
  // reach[(used × (k + 1) + m) × places + p]: best path of m earlier items, `used` of them new, the next one standing at p.
  const block = (k + 1) * places;
  const reach = new Float64Array((top + 1) * block).fill(never);
  const kept: number[] = [];
  for (let j = 0; j < items.length; j += 1) {
    const i = items[j]!;
    const place = placeOf[i]!;
    const first = settleFirst && stageOf[i] !== 0 ? never : 0;
    const ends = carryLast && stageOf[i] === 3;
    const fresh = isNew[i]!;
    let keep = false;
    for (let used = top - fresh; used >= 0; used -= 1) {
      for (let m = k - 1; m >= 0; m -= 1) {
        const before = m === 0 ? (used === 0 ? first : never) : reach[used * block + m * places + place]!;
        // What leads to nothing worth more through this item need not be followed beyond it.
        if (before <= never / 2 || before + r.from[top - used]![k - m]![j]! < lowest) continue;
        keep = true;
        if (ends) continue;
        const along = before + worth[j]!;
        const row = (used + fresh) * block + (m + 1) * places;
        for (let p = 0; p < places; p += 1) {
          const here = along + arc[place * places + p]!;
          if (here > reach[row + p]!) reach[row + p] = here;
        }
      }
    }
    if (keep) kept.push(i);
  }
  return Int32Array.from(kept);
}

/** Tenths one would buy of a target at a price: where the falling curve meets it. */
export function wantedTenths(c: Compiled, target: number, price: number): number {
  let at = 0;
  for (const { upTo, slope } of c.problem.steps) {
    if (slope * c.problem.weights[target]! <= price) break;
    at = upTo;
  }
  return at;
}
