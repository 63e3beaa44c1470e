import {
  type LookRecord,
  type MarkerMeasure,
  byTime,
  calmHold,
  excursionOf,
  holdCounts,
  isOf,
  markerMeasureIds,
  newest,
  questionnaireSum,
  rateOf,
} from '../look';
import { type MeasureId } from './change';

/** One value of a measure on one day, and the position it was taken in: like is compared with like. */
export interface Point {
  day: string;
  value: number;
  position: string;
  recordId: string;
}

const meanOf = (values: readonly number[]) =>
  values.length === 0 ? null : values.reduce((sum, value) => sum + value, 0) / values.length;

/** Every counted go of a measure in one record; the value is their mean, and they teach the client's noise. */
const goes: Partial<Record<MeasureId, (record: LookRecord) => readonly number[]>> = {
  girth: (record) =>
    isOf(record, 'tape') && !record.raw.paradoxical.includes('fourth') ? counted(record.raw.levels.fourth) : [],
  gap: (record) => (isOf(record, 'fingerGap') ? counted(record.raw.goes) : []),
  exhale: (record) => (isOf(record, 'exhale') ? record.raw.seconds : []),
  ...Object.fromEntries(
    markerMeasureIds.map((id) => [
      id,
      (record: LookRecord) => (isOf(record, 'marker') && record.raw.measure === id ? record.raw.readings : []),
    ]),
  ),
};

function counted(list: Parameters<typeof excursionOf>[0] = []): number[] {
  return list.flatMap((go) => {
    const one = excursionOf([go]);
    return one && one.goes === 1 ? [one.meanCm] : [];
  });
}

const readers: Partial<Record<MeasureId, (record: LookRecord) => number | null>> = {
  rate: (record) => (isOf(record, 'quietLook') ? (rateOf(record.raw.taps)?.breathsPerMinute ?? null) : null),
  hold: (record) =>
    isOf(record, 'calmHold') && record.raw.tries.length > 0 ? calmHold(record.raw.tries).seconds : null,
  symptoms: (record) => {
    if (!isOf(record, 'questionnaire')) return null;
    const { sum, answered } = questionnaireSum(record.raw.answers);
    return answered === record.raw.answers.length ? sum : null;
  },
};

/** The value of a measure in one record, or null when it holds none. */
function valueOf(measure: MeasureId, record: LookRecord): number | null {
  return readers[measure]?.(record) ?? meanOf(goes[measure]?.(record) ?? []);
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
  const byDay = new Map<string, Point & { takenAt: string }>();
  for (const record of looks) {
    if (record.moment !== 'before') continue;
    const value = valueOf(measure, record);
    const day = dayOf(record.visitId);
    if (value === null || day === undefined) continue;
    const known = byDay.get(day);
    if (known && known.takenAt > record.takenAt) continue;
    byDay.set(day, { day, value, position: record.raw.position, recordId: record.id, takenAt: record.takenAt });
  }
  return [...byDay.values()]
    .sort((a, b) => (a.day < b.day ? -1 : 1))
    .map(({ day, value, position, recordId }) => ({ day, value, position, recordId }));
}

/**
 * Repeats of a measure within one record, for learning the client's own noise: the first two goes that count. A rate is
 * counted once a look, so two counts of the same visit and position are its pair.
 */
export function repeatPairs(looks: readonly LookRecord[], measure: MeasureId): [number, number][] {
  const pairOf = (values: readonly number[]): [number, number][] =>
    values.length < 2 ? [] : [[values[0]!, values[1]!]];
  if (measure === 'hold') {
    return looks.flatMap((record) =>
      isOf(record, 'calmHold') ? pairOf(record.raw.tries.filter(holdCounts).map(({ seconds }) => seconds)) : [],
    );
  }
  if (measure === 'rate') {
    const byPlace = new Map<string, number[]>();
    for (const record of [...looks].sort(byTime)) {
      const value = record.moment === 'before' ? valueOf('rate', record) : null;
      if (value === null) continue;
      const key = `${record.visitId} ${record.raw.position}`;
      byPlace.set(key, [...(byPlace.get(key) ?? []), value]);
    }
    return [...byPlace.values()].flatMap(pairOf);
  }
  return looks.flatMap((record) => pairOf(goes[measure]?.(record) ?? []));
}

/** The marker before and after the work of one visit, or null when one is missing or was taken in another way. */
export function markerBeforeAfter(
  looks: readonly LookRecord[],
): { measure: MarkerMeasure; before: number; after: number } | null {
  const [before, after] = [newest(looks, 'marker', 'before'), newest(looks, 'marker', 'after')];
  if (!before || !after || before.raw.position !== after.raw.position) return null;
  const { measure } = before.raw;
  if (after.raw.measure !== measure) return null;
  const [b, a] = [meanOf(before.raw.readings), meanOf(after.raw.readings)];
  return b === null || a === null ? null : { measure, before: b, after: a };
}
