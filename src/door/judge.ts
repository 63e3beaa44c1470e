/** What of a request decides whether it is let in. */
export interface Asked {
  method: string;
  /** As it was sent: path and query, undecoded. */
  url: string;
  /** Name and value by turns, as they were sent. */
  rawHeaders: readonly string[];
}

/** Why a request is turned away. */
export interface Turned {
  status: 400 | 401 | 403 | 404 | 405 | 414 | 423 | 503;
  why: string;
}

/** The names this machine has for itself, and nobody else's for it. */
const loopbackNames = ['127.0.0.1', 'localhost', '[::1]'] as const;

/** Whether a server that listens here can be reached from this machine only. */
export const isLoopback = (host: string): boolean => /^(127(\.\d{1,3}){3}|localhost|::1|\[::1\])$/.test(host);

/** The hosts a request may be addressed to: another name that leads here was made to lead here by somebody else. */
export const ownHosts = (port: number): string[] => withPort(loopbackNames, port, 80);

/** The same of a studio that others on the network reach, over TLS. */
export const hostsOf = (names: readonly string[], port: number): string[] => withPort(names, port, 443);

const withPort = (names: readonly string[], port: number, usual: number): string[] => [
  ...(port === usual ? names : []),
  ...names.map((name) => `${name}:${port}`),
];

const longest = 2000;

/** The places something can be done at: what is recorded, a copy of the studio, who may come in, how it goes at home, devices beside a run. */
const writable: readonly string[] = [
  '/api/commands',
  '/api/copies',
  '/api/access',
  '/api/check-in',
  '/api/paired/claim',
  '/api/paired/tell',
  '/api/paired/press',
  '/api/studio/export',
  '/api/studio/import',
  '/api/studio/import/apply',
  '/api/studio/list',
  '/api/studio/restore',
  '/api/studio/seal',
  '/api/studio/second',
];

/**
 * Whether a request may go on to the app, before anything of it is read.
 *
 * @param hosts {@link ownHosts} of the port that is listened on
 * @returns why it is turned away, or null
 * @example judge({ method: 'GET', url: '/', rawHeaders: ['host', 'elsewhere.example'] }, ownHosts(3000))?.status // 403
 */
export function judge({ method, url, rawHeaders }: Asked, hosts: readonly string[]): Turned | null {
  const named = rawHeaders.filter((_, i) => i % 2 === 1 && rawHeaders[i - 1]!.toLowerCase() === 'host');
  if (named.length !== 1) return { status: 400, why: 'A request names one host.' };
  if (!hosts.includes(named[0]!.toLowerCase())) {
    return { status: 403, why: 'This app answers only to this machine’s own name.' };
  }
  if (url.length > longest) return { status: 414, why: 'This address is too long.' };
  const [path = '', query = '', ...rest] = url.split('?');
  if (rest.length > 0 || !isPlainPath(path) || !isPlainQuery(query)) {
    return { status: 400, why: 'This address can’t be read.' };
  }
  // Made-smaller copies of pictures would lie in a cache that asks nobody.
  if (path.startsWith('/_next/image')) return { status: 404, why: 'No pictures are made here.' };
  if (method === 'GET' || method === 'HEAD') return null;
  return method === 'POST' && writable.includes(path)
    ? null
    : { status: 405, why: 'Nothing can be done this way here.' };
}

/** Control signs and what divides paths elsewhere: nothing of this app's own addresses has them. */

const strange = /[\u0000-\u001f\u007f\\]/;

function decoded(part: string): string | null {
  try {
    const text = decodeURIComponent(part);
    return strange.test(text) ? null : text;
  } catch {
    return null;
  }
}

function isPlainPath(path: string): boolean {
  if (!path.startsWith('/') || path.includes('//')) return false;
  return path.split('/').every((part) => {
    const text = decoded(part);
    return text !== null && text !== '.' && text !== '..' && !text.includes('/');
  });
}

/** Every part can be read, and each is said once: two of a name mean two things to two readers. */
function isPlainQuery(query: string): boolean {
  if (query === '') return true;
  const names = new Set<string>();
  for (const pair of query.split('&')) {
    const [name = '', ...value] = pair.split('=');
    const key = decoded(name.replaceAll('+', ' '));
    if (key === null || decoded(value.join('=').replaceAll('+', ' ')) === null || names.has(key)) return false;
    names.add(key);
  }
  return true;
}
