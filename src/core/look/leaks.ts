/**
 * Whether leaking goes with effort; with nothing but an urge, on the way, it does not. Null where it was not asked.
 *
 * @example leaksWithEffort({ leaks: 'yes', leaksWith: ['urge'] }) // false
 */
export function leaksWithEffort(raw: { leaks: string; leaksWith: readonly string[] }): boolean | null {
  if (raw.leaks === 'not observed') return null;
  return raw.leaks === 'yes' && !(raw.leaksWith.length > 0 && raw.leaksWith.every((what) => what === 'urge'));
}
