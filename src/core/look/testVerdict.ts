import { type Component, type FormId, type Gates, type Verdict, checkComponents } from '../safety';

/** Forms in which a test is done anyway: one foot lifts on the exhale, with words, by a hand's breadth. */
const asTested: readonly FormId[] = ['exhaleFirst', 'exhaleThrough'];

/**
 * What the gates say of a test or a part of one. A test has no other form: taken otherwise it would be compared with what it
 * can't be compared with. So what a caution wants done otherwise is left out.
 *
 * @example testVerdict(gates, ['hold']).allowed // false; in pregnancy
 */
export function testVerdict(gates: Gates, wanted: readonly Component[]): Pick<Verdict, 'allowed' | 'refusals'> {
  const { refusals, changes } = checkComponents(gates, wanted);
  const left = changes.filter(({ form }) => !asTested.includes(form!));
  const against = [...refusals, ...left.map((gate) => ({ ...gate, level: 'block' as const }))];
  return { allowed: against.length === 0, refusals: against };
}
