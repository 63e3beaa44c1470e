import { protocols } from './protocols';
import { type ProtocolId, protocolIds } from './rawSchemas';

export const lookSetIds = ['first', 'full', 'recheck'] as const;
export type LookSetId = (typeof lookSetIds)[number];

export const lookSets: Readonly<Record<LookSetId, { name: string; line: string }>> = {
  first: { name: 'First look', line: 'Enough to choose an intent.' },
  full: { name: 'Full look', line: 'Everything; skip what does not matter today.' },
  recheck: { name: 'Recheck', line: 'What was not free last time, and the marker.' },
};

/** Which protocols a visit goes through, and in which order. */
export interface LookList {
  set: LookSetId;
  protocols: readonly ProtocolId[];
}

const firstLook: readonly ProtocolId[] = ['quietLook', 'twoHands', 'frontOn', 'regionMap', 'sideBend', 'postureSearch'];

/**
 * The protocols of a set in their usual order.
 *
 * @param set first (about six minutes), full, or recheck
 * @param found protocols whose findings were marked last time: what a recheck looks at again
 * @example lookList('recheck', ['regionMap']).protocols // ['quietLook', 'regionMap', 'marker']
 */
export function lookList(set: LookSetId, found: readonly ProtocolId[] = []): LookList {
  const wanted: Record<LookSetId, readonly ProtocolId[]> = {
    first: firstLook,
    full: protocolIds,
    recheck: ['quietLook', ...found, 'marker'],
  };
  const chosen = new Set(wanted[set]);
  return { set, protocols: protocolIds.filter((id) => chosen.has(id)) };
}

/** Minutes a list takes, without pauses. Common practice. @example expectedMinutes(['quietLook', 'twoHands']) // 1.9 */
export function expectedMinutes(list: readonly ProtocolId[]): number {
  return Math.round(list.reduce((sum, id) => sum + protocols[id].minutes, 0) * 10) / 10;
}
