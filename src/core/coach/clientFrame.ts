import { type Segment } from '../dose';
import { type ClientFrame } from './clientMessage';
import { type RunState, cursorAt } from './run';
import { locate, timelineOf } from './timeline';

/**
 * The client's view of a run at a moment.
 *
 * @param nowEpochMs by the run's clock
 * @example clientFrame(state, nineSecondsIn, { showCount: true, cue: 'Fill the towel behind' }).kind // 'breathing'
 */
export function clientFrame(
  state: RunState,
  nowEpochMs: number,
  { showCount, cue }: { showCount: boolean; cue: string },
): ClientFrame {
  if (state.status === 'stopped') return { kind: 'stopped' };
  const talk = state.status === 'paused' && state.pausedBy === 'talk';
  if (state.status === 'ready' || state.status === 'ended' || talk) return { kind: 'rest', words: 'Rest' };
  const cursor = cursorAt(state, nowEpochMs);
  const { timed, intoSeconds, over } = locate(timelineOf(state.items), cursor);
  if (!timed.breaths || over) {
    return { kind: 'rest', words: betweenWords(timed.segment) };
  }
  return {
    kind: 'breathing',
    cadences: [...timed.breaths.cadences],
    startEpochMs: nowEpochMs - intoSeconds * 1000,
    stillAtSeconds: state.status === 'running' ? null : intoSeconds,
    showCount,
    cue,
  };
}

function betweenWords(segment: Segment): string {
  if (segment.kind === 'change side') return `Now the ${segment.to} side`;
  return segment.kind === 'stay' ? 'Stay, and breathe' : 'Rest';
}
