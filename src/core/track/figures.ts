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

/** What a change is called. @example verdictInWords({ verdict: 'larger' }) // 'clearly larger' */
export const verdictInWords = ({ verdict }: Pick<Change, 'verdict'>): string =>
  verdict === 'no clear change' ? verdict : `clearly ${verdict}`;

/**
 * A change in a sentence, lengths in a unit.
 *
 * @example changeInWords(changeOf('hold', 12, 14, []), 'cm') // 'Calm exhale hold: 12 before, 14 s after, no clear change.'
 */
export function changeInWords(change: Change, lengths: LengthUnit): string {
  const { name, unit, said } = figuresOf(change.measure, lengths);
  return `${capital(name)}: ${said(change.before)} before, ${said(change.after)} ${unit} after, ${verdictInWords(change)}.`;
}
