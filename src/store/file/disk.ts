import {
  chmodSync,
  closeSync,
  copyFileSync,
  createWriteStream,
  existsSync,
  fsyncSync,
  linkSync,
  mkdirSync,
  openSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { dirname } from 'node:path';
import { type Readable, type Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';

/** Health notes: nobody else on the machine reads them. */
export const folderMode = 0o700;
export const fileMode = 0o600;

const sticky = 0o1000;

/** Makes a folder for the owner alone. One that is shared by everybody, or somebody else's, is left as it is. */
export function privateFolder(path: string) {
  mkdirSync(path, { recursive: true, mode: folderMode });
  const { mode, uid } = statSync(path);
  if ((mode & sticky) === 0 && uid === process.getuid?.()) chmodSync(path, folderMode);
}

/** Brings a file, or the names in a folder, to the disk itself. */
export function settle(path: string) {
  const file = openSync(path, 'r');
  try {
    fsyncSync(file);
  } finally {
    closeSync(file);
  }
}

/**
 * Writes a file whole or not at all: beside its place first, to the disk, then by one rename.
 *
 * @throws what the disk says; a file that was there is as it was
 */
export function writeWhole(path: string, content: string | Buffer) {
  const draft = `${path}.part`;
  try {
    writeFileSync(draft, content, { mode: fileMode, flush: true });
    renameSync(draft, path);
    settle(dirname(path));
  } catch (error) {
    rmSync(draft, { force: true });
    throw error;
  }
}

/**
 * Pours a stream into a new file. It ends, well or badly, only once that file is closed: one that is still being opened would appear again
 * after whoever clears up has removed it, and with it what was to be gone.
 *
 * @throws what a stream or the disk says; what has come so far stays in the file, and is the caller's to remove
 */
export async function pour(from: Readable, path: string, { through = [], signal }: Pouring = {}) {
  const out = createWriteStream(path, { mode: fileMode });
  const closed = new Promise<void>((resolve) => out.once('close', resolve));
  try {
    await pipeline([from, ...through, out], { signal });
  } finally {
    out.destroy();
    await closed;
  }
}

interface Pouring {
  through?: Transform[];
  signal?: AbortSignal;
}

/** Copies a file whole or not at all. */
export function copyWhole(from: string, to: string) {
  const draft = `${to}.part`;
  try {
    copyFileSync(from, draft);
    chmodSync(draft, fileMode);
    settle(draft);
    renameSync(draft, to);
  } catch (error) {
    rmSync(draft, { force: true });
    throw error;
  }
}

/** Gives a file a second name, so that the first can be given away; where the disk knows no links, a copy. */
export function keepAs(path: string, other: string) {
  rmSync(other, { force: true });
  try {
    linkSync(path, other);
  } catch {
    copyWhole(path, other);
  }
}

/** Bytes of a file, 0 where there is none. */
export const sizeOf = (path: string) => (existsSync(path) ? statSync(path).size : 0);
