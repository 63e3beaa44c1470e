import { statSync } from 'node:fs';
import { join } from 'node:path';
import { v7 as uuid } from 'uuid';
import { chromium } from '@playwright/test';
import { testServer } from '../e2e/support/server';
import { chromium as path } from '../scripts/chromium.mjs';
import { memoryOf } from '../scripts/memory';
import { type Size, eventsIn, fillStudio } from './crowd';
import { median, percentile, report } from './report';

const stations = [
  'screen',
  'look',
  'read',
  'sequence',
  'coach',
  'carry',
  'track',
  'track/visits',
  'track/course',
] as const;

/** Milliseconds one page wants at most, in the 95th of a hundred times. */
type Wanted = (page: string) => number;

interface Measured {
  times: Map<string, number[]>;
  bytes: Map<string, number>;
}

/** Sent along with whatever is asked: who asks. */
export const asWho: Record<string, string> = {};

export async function ask(url: string, path: string): Promise<{ ms: number; bytes: number }> {
  const from = performance.now();
  const response = await fetch(url + path, { headers: asWho });
  const text = await response.text();
  const ms = performance.now() - from;
  if (!response.ok) throw new Error(`${path} answered ${response.status}`);
  return { ms, bytes: text.length };
}

export async function measure(
  url: string,
  pages: readonly [name: string, path: string][],
  rounds: number,
): Promise<Measured> {
  const times = new Map<string, number[]>();
  const bytes = new Map<string, number>();
  for (let round = 0; round < rounds; round += 1) {
    for (const [name, path] of pages) {
      const { ms, bytes: size } = await ask(url, path);
      // The first round opens what is opened once.
      if (round > 0) times.set(name, [...(times.get(name) ?? []), ms]);
      bytes.set(name, Math.max(bytes.get(name) ?? 0, size));
    }
  }
  return { times, bytes };
}

export function tell(title: string, { times, bytes }: Measured, wanted: Wanted) {
  for (const [name, list] of times) {
    const p95 = percentile(list, 0.95);
    const limit = wanted(name);
    const words = `median ${median(list).toFixed(0)}, p95 ${p95.toFixed(0)} ms, ${Math.round(bytes.get(name)! / 1000)} kB`;
    report(`${title}: ${name}`, words, `p95 under ${limit} ms`, p95 < limit);
  }
}

export const pagesOf = (clientIds: readonly string[], runIds: readonly string[]): [string, string][] => [
  ['Today', '/'],
  ['Clients', '/clients'],
  ['find', '/clients?find=Ilse'],
  ['Group', '/group'],
  ...clientIds.flatMap((id) => stations.map((station): [string, string] => [station, `/clients/${id}/${station}`])),
  ...runIds.map((id): [string, string] => ['run', `/run/${id}`]),
];

export async function withStudio(
  port: number,
  size: Size,
  work: (studio: { url: string; pid: number; clientIds: string[]; runIds: string[]; dataDir: string }) => Promise<void>,
) {
  const server = testServer(port, 'own');
  const from = performance.now();
  const made = fillStudio(server.dataDir, size);
  const bytes = statSync(join(server.dataDir, 'studio.db')).size;
  console.log(
    `a studio of ${size.clients} clients × ${size.visits} visits: ${(bytes / 1e6).toFixed(0)} MB, made in ${((performance.now() - from) / 1000).toFixed(0)} s`,
  );
  await server.start();
  try {
    await work({ url: server.url, pid: server.pid(), dataDir: server.dataDir, ...made });
  } finally {
    await server.close();
  }
}

/** Events handed in one by one over the wire, as a live screen does. */
export async function appended(url: string, runId: string): Promise<number[]> {
  const times: number[] = [];
  for (let n = 0; n < 300; n += 1) {
    const event = { type: 'breath', item: 0, set: 1, breath: n % 20, seconds: 9 };
    const command = {
      id: uuid(),
      kind: 'run.append',
      payload: { runId, events: [{ id: uuid(), seq: 120 + n, atEpochMs: Date.now(), event }] },
    };
    const from = performance.now();
    const response = await fetch(`${url}/api/commands`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', ...asWho },
      body: JSON.stringify({ commands: [command] }),
    });
    const { outcomes } = (await response.json()) as { outcomes: { state: string }[] };
    times.push(performance.now() - from);
    if (outcomes[0]?.state !== 'saved') throw new Error(JSON.stringify(outcomes));
  }
  return times.slice(20);
}

/** Pages asked for by several at once, for so long. */
async function crowded(url: string, paths: readonly string[], connections: number, seconds: number): Promise<number[]> {
  const until = performance.now() + seconds * 1000;
  const times: number[] = [];
  await Promise.all(
    Array.from({ length: connections }, async (_, who) => {
      for (let n = who; performance.now() < until; n += 1) times.push((await ask(url, paths[n % paths.length]!)).ms);
    }),
  );
  return times;
}

/** Track of clients with 200 visits: how long the server takes, and how it scrolls. */
export async function longTrack() {
  await withStudio(4396, { clients: 2, visits: 200, events: 40 }, async ({ url, clientIds }) => {
    const pages = ['track', 'track/visits', 'track/course', 'sequence'].flatMap((station) =>
      clientIds.map((id): [string, string] => [station, `/clients/${id}/${station}`]),
    );
    tell('a client with 200 visits', await measure(url, pages, 8), () => 100);
    const browser = await chromium.launch({ executablePath: path(), args: ['--no-sandbox', '--disable-gpu'] });
    try {
      const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
      // Functions handed to the page are wrapped by the compiler in a helper the page doesn't have.
      await page.addInitScript('globalThis.__name = (one) => one');
      await page.goto(`${url}/clients/${clientIds[0]}/track/visits`);
      await page.waitForLoadState('networkidle');
      const gaps = await page.evaluate(scrolled);
      const dropped = gaps.filter((gap) => gap > 25).length;
      report(
        'Over visits scrolls',
        `${median(gaps).toFixed(1)} ms a frame, ${dropped} of ${gaps.length} dropped`,
        '60 frames a second, under 3 % dropped',
        median(gaps) < 17.5 && dropped <= gaps.length * 0.03,
      );
    } finally {
      await browser.close();
    }
  });
}

/** Scrolls the page up and down for three seconds; milliseconds between its frames. In the page: it knows nothing from here. */
function scrolled(): Promise<number[]> {
  return new Promise((done) => {
    const gaps: number[] = [];
    const from = performance.now();
    let last = from;
    const frame = (now: number) => {
      gaps.push(now - last);
      last = now;
      const most = document.documentElement.scrollHeight - innerHeight;
      scrollTo(0, (most * (1 - Math.cos((now - from) / 300))) / 2);
      if (now - from < 3000) requestAnimationFrame(frame);
      else done(gaps.slice(2));
    };
    requestAnimationFrame(frame);
  });
}

/** How large a studio may grow, and how many may ask at once, before a coach waits. */
export async function underLoad({ large, minutes }: { large: boolean; minutes: number }) {
  await withStudio(4395, { clients: 300, visits: 20, events: 40 }, async ({ url, pid, clientIds, runIds }) => {
    const pages = pagesOf(clientIds, runIds);
    const wanted: Wanted = (name) => (['Today', 'sequence', 'coach', 'run'].includes(name) ? 60 : 40);
    tell('300 × 20, one connection', await measure(url, pages, 5), wanted);
    const many = await crowded(
      url,
      pages.map(([, path]) => path),
      20,
      20,
    );
    const p95 = percentile(many, 0.95);
    report(
      '20 connections, any page',
      `p95 ${p95.toFixed(0)} ms, ${many.length} pages`,
      'p95 under 1000 ms',
      p95 < 1000,
    );
    const sizes: number[] = [];
    for (let n = 0; n < 4; n += 1) {
      await crowded(
        url,
        pages.map(([, path]) => path),
        5,
        (minutes * 60) / 4,
      );
      sizes.push(memoryOf(pid).resident);
    }
    const most = Math.max(...sizes);
    const words = sizes.map((size) => size.toFixed(0)).join(', ');
    report(
      `memory over ${minutes} min at 5 connections`,
      `${words} MB`,
      'under 400 MB, flat',
      most < 400 && sizes[3]! < sizes[1]! * 1.15,
    );
  });

  await withStudio(4396, { clients: 6, visits: 150, events: 40 }, async ({ url, clientIds, runIds }) => {
    const measured = await measure(url, pagesOf(clientIds.slice(0, 4), runIds.slice(0, 4)), 8);
    tell('a client with 150 visits', measured, () => 60);
    const largest = [...measured.bytes].sort((a, b) => b[1] - a[1])[0]!;
    report(
      'the largest of these pages',
      `${largest[0]} ${Math.round(largest[1] / 1000)} kB`,
      'under 120 kB',
      largest[1] < 120_000,
    );
  });

  if (!large) return;
  const today: number[] = [];
  for (const events of [17, 75]) {
    await withStudio(4397, { clients: 2000, visits: 30, events }, async ({ url, clientIds, runIds, dataDir }) => {
      const title = `2,000 × 30, ${(eventsIn(dataDir) / 1e6).toFixed(1)} million events`;
      const measured = await measure(url, pagesOf(clientIds, runIds), 4);
      tell(title, measured, () => 80);
      today.push(median(measured.times.get('Today')!));
      const times = await appended(url, runIds[0]!);
      const p95 = percentile(times, 0.95);
      report(
        `${title}: an event stored`,
        `median ${median(times).toFixed(1)}, p95 ${p95.toFixed(1)} ms`,
        'p95 under 8 ms',
        p95 < 8,
      );
      const bytes = statSync(join(dataDir, 'studio.db')).size;
      if (events === 17)
        report('60,000 visits in one file', `${(bytes / 1e6).toFixed(0)} MB`, 'under 1000 MB', bytes < 1e9);
    });
  }
  const grown = today[1]! / today[0]!;
  report('Today when events grow fourfold', `× ${grown.toFixed(2)}`, 'flat: under × 1.2', grown < 1.2);
}
