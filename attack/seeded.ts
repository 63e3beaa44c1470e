/** A repeatable source of numbers from 0 to below 1. */
export function seeded(seed: number): () => number {
  let state = (seed * 48271 + 11) % 2147483647 || 1;
  return () => {
    state = (state * 48271) % 2147483647;
    return state / 2147483647;
  };
}
