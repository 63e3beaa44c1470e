/** A repeatable source of chance: the same seed gives the same people everywhere. */
export interface Chance {
  /** From 0 to below 1. */
  part(): number;
  yes(probability: number): boolean;
  /** Normal, by the polar method. */
  normal(mean: number, deviation: number): number;
  pick<T>(list: readonly T[]): T;
}

/**
 * Mulberry32, a public-domain generator of 32 bits: long enough a period for some millions of draws.
 *
 * @param seed any whole number
 * @example chanceFrom(1).part() === chanceFrom(1).part() // true
 */
export function chanceFrom(seed: number): Chance {
  // Held as 32 bits: a plain number of that size would be made anew with every draw.
  const held = Uint32Array.of(seed);
  const part = () => {
    const state = (held[0]! += 0x6d2b79f5);
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
  return {
    part,
    yes: (probability) => part() < probability,
    normal: (mean, deviation) => {
      for (;;) {
        const [x, y] = [2 * part() - 1, 2 * part() - 1];
        const square = x * x + y * y;
        if (square > 0 && square < 1) return mean + deviation * x * Math.sqrt((-2 * Math.log(square)) / square);
      }
    },
    pick: (list) => list[Math.floor(part() * list.length)]!,
  };
}
