/** Puts something wrong into a cell of a studio's file. For tests and for the attack only. */
import type Database from 'better-sqlite3';

/** Tables of records; how migrations went is no record. */
export const damageable = (db: Database.Database): string[] =>
  (
    db.prepare("select name from sqlite_master where type = 'table' and name not like '\\_\\_%' escape '\\'").all() as {
      name: string;
    }[]
  )
    .map(({ name }) => name)
    .filter((name) => !name.startsWith('sqlite_'));

const junk: readonly (string | number | Buffer | null)[] = [
  null,
  '',
  'garbage',
  '{',
  '[]',
  '{}',
  'null',
  'true',
  '"text"',
  '[null]',
  '{"a":1}',
  '{"value":"maybe"}',
  '{"present":["nothing","known"]}',
  '{"present":7}',
  '{"type":"swap","item":29}',
  '{"type":"no such thing"}',
  '[{"drillId":"__proto__"}]',
  '{"items":[{}],"refusals":[],"request":null,"proven":true}',
  '{"position":"in the sea","taps":[0,0]}',
  '{"position":"sitting","taps":[0,0,0,0,0]}',
  '{"position":"sitting","taps":[5,4,3,2,1]}',
  '2026-13-45',
  '2026-02-30T25:61:61Z',
  '9999-99-99T99:99:99.999Z',
  '0000-00-00',
  '2026-11-26',
  '2026-11-26T09:00:00.000Z',
  '__proto__',
  'constructor',
  'Mars/Olympus',
  'x'.repeat(50_000),
  '\u0000',
  '\ud800',
  0,
  -1,
  1e308,
  2 ** 53 + 2,
  3.5,
  Buffer.from([0, 255, 128]),
  Buffer.alloc(16),
];

export interface Damage {
  table: string;
  column: string;
  value: unknown;
  /** Puts it right again. */
  back: () => void;
}

/** Puts junk, or another row's value, into one cell, whatever the table's own rules allow. */
export function damageCell(db: Database.Database, random: () => number): Damage {
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const tables = damageable(db).filter((table) => rowsOf(db, table) > 0);
  for (;;) {
    const table = pick(tables);
    const columns = (db.prepare(`pragma table_info("${table}")`).all() as { name: string }[]).map(({ name }) => name);
    const column = pick(columns);
    const at = Math.floor(random() * rowsOf(db, table));
    const row = db.prepare(`select * from "${table}" limit 1 offset ${at}`).get() as Record<string, unknown>;
    const value = random() < 0.85 ? pick(junk) : (row[pick(columns)] as string);
    // Tables without a row number are found again by all their columns.
    const where = columns.map((name) => `"${name}" is ?`).join(' and ');
    const old = columns.map((name) => row[name]);
    try {
      db.prepare(`update "${table}" set "${column}" = ? where ${where}`).run(value, ...old);
    } catch {
      continue;
    }
    const now = columns.map((name, i) => (name === column ? value : old[i]));
    const back = () => {
      try {
        db.prepare(`update "${table}" set "${column}" = ? where ${where}`).run(row[column], ...now);
      } catch {
        // Another damage meanwhile stands in the way: then this one stays.
      }
    };
    return { table, column, value, back };
  }
}

const rowsOf = (db: Database.Database, table: string) =>
  (db.prepare(`select count(*) as n from "${table}"`).get() as { n: number }).n;
