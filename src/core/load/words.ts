import { capital, listed } from '../reasons';
import { type BreathWhy, type PartBreath } from './breath';
import { type LoadAnswer, type LoadCaution } from './answer';
import { type Beat } from './beats';
import { strategies } from './strategy';

const whyWords: Readonly<Record<BreathWhy, string>> = {
  overhead: 'an arm above the head needs the opening that comes with the inhale',
  side: 'the working side',
  fold: 'the front of the trunk',
  turn: 'the muscles that turn',
  push: 'the front of the chest',
  effort: 'the ribs neither close nor open',
};

/**
 * Why a part is breathed as it is, in one sentence.
 *
 * @example partInWords(part) // 'Bend: the right side works and closes, so out.'
 */
export function partInWords({ name, breath, ribs, why, side, against }: PartBreath): string {
  const moves = ribs === 'close' ? 'closes' : 'opens';
  const reason =
    why === 'side'
      ? `the ${side} side works and ${moves}`
      : why === 'effort'
        ? `${whyWords.effort}`
        : why === 'overhead'
          ? ribs === 'open'
            ? whyWords.overhead
            : 'the arms come down and the ribs close'
          : `${whyWords[why]} ${moves}`;
  const other = against ? ` (${against === 'side' ? 'the side' : whyWords[against]} would ask for the other)` : '';
  return `${capital(name)}: ${reason}, so ${breath}${other}.`;
}

const ribsWords: Readonly<Record<Exclude<BreathWhy, 'effort' | 'side' | 'overhead'>, string>> = {
  fold: 'the front of the trunk',
  turn: 'the turning side',
  push: 'the chest',
};

/**
 * What is done in a part and what the air does, as it is said while it is done.
 *
 * @example saidOf(part) // 'Bend: the right side closes, the air goes with it.'
 */
export function saidOf({ name, breath, ribs, why, side, effort }: PartBreath): string {
  const what =
    why === 'side' && side
      ? `the ${side} side`
      : why === 'overhead' || why === 'effort' || why === 'side'
        ? 'the chest'
        : ribsWords[why];
  const air =
    why === 'effort' || ribs === 'still'
      ? effort
        ? 'the air goes out with the effort'
        : 'the air comes in'
      : breath === 'out'
        ? `${what} closes, the air goes with it`
        : `${what} opens, the air comes with it`;
  return `${capital(name)}: ${air}.`;
}

/**
 * The answer in one line: which breath in which part.
 *
 * @example breathInWords(answer) // 'out on “bend” and in on “back”'
 */
export const breathInWords = ({ parts, strategy }: Pick<LoadAnswer, 'parts' | 'strategy'>): string =>
  strategy === 'steady'
    ? 'small, easy breaths over a mild stiffness'
    : strategy === 'keep' || strategy === 'between'
      ? strategies[strategy].name
      : listed(parts.map(({ name, breath }) => `${breath} on “${name}”`));

/** What a caution asks for, in words. */
export const cautionWords: Readonly<Record<LoadCaution, string>> = {
  noHeldBreath: 'no held breath',
  outBeforeAndThrough: 'out before and through the effort',
  outThrough: 'out through the effort',
};

/** What is said of a stretch beside the name of its part. */
const stageWords: Readonly<Record<Beat['stage'], string>> = {
  fill: 'first',
  part: '',
  toHardPart: 'to the hard part',
  pastIt: 'past it',
  between: 'between',
};

/**
 * A stretch of a repetition in words; `short` leaves away how far into its part it is.
 *
 * @example beatInWords({ stage: 'pastIt', part: 0 }, [part]) // 'bend, past it'
 */
export function beatInWords(
  { stage, part }: Pick<Beat, 'stage' | 'part'>,
  parts: readonly Pick<PartBreath, 'name'>[],
  { short = false } = {},
): string {
  const name = part === null ? '' : parts[part]!.name;
  return [name, short && name !== '' ? '' : stageWords[stage]].filter((words) => words !== '').join(', ');
}
