import { type Compiled } from './compile';
import { type Prices, type Scratch, roomFor, sweep, wantedTenths } from './relaxation';
import { type State } from './state';

export interface Priced {
  /** The sets of prices with the lowest bounds, lowest first. */
  kept: Prices[];
  bound: number;
  rounds: number;
}

/** Prices to begin from: a tenth is paid what the second step of the curve gives. */
export function firstPrices(c: Compiled): Prices {
  const { steps, weights } = c.problem;
  return {
    tenth: Float64Array.from(weights, (weight) => weight * (steps[1] ?? steps[0]!).slope),
    row: new Float64Array(c.rows.length),
    second: 0,
    holdSecond: 0,
    item: 0,
  };
}

/**
 * Finds good prices by stepping against the relaxed limits.
 *
 * @param begin prices to start from
 * @param rounds steps to take at most; each costs one pass over the items
 * @param keepers how many of the best to keep
 * @param tryPath is shown every relaxed path and answers what the best known plan is worth
 */
export function findPrices(
  c: Compiled,
  items: Int32Array,
  state: State,
  begin: Prices,
  rounds: number,
  keepers: number,
  tryPath: (path: readonly number[]) => number,
): Priced {
  const scratch: Scratch = {
    room: roomFor(c, items),
    value: new Float64Array(c.layers * c.places),
    item: new Int32Array(c.layers * c.places),
    after: new Int32Array(c.layers * items.length),
  };
  const seen: { bound: number; prices: Prices }[] = [];
  let prices = begin;
  let centre = begin;
  let best = Number.POSITIVE_INFINITY;
  let stretch = 1;
  let stale = 0;
  let done = 0;
  let direction: Prices | null = null;
  while (done < rounds) {
    const { bound, path } = sweep(c, items, state, prices, scratch);
    done += 1;
    if (bound === Number.NEGATIVE_INFINITY) return { kept: [prices], bound, rounds: done };
    seen.push({ bound, prices });
    seen.sort((a, b) => a.bound - b.bound);
    seen.length = Math.min(seen.length, keepers);
    if (bound < best - 1e-6) {
      best = bound;
      centre = prices;
      stale = 0;
    } else if ((stale += 1) >= 8) {
      stale = 0;
      stretch /= 2;
      prices = centre;
      direction = null;
    }
    const floor = tryPath(path);
    if (Math.floor(best + 1e-6) <= floor || stretch < 0.01) break;
    // Without a plan yet the aim is a tenth below the bound.
    const aim = Number.isFinite(floor) ? floor : bound - Math.abs(bound) / 10;
    direction = turned(
      slackOf(
        c,
        prices,
        state,
        path.map((j) => items[j]!),
      ),
      direction,
    );
    prices = stepped(c, prices, direction, stretch * Math.max(1, bound - aim));
  }
  return { kept: seen.map((one) => one.prices), bound: best, rounds: done };
}

/** Limits are scaled so that a step moves each kind of price by a like amount. */
const scale = { tenth: 1 / 30, second: 1 / 60, holdSecond: 1 / 20, item: 1 };

/** How much of the last direction the next one keeps: without it the prices zigzag. */
const momentum = 0.7;

/** What a relaxed path leaves of each limit, scaled: the direction in which prices fall. */
function slackOf(c: Compiled, prices: Prices, state: State, path: readonly number[]): Prices {
  const { mostItems, mostSeconds, mostHoldSeconds } = c.problem;
  const total = Float64Array.from(state.gains);
  const count = Float64Array.from(state.taken);
  let { seconds, holdSeconds } = state;
  let last = state.chosen.at(-1);
  for (const i of path) {
    for (let g = c.gainStart[i]!; g < c.gainStart[i + 1]!; g += 1) total[c.gainTarget[g]!]! += c.gainTenths[g]!;
    count[c.drillOf[i]!]! += 1;
    seconds += c.seconds[i]!;
    if (last !== undefined) seconds += c.changeSeconds[c.placeOf[last]! * c.places + c.placeOf[i]!]!;
    holdSeconds += c.holdSeconds[i]!;
    last = i;
  }
  const slack = (most: number, used: number) => (Number.isFinite(most) ? most - used : 0);
  const tenth = new Float64Array(c.targets);
  for (let t = 0; t < c.targets; t += 1) {
    tenth[t] = (total[t]! - Math.max(state.gains[t]!, wantedTenths(c, t, prices.tenth[t]!))) * scale.tenth;
  }
  const row = new Float64Array(c.rows.length);
  for (let r = 0; r < c.rows.length; r += 1) {
    const { drills, factors, most } = c.rows[r]!;
    let left = most;
    for (let at = 0; at < drills.length; at += 1) left -= factors[at]! * count[drills[at]!]!;
    row[r] = left;
  }
  return {
    tenth,
    row,
    second: slack(mostSeconds, seconds) * scale.second,
    holdSecond: slack(mostHoldSeconds, holdSeconds) * scale.holdSecond,
    item: (mostItems - state.chosen.length - path.length) * scale.item,
  };
}

const single = ['second', 'holdSecond', 'item'] as const;

/** Adds a part of the last direction to a new one, in place. */
function turned(direction: Prices, before: Prices | null): Prices {
  if (!before) return direction;
  for (const key of single) direction[key] += momentum * before[key];
  for (let t = 0; t < direction.tenth.length; t += 1) direction.tenth[t]! += momentum * before.tenth[t]!;
  for (let r = 0; r < direction.row.length; r += 1) direction.row[r]! += momentum * before.row[r]!;
  return direction;
}

/** Prices one step along a direction; a price that would fall below 0 stays at 0, and does not count for the length. */
function stepped(c: Compiled, prices: Prices, direction: Prices, reach: number): Prices {
  const counts = (price: number, row: number) => (price <= 0 && row > 0 ? 0 : row * row);
  let square = 0;
  for (const key of single) square += counts(prices[key], direction[key]);
  for (let t = 0; t < c.targets; t += 1) square += counts(prices.tenth[t]!, direction.tenth[t]!);
  for (let r = 0; r < c.rows.length; r += 1) square += counts(c.rows[r]!.exact ? 1 : prices.row[r]!, direction.row[r]!);
  const step = square === 0 ? 0 : reach / square;
  const next: Prices = { ...prices, tenth: new Float64Array(c.targets), row: new Float64Array(c.rows.length) };
  for (const key of single) next[key] = Math.max(0, prices[key] - step * direction[key] * scale[key]);
  for (let t = 0; t < c.targets; t += 1) {
    next.tenth[t] = Math.max(0, prices.tenth[t]! - step * direction.tenth[t]! * scale.tenth);
  }
  for (let r = 0; r < c.rows.length; r += 1) {
    const price = prices.row[r]! - step * direction.row[r]!;
    next.row[r] = c.rows[r]!.exact ? price : Math.max(0, price);
  }
  return next;
}
