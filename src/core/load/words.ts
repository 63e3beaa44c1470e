import { capital, listed } from '../reasons';
import { type BreathWhy, type PartBreath } from './breath';
import { type LoadAnswer } from './answer';
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
