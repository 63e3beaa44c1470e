/** The units weights are typed and said in; they are always stored in kilograms. */
export const weightUnits = ['kg', 'lb'] as const;
export type WeightUnit = (typeof weightUnits)[number];

/** Kilograms in a pound, by definition. */
const kgInPound = 0.45359237;

/** @example kgOf(10, 'lb') // 4.5359237 */
export const kgOf = (value: number, unit: WeightUnit): number => (unit === 'kg' ? value : value * kgInPound);
/** @example inUnit(4.5359237, 'lb') // 10 */
export const inUnit = (kg: number, unit: WeightUnit): number => (unit === 'kg' ? kg : kg / kgInPound);

/** One step of a weight up or down, in its unit. Ours, as finely as what lies in a rack is marked. */
export const weightStep: Readonly<Record<WeightUnit, number>> = { kg: 0.5, lb: 1 };

/** A weight as it is said, to a tenth where it has one. @example weightInWords(4.5359237, 'lb') // '10 lb' */
export const weightInWords = (kg: number, unit: WeightUnit): string => `${Number(inUnit(kg, unit).toFixed(1))} ${unit}`;

/**
 * The next weight up or down that is a whole number of steps of its unit, in kg: from what lies between two it goes to one of them.
 *
 * @param kg from a step up to 500 kg, the most anybody lifts here
 * @param by 1 for more, -1 for less
 * @example nextMarked(8.3, 'kg', 1) // 8.5
 */
export function nextMarked(kg: number, unit: WeightUnit, by: 1 | -1): number {
  const steps = inUnit(kg, unit) / weightStep[unit];
  const next = by === 1 ? Math.floor(steps + 1e-9) + 1 : Math.ceil(steps - 1e-9) - 1;
  return Math.min(500, kgOf(Math.max(1, next) * weightStep[unit], unit));
}

/**
 * A weight less to the half of a unit, in kg: what lies in a rack is marked so.
 *
 * @example downToHalf(4.3, 'kg') // 4
 */
export const downToHalf = (kg: number, unit: WeightUnit): number =>
  kgOf(Math.floor(inUnit(kg, unit) * 2 + 1e-9) / 2, unit);

/**
 * A lighter weight, in kg: a quarter less, to half a unit; null where nothing is lighter. Ours; common practice is a step down of the rack.
 *
 * @example lighterThan(8, 'kg') // 6
 */
export function lighterThan(kg: number, unit: WeightUnit): number | null {
  const halves = inUnit(kg, unit) * 2;
  // Of the lightest a quarter is less than half a unit: the next below it, then.
  const lighter = Math.min(Math.round(halves * 0.75), Math.ceil(halves - 1e-9) - 1);
  return lighter > 0 ? kgOf(lighter / 2, unit) : null;
}
