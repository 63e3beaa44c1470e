import { type PlanningItem, type PlanningProblem } from './problem';
import { type Found } from './search';

/** A problem that was solved before, close to the one at hand. */
export interface Near {
  problem: PlanningProblem;
  found: Found;
}

/** Each problem is held against many others: what its items say is put together once. */
const texts = new WeakMap<PlanningItem, string>();

function textOf(item: PlanningItem): string {
  const known = texts.get(item);
  if (known !== undefined) return known;
  const { gains, needs, ...rest } = item;
  const text = [...Object.values(rest), ...gains, '/', ...needs].join(' ');
  texts.set(item, text);
  return text;
}

/** Whether everything but the choice there is stays as it was. */
const sameRules = (one: PlanningProblem, other: PlanningProblem) =>
  JSON.stringify({ ...one, items: null, change: null, clashes: null }) ===
  JSON.stringify({ ...other, items: null, change: null, clashes: null });

/**
 * What a problem that was solved close by tells of another: the choice made there, as far as it can still be made, to begin
 * the search from; and, where things only went and none of them was chosen, that it is the best still.
 *
 * @returns the same choice by the other problem's indices, empty where part of it is gone, and whether it needs no search
 * @example told({ problem, found }, problem).proven === found.proven // true; nothing changed
 */
export function told(
  { problem: before, found }: Near,
  problem: PlanningProblem,
): { chosen: number[]; proven: boolean } {
  const at = new Map(problem.items.map((item, i) => [textOf(item), i]));
  const chosen = found.chosen.map((i) => at.get(textOf(before.items[i]!)) ?? -1);
  if (chosen.length === 0 || chosen.includes(-1)) return { chosen: [], proven: false };
  const was = new Set(before.items.map(textOf));
  const onlyLess = found.proven && [...at.keys()].every((item) => was.has(item)) && sameRules(before, problem);
  return { chosen, proven: onlyLess };
}
