import { z } from 'zod';
import { type Segment } from '../dose';
import { cadenceSchema } from '../cadence';
import { type RunState, cursorAt } from './run';
import { locate, timelineOf } from './timeline';

/**
 * What the client's own window is told: enough to pace and a few plain words. No name, fault, caution, total or time left
 * ever goes into it.
 */
const clientFrameSchema = z.discriminatedUnion('kind', [
  /** Blank paper: the coach looks, or nothing is on. */
  z.object({ kind: z.literal('rest'), words: z.string().max(120) }),
  z.object({
    kind: z.literal('breathing'),
    cadences: z.array(cadenceSchema).min(1),
    /** Wall clock at which the first of these breaths began, by the run's clock. */
    startEpochMs: z.number(),
    /** Seconds into them, while it waits; null while it runs. */
    stillAtSeconds: z.number().nullable(),
    showCount: z.boolean(),
    cue: z.string().max(160),
  }),
  z.object({ kind: z.literal('hold') }),
  z.object({ kind: z.literal('stopped') }),
]);
export type ClientFrame = z.infer<typeof clientFrameSchema>;

/** What travels between the windows: the frame, and the sender's clock so that both keep one time. */
export const clientMessageSchema = z.object({ frame: clientFrameSchema, sentAtMs: z.number() });
export type ClientMessage = z.infer<typeof clientMessageSchema>;

/** The name of the channel both windows listen on. */
export const clientChannel = 'kokyu-client';

/** Without a word from the coach's window for this long, the client's goes blank. */
export const silentAfterMs = 6000;

/**
 * The client's view of a run at a moment.
 *
 * @param nowEpochMs by the run's clock
 * @example clientFrame(state, Date.now(), { showCount: true, cue: 'Fill the towel behind' }).kind // 'breathing'
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
