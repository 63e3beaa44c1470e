import { type LookRecord, type MeasureId, protocolIds, protocols } from '../look';
import { type Change, changeOf, measureIds } from './change';
import { repeatPairs, seriesOf } from './series';

/** Repeats of each measure within single records: what a client's own noise is learnt from. */
export type Repeats = Partial<Record<MeasureId, [number, number][]>>;

/** Protocols that hold something which is followed over visits: nothing else need be read for it. */
export const followedProtocols = protocolIds.filter((id) => Object.keys(protocols[id].follows).length > 0);

/**
 * Repeats of all measures that have any.
 *
 * @example repeatsOf(looks).ease // [[4, 5]]
 */
export const repeatsOf = (looks: readonly LookRecord[]): Repeats =>
  Object.fromEntries(
    measureIds.flatMap((measure): [MeasureId, [number, number][]][] => {
      const pairs = repeatPairs(looks, measure);
      return pairs.length > 0 ? [[measure, pairs]] : [];
    }),
  );

/** A measure as it went over visits. */
export interface Followed {
  measure: MeasureId;
  /** Day, value and position of each visit, oldest first. */
  points: [day: string, value: number, position: string][];
  /** From the first to the last taken in the position of the last; null with one of them. */
  change: Change | null;
}

/**
 * Every measure that was taken, over visits, with what became of it from the first to the last in the same position.
 *
 * @param looks of all visits
 * @param dayOf the calendar day of a visit by its id
 * @example followed(looks, dayOf)[0]?.measure // 'ease'
 */
export function followed(looks: readonly LookRecord[], dayOf: (visitId: string) => string | undefined): Followed[] {
  const repeats = repeatsOf(looks);
  return measureIds.flatMap((measure): Followed[] => {
    const points = seriesOf(measure, looks, dayOf);
    const last = points.at(-1);
    if (!last) return [];
    const like = points.filter(({ position }) => position === last.position);
    return [
      {
        measure,
        points: points.map(({ day, value, position }) => [day, value, position]),
        change: like.length > 1 ? changeOf(measure, like[0]!.value, last.value, repeats[measure] ?? []) : null,
      },
    ];
  });
}
