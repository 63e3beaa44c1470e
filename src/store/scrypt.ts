import { scrypt } from 'node:crypto';

export interface Work {
  N: number;
  r: number;
  p: number;
}

/** 128 MB and about half a second a try. @source OWASP Password Storage Cheat Sheet: scrypt with N = 2^17, r = 8, p = 1 at least */
export const usualWork: Work = { N: 2 ** 17, r: 8, p: 1 };

const keyBytes = 32;

/** Whatever a file or a row asks for, no more than this is taken: age’s own limit of 2^20, and a little more. */
const mostMemory = 160 * 2 ** 23;

/** One after the other: tries sent at once would take the machine's memory. */
let turn: Promise<unknown> = Promise.resolve();
function inTurn<T>(work: () => Promise<T>): Promise<T> {
  const mine = turn.then(work, work);
  turn = mine.catch(() => undefined);
  return mine;
}

/**
 * A key from words that somebody knows, by the crypto library of Node, away from the server's own turn: whoever coaches meanwhile waits for
 * nothing.
 *
 * @param secret taken as NFKC, however it was typed
 * @returns 32 bytes
 * @throws {Error} for work that scrypt does not take
 */
export const keyFrom = (secret: string, salt: Uint8Array, { N, r, p }: Work): Promise<Buffer> =>
  inTurn(
    () =>
      new Promise<Buffer>((resolve, reject) =>
        // It needs 128 times N times r, and a little more.
        scrypt(
          secret.normalize('NFKC'),
          salt,
          keyBytes,
          { N, r, p, maxmem: Math.min(2 ** 20 + 160 * N * r, mostMemory) },
          (error, key) => (error ? reject(error) : resolve(key)),
        ),
      ),
  );
