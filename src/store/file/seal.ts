import { createReadStream, existsSync, mkdirSync, readFileSync, readdirSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { Decrypter, Encrypter, generateX25519Identity, identityToRecipient } from 'age-encryption';
import { type Entry, open as openZip } from 'yauzl';
import { ZipFile } from 'yazl';
import { pour, privateFolder, settle, writeWhole } from './disk';
import { StoreError } from './errors';
import { lockedWith, openedWith } from './passphrase';
import { backupsOf } from './paths';

/**
 * Copies locked with a passphrase, in the open format of age (age-encryption.org/v1). The studio’s machine holds only the half of a key that
 * locks; the other half lies beside each copy, locked with the passphrase. So a copy is made every day without anybody typing it, and whoever
 * finds a copy, or the machine, opens none.
 */
const sealOf = (path: string) => join(backupsOf(path), 'seal.json');
const keyOf = (path: string) => join(backupsOf(path), 'key.age');
export const sealedIn = (folder: string) => join(folder, 'copy.zip.age');
const keyIn = (folder: string) => join(folder, 'key.age');

/** Whether copies are locked from now on. */
export const isSealing = (path: string): boolean => existsSync(sealOf(path)) && existsSync(keyOf(path));
/** Whether this copy is locked. */
export const isSealed = (folder: string): boolean => existsSync(sealedIn(folder));

/** The work of a try, as a power of two. @source OWASP Password Storage Cheat Sheet: N = 2^17 */
const usualWorkFactor = 17;

/** Locks every copy made from now on. Copies made before stay as they are. */
export async function setSeal(path: string, passphrase: string, workFactor = usualWorkFactor) {
  const identity = await generateX25519Identity();
  const locking = new Encrypter();
  locking.addRecipient(lockedWith(passphrase, workFactor));
  const key = await locking.encrypt(`${identity}\n`);
  privateFolder(backupsOf(path));
  writeWhole(keyOf(path), Buffer.from(key));
  writeWhole(
    sealOf(path),
    `${JSON.stringify({ format: 'age-encryption.org/v1', recipient: await identityToRecipient(identity) })}\n`,
  );
}

/** Copies are left open from now on. */
export function dropSeal(path: string) {
  rmSync(sealOf(path), { force: true });
  rmSync(keyOf(path), { force: true });
}

/**
 * Locks a copy that was made and checked: what can be read of it goes once the locked file is on the disk.
 *
 * @returns whether it was locked; it is not where no passphrase is set
 */
export async function seal(path: string, folder: string): Promise<boolean> {
  if (!isSealing(path)) return false;
  const { recipient } = JSON.parse(readFileSync(sealOf(path), 'utf8')) as { recipient: string };
  const zip = new ZipFile();
  zip.addFile(join(folder, 'studio.db'), 'studio.db');
  const photos = join(folder, 'photos');
  for (const name of existsSync(photos) ? readdirSync(photos) : []) {
    zip.addFile(join(photos, name), `photos/${name}`, { compress: false });
  }
  zip.end();
  const locking = new Encrypter();
  locking.addRecipient(recipient);
  const draft = `${sealedIn(folder)}.part`;
  try {
    const plain = Readable.toWeb(Readable.from(zip.outputStream)) as ReadableStream<Uint8Array>;
    await pour(nodeStream(await locking.encrypt(plain)), draft);
    settle(draft);
    writeWhole(keyIn(folder), readFileSync(keyOf(path)));
    renameSync(draft, sealedIn(folder));
    settle(folder);
  } finally {
    rmSync(draft, { force: true });
  }
  rmSync(join(folder, 'studio.db'), { force: true });
  rmSync(photos, { recursive: true, force: true });
  return true;
}

/**
 * Opens a locked copy into a folder of its own.
 *
 * @throws {StoreError} with one sentence: a wrong passphrase, or a damaged copy
 */
export async function unseal(folder: string, passphrase: string, into: string) {
  const opening = new Decrypter();
  try {
    const first = new Decrypter();
    first.addIdentity(openedWith(passphrase));
    opening.addIdentity((await first.decrypt(readFileSync(keyIn(folder)), 'text')).trim());
  } catch {
    throw new StoreError('This is not the passphrase this copy was locked with.');
  }
  const zip = join(into, 'copy.zip');
  mkdirSync(join(into, 'photos'), { recursive: true, mode: 0o700 });
  const locked = createReadStream(sealedIn(folder));
  try {
    await pour(nodeStream(await opening.decrypt(Readable.toWeb(locked) as ReadableStream<Uint8Array>)), zip);
    await unpack(zip, into);
  } catch (error) {
    rmSync(into, { recursive: true, force: true });
    throw new StoreError(`This copy is damaged (${(error as Error).message}).`);
  } finally {
    locked.destroy();
    rmSync(zip, { force: true });
  }
}

const nodeStream = (stream: ReadableStream<Uint8Array>) => Readable.fromWeb(stream as never);

/** Of what a copy holds, and nothing else. */
const ofCopy = /^(studio\.db|photos\/[0-9a-f-]{36}\.jpg)$/;

const unpack = (path: string, into: string) =>
  new Promise<void>((resolve, fail) =>
    openZip(path, { lazyEntries: true, validateEntrySizes: true, strictFileNames: true }, (error, zip) => {
      if (error) return fail(error);
      const reject = (why: Error) => {
        zip.close();
        fail(why);
      };
      zip.on('error', reject);
      zip.on('end', () => resolve());
      zip.on('entry', (entry: Entry) => {
        if (!ofCopy.test(entry.fileName)) return reject(new Error('something in it is no part of a copy'));
        zip.openReadStream(entry, (failed, stream) => {
          if (failed) return reject(failed);
          pour(stream, join(into, entry.fileName)).then(() => zip.readEntry(), reject);
        });
      });
      zip.readEntry();
    }),
  );
