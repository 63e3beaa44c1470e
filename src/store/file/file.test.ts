import { spawnSync } from 'node:child_process';
import {
  cpSync,
  copyFileSync,
  existsSync,
  mkdirSync,
  readFileSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { randomUUID } from 'node:crypto';
import Database from 'better-sqlite3';
import {
  NotWhole,
  type Store,
  StoreError,
  backup,
  carryOut,
  openStore,
  restore,
  searchClients,
  toldAtOpening,
} from '..';
import { scratchFolder } from '../../../scripts/scratch';
import { mustBeInPlace } from './open';

const now = Date.parse('2026-11-26T10:00:00Z');
let folder: string;
let path: string;
const open: Store[] = [];

beforeEach(() => {
  folder = scratchFolder('file');
  path = join(folder, 'studio.db');
});
afterEach(() => {
  for (const store of open.splice(0)) if (store.$client.open) store.$client.close();
  rmSync(folder, { recursive: true, force: true });
});

function start(at = path): Store {
  const store = openStore(at);
  open.push(store);
  return store;
}
const add = (store: Store, name: string) =>
  carryOut(
    store,
    { id: randomUUID(), kind: 'client.create', payload: { clientId: randomUUID(), factId: randomUUID(), name } },
    now,
  );
const names = (store: Store) => searchClients(store, '').map(({ name }) => name);
/** Names in a plain copy of the one file, as somebody would make it by hand. */
function namesInCopy(of = path): string[] {
  const copy = join(scratchFolder('copy'), 'copy.db');
  copyFileSync(of, copy);
  const db = new Database(copy, { readonly: true });
  const found = db.prepare('select name from clients order by name').all() as { name: string }[];
  db.close();
  return found.map(({ name }) => name);
}
/** What is left of a studio when its server dies at once: a copy of its files, mid-flight. */
function killed(): string {
  const grave = scratchFolder('killed');
  for (const name of readdirSync(folder)) {
    if (!name.endsWith('.lock')) cpSync(join(folder, name), join(grave, name), { recursive: true });
  }
  return join(grave, 'studio.db');
}

describe('the file alone', () => {
  test('holds everything once it was closed, and nothing lies beside it but the lock', () => {
    const store = start();
    for (const name of ['Ada', 'Ben', 'Cas']) add(store, name);
    store.$client.close();
    expect(namesInCopy()).toEqual(['Ada', 'Ben', 'Cas']);
    expect(readdirSync(folder).sort()).toEqual(['studio.db', 'studio.db.lock']);
  });

  test('holds everything two seconds after the last word too', () => {
    jest.useFakeTimers();
    const store = start();
    add(store, 'Ada');
    expect(namesInCopy()).toEqual([]);
    jest.advanceTimersByTime(2500);
    jest.useRealTimers();
    expect(namesInCopy()).toEqual(['Ada']);
  });

  test('is for its owner alone, and so is its folder', () => {
    const store = start(join(folder, 'new', 'studio.db'));
    add(store, 'Ada');
    const mode = (file: string) => statSync(file).mode & 0o777;
    expect(mode(join(folder, 'new'))).toBe(0o700);
    for (const name of readdirSync(join(folder, 'new')))
      expect([name, mode(join(folder, 'new', name))]).toEqual([name, 0o600]);
  });
});

describe('a second server', () => {
  test('is told that one is running, and by which process, and leaves everything as it is', () => {
    add(start(), 'Ada');
    const before = readFileSync(`${path}-wal`);
    expect(() => openStore(path)).toThrow(StoreError);
    expect(() => openStore(path)).toThrow(new RegExp(`already running .*process ${process.pid}`));
    expect(readFileSync(`${path}-wal`).equals(before)).toBe(true);
  });

  test('may start as soon as the first one has ended, however it ended', () => {
    const script = `
      const Database = require('better-sqlite3');
      const db = new Database(${JSON.stringify(`${path}.lock`)});
      db.exec('BEGIN EXCLUSIVE');
      process.kill(process.pid, 'SIGKILL');
    `;
    spawnSync(process.execPath, ['-e', script], { cwd: process.cwd() });
    expect(existsSync(`${path}.lock`)).toBe(true);
    expect(names(start())).toEqual([]);
  });
});

describe('after a server that died at once', () => {
  test('everything that was answered is there, and the file was checked', () => {
    const store = start();
    for (let n = 0; n < 30; n += 1) add(store, `client ${n}`);
    expect(names(start(killed()))).toHaveLength(30);
  });

  test('a damaged file is not opened: one sentence says what to do, and it is left as it is', () => {
    const store = start();
    for (let n = 0; n < 400; n += 1) add(store, `client ${n} ${'x'.repeat(80)}`);
    const grave = killed();
    rmSync(`${grave}-wal`);
    store.$client.pragma('wal_checkpoint(TRUNCATE)');
    const bytes = readFileSync(path);
    bytes.fill(0xa5, 8192, 40_960);
    writeFileSync(grave, bytes);
    expect(() => openStore(grave)).toThrow(/(damaged|can't be opened) .*npm run restore/);
    expect(readFileSync(grave).equals(bytes)).toBe(true);
  });

  test('an older copy put in place of the file does not take the log of the other for its own', () => {
    const store = start();
    add(store, 'Ada');
    store.$client.close();
    copyFileSync(path, join(folder, 'by-hand.db'));
    const later = start();
    for (let n = 0; n < 50; n += 1) add(later, `later ${n}`);
    const grave = killed();
    // What somebody does who has only the one file: it overwrites the file in place, the log stays where it is.
    copyFileSync(join(folder, 'by-hand.db'), grave);
    const put = start(grave);
    expect(names(put)).toEqual(['Ada']);
    expect(put.$client.pragma('integrity_check', { simple: true })).toBe('ok');
    expect(toldAtOpening(put)[0]).toMatch(/log was set aside/);
    expect(readdirSync(join(grave, '..')).some((name) => name.includes('-wal.aside-'))).toBe(true);
  });
});

describe('a folder that takes nothing', () => {
  test.each([
    [
      'a file in its place',
      () => (
        mkdirSync(folder, { recursive: true }),
        writeFileSync(join(folder, 'file'), 'x'),
        join(folder, 'file', 'studio.db')
      ),
    ],
    [
      'a file above it',
      () => (
        mkdirSync(folder, { recursive: true }),
        writeFileSync(join(folder, 'file'), 'x'),
        join(folder, 'file', 'in', 'studio.db')
      ),
    ],
  ])('%s is told in one sentence, and not taken for a damaged studio', (_, where) => {
    const place = where();
    const opening = () => openStore(place);
    expect(opening).toThrow(StoreError);
    expect(opening).not.toThrow(NotWhole);
    expect(opening).toThrow(/^Nothing can be written in .*what lies there was not changed\.$/);
  });
});

describe('a file that is not there', () => {
  test.each([
    ['a log with something in it', () => writeFileSync(`${path}-wal`, 'x'.repeat(5000))],
    ['an older state of it', () => writeFileSync(`${path}.before-4`, 'x')],
    ['pictures', () => writePicture('photos')],
    ['backups', () => writePicture('backups')],
  ])('beside %s is no new studio', (_, leave) => {
    leave();
    expect(() => openStore(path)).toThrow(/missing, but there is something of an earlier studio/);
    expect(existsSync(path)).toBe(false);
    writeFileSync(path, '');
    expect(() => openStore(path)).toThrow(/is empty, but/);
  });

  function writePicture(name: string) {
    mkdirSync(join(folder, name));
    writeFileSync(join(folder, name, 'a.jpg'), 'x');
  }
});

describe('a file that is taken away under a running server', () => {
  test.each([
    ['replaced', () => replace()],
    ['deleted', () => rmSync(path)],
  ])('once it was %s nothing more is answered as saved', (_, away) => {
    const store = start();
    add(store, 'Ada');
    away();
    expect(() => add(store, 'Ben')).toThrow(/moved or replaced/);
    expect(() => mustBeInPlace(store)).toThrow(StoreError);
  });

  test('the file that took its place is not written to, and neither is its log', () => {
    const store = start();
    add(store, 'Ada');
    replace();
    const theirs = readFileSync(path);
    expect(() => add(store, 'Ben')).toThrow();
    store.$client.close();
    expect(readFileSync(path).equals(theirs)).toBe(true);
  });

  /** As a newer version does that brings the file up to date. */
  function replace() {
    const other = join(folder, 'other.db');
    const db = new Database(other);
    db.exec('create table clients (name text)');
    db.close();
    renameSync(other, path);
  }
});

describe('a backup', () => {
  test('is made while the server runs, checked, and put back when it is not; what was there stays beside it', () => {
    const store = start();
    add(store, 'Ada');
    const made = backup(path, now);
    expect(made).toMatchObject({ clients: 1, visits: 0, photos: 0 });
    expect(readdirSync(made.folder).sort()).toEqual(['backup.json', 'photos', 'studio.db']);
    add(store, 'Ben');
    expect(() => restore(path, made.folder, now)).toThrow(/already running/);
    store.$client.close();
    const put = restore(path, made.folder, now);
    expect(names(start())).toEqual(['Ada']);
    expect(namesInCopy(put.before!)).toEqual(['Ada', 'Ben']);
  });

  test('put back by hand beside the log of the file it was made of, it is whole too', () => {
    const store = start();
    add(store, 'Ada');
    const made = backup(path, now);
    for (let n = 0; n < 50; n += 1) add(store, `later ${n}`);
    const grave = killed();
    copyFileSync(join(made.folder, 'studio.db'), grave);
    const put = start(grave);
    expect(names(put)).toEqual(['Ada']);
    expect(put.$client.pragma('integrity_check', { simple: true })).toBe('ok');
  });

  test('that is none is not put back, and nothing was touched', () => {
    const store = start();
    add(store, 'Ada');
    store.$client.close();
    const bad = join(folder, 'bad');
    mkdirSync(bad);
    expect(() => restore(path, bad, now)).toThrow(/holds no backup/);
    writeFileSync(join(bad, 'studio.db'), 'this is no studio');
    expect(() => restore(path, bad, now)).toThrow(/no studio that can be read/);
    expect(names(start())).toEqual(['Ada']);
  });

  test('of nothing is not made', () => {
    expect(() => backup(path, now)).toThrow(/no studio/);
    expect(readdirSync(folder)).toEqual([]);
  });
});

describe('bringing a file up to date', () => {
  test('leaves the old file under another name, and a whole file at every moment', () => {
    const store = start();
    add(store, 'Ada');
    store.$client.exec(
      'delete from __drizzle_migrations where created_at = (select max(created_at) from __drizzle_migrations); drop table run_summaries; drop table set_asides; drop table taken',
    );
    store.$client.close();
    // That step was undone only in part, so doing it again fails: the file must be as it was.
    expect(() => openStore(path)).toThrow(/failed .*as it was/s);
    expect(namesInCopy()).toEqual(['Ada']);
    expect(readdirSync(folder).sort()).toEqual(['studio.db', 'studio.db.lock']);
  });
});
