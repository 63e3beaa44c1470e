import { existsSync, mkdirSync, readFileSync, readdirSync, renameSync, rmSync } from 'node:fs';
import { randomInt } from 'node:crypto';
import { basename, dirname, join } from 'node:path';
import Database from 'better-sqlite3';
import { type CopyCompared } from '@/core/record';
import { copyWhole, folderMode, privateFolder, settle, sizeOf, writeWhole } from './disk';
import { StoreError, messageOf } from './errors';
import { takeLock } from './lock';
import { clearMark } from './mark';
import { backupsOf, beside, photosOf } from './paths';
import { isSealed } from './seal';

/** What a backup holds, so that putting it back can be checked. */
export interface Backup {
  folder: string;
  clients: number;
  visits: number;
  photos: number;
  bytes: number;
}

const fileIn = (folder: string) => join(folder, 'studio.db');
const photosIn = (folder: string) => join(folder, 'photos');
const stampOf = (epochMs: number) => new Date(epochMs).toISOString().replace(/[:.]/g, '-');

/** What putting a copy back would change. @throws {StoreError} when the copy can't be read */
export function compared(path: string, folder: string): CopyCompared {
  contentOf(fileIn(folder));
  const db = new Database(path, { readonly: true, fileMustExist: true });
  try {
    db.prepare('attach database ? as copy').run(fileIn(folder));
    const side = (of: 'main' | 'copy') =>
      db
        .prepare(
          `select (select count(*) from ${of}.clients) as clients, (select count(*) from ${of}.visits) as visits, (select max(day) from ${of}.visits) as newest`,
        )
        .get() as CopyCompared['here'];
    const only = (a: string, b: string) =>
      (
        db
          .prepare(`select name from ${a}.clients where id not in (select id from ${b}.clients) order by name`)
          .all() as { name: string }[]
      ).map(({ name }) => name);
    return { here: side('main'), copy: side('copy'), onlyHere: only('main', 'copy'), onlyCopy: only('copy', 'main') };
  } finally {
    db.close();
  }
}

/** What stands in a file that was checked by opening it. @throws {StoreError} when it is damaged or no studio */
function contentOf(path: string): { clients: number; visits: number; photoIds: string[] } {
  let db: Database.Database | null = null;
  try {
    db = new Database(path, { readonly: true, fileMustExist: true });
    const found = db.pragma('quick_check(1)', { simple: true });
    if (found !== 'ok') throw new Error(String(found));
    const count = (table: string) => (db!.prepare(`select count(*) as n from ${table}`).get() as { n: number }).n;
    const photoIds = db.prepare('select id from photos').all() as { id: string }[];
    return { clients: count('clients'), visits: count('visits'), photoIds: photoIds.map(({ id }) => id) };
  } catch (error) {
    throw new StoreError(`${path} is no studio that can be read (${messageOf(error)}).`);
  } finally {
    db?.close();
  }
}

/** @throws {StoreError} when a copy that is not locked can’t be opened */
export const mustOpen = (folder: string) => void contentOf(fileIn(folder));

/**
 * Copies a studio, its file and its pictures, into a folder of its own. A server may be running on it and is not held up. The copy
 * is checked by opening it, and only then gets its name.
 *
 * @param path the studio's file
 * @param into the folder backups are kept in
 * @throws {StoreError} with one sentence; nothing half-made is left behind
 */
export function backup(path: string, nowEpochMs: number, into = backupsOf(path)): Backup {
  if (sizeOf(path) === 0) throw new StoreError(`There is no studio at ${path} to copy.`);
  privateFolder(into);
  const folder = join(into, `${basename(path, '.db')}-${stampOf(nowEpochMs)}`);
  const draft = `${folder}.part`;
  rmSync(draft, { recursive: true, force: true });
  try {
    mkdirSync(photosIn(draft), { recursive: true, mode: folderMode });
    const source = new Database(path, { fileMustExist: true });
    try {
      source.pragma('busy_timeout = 10000');
      source.prepare('vacuum into ?').run(fileIn(draft));
    } finally {
      source.close();
    }
    numberAnew(fileIn(draft));
    const { clients, visits, photoIds } = contentOf(fileIn(draft));
    const photos = copyPhotos(photoIds, photosOf(path), photosIn(draft));
    const made = { clients, visits, photos, bytes: sizeOf(fileIn(draft)) };
    writeWhole(
      join(draft, 'backup.json'),
      `${JSON.stringify({ of: basename(path), at: stampOf(nowEpochMs), ...made })}\n`,
    );
    settle(fileIn(draft));
    renameSync(draft, folder);
    settle(into);
    return { folder, ...made };
  } catch (error) {
    rmSync(draft, { recursive: true, force: true });
    throw error instanceof StoreError ? error : new StoreError(`The backup was not made (${messageOf(error)}).`);
  }
}

/** A copy is a file of its own: the log of the one it was taken from must never be taken for its own. */
function numberAnew(path: string) {
  const copy = new Database(path);
  copy.pragma(`user_version = ${randomInt(1, 2 ** 31 - 1)}`);
  copy.close();
}

function copyPhotos(ids: readonly string[], from: string, to: string): number {
  const there = ids.filter((id) => existsSync(join(from, `${id}.jpg`)));
  for (const id of there) copyWhole(join(from, `${id}.jpg`), join(to, `${id}.jpg`));
  return there.length;
}

/**
 * Puts a backup in the place of a studio. What was there is kept beside it under another name, its log too; pictures are added to
 * those that are there.
 *
 * @param folder a backup's folder
 * @returns the backup, and where what was there before lies now; null when there was nothing
 * @throws {StoreError} with one sentence, among others while Kokyu is running on the studio; then everything is as it was
 */
export function restore(path: string, folder: string, nowEpochMs: number): Backup & { before: string | null } {
  if (isSealed(folder)) throw new StoreError(`${folder} is locked: it is opened with its passphrase first.`);
  if (!existsSync(fileIn(folder))) throw new StoreError(`${folder} holds no backup.`);
  privateFolder(dirname(path));
  const release = takeLock(path);
  try {
    const { clients, visits, photoIds } = contentOf(fileIn(folder));
    const incoming = `${path}.incoming`;
    copyWhole(fileIn(folder), incoming);
    privateFolder(photosOf(path));
    const photos = copyPhotos(photoIds, photosIn(folder), photosOf(path));
    const before = sizeOf(path) > 0 ? `${path}.replaced-${stampOf(nowEpochMs)}` : null;
    const { wal, shm } = beside(path);
    // The log goes with the file it belongs to, in that order: it must never lie beside the other.
    if (before && existsSync(wal)) renameSync(wal, `${before}-wal`);
    rmSync(wal, { force: true });
    rmSync(shm, { force: true });
    if (before) renameSync(path, before);
    renameSync(incoming, path);
    clearMark(path);
    settle(dirname(path));
    return { folder, clients, visits, photos, bytes: sizeOf(path), before };
  } catch (error) {
    throw error instanceof StoreError ? error : new StoreError(`The backup was not put back (${messageOf(error)}).`);
  } finally {
    release();
  }
}

/** Backups of a studio, newest first. */
export function backupsIn(into: string): string[] {
  if (!existsSync(into)) return [];
  return readdirSync(into)
    .filter((name) => (existsSync(fileIn(join(into, name))) || isSealed(join(into, name))) && !name.endsWith('.part'))
    .sort()
    .reverse()
    .map((name) => join(into, name));
}

/** What was in a backup when it was made, or null when it doesn't say. */
export function backupNote(folder: string): Partial<Backup> | null {
  try {
    return JSON.parse(readFileSync(join(folder, 'backup.json'), 'utf8')) as Partial<Backup>;
  } catch {
    return null;
  }
}

/** Takes a whole studio away, with everything beside it that belongs to it: for the demo, which is laid anew. */
export function clearStudio(path: string) {
  const release = takeLock(path);
  try {
    const name = basename(path);
    for (const entry of readdirSync(dirname(path))) {
      const own =
        entry === name || (entry.startsWith(`${name}.`) && entry !== `${name}.lock`) || entry.startsWith(`${name}-`);
      if (own) rmSync(join(dirname(path), entry), { force: true });
    }
    rmSync(photosOf(path), { recursive: true, force: true });
  } finally {
    release();
  }
}
