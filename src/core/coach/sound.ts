/**
 * Keeps a second clock (the sound card's) in step with the run's clock. The audio clock drifts against the wall clock and
 * starts at any value, so every look at both moves the estimate a little; a jump is taken over at once.
 */
export interface ClockBridge {
  /** Audio seconds at the latest look. */
  audioSeconds: number;
  runSeconds: number;
}

/** A tone is dropped rather than sounded when it is later than this. */
export const lateSeconds = 0.05;

/** Beyond this the clocks have jumped (a sleep, a new device) and smoothing would only be late for longer. */
const jumpSeconds = 0.05;

/** How much of a new look's difference is taken over; the rest is jitter of reading two clocks one after the other. */
const smoothing = 0.3;

/**
 * Takes in a fresh look at both clocks.
 *
 * @returns the bridge to schedule from
 * @example observeClocks(null, 10, 2) // { audioSeconds: 10, runSeconds: 2 }
 */
export function observeClocks(bridge: ClockBridge | null, audioSeconds: number, runSeconds: number): ClockBridge {
  if (!bridge) return { audioSeconds, runSeconds };
  const expected = audioTimeOf(bridge, runSeconds);
  const difference = audioSeconds - expected;
  if (Math.abs(difference) > jumpSeconds) return { audioSeconds, runSeconds };
  return { audioSeconds: expected + smoothing * difference, runSeconds };
}

/**
 * When, on the audio clock, a moment of the run's clock sounds.
 *
 * @param latencySeconds how much earlier to send it because the speaker is late, 0 or more
 */
export function audioTimeOf(bridge: ClockBridge, runSeconds: number, latencySeconds = 0): number {
  return bridge.audioSeconds + (runSeconds - bridge.runSeconds) - latencySeconds;
}
