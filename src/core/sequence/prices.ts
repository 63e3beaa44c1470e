import { type Compiled } from './compile';
import { type Prices, wantedTenths } from './relaxation';
import { type Scratch, scratchFor, sweep } from './sweep';

export interface Priced {
  /** The prices with the lowest bound. */
  prices: Prices;
  bound: number;
  rounds: number;
  /** The room the passes were made in, for more of them. */
  scratch: Scratch;
}

export interface Haggling {
  /** Steps to take at most; each costs one pass over the items. */
  rounds: number;
  /** How much of the way to the best known plan the first step goes for: all of it from afar, less from prices that are near. */
  stretch: number;
  /** Items that must be in, 1 for each. */
  sure?: Uint8Array;
}

/** Prices to begin from: a tenth is paid what the second step of the curve gives. */
export function firstPrices(c: Compiled): Prices {
  const { steps, weights } = c.problem;
  const prices = new Float64Array(c.prices.count);
  weights.forEach((weight, target) => (prices[target] = weight * (steps[1] ?? steps[0]!).slope));
  return prices;
}

/** How much of the last direction the next one keeps: without it the prices zigzag. */
const momentum = 0.7;
/** Steps that better nothing, after which they are halved; and how short they may get. */
const patience = 8;
const shortest = 0.01;

/**
 * Finds good prices by stepping against the relaxed limits.
 *
 * @param begin prices to start from
 * @param tryPath is shown every relaxed path and answers what the best known plan is worth
 */
export function findPrices(
  c: Compiled,
  items: Int32Array,
  begin: Prices,
  { rounds, stretch: first, sure }: Haggling,
  tryPath: (path: readonly number[]) => number,
): Priced {
  const left = new Float64Array(c.rowMost.length);
  const direction = new Float64Array(c.prices.count);
  const live = binding(c, items);
  const scratch: Scratch = scratchFor(c, items, live, sure ?? null);
  // A rule that can't be broken any more costs nothing.
  let prices: Prices = new Float64Array(c.prices.count);
  for (const at of live) prices[at] = begin[at]!;
  let centre = prices;
  let best = Number.POSITIVE_INFINITY;
  let stretch = first;
  let stale = 0;
  let keeps = 0;
  let done = 0;
  while (done < rounds) {
    const { bound, path } = sweep(c, items, prices, scratch);
    done += 1;
    if (bound === Number.NEGATIVE_INFINITY) return { prices, bound, rounds: done, scratch };
    if (bound < best - 1e-6) {
      best = bound;
      centre = prices;
      stale = 0;
    } else if ((stale += 1) >= patience) {
      stale = 0;
      stretch /= 2;
      prices = centre;
      keeps = 0;
    }
    const floor = tryPath(path);
    if (Math.floor(best + 1e-6) <= floor || stretch < shortest) break;
    // Without a plan yet the aim is a tenth below the bound.
    const aim = Number.isFinite(floor) ? floor : bound - Math.abs(bound) / 10;
    turn(c, direction, keeps, prices, items, path, live, left);
    keeps = momentum;
    prices = stepped(c, prices, direction, live, stretch * Math.max(1, bound - aim));
  }
  return { prices: centre, bound: best, rounds: done, scratch };
}

/**
 * Limits are scaled so that a step moves each kind of price by a like amount. Found by trying: with these the made-up catalogues and the
 * real one are searched in the fewest steps.
 */
const scale = { tenth: 1 / 45, second: 1 / 240, holdSecond: 1 / 20, item: 1 };

/** Turns the direction toward what a relaxed path leaves of each limit, scaled: there prices fall. */
function turn(
  c: Compiled,
  direction: Float64Array,
  keeps: number,
  prices: Prices,
  items: Int32Array,
  path: readonly number[],
  live: Int32Array,
  left: Float64Array,
) {
  const { mostItems, mostSeconds, mostHoldSeconds } = c.problem;
  const { rows, second, holdSecond, item } = c.prices;
  const put = (at: number, slack: number) => (direction[at] = keeps * direction[at]! + slack);
  const gains = new Float64Array(c.targets);
  left.set(c.rowMost);
  let [seconds, holdSeconds] = [0, 0];
  let last: number | undefined;
  for (const j of path) {
    const i = items[j]!;
    for (let g = c.gainStart[i]!; g < c.gainStart[i + 1]!; g += 1) gains[c.gainTarget[g]!]! += c.gainTenths[g]!;
    countIn(c, i, left);
    seconds += c.seconds[i]!;
    if (last !== undefined) seconds += c.changeSeconds[c.placeOf[last]! * c.places + c.placeOf[i]!]!;
    holdSeconds += c.holdSeconds[i]!;
    last = i;
  }
  for (let t = 0; t < c.targets; t += 1) {
    put(t, (gains[t]! - wantedTenths(c, t, prices[t]!)) * scale.tenth);
  }
  for (let l = 0; l < live.length; l += 1) {
    const at = live[l]!;
    if (at >= rows && at < second) put(at, left[at - rows]!);
  }
  const slack = (most: number, used: number) => (Number.isFinite(most) ? most - used : 0);
  put(second, slack(mostSeconds, seconds) * scale.second);
  put(holdSecond, slack(mostHoldSeconds, holdSeconds) * scale.holdSecond);
  put(item, (mostItems - path.length) * scale.item);
}

/** Prices one step along a direction; a price that would fall below 0 stays at 0, and does not count for the length. */
function stepped(c: Compiled, prices: Prices, direction: Float64Array, live: Int32Array, reach: number): Prices {
  const { rows, second, holdSecond, item, count, signed } = c.prices;
  let square = 0;
  for (let l = 0; l < live.length; l += 1) {
    const at = live[l]!;
    const along = direction[at]!;
    if (prices[at]! > 0 || along < 0 || signed[at] === 1) square += along * along;
  }
  const step = square === 0 ? 0 : reach / square;
  const next = new Float64Array(count);
  for (let l = 0; l < live.length; l += 1) {
    const at = live[l]!;
    const size = at < rows ? scale.tenth : 1;
    const price = prices[at]! - step * direction[at]! * size;
    next[at] = price > 0 || signed[at] === 1 ? price : 0;
  }
  for (const [at, size] of [
    [second, scale.second],
    [holdSecond, scale.holdSecond],
    [item, scale.item],
  ] as const) {
    next[at] = Math.max(0, prices[at]! - step * direction[at]! * size);
  }
  return next;
}

/**
 * Where the prices stand that matter for what may be chosen: all but those of rules between drills that hold whatever is
 * chosen, which are most of them in small parts.
 */
function binding(c: Compiled, items: Int32Array): Int32Array {
  const { rows, second, count, signed } = c.prices;
  const there = new Int32Array(c.charged);
  for (const i of items) {
    there[c.drillOf[i]!]! += 1;
    there[c.kindOf[i]!]! += 1;
  }
  const live: number[] = [];
  for (let at = 0; at < count; at += 1) {
    const r = at - rows;
    const whole = at < rows || at >= second || signed[at] === 1;
    if (whole || mostMore(c, r, there) > c.rowMost[r]!) live.push(at);
  }
  return Int32Array.from(live);
}

/** The most that the items there are can add to a row; what takes from it stands behind. */
function mostMore(c: Compiled, row: number, there: Int32Array): number {
  let most = 0;
  for (let at = c.rowStart[row]!; at < c.rowStart[row + 1]! && c.rowFactor[at]! > 0; at += 1) {
    most += c.rowFactor[at]! * there[c.rowOf[at]!]!;
  }
  return most;
}

/** Counts an item in wherever its drill or its kind stands: few rows know the handful that is chosen, and there can be thousands. */
function countIn(c: Compiled, i: number, left: Float64Array) {
  const { chargeStart, chargeRow, chargeFactor } = c;
  const [drill, kind] = [c.drillOf[i]!, c.kindOf[i]!];
  for (let at = chargeStart[drill]!; at < chargeStart[drill + 1]!; at += 1) left[chargeRow[at]!]! -= chargeFactor[at]!;
  for (let at = chargeStart[kind]!; at < chargeStart[kind + 1]!; at += 1) left[chargeRow[at]!]! -= chargeFactor[at]!;
}
