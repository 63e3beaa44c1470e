import { existsSync, mkdirSync, readFileSync, renameSync, rmSync, statSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import Database from 'better-sqlite3';
import { type BetterSQLite3Database, drizzle } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import * as schema from './schema';

export type Store = BetterSQLite3Database<typeof schema> & { $client: Database.Database };

/** An error with a sentence for the person who starts the app. */
export class StoreError extends Error {}

/** The coach's own studio and the demo live in different files of the same folder. */
export type StudioKind = 'own' | 'demo';

const fileNames: Record<StudioKind, string> = { own: 'studio.db', demo: 'demo.db' };

/** The file a studio lives in: KOKYU_DATA, or data beside the app, outside the build. */
export function storePath(kind: StudioKind = studioKind()): string {
  return resolve(/* turbopackIgnore: true */ process.env.KOKYU_DATA ?? 'data', fileNames[kind]);
}

export const studioKind = (): StudioKind => (process.env.KOKYU_STUDIO === 'demo' ? 'demo' : 'own');

const migrationsFolder = () => resolve(/* turbopackIgnore: true */ process.cwd(), 'drizzle');

function connect(path: string): Store {
  const client = new Database(path);
  // WAL with full synchronisation: a run event that was answered survives a power cut.
  client.pragma('journal_mode = WAL');
  client.pragma('synchronous = FULL');
  client.pragma('foreign_keys = ON');
  client.pragma('busy_timeout = 4000');
  return drizzle(client, { schema }) as Store;
}

function migrationsWanted(folder: string): number {
  const journal = JSON.parse(readFileSync(join(folder, 'meta', '_journal.json'), 'utf8')) as { entries: unknown[] };
  return journal.entries.length;
}

function migrationsDone(store: Store): number {
  const table = store.$client
    .prepare("select count(*) as n from sqlite_master where type = 'table' and name = '__drizzle_migrations'")
    .get() as { n: number };
  if (table.n === 0) return 0;
  return (store.$client.prepare('select count(*) as n from __drizzle_migrations').get() as { n: number }).n;
}

/**
 * Opens a studio file, bringing it up to date first. An existing file is migrated as a copy that takes its place only
 * when every step went through; when one fails, the old file is as it was.
 *
 * @throws {StoreError} with one sentence saying what is wrong and what to do
 */
export function openStore(path: string, folder = migrationsFolder()): Store {
  mkdirSync(dirname(path), { recursive: true });
  const isNew = !existsSync(path) || statSync(path).size === 0;
  let store: Store;
  let done: number;
  try {
    store = connect(path);
    done = migrationsDone(store);
  } catch (error) {
    throw new StoreError(
      `The file ${path} can't be opened as a studio (${messageOf(error)}). Put a backup in its place.`,
    );
  }
  const wanted = migrationsWanted(folder);
  if (done > wanted) {
    store.$client.close();
    throw new StoreError(`The file ${path} was written by a newer version. Start that version, or use another folder.`);
  }
  if (done === wanted) return store;
  if (isNew) {
    migrate(store, { migrationsFolder: folder });
    return store;
  }
  return migratedCopy(path, store, folder, done);
}

function migratedCopy(path: string, store: Store, folder: string, done: number): Store {
  const copy = `${path}.migrating`;
  rmSync(copy, { force: true });
  store.$client.prepare('vacuum into ?').run(copy);
  store.$client.close();
  try {
    const next = connect(copy);
    migrate(next, { migrationsFolder: folder });
    next.$client.pragma('wal_checkpoint(TRUNCATE)');
    next.$client.close();
  } catch (error) {
    for (const suffix of ['', '-wal', '-shm']) rmSync(copy + suffix, { force: true });
    throw new StoreError(`Bringing ${path} up to date failed (${messageOf(error)}). The file is as it was.`);
  }
  for (const suffix of ['-wal', '-shm']) rmSync(path + suffix, { force: true });
  renameSync(path, `${path}.before-${done + 1}`);
  renameSync(copy, path);
  return connect(path);
}

const messageOf = (error: unknown) => (error instanceof Error ? error.message : String(error));

const held = globalThis as unknown as { kokyuStore?: Store };

/** The one open store of this process. */
export function theStore(): Store {
  held.kokyuStore ??= openStore(storePath());
  return held.kokyuStore;
}
