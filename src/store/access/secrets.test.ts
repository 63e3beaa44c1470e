import { scryptSync } from 'node:crypto';
import { hashOf } from './secrets';

test('a passphrase is kept as scrypt makes it, with all the work that is asked for', async () => {
  const words = 'heron lamp quiet barrow';
  const kept = await hashOf(words);
  // OWASP Password Storage Cheat Sheet: scrypt with N = 2^17, r = 8, p = 1 at least.
  const [, salt = '', hash] = /^scrypt\$131072\$8\$1\$([^$]+)\$([^$]+)$/.exec(kept) ?? [];
  const work = { N: 2 ** 17, r: 8, p: 1, maxmem: 256 * 2 ** 20 };
  expect(scryptSync(words, Buffer.from(salt, 'base64'), 32, work).toString('base64')).toBe(hash);
});
