import { request } from 'node:http';
import { connect } from 'node:net';
import sharp from 'sharp';
import { v7 as uuid } from 'uuid';
import { testServer } from '../e2e/support/server';
import { memoryOf } from '../scripts/memory';
import { type Row, newClient, pause, post, row } from './support';

const port = 4731;

/** Sends bytes as they are and gives the status that comes back, 0 when the line was cut. */
const raw = (bytes: string) =>
  new Promise<number>((resolve) => {
    const socket = connect(port, '127.0.0.1', () => socket.write(bytes));
    let got = '';
    socket.setTimeout(5000, () => socket.destroy());
    socket.on('data', (data) => {
      got += data.toString();
      socket.destroy();
    });
    socket.on('error', () => undefined);
    socket.on('close', () => resolve(Number(/^HTTP\/1\.1 (\d+)/.exec(got)?.[1] ?? 0)));
  });

const get = (path: string, headers: Record<string, string> = {}) => {
  const all = { Host: `127.0.0.1:${port}`, ...headers };
  const lines = Object.entries(all).map(([name, value]) => `${name}: ${value}`);
  return raw(`GET ${path} HTTP/1.1\r\n${lines.join('\r\n')}\r\nConnection: close\r\n\r\n`);
};

const write = (headers: Record<string, string>, body = JSON.stringify({ commands: [newClient('Mallory')] })) => {
  const all = { Host: `127.0.0.1:${port}`, 'Content-Type': 'application/json', ...headers };
  const lines = Object.entries(all).map(([name, value]) => `${name}: ${value}`);
  return raw(
    `POST /api/commands HTTP/1.1\r\n${lines.join('\r\n')}\r\nContent-Length: ${Buffer.byteLength(body)}\r\nConnection: close\r\n\r\n${body}`,
  );
};

/** Streams a body that never says how long it is. */
const flood = (megabytes: number) =>
  new Promise<number>((resolve) => {
    const asked = request(
      {
        host: '127.0.0.1',
        port,
        path: '/api/commands',
        method: 'POST',
        headers: { 'content-type': 'application/json', 'transfer-encoding': 'chunked' },
      },
      (response) => {
        response.resume();
        resolve(response.statusCode ?? 0);
        asked.destroy();
      },
    );
    asked.on('error', () => resolve(0));
    const chunk = Buffer.alloc(1_000_000, 'x');
    let sent = 0;
    const more = () => {
      if (asked.destroyed || sent >= megabytes) return void asked.end();
      sent += 1;
      if (asked.write(chunk)) setImmediate(more);
      else asked.once('drain', more);
    };
    more();
  });

const count = (statuses: readonly number[]) =>
  [...new Set(statuses)].map((status) => `${statuses.filter((one) => one === status).length} × ${status}`).join(', ');

export async function hostile(): Promise<Row[]> {
  const server = testServer(port);
  await server.start();
  const rows: Row[] = [];
  const all = (tried: string, statuses: number[], good: (status: number) => boolean) =>
    rows.push(row(tried, statuses.length, count(statuses), statuses.every(good)));
  try {
    const paths = [
      '/',
      '/clients',
      '/api/clients?find=a',
      '/api/alive',
      '/_next/static/x.js',
      `/clients/${uuid()}/track`,
      `/api/photos/${uuid()}`,
    ];
    const names = [
      'elsewhere.example',
      `elsewhere.example:${port}`,
      `127.0.0.1.elsewhere.example:${port}`,
      '192.168.0.7',
      `127.0.0.1:${port + 1}`,
    ];
    const foreign: number[] = [];
    for (const Host of names) for (const path of paths) foreign.push(await get(path, { Host }));
    all('another name for this machine, on every route', foreign, (status) => status === 403);

    const origins: number[] = [];
    for (const Origin of [
      'null',
      '',
      'garbage',
      'http://',
      'http://elsewhere.example',
      'file:///etc',
      '\u0000',
      'http://[',
      'x'.repeat(4000),
    ]) {
      origins.push(await write({ Origin: Origin.replace('\u0000', '%00') }));
    }
    for (const site of ['cross-site', 'same-site', 'garbage']) origins.push(await write({ 'Sec-Fetch-Site': site }));
    all('writes from another origin, or one that is none', origins, (status) => status === 403);

    const odd: number[] = [];
    for (const path of [
      '/clients?find=a&find=b',
      '/clients?find=%E0%A4%A',
      '/clients?find=%00',
      '/catalogue/compare?a=x&a=y&b=z',
      '/catalogue/own/new?from=a&from=b',
      '/clients/%E0%A4%A/screen',
      '/clients/%2e%2e%2f%2e%2e/etc',
      '/clients/a%00b/track',
      '/api/runs/not-an-id',
      '/api/photos/..%2f..%2fstudio.db',
      '/api/records/sqlite_master/x',
      '//elsewhere.example/',
      'http://elsewhere.example/',
      '/../../etc/passwd',
    ]) {
      odd.push(await get(path));
    }
    all('addresses that can’t be read', odd, (status) => status === 400);
    all(
      'a copy of a picture made smaller',
      [await get('/_next/image?url=%2Fapi%2Fphotos%2Fx&w=640&q=75')],
      (status) => status === 404,
    );

    const bodies: number[] = [];
    for (const body of [
      '',
      'null',
      '[]',
      '{',
      '{"commands":[]}',
      `{"commands":${JSON.stringify(Array(101).fill({}))}}`,
      '['.repeat(100_000),
      '\ud800',
    ]) {
      bodies.push(await write({}, body));
    }
    all('bodies that say nothing', bodies, (status) => status === 400);
    const nonsense = await post(server.url, [
      {
        id: uuid(),
        kind: 'client.create',
        payload: { clientId: '../../x', factId: '', name: '<script>alert(1)</script>' },
      },
      { id: uuid(), kind: '__proto__', payload: {} },
      { id: uuid(), kind: 'visit.end', payload: { visitId: uuid() } },
      { id: 'x', kind: 'visit.end', payload: {} },
    ]);
    const refused = nonsense?.outcomes.filter(({ state }) => state === 'refused').length ?? 0;
    rows.push(row('commands that are none', 4, `${refused} refused`, refused === 4));

    // Warm first: what a server takes for its first hundred pages is no leak.
    for (let n = 0; n < 30; n += 1) await (await fetch(server.url)).text();
    const before = memoryOf(server.pid()).resident;
    const floods: number[] = [];
    for (let n = 0; n < 3; n += 1) floods.push(await flood(200));
    const declared = await raw(
      `POST /api/commands HTTP/1.1\r\nHost: 127.0.0.1:${port}\r\nContent-Type: application/json\r\nContent-Length: 200000000\r\n\r\n{`,
    );
    const many = await Promise.all(Array.from({ length: 8 }, () => flood(40)));
    await pause(500);
    const grown = memoryOf(server.pid()).resident - before;
    all(
      'bodies of 200 MB without a length, one after the other and eight at once',
      [...floods, ...many, declared],
      (status) => status === 413 || status === 0,
    );
    rows.push(row('memory after them', 1, `${grown.toFixed(0)} MB more`, grown < 120));

    rows.push(...(await pictures(server.url)));
    const still = await post(server.url, [newClient('Still here')]);
    const page = await fetch(server.url);
    const scripts = /script-src ([^;]*)/.exec(page.headers.get('content-security-policy') ?? '')?.[1] ?? '';
    rows.push(
      row(
        'scripts a page may run',
        1,
        scripts.replace(/nonce-[^']+/, 'nonce-…'),
        scripts !== '' && !scripts.includes('unsafe'),
      ),
    );
    rows.push(
      row('the server after all of it', 1, still?.outcomes[0]?.state ?? 'gone', still?.outcomes[0]?.state === 'saved'),
    );
    return rows;
  } finally {
    await server.close();
  }
}

/** Pictures that unfold to far more than they are, that are none, and that belong to nobody. */
async function pictures(url: string): Promise<Row[]> {
  const client = newClient('Pictured');
  await post(url, [client]);
  const bomb = await sharp({ create: { width: 12_000, height: 12_000, channels: 3, background: '#fff' } })
    .png({ compressionLevel: 9 })
    .toBuffer();
  const send = (data: Buffer, clientId = String(client.payload.clientId)) =>
    post(url, [
      { id: uuid(), kind: 'photo.add', payload: { photoId: uuid(), clientId, data: data.toString('base64') } },
    ]);
  const small = await sharp({ create: { width: 40, height: 40, channels: 3, background: '#fff' } })
    .jpeg()
    .toBuffer();
  const tries = await Promise.all([
    ...Array.from({ length: 6 }, () => send(bomb)),
    send(Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>')),
    send(small.subarray(0, small.length / 2)),
    send(small, uuid()),
  ]);
  const refused = tries.filter((answer) => answer?.outcomes[0]?.state === 'refused').length;
  return [
    row(
      'pictures that are too large, broken, none or nobody’s',
      tries.length,
      `${refused} refused`,
      refused === tries.length,
    ),
  ];
}
