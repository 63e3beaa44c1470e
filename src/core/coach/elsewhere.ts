import { type RunEvent, type StampedEvent } from './events';

/** How far a run and what is known of those on it have come. */
export interface RunNews {
  /** The newest event the server has, null before the first. */
  last: { seq: number; id: string } | null;
  /** Another text once an answer or a look of anybody on it was told, changed or taken back. */
  told: string;
}

/** Events that tell of somebody and leave the clock to who keeps it: a stop and what became of it, and every mark. */
const marking: readonly RunEvent['type'][] = [
  'stop',
  'settled',
  'fault',
  'named',
  'cue',
  'effort',
  'helped',
  'checked',
  'note',
  'undo',
  'reviewed',
];

/** Whether an event made here goes behind those another device wrote first. A tap tells when the client breathed, whoever paces. */
export const goesBehind = ({ type }: RunEvent): boolean => type === 'tap' || marking.includes(type);

/**
 * What others put into a run that this window has as well, and what to make of it. Where they only marked something, the run is still
 * this window’s to write, and its own events stand behind theirs; where they moved the clock or ended it, it is theirs.
 *
 * @param mine events as this window has them, with those still on their way
 * @param theirs events as the server has them, oldest first
 * @returns whether anything is new; whether the run is this window’s; the events to go on with
 * @source common practice, no published source: one hand keeps the clock
 * @example eventsFromElsewhere(mine, [...mine, stopOfAnother]).ours // true
 */
export function eventsFromElsewhere(
  mine: readonly StampedEvent[],
  theirs: readonly StampedEvent[],
): { isNew: boolean; ours: boolean; events: StampedEvent[] } {
  const known = new Set(mine.map(({ id }) => id));
  const taken = new Set(theirs.map(({ seq }) => seq));
  const foreign = theirs.filter(({ id }) => !known.has(id));
  const ours = foreign.every(({ event }) => marking.includes(event.type));
  const behind = ours ? mine.filter(({ seq }) => !taken.has(seq)) : [];
  return { isNew: foreign.length > 0, ours, events: [...theirs, ...behind].sort((a, b) => a.seq - b.seq) };
}
