import * as z from 'zod/mini';
import { type Provenance, published } from '../reasons';
import { type LengthUnit, lengthInWords, lengthUnits } from './length';

/** How far the goes lie apart, as what follows a length; nothing with one go. @example giveOrTake(0.5, 'cm') // ', give or take 0.5 cm' */
export const giveOrTake = (spreadCm: number | null, unit: LengthUnit) =>
  spreadCm === null ? '' : `, give or take ${lengthInWords(spreadCm, unit)}`;

/** More than this is no girth. */
export const mostGirthCm = 250;

const centimetres = z
  .number({ error: 'Write a length as a plain number.' })
  .check(
    z.minimum(0, 'A length is not below zero.'),
    z.maximum(mostGirthCm, `A girth of more than ${mostGirthCm} cm can’t be right. Check the number and the unit.`),
  );

/** One go: at full exhale and at full inhale, always stored in centimetres; null until it was read. */
const girthGoSchema = z.object({
  exhaleCm: z._default(z.nullable(centimetres), null),
  inhaleCm: z._default(z.nullable(centimetres), null),
});
export type GirthGo = z.infer<typeof girthGoSchema>;
export const girthGoesSchema = z.array(girthGoSchema).check(z.maxLength(3, 'Three goes are enough.'));
/** The unit a length was read in; it is always stored in centimetres. */
export const lengthUnit = z._default(z.enum(lengthUnits), 'cm');

export interface Excursion {
  /** Mean of inhale − exhale over the complete goes, in cm. */
  meanCm: number;
  /** Standard deviation of the goes, in cm; null with fewer than two. */
  spreadCm: number | null;
  goes: number;
  /** Indices of complete goes in which the exhale is the larger: swapped, or paradoxical? */
  reversed: readonly number[];
}

/**
 * Excursion of a girth or of a finger gap: the mean of inhale − exhale. Half-filled goes are left out. A go with the larger
 * exhale counts only when the coach confirmed that it really was so; until then it is asked about.
 *
 * @param goes up to three, in cm
 * @param confirmed true when smaller at full inhale was confirmed as seen
 * @returns null when no go counts yet and none is in question
 * @example excursionOf([{ exhaleCm: 90, inhaleCm: 94 }, { exhaleCm: 90, inhaleCm: 95 }]).meanCm // 4.5
 */
export function excursionOf(goes: readonly GirthGo[], confirmed = false): Excursion | null {
  const complete = goes.flatMap(({ exhaleCm, inhaleCm }, i) =>
    exhaleCm === null || inhaleCm === null ? [] : [{ i, change: inhaleCm - exhaleCm }],
  );
  const reversed = confirmed ? [] : complete.filter(({ change }) => change < 0).map(({ i }) => i);
  const counted = complete.filter(({ change }) => confirmed || change >= 0).map(({ change }) => change);
  if (counted.length === 0 && reversed.length === 0) return null;
  const mean = counted.reduce((sum, change) => sum + change, 0) / (counted.length || 1);
  const spread =
    counted.length < 2
      ? null
      : Math.sqrt(counted.reduce((sum, change) => sum + (change - mean) ** 2, 0) / (counted.length - 1));
  return { meanCm: counted.length === 0 ? Number.NaN : mean, spreadCm: spread, goes: counted.length, reversed };
}

/**
 * What an excursion at the fourth intercostal space says. [R6]: 2.5 cm or less was the limit of older criteria, about 5 cm
 * or more is usual in healthy young adults and falls with age. In between nothing is said. Values from memory.
 *
 * @example expansionBand(2.5) // 'markedly small'
 */
export function expansionBand(cm: number): 'markedly small' | 'in between' | 'usual in young adults' {
  return cm <= 2.5 ? 'markedly small' : cm < 5 ? 'in between' : 'usual in young adults';
}
export const expansionProvenance: Provenance = published('R6');

/** A gap that opens less than this at the lower ribs is small; the sizes are ours. */
export const smallGapCm = 2;

/** The excursion of each go that counts by itself, in cm. @example singleGoes([{ exhaleCm: 3, inhaleCm: 5 }]) // [2] */
export function singleGoes(goes: readonly GirthGo[] = []): number[] {
  return goes.flatMap((go) => {
    const one = excursionOf([go]);
    return one && one.goes === 1 ? [one.meanCm] : [];
  });
}
