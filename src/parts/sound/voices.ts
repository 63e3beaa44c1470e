import { chanceFrom } from '@/core/numbers';
import { type PlannedTone, type ToneShape, phaseTones } from '@/core/cadence';

/** Loudest each kind gets, as a part of what the card can do. */
const loudest = { tones: 0.35, noise: 0.12 } as const;

/** A way to the speaker for one kind of sound, at a volume of 0 to 100. */
export function busOf(context: AudioContext, kind: keyof typeof loudest, volume: number): GainNode {
  const gain = context.createGain();
  gain.gain.value = (volume / 100) * loudest[kind];
  gain.connect(context.destination);
  return gain;
}

/** The last second of a phase: a short, quiet drop of sound, the same for all. */
const lastSecond: ToneShape = { from: 660, to: 660, seconds: 0.07, loudness: 0.3 };

/** How long a tone takes to come up: soft, and still an onset one can breathe with. */
const attackSeconds = 0.03;

/** Hands a tone to the sound card (or to a rendering) for one moment of its clock. */
export function playTone(context: BaseAudioContext, bus: AudioNode, { phase, kind }: PlannedTone, at: number): void {
  const { from, to, seconds, loudness } = kind === 'phase' ? phaseTones[phase] : lastSecond;
  const tone = context.createOscillator();
  const envelope = context.createGain();
  tone.type = 'sine';
  tone.frequency.setValueAtTime(from, at);
  tone.frequency.exponentialRampToValueAtTime(to, at + seconds);
  envelope.gain.setValueAtTime(0, at);
  envelope.gain.linearRampToValueAtTime(loudness, at + attackSeconds);
  envelope.gain.setTargetAtTime(0, at + Math.max(attackSeconds, seconds * 0.6), seconds * 0.16);
  tone.connect(envelope).connect(bus);
  tone.start(at);
  tone.stop(at + Math.max(0.2, seconds * 2));
}

const noises = new WeakMap<BaseAudioContext, AudioBuffer>();

/** Two seconds of soft noise, made once a context: an even hiss with the highs taken off. */
function noiseOf(context: BaseAudioContext): AudioBuffer {
  const known = noises.get(context);
  if (known) return known;
  const buffer = context.createBuffer(1, context.sampleRate * 2, context.sampleRate);
  const samples = buffer.getChannelData(0);
  // A fixed row of numbers, not chance: the same evenness on every machine.
  const { part } = chanceFrom(7);
  let last = 0;
  for (let i = 0; i < samples.length; i += 1) {
    last = 0.72 * last + 0.28 * (part() * 2 - 1);
    samples[i] = last;
  }
  noises.set(context, buffer);
  return buffer;
}

/** The noise to breathe out against: even from beginning to end, so that a client can match its evenness. */
export function playNoise(context: BaseAudioContext, bus: AudioNode, at: number, seconds: number): void {
  const source = context.createBufferSource();
  const envelope = context.createGain();
  source.buffer = noiseOf(context);
  source.loop = true;
  const edge = Math.min(0.15, seconds / 4);
  envelope.gain.setValueAtTime(0, at);
  envelope.gain.linearRampToValueAtTime(1, at + edge);
  envelope.gain.setValueAtTime(1, at + seconds - edge);
  envelope.gain.linearRampToValueAtTime(0, at + seconds);
  source.connect(envelope).connect(bus);
  source.start(at);
  source.stop(at + seconds);
}
