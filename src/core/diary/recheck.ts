import { addDays, daysBetween } from '../record/day';

/** What was found of somebody when they were last looked at. */
export interface LastLook {
  clientId: string;
  name: string;
  day: string;
  /** What is to be looked at again, in words. */
  what: string;
}

/** Somebody whose recheck is due. */
export interface RecheckDue extends LastLook {
  overDays: number;
  /** The day they are booked for next, or null. */
  comes: string | null;
}

/**
 * Who is to be looked at again and was not: last looked at longer ago than the coach allows, the longest overdue first.
 *
 * @param looks the newest of each client
 * @param nextDays the next day each client is booked for
 * @param days how long what was found may stand (common practice, the number the coach's)
 * @example rechecksDue([{ clientId: 'ada', name: 'Ada Quay', day: '2026-11-01', what: 'region map' }], new Map(), '2026-11-26', 14)[0].overDays // 11
 */
export function rechecksDue(
  looks: readonly LastLook[],
  nextDays: ReadonlyMap<string, string>,
  today: string,
  days: number,
): RecheckDue[] {
  return looks
    .map((look) => ({
      ...look,
      overDays: daysBetween(addDays(look.day, days), today),
      comes: nextDays.get(look.clientId) ?? null,
    }))
    .filter(({ overDays }) => overDays > 0)
    .sort((a, b) => b.overDays - a.overDays || (a.name < b.name ? -1 : 1));
}
