import { spawnSync } from 'node:child_process';
import { testServer } from './server';

/** One demo studio for all tests that only read it. */
export default async function globalSetup() {
  const server = testServer(Number(process.env.KOKYU_TEST_PORT ?? 4310), 'demo');
  const { status } = spawnSync(process.execPath, ['node_modules/tsx/dist/cli.mjs', 'demo/load.ts'], {
    stdio: 'inherit',
    env: { ...process.env, KOKYU_DATA: server.dataDir, TZ: 'Europe/London' },
  });
  if (status !== 0) throw new Error('The demo could not be loaded.');
  await server.start();
  return server.close;
}
