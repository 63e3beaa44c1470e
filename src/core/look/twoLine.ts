import { type Provenance, published } from '../reasons';

/** What the two-line hand estimate gives. */
export interface TwoLine {
  /** Angle from the upper line to the lower, degrees: how much moves altogether. */
  areaDegrees: number;
  /** Upper angle − lower angle: above 0 the upper ribs lead. */
  balanceDegrees: number;
  /** Upper angle over the whole, in percent. */
  percentRibCage: number;
}

/**
 * Upper against lower rib motion from two lines drawn on a half circle with a horizontal C: area = angle AB, balance =
 * angle AC − angle CB, percent rib-cage motion = AC / AB × 100.
 *
 * @param upperDegrees angle AC from the horizontal up to the upper line, 0 to 90
 * @param lowerDegrees angle CB from the horizontal down to the lower line, 0 to 90
 * @throws {RangeError} for angles outside, or when both are 0: nothing was drawn
 * @source [R4] Courtney, van Dixhoorn & Cohen 2008, formulas from memory
 * @example twoLine(30, 30) // { areaDegrees: 60, balanceDegrees: 0, percentRibCage: 50 }
 */
export function twoLine(upperDegrees: number, lowerDegrees: number): TwoLine {
  for (const angle of [upperDegrees, lowerDegrees]) {
    if (!(angle >= 0 && angle <= 90)) throw new RangeError('A line lies between the horizontal and the upright.');
  }
  const area = upperDegrees + lowerDegrees;
  if (area === 0) throw new RangeError('Both lines lie on the horizontal: draw at least one.');
  return {
    areaDegrees: area,
    balanceDegrees: upperDegrees - lowerDegrees,
    percentRibCage: (upperDegrees / area) * 100,
  };
}

export const twoLineProvenance: Provenance = published('R4');
