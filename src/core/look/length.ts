const cmPerInch = 2.54;

/** The units lengths are read and said in; they are always stored in centimetres. */
export const lengthUnits = ['cm', 'in'] as const;
export type LengthUnit = (typeof lengthUnits)[number];

/** @example toCm(1, 'in') // 2.54 */
export const toCm = (value: number, unit: LengthUnit) => (unit === 'in' ? value * cmPerInch : value);
/** @example fromCm(2.54, 'in') // 1 */
export const fromCm = (cm: number, unit: LengthUnit) => (unit === 'in' ? cm / cmPerInch : cm);

/** A length in the studio's unit with one digit. @example lengthInWords(6.35, 'in') // '2.5 in' */
export function lengthInWords(cm: number, unit: LengthUnit): string {
  return `${fromCm(cm, unit).toFixed(1)} ${unit}`;
}
