import { z } from 'zod';
import { faultIds } from '../catalogue';
import { planItemSchema, type PlanItem } from '../sequence';
import { locate, timelineOf } from './timeline';

const text = z.string().trim().max(2000, 'A note is limited to 2,000 characters.');
const item = z.number().int().min(0);

/** What can happen in a run. Kept as it happened; the state is folded from it. */
export const runEventSchema = z.discriminatedUnion('type', [
  z.object({ type: z.literal('start') }),
  z.object({ type: z.literal('pause'), why: z.enum(['by hand', 'gap']) }),
  z.object({ type: z.literal('resume') }),
  z.object({ type: z.literal('jump'), toSeconds: z.number().min(0), why: z.enum(['next', 'back', 'ready']) }),
  z.object({ type: z.literal('breath'), item, set: z.number().int().min(1), breath: z.number().int().min(0) }),
  z.object({ type: z.literal('fault'), item, fault: z.enum(faultIds).nullable() }),
  // A mark is stamped at once, unnamed if need be; naming it comes after.
  z.object({ type: z.literal('named'), of: z.uuid(), fault: z.enum(faultIds) }),
  z.object({ type: z.literal('cue'), item, cue: z.string().max(120), landed: z.enum(['yes', 'partly', 'no']) }),
  z.object({ type: z.literal('swap'), item, to: planItemSchema }),
  z.object({ type: z.literal('stop'), item }),
  z.object({
    type: z.literal('settled'),
    symptoms: z.array(z.string().max(80)).max(20),
    note: text,
    then: z.enum(['go on', 'easier', 'end', 'refer']),
  }),
  z.object({ type: z.literal('note'), text }),
  z.object({ type: z.literal('end'), why: z.enum(['done', 'by hand', 'stopped', 'closed later']) }),
  z.object({ type: z.literal('reviewed'), drillId: z.string().max(80), note: text }),
]);
export type RunEvent = z.infer<typeof runEventSchema>;

/** An event with its place: made in the browser, sent as often as needed, stored once. */
export const stampedEventSchema = z.object({
  id: z.uuid(),
  seq: z.number().int().min(0),
  atEpochMs: z.number().int().min(0),
  event: runEventSchema,
});
export type StampedEvent = z.infer<typeof stampedEventSchema>;

export interface RunState {
  status: 'ready' | 'running' | 'paused' | 'stopped' | 'ended';
  /** Why it is paused: a gap is a closed lid, a reload, a lost battery. */
  pausedBy: 'by hand' | 'gap' | null;
  items: readonly PlanItem[];
  /** The run's clock at the anchor. */
  cursorSeconds: number;
  /** Wall clock at the anchor while running, else null. */
  anchorEpochMs: number | null;
  lastEpochMs: number | null;
  nextSeq: number;
  events: readonly StampedEvent[];
}

/** A run that has not begun. */
export function freshRun(items: readonly PlanItem[]): RunState {
  return {
    status: 'ready',
    pausedBy: null,
    items,
    cursorSeconds: 0,
    anchorEpochMs: null,
    lastEpochMs: null,
    nextSeq: 0,
    events: [],
  };
}

/**
 * The run's clock at a moment of the wall clock, in seconds. Stands still unless the run is running; never runs backward
 * when the wall clock is set back, and never past the end of the plan.
 */
export function cursorAt(state: RunState, epochMs: number): number {
  if (state.status !== 'running' || state.anchorEpochMs === null) return state.cursorSeconds;
  const on = state.cursorSeconds + Math.max(0, epochMs - state.anchorEpochMs) / 1000;
  return Math.min(on, timelineOf(state.items).totalSeconds);
}

/**
 * Folds one event into the state. An event already folded (same sequence number) changes nothing, so sending or replaying
 * twice is harmless; after the end only a review is taken in.
 *
 * @example reduceRun(freshRun(items), { id, seq: 0, atEpochMs: 0, event: { type: 'start' } }).status // 'running'
 */
export function reduceRun(state: RunState, stamped: StampedEvent): RunState {
  if (stamped.seq < state.nextSeq) return state;
  const { event, atEpochMs } = stamped;
  const base: RunState = {
    ...state,
    nextSeq: stamped.seq + 1,
    lastEpochMs: Math.max(state.lastEpochMs ?? 0, atEpochMs),
    events: [...state.events, stamped],
  };
  if (state.status === 'ended') return base;
  const cursor = cursorAt(state, atEpochMs);
  const still = { cursorSeconds: cursor, anchorEpochMs: null };
  const moving = { status: 'running' as const, pausedBy: null, anchorEpochMs: atEpochMs };
  switch (event.type) {
    case 'start':
      return state.status === 'ready' ? { ...base, ...moving, cursorSeconds: 0 } : base;
    case 'pause':
      return state.status === 'running' ? { ...base, ...still, status: 'paused', pausedBy: event.why } : base;
    case 'resume':
      return state.status === 'paused' ? { ...base, ...moving, cursorSeconds: cursor } : base;
    case 'jump':
      return state.status === 'running'
        ? { ...base, cursorSeconds: event.toSeconds, anchorEpochMs: atEpochMs }
        : { ...base, cursorSeconds: event.toSeconds };
    case 'swap': {
      const items = state.items.map((old, i) => (i === event.item ? event.to : old));
      const start = timelineOf(items).itemStarts[event.item] ?? cursor;
      return { ...base, items, cursorSeconds: start, anchorEpochMs: state.anchorEpochMs === null ? null : atEpochMs };
    }
    case 'stop':
      return { ...base, ...still, status: 'stopped', pausedBy: null };
    case 'settled':
      return afterStop(base, event.then);
    case 'end':
      return { ...base, ...still, status: 'ended', pausedBy: null };
    default:
      return base;
  }
}

function afterStop(state: RunState, then: 'go on' | 'easier' | 'end' | 'refer'): RunState {
  return then === 'go on' || then === 'easier'
    ? { ...state, status: 'paused', pausedBy: 'by hand' }
    : { ...state, status: 'ended' };
}

/** Folds all events of a run, in order of their sequence numbers. */
export function foldRun(items: readonly PlanItem[], events: readonly StampedEvent[]): RunState {
  return [...events].sort((a, b) => a.seq - b.seq).reduce(reduceRun, freshRun(items));
}

/** A silence longer than this is a gap: the run was away and is taken back to where it was last seen. */
export const gapAfterSeconds = 3;

/**
 * The pause event for a run found running after an absence, or null when it was not away.
 *
 * @param lastSeenEpochMs when the page last saw the run alive
 * @param nowEpochMs now
 */
export function gapPause(
  state: RunState,
  lastSeenEpochMs: number,
  nowEpochMs: number,
): Pick<StampedEvent, 'atEpochMs' | 'event'> | null {
  if (state.status !== 'running' || nowEpochMs - lastSeenEpochMs <= gapAfterSeconds * 1000) return null;
  return { atEpochMs: Math.max(lastSeenEpochMs, state.lastEpochMs ?? 0), event: { type: 'pause', why: 'gap' } };
}

/** What was planned against what was done, item by item. */
export interface ItemSummary {
  item: PlanItem;
  plannedBreaths: number;
  deliveredBreaths: number;
  faults: { fault: string; times: number }[];
  cues: { cue: string; landed: 'yes' | 'partly' | 'no' }[];
  stopped: boolean;
}

/** Sums a run up, for the thread and for the visit's story. */
export function summariseRun(state: RunState): { items: ItemSummary[]; activeSeconds: number; symptoms: string[] } {
  const timeline = timelineOf(state.items);
  const planned = state.items.map((_, index) =>
    timeline.segments
      .filter((timed) => timed.item === index)
      .reduce((sum, timed) => sum + (timed.breaths?.cadences.length ?? 0), 0),
  );
  const items = state.items.map((planItem, index): ItemSummary => {
    const own = state.events.filter(({ event }) => 'item' in event && event.item === index).map(({ event }) => event);
    const faults = new Map<string, number>();
    for (const fault of faultsOf(state, index)) faults.set(fault, (faults.get(fault) ?? 0) + 1);
    return {
      item: planItem,
      plannedBreaths: planned[index]!,
      deliveredBreaths: own.filter((event) => event.type === 'breath').length,
      faults: [...faults].map(([fault, times]) => ({ fault, times })),
      cues: own.flatMap((event) => (event.type === 'cue' ? [{ cue: event.cue, landed: event.landed }] : [])),
      stopped: own.some((event) => event.type === 'stop'),
    };
  });
  return { items, activeSeconds: activeSeconds(state), symptoms: symptomsOf(state) };
}

/** Faults marked in an item, in order, under the name they were given since. */
export function faultsOf(state: RunState, item: number): string[] {
  const names = new Map(
    state.events.flatMap(({ event }) => (event.type === 'named' ? [[event.of, event.fault] as const] : [])),
  );
  return state.events.flatMap(({ id, event }) =>
    event.type === 'fault' && event.item === item ? [names.get(id) ?? event.fault ?? 'unnamed'] : [],
  );
}

function symptomsOf(state: RunState): string[] {
  return state.events.flatMap(({ event }) => (event.type === 'settled' ? event.symptoms : []));
}

/** Seconds the run was running, pauses and stops left out. */
function activeSeconds(state: RunState): number {
  let total = 0;
  let since: number | null = null;
  let running = freshRun(state.items);
  for (const stamped of state.events) {
    const next = reduceRun(running, stamped);
    if (running.status !== 'running' && next.status === 'running') since = stamped.atEpochMs;
    if (running.status === 'running' && next.status !== 'running' && since !== null) {
      total += Math.max(0, stamped.atEpochMs - since) / 1000;
      since = null;
    }
    running = next;
  }
  return total;
}

/** Drills that ended in a stop and were not reviewed since: they stay out of plans. */
export function stoppedDrillsOf(state: RunState): string[] {
  const stopped = new Set<string>();
  for (const { event } of state.events) {
    if (event.type === 'stop') {
      const drillId = state.items[event.item]?.drillId;
      if (drillId) stopped.add(drillId);
    }
    if (event.type === 'reviewed') stopped.delete(event.drillId);
  }
  return [...stopped];
}

/** The place of a run at its own clock now. */
export function placeAt(state: RunState, epochMs: number) {
  return locate(timelineOf(state.items), cursorAt(state, epochMs));
}
