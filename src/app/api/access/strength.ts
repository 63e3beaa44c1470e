import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import { adjacencyGraphs, dictionary } from '@zxcvbn-ts/language-common';

let guessing: ZxcvbnFactory | null = null;
/** From 0, guessed at once, to 4; below this it is among the first ten thousand million that are tried. */
const least = 3;
/** What is longer takes longer to judge and is not guessed by what is judged. */
const judged = 64;

/**
 * Why a passphrase would soon be guessed, or null: one of the common ones, keys beside one another, a repeated word, the coach's own name.
 *
 * @source OWASP ASVS 5.0, 6.2.4 and 6.2.11: held against common passwords and words of the place [R16]
 */
export function tooEasy(passphrase: string, names: readonly string[]): string | null {
  guessing ??= new ZxcvbnFactory({ dictionary, graphs: adjacencyGraphs });
  const words = names.flatMap((name) => [name, ...name.split(/\s+/)]).filter((word) => word.length > 2);
  return guessing.check(passphrase.slice(0, judged), words).score < least
    ? 'This passphrase would soon be guessed. Take four or five words that have nothing to do with one another.'
    : null;
}
