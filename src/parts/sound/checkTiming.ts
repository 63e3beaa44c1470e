import { type BreathPlan, tonesBetween } from '@/core/cadence';
import { onsetsIn } from './onsets';
import { playTone } from './voices';

export interface TimingCheck {
  planned: number;
  found: number;
  /** Largest distance of an onset from its plan, in milliseconds; null when onsets are missing or too many. */
  worstMs: number | null;
}

/** Low enough to render ten minutes at once; the tones lie far below half of it. */
const sampleRate = 8000;

/**
 * Renders the tones of a breath plan to samples, as the sound card would be given them, and measures where they begin.
 *
 * @param plan any length; ten minutes take a second or two
 */
export async function checkTiming(plan: BreathPlan): Promise<TimingCheck> {
  const tones = tonesBetween(plan, 0, plan.totalSeconds);
  // A little silence before the first one, so that its onset is one.
  const lead = 0.5;
  const context = new OfflineAudioContext(1, Math.ceil((plan.totalSeconds + lead + 1) * sampleRate), sampleRate);
  for (const tone of tones) playTone(context, context.destination, tone, lead + tone.atSeconds);
  const samples = (await context.startRendering()).getChannelData(0);
  const onsets = onsetsIn(samples, sampleRate);
  const worst = tones.reduce(
    (most, { atSeconds }, i) => Math.max(most, Math.abs((onsets[i] ?? Infinity) - lead - atSeconds)),
    0,
  );
  return {
    planned: tones.length,
    found: onsets.length,
    worstMs: onsets.length === tones.length ? worst * 1000 : null,
  };
}
