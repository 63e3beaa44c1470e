import { copyFileSync, cpSync, existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { openStore } from '@/store';
import { cutShort } from './endings';
import { type Row, isWhole, row } from './support';

const tablesOf = (path: string): string[] => {
  const db = new Database(path, { readonly: true });
  try {
    return (
      db.prepare(`select name from sqlite_master where type = 'table' order by name`).all() as { name: string }[]
    ).map(({ name }) => name);
  } finally {
    db.close();
  }
};

/** So many migrations are gone through on the way. */
const versionsAgo = 4;

/** Bringing an older file up to date, ended at once in the middle: the file is the older or the newer one, whole, with everything in it. */
export async function cutShortMigrations(times: number): Promise<Row[]> {
  const folder = mkdtempSync(join(tmpdir(), 'kokyu-migrating-'));
  const newest = join(folder, 'newest', 'studio.db');
  openStore(newest).$client.close();
  const wanted = tablesOf(newest);
  // As it was some versions ago: made by the first of the migrations alone.
  const before = join(folder, 'drizzle');
  cpSync('drizzle', before, { recursive: true });
  const journal = join(before, 'meta', '_journal.json');
  const { entries, ...rest } = JSON.parse(readFileSync(journal, 'utf8')) as { entries: unknown[] };
  writeFileSync(journal, JSON.stringify({ ...rest, entries: entries.slice(0, -versionsAgo) }));
  const older = join(folder, 'older', 'studio.db');
  const store = openStore(older, before);
  const add = store.$client.prepare(
    `insert into clients (id, name, created_at) values (?, ?, '2026-01-01T00:00:00.000Z')`,
  );
  const fill = store.$client.prepare(`insert into settings (key, value) values (?, ?)`);
  store.$client.transaction(() => {
    for (let n = 0; n < 500; n += 1) add.run(`client ${n}`, `Quay ${n}`);
    for (let n = 0; n < 8000; n += 1) fill.run(`filler ${n}`, JSON.stringify('x'.repeat(20_000)));
  })();
  store.$client.close();
  let [inTheMiddle, broken, gone] = [0, 0, 0];
  for (let n = 0; n < times; n += 1) {
    const own = join(folder, `${n}`);
    const path = join(own, 'studio.db');
    mkdirSync(own);
    copyFileSync(older, path);
    await cutShort('attack/open.ts', [path], folder, (n / times) * 900, () => existsSync(`${path}.migrating`));
    if (existsSync(`${path}.migrating`)) inTheMiddle += 1;
    if (!existsSync(path) || !isWhole(path)) broken += 1;
    const again = openStore(path);
    const { n: clients } = again.$client.prepare('select count(*) as n from clients').get() as { n: number };
    again.$client.close();
    if (clients !== 500) gone += 1;
    if (tablesOf(path).join() !== wanted.join() || existsSync(`${path}.migrating`)) broken += 1;
    rmSync(own, { recursive: true, force: true });
  }
  rmSync(folder, { recursive: true, force: true });
  return [
    row(
      'bringing a file up to date ended at once',
      times,
      `${inTheMiddle} in the middle; ${broken} not whole afterwards, ${gone} with somebody missing`,
      broken === 0 && gone === 0 && inTheMiddle > 0,
    ),
  ];
}
