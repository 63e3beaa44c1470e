import { request } from '@playwright/test';
import { v7 as uuid } from 'uuid';
import { testServer } from '../e2e/support/server';
import { planCommands, planItem, seedClient } from '../e2e/support/walk';
import { firstLoadKb, mostKb } from '../scripts/firstLoad';
import { report } from './report';

/** Pages, and what each made a browser load before anybody weighed it, in kB as sent. */
const pages: readonly (readonly [page: string, was: number | null])[] = [
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
  // What it was before is not known. The tests give it a limit of its own.
  ['/run/[runId]', null],
];

/** Of any page, in kB. */
const wanted = 260;

/** What a browser loads before each kind of page works; every page there is is held to its limit in the browser tests. */
export async function firstLoad() {
  const server = testServer(4396);
  await server.start();
  const asking = await request.newContext();
  const items = [planItem('quiet-nose', {})];
  const runId = uuid();
  const clientId = await seedClient({ request: asking }, server.url, 'Ada Quay', (visitId) => [
    ...planCommands(visitId, items),
    { kind: 'run.create', payload: { runId, visitId, items } },
  ]);
  for (const [page, was] of pages) {
    const address = page.replace('[runId]', runId).replace('ID', clientId);
    const kb = firstLoadKb(await (await asking.get(server.url + address)).text());
    const most = Math.min(wanted, mostKb(page));
    report(
      `first load of ${page}`,
      `${kb.toFixed(0)} kB`,
      `under ${most} kB`,
      kb < most,
      was ? `${was} kB` : undefined,
    );
  }
  await asking.dispose();
  await server.close();
}
