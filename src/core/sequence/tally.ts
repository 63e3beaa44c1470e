import { type ChoiceRule, breaksOf, choiceRuleIds, choiceRules, usedOf } from './choiceRules';
import { type ChoiceRuleId } from './planRules';
import { type PlanningProblem, diminishing } from './problem';

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

const itemsOf = ({ items }: PlanningProblem, chosen: readonly number[]) => chosen.map((index) => items[index]!);

/**
 * Adds up a choice from nothing but the problem, plainly: the judge of every solver's answer.
 *
 * @param chosen indices into the problem's items, ascending
 * @example tally(problem, []).points // 0
 */
export function tally(problem: PlanningProblem, chosen: readonly number[]): Tally {
  const items = itemsOf(problem, chosen);
  return {
    points: pointsFor(problem, chosen),
    seconds: usedOf('tooLong', items, problem),
    holdSeconds: usedOf('holdsTooLong', items, problem),
    newOnes: usedOf('tooNew', items, problem),
    baseChanges: usedOf('basesChange', items, problem),
    gains: gainsOf(problem, chosen),
    broken: choiceRuleIds.filter((id) => breaksOf(id, items, problem).length > 0),
  };
}

/** What a choice gains of each target, before it diminishes. @example gainsOf(problem, []).every((gain) => gain === 0) // true */
export const gainsOf = (problem: PlanningProblem, chosen: readonly number[]): number[] =>
  problem.weights.map((_, target) => chosen.reduce((sum, index) => sum + problem.items[index]!.gains[target]!, 0));

/** What a choice is worth, whatever it breaks. @example pointsFor(problem, []) // 0 */
export const pointsFor = (problem: PlanningProblem, chosen: readonly number[]): number =>
  pointsWith(gainsOf(problem, chosen), problem, chosen);

/**
 * The same where what is gained of each target is known already.
 *
 * @param gains what the choice gains of each target, in the order of the problem's weights
 * @example pointsWith(gainsOf(problem, [0]), problem, [0]) === pointsFor(problem, [0]) // true
 */
export function pointsWith(
  gains: readonly number[],
  { items, weights, steps, change }: PlanningProblem,
  chosen: readonly number[],
): number {
  let points = 0;
  gains.forEach((gain, target) => (points += weights[target]! * diminishing(gain, steps)));
  chosen.forEach((index, i) => {
    const { position, value } = items[index]!;
    points += value - (i === 0 ? 0 : change[items[chosen[i - 1]!]!.position]![position]!.points);
  });
  return points;
}

/** What soonest turns a choice away, or is soonest looked at, comes first. */
const turn: Readonly<Record<ChoiceRule['shape'], number>> = {
  sum: 0,
  first: 1,
  last: 1,
  neverInARow: 1,
  rise: 2,
  there: 2,
  shared: 3,
  after: 4,
  apart: 5,
};
const soonestFirst = [...choiceRuleIds].sort((a, b) => turn[choiceRules[a].shape] - turn[choiceRules[b].shape]);

/** Whether a choice keeps every rule. @example keepsRules({ ...problem, mostItems: 0 }, [0]) // false */
export function keepsRules(problem: PlanningProblem, chosen: readonly number[]): boolean {
  const items = itemsOf(problem, chosen);
  return soonestFirst.every((id) => breaksOf(id, items, problem).length === 0);
}
