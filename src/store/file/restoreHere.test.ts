import {
  copyFileSync,
  existsSync,
  mkdirSync,
  readFileSync,
  readdirSync,
  rmSync,
  statSync,
  truncateSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { backup, restoreHere, storePath, wholeStore } from '..';
import { reopened, studioHere } from '../fixtures';

const now = Date.parse('2026-11-27T10:00:00Z');
let here: ReturnType<typeof studioHere>;
let folder: string;
let copy: string;

const add = (id: string) =>
  wholeStore()
    .$client.prepare(`insert into clients (id, name, created_at) values (?, ?, '2026-01-01T00:00:00.000Z')`)
    .run(id, id);
const clients = () =>
  (wholeStore().$client.prepare('select id from clients order by id').all() as { id: string }[]).map(({ id }) => id);

/** A studio with one client more than its copy has. */
beforeEach(() => {
  here = studioHere('restore');
  ({ folder } = here);
  for (let n = 0; n < 300; n += 1) add(`client ${n}`);
  copy = backup(storePath(), now - 86_400_000).folder;
  add('of today');
});
afterEach(() => {
  here.close();
});

test('a copy takes the place of the open studio, which is copied first', () => {
  const { before } = restoreHere(copy, now);
  expect(clients()).toHaveLength(300);
  expect(existsSync(join(before, 'studio.db'))).toBe(true);
  // And the way back is as open.
  restoreHere(before, now + 1000);
  expect(clients()).toContain('of today');
});

const studio = () => join(copy, 'studio.db');
test.each<[string, () => void, RegExp]>([
  ['cut off', () => truncateSync(studio(), Math.floor(statSync(studio()).size / 2)), /no studio that can be read/],
  ['cut off after its head', () => truncateSync(studio(), 4096), /no studio that can be read/],
  ['empty', () => truncateSync(studio(), 0), /no studio that can be read/],
  ['nonsense', () => writeFileSync(studio(), Buffer.alloc(200_000, 'nonsense')), /no studio that can be read/],
  [
    'damaged in the middle',
    () => {
      const bytes = readFileSync(studio());
      bytes.fill(0x5a, 8192, bytes.length - 8192);
      writeFileSync(studio(), bytes);
    },
    /no studio that can be read/,
  ],
  [
    'no studio but a file of something else',
    () => {
      rmSync(studio());
      const db = new Database(studio());
      db.exec('create table notes (id text)');
      db.close();
    },
    /no studio that can be read/,
  ],
  [
    'written by a newer version',
    () => {
      const db = new Database(studio());
      db.exec("insert into __drizzle_migrations (hash, created_at) values ('x', 9999999999999)");
      db.close();
    },
    /written by a newer version/,
  ],
  ['gone', () => rmSync(copy, { recursive: true }), /holds no backup/],
])('a copy that is %s is refused with one sentence; the studio goes on as it was', (_, spoil, why) => {
  const lay = readdirSync(folder)
    .filter((name) => !name.startsWith('backups'))
    .sort();
  spoil();
  expect(() => restoreHere(copy, now)).toThrow(why);
  expect(clients()).toHaveLength(301);
  add('afterwards');
  reopened();
  expect(clients()).toContain('afterwards');
  // Nothing half is left beside it.
  const lies = readdirSync(folder).filter((name) => /incoming|migrating|\.part/.test(name));
  expect(lies).toEqual([]);
  expect(lay).toContain('studio.db');
});

test('where the disk takes no copy first, nothing is put back', () => {
  // A file in the place of the folder of copies: nothing can be written into it, not even by whoever may write anywhere.
  const kept = join(folder, 'kept');
  mkdirSync(kept);
  copyFileSync(studio(), join(kept, 'studio.db'));
  mkdirSync(join(kept, 'photos'));
  rmSync(join(folder, 'backups'), { recursive: true });
  writeFileSync(join(folder, 'backups'), 'x');
  expect(() => restoreHere(kept, now)).toThrow();
  expect(clients()).toHaveLength(301);
  add('afterwards');
});
