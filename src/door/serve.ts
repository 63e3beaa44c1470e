import { randomBytes } from 'node:crypto';
import { type IncomingMessage, type ServerResponse, createServer } from 'node:http';
import next from 'next';
import { contentSecurityPolicy, everywhere, notBelieved } from './headers';
import { isLoopback, judge, ownHosts } from './judge';

export interface Listening {
  port: number;
  host: string;
  dev: boolean;
  dir: string;
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
 * @returns ends it, once what is under way is done
 * @throws {Error} with one sentence when it would listen where others could reach it
 */
export async function serve({ port, host, dev, dir }: Listening): Promise<() => Promise<void>> {
  if (!isLoopback(host)) {
    throw new Error(
      `Kokyu keeps health notes and has no accounts yet: it listens on this machine only, not on ${host}. Leave HOST out, or use 127.0.0.1.`,
    );
  }
  // Whatever is written from here on is for the owner alone.
  process.umask(0o077);
  const app = next({ dev, dir, hostname: host, port });
  await app.prepare();
  const handle = app.getRequestHandler();
  const hosts = ownHosts(port);
  const server = createServer({ requestTimeout: 60_000, keepAliveTimeout }, (request, response) => {
    for (const [name, value] of Object.entries(everywhere)) response.setHeader(name, value);
    const { method = '', url = '', rawHeaders } = request;
    const turned = judge({ method, url, rawHeaders }, hosts);
    if (turned) return turnAway(response, turned);
    admit(request, response, dev);
    void handle(request, response).catch((error: unknown) => {
      console.error(error);
      if (!response.headersSent) turnAway(response, { status: 500, why: 'The server failed on this.' });
      else response.destroy();
    });
  });
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, host, resolve);
  });
  // The framework opens the studio with its first answer: what is wrong with it is said before the address is.
  await fetch(`http://${host}:${port}/api/alive`).then((answer) => answer.text());
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

function admit(request: IncomingMessage, response: ServerResponse, dev: boolean) {
  for (const name of notBelieved) delete request.headers[name];
  const policy = contentSecurityPolicy(randomBytes(16).toString('base64'), dev);
  // The framework takes the word for its own scripts from the policy of the request.
  request.headers['content-security-policy'] = policy;
  response.setHeader('content-security-policy', policy);
}

function turnAway(response: ServerResponse, { status, why }: { status: number; why: string }) {
  response.writeHead(status, { 'content-type': 'application/json', 'cache-control': 'no-store', connection: 'close' });
  response.end(JSON.stringify({ why }));
}
