import { type Phase, type ToneShape, cycleSeconds, phaseLength, phaseTones, phases } from '../cadence';
import { segmentsOf } from '../dose';
import { type PlanItem } from '../sequence';

/** Samples a second: the tones end below 700 Hz, so this is plenty, and a phone gets a small file. */
export const waveRate = 8000;

/** A tone of a recording: when it begins, and what it opens. */
export interface WaveTone {
  atSeconds: number;
  phase: Phase | 'end' | 'ready' | 'side';
}

/** Room above the loudest tone. */
const headroom = 0.8;

/** How each sounds: the phases as they sound live, and three of a recording's own. */
const sounds: Readonly<Record<WaveTone['phase'], ToneShape>> = {
  ...phaseTones,
  ready: { from: 392, to: 392, seconds: 0.2, loudness: 0.6 },
  side: { from: 523, to: 523, seconds: 0.5, loudness: 0.6 },
  end: { from: 262, to: 262, seconds: 1.2, loudness: 0.75 },
};

/** Quiet before the first breath, to lie down in. */
const leadSeconds = 5;
/** Between two items of a day's set. */
const betweenSeconds = 20;

/**
 * When which tone sounds in a recording of some items, one after the other.
 *
 * @returns tones in order, and how long the whole is
 * @example tonesOf([item]).tones[0] // { atSeconds: 2, phase: 'ready' }
 */
export function tonesOf(items: readonly PlanItem[]): { tones: WaveTone[]; seconds: number } {
  const tones: WaveTone[] = [];
  let at = 0;
  items.forEach((item, index) => {
    at += index === 0 ? leadSeconds : betweenSeconds;
    tones.push({ atSeconds: at - 3, phase: 'ready' });
    for (const segment of segmentsOf({ ...item, setUpSeconds: 0 })) {
      if (segment.kind === 'change side') tones.push({ atSeconds: at, phase: 'side' });
      if (segment.kind === 'breaths') {
        let breath = at;
        for (const { cadence, breaths } of segment.stretches)
          for (let count = 0; count < breaths; count += 1) {
            let into = breath;
            for (const phase of phases) {
              const long = phaseLength(cadence, phase);
              if (long > 0) tones.push({ atSeconds: into, phase });
              into += long;
            }
            breath += cycleSeconds(cadence);
          }
      }
      at += segment.seconds;
    }
    tones.push({ atSeconds: at, phase: 'end' });
  });
  return { tones, seconds: at + 3 };
}

/**
 * A recording that paces some items with tones alone: RIFF WAVE, one channel, sixteen bits.
 *
 * @param tell told how much is done, 0 to 1, now and then
 * @returns the file
 * @example waveOf([item]).length > 44 // true
 */
export function waveOf(items: readonly PlanItem[], tell: (part: number) => void = () => undefined): Uint8Array {
  const { tones, seconds } = tonesOf(items);
  const count = Math.ceil(seconds * waveRate);
  const file = new Uint8Array(44 + count * 2);
  const view = new DataView(file.buffer);
  const write = (at: number, words: string) => [...words].forEach((c, i) => view.setUint8(at + i, c.charCodeAt(0)));
  write(0, 'RIFF');
  view.setUint32(4, 36 + count * 2, true);
  write(8, 'WAVEfmt ');
  view.setUint32(16, 16, true);
  view.setUint16(20, 1, true);
  view.setUint16(22, 1, true);
  view.setUint32(24, waveRate, true);
  view.setUint32(28, waveRate * 2, true);
  view.setUint16(32, 2, true);
  view.setUint16(34, 16, true);
  write(36, 'data');
  view.setUint32(40, count * 2, true);
  tones.forEach((tone, index) => {
    sound(view, tone, count);
    if (index % 50 === 0) tell(index / tones.length);
  });
  tell(1);
  return file;
}

function sound(view: DataView, { atSeconds, phase }: WaveTone, count: number) {
  const { from, to, seconds, loudness } = sounds[phase];
  const first = Math.round(atSeconds * waveRate);
  const many = Math.round(seconds * waveRate);
  let turn = 0;
  for (let i = 0; i < many && first + i < count; i += 1) {
    const part = i / many;
    turn += (2 * Math.PI * from * (to / from) ** part) / waveRate;
    // Up within 4 ms, so that its beginning can be heard to the moment; then fading away.
    const envelope = Math.min(1, i / (0.004 * waveRate)) * Math.min(1, (1 - part) / 0.4);
    view.setInt16(44 + (first + i) * 2, Math.round(32767 * headroom * loudness * envelope * Math.sin(turn)), true);
  }
}

/**
 * A sheet beside a recording: when what begins, a line each item.
 *
 * @example cueSheet([item], ['Two-hand belly']).startsWith('0:05 Two-hand belly') // true
 */
export function cueSheet(items: readonly PlanItem[], names: readonly string[]): string {
  const clock = (seconds: number) => `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, '0')}`;
  const lines: string[] = [];
  let at = 0;
  items.forEach((item, index) => {
    at += index === 0 ? leadSeconds : betweenSeconds;
    lines.push(`${clock(at)} ${names[index] ?? 'Practice'}`);
    at += segmentsOf({ ...item, setUpSeconds: 0 }).reduce((sum, { seconds }) => sum + seconds, 0);
  });
  return [...lines, `${clock(at)} end`].join('\n');
}
