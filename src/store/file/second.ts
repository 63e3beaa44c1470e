import { randomUUID } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { basename, dirname, isAbsolute, join, relative, resolve } from 'node:path';
import { type Backup, backupsIn, mustOpen } from './backup';
import { madeAt, timesToDrop } from './copies';
import { copyWhole, privateFolder, settle, writeWhole } from './disk';
import { StoreError, messageOf } from './errors';
import { backupsOf } from './paths';
import { isSealed } from './seal';

/**
 * A second place for copies, on another disk: what is lost with this one is not lost there. It is kept beside the copies and not in the
 * studio’s file: another machine has other disks.
 */
interface SecondPlace {
  folder: string;
  /** Of this studio: it stands in the folder too, so that no two clear away each other’s copies. */
  id: string;
}
interface Failed {
  at: string;
  why: string;
}

const setIn = (path: string) => join(backupsOf(path), 'second.json');
const failedIn = (path: string) => join(backupsOf(path), 'second-failed.json');
const markIn = (folder: string) => join(folder, 'kokyu-copies.json');

function read<T>(path: string): T | null {
  try {
    return JSON.parse(readFileSync(path, 'utf8')) as T;
  } catch {
    return null;
  }
}

/** Where copies go besides, or null. */
export const secondPlace = (path: string): string | null => read<SecondPlace>(setIn(path))?.folder ?? null;

/** Why the last copy did not come to the second place, and when; null where it did. */
export const secondFailed = (path: string): Failed | null =>
  secondPlace(path) === null ? null : read<Failed>(failedIn(path));

/**
 * Copies go to this folder too from now on; null for none. What lies there stays.
 *
 * @param folder a whole path, to a folder of its own; it is made where it is not there
 * @throws {StoreError} with one sentence, and then nothing is changed
 */
export function setSecondPlace(path: string, folder: string | null) {
  if (folder === null) {
    rmSync(setIn(path), { force: true });
    rmSync(failedIn(path), { force: true });
    return;
  }
  if (!isAbsolute(folder)) throw new StoreError('Give the folder from its root, like /media/stick/kokyu.');
  const place = resolve(folder);
  const inside = relative(dirname(path), place);
  if (inside === '' || (!inside.startsWith('..') && !isAbsolute(inside))) {
    throw new StoreError('This is where the studio itself lies. Choose a place on another disk.');
  }
  const id = read<SecondPlace>(setIn(path))?.id ?? randomUUID();
  try {
    privateFolder(place);
    const there = read<{ id?: string }>(markIn(place));
    if (there && there.id !== id)
      throw new StoreError('Copies of another studio lie in this folder. Choose one for this studio alone.');
    if (!there && readdirSync(place).length > 0)
      throw new StoreError('There is something in this folder already. Choose one for the copies alone.');
    // Written at once: whether it can be is not found out the night it is needed.
    writeWhole(markIn(place), `${JSON.stringify({ id, of: basename(path) })}\n`);
    privateFolder(backupsOf(path));
    writeWhole(setIn(path), `${JSON.stringify({ folder: place, id } satisfies SecondPlace)}\n`);
    rmSync(failedIn(path), { force: true });
  } catch (error) {
    throw error instanceof StoreError ? error : new StoreError(`Nothing can be written there (${messageOf(error)}).`);
  }
}

/**
 * Puts a copy that was made, checked and locked where it is to be, into the second place too, and checks it there. Older ones there go by the
 * same rule as here. What went wrong is noted and told of under Settings; the copy here is as it was.
 *
 * @returns whether it is there now; null where there is no second place
 */
export function copyToSecond(path: string, { folder }: Pick<Backup, 'folder'>, nowEpochMs: number): boolean | null {
  const set = read<SecondPlace>(setIn(path));
  if (!set) return null;
  const to = join(set.folder, basename(folder));
  const draft = `${to}.part`;
  try {
    // A stick that was pulled out leaves a folder of the same name on this disk, and another stick has another one.
    if (read<{ id?: string }>(markIn(set.folder))?.id !== set.id) {
      throw new Error('it is not there, or it is another');
    }
    for (const name of readdirSync(set.folder)) {
      if (name.endsWith('.part')) rmSync(join(set.folder, name), { recursive: true, force: true });
    }
    copyFolder(folder, draft);
    if (isSealed(folder)) mustBeSame(folder, draft);
    else mustOpen(draft);
    renameSync(draft, to);
    settle(set.folder);
    const all = backupsIn(set.folder).flatMap((one) => {
      const at = madeAt(one);
      return at ? [{ one, at }] : [];
    });
    const drop = new Set(timesToDrop(all.map(({ at }) => at)));
    for (const { one, at } of all) if (drop.has(at)) rmSync(one, { recursive: true, force: true });
    rmSync(failedIn(path), { force: true });
    return true;
  } catch (error) {
    const why = `The second place, ${set.folder}, took no copy (${messageOf(error)}).`;
    try {
      writeWhole(
        failedIn(path),
        `${JSON.stringify({ at: new Date(nowEpochMs).toISOString(), why } satisfies Failed)}\n`,
      );
      rmSync(draft, { recursive: true, force: true });
    } catch {
      // It is told where it is printed.
    }
    console.error(why);
    return false;
  }
}

function copyFolder(from: string, to: string) {
  mkdirSync(to, { recursive: true, mode: 0o700 });
  for (const entry of readdirSync(from, { withFileTypes: true })) {
    if (entry.isDirectory()) copyFolder(join(from, entry.name), join(to, entry.name));
    else copyWhole(join(from, entry.name), join(to, entry.name));
  }
}

/** A locked copy can’t be opened without its passphrase: it is as long as the one it was copied from. */
function mustBeSame(from: string, to: string) {
  for (const name of readdirSync(from)) {
    if (!existsSync(join(to, name)) || statSync(join(from, name)).size !== statSync(join(to, name)).size) {
      throw new Error('what was written is not what was copied');
    }
  }
}
