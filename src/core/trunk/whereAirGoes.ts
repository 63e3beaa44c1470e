import { type Grades, type RegionId, regionIds } from './regions';

/** What a position, a prop, a tension or a bend does to the way of least resistance. */
export const trunkEffects = [
  'lying on the back',
  'sitting',
  'standing',
  'prone',
  'prone over half-dome',
  "child's pose",
  'quadruped',
  'side-lying, left side up',
  'side-lying, right side up',
  'left side open in a bend',
  'right side open in a bend',
  'band round the ribs',
  'wall behind the back',
  'light front tension',
  'slouched',
  'arched',
  'late pregnancy',
] as const;
export type TrunkEffect = (typeof trunkEffects)[number];

type Multipliers = Partial<Record<RegionId, number>>;

/**
 * k of the teaching model: how much easier (above 1) or harder (below 1) a part opens there. Directions are common
 * practice, lying against upright is published as a direction [R5]; the sizes are ours and only rank set-ups.
 */
export const effectMultipliers: Readonly<Record<TrunkEffect, Multipliers>> = {
  'lying on the back': {
    belly: 1.5,
    chestFront: 0.85,
    leftSide: 0.9,
    rightSide: 0.9,
    leftBack: 0.75,
    rightBack: 0.75,
    chestBack: 0.7,
    lowBack: 0.8,
  },
  sitting: {},
  standing: { belly: 0.9, lowBack: 0.9, pelvicFloor: 0.9 },
  prone: { belly: 0.6, chestFront: 0.6, leftBack: 1.4, rightBack: 1.4, chestBack: 1.4, lowBack: 1.4 },
  'prone over half-dome': { belly: 0.5, chestFront: 0.5, leftBack: 1.7, rightBack: 1.7, chestBack: 1.8, lowBack: 1.4 },
  "child's pose": {
    belly: 0.5,
    chestFront: 0.5,
    leftBack: 1.7,
    rightBack: 1.7,
    chestBack: 1.4,
    lowBack: 1.7,
    pelvicFloor: 1.3,
  },
  quadruped: { chestFront: 1.3, belly: 1.15, leftBack: 1.1, rightBack: 1.1 },
  'side-lying, left side up': { leftSide: 1.6, rightSide: 0.5, leftBack: 1.2, rightBack: 0.8 },
  'side-lying, right side up': { leftSide: 0.5, rightSide: 1.6, leftBack: 0.8, rightBack: 1.2 },
  'left side open in a bend': { leftSide: 1.7, leftBack: 1.2, rightSide: 0.5, rightBack: 0.8 },
  'right side open in a bend': { rightSide: 1.7, rightBack: 1.2, leftSide: 0.5, leftBack: 0.8 },
  'band round the ribs': { leftSide: 0.92, rightSide: 0.92, leftBack: 0.92, rightBack: 0.92, chestFront: 0.95 },
  'wall behind the back': { chestFront: 0.9, leftBack: 1.15, rightBack: 1.15, chestBack: 1.15 },
  'light front tension': {
    belly: 0.55,
    leftSide: 1.15,
    rightSide: 1.15,
    leftBack: 1.25,
    rightBack: 1.25,
    lowBack: 1.15,
  },
  slouched: { chestFront: 0.6, belly: 0.8, chestBack: 1.1 },
  arched: { leftBack: 0.6, rightBack: 0.6, chestBack: 0.6, lowBack: 0.6, belly: 1.4 },
  'late pregnancy': { belly: 0.7, pelvicFloor: 0.7, leftSide: 1.1, rightSide: 1.1 },
};

/** A closed part can still open: no yield is taken below this part of an even one. Common practice. */
const yieldFloor = 0.25;

/** Shares of a breath by part; they add up to 1. */
export type Shares = Record<RegionId, number>;

function multiplier(region: RegionId, effects: readonly TrunkEffect[]): number {
  return effects.reduce((product, effect) => product * (effectMultipliers[effect][region] ?? 1), 1);
}

/**
 * How freely each part yields, estimated from a region map: grade ÷ the multiplier of the set-up it was seen in, as a
 * ratio to the client's own mean, never below 0.25. Parts not observed are taken as even. A teaching model and a ranking
 * device, never a measurement.
 *
 * @param grades the region map
 * @param seenIn effects in force when it was seen
 */
export function estimateYields(grades: Grades, seenIn: readonly TrunkEffect[]): Shares {
  const raw = regionIds.map((id) => {
    const grade = grades[id];
    return grade === null ? null : grade / multiplier(id, seenIn);
  });
  const observed = raw.filter((value): value is number => value !== null);
  const mean = observed.reduce((sum, value) => sum + value, 0) / (observed.length || 1);
  return Object.fromEntries(
    regionIds.map((id, i) => {
      const value = raw[i];
      return [id, value == null || mean === 0 ? 1 : Math.max(yieldFloor, value / mean)];
    }),
  ) as Shares;
}

/**
 * Predicts each part's share of a breath in another set-up: c·k / Σ c·k. A teaching model, never a measurement.
 *
 * @param yields from {@link estimateYields}, or all 1 for an even trunk
 * @param effects position, props, tension and bend in force
 * @example predictShares(evenYields(), ['lying on the back']).belly > predictShares(evenYields(), ['sitting']).belly // true
 */
export function predictShares(yields: Shares, effects: readonly TrunkEffect[]): Shares {
  const weights = regionIds.map((id) => yields[id] * multiplier(id, effects));
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  return Object.fromEntries(regionIds.map((id, i) => [id, weights[i]! / total])) as Shares;
}

/** A trunk that yields alike everywhere. */
export function evenYields(): Shares {
  return Object.fromEntries(regionIds.map((id) => [id, 1])) as Shares;
}
