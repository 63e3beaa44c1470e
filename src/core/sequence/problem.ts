import { type ChoiceRuleId } from './planRules';

/**
 * The planning problem as plain numbers: what may be chosen, what each choice costs and gains, and the rules a choice must
 * keep. It knows nothing of drills beyond their ids, so that another solver can be given the very same thing.
 */
export interface PlanningItem {
  /** Only one item of a drill may be chosen. */
  drill: string;
  position: string;
  /** 0 settles, 1 exhale first, 2 the work, 3 carries over. Items stand in this order. */
  stage: 0 | 1 | 2 | 3;
  level: number;
  /** Seconds without the change into the position. */
  seconds: number;
  holdSeconds: number;
  /** Something the client has to learn: few of these a visit. */
  isNew: boolean;
  /** Contains a hold: never next to another one. */
  holds: boolean;
  /** Items of the same breath and shape share a word; null is like nothing else. */
  alike: string | null;
  /** Gain on each wanted thing, whole tenths, 0 or more. */
  gains: readonly number[];
  /** Worth of its own, whole points, may be below 0. */
  value: number;
  /** Drills of which one item must be chosen earlier. Owned ones are not listed. */
  needs: readonly string[];
}

/** What it costs to go from one position to another. */
interface Change {
  seconds: number;
  points: number;
  /** From floor to chair, chair to standing and so on. */
  base: boolean;
}

export interface PlanningProblem {
  /** In the one order in which whatever is chosen will be done. */
  items: readonly PlanningItem[];
  /** Weight of each wanted thing, whole, above 0. */
  weights: readonly number[];
  /** Points a tenth gains up to a total, falling from step to step; past the last nothing more is gained. */
  steps: readonly { upTo: number; slope: number }[];
  change: Readonly<Record<string, Readonly<Record<string, Change>>>>;
  mostItems: number;
  mostSeconds: number;
  mostHoldSeconds: number;
  mostNew: number;
  /** Items of one and the same breath and shape. */
  mostAlike: number;
  mostBaseChanges: number;
  /** The level may rise by at most this much over the hardest so far. */
  mostLevelRise: number;
  /** Pairs of drills that may not meet. */
  clashes: readonly (readonly [string, string])[];
  /** Drills that must be in. */
  musts: readonly string[];
  /** Whether the first item must be of stage 0, and the last, and only the last, of stage 3. */
  settleFirst: boolean;
  carryLast: boolean;
}

/** Value of a gain, falling as more is gained: the first of a thing counts most. Tenths in, points out. */
export const gainSteps = [
  { upTo: 30, slope: 10 },
  { upTo: 60, slope: 5 },
  { upTo: 100, slope: 2 },
] as const;

/**
 * Points for a gain with diminishing returns.
 *
 * @param tenths gain in whole tenths, 0 or more
 * @example diminishing(30) // 300
 */
export function diminishing(tenths: number, steps: PlanningProblem['steps'] = gainSteps): number {
  let points = 0;
  let from = 0;
  for (const { upTo, slope } of steps) {
    if (tenths <= from) break;
    points += (Math.min(tenths, upTo) - from) * slope;
    from = upTo;
  }
  return points;
}

/** What a choice of items is worth and uses. */
export interface Tally {
  points: number;
  seconds: number;
  holdSeconds: number;
  newOnes: number;
  baseChanges: number;
  gains: readonly number[];
  /** The rules it breaks; none when it keeps all. */
  broken: readonly ChoiceRuleId[];
}

/**
 * Adds up a choice from nothing but the problem, plainly: the judge of every solver's answer.
 *
 * @param chosen indices into the problem's items, ascending
 * @example tally(problem, []).points // 0
 */
export function tally(problem: PlanningProblem, chosen: readonly number[]): Tally {
  const items = chosen.map((index) => problem.items[index]!);
  const changes = items.slice(1).map((item, i) => problem.change[items[i]!.position]![item.position]!);
  const sum = (of: (item: PlanningItem) => number) => items.reduce((total, item) => total + of(item), 0);
  const gains = problem.weights.map((_, target) => sum((item) => item.gains[target]!));
  const whole = {
    points:
      gains.reduce((points, gain, i) => points + problem.weights[i]! * diminishing(gain, problem.steps), 0) +
      sum(({ value }) => value) -
      changes.reduce((points, change) => points + change.points, 0),
    seconds: sum(({ seconds }) => seconds) + changes.reduce((total, { seconds }) => total + seconds, 0),
    holdSeconds: sum(({ holdSeconds }) => holdSeconds),
    newOnes: sum(({ isNew }) => Number(isNew)),
    baseChanges: changes.filter(({ base }) => base).length,
    gains,
  };
  return { ...whole, broken: brokenRules(problem, items, whole) };
}

function mostOfOneKind(items: readonly PlanningItem[]): number {
  const kinds = items.flatMap(({ alike }) => alike ?? []);
  return Math.max(0, ...kinds.map((kind) => kinds.filter((other) => other === kind).length));
}

function brokenRules(
  problem: PlanningProblem,
  items: readonly PlanningItem[],
  { seconds, holdSeconds, newOnes, baseChanges }: Omit<Tally, 'broken' | 'points' | 'gains'>,
): ChoiceRuleId[] {
  const drills = items.map(({ drill }) => drill);
  const before = (i: number) => items.slice(0, i);
  const rules: [boolean, ChoiceRuleId][] = [
    [new Set(drills).size !== drills.length, 'twice'],
    [items.length > problem.mostItems, 'tooMany'],
    [seconds > problem.mostSeconds, 'tooLong'],
    [holdSeconds > problem.mostHoldSeconds, 'holdsTooLong'],
    [newOnes > problem.mostNew, 'tooNew'],
    [mostOfOneKind(items) > problem.mostAlike, 'tooAlike'],
    [baseChanges > problem.mostBaseChanges, 'basesChange'],
    [problem.settleFirst && items.length > 0 && items[0]!.stage !== 0, 'notSettled'],
    [problem.carryLast && items.length > 0 && items.at(-1)!.stage !== 3, 'notCarried'],
    [problem.carryLast && items.filter(({ stage }) => stage === 3).length > 1, 'carriesTwice'],
    [items.some(({ holds }, i) => holds && i > 0 && items[i - 1]!.holds), 'holdAfterHold'],
    [
      items.some(
        ({ level }, i) => i > 0 && level > Math.max(...before(i).map((item) => item.level)) + problem.mostLevelRise,
      ),
      'stepsUp',
    ],
    [items.some(({ needs }, i) => needs.some((need) => !before(i).some(({ drill }) => drill === need))), 'wantsBefore'],
    [problem.clashes.some(([a, b]) => drills.includes(a) && drills.includes(b)), 'contradicts'],
    [problem.musts.some((must) => !drills.includes(must)), 'mustMissing'],
  ];
  return rules.filter(([broken]) => broken).map(([, code]) => code);
}
