import * as z from 'zod/mini';
import { protocol } from '../define';
import { answers, choice, ticks } from '../fields';
import { type FoundHere, type Severity, ifThere } from '../finding';
import { anywhere } from '../positions';
import { mergedTaps, rateBand, rateBandProvenance, rateOf } from '../quietRate';

const findings = {
  rateHigh: 'the resting rate is quick',
  startsInChest: 'movement starts in the chest',
  mouthBreathing: 'breathing through the mouth at rest',
  audible: 'the breath is audible at rest',
  sighs: 'sighs or yawns',
};

/** Usual still [R1], and yet seen more often where the chest does the breathing. Common practice, the size ours. */
const briskRate = 17;

export const quietLook = protocol({
  name: 'Unannounced quiet look',
  minutes: 1.2,
  positions: anywhere,
  setUp: 'Lying with knees bent, “just rest”. Say nothing about breath. Tap each inhale for a minute or more.',
  means: 'How often they breathe when nobody asks. Not fitness, not health of the lungs.',
  without: { says: 'Lying with knees bent', position: 'hook-lying', instead: '…' },
  fields: {
    starts: choice('Where it starts', [['belly', 'Belly'], ['ribs', 'Ribs'], ['chest', 'Chest'], answers.notSeen]),
    route: choice('Through', [['nose', 'Nose'], ['mouth', 'Mouth'], ['both', 'Both'], answers.notSeen]),
    sound: choice('Sound', [
      ['silent', 'Silent'],
      ['audible', 'Audible'],
      ['not observed', 'Not heard for'],
    ]),
    seen: ticks('Also seen', [
      ['sighs', 'Sighs'],
      ['yawns', 'Yawns'],
      ['pauses', 'Pauses'],
      ['shoulders', 'Shoulders rise'],
    ]),
  },
  kept: {
    /** Seconds since the first tap, to the hundredth; the first is 0. */
    taps: z.pipe(
      z.array(z.number().check(z.minimum(0), z.maximum(1800))).check(
        z.maxLength(600),
        z.refine(
          (taps) => taps.every((tap, i) => i === 0 || tap >= taps[i - 1]!),
          'Taps must follow one another in time. Count again.',
        ),
      ),
      z.transform((taps: number[]) => mergedTaps(taps)),
    ),
  },
  blank: { taps: [] },
  tells: ({ taps }) => {
    const rate = rateOf(taps);
    if (!rate) return null;
    const { breathsPerMinute } = rate;
    const words = `${breathsPerMinute.toFixed(1)} a minute, ${rateBand(breathsPerMinute).words}`;
    return { words, provenance: rateBandProvenance };
  },
  findings,
  reads: (raw) => {
    const found: FoundHere<keyof typeof findings | 'shouldersRise'> = {};
    const rate = rateOf(raw.taps);
    if (rate) {
      const { breathsPerMinute } = rate;
      const { points, from: lowest } = rateBand(breathsPerMinute);
      const brisk = lowest < 21 && breathsPerMinute >= briskRate;
      const severity = lowest < 21 ? (brisk ? 1 : 0) : (points as Severity);
      const words = `resting rate ${breathsPerMinute.toFixed(1)} a minute`;
      found.rateHigh = { severity, words: brisk ? `${words}, brisk but within the usual` : words };
    }
    if (raw.starts !== 'not observed') found.startsInChest = ifThere(raw.starts === 'chest');
    if (raw.route !== 'not observed') {
      found.mouthBreathing = ifThere(raw.route !== 'nose', raw.route === 'mouth' ? 3 : 1);
    }
    if (raw.sound !== 'not observed') found.audible = ifThere(raw.sound === 'audible');
    // Ticks count as looked for once anything of the quiet look was noted down: an untouched form says nothing.
    const watched =
      raw.seen.length > 0 ||
      raw.starts !== 'not observed' ||
      raw.route !== 'not observed' ||
      raw.sound !== 'not observed';
    if (watched) {
      found.shouldersRise = ifThere(raw.seen.includes('shoulders'), 3);
      const sighing = Number(raw.seen.includes('sighs')) + Number(raw.seen.includes('yawns'));
      found.sighs = { severity: sighing === 2 ? 3 : (sighing as Severity) };
    }
    return found;
  },
  follows: {
    rate: {
      name: 'resting rate',
      unit: 'a minute',
      digits: 1,
      typicalError: 1,
      goes: ({ taps }) => {
        const rate = rateOf(taps);
        return rate ? [rate.breathsPerMinute] : [];
      },
      pairedAcrossLooks: true,
    },
  },
});
