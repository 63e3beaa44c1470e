import { type DrillLoad, movementOf } from '../load';
import { type MovementId, movementWords } from './movements';

/**
 * How a drill moves, in words: a loaded one by the words of its own movement.
 *
 * @example movementInWords(findDrill('quiet-nose')!) // 'still'
 */
export const movementInWords = ({ movement, load }: { movement: MovementId; load: DrillLoad | null }): string =>
  movement === 'none' && load
    ? movementOf(load)
        .parts.map(({ name }) => name)
        .join(', ')
    : movementWords[movement];
