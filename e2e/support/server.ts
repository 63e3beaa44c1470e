import { type ChildProcess, spawn, spawnSync } from 'node:child_process';
import { copyFileSync, mkdirSync, rmSync } from 'node:fs';
import http from 'node:http';
import https from 'node:https';
import { basename, join } from 'node:path';
import { scratchFolder } from '../../scripts/scratch';

/** A production server of its own, on a data folder of its own, that a test may kill and start again. */
export interface TestServer {
  url: string;
  dataDir: string;
  start: () => Promise<void>;
  /** The server's process. */
  pid: () => number;
  /** Ends it at once, without a chance to finish anything. */
  kill: () => Promise<void>;
  /** Asks it to end, and waits until it has. */
  end: (signal?: NodeJS.Signals) => Promise<void>;
  /** Starts one more on the same folder: what it said and ended with, or null when it did not end. */
  another: (port: number, env?: Record<string, string>) => Promise<{ code: number | null; words: string }>;
  close: () => Promise<void>;
}

/** As `npm start` starts it. */
const flags = ['--max-old-space-size=256', '--max-semi-space-size=16', 'scripts/server.mjs'];

/** Whether a server answers at all, whoever vouches for it. */
const isThere = (url: string) =>
  new Promise<boolean>((resolve) => {
    const { get } = url.startsWith('https') ? https : http;
    // The front page, whoever may see it: once it is drawn, what every page and every answer needs is loaded.
    const asked = get(`${url}/`, { rejectUnauthorized: false, agent: false }, (answer) => {
      answer.resume();
      answer.once('end', () => resolve((answer.statusCode ?? 500) < 400));
      answer.once('error', () => resolve(false));
    });
    asked.once('error', () => resolve(false));
  });

async function untilThere(url: string, port: number) {
  for (let tries = 0; tries < 600; tries += 1) {
    const answered = await isThere(url);
    if (answered) return;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Error(`The server on port ${port} did not answer.`);
}

const environment = (port: number, folder: string, studio: 'own' | 'demo' = 'own') => ({
  ...process.env,
  KOKYU_DATA: folder,
  KOKYU_STUDIO: studio,
  HOST: '127.0.0.1',
  PORT: String(port),
  NEXT_TELEMETRY_DISABLED: '1',
  TZ: 'Europe/London',
});

/** @param more what else is set where it starts: with HOST it is served to others too, over TLS */
export function testServer(
  port: number,
  studio: 'own' | 'demo' = 'own',
  folder?: string,
  more: Record<string, string> = {},
): TestServer {
  const dataDir = folder ?? scratchFolder('test');
  if (folder) mkdirSync(folder, { recursive: true });
  const url = `${more.HOST ? 'https' : 'http'}://127.0.0.1:${port}`;
  let child: ChildProcess | null = null;

  const launch = (on: number, env: Record<string, string> = {}, stderr: 'inherit' | 'pipe' = 'inherit') =>
    spawn(process.execPath, flags, {
      stdio: ['ignore', 'ignore', stderr],
      env: { ...environment(on, dataDir, studio), ...more, ...env },
    });

  const end = (signal: NodeJS.Signals = 'SIGTERM') =>
    new Promise<void>((resolve) => {
      if (!child || child.exitCode !== null) return resolve();
      child.once('exit', () => resolve());
      child.kill(signal);
      child = null;
    });

  const start = () => {
    child = launch(port);
    return untilThere(url, port);
  };

  const another = (on: number, env: Record<string, string> = {}) =>
    new Promise<{ code: number | null; words: string }>((resolve) => {
      const second = launch(on, env, 'pipe');
      let words = '';
      second.stderr?.on('data', (data: Buffer) => (words += data.toString()));
      const late = setTimeout(() => second.kill('SIGKILL'), 15_000);
      second.once('exit', (code) => {
        clearTimeout(late);
        resolve({ code, words: words.trim().slice(0, 240) });
      });
    });

  return {
    url,
    dataDir,
    start,
    pid: () => child?.pid ?? 0,
    kill: () => end('SIGKILL'),
    end,
    another,
    close: async () => {
      await end('SIGKILL');
      rmSync(dataDir, { recursive: true, force: true });
    },
  };
}

/** One of the demo studio as it is when it has just been loaded. */
export function demoServer(port: number): TestServer {
  const server = testServer(port, 'demo');
  const loaded = process.env.KOKYU_DEMO;
  // Loading it takes seconds: `npm test` has done it already.
  if (loaded) copyFileSync(loaded, join(server.dataDir, basename(loaded)));
  else loadDemoInto(server.dataDir);
  return server;
}

function loadDemoInto(folder: string) {
  const { status } = spawnSync(process.execPath, ['scripts/run.mjs', 'demo/load.ts'], {
    stdio: 'inherit',
    env: { ...process.env, KOKYU_DATA: folder, TZ: 'Europe/London' },
  });
  if (status !== 0) throw new Error('The demo could not be loaded.');
}

/** A studio on a server that others use too: it is neither ended nor killed. */
type Studio = Pick<TestServer, 'url' | 'dataDir' | 'start'>;

/** The one server of a test worker, ended with the worker, for one studio after the other. */
function workersServer(): { url: string; goOnWith: (folder: string) => Promise<void> } {
  const port = 4360 + Number(process.env.TEST_PARALLEL_INDEX ?? 0);
  const url = `http://127.0.0.1:${port}`;
  let child: ChildProcess | null = null;
  let now = '';
  const begin = async (folder: string) => {
    child = spawn(process.execPath, [...flags.slice(0, -1), 'e2e/support/studios.mjs'], {
      stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
      // A copy of the day would be one of whatever studio is at hand.
      env: { ...environment(port, folder), KOKYU_COPY_AFTER: '86400' },
    });
    await untilThere(url, port);
  };
  const goOnWith = async (folder: string) => {
    if (folder === now) return;
    now = folder;
    if (!child) return begin(folder);
    const there = new Promise((resolve) => child!.once('message', resolve));
    child.send(folder);
    await there;
  };
  return { url, goOnWith };
}

let ofWorker: ReturnType<typeof workersServer> | null = null;
let shared: Studio | null = null;
let atHand: Studio | null = null;

/** An empty studio for the tests of one file, on the server of the worker. */
export function ownStudio(): Studio {
  ofWorker ??= workersServer();
  const { url, goOnWith } = ofWorker;
  const dataDir = scratchFolder('test');
  // The server may have it open until it ends.
  process.once('exit', () => rmSync(dataDir, { recursive: true, force: true }));
  const studio: Studio = {
    url,
    dataDir,
    start: () => {
      atHand = studio;
      return goOnWith(dataDir);
    },
  };
  return studio;
}

/** Whether several tests of this worker use the studio that is at an address just now. */
export const isShared = (url: string) => atHand !== null && atHand === shared && url === atHand.url;

/**
 * The one studio of a test worker, for tests that need none of their own. Tests that share it use clients of their own and leave the
 * settings as they were.
 */
export const sharedStudio = (): Studio => (shared ??= ownStudio());
