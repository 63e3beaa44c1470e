import { sql } from 'drizzle-orm';
import { type Store } from './file';
import { type Unreadable } from './rows';
import { setAsides } from './schema';

/** Tables whose records are read into pages, with the column that names one. */
const keyOf: Readonly<Record<string, string>> = {
  clients: 'id',
  facts: 'id',
  visits: 'id',
  looks: 'id',
  readings: 'id',
  judgements: 'id',
  plans: 'id',
  runs: 'id',
  run_events: 'run_id',
  visit_notes: 'visit_id',
  note_additions: 'id',
  appointments: 'id',
  waiting: 'id',
  next_notes: 'id',
  home_told: 'id',
  home_plans: 'visit_id',
  home_returns: 'id',
  lifts: 'id',
  own_breath: 'id',
  own_drills: 'id',
  templates: 'id',
  settings: 'key',
};
export const readableTables: readonly string[] = Object.keys(keyOf);

/**
 * A record as it lies in the file, every column as text: what is saved to a file of its own when nothing else can be made of it.
 * Null for one that is not there.
 */
export function rawRecord(store: Store, table: string, id: string): Record<string, unknown>[] | null {
  if (!Object.hasOwn(keyOf, table)) return null;
  const rows = store.$client.prepare(`select * from "${table}" where "${keyOf[table]!}" = ?`).all(id) as Record<
    string,
    unknown
  >[];
  if (rows.length === 0) return null;
  return rows.map((row) =>
    Object.fromEntries(
      Object.entries(row).map(([column, value]) => [column, Buffer.isBuffer(value) ? value.toString('hex') : value]),
    ),
  );
}

const keyed = ({ table, id }: Pick<Unreadable, 'table' | 'id'>) => `${table} ${id}`;

/** Those of the unreadable records that nobody has put aside, each once. */
export function notSetAside(store: Store, list: readonly Unreadable[]): Unreadable[] {
  if (list.length === 0) return [];
  const aside = new Set(
    store
      .select()
      .from(setAsides)
      .all()
      .map(({ table, recordId }) => keyed({ table, id: recordId })),
  );
  const each = new Map(list.map((one) => [keyed(one), one]));
  return [...each.values()].filter((one) => !aside.has(keyed(one)));
}

/** Records that were put aside, newest first. */
export const setAsideRecords = (store: Store): { table: string; recordId: string; at: string }[] =>
  store
    .select()
    .from(setAsides)
    .orderBy(sql`${setAsides.at} desc`)
    .limit(200)
    .all();
