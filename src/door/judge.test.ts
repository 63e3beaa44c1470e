import { contentSecurityPolicy } from './headers';
import { isLoopback, judge, ownHosts } from './judge';

const hosts = ownHosts(3000);
const ask = (url: string, { host = '127.0.0.1:3000', method = 'GET', more = [] as string[] } = {}) =>
  judge({ method, url, rawHeaders: ['Host', host, ...more] }, hosts)?.status ?? 200;

test.each(['127.0.0.1:3000', 'localhost:3000', 'LOCALHOST:3000', '[::1]:3000'])(
  '%s is this machine’s own name',
  (host) => {
    expect(ask('/', { host })).toBe(200);
  },
);

test.each([
  'elsewhere.example',
  'elsewhere.example:3000',
  // A name that was made to lead here.
  '127.0.0.1.elsewhere.example:3000',
  'localhost:3000.elsewhere.example',
  '127.0.0.1:3001',
  '127.0.0.1',
  '192.168.0.7:3000',
  '',
])('%j is not, on whatever is asked', (host) => {
  for (const url of ['/', '/api/commands', '/_next/static/chunks/a.js', '/api/photos/x', '/clients/x/track']) {
    expect(ask(url, { host })).toBe(403);
  }
});

test('a request without a host, or with two, says nothing', () => {
  expect(judge({ method: 'GET', url: '/', rawHeaders: [] }, hosts)?.status).toBe(400);
  expect(ask('/', { more: ['host', 'elsewhere.example'] })).toBe(400);
});

test.each([
  ['/clients?find=a&find=b', 400],
  ['/clients?find=a&%66ind=b', 400],
  ['/clients?find=%', 400],
  ['/clients?find=%E0%A4%A', 400],
  ['/clients?find=%00', 400],
  ['/clients?a=1?b=2', 400],
  ['/clients/%E0%A4%A/screen', 400],
  ['/clients/%2e%2e/%2e%2e/etc', 400],
  ['/clients/a%2Fb', 400],
  ['/clients/a%5Cb', 400],
  ['/clients/a%00b', 400],
  ['/clients//x', 400],
  ['/../etc/passwd', 400],
  ['http://elsewhere.example/', 400],
  ['*', 400],
  [`/clients?find=${'x'.repeat(3000)}`, 414],
  ['/_next/image?url=%2Fapi%2Fphotos%2Fa&w=640&q=75', 404],
  ['/clients?find=Ilse%20M%C3%BCller', 200],
  ['/clients?find=a+b&_rsc=1abc', 200],
  ['/clients?find=100%25', 200],
  ['/', 200],
] as const)('%s is answered %d', (url, status) => {
  expect(ask(url)).toBe(status);
});

test('only the one place is written to', () => {
  expect(ask('/api/commands', { method: 'POST' })).toBe(200);
  expect(ask('/api/copies', { method: 'POST' })).toBe(200);
  expect(ask('/api/clients', { method: 'POST' })).toBe(405);
  expect(ask('/', { method: 'POST' })).toBe(405);
  expect(ask('/api/commands', { method: 'DELETE' })).toBe(405);
  expect(ask('/api/runs/x', { method: 'PUT' })).toBe(405);
  expect(ask('/', { method: 'HEAD' })).toBe(200);
});

test('only this machine can be listened on', () => {
  expect(['127.0.0.1', 'localhost', '::1', '127.0.0.2'].every(isLoopback)).toBe(true);
  expect(['0.0.0.0', '::', '192.168.0.7', 'studio.local', '', '127.0.0.1.elsewhere.example'].some(isLoopback)).toBe(
    false,
  );
});

test('a script runs only with this request’s word', () => {
  const policy = contentSecurityPolicy('word');
  const scripts = policy.split('; ').find((rule) => rule.startsWith('script-src'));
  expect(scripts).toBe("script-src 'self' 'nonce-word'");
  expect(policy).not.toMatch(/https?:|\*|script-src[^;]*unsafe/);
});
