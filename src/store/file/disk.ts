import {
  chmodSync,
  closeSync,
  copyFileSync,
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
