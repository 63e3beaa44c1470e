import { getTableConfig } from 'drizzle-orm/sqlite-core';
import { Damaged } from '../columns';
import * as schema from '../schema';

/** What a column holds, as a file says it. */
type Kind = 'text' | 'integer' | 'json' | 'uuid';

export interface Column {
  name: string;
  kind: Kind;
  required: boolean;
}

export interface Table {
  name: string;
  columns: readonly Column[];
  /** By which a row is known to be the same. */
  key: readonly string[];
}

/** Ids that name files or stand in addresses. */
const named = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

const kindOf = (column: { columnType: string; getSQLType: () => string }): Kind =>
  column.columnType === 'SQLiteCustomColumn'
    ? column.getSQLType() === 'blob'
      ? 'uuid'
      : 'json'
    : column.getSQLType() === 'integer'
      ? 'integer'
      : 'text';

/** Of a table without a key of its own: the columns no two rows have in common. */
const uniqueIn = (indexes: ReturnType<typeof getTableConfig>['indexes']) =>
  (indexes.find(({ config }) => config.unique)?.config.columns ?? []) as { name: string }[];

/** Every table of a studio by its name, as it is declared once (`schema.ts`). */
export const tables: ReadonlyMap<string, Table> = new Map(
  Object.values(schema).map((one) => {
    const { name, columns, primaryKeys, indexes } = getTableConfig(one);
    const single = columns.filter(({ primary }) => primary).map((column) => column.name);
    return [
      name,
      {
        name,
        columns: columns.map((column) => ({ name: column.name, kind: kindOf(column), required: column.notNull })),
        key: single.length > 0 ? single : (primaryKeys[0]?.columns ?? uniqueIn(indexes)).map((column) => column.name),
      },
    ];
  }),
);

export type Row = Record<string, unknown>;

/** What could not be read where it lay, as it goes out: it comes back in as it was. */
const damagedKey = '$damaged';

/** A stored row as a file has it: what was said is JSON, what can't be read is kept as its letters. */
export function rowOut(table: Table, stored: Row): Row {
  return Object.fromEntries(
    table.columns.map(({ name, kind, required }) => {
      const value = stored[name] ?? null;
      if (value === null) return [name, null];
      if (kind === 'uuid' && Buffer.isBuffer(value)) {
        const hex = value.toString('hex');
        return [
          name,
          hex.length === 32
            ? hex.replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, '$1-$2-$3-$4-$5')
            : { [damagedKey]: hex },
        ];
      }
      if (kind === 'integer' && typeof value === 'number') return [name, value];
      if (kind === 'text' && typeof value === 'string') return [name, value];
      if (kind === 'json' && typeof value === 'string') {
        const said = spoken(value);
        // “Nothing” that was said is something else than nothing said, where both may be.
        if (said === null && !required) return [name, { [damagedKey]: value }];
        return [name, said instanceof Damaged ? { [damagedKey]: said.text } : said];
      }
      return [name, { [damagedKey]: String(value) }];
    }),
  );
}

/** JSON that comes back as the same letters; anything else is kept as letters. */
function spoken(text: string): unknown {
  try {
    const said = JSON.parse(text) as unknown;
    // What another program wrote with other gaps says the same and is other letters: a round trip loses nothing, these included.
    return JSON.stringify(said) === text && !isMarked(said) ? said : new Damaged(text);
  } catch {
    return new Damaged(text);
  }
}

const isMarked = (value: unknown): value is { [damagedKey]: unknown } =>
  typeof value === 'object' && value !== null && damagedKey in value;

/** Why a row of a file can't be taken in. */
export class RowFault extends Error {}

/** So long a single value may be: a plan with all its reasons is a hundredth of it. */
const mostLetters = 4_000_000;

/**
 * A row of a file as it is stored.
 *
 * @throws {RowFault} with what is wrong, in a few words
 */
export function rowIn(table: Table, given: unknown): Row {
  if (typeof given !== 'object' || given === null || Array.isArray(given)) throw new RowFault('it is no row');
  const known = new Set(table.columns.map(({ name }) => name));
  const strange = Object.keys(given).find((name) => !known.has(name));
  if (strange !== undefined) throw new RowFault(`“${strange.slice(0, 40)}” is nothing that is kept here`);
  return Object.fromEntries(
    table.columns.map(({ name, kind, required }) => {
      const value = (given as Row)[name] ?? null;
      if (value === null) {
        if (required && kind !== 'json') throw new RowFault(`${name} is missing`);
        return [name, kind === 'json' && required ? 'null' : null];
      }
      return [name, stored(value, kind, name)];
    }),
  );
}

function stored(value: unknown, kind: Kind, name: string): unknown {
  const letters = isMarked(value) ? value[damagedKey] : null;
  if (letters !== null && typeof letters === 'string' && letters.length <= mostLetters) {
    return kind === 'uuid' && /^([0-9a-f]{2})*$/.test(letters) ? Buffer.from(letters, 'hex') : letters;
  }
  if (kind === 'json') {
    const text = JSON.stringify(value);
    if (text.length > mostLetters) throw new RowFault(`${name} is too long`);
    return text;
  }
  if (kind === 'integer') {
    if (!Number.isSafeInteger(value)) throw new RowFault(`${name} is no whole number`);
    return value;
  }
  if (typeof value !== 'string' || value.length > mostLetters) throw new RowFault(`${name} is no text`);
  if (kind === 'uuid') {
    if (!named.test(value)) throw new RowFault(`${name} is no id`);
    return Buffer.from(value.replaceAll('-', ''), 'hex');
  }
  if (isId(name) && !/^[\w:.-]{1,80}$/.test(value)) throw new RowFault(`${name} is no id`);
  return value;
}

/** Ids that stand in addresses and hold rows together. */
const isId = (name: string) => ['id', 'client_id', 'visit_id', 'run_id'].includes(name);

/** Ids that become names of files. */
export const isPictureId = (id: unknown): id is string => typeof id === 'string' && named.test(id);
