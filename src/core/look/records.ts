import { regionIds } from '../trunk';
import { type LookPosition, lookPositions } from './positions';
import { type ProtocolId, type Raw } from './protocols';

/** Before the work, or after it at the recheck. */
export const lookMoments = ['before', 'after'] as const;
export type LookMoment = (typeof lookMoments)[number];

/** One look as it is kept: raw values with the protocol and version they were taken by. */
export interface LookRecord<P extends ProtocolId = ProtocolId> {
  id: string;
  visitId: string;
  protocol: P;
  version: number;
  moment: LookMoment;
  /** UTC, ISO */
  takenAt: string;
  raw: Raw<P>;
}

/** Narrows a record to one protocol. */
export function isOf<P extends ProtocolId>(record: LookRecord, protocol: P): record is LookRecord<P> {
  return record.protocol === protocol;
}

/** ISO instants of one zone sort as plain text; comparing by locale would be many times slower. */
export const byTime = (a: LookRecord, b: LookRecord) => (a.takenAt < b.takenAt ? -1 : a.takenAt > b.takenAt ? 1 : 0);

const isBlind = (record: LookRecord) => isOf(record, 'regionMap') && record.raw.blindOf !== undefined;

/** Every record of a protocol at a moment, oldest first; maps graded blind for agreement are left out. */
export function allOf<P extends ProtocolId>(
  records: readonly LookRecord[],
  protocol: P,
  moment: LookRecord['moment'],
): LookRecord<P>[] {
  return records
    .filter((record) => record.protocol === protocol && record.moment === moment && !isBlind(record))
    .sort(byTime) as LookRecord[] as LookRecord<P>[];
}

/** The newest record of a protocol at a moment of a visit, or null. */
export function newest<P extends ProtocolId>(
  records: readonly LookRecord[],
  protocol: P,
  moment: LookRecord['moment'],
): LookRecord<P> | null {
  return allOf(records, protocol, moment).at(-1) ?? null;
}

/**
 * The looks of a visit that are read: of each protocol, and of the region map in each position, the newest that was begun
 * afresh, with every one taken again after it.
 *
 * @param moment of the work; both where it is left out
 * @example countingLooks([first, second], 'before').length // 1; both, when the second was taken again
 */
export function countingLooks<P extends ProtocolId>(
  records: readonly LookRecord<P>[],
  moment?: LookRecord['moment'],
): LookRecord<P>[] {
  const counting = new Map<string, LookRecord<P>[]>();
  const inOrder = records.filter((record) => moment === undefined || record.moment === moment).sort(byTime);
  for (const record of inOrder) {
    const key = record.protocol === 'regionMap' ? `map ${record.raw.position}` : record.protocol;
    const known = counting.get(key);
    if (known && (record.raw.again === true || isBlind(record))) known.push(record);
    else counting.set(key, [record]);
  }
  return [...counting.values()].flat();
}

/** The newest region map of each position it was taken in, easiest position first. */
export function mapsByPosition(
  records: readonly LookRecord[],
  moment: LookRecord['moment'],
): { position: LookPosition; record: LookRecord<'regionMap'> }[] {
  const all = allOf(records, 'regionMap', moment);
  if (all.length === 0) return [];
  return lookPositions.flatMap((position) => {
    const record = all.filter(({ raw }) => raw.position === position).at(-1);
    return record ? [{ position, record }] : [];
  });
}

/** The region map that is read: the one in the easiest position in which something was graded. */
export function baseMap(records: readonly LookRecord[], moment: LookRecord['moment']): LookRecord<'regionMap'> | null {
  return easiestGraded(mapsByPosition(records, moment));
}

/** Of maps by position, the one in the easiest position in which something was graded; else the easiest. */
function easiestGraded(maps: ReturnType<typeof mapsByPosition>): LookRecord<'regionMap'> | null {
  const graded = maps.find(({ record: { raw } }) =>
    regionIds.some((id) => (raw.quiet[id] ?? raw.deep[id] ?? null) !== null),
  );
  return (graded ?? maps[0])?.record ?? null;
}

/** Grades given twice to the same map, once blind, for the coach's own agreement. */
export function blindPairs(records: readonly LookRecord[]): [number, number][] {
  const byId = new Map(records.map((record) => [record.id, record]));
  return records.flatMap((record): [number, number][] => {
    if (!isOf(record, 'regionMap') || record.raw.blindOf === undefined) return [];
    const first = byId.get(record.raw.blindOf);
    if (!first || !isOf(first, 'regionMap')) return [];
    return (['quiet', 'deep'] as const).flatMap((breath) =>
      regionIds.flatMap((id): [number, number][] => {
        const [a, b] = [first.raw[breath][id], record.raw[breath][id]];
        return a == null || b == null ? [] : [[a, b]];
      }),
    );
  });
}
