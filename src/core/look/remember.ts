import { type MarkerMeasure } from './markers';
import { type LookPosition } from './positions';
import { type ProtocolId } from './protocols';
import { type LookRecord, byTime, isOf } from './records';
import { type LookList } from './sets';

/** What of earlier visits a new one begins with: nothing of it is an answer. */
export interface Remembered {
  /** The newest region map of each position, newest first. */
  maps: LookRecord<'regionMap'>[];
  /** Where each protocol was last taken. */
  positions: Partial<Record<ProtocolId, LookPosition>>;
  /** What was compared by. */
  marker: MarkerMeasure | null;
  /** The looks of last time as they were arranged. */
  order: readonly ProtocolId[];
}

/**
 * What is remembered of earlier looks: places, marker, order and the last maps.
 *
 * @param looks of earlier visits, in any order; those taken after the drills and those graded blind are left out
 * @param last the list of the visit before
 * @example rememberedOf([], null).marker // null
 */
export function rememberedOf(looks: readonly LookRecord[], last: LookList | null): Remembered {
  const before = looks
    .filter(({ moment }) => moment === 'before')
    .sort(byTime)
    .reverse();
  const maps: LookRecord<'regionMap'>[] = [];
  const positions: Remembered['positions'] = {};
  let marker: MarkerMeasure | null = null;
  for (const look of before) {
    const { position } = look.raw as { position?: LookPosition };
    if (position) positions[look.protocol] ??= position;
    if (isOf(look, 'marker')) marker ??= look.raw.measure;
    if (isOf(look, 'regionMap') && !look.raw.blindOf && !maps.some(({ raw }) => raw.position === position))
      maps.push(look);
  }
  return { maps, positions, marker, order: last?.protocols ?? [] };
}

/**
 * A list of looks in the order in which they were taken last time; what was not on it comes where it usually does.
 *
 * @example asLastTime({ set: 'first', protocols: ['quietLook', 'twoHands'] }, ['twoHands', 'quietLook']).protocols // ['twoHands', 'quietLook']
 */
export function asLastTime(list: LookList, order: readonly ProtocolId[]): LookList {
  const known = order.filter((id) => list.protocols.includes(id));
  let next = 0;
  return { ...list, protocols: list.protocols.map((id) => (known.includes(id) ? known[next++]! : id)) };
}
