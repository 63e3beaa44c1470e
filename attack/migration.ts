import { copyFileSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
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

/** Bringing an older file up to date, ended at once in the middle: the file is the older or the newer one, whole, with everything in it. */
export async function cutShortMigrations(times: number): Promise<Row[]> {
  const folder = mkdtempSync(join(tmpdir(), 'kokyu-migrating-'));
  const older = join(folder, 'older.db');
  const store = openStore(older);
  const add = store.$client.prepare(
    `insert into clients (id, name, created_at) values (?, ?, '2026-01-01T00:00:00.000Z')`,
  );
  const fill = store.$client.prepare(`insert into settings (key, value) values (?, ?)`);
  store.$client.transaction(() => {
    for (let n = 0; n < 500; n += 1) add.run(`client ${n}`, `Quay ${n}`);
    for (let n = 0; n < 8000; n += 1) fill.run(`filler ${n}`, JSON.stringify('x'.repeat(20_000)));
  })();
  store.$client.close();
  const wanted = tablesOf(older);
  // As it was two versions ago: without the tables that came since, and without the word that they were made.
  const db = new Database(older);
  db.exec('drop table pairs; drop table check_ins');
  db.exec(
    'delete from __drizzle_migrations where created_at in (select created_at from __drizzle_migrations order by created_at desc limit 2)',
  );
  db.close();
  let [inTheMiddle, broken, gone] = [0, 0, 0];
  for (let n = 0; n < times; n += 1) {
    const own = join(folder, `${n}`);
    const path = join(own, 'studio.db');
    openStore(path).$client.close();
    for (const name of readdirSync(own)) rmSync(join(own, name), { recursive: true });
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
