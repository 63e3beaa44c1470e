import { capital } from '../reasons';
import { type PropId } from './props';
import { type Drill } from './schema';

const towels: readonly PropId[] = ['band', 'towel', 'freeBand'];
const noun = (word: string): readonly (readonly [RegExp, string])[] => [[/\b(band|towel)\b/gi, word]];

/** How a drill speaks of what is used in the place of its own prop. */
const spoken: Readonly<Partial<Record<PropId, Partial<Record<PropId, readonly (readonly [RegExp, string])[]>>>>> = {
  band: { band: noun('band'), freeBand: noun('band'), towel: noun('towel') },
  ball: { pillow: [[/\bball\b/gi, 'pillow']], block: [[/\bball\b/gi, 'block']] },
  block: { pillow: [[/\bblock\b/gi, 'pillow']], bottle: [[/\bblock\b/gi, 'bottle']] },
  halfDome: { pillow: [[/\bhalf-dome\b/gi, 'folded pillows']] },
  straw: {
    lips: [
      [/\bown straw between the lips(, nothing to hold with the teeth)?/gi, 'lips pursed as if round a straw'],
      [/\bstraw out\b/gi, 'pursed lips, out'],
      [/\bthrough a straw\b/gi, 'through pursed lips'],
    ],
  },
};

/** A word put in the place of another keeps its capital. */
const put = (text: string, pairs: readonly (readonly [RegExp, string])[]) =>
  pairs.reduce((now, [from, to]) => now.replace(from, (was) => (/^[A-Z]/.test(was) ? capital(to) : to)), text);

/**
 * A drill in the words of the props that are really used.
 *
 * @param used one for each of the drill's props, in their order
 * @example inProps(findDrill('straw-lying')!, ['lips']).setUp // 'Lips pursed as if round a straw. …'
 */
export function inProps(drill: Drill, used: readonly PropId[]): Drill {
  const pairs = drill.props.flatMap((own, i) => {
    const instead = used[i];
    if (instead === undefined || (instead === own && !towels.includes(own))) return [];
    return spoken[own]?.[instead] ?? [];
  });
  if (pairs.length === 0) return drill;
  const known = remembered.get(drill) ?? new Map<string, Drill>();
  remembered.set(drill, known);
  const key = used.join();
  const found = known.get(key);
  if (found) return found;
  const made: Drill = {
    ...drill,
    purpose: put(drill.purpose, pairs),
    setUp: put(drill.setUp, pairs),
    steps: drill.steps.map((step) => ({ ...step, words: put(step.words, pairs) })),
    floorCue: put(drill.floorCue, pairs),
    abdominalCue: put(drill.abdominalCue, pairs),
    cues: drill.cues.map((cue) => ({ ...cue, words: put(cue.words, pairs) })),
  };
  known.set(key, made);
  return made;
}

const remembered = new WeakMap<Drill, Map<string, Drill>>();
