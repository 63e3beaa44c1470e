import { type Compiled } from './compile';
import { type Base, type Prices, type Room, certain, never, priced, roomFor } from './relaxation';
import { type State, nothingChosen } from './state';

/** Room for the passes over one list of items, used again by each. */
export interface Scratch {
  /** Where a price may be other than 0. */
  live: Int32Array;
  /** Items that no path passes by, 1 for each such; null for none. */
  sure: Uint8Array | null;
  nothing: State;
  room: Room;
  /** What the last pass was priced with. */
  base: Base | null;
  /** Best path that begins with item j with so many new things left: [layer × items + j]; and the item after it. */
  begun: Float64Array;
  after: Int32Array;
  /** Best path from each place over the items seen so far, and the item it begins with: [layer × places + p]. */
  value: Float64Array;
  item: Int32Array;
}

export const scratchFor = (c: Compiled, items: Int32Array, live: Int32Array, sure: Uint8Array | null): Scratch => ({
  live,
  sure,
  nothing: nothingChosen(c),
  room: roomFor(c, items),
  base: null,
  begun: new Float64Array(c.layers * items.length),
  after: new Int32Array(c.layers * items.length),
  value: new Float64Array(c.layers * c.places),
  item: new Int32Array(c.layers * c.places),
});

export interface Sweep {
  /** Nothing that can be chosen of these items is worth more. */
  bound: number;
  /** The path that reaches it, as places in the list of items. */
  path: number[];
}

/**
 * The bound on everything that can be chosen, with a price on each item instead of a count of them: one pass from the
 * last item to the first. Minus infinity when nothing whole can come of it.
 */
export function sweep(c: Compiled, items: Int32Array, prices: Prices, scratch: Scratch): Sweep {
  const base = priced(c, items, prices, scratch.live, scratch.room);
  scratch.base = base;
  const { worth, arc } = base;
  const { places, placeOf, stageOf, isNew } = c;
  const { carryLast, settleFirst, mostItems } = c.problem;
  const { value, item, begun, after, sure } = scratch;
  const ofItem = prices[c.prices.item]!;
  const n = items.length;
  const top = c.layers - 1;
  value.fill(never);
  item.fill(-1);
  let [start, onward] = [-1, never];
  // Whether something stands further on that no path may leave out.
  let ahead = false;
  for (let j = n - 1; j >= 0; j -= 1) {
    const i = items[j]!;
    const place = placeOf[i]!;
    const own = worth[j]! - ofItem;
    const fresh = isNew[i]!;
    const ends = carryLast && stageOf[i] === 3;
    const begins = !settleFirst || stageOf[i] === 0;
    const surely = sure !== null && sure[i] === 1;
    if (surely) [start, onward] = [-1, never];
    // From the top layer down: a layer reads the one below as it was before this item.
    for (let layer = top; layer >= fresh; layer -= 1) {
      const row = layer * places;
      let rest = ends && ahead ? never : 0;
      let then = -1;
      if (!ends) {
        const on = (layer - fresh) * places + place;
        rest = value[on]!;
        if (carryLast || ahead || rest >= 0) then = item[on]!;
        else rest = 0;
      }
      if (surely) value.fill(never, row, row + places);
      const here = rest <= never / 2 ? never : own + rest;
      begun[layer * n + j] = here;
      if (here === never) continue;
      after[layer * n + j] = then;
      if (layer === top && begins && here > onward) {
        onward = here;
        start = j;
      }
      if (here <= value[row + place]!) continue;
      for (let p = 0, a = place; p < places; p += 1, a += places) {
        const through = here + arc[a]!;
        if (through > value[row + p]!) {
          value[row + p] = through;
          item[row + p] = j;
        }
      }
    }
    if (surely) {
      ahead = true;
      // What would be one new thing too many leads nowhere either.
      if (fresh === 1) value.fill(never, 0, places);
    }
  }
  if (start < 0) return { bound: Number.NEGATIVE_INFINITY, path: [] };
  const path: number[] = [];
  for (let j = start, layer = top; j >= 0;) {
    path.push(j);
    const then = after[layer * n + j]!;
    layer -= isNew[items[j]!]!;
    j = then;
  }
  return { bound: certain(c, base, scratch.nothing) + ofItem * mostItems + onward, path };
}

/**
 * The items that can still be part of something worth more than is known, by the prices of one sweep there and one back: for
 * each the best path to it and the best path from it.
 */
export function narrowed(c: Compiled, items: Int32Array, prices: Prices, scratch: Scratch, points: number): Int32Array {
  const { bound } = sweep(c, items, prices, scratch);
  if (bound === Number.NEGATIVE_INFINITY) return new Int32Array();
  const { base, begun, sure, value: reach } = scratch;
  const { worth, arc } = base!;
  const { places, placeOf, stageOf, isNew } = c;
  const { settleFirst, carryLast, mostItems } = c.problem;
  const ofItem = prices[c.prices.item]!;
  const lowest = points + 1 - 1e-6 - certain(c, base!, scratch.nothing) - ofItem * mostItems;
  const top = c.layers - 1;
  const n = items.length;
  // reach[used × places + p]: best path of earlier items, `used` of them new, the next one standing at p.
  reach.fill(never);
  let passed = false;
  const kept: number[] = [];
  for (let j = 0; j < n; j += 1) {
    const i = items[j]!;
    const place = placeOf[i]!;
    const fresh = isNew[i]!;
    const surely = sure !== null && sure[i] === 1;
    const ends = carryLast && stageOf[i] === 3;
    const begins = !passed && (!settleFirst || stageOf[i] === 0);
    let keep = false;
    for (let used = top; used >= fresh; used -= 1) {
      const before = used - fresh;
      let led = reach[before * places + place]!;
      if (before === 0 && begins && led < 0) led = 0;
      const row = used * places;
      if (surely) reach.fill(never, row, row + places);
      if (led <= never / 2 || led + begun[(top - before) * n + j]! < lowest) continue;
      keep = true;
      if (ends) continue;
      const along = led + worth[j]! - ofItem;
      for (let p = 0, a = place * places; p < places; p += 1, a += 1) {
        const here = along + arc[a]!;
        if (here > reach[row + p]!) reach[row + p] = here;
      }
    }
    if (surely) {
      passed = true;
      if (fresh === 1) reach.fill(never, 0, places);
    }
    if (keep) kept.push(i);
  }
  return Int32Array.from(kept);
}
