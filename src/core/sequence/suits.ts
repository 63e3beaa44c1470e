import { type Drill, type PositionId } from '../catalogue';
import { type Gates, checkComponents, refusalInWords } from '../safety';
import { itemComponents, startCadences } from './plan';

/** How a drill stands under limits: as it is, in another form, or off, with why. */
export interface Suit {
  level: 'as it is' | 'changed' | 'off';
  /** The position in which it stands best. */
  position: PositionId;
  why: string | null;
}

/**
 * Holds a drill against limits in each of its positions, with and without its pause, and answers the best.
 *
 * @example suitOf(drill, gates).level // 'off'
 */
export function suitOf(drill: Drill, gates: Gates): Suit {
  const order = ['as it is', 'changed', 'off'] as const;
  const suits = drill.positions.flatMap((position) =>
    [false, true].map((withoutHold): Suit => {
      const verdict = checkComponents(
        gates,
        itemComponents({
          drillId: drill.id,
          own: drill,
          position,
          props: [],
          cadences: startCadences(drill, withoutHold),
        }),
      );
      if (!verdict.allowed) return { level: 'off', position, why: refusalInWords(verdict) };
      const [change] = verdict.changes;
      if (change) return { level: 'changed', position, why: `${change.to}: ${change.reason.what}` };
      return {
        level: withoutHold && hasHold(drill) ? 'changed' : 'as it is',
        position,
        why: withoutHold && hasHold(drill) ? 'drop the pause' : null,
      };
    }),
  );
  return suits.reduce((best, one) => (order.indexOf(one.level) < order.indexOf(best.level) ? one : best));
}

const hasHold = ({ breath }: Drill) =>
  breath.kind === 'steady' && Math.max(breath.topPause.start, breath.bottomPause.start) > 1;
