import { chmodSync, existsSync, readFileSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { basename, dirname, join, resolve } from 'node:path';
import Database from 'better-sqlite3';
import { type BetterSQLite3Database, drizzle } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import * as schema from '../schema';
import { backup, restore } from './backup';
import { fileMode, keepAs, privateFolder, settle, sizeOf } from './disk';
import { FileGone, NotWhole, StoreError, messageOf } from './errors';
import { takeLock } from './lock';
import { checkpoint, clearMark, endedUncleanly, putStrayLogAside } from './mark';
import { backupsOf, beside, photosOf, storePath } from './paths';
import { isPartOf } from './place';

export type Store = BetterSQLite3Database<typeof schema> & { $client: Database.Database };

const migrationsFolder = () => resolve(/* turbopackIgnore: true */ process.cwd(), 'drizzle');

/** What is known of an open file besides its connection. */
interface Opened {
  path: string;
  /** Which file it was when it was opened. */
  identity: string;
  idle: ReturnType<typeof setTimeout> | null;
  /** What was found and done at the start, in sentences. */
  told: string[];
}
/** Kept on the connection itself: the app is built in several parts, and each has modules of its own. */
const key = Symbol.for('kokyu.opened');
const opened = {
  get: (client: Database.Database) => (client as { [key]?: Opened })[key],
  set: (client: Database.Database, known: Opened) => void Object.assign(client, { [key]: known }),
};

function connect(path: string): Store {
  const client = new Database(path);
  // WAL with full synchronisation: a run event that was answered survives a power cut.
  client.pragma('journal_mode = WAL');
  client.pragma('synchronous = FULL');
  client.pragma('foreign_keys = ON');
  client.pragma('busy_timeout = 4000');
  // What is deleted is written over in the file, and not only no longer listed there.
  client.pragma('secure_delete = ON');
  // Checkpoints are made here, so that the mark beside the file always says which state of it the log belongs to.
  client.pragma('wal_autocheckpoint = 0');
  client.pragma('cache_size = -16384');
  rememberStatements(client);
  return drizzle(client, { schema }) as Store;
}

/** Statements that are remembered: every page asks the same ones, and making one ready takes longer than most take to run. */
const mostStatements = 300;

function rememberStatements(client: Database.Database) {
  const prepare = client.prepare.bind(client);
  const known = new Map<string, Database.Statement>();
  client.prepare = ((source: string) => {
    let statement = known.get(source);
    if (statement) {
      known.delete(source);
      // How rows are given is a property of the statement: each asker sets it anew.
      if (statement.reader) statement.raw(false);
    } else {
      statement = prepare(source);
    }
    known.set(source, statement);
    if (known.size > mostStatements) known.delete(known.keys().next().value!);
    return statement;
  }) as typeof client.prepare;
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

/** What of an earlier studio lies where a file is missing: an empty studio beside it would look like everything being lost. */
function leftoversOf(path: string): string[] {
  const name = basename(path);
  const folder = dirname(path);
  const files = readdirSync(folder).filter(
    (entry) =>
      entry.startsWith(`${name}.before-`) ||
      entry.startsWith(`${name}.replaced-`) ||
      (entry === `${name}-wal` && sizeOf(join(folder, entry)) > 0),
  );
  const folders = [photosOf(path), backupsOf(path)].filter((one) => existsSync(one) && readdirSync(one).length > 0);
  return [...files, ...folders.map((one) => `${basename(one)}/`)];
}

/**
 * Opens a studio file for this process alone, bringing it up to date first. An existing file is migrated as a copy that takes its
 * place in one step only when every migration went through; when one fails, the old file is as it was.
 *
 * @throws {StoreError} with one sentence saying what is wrong and what to do
 */
export function openStore(path: string, folder = migrationsFolder()): Store {
  let release: () => void = () => undefined;
  try {
    privateFolder(dirname(path));
    release = takeLock(path);
    return openLocked(path, folder, release);
  } catch (error) {
    release();
    throw takesNothing(error) ? cantWriteIn(dirname(path), error) : error;
  }
}

/** A folder or a disk that takes nothing in: read only, full, or somebody else’s. What lies on it may be as whole as ever. */
const takesNothing = (error: unknown): boolean =>
  /^(EROFS|EACCES|EPERM|ENOSPC|EDQUOT|ENOTDIR|EEXIST|SQLITE_READONLY|SQLITE_FULL|SQLITE_CANTOPEN)/.test(
    (error as { code?: string } | null)?.code ?? '',
  );

const cantWriteIn = (folder: string, error: unknown) =>
  new StoreError(
    `Nothing can be written in ${folder} (${messageOf(error)}). Make it writable, make room, or name another folder with KOKYU_DATA; what lies there was not changed.`,
  );

function openLocked(path: string, folder: string, release: () => void): Store {
  const isNew = sizeOf(path) === 0;
  if (existsSync(path)) chmodSync(path, fileMode);
  const leftovers = isNew ? leftoversOf(path) : [];
  if (leftovers.length > 0) {
    throw new NotWhole(
      `${path} is ${existsSync(path) ? 'empty' : 'missing'}, but there is something of an earlier studio beside it (${leftovers.slice(0, 4).join(', ')}). Put a backup back (npm run restore), or move these away to begin anew.`,
    );
  }
  const told: string[] = [];
  const unclean = !isNew && endedUncleanly(path);
  if (unclean) {
    const aside = putStrayLogAside(path, new Date().toISOString().replace(/[:.]/g, '-'));
    if (aside) told.push(`The file was put in place of another; the other's log was set aside as ${basename(aside)}.`);
  }
  const store = readyStore(path, folder, isNew, unclean);
  for (const file of [path, beside(path).wal, beside(path).shm]) if (existsSync(file)) chmodSync(file, fileMode);
  checkpoint(store.$client, path);
  opened.set(store.$client, { path, identity: identityOf(path)!, idle: null, told });
  closeWithCare(store, path, release);
  return store;
}

/** A connection to a file that is whole and up to date. */
function readyStore(path: string, folder: string, isNew: boolean, unclean: boolean): Store {
  let store: Store | null = null;
  let done: number;
  try {
    store = connect(path);
    done = migrationsDone(store);
  } catch (error) {
    store?.$client.close();
    if (takesNothing(error)) throw error;
    throw new NotWhole(
      `The file ${path} can't be opened as a studio (${messageOf(error)}). Put a backup in its place (npm run restore).`,
    );
  }
  const ready = store;
  const refuse = (sentence: string, Kind = StoreError) => {
    ready.$client.close();
    return new Kind(sentence);
  };
  const wanted = migrationsWanted(folder);
  if (done > wanted) {
    throw refuse(`The file ${path} was written by a newer version. Start that version, or use another folder.`);
  }
  if (unclean || (!isNew && sizeOf(path) < quicklyChecked)) {
    const fault = damageOf(store);
    if (fault) {
      throw refuse(
        `The file ${path} is damaged (${fault}). Put a backup in its place (npm run restore); it was left as it is.`,
        NotWhole,
      );
    }
  }
  if (done === wanted) return store;
  if (isNew) {
    migrate(store, { migrationsFolder: folder });
    return store;
  }
  return migratedCopy(path, store, folder, done);
}

/** Bytes that are looked through in a fraction of a second: a larger file is, when it was not closed in order. */
const quicklyChecked = 200_000_000;

/** What a quick check finds wrong with a file, or null. */
function damageOf(store: Pick<Store, '$client'>): string | null {
  try {
    const found = store.$client.pragma('quick_check(1)', { simple: true });
    return found === 'ok' ? null : String(found);
  } catch (error) {
    return messageOf(error);
  }
}

function migratedCopy(path: string, store: Store, folder: string, done: number): Store {
  const { migrating, wal, shm } = beside(path);
  const clear = () => {
    for (const suffix of ['', '-wal', '-shm']) rmSync(migrating + suffix, { force: true });
  };
  clear();
  try {
    store.$client.prepare('vacuum into ?').run(migrating);
    const next = connect(migrating);
    migrate(next, { migrationsFolder: folder });
    next.$client.close();
    settle(migrating);
  } catch (error) {
    store.$client.close();
    clear();
    throw new StoreError(`Bringing ${path} up to date failed (${messageOf(error)}). The file is as it was.`);
  }
  // Nothing waits in the log any more once the connection is closed: the file alone is the old studio.
  store.$client.pragma('wal_checkpoint(TRUNCATE)');
  store.$client.close();
  for (const file of [wal, shm]) rmSync(file, { force: true });
  // The old file gets a second name, then the new one takes the first in one step: there is a whole file at every moment.
  keepAs(path, `${path}.before-${done + 1}`);
  renameSync(migrating, path);
  settle(dirname(path));
  return connect(path);
}

function identityOf(path: string): string | null {
  try {
    const { dev, ino } = statSync(path);
    return `${dev} ${ino}`;
  } catch {
    return null;
  }
}

/**
 * Makes sure that the file is still the one that was opened.
 *
 * @throws {FileGone} when it was moved, replaced or deleted: what is written now would be lost
 */
export function mustBeInPlace(store: Store) {
  const known = opened.get(store.$client);
  if (known && identityOf(known.path) !== known.identity) {
    throw new FileGone(
      'The studio’s file was moved or replaced while Kokyu was running. Start Kokyu again; nothing is lost.',
    );
  }
}

/** Quiet for this long, the log is brought into the file; grown past this size, at once. */
const idleMs = 2000;
const mostLogBytes = 8_000_000;

/** To be called after something was written: sees to it that the log finds its way into the file. */
export function afterWriting(store: Store) {
  const known = opened.get(store.$client);
  if (!known) return;
  if (sizeOf(beside(known.path).wal) > mostLogBytes) {
    checkpointIfOpen(store);
    return;
  }
  // One timer for all that is written meanwhile: a busy hour is brought in every two seconds and not after it.
  known.idle ??= setTimeout(() => {
    known.idle = null;
    checkpointIfOpen(store);
  }, idleMs);
  known.idle.unref();
}

function checkpointIfOpen(store: Store) {
  const known = opened.get(store.$client);
  if (!known || !store.$client.open || identityOf(known.path) !== known.identity) return;
  try {
    checkpoint(store.$client, known.path);
  } catch (error) {
    // A full disk: what is in the log is safe there, and the next time may find room.
    console.error(`The log could not be brought into the file: ${messageOf(error)}`);
  }
}

/** Closing brings the log into the file, takes the mark away and lets the lock go; only a file still in place is touched. */
function closeWithCare(store: Store, path: string, release: () => void) {
  const client = store.$client;
  const close = client.close.bind(client);
  client.close = () => {
    const known = opened.get(client);
    if (!client.open || !known) return client;
    if (known.idle) clearTimeout(known.idle);
    for (const part of (client as Parted)[partsKey]?.values() ?? []) part.$client.close();
    const inPlace = identityOf(path) === known.identity;
    if (inPlace) checkpointIfOpen(store);
    close();
    if (inPlace && sizeOf(beside(path).wal) === 0) clearMark(path);
    release();
    return client;
  };
}

/** What was found and done when the file was opened, in sentences. */
export const toldAtOpening = (store: Store): readonly string[] => opened.get(store.$client)?.told ?? [];

/** Kept on the connection it is a part of. */
const partsKey = Symbol.for('kokyu.parts');
type Parted = { [partsKey]?: Map<string, Store> };

/**
 * A studio of which only some rows of some tables are there, for whatever is asked of it. It is a connection of its own, on which the
 * tables' names stand for views of them.
 *
 * @param name tells one part from another; the same one is given the same connection
 * @param rows for each table, what makes a row (`t`) one of the part; trusted words, never anything typed
 */
export function seenThrough(store: Store, name: string, rows: Readonly<Record<string, string>>): Store {
  const parts = ((store.$client as Parted)[partsKey] ??= new Map());
  const there = parts.get(name);
  if (there?.$client.open) return there;
  const part = connect(opened.get(store.$client)?.path ?? store.$client.name);
  part.$client.pragma('cache_size = -4096');
  const tables = part.$client.pragma('main.table_list') as { name: string; wr: number }[];
  const byKey = new Set(tables.filter(({ wr }) => wr === 1).map((table) => table.name));
  for (const [table, are] of Object.entries(rows)) {
    // The order in which rows were written is asked for by name, which a view has only if it is given one.
    const columns = byKey.has(table) ? 't.*' : 't.rowid as rowid, t.*';
    part.$client.exec(`create temp view "${table}" as select ${columns} from main."${table}" t where ${are}`);
  }
  isPartOf(part.$client, store.$client);
  parts.set(name, part);
  return part;
}

const held = globalThis as unknown as { kokyuStore?: Store };

/** The one open store of this process, closed with it: the whole studio, whoever asks. What pages read they read through `theStore`. */
export function wholeStore(): Store {
  if (!held.kokyuStore) {
    const store = openStore(storePath());
    held.kokyuStore = store;
    process.on('exit', () => store.$client.close());
  }
  return held.kokyuStore;
}

/**
 * Puts a copy in the place of the one open studio, which is copied first and goes on as the other: nobody else asks meanwhile, since all of
 * it is one turn of this process.
 *
 * @param folder a copy that is not locked
 * @returns where the copy of what was here before lies
 * @throws {StoreError} with one sentence; then the studio is as it was
 */
export function restoreHere(folder: string, nowEpochMs: number): { before: string } {
  const path = storePath();
  const { folder: before } = backup(path, nowEpochMs);
  wholeStore().$client.close();
  let replaced: string | null = null;
  try {
    replaced = restore(path, folder, nowEpochMs).before;
    held.kokyuStore = openStore(path);
  } catch (error) {
    // A copy of a newer version, for example: what was there takes its place again.
    if (replaced) renameSync(replaced, path);
    held.kokyuStore = openStore(path);
    throw error;
  }
  return { before };
}
