import { type BreathPlan, type BreathStretch, type Cadence, type PhaseMoment, phaseAt, planBreaths } from '../cadence';
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

/** Asked every frame with the same items: laid out once for each list. */
const laidOut = new WeakMap<readonly PlanItem[], RunTimeline>();

/**
 * Lays the items of a plan end to end on the run's clock. The same list gives the same timeline.
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
    for (const planned of itemSegments(item, items[index - 1]?.position ?? null)) {
      const stretches = planned.kind === 'breaths' ? stretchesOf(item, planned) : null;
      const breaths = stretches && planBreaths(stretches);
      const segment: Segment =
        planned.kind === 'breaths' && stretches && breaths
          ? { ...planned, stretches, seconds: breaths.totalSeconds }
          : planned;
      segments.push({ item: index, segment, startSeconds: at, endSeconds: at + segment.seconds, breaths });
      at += segment.seconds;
    }
  });
  const timeline = { segments, itemStarts, totalSeconds: at };
  laidOut.set(items, timeline);
  return timeline;
}

function stretchesOf(item: RunItem, segment: Extract<Segment, { kind: 'breaths' }>): BreathStretch[] {
  const paced = item.paced?.[setKey(segment.side, segment.set)];
  return paced ? paced.map((cadence) => ({ cadence, breaths: 1 })) : segment.stretches;
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
