import { type ProtocolId, protocols } from './protocols';

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

/**
 * The usual order: watched before touched, and then what tells most for its minutes (docs/reading.md). Tape, holds and
 * questionnaire tell patterns apart hardly at all; they have other uses and come last.
 */
const usualOrder: readonly ProtocolId[] = [
  'quietLook',
  'twoHands',
  'sideBend',
  'regionMap',
  'stack',
  'postureSearch',
  'wallOrder',
  'floor',
  'exhale',
  'fingerGap',
  'frontOn',
  'calmHold',
  'tape',
  'twoLine',
  'pelvicRock',
  'tenCount',
  'questionnaire',
  'marker',
];
const firstLook: readonly ProtocolId[] = usualOrder.slice(0, 6);

/**
 * The protocols of a set in their usual order.
 *
 * @param set first (six to seven minutes), full, or recheck
 * @param found protocols whose findings were marked last time: what a recheck looks at again
 * @param led protocols that what was told on Screen asks for: they belong in any set
 * @example lookList('recheck', ['regionMap']).protocols // ['quietLook', 'regionMap', 'marker']
 */
export function lookList(set: LookSetId, found: readonly ProtocolId[] = [], led: readonly ProtocolId[] = []): LookList {
  const wanted: Record<LookSetId, readonly ProtocolId[]> = {
    first: [...firstLook, ...led],
    full: usualOrder,
    recheck: ['quietLook', ...found, ...led, 'marker'],
  };
  const chosen = new Set(wanted[set]);
  return { set, protocols: usualOrder.filter((id) => chosen.has(id)) };
}

/** Minutes a list takes, without pauses. Common practice. @example expectedMinutes(['quietLook', 'twoHands']) // 1.9 */
export function expectedMinutes(list: readonly ProtocolId[]): number {
  return Math.round(list.reduce((sum, id) => sum + protocols[id].minutes, 0) * 10) / 10;
}
