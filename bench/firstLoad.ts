import { gzipSync } from 'node:zlib';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { request } from '@playwright/test';
import { testServer } from '../e2e/support/server';
import { planItem, seedPlan } from '../e2e/support/walk';
import { report } from './report';

/** What a page may make a browser load before it works, in kB as sent, and what it did before anybody weighed it. */
const limits: readonly (readonly [page: string, mostKb: number, was: number])[] = [
  ['/clients/new', 180, 325],
  ['/client-window', 180, 325],
  ['/', 260, 397],
  ['/week', 260, 417],
  ['/clients', 260, 324],
  ['/settings', 260, 373],
  ['/catalogue', 260, 340],
  ['/clients/ID/screen', 260, 386],
  ['/clients/ID/look', 260, 374],
  ['/clients/ID/read', 260, 359],
  ['/clients/ID/sequence', 260, 393],
  ['/clients/ID/coach', 260, 412],
  ['/clients/ID/track', 260, 405],
];

/** The scripts of each kind of page, packed; the ones that only browsers of long ago load are left out. */
export async function firstLoad() {
  const server = testServer(4396);
  await server.start();
  const asking = await request.newContext();
  const clientId = await seedPlan({ request: asking }, server.url, 'Ada Quay', [planItem('quiet-nose', {})]);
  for (const [page, most, was] of limits) {
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
    report(`first load of ${page}`, `${kb} kB`, `under ${most} kB`, kb < most, `${was} kB`);
  }
  await asking.dispose();
  await server.close();
}
