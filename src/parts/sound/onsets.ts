/** Louder than this counts as sound; quieter for this long, as silence before the next onset. */
const floor = 0.002;
const silenceSeconds = 0.05;

/**
 * Where sounds begin in samples: each first sample above the floor after a stretch of silence.
 *
 * @param samples between -1 and 1
 * @param sampleRate samples a second
 * @returns seconds from the start
 * @example onsetsIn(new Float32Array([0, 0, 0, 0, 0, 0.5]), 10) // [0.5]
 */
export function onsetsIn(samples: ArrayLike<number>, sampleRate: number): number[] {
  const silence = silenceSeconds * sampleRate;
  const onsets: number[] = [];
  let quietSince = 0;
  for (let i = 0; i < samples.length; i += 1) {
    if (Math.abs(samples[i]!) < floor) continue;
    if (i - quietSince >= silence) onsets.push(i / sampleRate);
    quietSince = i + 1;
  }
  return onsets;
}
