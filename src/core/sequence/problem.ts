/**
 * The planning problem as plain numbers: what may be chosen, what each choice costs and gains, and the rules a choice must
 * keep. It knows nothing of drills beyond their ids, so that another solver can be given the very same thing.
 */
export interface PlanningItem {
  /** Only one item of a drill may be chosen. */
  drill: string;
  position: string;
  /** 0 settles, 1 exhale first, 2 the work, 3 carries over. Items stand in this order. */
  stage: 0 | 1 | 2 | 3;
  level: number;
  /** Seconds without the change into the position. */
  seconds: number;
  holdSeconds: number;
  /** Something the client has to learn: few of these a visit. */
  isNew: boolean;
  /** Contains a hold: never next to another one. */
  holds: boolean;
  /** Items of the same breath and shape share a word; null is like nothing else. */
  alike: string | null;
  /** Gain on each wanted thing, whole tenths, 0 or more. */
  gains: readonly number[];
  /** Worth of its own, whole points, may be below 0. */
  value: number;
  /** Drills of which one item must be chosen earlier. Owned ones are not listed. */
  needs: readonly string[];
}

/** What it costs to go from one position to another. */
export interface Change {
  seconds: number;
  points: number;
  /** From floor to chair, chair to standing and so on. */
  base: boolean;
}

export interface PlanningProblem {
  /** In the one order in which whatever is chosen will be done. */
  items: readonly PlanningItem[];
  /** Weight of each wanted thing, whole, above 0. */
  weights: readonly number[];
  /** Points a tenth gains up to a total, falling from step to step; past the last nothing more is gained. */
  steps: readonly { upTo: number; slope: number }[];
  change: Readonly<Record<string, Readonly<Record<string, Change>>>>;
  mostItems: number;
  mostSeconds: number;
  mostHoldSeconds: number;
  mostNew: number;
  /** Items of one and the same breath and shape. */
  mostAlike: number;
  mostBaseChanges: number;
  /** The level may rise by at most this much over the hardest so far. */
  mostLevelRise: number;
  /** Pairs of drills that may not meet. */
  clashes: readonly (readonly [string, string])[];
  /** Drills that must be in. */
  musts: readonly string[];
  /** Whether the first item must be of stage 0, and the last, and only the last, of stage 3. */
  settleFirst: boolean;
  carryLast: boolean;
}

/** Value of a gain, falling as more is gained: the first of a thing counts most. Tenths in, points out. */
export const gainSteps = [
  { upTo: 30, slope: 10 },
  { upTo: 60, slope: 5 },
  { upTo: 100, slope: 2 },
] as const;

/**
 * Points for a gain with diminishing returns.
 *
 * @param tenths gain in whole tenths, 0 or more
 * @example diminishing(30) // 300
 */
export function diminishing(tenths: number, steps: PlanningProblem['steps'] = gainSteps): number {
  let points = 0;
  let from = 0;
  for (const { upTo, slope } of steps) {
    if (tenths <= from) break;
    points += (Math.min(tenths, upTo) - from) * slope;
    from = upTo;
  }
  return points;
}
