import * as z from 'zod/mini';
import { type Drill, drillSchema, findDrill } from '../catalogue';
import { inEnglish } from '../reasons';
import { patternIds } from '../read';

/** A file of drills: what a coach exports, imports and hands on. Its JSON Schema lies in docs/formats. */
const drillFileSchema = z.strictObject({
  format: z.literal('kokyu-drills'),
  version: z.literal(1),
  drills: z.array(drillSchema).check(z.minLength(1, 'The file has no drills in it.'), z.maxLength(500)),
});
export type DrillFile = z.infer<typeof drillFileSchema>;

/** One thing that is wrong, at a place in the file. */
export interface Fault {
  path: readonly (string | number)[];
  what: string;
}

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
 * What the schema alone can't see: names that lead nowhere, an easier neighbour that is harder.
 *
 * @param known drills besides the built-in ones that may be named, those of the file included
 */
export function drillFaults(drill: Drill, known: ReadonlyMap<string, Drill>): Fault[] {
  const faults: Fault[] = [];
  const find = (id: string) => known.get(id) ?? findDrill(id);
  if (findDrill(drill.id)) {
    faults.push({ path: ['id'], what: `“${drill.id}” is a built-in drill. Give yours an id of its own.` });
  }
  for (const key of ['easier', 'harder'] as const) {
    const id = drill[key];
    if (id !== null && !find(id)) faults.push({ path: [key], what: `There is no drill with the id “${id}”.` });
  }
  if (drill.easier !== null && (find(drill.easier)?.level ?? 0) > drill.level) {
    faults.push({ path: ['easier'], what: 'The easier neighbour has a higher level than this drill.' });
  }
  drill.prerequisites.forEach((id, i) => {
    if (!find(id)) faults.push({ path: ['prerequisites', i], what: `There is no drill with the id “${id}”.` });
  });
  drill.answers.forEach((id, i) => {
    if (!(patternIds as readonly string[]).includes(id)) {
      faults.push({ path: ['answers', i], what: `“${id}” is no pattern. Patterns are ${patternIds.join(', ')}.` });
    }
  });
  return faults;
}

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
