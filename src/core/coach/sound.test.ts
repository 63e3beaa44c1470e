import { cadence, planBreaths, tonesBetween } from '../cadence';
import { chanceFrom } from '../numbers';
import { type ClockBridge, audioTimeOf, observeClocks } from '.';

/**
 * Ten minutes of scheduling with simulated clocks: the audio clock drifts, readings jitter, timers are late. Every tone
 * must sound within 20 ms of the run's clock.
 */
function worstOffset({ driftPpm, jitterMs, lateMs }: { driftPpm: number; jitterMs: number; lateMs: number }): number {
  const random = chanceFrom(5).part;
  const rate = 1 + driftPpm / 1e6;
  const audioStart = 3.7;
  const audioAt = (run: number) => audioStart + run * rate;
  const plan = planBreaths([{ cadence: cadence(4, 6), breaths: 60 }]);
  let bridge: ClockBridge | null = null;
  let doneTo = 0;
  let worst = 0;
  let tones = 0;
  for (let now = 0; now < 600; now += 0.2 + (random() * lateMs) / 1000) {
    bridge = observeClocks(bridge, audioAt(now) + ((random() - 0.5) * jitterMs) / 1000, now);
    for (const tone of tonesBetween(plan, doneTo, now + 1.6)) {
      tones += 1;
      const sounds = (audioTimeOf(bridge, tone.atSeconds) - audioStart) / rate;
      worst = Math.max(worst, Math.abs(sounds - tone.atSeconds));
    }
    doneTo = Math.max(doneTo, now + 1.6);
  }
  // Two phases a breath, each with its last second.
  expect(tones).toBe(240);
  return worst;
}

test.each([
  { driftPpm: 0, jitterMs: 0, lateMs: 0 },
  { driftPpm: 100, jitterMs: 5, lateMs: 50 },
  { driftPpm: -300, jitterMs: 10, lateMs: 800 },
  { driftPpm: 500, jitterMs: 12, lateMs: 200 },
])('sound stays within 20 ms of the run over ten minutes: %j', (clocks) => {
  expect(worstOffset(clocks)).toBeLessThan(0.02);
});

test('without the bridge the same drift would be heard: the check can fail', () => {
  const drifted = 600 * (1 + 300 / 1e6) - 600;
  expect(drifted).toBeGreaterThan(0.02);
});

test('a jump of a clock is taken over at once, a small difference only in part', () => {
  const first = observeClocks(null, 10, 0);
  // Five seconds, or six hundredths, are no jitter of reading two clocks.
  expect(observeClocks(first, 15, 1)).toEqual({ audioSeconds: 15, runSeconds: 1 });
  expect(observeClocks(first, 11.06, 1)).toEqual({ audioSeconds: 11.06, runSeconds: 1 });
  expect(observeClocks(first, 10.94, 1)).toEqual({ audioSeconds: 10.94, runSeconds: 1 });
  expect(observeClocks(first, 11.01, 1).audioSeconds).toBeCloseTo(11.003, 8);
  expect(audioTimeOf(first, 2, 0.1)).toBeCloseTo(11.9, 8);
});
