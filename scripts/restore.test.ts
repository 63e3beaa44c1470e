import { spawnSync } from 'node:child_process';
import { cpSync, mkdirSync, rmSync } from 'node:fs';
import { basename, join } from 'node:path';
import { backup, openStore, seal, setSeal } from '@/store';
import { scratchFolder } from './scratch';

const folder = scratchFolder('restored');
afterAll(() => rmSync(folder, { recursive: true, force: true }));

test('a locked copy, carried to a machine where there is no studio yet, is put back there', async () => {
  const path = join(folder, 'here', 'studio.db');
  mkdirSync(folder, { recursive: true });
  const store = openStore(path);
  store.$client
    .prepare(`insert into clients (id, name, created_at) values ('one', 'One', '2026-01-01T00:00:00.000Z')`)
    .run();
  store.$client.close();
  const copy = backup(path, Date.parse('2026-11-27T10:00:00Z'));
  await setSeal(path, 'lock keeper of the weir', 1);
  await seal(path, copy.folder);
  const carried = join(folder, 'carried', basename(copy.folder));
  cpSync(copy.folder, carried, { recursive: true });
  const there = join(folder, 'there', 'data');
  const { status, stderr } = spawnSync(process.execPath, ['scripts/run.mjs', 'scripts/restore.ts', carried], {
    env: {
      ...process.env,
      KOKYU_DATA: there,
      KOKYU_STUDIO: 'own',
      KOKYU_PASSPHRASE: 'lock keeper of the weir',
      NODE_OPTIONS: '',
    },
    encoding: 'utf8',
  });
  expect([status, stderr]).toEqual([0, '']);
  const back = openStore(join(there, 'studio.db'));
  expect(back.$client.prepare('select name from clients').all()).toEqual([{ name: 'One' }]);
  back.$client.close();
});
