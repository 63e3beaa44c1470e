/** @example capital('left side') // 'Left side' */
export const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

/** @example lowered('Open the left side') // 'open the left side' */
export const lowered = (words: string) => words.charAt(0).toLowerCase() + words.slice(1);

/** @example listed(['belly', 'sides', 'back']) // 'belly, sides and back' */
export function listed(words: readonly string[]): string {
  return words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;
}
