import { keepCopies } from './copies';
import { isLoopback } from './judge';
import { serve } from './serve';
import { hostname } from 'node:os';
import { resolve } from 'node:path';

/**
 * Starts the server and ends it in order: on a signal what is under way is finished, then the studio is closed, so that its file alone
 * holds everything.
 */
export async function main(dir: string, { dev = false } = {}) {
  const port = Number(process.env.PORT ?? 3000);
  const host = process.env.HOST ?? '127.0.0.1';
  try {
    const stop = await serve({ port, host, dev, dir, dataDir: resolve(dir, process.env.KOKYU_DATA ?? 'data') });
    const stopCopies = keepCopies(dir);
    let stopping = false;
    for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) {
      process.on(signal, () => {
        if (stopping) return;
        stopping = true;
        stopCopies();
        void stop().then(() => process.exit(0));
      });
    }
    const where = isLoopback(host) ? `http://${host}` : `https://${host === '0.0.0.0' ? hostname() : host}`;
    console.log(`Kokyu is at ${where}:${port}`);
  } catch (error) {
    const { code, message } = error as { code?: string; message: string };
    console.error(code === 'EADDRINUSE' ? `Port ${port} is taken. Set PORT to another one.` : message);
    process.exit(1);
  }
}
