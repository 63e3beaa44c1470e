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
 * So many of something, which has a plain plural.
 *
 * @example counted(1, 'drill') // '1 drill'
 */
export const counted = (count: number, one: string): string => `${count} ${one}${count === 1 ? '' : 's'}`;
