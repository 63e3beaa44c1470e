/** The most somebody lifts once, as the published formulas have it: a range, since they differ. */
export interface OneLift {
  low: number;
  high: number;
  /** From so many repetitions on the formulas part ways and are said to be poor. */
  poor: boolean;
}

/** Repetitions beyond which no formula says anything of one lift. */
export const mostRepetitions = 60;
/** "Poor above about twelve" [R3]. */
const poorFrom = 13;
/** Brzycki's formula runs away on the way to 37 repetitions; it is asked up to here. */
const brzyckiUpTo = 20;

/** A handbook's percent of one lift by repetitions. @source [R3] NSCA Essentials (values from memory) */
const table: readonly (readonly [repetitions: number, percent: number])[] = [
  [1, 100],
  [2, 95],
  [3, 93],
  [4, 90],
  [5, 87],
  [6, 85],
  [7, 83],
  [8, 80],
  [9, 77],
  [10, 75],
  [11, 70],
  [12, 67],
  [15, 65],
];

/** Percent of one lift by the handbook's table, between its rows by a straight line; null beyond fifteen repetitions. */
function tablePercent(repetitions: number): number | null {
  const at = table.findIndex(([most]) => most >= repetitions);
  if (at < 0) return null;
  const [to, percent] = table[at]!;
  if (to === repetitions || at === 0) return percent;
  const [from, before] = table[at - 1]!;
  return before + ((percent - before) * (repetitions - from)) / (to - from);
}

/** How much of one lift can be lifted so many times, by each that says. In percent. */
function percents(repetitions: number): number[] {
  if (repetitions === 1) return [100];
  const epley = 100 / (1 + repetitions / 30);
  const brzycki = repetitions <= brzyckiUpTo ? [(100 * (37 - repetitions)) / 36] : [];
  const handbook = tablePercent(repetitions);
  return [epley, ...brzycki, ...(handbook === null ? [] : [handbook])];
}

/**
 * The most for one lift from a load and how often it can be lifted: w·(1 + r/30), w·36/(37 − r) and the handbook's table.
 *
 * @param kg lifted, above 0
 * @param repetitions possible with it, 1 to 60
 * @source [R3] Epley 1985; Brzycki 1993; NSCA Essentials (table from memory)
 * @example oneLift(90, 10).low // 120
 */
export function oneLift(kg: number, repetitions: number): OneLift {
  const all = percents(repetitions).map((percent) => (100 * kg) / percent);
  return { low: Math.min(...all), high: Math.max(...all), poor: repetitions >= poorFrom };
}

/**
 * How much of one lift a load is that can be lifted so often, in percent: from the least to the most that is said.
 *
 * @param repetitions possible, 1 to 60
 * @source [R3]
 * @example percentAt(10) // { low: 75, high: 75 }
 */
export function percentAt(repetitions: number): { low: number; high: number } {
  const all = percents(repetitions);
  return { low: Math.min(...all), high: Math.max(...all) };
}

/**
 * How often a part of one lift can be lifted: from the fewest to the most repetitions at which it is said to be possible.
 *
 * @param percent of one lift, above 0 to 100
 * @source [R3]
 * @example repetitionsAt(75) // { fewest: 10, most: 10 }
 */
export function repetitionsAt(percent: number): { fewest: number; most: number } {
  const can = (pick: 'low' | 'high') => {
    let last = 1;
    for (let repetitions = 1; repetitions <= mostRepetitions; repetitions += 1)
      if (percentAt(repetitions)[pick] >= percent - 1e-9) last = repetitions;
    return last;
  };
  return { fewest: can('low'), most: can('high') };
}

/**
 * The heaviest of what is at hand that is no more than asked; null where even the lightest is more.
 *
 * @param weights at hand, in kg: dumbbells as they are, or what plates and bar come to
 * @example nearestBelow(10.8, [4, 8, 12]) // 8
 */
export function nearestBelow(kg: number, weights: readonly number[]): number | null {
  const can = weights.filter((one) => one <= kg + 1e-9);
  return can.length === 0 ? null : Math.max(...can);
}

/**
 * Every load a bar and pairs of plates can make, lightest first.
 *
 * @param pairs kg of one plate of each pair
 * @example loadsOf(20, [5, 10]) // [20, 30, 40, 50]
 */
export function loadsOf(barKg: number, pairs: readonly number[]): number[] {
  const sums = new Set([barKg]);
  for (const plate of pairs) for (const sum of [...sums]) sums.add(sum + 2 * plate);
  return [...sums].sort((a, b) => a - b);
}
