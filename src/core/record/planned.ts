import { counted } from '../reasons';

/**
 * What is planned, in a short sentence.
 *
 * @example plannedInWords([item]) // '1 drill.'
 */
export const plannedInWords = (items: readonly unknown[]): string => `${counted(items.length, 'drill')}.`;
