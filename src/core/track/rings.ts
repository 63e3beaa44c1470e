import { type LookRecord, baseMap } from '../look';
import { type Grade, type Grades } from '../trunk';

/** A region map of one visit. */
interface RingOfVisit {
  day: string;
  quiet: Grades;
  deep: Grades;
  neck: Grade;
  /** Deep breaths after the work, in the same position; null where they were not graded again. */
  after: Grades | null;
}

/** Region maps over visits: those taken in the position of the newest, and the others by day and position. */
export interface RingsOver {
  position: string;
  /** Oldest first. */
  like: RingOfVisit[];
  /** Taken in another position: not like with like, oldest first. */
  other: { day: string; position: string }[];
}

/**
 * Region maps of all visits, like with like: one a day, taken before the work.
 *
 * @param looks of all visits
 * @param dayOf the calendar day of a visit by its id
 * @returns null where no map was graded
 * @example ringsOver([], () => undefined) // null
 */
export function ringsOver(
  looks: readonly LookRecord[],
  dayOf: (visitId: string) => string | undefined,
): RingsOver | null {
  const byDay = new Map<string, LookRecord[]>();
  for (const look of looks) {
    const day = dayOf(look.visitId);
    if (day !== undefined) byDay.set(day, [...(byDay.get(day) ?? []), look]);
  }
  const maps = [...byDay]
    .flatMap(([day, list]) => {
      const map = baseMap(list, 'before');
      const again = baseMap(list, 'after');
      const after = again && again.raw.position === map?.raw.position ? again.raw.deep : null;
      return map ? [{ day, raw: map.raw, after }] : [];
    })
    .sort((a, b) => (a.day < b.day ? -1 : 1));
  const newest = maps.at(-1);
  if (!newest) return null;
  const { position } = newest.raw;
  return {
    position,
    like: maps.flatMap(({ day, raw, after }) =>
      raw.position === position ? [{ day, quiet: raw.quiet, deep: raw.deep, neck: raw.neckDeep, after }] : [],
    ),
    other: maps.flatMap(({ day, raw }) => (raw.position === position ? [] : [{ day, position: raw.position }])),
  };
}
