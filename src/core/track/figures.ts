import { type LengthUnit, type MeasureId, fromCm } from '../look';
import { capital } from '../reasons';
import { type Change, measures } from './change';

/** How the values of a measure are said. */
interface Figures {
  name: string;
  unit: string;
  digits: number;
  /** A value as it is kept, or a difference of two, in that unit. */
  shown: (value: number) => number;
  /** The same in figures, without the unit. */
  said: (value: number) => string;
}

/**
 * How the values of a measure are said where lengths are in a unit; they are kept in centimetres.
 *
 * @example figuresOf('girth', 'in').said(5.08) // '2.0'
 */
export function figuresOf(measure: MeasureId, lengths: LengthUnit): Figures {
  const { name, unit, inInches, digits } = measures[measure];
  const [shown, told] =
    lengths === 'in' && inInches !== undefined
      ? [(value: number) => fromCm(value, 'in'), inInches]
      : [(value: number) => value, unit];
  return { name, unit: told, digits, shown, said: (value) => shown(value).toFixed(digits) };
}

/**
 * A change in a sentence, lengths in a unit.
 *
 * @example changeInWords(changeOf('hold', 12, 14, []), 'cm') // 'Calm exhale hold: 12 before, 14 s after, no clear change.'
 */
export function changeInWords({ measure, before, after, verdict }: Change, lengths: LengthUnit): string {
  const { name, unit, said } = figuresOf(measure, lengths);
  const called = verdict === 'no clear change' ? verdict : `clearly ${verdict}`;
  return `${capital(name)}: ${said(before)} before, ${said(after)} ${unit} after, ${called}.`;
}
