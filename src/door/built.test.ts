import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { type AddressInfo } from 'node:net';
import { type IncomingHttpHeaders, createServer, request } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { builtFiles } from './built';

const script = 'const water = "high";\n'.repeat(200);
let outer = '';
let port = 0;
let server: ReturnType<typeof createServer>;

beforeAll(async () => {
  outer = mkdtempSync(join(tmpdir(), 'kokyu-built-'));
  const folder = join(outer, 'static');
  mkdirSync(join(folder, 'chunks'), { recursive: true });
  writeFileSync(join(folder, 'chunks', 'a b.js'), script);
  writeFileSync(join(folder, 'chunks', 'gone.js'), script);
  writeFileSync(join(folder, 'letters.woff2'), 'letters');
  writeFileSync(join(folder, 'notes.txt'), 'not for anybody');
  writeFileSync(join(outer, 'secret.js'), 'not for anybody');
  const give = builtFiles(folder);
  rmSync(join(folder, 'chunks', 'gone.js'));
  writeFileSync(join(folder, 'chunks', 'later.js'), 'not built with the others');
  server = createServer((asked, response) => {
    if (give(asked, response, asked.headers['x-far'] === 'yes')) return;
    response.writeHead(418);
    response.end('passed on');
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  port = (server.address() as AddressInfo).port;
});
afterAll(() => {
  server.close();
  rmSync(outer, { recursive: true });
});

interface Answer {
  status: number;
  headers: IncomingHttpHeaders;
  body: Buffer;
}

const ask = (path: string, { method = 'GET', headers = {} as Record<string, string> } = {}) =>
  new Promise<Answer>((resolve, reject) => {
    request({ host: '127.0.0.1', port, path, method, headers, agent: false }, (answer) => {
      const parts: Buffer[] = [];
      answer.on('data', (part: Buffer) => parts.push(part));
      answer.on('end', () =>
        resolve({ status: answer.statusCode!, headers: answer.headers, body: Buffer.concat(parts) }),
      );
    })
      .on('error', reject)
      .end();
  });

test('a script comes whole, as what it is, to be kept for good', async () => {
  for (let times = 0; times < 2; times += 1) {
    const { status, headers, body } = await ask('/_next/static/chunks/a%20b.js?dpl=1');
    expect([status, body.toString()]).toEqual([200, script]);
    expect(headers['content-type']).toMatch(/^text\/javascript/);
    expect(headers['cache-control']).toBe('public, max-age=31536000, immutable');
    expect(headers['content-encoding']).toBeUndefined();
    // Opened as a page it asks nobody else for anything.
    expect(headers['content-security-policy']).toMatch(/default-src 'none'/);
  }
});

test('of its head no body comes, and as many bytes are told of', async () => {
  const { headers, body } = await ask('/_next/static/chunks/a%20b.js', { method: 'HEAD' });
  expect([headers['content-length'], body.length]).toEqual([String(script.length), 0]);
});

test.each([
  ['gzip, deflate, br', 'gzip'],
  ['br;q=1.0, GZIP;q=0.5', 'gzip'],
  ['br, gzip;q=0', undefined],
  ['br, gzip;q=0.0', undefined],
  ['identity', undefined],
  ['notgzip', undefined],
  ['', undefined],
])('from another machine that takes %j it comes packed as %s', async (accepted, as) => {
  const headers = { 'x-far': 'yes', ...(accepted && { 'accept-encoding': accepted }) };
  const { headers: said, body } = await ask('/_next/static/chunks/a%20b.js', { headers });
  expect([said['content-encoding'], said.vary]).toEqual([as, 'accept-encoding']);
  expect(Number(said['content-length'])).toBe(body.length);
  expect((as ? gunzipSync(body) : body).toString()).toBe(script);
});

test('letters, which are packed already, and this machine get nothing packed', async () => {
  const gzip = { 'accept-encoding': 'gzip' };
  const letters = await ask('/_next/static/letters.woff2', { headers: { ...gzip, 'x-far': 'yes' } });
  expect([letters.headers['content-encoding'], letters.body.toString()]).toEqual([undefined, 'letters']);
  expect((await ask('/_next/static/chunks/a%20b.js', { headers: gzip })).headers['content-encoding']).toBeUndefined();
});

test.each([
  '/_next/static/../secret.js',
  '/_next/static/%2e%2e/secret.js',
  '/_next/static/chunks/..%2f..%2fsecret.js',
  '/_next/static/notes.txt',
  '/_next/static/chunks',
  '/_next/static/',
  '/_next/static/chunks/later.js',
  '/_next/static/chunks/gone.js',
  '/static/chunks/a%20b.js',
  '/_next/static',
])('%s is passed on', async (path) => {
  expect((await ask(path)).status).toBe(418);
});

test('what is sent is passed on too', async () => {
  expect((await ask('/_next/static/chunks/a%20b.js', { method: 'POST' })).status).toBe(418);
});
