/**
 * Agreement of two gradings of the same things beyond chance, quadratically weighted: two steps apart weigh four times
 * one step.
 *
 * @param pairs grades 0 to `highest` given twice
 * @returns 1 for full agreement, 0 for chance; null with fewer than two pairs or when every grade is the same one
 * @source Cohen 1968, Psychol Bull 70:213–220; derivable
 * @example weightedKappa([[0, 0], [1, 2], [3, 3]])
 */
export function weightedKappa(pairs: readonly (readonly [number, number])[], highest = 3): number | null {
  if (pairs.length < 2) return null;
  const size = highest + 1;
  const weight = (i: number, j: number) => ((i - j) / highest) ** 2;
  const firsts = new Array<number>(size).fill(0);
  const seconds = new Array<number>(size).fill(0);
  let observed = 0;
  for (const [first, second] of pairs) {
    firsts[first]! += 1;
    seconds[second]! += 1;
    observed += weight(first, second);
  }
  let expected = 0;
  for (let i = 0; i < size; i += 1) {
    for (let j = 0; j < size; j += 1) expected += (weight(i, j) * firsts[i]! * seconds[j]!) / pairs.length;
  }
  return expected === 0 ? null : 1 - observed / expected;
}
