import { onsetsIn } from './onsets';

const rate = 8000;
/** Seconds of silence with tones laid in at the given moments. */
const withTones = (seconds: number, at: readonly number[], length = 0.1) =>
  Float32Array.from({ length: seconds * rate }, (_, i) => {
    const t = i / rate;
    return at.some((start) => t >= start && t < start + length) ? 0.5 * Math.sin(2 * Math.PI * 440 * t + 1) : 0;
  });

test('finds where tones begin, to a fraction of a millisecond', () => {
  const at = [0.5, 1, 2.25, 3.001];
  const found = onsetsIn(withTones(4, at), rate);
  expect(found).toHaveLength(at.length);
  found.forEach((onset, i) => expect(Math.abs(onset - at[i]!)).toBeLessThan(0.0005));
});

test('a sound that goes on is one onset, and silence has none', () => {
  expect(onsetsIn(withTones(2, [0.5], 1), rate)).toHaveLength(1);
  expect(onsetsIn(withTones(1, []), rate)).toEqual([]);
});
