import { type BreathPlan, type BreathStretch, type Cadence, type PhaseMoment, phaseAt, planBreaths } from '../cadence';
import { type PositionId } from '../catalogue';
import { type Segment } from '../dose';
import { type PlanItem, itemSegments } from '../sequence';

/**
 * An item as it is run. `paced` holds the breaths of single sets where they differ from the plan: those already given, and
 * those to come while the pacer follows, ramps or was adjusted. Keyed by {@link setKey}.
 */
export type RunItem = PlanItem & { paced?: Readonly<Record<string, readonly Cadence[]>> };

/** Which set on which side: names a stretch of breaths within an item. @example setKey('left', 2) // 'left 2' */
export const setKey = (side: 'left' | 'right' | null, set: number) => `${side ?? 'none'} ${set}`;

/** A piece of a run with its place on the run's clock. */
export interface TimedSegment {
  item: number;
  segment: Segment;
  startSeconds: number;
  endSeconds: number;
  /** Laid out for phaseAt, for pieces that are breathed. */
  breaths: BreathPlan | null;
}

/** A plan laid out on one clock, ready to be located in. */
export interface RunTimeline {
  segments: readonly TimedSegment[];
  /** Where each item starts. */
  itemStarts: readonly number[];
  totalSeconds: number;
}

/** A piece of one item, with its place from where the item starts. */
interface ItemPiece {
  segment: Segment;
  breaths: BreathPlan | null;
  startSeconds: number;
}

/** Asked every frame with the same items: laid out once for each list, and once for each item in it. */
const laidOut = new WeakMap<readonly RunItem[], RunTimeline>();
const itemsLaidOut = new WeakMap<RunItem, Map<PositionId | null, { pieces: ItemPiece[]; seconds: number }>>();
const breathsLaidOut = new WeakMap<readonly Cadence[], { stretches: BreathStretch[]; breaths: BreathPlan }>();

/**
 * Lays the items of a plan end to end on the run's clock. The same list gives the same timeline, and an item that did not change
 * is not laid out anew: a tap that moves the pace of one drill costs that drill only.
 *
 * @example timelineOf(plan.items).totalSeconds
 */
export function timelineOf(items: readonly RunItem[]): RunTimeline {
  const known = laidOut.get(items);
  if (known) return known;
  const segments: TimedSegment[] = [];
  const itemStarts: number[] = [];
  let at = 0;
  items.forEach((item, index) => {
    itemStarts.push(at);
    const { pieces, seconds } = itemLayout(item, items[index - 1]?.position ?? null);
    for (const { segment, breaths, startSeconds } of pieces) {
      const start = at + startSeconds;
      segments.push({ item: index, segment, startSeconds: start, endSeconds: start + segment.seconds, breaths });
    }
    at += seconds;
  });
  const timeline = { segments, itemStarts, totalSeconds: at };
  laidOut.set(items, timeline);
  return timeline;
}

function itemLayout(item: RunItem, previous: PositionId | null) {
  let byPosition = itemsLaidOut.get(item);
  if (!byPosition) itemsLaidOut.set(item, (byPosition = new Map()));
  const known = byPosition.get(previous);
  if (known) return known;
  const pieces: ItemPiece[] = [];
  let at = 0;
  for (const planned of itemSegments(item, previous)) {
    const laid = planned.kind === 'breaths' ? breathsOf(item, planned) : null;
    const segment: Segment =
      planned.kind === 'breaths' && laid
        ? { ...planned, stretches: laid.stretches, seconds: laid.breaths.totalSeconds }
        : planned;
    pieces.push({ segment, breaths: laid?.breaths ?? null, startSeconds: at });
    at += segment.seconds;
  }
  const layout = { pieces, seconds: at };
  byPosition.set(previous, layout);
  return layout;
}

/** The breaths of a set: those paced otherwise where there are any, laid out once for each list of them. */
function breathsOf(item: RunItem, segment: Extract<Segment, { kind: 'breaths' }>) {
  const paced = item.paced?.[setKey(segment.side, segment.set)];
  if (!paced) return { stretches: segment.stretches, breaths: planBreaths(segment.stretches) };
  const known = breathsLaidOut.get(paced);
  if (known) return known;
  const stretches = paced.map((cadence) => ({ cadence, breaths: 1 }));
  const laid = { stretches, breaths: planBreaths(stretches) };
  breathsLaidOut.set(paced, laid);
  return laid;
}

/** The sets of one item as they are laid out, each with its key, in order. */
export function setsOf(item: RunItem): [string, readonly Cadence[]][] {
  return itemLayout(item, null).pieces.flatMap(({ segment, breaths }): [string, readonly Cadence[]][] =>
    segment.kind === 'breaths' && breaths ? [[setKey(segment.side, segment.set), breaths.cadences]] : [],
  );
}

/** Where a run is: which item and piece, how far into it, and the breath's phase while one is paced. */
export interface RunPlace {
  item: number;
  timed: TimedSegment;
  intoSeconds: number;
  leftSeconds: number;
  moment: PhaseMoment | null;
  over: boolean;
}

/**
 * Where the run's clock stands in the plan.
 *
 * @param cursorSeconds seconds on the run's clock, clamped to the run
 * @throws {RangeError} for a plan without items
 */
export function locate(timeline: RunTimeline, cursorSeconds: number): RunPlace {
  const { segments } = timeline;
  if (segments.length === 0) throw new RangeError('A run needs at least one item.');
  const cursor = Math.max(0, cursorSeconds);
  let low = 0;
  let high = segments.length - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (segments[middle]!.startSeconds <= cursor) low = middle;
    else high = middle - 1;
  }
  const timed = segments[low]!;
  const intoSeconds = Math.min(cursor - timed.startSeconds, timed.segment.seconds);
  return {
    item: timed.item,
    timed,
    intoSeconds,
    leftSeconds: timed.segment.seconds - intoSeconds,
    moment: timed.breaths ? phaseAt(timed.breaths, intoSeconds) : null,
    over: cursor >= timeline.totalSeconds,
  };
}
