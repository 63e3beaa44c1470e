export const percentile = (values: readonly number[], part: number) =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * part))]!;

export const median = (values: readonly number[]) => percentile(values, 0.5);

/**
 * One line of the bench: what, how much, what was wanted, and whether it held.
 *
 * @param was what it had been before it was worked on, on this kind of machine, where that was measured
 */
export const report = (what: string, value: string, limit: string, held: boolean, was?: string) =>
  console.log(
    `${held ? 'held  ' : 'MISSED'}  ${what.padEnd(58)} ${value.padStart(12)}   (wanted: ${limit}${was ? `; was ${was}` : ''})`,
  );
