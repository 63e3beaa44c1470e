import { type Compiled } from './compile';

/** What has been chosen so far, grown and shrunk in place. */
export interface State {
  chosen: number[];
  gains: Float64Array;
  taken: Uint8Array;
  /** How many of each kind of breath and shape, by place among what is charged. */
  ofKind: Uint8Array;
  seconds: number;
  holdSeconds: number;
  newOnes: number;
  baseChanges: number;
  hardest: number;
  /** Values less changes, without what the gains are worth. */
  fixed: number;
}

export const nothingChosen = (c: Compiled): State => ({
  chosen: [],
  gains: new Float64Array(c.targets),
  taken: new Uint8Array(c.drills),
  ofKind: new Uint8Array(c.charged),
  seconds: 0,
  holdSeconds: 0,
  newOnes: 0,
  baseChanges: 0,
  hardest: 0,
  fixed: 0,
});

/** What the choice is worth as it stands. */
export function pointsOf(c: Compiled, state: State): number {
  let points = state.fixed;
  for (let target = 0; target < c.targets; target += 1) {
    const tenths = state.gains[target]!;
    points += c.worth[target]![tenths > c.lastTenth ? c.lastTenth : tenths]!;
  }
  return points;
}

/** Whether an item may follow what was chosen. */
export function fits(c: Compiled, state: State, i: number): boolean {
  const { problem } = c;
  const count = state.chosen.length;
  const drill = c.drillOf[i]!;
  if (state.taken[drill] === 1 || count >= problem.mostItems) return false;
  if (count === 0) {
    if (problem.settleFirst && c.stageOf[i] !== 0) return false;
    if (c.seconds[i]! > problem.mostSeconds) return false;
  } else {
    const last = state.chosen[count - 1]!;
    if (problem.carryLast && c.stageOf[last] === 3) return false;
    if (c.holds[i] === 1 && c.holds[last] === 1) return false;
    if (c.levelOf[i]! > state.hardest + problem.mostLevelRise) return false;
    const arc = c.placeOf[last]! * c.places + c.placeOf[i]!;
    if (state.seconds + c.seconds[i]! + c.changeSeconds[arc]! > problem.mostSeconds) return false;
    if (state.baseChanges + c.changeBase[arc]! > problem.mostBaseChanges) return false;
  }
  if (state.holdSeconds + c.holdSeconds[i]! > problem.mostHoldSeconds) return false;
  if (state.newOnes + c.isNew[i]! > problem.mostNew) return false;
  if (tooAlike(c, state, i)) return false;
  for (const need of c.needs[i]!) if (need < 0 || state.taken[need] === 0) return false;
  for (const other of c.clashes[drill]!) if (state.taken[other] === 1) return false;
  return true;
}

/** Whether there are enough of its breath and shape already. */
export const tooAlike = (c: Compiled, state: State, i: number) =>
  c.kindOf[i]! < c.charged - 1 && state.ofKind[c.kindOf[i]!]! >= c.problem.mostAlike;

/** Chooses an item. Returns the hardest level before it, for {@link putBack}. */
export function take(c: Compiled, state: State, i: number): number {
  const last = state.chosen.at(-1);
  if (last !== undefined) {
    const arc = c.placeOf[last]! * c.places + c.placeOf[i]!;
    state.seconds += c.changeSeconds[arc]!;
    state.fixed -= c.changePoints[arc]!;
    state.baseChanges += c.changeBase[arc]!;
  }
  state.chosen.push(i);
  state.taken[c.drillOf[i]!] = 1;
  addUp(c, state, i, 1);
  const before = state.hardest;
  if (c.levelOf[i]! > before) state.hardest = c.levelOf[i]!;
  return before;
}

/** Takes back the item chosen last. */
export function putBack(c: Compiled, state: State, hardestBefore: number) {
  const i = state.chosen.pop()!;
  const last = state.chosen.at(-1);
  if (last !== undefined) {
    const arc = c.placeOf[last]! * c.places + c.placeOf[i]!;
    state.seconds -= c.changeSeconds[arc]!;
    state.fixed += c.changePoints[arc]!;
    state.baseChanges -= c.changeBase[arc]!;
  }
  state.taken[c.drillOf[i]!] = 0;
  addUp(c, state, i, -1);
  state.hardest = hardestBefore;
}

function addUp(c: Compiled, state: State, i: number, sign: 1 | -1) {
  state.seconds += sign * c.seconds[i]!;
  state.holdSeconds += sign * c.holdSeconds[i]!;
  state.newOnes += sign * c.isNew[i]!;
  state.ofKind[c.kindOf[i]!]! += sign;
  state.fixed += sign * c.value[i]!;
  for (let g = c.gainStart[i]!; g < c.gainStart[i + 1]!; g += 1) {
    state.gains[c.gainTarget[g]!]! += sign * c.gainTenths[g]!;
  }
}

/** Whether what was chosen may be left as it is. */
export function complete(c: Compiled, state: State): boolean {
  const last = state.chosen.at(-1);
  if (last === undefined) return false;
  if (c.problem.carryLast && c.stageOf[last] !== 3) return false;
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
  offer(chosen: readonly number[]): boolean {
    const points = this.valued(chosen);
    if (points === null || points <= this.points) return false;
    this.points = points;
    this.chosen = [...chosen];
    return true;
  }

  private valued(chosen: readonly number[]): number | null {
    const { c, scratch } = this;
    const hardest: number[] = [];
    for (const i of chosen) {
      if (!fits(c, scratch, i)) break;
      hardest.push(take(c, scratch, i));
    }
    const whole = scratch.chosen.length === chosen.length && complete(c, scratch);
    const points = whole ? pointsOf(c, scratch) : null;
    while (scratch.chosen.length > 0) putBack(c, scratch, hardest.pop()!);
    return points;
  }
}
