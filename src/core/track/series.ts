import { type LookRecord, calmHold, isOf, quietRate } from '../look';
import { type MeasureId } from './change';

/** One value of a measure on one day, and the position it was taken in: like is compared with like. */
export interface Point {
  day: string;
  value: number;
  position: string;
  recordId: string;
}

const readers: Record<MeasureId, (record: LookRecord) => number | null> = {
  rate: (record) =>
    isOf(record, 'quietLook') && record.raw.taps.length >= 4 ? quietRate(record.raw.taps).breathsPerMinute : null,
  hold: (record) =>
    isOf(record, 'calmHold') && record.raw.tries.length > 0 ? calmHold(record.raw.tries).seconds : null,
  ease: (record) =>
    isOf(record, 'marker') && record.raw.readings.length > 0
      ? record.raw.readings.reduce((sum, value) => sum + value, 0) / record.raw.readings.length
      : null,
};

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
  const byDay = new Map<string, Point & { takenAt: string }>();
  for (const record of looks) {
    if (record.moment !== 'before') continue;
    const value = readers[measure](record);
    const day = dayOf(record.visitId);
    if (value === null || day === undefined) continue;
    const known = byDay.get(day);
    if (known && known.takenAt > record.takenAt) continue;
    byDay.set(day, { day, value, position: record.raw.position, recordId: record.id, takenAt: record.takenAt });
  }
  return [...byDay.values()]
    .sort((a, b) => a.day.localeCompare(b.day))
    .map(({ day, value, position, recordId }) => ({ day, value, position, recordId }));
}

/** Repeats of one measure within a visit, for learning the client's own noise. Only the marker is asked twice. */
export function repeatPairs(looks: readonly LookRecord[]): [number, number][] {
  return looks.flatMap((record): [number, number][] => {
    if (!isOf(record, 'marker')) return [];
    const [first, second] = record.raw.readings;
    return first === undefined || second === undefined ? [] : [[first, second]];
  });
}

/** The marker before and after the work of one visit, or null when one is missing or the position differs. */
export function markerBeforeAfter(looks: readonly LookRecord[]): { before: number; after: number } | null {
  const of = (moment: LookRecord['moment']) =>
    looks
      .filter((record) => isOf(record, 'marker') && record.moment === moment)
      .sort((a, b) => a.takenAt.localeCompare(b.takenAt))
      .at(-1);
  const [before, after] = [of('before'), of('after')];
  if (!before || !after || before.raw.position !== after.raw.position) return null;
  const [b, a] = [readers.ease(before), readers.ease(after)];
  return b === null || a === null ? null : { before: b, after: a };
}
