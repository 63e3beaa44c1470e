import { rulesOf } from './choiceRules';
import { type Compiled } from './compile';

/** What has been chosen so far, grown and shrunk in place. */
export interface State {
  chosen: number[];
  gains: Float64Array;
  /** What each rule has counted: sums, and how many share each word. */
  used: Float64Array;
  sharing: Uint8Array;
  /** What must not rise too fast, the highest before each that was chosen and after the last: a row for each. */
  highest: Float64Array;
  taken: Uint8Array;
  /** Values less changes, without what the gains are worth. */
  fixed: number;
}

export const nothingChosen = (c: Compiled): State => ({
  chosen: [],
  gains: new Float64Array(c.targets),
  used: new Float64Array(c.rules.sumMost.length),
  sharing: new Uint8Array(c.rules.words),
  highest: new Float64Array(c.rules.riseMost.length * (c.problem.mostItems + 1)),
  taken: new Uint8Array(c.drills),
  fixed: 0,
});

const sumIds = rulesOf('sum').map(([id]) => id);
const [atSeconds, atHolds, atNew] = (['tooLong', 'holdsTooLong', 'tooNew'] as const).map((id) =>
  sumIds.indexOf(id),
) as [number, number, number];

/** Seconds of what was chosen, with its changes of position; seconds of holds; how many of them are new. */
export const secondsOf = ({ used }: State) => used[atSeconds]!;
export const holdSecondsOf = ({ used }: State) => used[atHolds]!;
export const newOnesOf = ({ used }: State) => used[atNew]!;

/** What the choice is worth as it stands. */
export function pointsOf(c: Compiled, state: State): number {
  let points = state.fixed;
  for (let target = 0; target < c.targets; target += 1) {
    const tenths = state.gains[target]!;
    points += c.worth[target]![tenths > c.lastTenth ? c.lastTenth : tenths]!;
  }
  return points;
}

/** Whether there is room for an item and the change to it, and nothing chosen bars it. */
function roomFor(c: Compiled, state: State, i: number, arc: number): boolean {
  const { sumMost, sumOf, sumOfChange, sharedMost, wordOf } = c.rules;
  const { used, sharing } = state;
  const shared = sharedMost.length;
  for (let r = 0; r < shared; r += 1) {
    const word = wordOf[i * shared + r]!;
    if (word >= 0 && sharing[word]! >= sharedMost[r]!) return false;
  }
  const sums = sumMost.length;
  for (let r = 0; r < sums; r += 1) {
    if (used[r]! + sumOf[i * sums + r]! + sumOfChange[arc * sums + r]! > sumMost[r]!) return false;
  }
  for (const other of c.clashes[c.drillOf[i]!]!) if (state.taken[other] === 1) return false;
  return true;
}

/** Stands for no change at all. */
const noChange = (c: Compiled) => c.places * c.places;

/** The change from what was chosen last to an item; to the first of all there is none. */
const changeTo = (c: Compiled, last: number | undefined, i: number) =>
  last === undefined ? noChange(c) : c.placeOf[last]! * c.places + c.placeOf[i]!;

/** Whether an item may come some time after what was chosen, whatever comes between. */
export const mayCome = (c: Compiled, state: State, i: number): boolean => roomFor(c, state, i, noChange(c));

/**
 * What some items use of all limits whatever comes between them, so without their changes of position, for {@link mayCome}; null where
 * they don't go together.
 */
export function together(c: Compiled, items: readonly number[]): State | null {
  const state = nothingChosen(c);
  for (const i of items) {
    if (!mayCome(c, state, i)) return null;
    addUp(c, state, i, 1, noChange(c));
    state.taken[c.drillOf[i]!] = 1;
  }
  return state;
}

/** Whether an item may follow what was chosen, as the next. */
export function fits(c: Compiled, state: State, i: number): boolean {
  const last = state.chosen.at(-1);
  if (!roomFor(c, state, i, changeTo(c, last, i))) return false;
  const { first, last: ends, neverInARow, riseMost, riseOf } = c.rules;
  if (last === undefined) {
    for (const may of first) if (may[i] === 0) return false;
  } else {
    for (const is of ends) if (is[last] === 1) return false;
    for (const is of neverInARow) if (is[i] === 1 && is[last] === 1) return false;
    const rises = riseMost.length;
    const row = state.chosen.length * rises;
    for (let r = 0; r < rises; r += 1) {
      if (riseOf[i * rises + r]! > state.highest[row + r]! + riseMost[r]!) return false;
    }
  }
  for (const need of c.needs[i]!) if (need < 0 || state.taken[need] === 0) return false;
  return true;
}

/** Chooses an item that fits. */
export function take(c: Compiled, state: State, i: number) {
  const { riseMost, riseOf } = c.rules;
  const rises = riseMost.length;
  const row = state.chosen.length * rises;
  for (let r = 0; r < rises; r += 1) {
    state.highest[row + rises + r] = Math.max(state.highest[row + r]!, riseOf[i * rises + r]!);
  }
  addUp(c, state, i, 1, changeTo(c, state.chosen.at(-1), i));
  state.chosen.push(i);
  state.taken[c.drillOf[i]!] = 1;
}

/** Takes back the item chosen last. */
export function putBack(c: Compiled, state: State) {
  const i = state.chosen.pop()!;
  state.taken[c.drillOf[i]!] = 0;
  addUp(c, state, i, -1, changeTo(c, state.chosen.at(-1), i));
}

/** Counts an item in, or out again, with the change to it. */
function addUp(c: Compiled, state: State, i: number, sign: 1 | -1, arc: number) {
  const { sumMost, sumOf, sumOfChange, sharedMost, wordOf } = c.rules;
  const sums = sumMost.length;
  for (let r = 0; r < sums; r += 1) state.used[r]! += sign * (sumOf[i * sums + r]! + sumOfChange[arc * sums + r]!);
  const shared = sharedMost.length;
  for (let r = 0; r < shared; r += 1) {
    const word = wordOf[i * shared + r]!;
    if (word >= 0) state.sharing[word]! += sign;
  }
  state.fixed += sign * (c.value[i]! - (arc === noChange(c) ? 0 : c.changePoints[arc]!));
  for (let g = c.gainStart[i]!; g < c.gainStart[i + 1]!; g += 1) {
    state.gains[c.gainTarget[g]!]! += sign * c.gainTenths[g]!;
  }
}

/** Whether what was chosen may be left as it is. */
export function complete(c: Compiled, state: State): boolean {
  const last = state.chosen.at(-1);
  if (last === undefined) return false;
  for (const may of c.rules.last) if (may[last] === 0) return false;
  for (const must of c.musts) if (state.taken[must] === 0) return false;
  return true;
}

/** Keeps the best choice seen. */
export class Incumbent {
  chosen: number[] = [];
  points = Number.NEGATIVE_INFINITY;
  private readonly scratch: State;
  constructor(private readonly c: Compiled) {
    this.scratch = nothingChosen(c);
  }

  /** Takes a choice when it keeps the rules and is worth more than any so far. */
  offer(chosen: readonly number[]) {
    const { c, scratch } = this;
    for (const i of chosen) {
      if (!fits(c, scratch, i)) break;
      take(c, scratch, i);
    }
    this.weigh(scratch.chosen.length === chosen.length);
  }

  /** Makes a plan out of a relaxed path: what fits, in its order, with the end it needs. */
  offerRepaired(path: readonly number[]) {
    const { c, scratch } = this;
    const end = c.problem.carryLast ? path.filter((i) => c.stageOf[i] === 3).at(-1) : undefined;
    for (const i of path) {
      if (i === end || !fits(c, scratch, i)) continue;
      take(c, scratch, i);
      if (end !== undefined && !fits(c, scratch, end)) putBack(c, scratch);
    }
    if (end !== undefined && fits(c, scratch, end)) take(c, scratch, end);
    this.weigh(true);
  }

  private weigh(kept: boolean) {
    const { c, scratch } = this;
    if (kept && complete(c, scratch)) {
      const points = pointsOf(c, scratch);
      if (points > this.points) {
        this.points = points;
        this.chosen = [...scratch.chosen];
      }
    }
    while (scratch.chosen.length > 0) putBack(c, scratch);
  }
}
