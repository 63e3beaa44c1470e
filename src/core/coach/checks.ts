import { type Drill, componentsOf } from '../catalogue';
import { type ConditionId } from '../safety';
import { type CheckId } from './eventWords';

/** What is asked after effort, by what was told. Common practice, no published source. */
const byCondition: Readonly<Partial<Record<ConditionId, readonly CheckId[]>>> = {
  leaking: ['leak'],
  prolapse: ['heaviness', 'leak'],
  separation: ['doming'],
  recentBirth: ['leak', 'heaviness', 'doming'],
  pregnancy: ['leak', 'heaviness', 'doming'],
};

/** Kept through the day before a weight comes onto it: asked of everybody. Common practice. */
const byDayDrill = 'carry-hinge';

const effortful = ['effort', 'impact', 'loadedBrace'] as const;

/**
 * What is to be asked after a drill, by what somebody told: nothing where it asks no effort of them.
 *
 * @example checksFor(findDrill('chair-rise')!, ['leaking']) // ['leak']
 */
export function checksFor(drill: Drill, conditions: readonly ConditionId[]): CheckId[] {
  const byDay: CheckId[] = drill.id === byDayDrill ? ['not kept by day'] : [];
  if (!componentsOf(drill).some((one) => (effortful as readonly string[]).includes(one))) return byDay;
  return [...new Set([...conditions.flatMap((id) => byCondition[id] ?? []), ...byDay])];
}
