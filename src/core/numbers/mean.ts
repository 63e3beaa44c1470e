/**
 * The mean of some readings, or null where there are none.
 *
 * @example meanOrNull([4, 5, 9]) // 6
 * @example meanOrNull([]) // null
 */
export const meanOrNull = (values: readonly number[]): number | null =>
  values.length === 0 ? null : values.reduce((sum, value) => sum + value, 0) / values.length;
