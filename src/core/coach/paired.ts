import * as z from 'zod/mini';
import { faults } from '../catalogue';
import { capital } from '../reasons';
import { drillOf } from '../sequence';
import { clientMessageSchema } from './clientMessage';
import { type PacingMode } from './eventWords';
import { type RunState, cursorAt, modeOf } from './run';
import { locate, timelineOf } from './timeline';

/** What the large place of a remote does just now. Each says what is meant: a press that comes late can’t do the opposite. */
const mainActs = ['begin', 'wait', 'go on', 'tap'] as const;
export type MainAct = (typeof mainActs)[number];

/** Likeliest names a remote offers after a mark. */
export const remoteNames = 3;

/** What a remote may show: what is being done, and never about whom. */
export const remoteFrameSchema = z.object({
  status: z.enum(['ready', 'running', 'paused', 'stopped', 'ended']),
  talk: z.boolean(),
  main: z.nullable(z.enum(mainActs)),
  drill: z.string().check(z.maxLength(160)),
  next: z.string().check(z.maxLength(160)),
  cue: z.string().check(z.maxLength(200)),
  /** Whether the cue under way was told to have landed, and the next one is at hand. */
  landed: z.boolean(),
  easier: z.nullable(z.string().check(z.maxLength(200))),
  minutesLeft: z.int(),
  /** The stretch of the run: what a press was meant for. */
  at: z.int(),
  between: z.boolean(),
  /** The likeliest names of a mark that waits for one; empty where none does. */
  names: z.array(z.string().check(z.maxLength(120))).check(z.maxLength(remoteNames)),
  /** Presses taken, the last few: the remote says of its own whether they arrived. */
  taken: z.array(z.uuid()).check(z.maxLength(8)),
});
export type RemoteFrame = z.infer<typeof remoteFrameSchema>;

/** What the live screen tells the devices of its run. */
export const pairedMessageSchema = z.object({
  runId: z.uuid(),
  screen: clientMessageSchema,
  remote: remoteFrameSchema,
});
export type PairedMessage = z.infer<typeof pairedMessageSchema>;

const acts = [...mainActs, 'talk', 'fault', 'name', 'cue', 'easier', 'next', 'back', 'undo', 'stop'] as const;
export type RemoteAct = (typeof acts)[number];

/** A press of a remote. */
export const remotePressSchema = z.object({
  id: z.uuid(),
  act: z.enum(acts),
  /** The stretch it was pressed in. */
  at: z.int(),
  /** Of a name: its place among those offered. */
  place: z.optional(z.int().check(z.minimum(0), z.maximum(remoteNames - 1))),
});
export type RemotePress = z.infer<typeof remotePressSchema>;

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
