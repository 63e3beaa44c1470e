import { type Grades, regionIds, unobserved } from '../trunk';

/** The better of quiet and deep a part: one that opens on a deep breath is available. Null where neither was seen. */
export function bestGrades(raw: { quiet: Partial<Grades>; deep: Partial<Grades> }): Grades {
  const best = unobserved();
  for (const id of regionIds) {
    const [quiet, deep] = [raw.quiet[id] ?? null, raw.deep[id] ?? null];
    best[id] = quiet === null ? deep : deep === null ? quiet : Math.max(quiet, deep);
  }
  return best;
}
