import { join } from 'node:path';
import Database from 'better-sqlite3';
import { v7 as uuid } from 'uuid';
import { type CommandKind, type Payload, dayIn } from '@/core/record';
import { type PlanItem } from '@/core/sequence';
import { type Store, carryOut, openStore, planOf, readSettings } from '@/store';
import { loadDemo } from '../demo/load';
import { people } from '../demo/people';

/** How large a made-up studio is. */
export interface Size {
  clients: number;
  visits: number;
  /** Events a run; a run lies in every visit. */
  events: number;
}

/** Bookings of today, each with a visit, a plan and a run that is open: the busiest day there is. */
const booked = 12;

/**
 * Fills a studio: some people with all their visits as a coach would record them, then copies of them under other names and ids,
 * then today's bookings. Copies are made by the file itself, since a million events one by one would take an hour.
 *
 * @returns ids of the booked clients and of their open runs
 */
export function fillStudio(
  dataDir: string,
  { clients, visits, events }: Size,
): { clientIds: string[]; runIds: string[] } {
  const store = openStore(join(dataDir, 'studio.db'));
  const db = store.$client;
  db.pragma('synchronous = OFF');
  const templates = people.slice(0, Math.min(people.length, clients)).map((person, i) => ({
    ...person,
    name: `${person.name} ${i}`,
    // Weeks are told as of today; years of visits would begin before the pregnancy did.
    yes: Object.fromEntries(Object.entries(person.yes).filter(([, detail]) => detail?.weekOnDay === undefined)),
    visits: Array.from({ length: visits }, (_, v) => ({
      ...person.visits[v % Math.max(1, person.visits.length)]!,
      daysAgo: 2 + v * 5,
    })).filter(({ quiet }) => quiet !== undefined),
  }));
  loadDemo(store, Date.now(), templates);
  db.prepare('delete from appointments').run();
  thinEvents(store, events);
  copies(store, clients);
  db.exec('analyze');
  const made = today(store);
  db.close();
  return made;
}

/** Leaves so many events a run, its first ones and the end; where there are fewer, its breaths come again and again. */
function thinEvents(store: Store, events: number) {
  const db = store.$client;
  db.prepare(
    `delete from run_events where seq >= ? and seq < (select max(seq) from run_events e where e.run_id = run_events.run_id)`,
  ).run(events - 1);
  for (let again = 1; again * 30 + 40 < events; again += 1) {
    db.prepare(
      `insert into run_events select run_id, seq + ?, id, at_epoch_ms, type, event from run_events where type = 'breath' and seq < 30`,
    ).run(again * 1000);
  }
  db.prepare('delete from run_summaries').run();
}

/** Events in a studio's file. */
export const eventsIn = (dataDir: string): number => {
  const db = new Database(join(dataDir, 'studio.db'), { readonly: true });
  const { n } = db.prepare('select count(*) as n from run_events').get() as { n: number };
  db.close();
  return n;
};

/** Tables of a client's, in the order in which they refer to each other, with the columns that are ids. */
const copied: readonly [table: string, ids: readonly string[]][] = [
  ['facts', ['id', 'client_id']],
  ['visits', ['id', 'client_id']],
  ['looks', ['id', 'visit_id']],
  ['readings', ['id', 'visit_id']],
  ['plans', ['id', 'visit_id']],
  ['runs', ['id', 'visit_id']],
  ['run_events', ['run_id']],
  ['visit_notes', ['visit_id']],
];

function copies(store: Store, clients: number) {
  const db = store.$client;
  const columns = (table: string) =>
    (db.prepare(`pragma table_info("${table}")`).all() as { name: string }[]).map(({ name }) => name);
  const have = (db.prepare('select count(*) as n from clients').get() as { n: number }).n;
  const rounds = Math.ceil(clients / have) - 1;
  for (const table of ['clients', ...copied.map(([name]) => name)])
    db.exec(`create temp table t_${table} as select * from ${table}`);
  const fresh = (n: number, column: string) => `printf('%08x', ${n}) || substr("${column}", 9)`;
  for (let n = 1; n <= rounds; n += 1) {
    db.transaction(() => {
      db.exec(
        `insert into clients (id, name, created_at) select ${fresh(n, 'id')}, name || ' ' || ${n}, created_at from t_clients`,
      );
      for (const [table, ids] of copied) {
        const list = columns(table).map((column) => (ids.includes(column) ? fresh(n, column) : `"${column}"`));
        db.exec(`insert into ${table} select ${list.join(', ')} from t_${table}`);
      }
    })();
  }
  // Each visit was some twenty commands, and each left its word that it was taken in.
  const visits = (db.prepare('select count(*) as n from visits').get() as { n: number }).n;
  db.exec(
    `with recursive c(n) as (select 1 union all select n + 1 from c where n < ${visits * 20}) insert into taken (id, at_epoch_ms) select randomblob(16), 1760000000000 + n from c`,
  );
  // And in the trail; what it is chained by is made up here.
  db.exec(
    `with recursive c(n) as (select 1 union all select n + 1 from c where n < ${visits * 20}) insert into trail (seq, at, what, client_id, chain) select (select coalesce(max(seq), 0) from trail) + n, '2026-01-01T10:00:00.000Z', 'recorded: an answer', (select id from clients where rowid = 1 + (n / 20) % 2000), hex(randomblob(32)) from c`,
  );
}

/** Today's bookings. */
function today(store: Store): { clientIds: string[]; runIds: string[] } {
  const db = store.$client;
  const now = Date.now();
  const { timeZone } = readSettings(store);
  const record = <K extends CommandKind>(kind: K, payload: Payload<K>) => {
    const outcome = carryOut(store, { id: uuid(), kind, payload }, now);
    if (outcome.state === 'refused') throw new Error(`${kind}: ${outcome.why}`);
  };
  const rows = db
    .prepare(
      `select v.client_id as clientId, p.visit_id as visitId from plans p join visits v on v.id = p.visit_id
       group by v.client_id having max(v.started_at) limit 60`,
    )
    .all() as { clientId: string; visitId: string }[];
  const clientIds: string[] = [];
  const runIds: string[] = [];
  for (const { clientId, visitId: earlier } of rows) {
    if (clientIds.length === booked) break;
    const [visitId, runId] = [uuid(), uuid()];
    try {
      record('visit.start', { visitId, clientId });
      for (const key of ['emergency', 'redFlags'] as const) {
        record('fact.add', { factId: uuid(), clientId, key, value: { present: [] }, basedOn: null });
      }
      copyLooks(store, earlier, visitId);
      const plan = planOf(store, earlier)!.plan;
      record('plan.save', { planId: uuid(), visitId, plan, revision: 0 });
      const items: PlanItem[] = plan.items;
      record('run.create', { runId, visitId, items });
    } catch {
      // Somebody who may not be coached today is not booked.
      continue;
    }
    const list = Array.from({ length: 120 }, (_, seq) => ({
      id: uuid(),
      seq,
      atEpochMs: now - (120 - seq) * 1000,
      event:
        seq === 0 ? ({ type: 'start' } as const) : ({ type: 'breath', item: 0, set: 1, breath: seq % 20 } as const),
    }));
    record('run.append', { runId, events: list });
    const hour = String(8 + clientIds.length).padStart(2, '0');
    const startsAt = `${dayIn(now, timeZone)}T${hour}:00:00.000Z`;
    record('appointment.add', { appointmentId: uuid(), clientId, startsAt, minutes: 45, note: '', seriesId: null });
    clientIds.push(clientId);
    runIds.push(runId);
  }
  return { clientIds, runIds };
}

function copyLooks(store: Store, from: string, to: string) {
  store.$client
    .prepare(
      `insert into looks select lower(hex(randomblob(4))) || substr(id, 9), ?, protocol, version, moment, taken_at, raw, revision, retracted_at from looks where visit_id = ?`,
    )
    .run(to, from);
  store.$client
    .prepare(
      `insert into readings select lower(hex(randomblob(4))) || substr(id, 9), ?, at, value from readings where visit_id = ?`,
    )
    .run(to, from);
}
