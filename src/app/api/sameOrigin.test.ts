import { isSameOrigin } from './sameOrigin';

const host = '127.0.0.1:3000';
const from = (headers: Record<string, string>) =>
  ({ headers: new Headers({ host, ...headers }) }) as unknown as Request;

test.each([
  [{ 'sec-fetch-site': 'same-origin' }, true],
  [{ 'sec-fetch-site': 'none' }, true],
  [{ 'sec-fetch-site': 'cross-site' }, false],
  [{ 'sec-fetch-site': 'same-site' }, false],
  [{ 'sec-fetch-site': '' }, false],
  [{}, true],
  [{ origin: `http://${host}` }, true],
  [{ origin: 'http://elsewhere.example' }, false],
  // A browser that says where it comes from is believed on neither word alone.
  [{ 'sec-fetch-site': 'same-origin', origin: 'http://elsewhere.example' }, false],
  // A frame without an origin of its own, an empty one, and things that are no origin at all.
  [{ origin: 'null' }, false],
  [{ origin: '' }, false],
  [{ origin: 'garbage' }, false],
  [{ origin: 'http://' }, false],
  [{ origin: `file://${host}` }, false],
  [{ origin: `http://${host}.elsewhere.example` }, false],
] as const)('%j may write: %s', (headers, may) => {
  expect(isSameOrigin(from(headers))).toBe(may);
});
