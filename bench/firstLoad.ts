import { gzipSync } from 'node:zlib';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { request } from '@playwright/test';
import { testServer } from '../e2e/support/server';
import { planItem, seedPlan } from '../e2e/support/walk';
import { report } from './report';

/** What a page may make a browser load before it works, in kB as sent. */
const limits: readonly (readonly [page: string, mostKb: number])[] = [
  ['/clients/new', 180],
  ['/client-window', 180],
  ['/', 260],
  ['/week', 260],
  ['/clients', 260],
  ['/settings', 260],
  ['/catalogue', 260],
  ...['screen', 'look', 'read', 'sequence', 'coach', 'track'].map((id) => [`/clients/ID/${id}`, 260] as const),
];

/** The scripts of each kind of page, packed; the ones that only browsers of long ago load are left out. */
export async function firstLoad() {
  const server = testServer(4396);
  await server.start();
  const asking = await request.newContext();
  const clientId = await seedPlan({ request: asking }, server.url, 'Ada Quay', [planItem('quiet-nose', {})]);
  for (const [page, most] of limits) {
    const html = await (await asking.get(server.url + page.replace('ID', clientId))).text();
    const scripts = [...html.matchAll(/<script\b([^>]*)>/g)]
      .map(([, attributes]) => attributes!)
      .filter((attributes) => !/nomodule/i.test(attributes))
      .flatMap((attributes) => /src="\/_next(\/static\/[^"?]+\.js)/.exec(attributes)?.[1] ?? []);
    const bytes = [...new Set(scripts)].reduce(
      (sum, script) => sum + gzipSync(readFileSync(join('.next', script))).length,
      0,
    );
    const kb = Math.round(bytes / 1000);
    report(`first load of ${page}`, `${kb} kB`, `under ${most} kB`, kb < most);
  }
  await asking.dispose();
  await server.close();
}
