import { existsSync } from 'node:fs';
import { type Row, rowOut, tables } from './exchange/rows';
import { type Store } from './file';
import { fileOf } from './photos';

/** How the rows of a table belong to somebody: by their own id, by the visit or the run they are of; a `studio` table holds nobody's notes. */
export type Belongs = 'client' | 'visit' | 'run' | 'self' | 'studio';

/**
 * Every table of the studio's file and whose its rows are, once: what is given to a client who asks for all that is kept of them goes by it.
 * A test wants every table here. Sums that are worked out anew are nobody's record.
 */
export const belonging: Readonly<Record<string, Belongs>> = {
  clients: 'self',
  facts: 'client',
  visits: 'client',
  looks: 'visit',
  readings: 'visit',
  judgements: 'visit',
  photos: 'client',
  plans: 'visit',
  runs: 'run',
  run_events: 'run',
  run_members: 'client',
  run_summaries: 'studio',
  visit_notes: 'visit',
  note_additions: 'visit',
  own_breath: 'studio',
  appointments: 'client',
  waiting: 'client',
  next_notes: 'client',
  home_told: 'visit',
  home_plans: 'visit',
  home_returns: 'visit',
  lifts: 'visit',
  check_ins: 'visit',
  pairs: 'visit',
  own_drills: 'studio',
  templates: 'studio',
  settings: 'studio',
  taken: 'studio',
  set_asides: 'studio',
  coaches: 'studio',
  sessions: 'studio',
  care: 'studio',
  trail: 'client',
};

/** What stays when somebody is deleted: that something was done, when and by whom; their name was never in it. */
const stays: readonly string[] = ['trail'];

const where: Readonly<Record<Exclude<Belongs, 'studio' | 'run'>, string>> = {
  self: 'id = @id',
  client: 'client_id = @id',
  visit: 'visit_id in (select id from visits where client_id = @id)',
};

/** Runs somebody took part in: those of their own visits, and those of a group they were one of. */
const theirRuns =
  'select id from runs where visit_id in (select id from visits where client_id = @id) union select run_id from run_members where client_id = @id';

/** What happened in a run to everybody or to this person; what was marked of another of a group is theirs. */
const isOf = (clientId: string) => (row: Row) => {
  const { who } = (row.event ?? row.value ?? {}) as { who?: string };
  return who === undefined || who === clientId;
};

/** A group goes by one person's plan: why it was chosen and what their conditions made of it is theirs alone. */
const plain = (item: unknown) => {
  const { changes: _, reasons: __, forms: ___, ...rest } = item as Row;
  return rest;
};

/** The drill as all of them did it, without why it was chosen for one. */
const unexplained = (item: Row): Row => ({ ...item, changes: [], reasons: [] });

/** What of a group's run is another's: ids of who sits out, and what stands of the leader in the plan. */
function withoutOthers(row: Row, clientId: string, leads: boolean): Row {
  const event = row.event as { sitOut?: string[]; to?: unknown } | undefined;
  return {
    ...row,
    ...(Array.isArray(row.items) && !leads ? { items: (row.items as unknown[]).map(plain) } : {}),
    ...(event && {
      event: {
        ...event,
        ...(event.sitOut ? { sitOut: event.sitOut.filter((id) => id === clientId) } : {}),
        ...(event.to && !leads ? { to: plain(event.to) } : {}),
      },
    }),
  };
}

/**
 * Everything that is kept of a client, table by table, as it lies in the file; of a group's runs only what is theirs. What was taken back
 * is among it, since it is kept.
 */
export function everythingOf(store: Store, clientId: string): Record<string, Row[]> {
  const db = store.$client;
  const leading = new Set(
    (
      db.prepare('select id from runs where visit_id in (select id from visits where client_id = ?)').all(clientId) as {
        id: string;
      }[]
    ).map(({ id }) => id),
  );
  const all = (table: string, sql: string) =>
    (db.prepare(sql).all({ id: clientId }) as Row[]).map((row) => rowOut(tables.get(table)!, row));
  return Object.fromEntries(
    Object.entries(belonging).flatMap(([table, belongs]): [string, Row[]][] => {
      if (belongs === 'studio') return [];
      if (belongs !== 'run') return [[table, all(table, `select * from ${table} where ${where[belongs]}`)]];
      const key = table === 'runs' ? 'id' : 'run_id';
      const rows = all(table, `select * from ${table} where ${key} in (${theirRuns})`);
      return [
        [
          table,
          rows.filter(isOf(clientId)).map((row) => withoutOthers(row, clientId, leading.has(row[key] as string))),
        ],
      ];
    }),
  );
}

/** The pictures of a client that lie in the folder: id and where. */
export const picturesOf = (store: Store, clientId: string): { id: string; path: string }[] =>
  (store.$client.prepare('select id from photos where client_id = ?').all(clientId) as { id: string }[])
    .map(({ id }) => ({ id, path: fileOf(store, id) }))
    .filter(({ path }) => existsSync(path));

/**
 * Deletes everything that is kept of a client, for good: their rows, what was marked of them in groups, their pictures. A group's run
 * they led stays for the others, who have it in their own history. What remains is the trail, in which no name stands.
 *
 * @returns where their pictures lie: to be taken away once it is on the disk
 */
export function forget(store: Store, clientId: string): string[] {
  const db = store.$client;
  const run = (sql: string) => db.prepare(sql).run({ id: clientId });
  db.pragma('defer_foreign_keys = ON');
  const pictures = picturesOf(store, clientId);
  const theirs = 'select id from visits where client_id = @id';
  run(`delete from run_members where client_id = @id`);
  run(`delete from run_summaries where client_id = @id`);
  run(`delete from care where client_id = @id`);
  run(`delete from run_events where json_valid(event) and event ->> 'who' = @id`);
  const shared = `select id, items from runs where visit_id in (${theirs}) and id in (select run_id from run_members)`;
  for (const { id, items } of db.prepare(shared).all({ id: clientId }) as { id: string; items: string }[]) {
    const next = db.prepare('select visit_id from run_members where run_id = ? order by place limit 1').get(id) as {
      visit_id: string;
    };
    db.prepare('update runs set visit_id = ?, items = ? where id = ?').run(
      next.visit_id,
      JSON.stringify((JSON.parse(items) as Row[]).map(unexplained)),
      id,
    );
    const swaps = `select seq, event from run_events where run_id = ? and type = 'swap' and json_valid(event)`;
    for (const { seq, event } of db.prepare(swaps).all(id) as { seq: number; event: string }[]) {
      const swap = JSON.parse(event) as { to: Row };
      db.prepare('update run_events set event = ? where run_id = ? and seq = ?').run(
        JSON.stringify({ ...swap, to: unexplained(swap.to) }),
        id,
        seq,
      );
    }
  }
  const alone = `select id from runs where visit_id in (${theirs})`;
  for (const table of ['run_events', 'run_summaries', 'run_members'])
    run(`delete from ${table} where run_id in (${alone})`);
  run(`delete from runs where visit_id in (${theirs})`);
  for (const belongs of ['visit', 'client', 'self'] as const) {
    for (const [table, whose] of Object.entries(belonging)) {
      if (whose !== belongs || stays.includes(table) || table === 'visits') continue;
      if (belongs === 'self') run(`delete from visits where ${where.client}`);
      run(`delete from ${table} where ${where[belongs]}`);
    }
  }
  return pictures.map(({ path }) => path);
}
