import { type ChildProcess, spawn } from 'node:child_process';
import { rmSync } from 'node:fs';
import { scratchFolder } from '../../scripts/scratch';

/** A production server of its own, on a data folder of its own, that a test may kill and start again. */
export interface TestServer {
  url: string;
  dataDir: string;
  start: () => Promise<void>;
  /** Ends it at once, without a chance to finish anything. */
  kill: () => Promise<void>;
  close: () => Promise<void>;
}

export function testServer(port: number, studio: 'own' | 'demo' = 'own'): TestServer {
  const dataDir = scratchFolder('test');
  const url = `http://127.0.0.1:${port}`;
  let child: ChildProcess | null = null;

  const kill = () =>
    new Promise<void>((resolve) => {
      if (!child || child.exitCode !== null) return resolve();
      child.once('exit', () => resolve());
      child.kill('SIGKILL');
      child = null;
    });

  const start = async () => {
    child = spawn(process.execPath, ['scripts/server.mjs'], {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: {
        ...process.env,
        KOKYU_DATA: dataDir,
        KOKYU_STUDIO: studio,
        HOST: '127.0.0.1',
        PORT: String(port),
        NEXT_TELEMETRY_DISABLED: '1',
        TZ: 'Europe/London',
      },
    });
    for (let tries = 0; tries < 150; tries += 1) {
      const answered = await fetch(url).then(
        (response) => response.ok,
        () => false,
      );
      if (answered) return;
      await new Promise((resolve) => setTimeout(resolve, 200));
    }
    throw new Error(`The server on port ${port} did not answer.`);
  };

  return {
    url,
    dataDir,
    start,
    kill,
    close: async () => {
      await kill();
      rmSync(dataDir, { recursive: true, force: true });
    },
  };
}
