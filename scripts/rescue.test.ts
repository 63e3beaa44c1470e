import { type ChildProcess, spawn } from 'node:child_process';
import { readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { mkdirSync, rmSync } from 'node:fs';
import { request } from 'node:http';
import { join } from 'node:path';
import { NotWhole, backup, openStore, seal, setSeal } from '@/store';
import { scratchFolder } from './scratch';

const port = 4381;
const url = `http://127.0.0.1:${port}`;
let folder: string;
let path: string;
let child: ChildProcess | null = null;

beforeEach(() => {
  folder = scratchFolder('rescue');
  mkdirSync(folder, { recursive: true });
  path = join(folder, 'studio.db');
  const store = openStore(path);
  const add = store.$client.prepare(
    `insert into clients (id, name, created_at) values (?, 'Tamsin Fenwreath', '2026-01-01T00:00:00.000Z')`,
  );
  store.$client.transaction(() => Array.from({ length: 400 }, (_, n) => add.run(`client ${n}`)))();
  store.$client.close();
});
afterEach(() => {
  child?.kill('SIGKILL');
  child = null;
  rmSync(folder, { recursive: true, force: true });
});

/** A disk that went bad in the middle of the file. */
function damage() {
  const bytes = readFileSync(path);
  bytes.fill(0x5a, 4096, Math.floor(bytes.length * 0.7));
  writeFileSync(path, bytes);
}

async function started(): Promise<{ ended: Promise<number | null>; said: () => string }> {
  let said = '';
  const own = spawn(process.execPath, ['scripts/run.mjs', 'scripts/rescue.ts'], {
    env: { ...process.env, KOKYU_DATA: folder, KOKYU_STUDIO: 'own', PORT: String(port), NODE_OPTIONS: '' },
  });
  child = own;
  const ended = new Promise<number | null>((resolve) => own.once('exit', resolve));
  own.stderr.on('data', (data) => (said += String(data)));
  await Promise.race([
    ended,
    new Promise<void>((resolve) => own.stderr.on('data', () => said.includes('can be put in its place') && resolve())),
  ]);
  return { ended, said: () => said };
}
const wordOf = (html: string) => /name="word" value="([^"]+)"/.exec(html)![1]!;
const put = (fields: Record<string, string>, headers: Record<string, string> = {}) =>
  fetch(url, { method: 'POST', body: new URLSearchParams(fields), headers });
const clients = () => {
  const store = openStore(path);
  const { n } = store.$client.prepare('select count(*) as n from clients').get() as { n: number };
  store.$client.close();
  return n;
};

test('a damaged file is told of when it is opened, though it was closed in order', () => {
  damage();
  expect(() => openStore(path)).toThrow(NotWhole);
});

test('in its place a page offers the copies there are, the newest first, and puts one back; what lay there is kept', async () => {
  const copy = backup(path, Date.parse('2026-11-20T09:00:00Z'));
  damage();
  const { ended, said } = await started();
  expect(said()).toContain('400 clients');
  const asked = await fetch(url);
  const html = await asked.text();
  expect([asked.status, html.includes('is damaged') || html.includes('can&#39;t be opened')]).toEqual([503, true]);
  // Counts and days, and nobody by name; no script may run.
  expect(html).not.toContain('Tamsin');
  expect(asked.headers.get('content-security-policy')).toMatch(/^default-src 'none'/);
  const name = copy.folder.split('/').at(-1)!;
  expect((await put({ name })).status).toBe(403);
  expect((await put({ name, word: wordOf(html) }, { 'sec-fetch-site': 'cross-site' })).status).toBe(403);
  const elsewhere = await new Promise<number>((resolve) =>
    request({ host: '127.0.0.1', port, headers: { host: 'elsewhere.example' } }, ({ statusCode }) =>
      resolve(statusCode ?? 0),
    ).end(),
  );
  expect(elsewhere).toBe(403);
  expect(await (await put({ name: '../..', word: wordOf(html) })).text()).toContain('no longer there');
  const back = await put({ name, word: wordOf(html) });
  expect(await back.text()).toContain('400 clients are back');
  expect(await ended).toBe(0);
  expect(clients()).toBe(400);
  expect(readdirSync(folder).filter((one) => /\.replaced-[^.]*Z$/.test(one))).toHaveLength(1);
});

test('a locked copy asks for its passphrase, and a wrong one changes nothing', async () => {
  const copy = backup(path, Date.parse('2026-11-20T09:00:00Z'));
  await setSeal(path, 'lock keeper of the weir', 1);
  await seal(path, copy.folder);
  damage();
  const before = readFileSync(path);
  const { ended } = await started();
  const html = await (await fetch(url)).text();
  const fields = { name: copy.folder.split('/').at(-1)!, word: wordOf(html) };
  expect(await (await put({ ...fields, passphrase: 'lock keeper of the wier' })).text()).toContain(
    'This is not the passphrase',
  );
  expect(readFileSync(path).equals(before)).toBe(true);
  await put({ ...fields, passphrase: 'lock keeper of the weir' });
  expect(await ended).toBe(0);
  expect(clients()).toBe(400);
});

test('without a copy it says so and ends', async () => {
  damage();
  const { ended, said } = await started();
  expect(await ended).toBe(1);
  expect(said()).toContain('There are no copies');
});
