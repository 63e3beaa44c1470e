import { medianOrNull } from '../numbers';

/**
 * How long an easy exhale is: the middle of its goes, since a slip of the finger makes one short or long. Null without one.
 *
 * @example easyExhaleOf([6, 2, 7]) // 6
 */
export const easyExhaleOf = (goes: readonly number[]): number | null => medianOrNull(goes);
