/**
 * Whether what is drawn of two things is the same. How far the server had come when it made a page is nothing that is drawn; of when
 * something was said, by this browser's clock or then by the server's, the minute is.
 */
export function sayTheSame(one: unknown, other: unknown, key = ''): boolean {
  if (Object.is(one, other) || key === 'asOf') return true;
  if (key === 'at' && typeof one === 'string' && typeof other === 'string')
    return toTheMinute(one) === toTheMinute(other);
  if (!hasParts(one) || !hasParts(other) || Array.isArray(one) !== Array.isArray(other)) return false;
  const keys = Object.keys(one);
  return (
    keys.length === Object.keys(other).length && keys.every((of) => of in other && sayTheSame(one[of], other[of], of))
  );
}

const toTheMinute = (iso: string) => iso.slice(0, 'yyyy-mm-ddThh:mm'.length);

const hasParts = (one: unknown): one is Record<string, unknown> =>
  typeof one === 'object' && one !== null && (Array.isArray(one) || Object.getPrototypeOf(one) === Object.prototype);
