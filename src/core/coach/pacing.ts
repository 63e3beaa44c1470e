import { medianOrNull } from '../numbers';
import { type Cadence, cycleSeconds } from '../cadence';
import { type PlanItem } from '../sequence';
import { setStretches } from '../dose';
import { type RunEvent } from './events';
import { type RunItem, type RunPlace, type TimedSegment, locate, setKey, setsOf, timelineOf } from './timeline';

/** A breath grows or shrinks by at most this part from one to the next on a ramp. Common practice, no published source. */
const rampPart = 0.05;

/** Breaths that follow taps stay within these lengths: a slip of the finger is not a breath. Common practice. */
const followedCycle = { min: 2, max: 30 } as const;

/** The pace is set by the middle one of this many tapped breaths, so that one odd breath doesn't. */
const followedBreaths = 3;

/** A tap earlier than this part of the breath says that the breath under way began late, not that the next one begins. */
const lateTapPart = 0.4;

/**
 * A cadence stretched or shrunk to a length. Longer, only the moving phases grow: a pause that grew with them would turn
 * into a hold nobody planned. Shorter, everything shrinks alike.
 *
 * @param seconds of the whole breath, above 0
 * @throws {RangeError} for a length that is not above 0
 * @example scaledTo(cadence(2, 6), 12).exhaleSeconds // 9
 */
export function scaledTo(breath: Cadence, seconds: number): Cadence {
  if (!(seconds > 0)) throw new RangeError('A breath lasts longer than nothing.');
  const cycle = cycleSeconds(breath);
  const pauses = breath.topPauseSeconds + breath.bottomPauseSeconds;
  const grows = seconds > cycle;
  const moving = grows ? (seconds - pauses) / (cycle - pauses) : seconds / cycle;
  const still = grows ? 1 : seconds / cycle;
  return {
    inhaleSeconds: breath.inhaleSeconds * moving,
    topPauseSeconds: breath.topPauseSeconds * still,
    exhaleSeconds: breath.exhaleSeconds * moving,
    bottomPauseSeconds: breath.bottomPauseSeconds * still,
  };
}

/**
 * Lengths of breaths from a client's own toward the planned ones, each at most five per cent from the one before it.
 *
 * @param fromSeconds length of the client's own breath
 * @param planned lengths planned, one a breath
 * @example rampCycles(5, [6, 6, 6, 6, 6]) // [5.25, 5.51…, 5.78…, 6, 6]
 */
export function rampCycles(fromSeconds: number, planned: readonly number[]): number[] {
  let last = fromSeconds;
  return planned.map((goal) => {
    last = Math.min(last * (1 + rampPart), Math.max(last * (1 - rampPart), goal));
    return last;
  });
}

/** A run's items and its clock after the pacer was changed. */
export interface Repaced {
  items: RunItem[];
  cursorSeconds: number;
}

interface Spot {
  place: RunPlace;
  /** The set under way, or the next one when none is. */
  key: string | null;
  breath: number;
}

function spotOf(items: readonly RunItem[], cursorSeconds: number): Spot {
  const { segments } = timelineOf(items);
  const place = locate(timelineOf(items), cursorSeconds);
  const coming = segments
    .slice(segments.indexOf(place.timed))
    .find(({ item, breaths }) => item === place.item && breaths !== null);
  return { place, key: coming ? keyOf(coming) : null, breath: place.moment?.breath ?? -1 };
}

const keyOf = ({ segment }: TimedSegment) => (segment.kind === 'breaths' ? setKey(segment.side, segment.set) : '');

/** The clock of the same spot once the sets are laid out anew: as far into the same piece as before. */
function cursorOf(items: readonly RunItem[], { place, key }: Spot): number {
  const { segments, itemStarts, totalSeconds } = timelineOf(items);
  const set = segments.findIndex((timed) => timed.item === place.item && key !== null && keyOf(timed) === key);
  if (set < 0) return itemStarts[place.item + 1] ?? totalSeconds;
  if (place.moment) return segments[set]!.startSeconds + place.intoSeconds;
  return segments[set]!.startSeconds - place.leftSeconds;
}

/**
 * Changes seconds, breaths or sets of the item under way: what was breathed stays as it was, the breath under way ends as it
 * began, and the next one is the new one.
 *
 * @param items the run's items
 * @param cursorSeconds the run's clock
 * @example adjusted(items, 12, 0, { cadences: [cadence(4, 8)], breaths: 10, sets: 2 }).items[0].breaths // 10
 */
export function adjusted(
  items: readonly RunItem[],
  cursorSeconds: number,
  index: number,
  dose: Pick<PlanItem, 'cadences' | 'breaths' | 'sets' | 'kg'>,
): Repaced {
  const item = items[index];
  if (!item) return { items: [...items], cursorSeconds };
  const spot = spotOf(items, cursorSeconds);
  const here = spot.place.item === index;
  const begun = here && spot.place.timed.segment.kind === 'breaths' ? spot.place.timed.segment.set : 1;
  const next: RunItem = { ...item, ...dose, sets: Math.max(dose.sets, here ? begun : 1) };
  const plain = { ...next, paced: {} };
  const fresh = setsOf(plain);
  const before = new Map(setsOf(item));
  const at = fresh.findIndex(([key]) => key === spot.key);
  const paced = Object.fromEntries(
    fresh.map(([key, cadences], i): [string, readonly Cadence[]] => {
      const given = before.get(key) ?? [];
      if (!here || i > at) return [key, cadences];
      if (i < at) return [key, given.length > 0 ? given : cadences];
      const kept = given.slice(0, spot.breath + 1);
      return [key, [...kept, ...cadences.slice(kept.length)]];
    }),
  );
  const done = replaced(items, index, { ...next, paced });
  return { items: done, cursorSeconds: shiftedCursor(items, done, spot, cursorSeconds, index) };
}

/**
 * What is said when seconds, breaths, sets or the weight of an item are changed while it goes on.
 *
 * @param to what is other than it is
 * @example adjustment(0, item, { breaths: 6 }).breaths // 6
 */
export const adjustment = (
  index: number,
  { cadences, breaths, sets }: Pick<PlanItem, 'cadences' | 'breaths' | 'sets'>,
  to: Partial<Pick<PlanItem, 'cadences' | 'breaths' | 'sets' | 'kg'>>,
): Extract<RunEvent, { type: 'adjust' }> => ({ type: 'adjust', item: index, cadences, breaths, sets, ...to });

/** An item changed elsewhere in the plan moves the clock by what it grew, when it lies before the place. */
function shiftedCursor(
  before: readonly RunItem[],
  after: readonly RunItem[],
  spot: Spot,
  cursorSeconds: number,
  index: number,
) {
  if (spot.place.item === index) return cursorOf(after, spot);
  const start = (items: readonly RunItem[]) => timelineOf(items).itemStarts[spot.place.item]!;
  return cursorSeconds + start(after) - start(before);
}

const replaced = (items: readonly RunItem[], index: number, item: RunItem) =>
  items.map((old, i) => (i === index ? item : old));

/**
 * The sets of an item as it is planned, whatever was paced otherwise. Every tap asks: sets of one item are alike, so their breaths
 * are listed once.
 */
function plannedOf(item: RunItem): [string, readonly Cadence[]][] {
  const cadences = setStretches(item).flatMap(({ cadence, breaths }) => Array<Cadence>(breaths).fill(cadence));
  return setsOf(item).map(([key]) => [key, cadences]);
}

/** Rewrites the breaths after the one under way, in all sets to come. */
function restPaced(
  items: readonly RunItem[],
  cursorSeconds: number,
  index: number,
  rewrite: (planned: readonly Cadence[]) => readonly Cadence[],
): Repaced {
  const spot = spotOf(items, cursorSeconds);
  if (spot.place.item !== index) return { items: [...items], cursorSeconds };
  const now = setsOf(items[index]!);
  const planned = plannedOf(items[index]!);
  const at = now.findIndex(([key]) => key === spot.key);
  const rest = planned.flatMap(([, cadences], i) =>
    i < at ? [] : i === at ? cadences.slice(spot.breath + 1) : cadences,
  );
  const written = [...rewrite(rest)];
  const paced = Object.fromEntries(
    now.map(([key, cadences], i): [string, readonly Cadence[]] => {
      if (i < at) return [key, cadences];
      const kept = i === at ? cadences.slice(0, spot.breath + 1) : [];
      const count = planned[i]![1].length - kept.length;
      return [key, [...kept, ...written.splice(0, Math.max(0, count))]];
    }),
  );
  const done = replaced(items, index, { ...items[index]!, paced });
  return { items: done, cursorSeconds: cursorOf(done, spot) };
}

/** Lets the breaths to come climb (or fall) from the client's own length to the planned ones. */
export function ramped(
  items: readonly RunItem[],
  cursorSeconds: number,
  index: number,
  fromCycleSeconds: number,
): Repaced {
  return restPaced(items, cursorSeconds, index, (planned) => {
    const cycles = rampCycles(fromCycleSeconds, planned.map(cycleSeconds));
    return planned.map((breath, i) => scaledTo(breath, cycles[i]!));
  });
}

/** Brings the breaths to come back to the planned cadence. */
export function fixedAgain(items: readonly RunItem[], cursorSeconds: number, index: number): Repaced {
  return restPaced(items, cursorSeconds, index, (planned) => planned);
}

/**
 * A tap at the start of an inhale while the pacer follows: the breath under way ends (or, tapped early in it, turns out to
 * have begun just now), and those to come take the middle length of the last tapped breaths.
 *
 * @param cycles lengths of the last tapped breaths in seconds, this one included; may be empty for the first tap
 * @returns items and clock, the clock at the start of a breath; unchanged when no breath of the item is under way
 */
export function followed(
  items: readonly RunItem[],
  cursorSeconds: number,
  index: number,
  cycles: readonly number[],
): Repaced {
  const spot = spotOf(items, cursorSeconds);
  const { moment, timed, intoSeconds } = spot.place;
  if (spot.place.item !== index || !moment || !timed.breaths) return { items: [...items], cursorSeconds };
  const breaths = [...timed.breaths.cadences];
  const into = intoSeconds - timed.breaths.starts[moment.breath]!;
  const late = into < lateTapPart * cycleSeconds(breaths[moment.breath]!);
  // Tapped late in the breath: it is over now. Tapped early: the one before it lasted until now.
  const ended = late ? moment.breath - 1 : moment.breath;
  if (ended >= 0) {
    const length = late ? cycleSeconds(breaths[ended]!) + into : into;
    breaths[ended] = stretchedTo(breaths[ended]!, length);
  }
  const begins = ended + 1;
  const pace = medianOrNull(cycles.slice(-followedBreaths));
  const fits = (breath: Cadence) => (pace === null ? breath : scaledTo(breath, pace));
  const planned = plannedOf(items[index]!);
  const at = planned.findIndex(([key]) => key === spot.key);
  // All sets to come are alike: one list serves them all.
  const toCome = planned[0]![1].map(fits);
  const paced = Object.fromEntries(
    planned.map(([key, cadences], i): [string, readonly Cadence[]] => {
      if (i < at) return [key, items[index]!.paced?.[key] ?? cadences];
      if (i > at) return [key, toCome];
      return [key, breaths.map((breath, b) => (b < begins ? breath : fits(cadences[b] ?? breath)))];
    }),
  );
  const done = replaced(items, index, { ...items[index]!, paced });
  const started = timelineOf(done).segments.find((one) => one.item === index && keyOf(one) === spot.key)!;
  return { items: done, cursorSeconds: started.startSeconds + started.breaths!.starts[begins]! };
}

/** What was breathed, to the length it had: phases in their proportions, whatever that makes of the pauses. */
function stretchedTo(breath: Cadence, seconds: number): Cadence {
  const part = seconds / cycleSeconds(breath);
  return {
    inhaleSeconds: breath.inhaleSeconds * part,
    topPauseSeconds: breath.topPauseSeconds * part,
    exhaleSeconds: breath.exhaleSeconds * part,
    bottomPauseSeconds: breath.bottomPauseSeconds * part,
  };
}

/**
 * Lengths between taps that are breaths, oldest first: taps too close together or too far apart are left out.
 *
 * @param tapSeconds moments of the taps in seconds, ascending
 * @example tappedCycles([0, 6, 12.5]) // [6, 6.5]
 */
export function tappedCycles(tapSeconds: readonly number[]): number[] {
  return tapSeconds
    .slice(1)
    .map((tap, i) => tap - tapSeconds[i]!)
    .filter((cycle) => cycle >= followedCycle.min && cycle <= followedCycle.max);
}
