import { createCipheriv, createDecipheriv, randomBytes } from 'node:crypto';
import { type Identity, type Recipient, Stanza } from 'age-encryption';
import { keyFrom, usualWork } from '../scrypt';

/**
 * A file locked with a passphrase as age has it, by scrypt of the machine: the library's own takes a second of the server's turn, in
 * which nobody's page is answered.
 *
 * @source age-encryption.org/v1, the scrypt recipient type
 */
const name = 'scrypt';
const label = Buffer.from('age-encryption.org/v1/scrypt');
const saltBytes = 16;
const fileKeyBytes = 16;
const tagBytes = 16;
/** More than this is asked for only to keep a machine busy. */
const mostLogN = 20;

const cipher = 'chacha20-poly1305';
/** Every key is used once. */
const nonce = Buffer.alloc(12);

const wrappingKey = (passphrase: string, salt: Uint8Array, logN: number) =>
  keyFrom(passphrase, Buffer.concat([label, salt]), { ...usualWork, N: 2 ** logN });

const base64 = (bytes: Uint8Array) => Buffer.from(bytes).toString('base64').replace(/=+$/, '');

/** Who a file is locked for: whoever knows the passphrase. @param logN the work, as a power of two */
export const lockedWith = (passphrase: string, logN: number): Recipient => ({
  async wrapFileKey(fileKey) {
    const salt = randomBytes(saltBytes);
    const wrapping = createCipheriv(cipher, await wrappingKey(passphrase, salt, logN), nonce, {
      authTagLength: tagBytes,
    });
    const body = Buffer.concat([wrapping.update(fileKey), wrapping.final(), wrapping.getAuthTag()]);
    return [new Stanza([name, base64(salt), String(logN)], Uint8Array.from(body))];
  },
});

/** Whoever knows the passphrase. A file that is not locked in this way, or with another one, is not opened. */
export const openedWith = (passphrase: string): Identity => ({
  async unwrapFileKey(stanzas) {
    const [stanza, ...others] = stanzas;
    const [kind, salted = '', work = ''] = stanza?.args ?? [];
    const salt = Buffer.from(salted, 'base64');
    const [body, logN] = [Buffer.from(stanza?.body ?? []), Number(work)];
    // By the format it stands alone, so that nobody but who knows the words can have written the file.
    const asWritten = others.length === 0 && kind === name && base64(salt) === salted && salt.length === saltBytes;
    if (!asWritten || !/^[1-9]\d?$/.test(work) || logN > mostLogN || body.length !== fileKeyBytes + tagBytes)
      return null;
    const unwrapping = createDecipheriv(cipher, await wrappingKey(passphrase, salt, logN), nonce, {
      authTagLength: tagBytes,
    });
    unwrapping.setAuthTag(body.subarray(fileKeyBytes));
    try {
      const fileKey = Buffer.concat([unwrapping.update(body.subarray(0, fileKeyBytes)), unwrapping.final()]);
      return Uint8Array.from(fileKey);
    } catch {
      return null;
    }
  },
});
