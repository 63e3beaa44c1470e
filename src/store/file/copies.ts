import { existsSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import { basename, join } from 'node:path';
import { type Backup, backup, backupNote, backupsIn } from './backup';
import { privateFolder, writeWhole } from './disk';
import { messageOf } from './errors';
import { backupsOf } from './paths';

/** Daily copies are kept for so many days, and one of each month for so many months. */
const keepDays = 14;
const keepMonths = 12;
/** A copy younger than this is today's: a server started twice a day makes one. */
const freshMs = 20 * 3_600_000;

/** Where the copies that are made by themselves lie: apart from those made by hand, which are never cleared away. */
const dailyOf = (path: string) => join(backupsOf(path), 'daily');

/** A copy that was made by itself. */
interface Copy extends Partial<Backup> {
  folder: string;
  /** UTC, ISO. */
  at: string;
}

/** When a copy was made, from the name of its folder; null where the name doesn't say. */
export function madeAt(folder: string): string | null {
  const found = /-(\d{4}-\d{2}-\d{2})T(\d{2})-(\d{2})-(\d{2})-(\d{3})Z$/.exec(basename(folder));
  return found ? `${found[1]}T${found[2]}:${found[3]}:${found[4]}.${found[5]}Z` : null;
}

/**
 * Which copies may go: all but the newest of each of the last fourteen days on which one was made, and the newest of each of the last
 * twelve months in which one was.
 *
 * @param times UTC, ISO, in any order
 */
export function timesToDrop(times: readonly string[]): string[] {
  const newestFirst = [...new Set(times)].sort().reverse();
  const kept = new Set<string>();
  for (const [letters, most] of [
    [10, keepDays],
    [7, keepMonths],
  ] as const) {
    const seen = new Set<string>();
    for (const at of newestFirst) {
      const stretch = at.slice(0, letters);
      if (seen.has(stretch) || seen.size >= most) continue;
      seen.add(stretch);
      kept.add(at);
    }
  }
  return newestFirst.filter((at) => !kept.has(at));
}

/** Copies that were made by themselves, newest first. */
export const copiesOf = (path: string): Copy[] =>
  backupsIn(dailyOf(path)).flatMap((folder) => {
    const at = basename(folder).startsWith(`${basename(path, '.db')}-`) ? madeAt(folder) : null;
    return at ? [{ ...backupNote(folder), folder, at }] : [];
  });

const failedIn = (path: string) => join(dailyOf(path), 'failed.json');

/** Why the last copy was not made, and when; null where it was. */
export function copyFailed(path: string): { at: string; why: string } | null {
  try {
    return JSON.parse(readFileSync(failedIn(path), 'utf8')) as { at: string; why: string };
  } catch {
    return null;
  }
}

/**
 * Today's copy, where there is none yet; older ones that need not be kept are cleared away, but only after the new one was checked.
 * A copy that can't be made is noted, and told of under Settings.
 *
 * @returns the copy, or null where today has one
 * @throws {StoreError} with one sentence, once it is noted
 */
export function copyOfDay(path: string, nowEpochMs: number): Backup | null {
  const [newest] = copiesOf(path);
  if (newest && nowEpochMs - Date.parse(newest.at) < freshMs && nowEpochMs >= Date.parse(newest.at)) return null;
  const into = dailyOf(path);
  try {
    const made = backup(path, nowEpochMs, into);
    rmSync(failedIn(path), { force: true });
    const all = copiesOf(path);
    const drop = new Set(timesToDrop(all.map(({ at }) => at)));
    for (const { folder, at } of all) if (drop.has(at)) rmSync(folder, { recursive: true, force: true });
    // What a server that was ended in the middle of a copy left behind.
    for (const name of readdirSync(into))
      if (name.endsWith('.part')) rmSync(join(into, name), { recursive: true, force: true });
    return made;
  } catch (error) {
    noteFailure(path, nowEpochMs, messageOf(error));
    throw error;
  }
}

function noteFailure(path: string, nowEpochMs: number, why: string) {
  try {
    if (!existsSync(dailyOf(path))) privateFolder(dailyOf(path));
    writeWhole(failedIn(path), `${JSON.stringify({ at: new Date(nowEpochMs).toISOString(), why })}\n`);
  } catch {
    // The disk that took no copy takes no note either: it is told where it is printed.
  }
}
