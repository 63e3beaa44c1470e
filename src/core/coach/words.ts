import { cadenceInWords } from '../cadence';
import { type WeightUnit, weightInWords } from '../load';
import { counted } from '../reasons';
import { type PlanItem, drillOf, weightOf } from '../sequence';
import { countedAt } from './counting';

/**
 * A dose in short: breaths or repetitions, sets, sides, a weight, a stay.
 *
 * @example doseInWords({ ...item, breaths: 5, sets: 2, side: 'both' }, 'kg') // '2 × 5 breaths, each side'
 */
export function doseInWords(item: PlanItem, weights: WeightUnit): string {
  const sets = item.sets > 1 ? `${item.sets} × ` : '';
  const { of, what } = countedAt(drillOf(item), 0, item.breaths);
  const stay = item.staySeconds ? `, then stay ${item.staySeconds} s` : '';
  const side = item.side === 'none' ? '' : item.side === 'both' ? ', each side' : `, ${item.side}`;
  const kg = weightOf(item);
  const held = kg === null ? '' : `, ${weightInWords(kg, weights)}`;
  return `${sets}${counted(of, what)}${side}${held}${stay}`;
}

/** @example cadencesInWords(item) // '4 in, 6 out' */
export const cadencesInWords = (item: PlanItem) =>
  item.cadences.length > 1 ? `ladder of ${item.cadences.length}` : cadenceInWords(item.cadences[0]!);
