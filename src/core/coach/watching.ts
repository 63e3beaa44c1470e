import { type Component, type Gates } from '../safety';
import { type PlanItem, itemComponents } from '../sequence';

/** What to look for where a drill contains something, for anybody. Common practice. */
const watchFor: Readonly<Partial<Record<Component, string>>> = {
  hold: 'gasping',
  fullLung: 'light-headed',
  emptyLung: 'light-headed',
  forcedExhale: 'light-headed',
  deepBreath: 'light-headed',
  fastBreath: 'tingling',
  march: 'doming',
  bridge: 'doming',
  plank: 'doming',
  effort: 'held breath',
  floorLift: 'bearing down',
  headTurn: 'dizziness',
  fastChange: 'dizziness',
  headLow: 'headache',
  longStanding: 'feeling faint',
  sideBend: 'pain',
  twist: 'pain',
  loadedRounding: 'back pain',
  endRangeArch: 'back pain',
  handWeight: 'wrist pain',
  kneeling: 'knee pain',
};

/**
 * Every sign to watch while somebody does a drill: those of the drill first, then their own, each once.
 *
 * @param everybody limits of whoever does it
 * @example watchSigns(item, [gates]) // ['dizziness', …]; what a pregnancy asks to watch
 */
export function watchSigns(item: PlanItem, everybody: readonly Gates[]): string[] {
  const drill = itemComponents(item).flatMap((component) => watchFor[component] ?? []);
  const own = everybody.flatMap(({ watch }) => watch.map(({ sign }) => sign));
  return [...new Set([...drill, ...own])];
}
