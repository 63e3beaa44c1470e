import { type Drill, findDrill } from '../catalogue';
import { patternIds } from '../read';

/** One thing that is wrong, at a place in the file. */
export interface Fault {
  path: readonly (string | number)[];
  what: string;
}

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
