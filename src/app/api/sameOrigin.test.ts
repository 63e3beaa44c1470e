import { isSameOrigin } from './sameOrigin';

const from = (headers: Record<string, string>) => new Request('http://127.0.0.1:3000/api/commands', { headers });

test.each([
  [{ 'sec-fetch-site': 'same-origin' }, true],
  [{ 'sec-fetch-site': 'none' }, true],
  [{ 'sec-fetch-site': 'cross-site' }, false],
  [{ 'sec-fetch-site': 'same-site' }, false],
  [{}, true],
] as const)('%j may write: %s', (headers, may) => {
  expect(isSameOrigin(from(headers))).toBe(may);
});

test('without the browser’s word the origin is held against the host', () => {
  const request = (origin: string) =>
    ({ headers: new Map([['origin', origin], ['host', '127.0.0.1:3000']]) }) as unknown as Request; // prettier-ignore
  expect(isSameOrigin(request('http://127.0.0.1:3000'))).toBe(true);
  expect(isSameOrigin(request('http://elsewhere.example'))).toBe(false);
});
