import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { copiesOf, openStore } from '@/store';

const folder = mkdtempSync(join(tmpdir(), 'kokyu-door-'));
const path = join(folder, 'studio.db');
const env = { ...process.env };
/** From the sources as they are: a build may be none, or an old one. */
const copier = ['scripts/run.mjs', 'scripts/backup.ts'];

beforeAll(() => openStore(path).$client.close());
afterAll(() => {
  process.env = env;
  rmSync(folder, { recursive: true, force: true });
});

const until = async (holds: () => boolean, seconds: number) => {
  for (let waited = 0; waited < seconds * 10 && !holds(); waited += 1) await new Promise((on) => setTimeout(on, 100));
  return holds();
};

test('a server that runs has its studio copied by a process of its own; one of the demo has not', async () => {
  process.env = { ...env, KOKYU_DATA: folder, KOKYU_COPY_AFTER: '0', KOKYU_STUDIO: 'demo' };
  const { keepCopies } = await import('../src/door/copies');
  keepCopies(process.cwd(), copier)();
  expect(copiesOf(path)).toEqual([]);
  process.env.KOKYU_STUDIO = 'own';
  const stop = keepCopies(process.cwd(), copier);
  const made = await until(() => copiesOf(path).length === 1, 25);
  stop();
  expect(made).toBe(true);
  expect(copiesOf(path)[0]).toMatchObject({ clients: 0, visits: 0, photos: 0 });
}, 30_000);
