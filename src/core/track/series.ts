import { type Followed, type LookRecord, type MarkerMeasure, type MeasureId, byTime, newest, protocols } from '../look';
import { meanOrNull } from '../numbers';
import { measures } from './change';

/** One value of a measure on one day, and the position it was taken in: like is compared with like. */
export interface Point {
  day: string;
  value: number;
  /** After the work of the same visit, in the same position; null where it was not taken again. */
  after: number | null;
  position: string;
  recordId: string;
}

/** What a record holds of a measure: nothing where another protocol is followed by it. */
const followedIn = (measure: MeasureId, { protocol }: LookRecord): Followed<LookRecord['raw']> | undefined =>
  (protocols[protocol].follows as Partial<Record<MeasureId, Followed<LookRecord['raw']>>>)[measure];

/** The value of a measure in one record, or null when it holds none. */
function valueOf(measure: MeasureId, record: LookRecord): number | null {
  const followed = followedIn(measure, record);
  if (!followed) return null;
  return followed.value ? followed.value(record.raw) : meanOrNull(followed.goes(record.raw));
}

/**
 * A measure over visits: the newest value taken before the work on each day, oldest first.
 *
 * @param dayOf the calendar day of a visit by its id
 * @example seriesOf('hold', looks, dayOf).at(-1)?.value
 */
export function seriesOf(
  measure: MeasureId,
  looks: readonly LookRecord[],
  dayOf: (visitId: string) => string | undefined,
): Point[] {
  const byDay = { before: new Map<string, Taken>(), after: new Map<string, Taken>() };
  for (const record of looks) {
    const value = valueOf(measure, record);
    const day = dayOf(record.visitId);
    if (value === null || day === undefined) continue;
    const known = byDay[record.moment].get(day);
    if (known && known.record.takenAt > record.takenAt) continue;
    byDay[record.moment].set(day, { value, record });
  }
  return [...byDay.before]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([day, { value, record }]) => {
      const { position } = record.raw;
      const again = byDay.after.get(day);
      const after = again?.record.raw.position === position ? again.value : null;
      return { day, value, after, position, recordId: record.id };
    });
}

interface Taken {
  value: number;
  record: LookRecord;
}

/**
 * Repeats of a measure within one record, for learning the client's own noise: the first two goes that count. Where there is
 * one value a look, as of a rate, two looks of the same visit and position are its pair.
 */
export function repeatPairs(looks: readonly LookRecord[], measure: MeasureId): [number, number][] {
  const pairOf = (values: readonly number[]): [number, number][] =>
    values.length < 2 ? [] : [[values[0]!, values[1]!]];
  if (!measures[measure].pairedAcrossLooks) {
    return looks.flatMap((record) => pairOf(followedIn(measure, record)?.goes(record.raw) ?? []));
  }
  const byPlace = new Map<string, number[]>();
  for (const record of [...looks].sort(byTime)) {
    const value = record.moment === 'before' ? valueOf(measure, record) : null;
    if (value === null) continue;
    const key = `${record.visitId} ${record.raw.position}`;
    byPlace.set(key, [...(byPlace.get(key) ?? []), value]);
  }
  return [...byPlace.values()].flatMap(pairOf);
}

/** The marker before and after the work of one visit, or null when one is missing or was taken in another way. */
export function markerBeforeAfter(
  looks: readonly LookRecord[],
): { measure: MarkerMeasure; before: number; after: number } | null {
  const [before, after] = [newest(looks, 'marker', 'before'), newest(looks, 'marker', 'after')];
  if (!before || !after || before.raw.position !== after.raw.position) return null;
  const { measure } = before.raw;
  if (after.raw.measure !== measure) return null;
  const [b, a] = [meanOrNull(before.raw.readings), meanOrNull(after.raw.readings)];
  return b === null || a === null ? null : { measure, before: b, after: a };
}
