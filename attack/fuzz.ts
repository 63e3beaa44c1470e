import { randomUUID } from 'node:crypto';
import Database from 'better-sqlite3';
import type * as z from 'zod/mini';
import { stampedEventSchema } from '@/core/coach';
import { protocolIds, rawSchemas } from '@/core/look';
import { chanceFrom } from '@/core/numbers';
import { dayIn, readingSchema } from '@/core/record';
import { factKeys, factSchemas } from '@/core/safety';
import { planSchema } from '@/core/sequence';
import { drillSchema } from '@/core/catalogue';
import { openStore } from '@/store';
import { generator } from '@/core/fixtures/generate';
import { loadDemo } from '../demo/load';
import { people } from '../demo/people';
import { testServer } from '../e2e/support/server';
import { damageCell } from './damage';
import { type Row, fileOf, row } from './support';

const stations = ['', '/screen', '/look', '/read', '/sequence', '/coach', '/track'];

/** Asks for every page there is and tells how they were answered. */
async function everyPage(url: string, path: string): Promise<{ asked: number; failed: string[]; leftOut: number }> {
  const db = new Database(path, { readonly: true });
  const ids = (table: string, most: number) =>
    (db.prepare(`select id from ${table} limit ${most}`).all() as { id: unknown }[]).map(({ id }) =>
      encodeURIComponent(String(id)).slice(0, 300),
    );
  const pages = [
    '/',
    '/group',
    '/clients',
    '/settings',
    '/own-breath',
    '/catalogue',
    ...ids('clients', 60).flatMap((id) => stations.map((station) => `/clients/${id}${station}`)),
    ...ids('runs', 60).flatMap((id) => [`/run/${id}`, `/api/runs/${id}`]),
    ...ids('own_drills', 10).map((id) => `/catalogue/${id}`),
  ];
  db.close();
  const failed: string[] = [];
  let leftOut = 0;
  for (const page of pages) {
    const response = await fetch(url + page);
    const text = await response.text();
    if (response.status >= 500) failed.push(`${page} ${response.status}`);
    leftOut += text.split('data-dgst').length - 1;
  }
  return { asked: pages.length, failed, leftOut };
}

/** Puts records into the file past every gate: each within its schema, and otherwise by chance. */
function fill(path: string, records: number) {
  const store = openStore(path);
  loadDemo(store, Date.now(), people);
  const db = store.$client;
  const random = chanceFrom(99).part;
  const now = new Date().toISOString();
  const day = dayIn(now, 'UTC');
  const clients = (db.prepare('select id from clients').all() as { id: string }[]).map(({ id }) => id);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const insert = (table: string, values: Record<string, unknown>) => {
    const columns = Object.keys(values);
    const marks = columns.map(() => '?').join(', ');
    db.prepare(`insert or ignore into ${table} (${columns.join(', ')}) values (${marks})`).run(
      ...Object.values(values),
    );
  };
  const json = (value: unknown) => JSON.stringify(value);
  const raws = protocolIds.map((id) => [id, generator(rawSchemas[id] as z.ZodMiniType, random)] as const);
  const facts = factKeys.map((key) => [key, generator(factSchemas[key] as z.ZodMiniType, random)] as const);
  const [reading, plan, event, drill] = [
    generator(readingSchema, random),
    generator(planSchema, random),
    generator(stampedEventSchema.shape.event, random),
    generator(drillSchema, random),
  ];
  const visits = clients.flatMap((clientId) => {
    const id = randomUUID();
    insert('visits', { id, client_id: clientId, started_at: now, day, zone: 'UTC' });
    for (const key of ['emergency', 'redFlags']) {
      insert('facts', {
        id: randomUUID(),
        client_id: clientId,
        key,
        value: json({ present: [] }),
        at: now,
        day,
        zone: 'UTC',
      });
    }
    insert('appointments', { id: randomUUID(), client_id: clientId, starts_at: now, minutes: 45, note: '' });
    return id;
  });
  const runs: string[] = [];
  const kinds: (() => void)[] = [
    () => {
      const [protocol, make] = pick(raws);
      const moment = pick(['before', 'after']);
      insert('looks', {
        id: randomUUID(),
        visit_id: pick(visits),
        protocol,
        version: 1,
        moment,
        taken_at: now,
        raw: json(make()),
        revision: 1,
      });
    },
    () => {
      const [key, make] = pick(facts);
      insert('facts', {
        id: randomUUID(),
        client_id: pick(clients),
        key,
        value: json(make() ?? null),
        at: now,
        day,
        zone: 'UTC',
      });
    },
    () => insert('readings', { id: randomUUID(), visit_id: pick(visits), at: now, value: json(reading()) }),
    () => {
      const value = plan();
      const visitId = pick(visits);
      insert('plans', { id: randomUUID(), visit_id: visitId, at: now, value: json(value), revision: 1 });
      if (!value || value.items.length === 0) return;
      const id = randomUUID();
      insert('runs', { id, visit_id: visitId, at: now, items: json(value.items) });
      runs.push(id);
    },
    () => {
      if (runs.length === 0) return;
      const value = event();
      const seq = Math.floor(random() * 60);
      if (value)
        insert('run_events', {
          run_id: pick(runs),
          seq,
          id: Buffer.from(randomUUID().replaceAll('-', ''), 'hex'),
          at_epoch_ms: 1_760_000_000_000 + seq * 1500,
          type: value.type,
          event: json(value),
        });
    },
    () => {
      const value = drill();
      if (value && random() < 0.03) insert('own_drills', { id: value.id, at: now, value: json(value), revision: 1 });
    },
  ];
  db.transaction(() => {
    for (let n = 0; n < records; n += 1) pick(kinds)();
  })();
  db.close();
}

function damage(path: string, cells: number) {
  const db = new Database(path);
  db.pragma('foreign_keys = OFF');
  const random = chanceFrom(7).part;
  // In portions: each changes the table it looks rows up in.
  db.transaction(() => {
    for (let n = 0; n < cells; n += 1) damageCell(db, random);
  })();
  db.close();
}

export async function fuzz(records: number, cells: number): Promise<Row[]> {
  const server = testServer(4741);
  const rows: Row[] = [];
  try {
    fill(fileOf(server), records);
    await server.start();
    const told = ({ asked, failed, leftOut }: Awaited<ReturnType<typeof everyPage>>) =>
      `${asked} pages, ${failed.length} failed${failed.length > 0 ? ` (${failed.slice(0, 3).join('; ')})` : ''}, ${leftOut} parts left out`;
    const within = await everyPage(server.url, fileOf(server));
    rows.push(row('records within the schemas, by chance', records, told(within), within.failed.length === 0));
    await server.end();
    damage(fileOf(server), cells);
    await server.start();
    const damaged = await everyPage(server.url, fileOf(server));
    rows.push(row('cells of the file damaged', cells, told(damaged), damaged.failed.length === 0));
    return rows;
  } finally {
    await server.close();
  }
}
