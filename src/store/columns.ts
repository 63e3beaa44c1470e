import { type SQL, inArray, sql } from 'drizzle-orm';
import { type SQLiteColumn, customType } from 'drizzle-orm/sqlite-core';

/** What stands in a column of JSON that can't be read as JSON. It fits no schema, so its row is told of and never guessed at. */
export class Damaged {
  constructor(readonly text: string) {}
}

/** A column of JSON. A damaged one gives {@link Damaged} instead of taking every other row of the query with it. */
export const json = customType<{ data: unknown; driverData: string }>({
  dataType: () => 'text',
  toDriver: (value) => JSON.stringify(value),
  fromDriver: (text) => {
    if (typeof text !== 'string') return new Damaged(String(text));
    try {
      return JSON.parse(text) as unknown;
    } catch {
      return new Damaged(text);
    }
  },
});

/** A UUID in its sixteen bytes: less than half of what its letters take. */
export const uuidBytes = customType<{ data: string; driverData: Buffer }>({
  dataType: () => 'blob',
  toDriver: (uuid) => Buffer.from(uuid.replaceAll('-', ''), 'hex'),
  fromDriver: (bytes) => {
    const hex = Buffer.isBuffer(bytes) ? bytes.toString('hex') : String(bytes);
    return hex.replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, '$1-$2-$3-$4-$5');
  },
});

/**
 * Whether a column holds one of so many ids. Many go along as one value: written into the query one by one, two hundred visits take longer to
 * ask for than to read. Few are written out, so that the database knows how few they are and looks each up by its index.
 */
export function among(column: SQLiteColumn, ids: Iterable<string>): SQL {
  const list = [...ids];
  return list.length <= few
    ? inArray(column, list)
    : sql`${column} in (select value from json_each(${JSON.stringify(list)}))`;
}
const few = 100;
