import * as z from 'zod/mini';
import { showsSomething } from '../reasons';

/** Fewest and most signs of a passphrase: long counts for more than odd. Every sign counts as typed, spaces too. */
export const passphraseLetters = { least: 12, most: 200 } as const;

/** @source OWASP ASVS 5.0, 6.2.1, 6.2.5, 6.2.9: long ones are taken, none is asked for digits or signs [R16] */
export const passphraseSchema = z
  .string()
  .check(
    z.minLength(
      passphraseLetters.least,
      `A passphrase has at least ${passphraseLetters.least} signs: four or five plain words do well.`,
    ),
    z.maxLength(passphraseLetters.most, `A passphrase has at most ${passphraseLetters.most} signs.`),
  );

export const coachNameSchema = z
  .string()
  .check(
    z.trim(),
    z.minLength(1, 'Give a name.'),
    z.maxLength(80, 'A name has at most 80 characters.'),
    z.refine(showsSomething, 'This name shows nothing. Write letters or signs.'),
  );

/**
 * A name as it is told apart from others: whoever signs in need not remember capitals or how wide a space was.
 *
 * @example nameKey('  Wren  Addo ') // 'wren addo'
 */
export const nameKey = (name: string): string =>
  name.normalize('NFKC').trim().replace(/\s+/g, ' ').toLocaleLowerCase('en');

/** Letters of a recovery code: none that are taken for one another. */
const codeAlphabet = '23456789ABCDEFGHJKMNPQRSTVWXYZ';
const groups = 6;
const groupLetters = 4;

/**
 * A recovery code as it is printed, from bytes of a random source: six groups of four letters, 117 bits.
 *
 * @param bytes at least 24 of them, each 0 to 255; those that would favour a letter are left out
 * @throws {RangeError} when too few of the bytes can be used
 * @example recoveryCode(new Uint8Array(48)).length // 29
 */
export function recoveryCode(bytes: Uint8Array): string {
  const fair = Math.floor(256 / codeAlphabet.length) * codeAlphabet.length;
  const letters = [...bytes]
    .filter((byte) => byte < fair)
    .slice(0, groups * groupLetters)
    .map((byte) => codeAlphabet[byte % codeAlphabet.length]!);
  if (letters.length < groups * groupLetters) throw new RangeError('A recovery code needs more random bytes.');
  return Array.from({ length: groups }, (_, i) =>
    letters.slice(i * groupLetters, (i + 1) * groupLetters).join(''),
  ).join('-');
}

/**
 * A recovery code as it is compared: how it was spaced and whether in capitals makes no difference.
 *
 * @example plainCode('abcd efgh') // 'ABCDEFGH'
 */
export const plainCode = (typed: string): string => typed.toUpperCase().replace(/[^0-9A-Z]/g, '');
