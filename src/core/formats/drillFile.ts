import * as z from 'zod/mini';
import { type Drill, drillSchema } from '../catalogue';
import { inEnglish } from '../reasons';
import { type Fault, drillFaults } from './drillFaults';

/** A file of drills: what a coach exports, imports and hands on. Its JSON Schema lies in docs/formats. */
const drillFileSchema = z.strictObject({
  format: z.literal('kokyu-drills'),
  version: z.literal(1),
  drills: z.array(drillSchema).check(z.minLength(1, 'The file has no drills in it.'), z.maxLength(500)),
});
export type DrillFile = z.infer<typeof drillFileSchema>;

/** @example drillFile([drill]).format // 'kokyu-drills' */
export const drillFile = (drills: readonly Drill[]): DrillFile => ({
  format: 'kokyu-drills',
  version: 1,
  drills: [...drills],
});

/** The schema of the file for other programs: JSON Schema 2020-12 [R15]. */
export const drillFileJsonSchema = (): Record<string, unknown> => ({
  ...z.toJSONSchema(drillFileSchema, { target: 'draft-2020-12', io: 'input', unrepresentable: 'any' }),
  title: 'Breathing drills',
  description: 'Drills as they are exported and imported. Fields named Seconds are seconds; level runs from 1 to 6.',
});

/**
 * Checks a parsed file as a whole: everything wrong in it, or the drills.
 *
 * @param input parsed JSON from outside
 * @param own the coach's drills so far, which the file's may name
 */
export function checkDrillFile(
  input: unknown,
  own: readonly Drill[] = [],
): { drills: Drill[]; faults: null } | { drills: null; faults: Fault[] } {
  const parsed = drillFileSchema.safeParse(input, inEnglish);
  if (!parsed.success) {
    const faults = parsed.error.issues.map(({ path, message }) => ({
      path: path.filter((step) => typeof step !== 'symbol'),
      what: message,
    }));
    return { drills: null, faults };
  }
  const { drills } = parsed.data;
  const known = new Map([...own, ...drills].map((drill) => [drill.id, drill]));
  const faults = drills.flatMap((drill, i) => [
    ...(drills.findIndex(({ id }) => id === drill.id) < i
      ? [{ path: ['drills', i, 'id'], what: `The id “${drill.id}” stands twice in the file.` }]
      : []),
    ...drillFaults(drill, known).map(({ path, what }) => ({ path: ['drills', i, ...path], what })),
  ]);
  return faults.length > 0 ? { drills: null, faults } : { drills, faults: null };
}
