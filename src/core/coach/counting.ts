import { type Phase } from '../cadence';
import { type Drill } from '../catalogue';

/** What is counted in a set: how many of how many, and which foot it is. */
export interface Counted {
  at: number;
  of: number;
  /** What they are called; breaths go without saying. */
  what: 'breath' | 'repetition';
  foot: 'left' | 'right' | null;
}

/**
 * The count of a set at a breath: breaths, or repetitions of one or two breaths each, which may change feet. The left foot
 * begins. Common practice.
 *
 * @param breath from 1; 0 between sets
 * @example countedAt(findDrill('exhale-then-foot')!, 3, 8) // { at: 2, of: 4, what: 'repetition', foot: 'right' }
 */
export function countedAt({ counting }: Pick<Drill, 'counting'>, breath: number, breaths: number): Counted {
  const { each, breathsEach, feet } = counting;
  const size = each === 'breath' ? 1 : breathsEach;
  const at = Math.ceil(breath / size);
  return {
    at,
    of: Math.ceil(breaths / size),
    what: each,
    foot: feet && at > 0 ? (at % 2 === 1 ? 'left' : 'right') : null,
  };
}

/**
 * What to do in a phase of a breath, in the drill's words. Where a repetition takes two breaths, a phase that is told twice is
 * told for the first and for the second of them.
 *
 * @param breath from 1
 * @example stepAt(findDrill('exhale-then-foot')!, 'exhale', 2) // 'Out again, and the foot comes down.'
 */
export function stepAt(drill: Drill, phase: Phase, breath: number): string | null {
  const told = drill.steps.filter((step) => step.phase === phase);
  const step = told[(Math.max(1, breath) - 1) % Math.max(1, told.length)];
  return (step ?? drill.steps.find((one) => one.phase === 'throughout'))?.words ?? null;
}
