import { createHash, randomBytes, timingSafeEqual } from 'node:crypto';
import { plainCode, recoveryCode } from '@/core/access';
import { keyFrom, usualWork as cost } from '../scrypt';

const saltBytes = 16;

/** A secret as it is kept: how the hash was made, its salt and the hash. Nothing leads back from it. */
export async function hashOf(secret: string): Promise<string> {
  const salt = randomBytes(saltBytes);
  const hash = await keyFrom(secret, salt, cost);
  return ['scrypt', cost.N, cost.r, cost.p, salt.toString('base64'), hash.toString('base64')].join('$');
}

/** Of a name nobody has, the same work is done: how long an answer takes tells nothing. */
const nobodys = ['scrypt', cost.N, cost.r, cost.p, Buffer.alloc(saltBytes).toString('base64'), ''].join('$');

/** Whether a secret is the one a hash was made of; false for anything that is no hash. */
export async function isSecretOf(hash: string | null, secret: string): Promise<boolean> {
  const [how, N, r, p, salt = '', made = ''] = (hash ?? nobodys).split('$');
  if (how !== 'scrypt' || ![N, r, p].every((part) => /^\d{1,7}$/.test(part ?? ''))) return false;
  const expected = Buffer.from(made, 'base64');
  const found = await keyFrom(secret, Buffer.from(salt, 'base64'), { N: Number(N), r: Number(r), p: Number(p) });
  return expected.length === found.length && timingSafeEqual(expected, found);
}

/** A recovery code to be printed, and what is kept of it. It is long and by chance, so that a plain digest can't be undone. */
export function newRecovery(): { code: string; kept: string } {
  const code = recoveryCode(randomBytes(96));
  return { code, kept: digestOf(plainCode(code)) };
}

export function isCodeOf(kept: string | null, typed: string): boolean {
  const found = Buffer.from(digestOf(plainCode(typed)));
  const expected = Buffer.from(kept ?? '');
  return expected.length === found.length && timingSafeEqual(expected, found);
}

/** A word for a browser or a link, long and by chance: 256 bits. */
export const newWord = (): string => randomBytes(32).toString('base64url');

/** What is kept of such a word. */
export const digestOf = (word: string): string => createHash('sha256').update(word).digest('hex');
