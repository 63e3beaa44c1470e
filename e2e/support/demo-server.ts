import { spawnSync } from 'node:child_process';
import { copyFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { testServer } from './server';

/** One demo studio for all tests that only read it. */
export default async function globalSetup() {
  const server = testServer(Number(process.env.KOKYU_TEST_PORT ?? 4310), 'demo');
  load(server.dataDir);
  await server.start();
  return server.close;
}

/** Loading it takes seconds: `npm test` has done it already. */
function load(folder: string) {
  const loaded = process.env.KOKYU_DEMO;
  if (loaded) return copyFileSync(loaded, join(folder, basename(loaded)));
  const { status } = spawnSync(process.execPath, ['node_modules/tsx/dist/cli.mjs', 'demo/load.ts'], {
    stdio: 'inherit',
    env: { ...process.env, KOKYU_DATA: folder, TZ: 'Europe/London' },
  });
  if (status !== 0) throw new Error('The demo could not be loaded.');
}
