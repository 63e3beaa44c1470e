import { type Drill, type FaultId, props } from '../catalogue';
import { cadenceInWords } from '../cadence';
import { durationInWords } from '../dose';
import { type WeightUnit, weightInWords } from '../load';
import { capital, listed } from '../reasons';
import { type PlanItem, drillOf, openedRegions, weightOf } from '../sequence';
import { type RegionId } from '../trunk';
import { goTotals } from './totals';

/** What a part that opens feels like, in everyday words. */
const feels: Readonly<Record<RegionId, string>> = {
  belly: 'your belly gets wider as you breathe in',
  leftSide: 'your left ribs move out to the side',
  rightSide: 'your right ribs move out to the side',
  leftBack: 'the left side of your back gets wider',
  rightBack: 'the right side of your back gets wider',
  lowBack: 'your low back fills a little',
  chestFront: 'your chest gets wider at the front',
  chestBack: 'it gets wide between your shoulder blades',
  pelvicFloor: 'the floor of your pelvis gives way as you breathe in',
};

/** What is not meant, in everyday words. */
const notMeant: Readonly<Record<FaultId, string>> = {
  shoulders: 'your shoulders creep up',
  chestLeads: 'your chest moves first',
  backwards: 'it feels the wrong way round',
  bellyPushed: 'you push your belly out by force',
  arching: 'your back arches',
  backLifts: 'your back comes off the floor',
  pelvisRocks: 'your hips rock',
  ribsYanked: 'you pull your ribs down hard',
  upperFirst: 'you tighten at the top first',
  bellyPops: 'your belly pops up',
  roundsInBear: 'your back gets round',
  shouldersRoll: 'your shoulder rolls in',
  bridgeArches: 'your back arches',
  glutes: 'you squeeze your buttocks',
  heldBreath: 'you hold your breath',
  dumped: 'the air goes out all at once',
  gasp: 'you gasp after the pause',
  neck: 'your neck works hard',
  yawning: 'you feel light-headed or have to yawn',
};

/** Two parts at most: more can't be felt at once. */
const mostFelt = 2;

/**
 * What something should feel like, and what is not meant, for whoever does it alone.
 *
 * @param faults marked while it was coached, those first
 * @example feelOf(item, ['shoulders']).notMeant // 'Your shoulders creep up.'
 */
export function feelOf(item: PlanItem, faults: readonly string[] = []): { feels: string; notMeant: string } {
  const drill = drillOf(item);
  const opened = Object.entries(openedRegions(drill, item.side)) as [RegionId, number][];
  const strongest = opened
    .sort((a, b) => b[1] - a[1])
    .slice(0, mostFelt)
    .map(([region]) => feels[region]);
  const first = [...faults, ...drill.faults].find((fault): fault is FaultId => fault in notMeant);
  return {
    feels: sentence(strongest.length > 0 ? listed(strongest) : 'the breath gets slow and easy'),
    notMeant: sentence(first ? notMeant[first] : 'you push or strain'),
  };
}

const sentence = (words: string) => `${capital(words)}.`;

/** When to stop, whatever is done. Printed with every item. */
export const stopWords =
  'Stop and breathe normally if you feel dizzy, faint or afraid, if you tingle, if your head or chest hurts, or if you have pain. Leave it for today and tell your coach.';

/** What the sheet is and is not. */
export const homeNotice = 'This helps you practise; it is no diagnosis. Your doctor or therapist comes first.';

/** How each part of a breath is done, in everyday words. */
const phaseLead: Readonly<Record<Drill['steps'][number]['phase'], string>> = {
  throughout: '',
  inhale: 'In: ',
  topPause: 'Wait: ',
  exhale: 'Out: ',
  bottomPause: 'Wait: ',
};

/** The part of a breath before a step, where the step doesn't begin with it anyway. */
const leadOf = (phase: Drill['steps'][number]['phase'], words: string): string => {
  const lead = phaseLead[phase];
  return words.toLowerCase().startsWith(lead.slice(0, -2).toLowerCase()) ? '' : lead;
};

/** A set-up without the seconds it begins with: they are told by the dose, which may be another by now. */
const withoutCounts = (setUp: string): string =>
  setUp
    .split(/(?<=[.!?])\s+/)
    .filter((one) => !/\d[^.]* (?:in|out)\b/i.test(one) || !/\d/.test(one))
    .join(' ') || setUp;

/** What to do, line by line: where and with what, then each step by its part of the breath. */
interface HomeWords {
  name: string;
  where: string;
  steps: { lead: string; words: string }[];
  dose: string;
  breath: string;
}

/**
 * Everything somebody at home reads of an item.
 *
 * @example homeWords(item, 'kg').dose // '10 breaths, 100 s'
 */
export function homeWords(item: PlanItem, weights: WeightUnit): HomeWords {
  const drill = drillOf(item);
  const { seconds, breaths } = goTotals(item);
  const kg = weightOf(item);
  const used = item.props
    .filter((id) => id !== 'lips' && id !== 'hiss')
    .map(
      (id) =>
        `${props[id].name}${kg !== null && (id === 'weight' || id === 'bottle') ? ` of ${weightInWords(kg, weights)}` : ''}`,
    );
  const oneSide = drill.load ? ` The weight in the ${item.side} hand.` : ` The ${item.side} side opens.`;
  const side = item.side === 'none' ? '' : item.side === 'both' ? ' Both sides.' : oneSide;
  const [first] = item.cadences;
  return {
    name: drill.name,
    where: `${withoutCounts(drill.setUp)}${side}${used.length > 0 ? ` You need: ${listed(used)}.` : ''}`,
    steps: drill.steps.map(({ phase, words }) => ({ lead: leadOf(phase, words), words })),
    dose: `${item.sets > 1 ? `${item.sets} times ${breaths / item.sets}` : breaths} breaths, ${durationInWords(seconds)}`,
    breath: item.cadences.length > 1 ? 'each breath a little longer' : first ? cadenceInWords(first) : '',
  };
}

/**
 * How easily a text reads: 206.835 − 1.015 · words a sentence − 84.6 · syllables a word. 60 and more is plain English. Syllables are
 * counted by groups of vowels, which is near enough for a mean.
 *
 * @source Flesch 1948, J Appl Psychol 32:221–233 (values from memory)
 * @example readingEase('The cat sat on the mat.') > 90 // true
 */
export function readingEase(text: string): number {
  const sentences = Math.max(1, text.split(/[.!?:;]+(?:\s|$)/).filter((one) => /[a-z]/i.test(one)).length);
  const words = text.match(/[a-z’'-]+/gi) ?? [];
  if (words.length === 0) return 100;
  const syllables = words.reduce((sum, word) => sum + syllablesOf(word), 0);
  return 206.835 - (1.015 * words.length) / sentences - (84.6 * syllables) / words.length;
}

function syllablesOf(word: string): number {
  const plain = word
    .toLowerCase()
    .replace(/[^a-z]/g, '')
    .replace(/(?:[^laeiouy]es|ed|[^laeiouy]e)$/, '');
  return Math.max(1, plain.match(/[aeiouy]+/g)?.length ?? 0);
}
