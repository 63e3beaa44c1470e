import { cycleSeconds } from '../cadence';
import { type RunEvent } from './events';
import { type RunState } from './run';
import { type RunPlace } from './timeline';

/** Where a run stands, as far as its breaths are marked. */
export interface BreathAt {
  segmentStart: number;
  item: number;
  set: number;
  /** The breath under way, or −1 in a piece that is not breathed. */
  breath: number;
  side: 'left' | 'right' | null;
  /** Seconds of each breath of the piece, as paced. */
  cycles: readonly number[];
}

/**
 * Where a run stands, for marking its breaths.
 *
 * @example breathAt(locate(timeline, 15)).breath // 1
 */
export function breathAt({ timed, item, moment }: Pick<RunPlace, 'timed' | 'item' | 'moment'>): BreathAt {
  const { segment, startSeconds, breaths } = timed;
  return {
    segmentStart: startSeconds,
    item,
    set: segment.kind === 'breaths' ? segment.set : 0,
    breath: moment?.breath ?? -1,
    side: segment.kind === 'breaths' ? segment.side : null,
    cycles: breaths?.cadences.map(cycleSeconds) ?? [],
  };
}

/**
 * The breaths that are done between two looks at a run whose clock only ran on: those gone through in the same piece, and what was left of
 * it where another has begun or the plan is through.
 *
 * @param last null where the run was not there before, or a jump lies between: then nothing is done
 * @param over whether the plan is through
 * @example breathsDone(breathAt(first), breathAt(third), false).length // 2
 */
export function breathsDone(
  last: BreathAt | null,
  now: BreathAt,
  over: boolean,
): Extract<RunEvent, { type: 'breath' }>[] {
  if (!last || last.breath < 0) return [];
  const samePiece = last.segmentStart === now.segmentStart;
  const cycles = samePiece ? now.cycles : last.cycles;
  const doneTo = samePiece && !over ? now.breath : cycles.length;
  return Array.from({ length: Math.max(0, doneTo - last.breath) }, (_, at) => ({
    type: 'breath',
    item: last.item,
    set: last.set,
    breath: last.breath + at,
    ...(last.side ? { side: last.side } : {}),
    seconds: Math.round((cycles[last.breath + at] ?? 0) * 100) / 100,
  }));
}

/** What moves a run's clock, and what of it only gives the breaths to come another length. */
const movesClock: readonly RunEvent['type'][] = [
  'start',
  'pause',
  'resume',
  'jump',
  'swap',
  'stop',
  'settled',
  'tap',
  'adjust',
  'pace',
];
const repaces: readonly (RunEvent['type'] | undefined)[] = ['tap', 'adjust', 'pace'];

/**
 * Whether the breath under way goes on through what happened last: a tap or a change of dose leaves it, a jump, a wait or a swap leaves it
 * undone.
 *
 * @example breathGoesOn({ events: [] }) // false
 */
export const breathGoesOn = ({ events }: Pick<RunState, 'events'>): boolean =>
  repaces.includes(events.findLast(({ event }) => movesClock.includes(event.type))?.event.type);
