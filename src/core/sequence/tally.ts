import { breaksOf, choiceRuleIds, usedOf } from './choiceRules';
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

const gainsOf = (problem: PlanningProblem, chosen: readonly number[]) =>
  problem.weights.map((_, target) => chosen.reduce((sum, index) => sum + problem.items[index]!.gains[target]!, 0));

/** What a choice is worth, whatever it breaks. @example pointsFor(problem, []) // 0 */
export function pointsFor(problem: PlanningProblem, chosen: readonly number[]): number {
  const { weights, steps, change } = problem;
  const items = itemsOf(problem, chosen);
  const gained = gainsOf(problem, chosen).reduce(
    (points, gain, i) => points + weights[i]! * diminishing(gain, steps),
    0,
  );
  return items.reduce((points, { position, value }, i) => {
    const into = i === 0 ? 0 : change[items[i - 1]!.position]![position]!.points;
    return points + value - into;
  }, gained);
}

/** Whether a choice keeps every rule. @example keepsRules({ ...problem, mostItems: 0 }, [0]) // false */
export function keepsRules(problem: PlanningProblem, chosen: readonly number[]): boolean {
  const items = itemsOf(problem, chosen);
  return choiceRuleIds.every((id) => breaksOf(id, items, problem).length === 0);
}
