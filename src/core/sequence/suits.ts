import { type Drill, type PositionId } from '../catalogue';
import { type Gates, refusalInWords } from '../safety';
import { fitOf, formsInWords } from './fit';

/** How a drill stands under limits: as it is, in another form, or off, with why. */
export interface Suit {
  level: 'as it is' | 'changed' | 'off';
  /** The position in which it stands best. */
  position: PositionId;
  why: string | null;
}

/**
 * Holds a drill against limits in each of its positions and answers the best.
 *
 * @example suitOf(drill, gates).level // 'as it is'; a quiet breath, in pregnancy
 */
export function suitOf(drill: Drill, gates: Gates): Suit {
  const order = ['as it is', 'changed', 'off'] as const;
  const suits = drill.positions.map((position): Suit => {
    const side = drill.sides === 'none' ? 'none' : 'left';
    const fit = fitOf(drill, { position, props: [], side }, gates);
    if ('refused' in fit) return { level: 'off', position, why: refusalInWords({ refusals: [fit.refused] }) };
    return fit.forms.length === 0
      ? { level: 'as it is', position, why: null }
      : { level: 'changed', position, why: formsInWords(fit).join('; ') };
  });
  return suits.reduce((best, one) => (order.indexOf(one.level) < order.indexOf(best.level) ? one : best));
}
