import { type Cadence, type Phase, cycleSeconds } from './cadence';

/** A stretch of equal breaths. */
export interface BreathStretch {
  cadence: Cadence;
  breaths: number;
}

/** Breaths laid end to end from second 0, ready for {@link phaseAt}. */
export interface BreathPlan {
  /** One per breath. */
  cadences: readonly Cadence[];
  /** Start of each breath in seconds; one longer than `cadences`, the last entry being the end of the plan. */
  starts: readonly number[];
  totalSeconds: number;
}

/** Where a breath plan is at one instant. */
export interface PhaseMoment {
  /** Which breath, from 0. */
  breath: number;
  phase: Phase;
  /** Seconds since the phase began. */
  intoSeconds: number;
  /** Length of the phase in seconds. */
  phaseSeconds: number;
  /** How full the client is meant to be, 0 (end of the exhale) to 1 (end of the inhale). */
  level: number;
  /** True from the end of the last breath on. */
  done: boolean;
}

/**
 * Lays stretches of breaths end to end.
 *
 * @param stretches breaths are whole numbers, 0 or more
 * @throws {RangeError} when a number of breaths is negative or not whole
 * @example planBreaths([{ cadence: cadence(5, 5), breaths: 12 }]).totalSeconds // 120
 */
export function planBreaths(stretches: readonly BreathStretch[]): BreathPlan {
  const cadences: Cadence[] = [];
  const starts: number[] = [];
  let at = 0;
  for (const { cadence, breaths } of stretches) {
    if (!Number.isInteger(breaths) || breaths < 0) throw new RangeError('A stretch has a whole number of breaths.');
    for (let breath = 0; breath < breaths; breath += 1) {
      cadences.push(cadence);
      starts.push(at);
      at += cycleSeconds(cadence);
    }
  }
  starts.push(at);
  return { cadences, starts, totalSeconds: at };
}

/**
 * The one question everything that moves or sounds asks: which phase is it at second t, and how full?
 *
 * Before 0 it answers as at 0; from the end on it answers `done` at the last breath's empty end. A phase of no length is
 * never returned while breathing.
 *
 * @param plan breaths laid out by {@link planBreaths}; at least one breath
 * @param t seconds since the plan began
 * @throws {RangeError} when the plan has no breath
 * @example phaseAt(planBreaths([{ cadence: cadence(2, 6), breaths: 1 }]), 1).level // 0.5
 */
export function phaseAt(plan: BreathPlan, t: number): PhaseMoment {
  const count = plan.cadences.length;
  if (count === 0) throw new RangeError('A plan without breaths has no phase.');
  const done = t >= plan.totalSeconds;
  const clamped = t < 0 ? 0 : t;
  const breath = done ? count - 1 : breathIndexAt(plan.starts, clamped, count);
  const cadence = plan.cadences[breath]!;
  let into = done ? cycleSeconds(cadence) : clamped - plan.starts[breath]!;

  if (into < cadence.inhaleSeconds) {
    return moment(breath, 'inhale', into, cadence.inhaleSeconds, into / cadence.inhaleSeconds, false);
  }
  into -= cadence.inhaleSeconds;
  if (into < cadence.topPauseSeconds) return moment(breath, 'topPause', into, cadence.topPauseSeconds, 1, false);
  into -= cadence.topPauseSeconds;
  if (into < cadence.exhaleSeconds || (!done && cadence.bottomPauseSeconds === 0)) {
    const capped = Math.min(into, cadence.exhaleSeconds);
    return moment(breath, 'exhale', capped, cadence.exhaleSeconds, 1 - capped / cadence.exhaleSeconds, false);
  }
  if (done && cadence.bottomPauseSeconds === 0) {
    return moment(breath, 'exhale', cadence.exhaleSeconds, cadence.exhaleSeconds, 0, true);
  }
  into = Math.min(into - cadence.exhaleSeconds, cadence.bottomPauseSeconds);
  return moment(breath, 'bottomPause', into, cadence.bottomPauseSeconds, 0, done);
}

function moment(
  breath: number,
  phase: Phase,
  intoSeconds: number,
  phaseSeconds: number,
  level: number,
  done: boolean,
): PhaseMoment {
  return { breath, phase, intoSeconds, phaseSeconds, level, done };
}

/** Binary search: the last breath that starts at or before t. */
function breathIndexAt(starts: readonly number[], t: number, count: number): number {
  let low = 0;
  let high = count - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (starts[middle]! <= t) low = middle;
    else high = middle - 1;
  }
  return low;
}
