import { type Limits, type Step, rulesOf } from './choiceRules';
import { type Change, type PlanningItem, type PlanningProblem, diminishing } from './problem';

/** The problem laid out in flat arrays for the search. Indices only; nothing here is read by anyone else. */
export interface Compiled {
  problem: PlanningProblem;
  n: number;
  targets: number;
  places: number;
  drills: number;
  /** What rules between drills may charge: the drills, the kinds of breath and shape that matter, and one that is free. */
  charged: number;
  /** Layers of the bound's tables: one for each number of new things that may still be chosen. */
  layers: number;
  drillOf: Int32Array;
  /** Where the kind of each item stands among what is charged; the last, free one where it matters to nothing. */
  kindOf: Int32Array;
  placeOf: Int32Array;
  stageOf: Int32Array;
  seconds: Float64Array;
  holdSeconds: Float64Array;
  isNew: Uint8Array;
  value: Float64Array;
  rules: CountedRules;
  /** Gains above 0 of each item, target by target, and where each item's begin. */
  gainTarget: Int32Array;
  gainTenths: Float64Array;
  gainStart: Int32Array;
  changeSeconds: Float64Array;
  changePoints: Float64Array;
  /** Worth of a total gain on a target: weight times the falling curve, by whole tenths up to the last step. */
  worth: Float64Array[];
  lastTenth: number;
  /**
   * Rules on which drills may be taken together, each Σ factor × taken ≤ most, for the prices of the relaxation; those of row
   * r stand from `rowStart[r]` on.
   */
  rowStart: Int32Array;
  rowOf: Int32Array;
  rowFactor: Float64Array;
  rowMost: Float64Array;
  /** The same seen from what is charged: the rows each drill and kind stands in, those of k from `chargeStart[k]` on. */
  chargeStart: Int32Array;
  chargeRow: Int32Array;
  chargeFactor: Float64Array;
  /** Where the prices stand in a set of them: of a tenth of each target, of each row, of what is limited as a whole. */
  prices: PriceList;
  /** Drills each drill may not meet, and drills each item needs before it. */
  clashes: Int32Array[];
  needs: Int32Array[];
  musts: Int32Array;
  /** Items that can be part of some plan at all, as far as new things, needs and steps of difficulty allow. */
  reachable: Int32Array;
  /** The last item of each drill: after it a drill that must be in can no longer be taken. */
  lastOfDrill: Int32Array;
}

/** The rules on choices as the search counts them, all of a shape side by side so that they are seen through in one go. */
interface CountedRules {
  /** What is there of each sum, what each item uses of them, and each change; the last change is none at all. */
  sumMost: Float64Array;
  sumOf: Float64Array;
  sumOfChange: Float64Array;
  /** How many may share a word, the words of each item, counted through all rules, -1 where it shares with nothing; how many words. */
  sharedMost: Float64Array;
  wordOf: Int32Array;
  words: number;
  riseMost: Float64Array;
  riseOf: Float64Array;
  /** Items of which two may not follow each other, those a plan may begin with, and those it may end with, a list for each rule. */
  neverInARow: readonly Uint8Array[];
  first: readonly Uint8Array[];
  last: readonly Uint8Array[];
}

interface PriceList {
  rows: number;
  second: number;
  holdSecond: number;
  item: number;
  count: number;
  /** A rule that must be met exactly has a price of either sign. */
  signed: Uint8Array;
}

interface Row {
  /** Places among what is charged, with a factor each; those past the list of factors have the last of it. */
  of: readonly number[];
  factors: readonly number[];
  most: number;
  exact: boolean;
}

const indexed = (ids: readonly string[]) => new Map([...new Set(ids)].map((id, index) => [id, index]));

export function compile(problem: PlanningProblem): Compiled {
  const { items, weights, steps } = problem;
  const n = items.length;
  const drillIndex = indexed([...items.map(({ drill }) => drill), ...problem.musts]);
  const placeIndex = indexed(items.map(({ position }) => position));
  const placeIds = [...placeIndex.keys()];
  const places = placeIds.length;
  const numbers = (of: (item: PlanningItem) => number) => filled(new Float64Array(n), items, of);
  const whole = (of: (item: PlanningItem) => number) => filled(new Int32Array(n), items, of);
  const pairs = placeIds.flatMap((from) => placeIds.map((to) => problem.change[from]![to]!));
  const lastTenth = steps.at(-1)!.upTo;
  const curve = new Float64Array(lastTenth + 1).map((_, tenths) => diminishing(tenths, steps));
  const clashes = Array.from({ length: drillIndex.size }, () => [] as number[]);
  for (const [one, other] of rulesOf('apart').flatMap(([, { pairs: apart }]) => apart(problem))) {
    const [a, b] = [drillIndex.get(one), drillIndex.get(other)];
    if (a === undefined || b === undefined) continue;
    clashes[a]!.push(b);
    clashes[b]!.push(a);
  }
  const after = rulesOf('after');
  const needs = items.map((item) =>
    Int32Array.from(
      after.flatMap(([, { drills }]) => drills(item)),
      (need) => drillIndex.get(need) ?? -1,
    ),
  );
  const drillOf = whole(({ drill }) => drillIndex.get(drill)!);
  const lastOfDrill = new Int32Array(drillIndex.size).fill(-1);
  items.forEach(({ drill }, i) => (lastOfDrill[drillIndex.get(drill)!] = i));
  const kindIndex = indexed(kindsThatMatter(problem));
  const free = drillIndex.size + kindIndex.size;
  const rows = [
    ...rowsOf(problem, drillIndex, drillOf, needs, clashes),
    ...[...kindIndex.values()].map((kind): Row => ({
      of: [drillIndex.size + kind],
      factors: [1],
      most: problem.mostAlike,
      exact: false,
    })),
  ];
  return {
    problem,
    n,
    targets: weights.length,
    places,
    drills: drillIndex.size,
    charged: free + 1,
    layers: (items.some(({ isNew }) => isNew) ? Math.min(problem.mostNew, problem.mostItems) : 0) + 1,
    drillOf,
    kindOf: whole(({ alike }) => {
      const kind = alike === null ? undefined : kindIndex.get(alike);
      return kind === undefined ? free : drillIndex.size + kind;
    }),
    ...laidInRows(rows, weights.length, free + 1),
    rules: rulesFor(problem, pairs),
    placeOf: whole(({ position }) => placeIndex.get(position)!),
    stageOf: whole(({ stage }) => stage),
    seconds: numbers(({ seconds }) => seconds),
    holdSeconds: numbers(({ holdSeconds }) => holdSeconds),
    isNew: filled(new Uint8Array(n), items, ({ isNew }) => Number(isNew)),
    value: numbers(({ value }) => value),
    ...gainsAbove0(items),
    changeSeconds: Float64Array.from(pairs, ({ seconds }) => seconds),
    changePoints: Float64Array.from(pairs, ({ points }) => points),
    worth: weights.map((weight) => curve.map((worth) => weight * worth)),
    lastTenth,
    clashes: clashes.map((list) => Int32Array.from(list)),
    // A drill needed that has no item at all can never come first: -1 stands for it.
    needs,
    reachable: reachableItems(problem),
    musts: Int32Array.from(
      rulesOf('there').flatMap(([, { drills }]) => [...drills(problem)]),
      (must) => drillIndex.get(must)!,
    ),
    lastOfDrill,
  };
}

/** A number for each item. By a plain loop: what the language offers goes through an iterator, at ten times the cost. */
function filled<Numbers extends Float64Array | Int32Array | Uint8Array>(
  numbers: Numbers,
  items: readonly PlanningItem[],
  of: (item: PlanningItem) => number,
): Numbers {
  for (let i = 0; i < items.length; i += 1) numbers[i] = of(items[i]!);
  return numbers;
}

function gainsAbove0(items: readonly PlanningItem[]): Pick<Compiled, 'gainTarget' | 'gainTenths' | 'gainStart'> {
  const [targets, tenths]: [number[], number[]] = [[], []];
  const gainStart = new Int32Array(items.length + 1);
  items.forEach(({ gains }, i) => {
    for (let target = 0; target < gains.length; target += 1) {
      if (gains[target]! <= 0) continue;
      targets.push(target);
      tenths.push(gains[target]!);
    }
    gainStart[i + 1] = targets.length;
  });
  return { gainTarget: new Int32Array(targets), gainTenths: new Float64Array(tenths), gainStart };
}

/** The rules on choices, worked out for each item once. */
function rulesFor(problem: PlanningProblem, changes: readonly Change[]): CountedRules {
  const { items } = problem;
  const [sums, shared, rises] = [rulesOf('sum'), rulesOf('shared'), rulesOf('rise')];
  const flags = (is: (step: Step) => boolean) =>
    filled(new Uint8Array(items.length), items, (item) => Number(is(item)));
  const asked = (rule: { is: (step: Step) => boolean; asked: (limits: Limits) => boolean }) =>
    rule.asked(problem) ? [flags(rule.is)] : [];
  // A row for each item or change, a number for each rule; the change after all others is none at all.
  const table = <T, R>(rows: readonly T[], rules: readonly R[], of: (rule: R, row: T) => number, more = 0) => {
    const numbers = new Float64Array((rows.length + more) * rules.length);
    rules.forEach((rule, r) => rows.forEach((row, i) => (numbers[i * rules.length + r] = of(rule, row))));
    return numbers;
  };
  const wordOf = new Int32Array(items.length * shared.length).fill(-1);
  let words = 0;
  shared.forEach(([, { word }], r) => {
    const known = new Map<string, number>();
    items.forEach((item, i) => {
      const own = word(item);
      if (own === null) return;
      if (!known.has(own)) known.set(own, words++);
      wordOf[i * shared.length + r] = known.get(own)!;
    });
  });
  return {
    sumMost: Float64Array.from(sums, ([, { most }]) => most(problem)),
    sumOf: table(items, sums, ([, { of }], item) => of(item)),
    sumOfChange: table(changes, sums, ([, { change }], one) => change?.(one) ?? 0, 1),
    sharedMost: Float64Array.from(shared, ([, { most }]) => most(problem)),
    wordOf,
    words,
    riseMost: Float64Array.from(rises, ([, { most }]) => most(problem)),
    riseOf: table(items, rises, ([, { of }], item) => of(item)),
    neverInARow: rulesOf('neverInARow').map(([, { is }]) => flags(is)),
    first: rulesOf('first').flatMap(([, rule]) => asked(rule)),
    last: rulesOf('last').flatMap(([, rule]) => asked(rule)),
  };
}

function laidInRows(rows: readonly Row[], targets: number, charged: number) {
  const rowStart = new Int32Array(rows.length + 1);
  const chargeStart = new Int32Array(charged + 1);
  rows.forEach(({ of }, r) => {
    rowStart[r + 1] = rowStart[r]! + of.length;
    for (const k of of) chargeStart[k + 1]! += 1;
  });
  for (let k = 0; k < charged; k += 1) chargeStart[k + 1]! += chargeStart[k]!;
  const entries = rowStart[rows.length]!;
  const [rowOf, rowFactor] = [new Int32Array(entries), new Float64Array(entries)];
  const [chargeRow, chargeFactor] = [new Int32Array(entries), new Float64Array(entries)];
  const filled = chargeStart.slice();
  rows.forEach(({ of, factors }, r) =>
    of.forEach((k, i) => {
      const factor = factors[i] ?? factors.at(-1)!;
      rowOf[rowStart[r]! + i] = k;
      rowFactor[rowStart[r]! + i] = factor;
      const at = filled[k]!++;
      chargeRow[at] = r;
      chargeFactor[at] = factor;
    }),
  );
  const after = targets + rows.length;
  const count = after + 3;
  const signed = new Uint8Array(count);
  rows.forEach(({ exact }, r) => (signed[targets + r] = Number(exact)));
  return {
    rowStart,
    rowOf,
    rowFactor,
    rowMost: Float64Array.from(rows, ({ most }) => most),
    chargeStart,
    chargeRow,
    chargeFactor,
    prices: { rows: targets, second: after, holdSecond: after + 1, item: after + 2, count, signed },
  };
}

/** Kinds of breath and shape of which there are more drills than a plan may hold. */
function kindsThatMatter({ items, mostAlike }: PlanningProblem): string[] {
  const drills = new Map<string, Set<string>>();
  for (const { alike, drill } of items) {
    if (alike !== null) drills.set(alike, (drills.get(alike) ?? new Set()).add(drill));
  }
  return [...drills].filter(([, of]) => of.size > mostAlike).map(([kind]) => kind);
}

/** The hardest level a plan can begin with. */
const openingLevel = ({ items, settleFirst }: PlanningProblem) =>
  items.reduce((most, { stage, level }) => (!settleFirst || stage === 0 ? Math.max(most, level) : most), 0);

/**
 * Items whose needs, counted together with whatever must come before so hard a thing, don't ask for more new things than
 * are allowed. The others are in no plan, and left in they would only loosen the bound.
 */
function reachableItems(problem: PlanningProblem): Int32Array {
  const { items, mostNew, mostLevelRise } = problem;
  const first = new Map<string, number>();
  items.forEach(({ drill }, i) => first.has(drill) || first.set(drill, i));
  const begin = openingLevel(problem);
  const closure = (drill: string, seen: Set<string>): Set<string> => {
    seen.add(drill);
    const at = first.get(drill);
    for (const need of at === undefined ? [] : items[at]!.needs) if (!seen.has(need)) closure(need, seen);
    return seen;
  };
  const together = new Map<string, readonly PlanningItem[] | null>();
  for (const drill of first.keys()) {
    const needed = [...closure(drill, new Set())].map((id) => first.get(id));
    together.set(drill, needed.includes(undefined) ? null : needed.map((at) => items[at!]!));
  }
  const reachable: number[] = [];
  items.forEach(({ drill: own, level: hard }, i) => {
    const needed = together.get(own)!;
    if (!needed) return;
    const fresh = needed.filter(({ isNew }) => isNew).length;
    const steps = hard - mostLevelRise;
    const nearly = ({ drill, level }: PlanningItem) => drill !== own && level >= steps;
    if (hard <= begin + mostLevelRise || needed.some(nearly)) {
      if (fresh <= mostNew) reachable.push(i);
      return;
    }
    // The step before it is one thing more to learn, unless there is one that is known.
    let least = Number.POSITIVE_INFINITY;
    for (let at = 0; at < i && least > 0; at += 1) {
      if (nearly(items[at]!)) least = Math.min(least, Number(items[at]!.isNew));
    }
    if (fresh + least <= mostNew) reachable.push(i);
  });
  return Int32Array.from(reachable);
}

function rowsOf(
  problem: PlanningProblem,
  drillIndex: ReadonlyMap<string, number>,
  drillOf: Int32Array,
  needs: readonly Int32Array[],
  clashes: readonly number[][],
): Row[] {
  const { musts, items, mostLevelRise } = problem;
  const forced = new Set(musts.map((id) => drillIndex.get(id)!));
  const times = new Int32Array(drillIndex.size);
  drillOf.forEach((drill) => (times[drill]! += 1));
  const rows: Row[] = [];
  times.forEach((count, drill) => {
    // A path can't take the same item twice, so a drill with one item needs no rule of its own.
    if (forced.has(drill) || count > 1) rows.push({ of: [drill], factors: [1], most: 1, exact: forced.has(drill) });
  });
  const needed = new Set<string>();
  drillOf.forEach((drill, i) => {
    for (const need of needs[i]!) {
      if (need < 0 || needed.has(`${drill} ${need}`)) continue;
      needed.add(`${drill} ${need}`);
      rows.push({ of: [drill, need], factors: [1, -1], most: 0, exact: false });
    }
  });
  // A hard thing wants something nearly as hard before it; what the day can begin with needs nothing.
  const begin = openingLevel(problem);
  const firstAt = new Int32Array(drillIndex.size).fill(items.length);
  const lastAt = new Int32Array(drillIndex.size).fill(-1);
  const levelOf = new Int32Array(drillIndex.size);
  items.forEach(({ level }, i) => {
    const drill = drillOf[i]!;
    if (firstAt[drill] === items.length) firstAt[drill] = i;
    lastAt[drill] = i;
    levelOf[drill] = level;
  });
  levelOf.forEach((level, drill) => {
    if (level <= begin + mostLevelRise || times[drill] === 0) return;
    const of = [drill];
    for (let other = 0; other < levelOf.length; other += 1) {
      if (other !== drill && levelOf[other]! >= level - mostLevelRise && firstAt[other]! < lastAt[drill]!)
        of.push(other);
    }
    rows.push({ of, factors: [1, -1], most: 0, exact: false });
  });
  clashes.forEach((others, drill) => {
    for (const other of others) {
      if (other > drill && times[other]! > 0 && times[drill]! > 0) {
        rows.push({ of: [drill, other], factors: [1, 1], most: 1, exact: false });
      }
    }
  });
  return rows;
}
