import { request } from '@playwright/test';
import { testServer } from '../e2e/support/server';
import { planItem, seedPlan } from '../e2e/support/walk';
import { firstLoadKb, mostKb } from '../scripts/firstLoad';
import { report } from './report';

/** Pages, and what each made a browser load before anybody weighed it, in kB as sent. */
const pages: readonly (readonly [page: string, was: number])[] = [
  ['/clients/new', 325],
  ['/client-window', 325],
  ['/', 397],
  ['/week', 417],
  ['/clients', 324],
  ['/settings', 373],
  ['/catalogue', 340],
  ['/clients/ID/screen', 386],
  ['/clients/ID/look', 374],
  ['/clients/ID/read', 359],
  ['/clients/ID/sequence', 393],
  ['/clients/ID/coach', 412],
  ['/clients/ID/track', 405],
];

/** What a browser loads before each kind of page works; every page there is is held to its limit in the browser tests. */
export async function firstLoad() {
  const server = testServer(4396);
  await server.start();
  const asking = await request.newContext();
  const clientId = await seedPlan({ request: asking }, server.url, 'Ada Quay', [planItem('quiet-nose', {})]);
  for (const [page, was] of pages) {
    const kb = firstLoadKb(await (await asking.get(server.url + page.replace('ID', clientId))).text());
    report(`first load of ${page}`, `${kb.toFixed(0)} kB`, `under ${mostKb(page)} kB`, kb < mostKb(page), `${was} kB`);
  }
  await asking.dispose();
  await server.close();
}
