import { type PlanItem, plainDrill } from '../sequence';
import { type PacingMode, type SettledThen, goesOnAfter } from './eventWords';
import { type RunEvent, type StampedEvent } from './events';
import { type Repaced, adjusted, fixedAgain, followed, ramped, tappedCycles } from './pacing';
import { type RunItem, locate, timelineOf } from './timeline';

export interface RunState {
  status: 'ready' | 'running' | 'paused' | 'stopped' | 'ended';
  /** Why it is paused: a gap is a closed lid, a reload, a lost battery; a talk is teaching. */
  pausedBy: 'by hand' | 'gap' | 'talk' | null;
  /** The items as the run was opened with. */
  opened: readonly PlanItem[];
  openedSitOut: RunState['sitOut'];
  /** As they are now: swapped, adjusted, paced. */
  items: readonly RunItem[];
  /** How the pacer goes, item by item; an item not named is paced as planned. */
  modes: Readonly<Record<number, PacingMode>>;
  /** The run's clock at the anchor. */
  cursorSeconds: number;
  /** Wall clock at the anchor while running, else null. */
  anchorEpochMs: number | null;
  lastEpochMs: number | null;
  nextSeq: number;
  /** Moments of the taps on the item that is followed, since the pacer began to follow: wall clock, seconds. */
  taps: { item: number; seconds: readonly number[] };
  /** In a group: who does not take part in an item, by its index. */
  sitOut: Readonly<Record<number, readonly string[]>>;
  events: readonly StampedEvent[];
}

const noTaps: RunState['taps'] = { item: -1, seconds: [] };
/** More taps than these say nothing more about the pace. */
const tapsKept = 32;

/** A run that has not begun. */
export function freshRun(items: readonly PlanItem[], sitOut: RunState['sitOut'] = {}): RunState {
  return {
    status: 'ready',
    pausedBy: null,
    opened: items,
    openedSitOut: sitOut,
    items,
    modes: {},
    cursorSeconds: 0,
    anchorEpochMs: null,
    lastEpochMs: null,
    nextSeq: 0,
    taps: noTaps,
    sitOut,
    events: [],
  };
}

/** A set near the most somebody can lift goes at their pace and not by a clock. Common practice. */
const byTaps = (item: RunItem | undefined): boolean =>
  item !== undefined && plainDrill(item)?.load?.strategy === 'between';

/** Items that go by taps unless it was set otherwise. Asked at every event of a run: worked out once for each list of items. */
const goingByTaps = new WeakMap<readonly RunItem[], readonly number[]>();
function tappedItems({ items, modes }: Pick<RunState, 'modes' | 'items'>): readonly number[] {
  let byDrill = goingByTaps.get(items);
  if (!byDrill) goingByTaps.set(items, (byDrill = items.flatMap((item, at) => (byTaps(item) ? [at] : []))));
  const set = Object.entries(modes);
  if (set.length === 0) return byDrill;
  const chosen = set.flatMap(([at, mode]) => (mode === 'tapped' ? [Number(at)] : []));
  return [...byDrill.filter((at) => modes[at] === undefined), ...chosen];
}

/** How an item is paced: as it was set, else as its drill asks. */
export const modeOf = (state: Pick<RunState, 'modes' | 'items'>, item: number): PacingMode =>
  state.modes[item] ?? (tappedItems(state).includes(item) ? 'tapped' : 'fixed');

const waiting = new WeakMap<RunState, number>();

/**
 * Where the run's clock stops and waits for a tap: the beginning of the next breath that is tapped; infinite where none is to come.
 *
 * @example waitsAt(state) // Infinity
 */
export function waitsAt(state: RunState): number {
  const tapped = tappedItems(state);
  if (tapped.length === 0) return Infinity;
  const known = waiting.get(state);
  if (known !== undefined) return known;
  let found = Infinity;
  for (const { item, startSeconds, endSeconds, breaths } of timelineOf(state.items).segments) {
    if (!breaths || endSeconds <= state.cursorSeconds || !tapped.includes(item)) continue;
    const start = breaths.starts.find((at) => startSeconds + at >= state.cursorSeconds - 1e-9);
    if (start === undefined) continue;
    found = startSeconds + start;
    break;
  }
  waiting.set(state, found);
  return found;
}

/** A finger that was too fast: no repetition is done in less. Ours. */
const shortestTapSeconds = 0.5;

/** The breath that was waited for is done: on to where the next begins, or its set ends. */
function tappedOn(state: RunState, cursor: number, item: number): number {
  const { timed, moment } = locate(timelineOf(state.items), cursor);
  if (timed.item !== item || !moment || !timed.breaths) return cursor;
  return timed.startSeconds + (timed.breaths.starts[moment.breath + 1] ?? timed.breaths.totalSeconds);
}

/**
 * The run's clock at a moment of the wall clock, in seconds. Stands still unless the run is running; never runs backward
 * when the wall clock is set back, and never past the end of the plan.
 */
export function cursorAt(state: RunState, epochMs: number): number {
  if (state.status !== 'running' || state.anchorEpochMs === null) return state.cursorSeconds;
  const on = state.cursorSeconds + Math.max(0, epochMs - state.anchorEpochMs) / 1000;
  return Math.min(on, waitsAt(state), timelineOf(state.items).totalSeconds);
}

/**
 * Folds one event into the state. An event already folded (same sequence number) changes nothing, so sending or replaying
 * twice is harmless; after the end only a review is taken in.
 *
 * @example reduceRun(freshRun(items), { id: '1', seq: 0, atEpochMs: 0, event: { type: 'start' } }).status // 'running'
 */
export function reduceRun(state: RunState, stamped: StampedEvent): RunState {
  const next = stepRun(state, stamped);
  return next === state ? state : { ...next, events: [...state.events, stamped] };
}

/** What breaks off the line of taps that a pace is taken from. */
const breaksTaps: readonly RunEvent['type'][] = ['start', 'pause', 'resume', 'jump', 'swap', 'pace'];

/**
 * What one event makes of a run, its list of events left as it was: whoever goes through many of them keeps the list apart, so that
 * it is not copied for each.
 */
export function stepRun(state: RunState, stamped: StampedEvent): RunState {
  if (stamped.seq < state.nextSeq) return state;
  const { event, atEpochMs } = stamped;
  const base: RunState = {
    ...state,
    nextSeq: stamped.seq + 1,
    lastEpochMs: Math.max(state.lastEpochMs ?? 0, atEpochMs),
    taps: breaksTaps.includes(event.type) ? noTaps : tapsWith(state.taps, stamped),
  };
  if (state.status === 'ended') return base;
  const cursor = cursorAt(state, atEpochMs);
  const still = { cursorSeconds: cursor, anchorEpochMs: null };
  const moving = { status: 'running' as const, pausedBy: null, anchorEpochMs: atEpochMs };
  /** The same moment, with the sets laid out anew. */
  const repaced = (to: Repaced): RunState => ({
    ...base,
    ...to,
    anchorEpochMs: state.anchorEpochMs === null ? null : atEpochMs,
  });
  switch (event.type) {
    case 'start':
      return state.status === 'ready' ? { ...base, ...moving, cursorSeconds: 0 } : base;
    case 'pause':
      if (state.status === 'paused' && event.why === 'talk') return { ...base, pausedBy: 'talk' };
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
      const { [event.item]: _, ...modes } = state.modes;
      return {
        ...base,
        ...sittingOut(state, event),
        items,
        modes,
        cursorSeconds: start,
        anchorEpochMs: state.anchorEpochMs === null ? null : atEpochMs,
      };
    }
    case 'adjust':
      return {
        ...repaced(
          adjusted(state.items, cursor, event.item, {
            cadences: event.cadences,
            breaths: event.breaths,
            sets: event.sets,
            ...(event.kg === undefined ? {} : { kg: event.kg }),
          }),
        ),
        ...sittingOut(state, event),
        modes: settledModes(state, event.item),
      };
    case 'pace': {
      const modes = { ...state.modes, [event.item]: event.mode };
      const to = paceTo(state, cursor, event);
      // Whoever waits from now on waits where they are.
      return { ...repaced(to ?? { items: [...state.items], cursorSeconds: cursor }), modes };
    }
    case 'tap': {
      if (modeOf(state, event.item) === 'tapped') {
        const last = state.taps.item === event.item ? state.taps.seconds.at(-1) : undefined;
        const tooFast = last !== undefined && atEpochMs / 1000 - last < shortestTapSeconds;
        return state.status === 'running' && !tooFast
          ? { ...base, cursorSeconds: tappedOn(state, cursor, event.item), anchorEpochMs: atEpochMs }
          : { ...base, taps: state.taps };
      }
      return modeOf(state, event.item) === 'follow' && state.status === 'running'
        ? repaced(followed(state.items, cursor, event.item, tappedCycles(base.taps.seconds)))
        : base;
    }
    case 'stop':
      // In a group one person can stop while the others go on.
      return event.who ? base : { ...base, ...still, status: 'stopped', pausedBy: null };
    case 'settled':
      return event.who ? base : afterStop(base, event.then);
    case 'end':
      return { ...base, ...still, status: 'ended', pausedBy: null };
    default:
      return base;
  }
}

const sittingOut = ({ sitOut }: RunState, event: Extract<RunEvent, { type: 'swap' | 'adjust' }>) => ({
  sitOut: { ...sitOut, [event.item]: event.sitOut ?? [] },
});

/** A dose set by hand ends a ramp; following goes on. */
function settledModes({ modes }: RunState, item: number) {
  return modes[item] === 'ramp' ? { ...modes, [item]: 'fixed' as const } : modes;
}

function paceTo(state: RunState, cursor: number, event: Extract<RunEvent, { type: 'pace' }>): Repaced | null {
  if (event.mode === 'fixed') return fixedAgain(state.items, cursor, event.item);
  if (event.mode === 'ramp' && event.fromCycleSeconds) {
    return ramped(state.items, cursor, event.item, event.fromCycleSeconds);
  }
  return null;
}

function tapsWith(taps: RunState['taps'], { event, atEpochMs }: StampedEvent): RunState['taps'] {
  if (event.type !== 'tap') return taps;
  const before = taps.item === event.item ? taps.seconds : [];
  return { item: event.item, seconds: [...before.slice(1 - tapsKept), atEpochMs / 1000] };
}

function afterStop(state: RunState, then: SettledThen): RunState {
  return goesOnAfter(then) ? { ...state, status: 'paused', pausedBy: 'by hand' } : { ...state, status: 'ended' };
}

/** What of a run is kept: enough to fold it. */
export interface KeptRun {
  items: readonly PlanItem[];
  events: readonly StampedEvent[];
  members?: readonly { clientId: string; sitsOut?: readonly number[] }[];
}

/** Who sits out which item when a run is opened. */
const sitOutOf = ({ members = [], items }: Pick<KeptRun, 'members' | 'items'>): RunState['sitOut'] =>
  Object.fromEntries(
    items.flatMap((_, index) => {
      const out = members.flatMap(({ clientId, sitsOut }) => (sitsOut?.includes(index) ? [clientId] : []));
      return out.length > 0 ? [[index, out]] : [];
    }),
  );

/** A kept run as it stands, those who sit out of an item included. @example stateOf(storedRun).status // 'running' */
export const stateOf = (run: KeptRun): RunState => foldRun(run.items, run.events, sitOutOf(run));

/** Folds all events of a run, in order of their sequence numbers; each is gone through once. */
export function foldRun(
  items: readonly PlanItem[],
  events: readonly StampedEvent[],
  sitOut: RunState['sitOut'] = {},
): RunState {
  let state = freshRun(items, sitOut);
  const kept: StampedEvent[] = [];
  for (const stamped of [...events].sort((a, b) => a.seq - b.seq)) {
    const next = stepRun(state, stamped);
    if (next !== state) kept.push(stamped);
    state = next;
  }
  return { ...state, events: kept };
}

/** A silence longer than this is a gap: the run was away and is taken back to where it was last seen. */
const gapAfterSeconds = 3;

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

/** The place of a run at its own clock now. */
export function placeAt(state: RunState, epochMs: number) {
  return locate(timelineOf(state.items), cursorAt(state, epochMs));
}

/**
 * Whether a run that is over was ended by a stop, and not because it was through or the coach had enough.
 *
 * @example endedByStop(state) // false; nobody was stopped
 */
export function endedByStop({ events }: RunState): boolean {
  const last = events.findLast(
    ({ event }) => event.type === 'end' || (event.type === 'settled' && event.who === undefined),
  )?.event;
  return last?.type === 'settled' || (last?.type === 'end' && last.why === 'stopped');
}

/** Who was stopped in a group: still being settled, or out for today. */
export function restingIn({ events }: RunState): { unsettled: ReadonlySet<string>; out: ReadonlySet<string> } {
  const unsettled = new Set<string>();
  const out = new Set<string>();
  for (const { event } of events) {
    if (event.type === 'stop' && event.who) unsettled.add(event.who);
    if (event.type !== 'settled' || !event.who) continue;
    unsettled.delete(event.who);
    if (goesOnAfter(event.then)) out.delete(event.who);
    else out.add(event.who);
  }
  return { unsettled, out };
}
