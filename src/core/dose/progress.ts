/** The steps of a dose: small ones first, then the trade's. Common practice, no published source: 10 breaths, then 15, 20, 30. */
const breathSteps = [3, 4, 5, 6, 8, 10, 15, 20, 30] as const;

/**
 * The next dose up or down, within a drill's range.
 *
 * @param range breaths a set, lowest to highest
 * @param from breaths a set now
 * @param direction 1 up, -1 down
 * @example nextBreaths({ min: 10, max: 30 }, 10, 1) // 15
 * @example nextBreaths({ min: 10, max: 30 }, 20, 1) // 30
 */
export function nextBreaths(range: { min: number; max: number }, from: number, direction: 1 | -1): number {
  const step =
    direction === 1
      ? (breathSteps.find((candidate) => candidate > from) ?? from)
      : (breathSteps.filter((candidate) => candidate < from).at(-1) ?? from);
  return Math.min(range.max, Math.max(range.min, step));
}
