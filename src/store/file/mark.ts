import { closeSync, existsSync, openSync, readFileSync, readSync, renameSync, rmSync } from 'node:fs';
import { randomInt } from 'node:crypto';
import { type default as Database } from 'better-sqlite3';
import { sizeOf, writeWhole } from './disk';
import { beside } from './paths';

/**
 * The file carries a number in its header that changes at every checkpoint, and the mark beside it says which it must be. A file put
 * back from a backup carries another one: the log that lies beside it then belongs to the file that was there before, and reading
 * the two together would damage both.
 */
interface Mark {
  pid: number;
  /** Numbers the header may carry: two while a checkpoint is under way, else one. */
  tokens: number[];
}

/** Where SQLite keeps `user_version` in the first page: four bytes, the highest first. */
const tokenAt = 60;

function headerToken(path: string): number {
  const bytes = Buffer.alloc(4);
  const file = openSync(path, 'r');
  try {
    readSync(file, bytes, 0, 4, tokenAt);
  } finally {
    closeSync(file);
  }
  return bytes.readInt32BE();
}

const readMark = (path: string): Mark | null => {
  try {
    const { pid, tokens } = JSON.parse(readFileSync(beside(path).mark, 'utf8')) as Partial<Mark>;
    return { pid: Number(pid), tokens: Array.isArray(tokens) ? tokens.map(Number) : [] };
  } catch {
    return null;
  }
};

const writeMark = (path: string, tokens: number[]) =>
  writeWhole(beside(path).mark, JSON.stringify({ pid: process.pid, tokens } satisfies Mark));

/** Whether the last server on this file ended without closing it. */
export const endedUncleanly = (path: string) => existsSync(beside(path).mark);

/**
 * Puts a log aside that does not belong to the file it lies beside.
 *
 * @returns what was put aside, or null when all is well
 */
export function putStrayLogAside(path: string, stamp: string): string | null {
  const { wal, shm } = beside(path);
  const mark = readMark(path);
  if (!mark || mark.tokens.length === 0 || sizeOf(wal) === 0) return null;
  if (mark.tokens.includes(headerToken(path))) return null;
  const aside = `${wal}.aside-${stamp}`;
  renameSync(wal, aside);
  rmSync(shm, { force: true });
  return aside;
}

/**
 * Brings everything from the log into the file itself, so that a plain copy of it holds all there is.
 *
 * @returns whether it went through; a reader still at work may put it off
 */
export function checkpoint(db: Database.Database, path: string): boolean {
  const token = randomInt(1, 2 ** 31 - 1);
  // The header itself is not looked at: opening the file a second time and closing it would drop SQLite's locks on it.
  const before = [...(readMark(path)?.tokens ?? []), Number(db.pragma('user_version', { simple: true }))];
  writeMark(path, [...new Set([...before, token])]);
  db.pragma(`user_version = ${token}`);
  const [result] = db.pragma('wal_checkpoint(TRUNCATE)') as [{ busy: number }];
  if (result.busy !== 0) return false;
  writeMark(path, [token]);
  return true;
}

/** Takes the mark away: the file was closed as it should be. */
export const clearMark = (path: string) => rmSync(beside(path).mark, { force: true });
