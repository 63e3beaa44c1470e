import type * as node from 'node:crypto';

type NodeCrypto = typeof node;

/** Of the work a passphrase is kept with, the part that tests of who may come in take. */
const part = 128;

const real = jest.requireActual<NodeCrypto>('node:crypto');

/** Node's crypto with a scrypt that is soon done: `jest.mock('node:crypto', () => jest.requireActual('…/scripts/quickCrypto'))`. */
module.exports = {
  ...real,
  scrypt: ((secret, salt, length, options: node.ScryptOptions, done) =>
    real.scrypt(secret, salt, length, { ...options, N: options.N! / part }, done)) as NodeCrypto['scrypt'],
};
