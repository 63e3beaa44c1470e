import { showsSomething } from '../reasons';

/** Longest name of a client. */
const mostCharacters = 120;

/**
 * What is wrong with a client's name, in one sentence; null when it will do.
 *
 * @example nameTrouble('  ') // 'A client needs a name.'
 */
export function nameTrouble(name: string): string | null {
  const shown = name.trim();
  if (shown === '') return 'A client needs a name.';
  if (shown.length > mostCharacters) return `A name is limited to ${mostCharacters} characters; yours is longer.`;
  return showsSomething(shown) ? null : 'This name shows nothing. Write letters or signs.';
}
