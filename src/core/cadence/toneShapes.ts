import { type Phase } from './cadence';

/** How a tone sounds. */
export interface ToneShape {
  /** Hertz at its two ends. */
  from: number;
  to: number;
  seconds: number;
  /** Against the loudest, 0 to 1. */
  loudness: number;
}

/** A soft glide a phase: up for in, down for out, level for a pause. The same live, in a recording and on a phone. */
export const phaseTones: Readonly<Record<Phase, ToneShape>> = {
  inhale: { from: 330, to: 494, seconds: 0.34, loudness: 1 },
  topPause: { from: 494, to: 494, seconds: 0.14, loudness: 0.5 },
  exhale: { from: 440, to: 294, seconds: 0.42, loudness: 1 },
  bottomPause: { from: 294, to: 294, seconds: 0.14, loudness: 0.5 },
};
