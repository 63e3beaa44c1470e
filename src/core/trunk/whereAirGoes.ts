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

/**
 * What a position gives a part by itself, in steps of a grade: seen there, it is nothing about the person. Lying gives the
 * belly more and the rib cage less than sitting or standing [R5, as a direction]; the sizes are common practice, ours.
 */
const givenLying: Multipliers = {
  belly: 0.6,
  chestFront: -0.4,
  chestBack: -0.4,
  leftBack: -0.3,
  rightBack: -0.3,
  lowBack: -0.2,
};
const givenSteps: Readonly<Record<string, Multipliers>> = {
  'hook-lying': givenLying,
  'side-lying': {},
  propped: { belly: 0.3, chestFront: -0.2 },
  prone: { belly: -0.5, chestFront: -0.5, leftBack: 0.3, rightBack: 0.3, chestBack: 0.3, lowBack: 0.3 },
  quadruped: { chestFront: 0.3, belly: 0.2 },
  standing: { belly: -0.3, lowBack: -0.2 },
};

/**
 * Steps of a grade that a position gives a part: taken off before a part is judged.
 *
 * @param position by its name; one that is not listed, as sitting, gives nothing
 * @returns in grades, above 0 for more
 * @example givenAt('hook-lying', 'belly') // 0.6
 */
export const givenAt = (position: string, region: RegionId): number => givenSteps[position]?.[region] ?? 0;

/**
 * How much more a set-up makes the client feel a part: feedback, a number of its own beside the share of air. A band takes
 * a little of the share and gives much of the feeling. Common practice, the sizes ours.
 */
const awarenessOf: Readonly<Partial<Record<TrunkEffect, Multipliers>>> = {
  'band round the ribs': { leftSide: 2, rightSide: 2, leftBack: 2, rightBack: 2, chestFront: 1.2 },
  'wall behind the back': { leftBack: 1.8, rightBack: 1.8, chestBack: 1.8, lowBack: 1.3 },
  'lying on the back': { leftBack: 1.4, rightBack: 1.4, lowBack: 1.4 },
  'prone over half-dome': { belly: 1.5, chestFront: 1.3 },
  prone: { belly: 1.4, chestFront: 1.2 },
};

/** How strongly each part is felt in a set-up, 1 being without any feedback. */
export function awareness(effects: readonly TrunkEffect[]): Shares {
  return Object.fromEntries(
    regionIds.map((id) => [id, effects.reduce((product, effect) => product * (awarenessOf[effect]?.[id] ?? 1), 1)]),
  ) as Shares;
}

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

/** A client's trunk as one look showed it: how it yields, how large the breath was, and what had to be assumed. */
export interface TrunkEstimate {
  yields: Shares;
  /** Mean grade of what was seen, 0 to 3: kept apart from the shares. */
  size: number;
  /** Parts that were not observed and are taken as even. */
  assumed: readonly RegionId[];
}

/**
 * Reads a region map as a trunk: yields, the size of the breath apart from them, and which parts are only assumed.
 *
 * @example estimateTrunk({ ...unobserved(), belly: 2 }, ['sitting']).assumed.length // 8
 */
export function estimateTrunk(grades: Grades, seenIn: readonly TrunkEffect[]): TrunkEstimate {
  const seen = regionIds.map((id) => grades[id]).filter((grade): grade is number => grade !== null);
  return {
    yields: estimateYields(grades, seenIn),
    size: seen.reduce((sum, grade) => sum + grade, 0) / (seen.length || 1),
    assumed: regionIds.filter((id) => grades[id] === null),
  };
}

/**
 * Shares drawn on the scale of the grades, for laying a predicted ring over a seen one: the same breath, handed out
 * otherwise. Above 3 is drawn as 3.
 *
 * @example sharesAsGrades(predictShares(evenYields(), ['sitting']), 2).belly // 2
 */
export function sharesAsGrades(shares: Shares, size: number): Shares {
  return Object.fromEntries(regionIds.map((id) => [id, Math.min(3, shares[id] * regionIds.length * size)])) as Shares;
}

/** A set-up to try, by whatever the caller calls it. */
export interface SetUp {
  id: string;
  effects: readonly TrunkEffect[];
}

/**
 * Ranks set-ups by how much of the breath they send to the wanted parts, best first; equal ones keep their order. Meant to
 * be swept over the whole catalogue in a worker.
 *
 * @param wanted weight of each part to open
 * @returns each set-up with its gain over the even share, 1 being no gain
 * @example rankSetUps(evenYields(), [{ id: 'a', effects: ["child's pose"] }], { leftBack: 1 })[0].gain > 1 // true
 */
export function rankSetUps(
  yields: Shares,
  setUps: readonly SetUp[],
  wanted: Partial<Record<RegionId, number>>,
): { id: string; gain: number }[] {
  const parts = Object.entries(wanted) as [RegionId, number][];
  const weight = parts.reduce((sum, [, value]) => sum + value, 0) || 1;
  return setUps
    .map(({ id, effects }, order) => {
      const shares = predictShares(yields, effects);
      const share = parts.reduce((sum, [part, value]) => sum + value * shares[part], 0) / weight;
      return { id, gain: share * regionIds.length, order };
    })
    .sort((a, b) => b.gain - a.gain || a.order - b.order)
    .map(({ id, gain }) => ({ id, gain }));
}

/** A trunk that yields alike everywhere. */
export function evenYields(): Shares {
  return Object.fromEntries(regionIds.map((id) => [id, 1])) as Shares;
}
