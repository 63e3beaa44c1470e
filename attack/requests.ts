import { readFileSync, readdirSync } from 'node:fs';
import { join, sep } from 'node:path';
import Database from 'better-sqlite3';
import type * as z from 'zod/mini';
import { v7 as uuid } from 'uuid';
import { accessAskNames } from '@/core/access';
import { pairedMessageSchema, remotePressSchema } from '@/core/coach';
import { generator } from '@/core/fixtures/generate';
import { chanceFrom } from '@/core/numbers';
import { commandKinds, commandSchemas } from '@/core/record';
import { testServer } from '../e2e/support/server';
import { type Row, fileOf, isWhole, newClient, post, row } from './support';

/** Every place there is, as the app’s folders say: a new one is asked for without being named here. */
function placesIn(folder: string): { path: string; isApi: boolean; takes: boolean }[] {
  return readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((name) => /(^|[\\/])(page\.tsx|route\.ts)$/.test(name))
    .map((name) => {
      const parts = name.split(sep).slice(0, -1);
      return {
        path: `/${parts.filter((part) => !part.startsWith('(')).join('/')}`,
        isApi: parts[0] === 'api',
        takes: /function POST/.test(readFileSync(join(folder, name), 'utf8')),
      };
    });
}

/** What does something to the machine besides the studio, or takes half a second of work for each try: tried on purpose elsewhere. */
const leftAlone = [
  '/api/copies',
  '/api/studio/second',
  '/api/studio/seal',
  '/api/studio/restore',
  '/api/studio/export',
];
const slowAsks = ['setUp', 'signIn', 'unlock', 'recover', 'change', 'newCode', 'addCoach', 'signOut', 'lock'];

const junk = [
  '',
  ' ',
  '0',
  '-1',
  'null',
  'undefined',
  'NaN',
  '1e999',
  '[object Object]',
  '__proto__',
  'constructor',
  "' or 1=1 --",
  '<script>alert(1)</script>',
  '%',
  '{{7*7}}',
  '\u202eabc',
  '2026-13-45',
  '9999-12-31',
  '😀'.repeat(30),
  'x'.repeat(400),
];

/** What tells of the inside: a stack, a path, a query. */
const inside =
  /\bat [\w.<>]+ \(|node_modules|SQLITE|SqliteError|better-sqlite3|ZodError|\/src\/|\.tsx?:\d|TypeError|ReferenceError/;

/**
 * Requests by chance, at every place there is: with ids that are there and with none, with bodies within their schemas, beside them and
 * none at all, signed in and not. None may end in a failure of the server, and no answer may tell of its inside.
 */
export async function requests(times: number): Promise<Row[]> {
  const server = testServer(4751, 'demo');
  const chance = chanceFrom(2026);
  const random = chance.part;
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const places = placesIn(join('src', 'app'));
  const takers = places.filter(({ path, takes }) => takes && !leftAlone.includes(path));
  const payloads = commandKinds.map(
    (kind) => [kind, generator(commandSchemas[kind] as z.ZodMiniType, random)] as const,
  );
  const told = generator(pairedMessageSchema, random);
  const pressed = generator(remotePressSchema, random);
  try {
    await server.start();
    const db = new Database(fileOf(server).replace('studio.db', 'demo.db'), { readonly: true });
    const ids = ['clients', 'visits', 'runs', 'plans', 'appointments', 'photos', 'own_drills'].flatMap((table) =>
      (db.prepare(`select id from ${table} limit 30`).all() as { id: unknown }[]).map(({ id }) => String(id)),
    );
    db.close();
    const anId = () => (random() < 0.7 ? pick(ids) : random() < 0.5 ? uuid() : pick(junk));
    /** A value as it was made, with ids of this studio in the place of some of its own. */
    const withIds = (value: unknown, name = ''): unknown => {
      if (Array.isArray(value)) return value.map((one) => withIds(one));
      if (value && typeof value === 'object') {
        return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, withIds(one, key)]));
      }
      if (random() < 0.03) return pick<unknown>([null, -1, '', [], {}, 1e308, junk[13]]);
      return typeof value === 'string' && /(^i|I)ds?$/.test(name) && random() < 0.8 ? pick(ids) : value;
    };
    const bodyFor = (path: string): unknown => {
      if (random() < 0.1) return pick<unknown>([null, [], '', 7, { commands: {} }, { ask: 'x' }]);
      if (path === '/api/commands') {
        const commands = Array.from({ length: 1 + Math.floor(random() * 3) }, () => {
          const [kind, make] = pick(payloads);
          return { id: random() < 0.95 ? uuid() : pick(junk), kind, payload: withIds(make()) };
        });
        return { commands };
      }
      if (path === '/api/access') {
        const ask = pick(accessAskNames.filter((name) => !slowAsks.includes(name)));
        return {
          ask,
          clientId: anId(),
          visitId: anId(),
          runId: anId(),
          coachId: anId(),
          pairId: null,
          kind: pick(['screen', 'remote', 'x']),
        };
      }
      if (path === '/api/paired/tell') return withIds(told());
      if (path === '/api/paired/press') return withIds(pressed());
      return {
        code: pick(junk),
        word: pick(junk),
        id: anId(),
        fromFile: pick<unknown>(['all', [], 'x']),
        list: pick(junk),
      };
    };
    const query = () =>
      random() < 0.4
        ? `?${pick(['find', 'of', 'as', 'run', 'a', 'b', 'from', 'to', 'day', 'table', 'side', 'x'])}=${encodeURIComponent(random() < 0.5 ? pick(junk) : anId())}`
        : '';

    const statuses = new Map<number, number>();
    const failed: string[] = [];
    const telling: string[] = [];
    let cookie: string | null = null;
    const one = async () => {
      const { path, isApi, takes } = random() < 0.4 ? pick(takers) : pick(places);
      const url = path.replace(/\[\w+\]/g, () => encodeURIComponent(anId()) || 'x') + query();
      const writes = !leftAlone.includes(path) && random() < (takes ? 0.95 : 0.03);
      const method = writes ? 'POST' : random() < 0.05 ? pick(['HEAD', 'PUT', 'DELETE', 'OPTIONS']) : 'GET';
      // A run that is followed answers for as long as it goes on.
      if (method === 'GET' && path === '/api/paired/heed') return;
      const headers: Record<string, string> = {};
      if (cookie && random() < 0.7) headers.cookie = cookie;
      else if (random() < 0.1)
        headers.cookie = `kokyu=${'x'.repeat(43)}; kokyu-remote=${pick(junk).replace(/[^\w]/g, '')}`;
      if (writes) headers['content-type'] = random() < 0.95 ? 'application/json' : 'text/plain';
      const said = writes ? JSON.stringify(bodyFor(path)) : null;
      const body = said && random() < 0.04 ? said.slice(0, Math.floor(said.length / 2)) : said;
      try {
        const response = await fetch(server.url + url, {
          method,
          headers,
          ...(body === null ? {} : { body }),
          redirect: 'manual',
          signal: AbortSignal.timeout(30_000),
        });
        const text = await response.text();
        statuses.set(response.status, (statuses.get(response.status) ?? 0) + 1);
        if (response.status >= 500)
          failed.push(`${method} ${url} ${response.status} ${text.slice(0, 80)} ${body?.slice(0, 160) ?? ''}`);
        if ((isApi || response.status >= 400) && inside.test(text))
          telling.push(`${method} ${url} ${inside.exec(text)![0]}`);
      } catch (error) {
        failed.push(`${method} ${url} ${error instanceof Error ? error.message : String(error)}`);
      }
    };
    const several = async (count: number) => {
      let left = count;
      await Promise.all(
        Array.from({ length: 6 }, async () => {
          while (left > 0) {
            left -= 1;
            await one();
          }
        }),
      );
    };
    await several(Math.floor(times / 2));
    const still = await post(server.url, [newClient('Still here')]);
    // The other half as its owner, and as strangers.
    const passphrase = 'heron lamp quiet barrow';
    const keyed = await fetch(`${server.url}/api/access`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ ask: 'setUp', name: 'Wren Addo', passphrase }),
    });
    cookie = keyed.headers.getSetCookie()[0]?.split(';')[0] ?? null;
    await several(Math.ceil(times / 2));
    const after = await fetch(`${server.url}/clients`, { headers: { cookie: cookie ?? '' } });
    await server.end();
    const whole = isWhole(fileOf(server).replace('studio.db', 'demo.db'));
    for (const line of [...failed, ...telling].slice(0, 12)) console.log(`  ${line}`);
    const counts = [...statuses].sort(([a], [b]) => a - b).map(([status, n]) => `${n} × ${status}`);
    return [
      row('requests by chance, at every place', times, counts.join(', '), failed.length === 0),
      row('answers that tell of the inside', times, String(telling.length), telling.length === 0),
      row(
        'the server and its file after them',
        1,
        `${still?.outcomes[0]?.state ?? 'gone'}, ${after.status}, file ${whole ? 'whole' : 'damaged'}`,
        still?.outcomes[0]?.state === 'saved' && after.status === 200 && whole,
      ),
    ];
  } finally {
    await server.close();
  }
}
