/** @example capital('left side') // 'Left side' */
export const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

/** @example lowered('Open the left side') // 'open the left side' */
export const lowered = (words: string) => words.charAt(0).toLowerCase() + words.slice(1);

/** @example listed(['belly', 'sides', 'back']) // 'belly, sides and back' */
export function listed(words: readonly string[]): string {
  return words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;
}

/**
 * Letters and signs that take their place on a line and show nothing there: fillers, blank braille, joiners. Spaces, controls and
 * marks of direction are no letters to begin with.
 */
const blankSigns = /[\u034f\u115f\u1160\u17b4\u17b5\u180b-\u180f\u2800\u3164\ufe00-\ufe0f\uffa0\u{e0100}-\u{e01ef}]/gu;

/**
 * Whether a text shows anything at all: a name made of spaces, joiners and fillers looks like an empty row and can't be tapped.
 *
 * @example showsSomething('Ilse') // true
 * @example showsSomething('\u200b\u200b') // false
 */
export const showsSomething = (text: string) => /[\p{L}\p{N}\p{P}\p{S}]/u.test(text.replace(blankSigns, ''));

/**
 * So many of something.
 *
 * @param many the plural, where it is no plain one
 * @example counted(1, 'drill') // '1 drill'
 * @example counted(3, 'try', 'tries') // '3 tries'
 */
export const counted = (count: number, one: string, many = `${one}s`): string => `${count} ${count === 1 ? one : many}`;

/** How many times. @example often(1) // 'once' */
export const often = (times: number): string => (times === 1 ? 'once' : `${times} times`);

/** A sentence without its full stop. @example withoutStop('Pregnant, week 16.') // 'Pregnant, week 16' */
export const withoutStop = (sentence: string): string => sentence.replace(/\.$/, '');

/** A sentence as part of another. @example asPart('Pregnant, week 16.') // 'pregnant, week 16' */
export const asPart = (sentence: string): string => lowered(withoutStop(sentence));
