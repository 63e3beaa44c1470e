import { cycleSeconds } from '../cadence';
import { type PlanItem } from '../sequence';
import { type CheckId, type Helped, goesOnAfter } from './eventWords';
import { type RunEvent, type StampedEvent } from './events';
import { tappedCycles } from './pacing';
import { type RunState, cursorAt, freshRun, stepRun } from './run';
import { type RunItem, locate, timelineOf } from './timeline';

/** What was planned against what was done. One a drill: a drill that was swapped away has its own, before the one that came. */
export interface ItemSummary {
  item: PlanItem;
  /** Its place in the plan. */
  index: number;
  plannedBreaths: number;
  plannedSeconds: number;
  deliveredBreaths: number;
  /** Seconds the run was in this drill and running. */
  deliveredSeconds: number;
  /** Mean length of a breath as planned, as paced and as tapped; null without any. */
  cycles: { planned: number | null; paced: number | null; tapped: number | null };
  faults: { fault: string; times: number }[];
  cues: { cue: string; landed: 'yes' | 'partly' | 'no' }[];
  efforts: number[];
  /** What the marker showed right after it; null when it was not rechecked. */
  helped: Helped | null;
  /** What was asked after it, and what of it was there; null where nobody asked. */
  checked: { asked: CheckId[]; found: CheckId[] } | null;
  stopped: boolean;
  /** Why another drill took its place, or null. */
  swapped: Extract<RunEvent, { type: 'swap' }>['why'] | null;
}

export interface RunSummary {
  items: ItemSummary[];
  plannedSeconds: number;
  activeSeconds: number;
  symptoms: string[];
  /** Seconds each stop took to settle, where it was said. */
  settledSeconds: number[];
  notes: string[];
}

interface Tenure {
  item: RunItem;
  planned: RunItem;
  index: number;
  events: StampedEvent[];
  seconds: number;
  swapped: ItemSummary['swapped'];
}

/**
 * Sums a run up, for the thread, the visit note and the next plan.
 *
 * @param who in a group, whose faults, efforts and stops are counted; what nobody was named for counts for everybody who was not resting
 * @example summariseRun(state).items[0].deliveredBreaths // 10
 */
export function summariseRun(state: RunState, who?: string): RunSummary {
  const planned = state.opened;
  const tenures = planned.map((item, index): Tenure => ({
    item,
    planned: item,
    index,
    events: [],
    seconds: 0,
    swapped: null,
  }));
  const gone: Tenure[] = [];
  let active = 0;
  let seenMs = 0;
  let running = freshRun(planned, state.openedSitOut);
  let rests = false;
  const undone = undoneIds(state);
  for (const stamped of state.events) {
    const { event } = stamped;
    const next = stepRun(running, stamped);
    if (running.status === 'running') {
      const from = cursorAt(running, seenMs);
      const to = Math.max(from, cursorAt(running, stamped.atEpochMs));
      if (!rests) {
        active += to - from;
        addSeconds(tenures, running.items, from, to);
      }
    }
    const sitsOut = 'item' in event && who !== undefined && running.sitOut[event.item]?.includes(who);
    // While somebody rests after a stop of their own, what is done is done by the others.
    const away = sitsOut || (rests && !('who' in event && event.who === who));
    if (who !== undefined) rests = restsAfter(rests, event, who);
    if ('item' in event && !away && isAbout(event, who) && !undone.has(stamped.id)) {
      tenures[event.item]?.events.push(stamped);
    }
    const left = event.type === 'swap' ? tenures[event.item] : undefined;
    if (event.type === 'swap' && left) {
      gone.push({ ...left, swapped: event.why ?? 'by hand' });
      tenures[event.item] = {
        item: event.to,
        planned: event.to,
        index: event.item,
        events: [],
        seconds: 0,
        swapped: null,
      };
    }
    running = next;
    seenMs = Math.max(seenMs, stamped.atEpochMs);
    running.items.forEach((item, index) => {
      const tenure = tenures[index];
      if (tenure) tenure.item = item;
    });
  }
  const names = namesOf(state);
  const kept = gone.filter(({ events }) => events.some(({ event }) => event.type !== 'swap'));
  const items = tenures.flatMap((tenure) => [
    ...kept.filter(({ index }) => index === tenure.index).map((left) => summed(left, names)),
    summed(tenure, names),
  ]);
  return {
    items,
    plannedSeconds: timelineOf(planned).totalSeconds,
    activeSeconds: active,
    symptoms: state.events.flatMap(({ event }) =>
      event.type === 'settled' && isAbout(event, who) ? event.symptoms : [],
    ),
    settledSeconds: state.events.flatMap(({ event }) =>
      event.type === 'settled' && isAbout(event, who) && event.seconds !== undefined ? [event.seconds] : [],
    ),
    notes: standing(state).flatMap(({ event }) =>
      event.type === 'note' && isAbout(event, who) && event.text !== '' ? [event.text] : [],
    ),
  };
}

/** Whether a person of a group rests once an event has happened: from a stop of theirs until they go on. */
function restsAfter(rested: boolean, event: RunEvent, who: string): boolean {
  if (!('who' in event) || event.who !== who) return rested;
  if (event.type === 'stop') return true;
  return event.type === 'settled' ? !goesOnAfter(event.then) : rested;
}

/** Whether an event counts for a person: one that names nobody counts for everybody. */
const isAbout = (event: RunEvent, who: string | undefined) =>
  !('who' in event) || event.who === undefined || who === undefined || event.who === who;

function addSeconds(tenures: readonly Tenure[], items: readonly RunItem[], from: number, to: number) {
  if (to <= from) return;
  const timeline = timelineOf(items);
  const first = timeline.segments.indexOf(locate(timeline, from).timed);
  for (const { item, startSeconds, endSeconds } of timeline.segments.slice(first)) {
    if (startSeconds >= to) return;
    const inside = Math.min(to, endSeconds) - Math.max(from, startSeconds);
    if (inside > 0 && tenures[item]) tenures[item].seconds += inside;
  }
}

function summed({ item, planned, index, events, seconds, swapped }: Tenure, names: ReadonlyMap<string, string>) {
  const timeline = timelineOf([planned]);
  const cycles = timeline.segments.flatMap(({ breaths }) => breaths?.cadences.map(cycleSeconds) ?? []);
  const given = events.flatMap(({ event }) => (event.type === 'breath' ? [event] : []));
  const paced = given.flatMap((event) => (event.seconds === undefined ? [] : [event.seconds]));
  const tapped = tappedCycles(
    events.flatMap(({ event, atEpochMs }) => (event.type === 'tap' ? [atEpochMs / 1000] : [])),
  );
  const faults = new Map<string, number>();
  for (const { id, event } of events) {
    if (event.type !== 'fault') continue;
    const fault = names.get(id) ?? event.fault ?? 'unnamed';
    faults.set(fault, (faults.get(fault) ?? 0) + 1);
  }
  return {
    item,
    index,
    plannedBreaths: cycles.length,
    plannedSeconds: timeline.totalSeconds,
    deliveredBreaths: given.length,
    deliveredSeconds: seconds,
    cycles: { planned: meanOf(cycles), paced: meanOf(paced), tapped: meanOf(tapped) },
    faults: [...faults].map(([fault, times]) => ({ fault, times })),
    cues: events.flatMap(({ event }) => (event.type === 'cue' ? [{ cue: event.cue, landed: event.landed }] : [])),
    efforts: events.flatMap(({ event }) => (event.type === 'effort' ? [event.of10] : [])),
    helped: events.reduce<Helped | null>((last, { event }) => (event.type === 'helped' ? event.result : last), null),
    checked: events.reduce<ItemSummary['checked']>(
      (last, { event }) => (event.type === 'checked' ? { asked: event.asked, found: event.found } : last),
      null,
    ),
    stopped: events.some(({ event }) => event.type === 'stop'),
    swapped,
  } satisfies ItemSummary;
}

const meanOf = (values: readonly number[]) =>
  values.length === 0 ? null : values.reduce((sum, value) => sum + value, 0) / values.length;

const undoneIds = ({ events }: RunState) =>
  new Set(events.flatMap(({ event }) => (event.type === 'undo' ? [event.of] : [])));

/** The events that were not taken back. */
function standing(state: RunState): StampedEvent[] {
  const undone = undoneIds(state);
  return state.events.filter(({ id }) => !undone.has(id));
}

const undoable: readonly RunEvent['type'][] = ['fault', 'cue', 'effort', 'helped', 'checked', 'note'];

/** The newest thing marked by hand that can be taken back, or null. */
export function lastMark(state: RunState): StampedEvent | null {
  return standing(state).findLast(({ event }) => undoable.includes(event.type)) ?? null;
}

/**
 * What was asked last of a kind in an item, since it is what it is, about a person: not what was taken back, nor what another
 * of a group was asked.
 *
 * @example answerOf(state, 'effort', 0)?.of10 // 3
 */
export function answerOf<T extends 'effort' | 'helped' | 'checked'>(
  state: RunState,
  type: T,
  item: number,
  who?: string,
): Extract<RunEvent, { type: T }> | null {
  const since = state.events.findLastIndex(({ event }) => event.type === 'swap' && event.item === item);
  const from = state.events[since]?.seq ?? -1;
  const found = standing(state).findLast(
    ({ seq, event }) => seq > from && event.type === type && event.item === item && event.who === who,
  );
  return (found?.event as Extract<RunEvent, { type: T }> | undefined) ?? null;
}

/**
 * Notes about a person that stand, oldest first: not what was taken back, nor what was noted of another of a group.
 *
 * @example notesOf(state) // []
 */
export const notesOf = (state: RunState, who?: string): { id: string; text: string }[] =>
  standing(state).flatMap(({ id, event }) =>
    event.type === 'note' && event.who === who ? [{ id, text: event.text }] : [],
  );

/** Whether a cue was answered in an item, and how; the newest answer that stands. */
export function cueAnswer(state: RunState, item: number, cue: string): 'yes' | 'partly' | 'no' | null {
  const found = standing(state).findLast(
    ({ event }) => event.type === 'cue' && event.item === item && event.cue === cue,
  );
  return found?.event.type === 'cue' ? found.event.landed : null;
}

/** The names given since to marks that were made without one. */
function namesOf(state: RunState): ReadonlyMap<string, string> {
  return new Map(
    state.events.flatMap(({ event }) => (event.type === 'named' ? [[event.of, event.fault] as const] : [])),
  );
}

/** A mark that nobody has named yet: it is asked about once the drill is over. */
export interface UnnamedMark {
  id: string;
  item: number;
  /** Breaths of its item that were done when it was made. */
  afterBreaths: number;
}

/** Marks still without a name, oldest first. */
export function unnamedMarks(state: RunState): UnnamedMark[] {
  const names = namesOf(state);
  return standing(state).flatMap(({ id, seq, event }) =>
    event.type === 'fault' && event.fault === null && !names.has(id)
      ? [
          {
            id,
            item: event.item,
            afterBreaths: state.events.filter(
              (other) => other.seq < seq && other.event.type === 'breath' && other.event.item === event.item,
            ).length,
          },
        ]
      : [],
  );
}

/** Faults marked in an item since it is what it is, in order, under the name they were given since. */
export function faultsOf(state: RunState, item: number, who?: string): string[] {
  const names = namesOf(state);
  const since = state.events.findLastIndex(({ event }) => event.type === 'swap' && event.item === item);
  const undone = undoneIds(state);
  return state.events
    .slice(since + 1)
    .filter(({ id }) => !undone.has(id))
    .flatMap(({ id, event }) =>
      event.type === 'fault' && event.item === item && isAbout(event, who)
        ? [names.get(id) ?? event.fault ?? 'unnamed']
        : [],
    );
}

/** Drills that ended in a stop and were not reviewed since: they stay out of plans. */
export function stoppedDrillsOf(state: RunState): string[] {
  const stopped = new Set<string>();
  const drills = state.opened.map(({ drillId }) => drillId);
  for (const { event } of state.events) {
    if (event.type === 'swap') drills[event.item] = event.to.drillId;
    if (event.type === 'stop' && drills[event.item]) stopped.add(drills[event.item]!);
    if (event.type === 'reviewed') stopped.delete(event.drillId);
  }
  return [...stopped];
}
