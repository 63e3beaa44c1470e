import { faults } from '../catalogue';
import { capital } from '../reasons';
import { drillOf } from '../sequence';
import { type PacingMode } from './eventWords';
import { type MainAct, type RemoteAct, type RemoteFrame, type RemotePress } from './pairedSchema';
import { remoteNames } from './remoteNames';
import { type RunState, cursorAt, modeOf } from './run';
import { locate, timelineOf } from './timeline';

/** A press is carried out within this long or not at all: nobody remembers afterwards what they meant by it. Milliseconds, ours. */
export const pressWithinMs = 3000;

/** Acts that mean something else in another stretch of the run; the rest is meant whenever it comes. */
const boundToStretch: readonly RemoteAct[] = ['next', 'easier', 'back', 'name', 'cue'];

/**
 * What a remote shows at a moment of a run.
 *
 * @param nowEpochMs by the run’s clock
 * @example remoteFrame(state, nineSecondsIn, { cue: 'Fill the towel behind', landed: false, easier: null, names: [], taken: [] }).main // 'wait'
 */
export function remoteFrame(
  state: RunState,
  nowEpochMs: number,
  more: Pick<RemoteFrame, 'cue' | 'landed' | 'easier' | 'taken'> & { names: readonly (keyof typeof faults)[] },
): RemoteFrame {
  const timeline = timelineOf(state.items);
  const { timed, item, intoSeconds } = locate(timeline, cursorAt(state, nowEpochMs));
  const breathing = timed.segment.kind === 'breaths';
  const left = timeline.totalSeconds - (timed.startSeconds + intoSeconds);
  const following = state.items[item + 1];
  return {
    status: state.status,
    talk: state.status === 'paused' && state.pausedBy === 'talk',
    main: mainOf(state, item, breathing),
    drill: drillOf(state.items[item]!).name.slice(0, 160),
    next: following ? drillOf(following).name.slice(0, 160) : 'the end',
    cue: more.cue.slice(0, 200),
    landed: more.landed,
    easier: more.easier?.slice(0, 200) ?? null,
    minutesLeft: Math.max(0, Math.ceil(left / 60)),
    at: timeline.segments.indexOf(timed),
    between: !breathing,
    names: more.names.slice(0, remoteNames).map((name) => capital(faults[name].words)),
    taken: more.taken,
  };
}

/** Pacing that follows or waits for a hand. */
const goesByHand: readonly PacingMode[] = ['follow', 'tapped'];

function mainOf(state: RunState, item: number, breathing: boolean): MainAct | null {
  if (state.status === 'ready') return 'begin';
  if (state.status === 'paused') return 'go on';
  if (state.status !== 'running') return null;
  return breathing && goesByHand.includes(modeOf(state, item)) ? 'tap' : 'wait';
}

/**
 * Whether a press still means what it meant: in the run as it stands, in the stretch it was made in, and soon enough.
 *
 * @param frame what the remote is shown just now
 * @param ageMs milliseconds since it was pressed
 * @example pressHolds({ id, act: 'wait', at: 3 }, { ...frame, status: 'paused' }, 200) // false
 */
export function pressHolds({ act, at, place }: RemotePress, frame: RemoteFrame, ageMs: number): boolean {
  if (act === 'stop') return frame.status === 'running' || frame.status === 'paused';
  if (ageMs > pressWithinMs) return false;
  if (act === 'begin') return frame.status === 'ready';
  if (frame.status !== 'running' && frame.status !== 'paused') return false;
  if (boundToStretch.includes(act) && at !== frame.at) return false;
  if (act === 'wait') return frame.status === 'running';
  if (act === 'go on') return frame.status === 'paused';
  if (act === 'tap') return frame.main === 'tap';
  if (act === 'name') return place !== undefined && place < frame.names.length;
  return act !== 'easier' || frame.easier !== null;
}
