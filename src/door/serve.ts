import { randomBytes } from 'node:crypto';
import { type IncomingMessage, type Server, type ServerResponse, createServer } from 'node:http';
import { type Server as SecureServer, createServer as createSecureServer } from 'node:https';
import { type AddressInfo } from 'node:net';
import { join } from 'node:path';
import next from 'next';
import { builtFiles } from './built';
import { contentSecurityPolicy, everywhere, notBelieved } from './headers';
import { hostsOf, isLoopback, judge, ownHosts } from './judge';
import { type Admitted, theKeeper } from './keeper';
import { plain, plainPage, plainPolicy } from './plainPage';

export interface Listening {
  port: number;
  host: string;
  dev: boolean;
  dir: string;
  /** Where the studio's own files lie; the certificate is kept beside them. */
  dataDir: string;
}

/**
 * How long a connection that nothing comes over stays open: as long as browsers keep theirs. Closed after Node's usual five seconds, a
 * press made just then would find it gone and have to be sent again.
 */
const keepAliveTimeout = 320_000;

/** How long requests under way may take to end once the server is asked to stop. */
const graceMs = 3000;

/**
 * Starts the app behind its door: every request, whatever it asks for, is judged before anything of it is read.
 *
 * On this machine's own address it speaks plainly; on any other only over TLS, and only once the studio has a passphrase.
 *
 * @returns ends it, once what is under way is done
 * @throws {Error} with one sentence when others could reach a studio without a passphrase
 */
export async function serve({ port, host, dev, dir, dataDir }: Listening): Promise<() => Promise<void>> {
  // Whatever is written from here on is for the owner alone.
  process.umask(0o077);
  const app = next({ dev, dir, hostname: host, port });
  const handle = app.getRequestHandler();
  const giveBuilt = dev ? null : builtFiles(join(dir, '.next', 'static'));
  const answerTo =
    (hosts: readonly string[], authority: string | null, elsewhere = '') =>
    (request: Request, response: Response) => {
      for (const [name, value] of Object.entries(everywhere)) response.setHeader(name, value);
      if (isSecure(request)) response.setHeader('strict-transport-security', 'max-age=31536000');
      const { method = '', url = '', rawHeaders } = request;
      const turned = judge({ method, url, rawHeaders }, hosts);
      if (turned) return turnAway(request, response, turned);
      if (authority && url === authorityPath) return giveAuthority(response, authority);
      const admitted = admit(request);
      if ('status' in admitted) return turnAway(request, response, admitted);
      if ('to' in admitted) return sendTo(response, admitted.to);
      // Only now: a studio that is open to its own machine alone gives others not even these.
      if (giveBuilt?.(request, response, isSecure(request))) return;
      if (url === waking && theKeeper()) return sayAwake(response);
      prepare(request, response, dev, elsewhere);
      const failed = (error: unknown) => {
        console.error(error);
        if (!response.headersSent) turnAway(request, response, { status: 500, why: 'The server failed on this.' });
        else response.destroy();
      };
      admitted.within(() => void handle(request, response).catch(failed));
    };
  // Whether it may be reached by others is for the studio to say: it is opened where only this machine can ask.
  const openStudio = async () => {
    await app.prepare();
    const waker = createServer(patience, (request, response) =>
      answerTo(ownHosts(portOf(waker)), null)(request, response),
    );
    const stopWaking = await listen(waker, 0, '127.0.0.1');
    await wake(portOf(waker));
    await stopWaking();
  };
  if (isLoopback(host)) {
    // Who asks meanwhile waits: told to come again, a browser would put those words in the place of the page it has.
    let begin!: () => void;
    const begun = new Promise<void>((resolve) => (begin = resolve));
    const answer = answerTo(ownHosts(port), null);
    const server = createServer(patience, (request, response) => void begun.then(() => answer(request, response)));
    const stop = await listen(server, port, host);
    await openStudio();
    begin();
    return stop;
  }
  await openStudio();
  if (!theKeeper()?.isKeyed()) {
    throw new Error(
      `Kokyu keeps health notes: it can be reached from other machines only once it has a passphrase. Start it without HOST, set one under Settings, Who may come in, and start it on ${host} again.`,
    );
  }
  const { elsewhereAs, identityFor, namesHere } = await import('./certificate');
  const given = [...splitNames(process.env.KOKYU_NAMES), ...(isAnyAddress(host) ? [] : [host])];
  const names = namesHere(given);
  const identity = await identityFor(join(dataDir, 'certificate'), names, Date.now(), givenFiles());
  const { authority, ...pair } = identity;
  const server = createSecureServer(
    { ...patience, ...pair, minVersion: 'TLSv1.2' },
    answerTo(hostsOf(names, port), authority, elsewhereAs(given, names, port)),
  );
  return listen(server, port, host);
}

type Request = IncomingMessage;
type Response = ServerResponse;

const patience = { requestTimeout: 60_000, keepAliveTimeout };

const portOf = (server: Server): number => (server.address() as AddressInfo).port;

const isAnyAddress = (host: string) => host === '0.0.0.0' || host === '::';
const splitNames = (names: string | undefined) =>
  (names ?? '')
    .split(',')
    .map((name) => name.trim())
    .filter(Boolean);
const isSecure = ({ socket }: Request) => 'encrypted' in socket;

function givenFiles(): { cert: string; key: string } | undefined {
  const { KOKYU_CERT: cert, KOKYU_KEY: key } = process.env;
  return cert && key ? { cert, key } : undefined;
}

async function listen(server: Server | SecureServer, port: number, host: string): Promise<() => Promise<void>> {
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, host, resolve);
  });
  return () =>
    new Promise((resolve) => {
      const late = setTimeout(() => server.closeAllConnections(), graceMs);
      server.close(() => {
        clearTimeout(late);
        resolve();
      });
      server.closeIdleConnections();
    });
}

/** The framework opens the studio with its first answer: what is wrong with it is said before the address is. */
const wake = (port: number) =>
  fetch(`http://127.0.0.1:${port}${waking}`, { headers: { connection: 'close' } }).then((answer) => answer.text());

/** What a tablet or a phone is given to trust: it holds nothing secret, and is the same for everybody. */
const authorityPath = '/kokyu.crt';

function giveAuthority(response: Response, authority: string) {
  response.writeHead(200, {
    'content-type': 'application/x-x509-ca-cert',
    'content-disposition': 'attachment; filename="kokyu.crt"',
  });
  response.end(authority);
}

/** The one place a studio is waited for in: it is opened with the first answer of this path, which says nothing of it. */
const waking = '/api/alive';

/** Asked before every drawing anew: once the studio is open, the door knows. */
function sayAwake(response: Response) {
  response.writeHead(200, { 'content-type': 'application/json', 'cache-control': 'no-store' });
  response.end('{"alive":true}');
}

/** Who asks, and whether they may: the app says. Until it can, nobody comes in. */
function admit(request: IncomingMessage): Admitted {
  const { method = '', url = '', headers, socket } = request;
  const [path = ''] = url.split('?');
  const keeper = theKeeper();
  if (!keeper) {
    return path === waking ? { within: (work) => work() } : { status: 503, why: 'Kokyu is starting. Try again.' };
  }
  return keeper.admit({
    method,
    path,
    byPage: headers.rsc === '1',
    cookie: headers.cookie,
    address: socket.remoteAddress ?? '',
    secure: isSecure(request),
  });
}

function sendTo(response: ServerResponse, place: string) {
  response.writeHead(303, { location: place, 'cache-control': 'no-store' });
  response.end();
}

function prepare(request: IncomingMessage, response: ServerResponse, dev: boolean, elsewhere: string) {
  for (const name of notBelieved) delete request.headers[name];
  // Said by the door alone: whatever was sent under these names is written over.
  request.headers['x-kokyu-from'] = request.socket.remoteAddress ?? '';
  request.headers['x-kokyu-secure'] = isSecure(request) ? 'yes' : 'no';
  request.headers['x-kokyu-elsewhere'] = elsewhere;
  const policy = contentSecurityPolicy(randomBytes(16).toString('base64'), dev);
  // The framework takes the word for its own scripts from the policy of the request.
  request.headers['content-security-policy'] = policy;
  response.setHeader('content-security-policy', policy);
}

/** In one sentence: on a page where one was asked for, else for the page that asked. */
function turnAway(request: Request, response: Response, { status, why }: { status: number; why: string }) {
  const say = (type: string, text: string) => {
    response.writeHead(status, { 'content-type': type, 'cache-control': 'no-store', connection: 'close' });
    response.end(text);
  };
  if (!request.headers.accept?.includes('text/html')) return say('application/json', JSON.stringify({ why }));
  const word = randomBytes(16).toString('base64');
  response.setHeader('content-security-policy', plainPolicy(word));
  const title = 'This page could not be shown';
  const body = `<h1>${title}.</h1><p>${plain(why)}</p><p><a href="/">Go to Today</a></p>`;
  say('text/html; charset=utf-8', plainPage(`${title} · Kokyu`, body, word));
}
