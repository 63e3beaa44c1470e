import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Page, chromium } from '@playwright/test';
import { linearRegression } from 'simple-statistics';
import { v7 as uuid } from 'uuid';
import { cadence } from '@/core/cadence';
import { type PlanItem } from '@/core/sequence';
import { type Store, carryOut, openStore } from '@/store';
import { testServer } from '../e2e/support/server';
import { openRunOf, planItem, seedPlan } from '../e2e/support/walk';
import { median, percentile, report } from './report';
import { chromium as chromiumPath } from '../scripts/chromium.mjs';

const item = (drillId: string, rest: Partial<PlanItem> = {}) =>
  planItem(drillId, { cadences: [cadence(4, 6)], breaths: 10, ...rest });

/** The weak tablet of the studio: everything four times slower than here. */
const slowdown = 4;

/** Frames and taps on the coach's screen while it paces, on a machine slowed down. */
export async function coachScreen() {
  const server = testServer(4397, 'own');
  await server.start();
  const browser = await chromium.launch({
    executablePath: chromiumPath(),
    args: ['--no-sandbox', '--disable-gpu', '--autoplay-policy=no-user-gesture-required'],
  });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.addInitScript({
      content: `window.heard = [];
        const { start } = OscillatorNode.prototype;
        OscillatorNode.prototype.start = function (when = 0) {
          window.heard.push(performance.now() + (when - this.context.currentTime) * 1000);
          return start.call(this, when);
        };`,
    });
    const clientId = await seedPlan(page, server.url, 'Bench Coach', [
      item('quiet-nose', { breaths: 30 }),
      item('towel-hug'),
    ]);
    await openRunOf(page, server.url, clientId);
    await page.waitForTimeout(1500);
    await page.keyboard.press(' ');
    await page.keyboard.press('n');
    await page.locator('[data-phase]').waitFor();
    const usual = await frames(page, 600);
    const cdp = await page.context().newCDPSession(page);
    await cdp.send('Emulation.setCPUThrottlingRate', { rate: slowdown });
    await page.waitForTimeout(500);
    const slow = await frames(page, 600);
    for (const [name, gaps] of [
      ['coach screen', usual],
      [`coach screen, ${slowdown}× slower`, slow],
    ] as const) {
      const dropped = gaps.reduce((sum, gap) => sum + Math.max(0, Math.round(gap / (1000 / 60)) - 1), 0);
      const shown = `${dropped} of ${gaps.length + dropped}`;
      report(`${name}, median frame`, `${median(gaps).toFixed(1)} ms`, '16.7 ms, 60 a second', median(gaps) < 17.5);
      report(`${name}, frames dropped in 10 s`, shown, 'under 3 %', dropped / (gaps.length + dropped) < 0.03);
    }
    await cdp.send('Emulation.setCPUThrottlingRate', { rate: 1 });
    await pictureAndSound(page);
    await cdp.send('Emulation.setCPUThrottlingRate', { rate: slowdown });
    const taps = await tapEffects(page);
    report(
      `tap to its effect, ${slowdown}× slower, median`,
      `${median(taps).toFixed(0)} ms`,
      'within 50 ms',
      median(taps) <= 50,
    );
    report(
      `tap to its effect, ${slowdown}× slower, worst`,
      `${Math.max(...taps).toFixed(0)} ms`,
      'within 50 ms',
      Math.max(...taps) <= 50,
    );
  } finally {
    await browser.close();
    await server.close();
  }
}

/** Milliseconds between frames. Written out as text: a function would carry helpers of the runner the page doesn't have. */
const frames = (page: Page, count: number) =>
  page.evaluate<number[]>(`new Promise((resolve) => {
    const gaps = [];
    let last = performance.now();
    const step = (now) => {
      gaps.push(now - last);
      last = now;
      if (gaps.length < ${count}) requestAnimationFrame(step);
      else resolve(gaps.slice(5));
    };
    requestAnimationFrame(step);
  })`);

/**
 * How far the tide turns from the tone that says so, over thirty phases of two minutes and more; constant is in step, growing
 * is drift. A picture comes with the next frame, so each turn is up to a frame late: the slope over all of them is what tells.
 */
async function pictureAndSound(page: Page) {
  const apart = await page.evaluate<[number, number][]>(`new Promise((resolve) => {
    const turns = [];
    let shown = document.querySelector('[data-tide]').getAttribute('data-tide');
    const look = () => {
      const now = document.querySelector('[data-tide]').getAttribute('data-tide');
      if (now !== shown) {
        shown = now;
        if (now !== 'none') turns.push(performance.now());
      }
      if (turns.length < 30) requestAnimationFrame(look);
      else resolve(turns.map((turn) => [turn, window.heard.map((at) => turn - at).sort((a, b) => Math.abs(a) - Math.abs(b))[0]]));
    };
    look();
  })`);
  const worst = Math.max(...apart.map(([, by]) => Math.abs(by)));
  const drift = linearRegression(apart.map(([turn, by]) => [turn / 60_000, by])).m;
  report('tide against its tone, worst of 30', `${worst.toFixed(0)} ms`, 'under 40 ms', worst < 40);
  report('drift of tide against tones a minute', `${drift.toFixed(1)} ms`, 'under 5 ms', Math.abs(drift) < 5);
}

/** Milliseconds from a key going down to the frame that shows what it did: wait, go on, wait … */
const tapEffects = (page: Page) =>
  page.evaluate<number[]>(`new Promise((resolve) => {
    const times = [];
    const press = () => {
      const from = performance.now();
      const watch = new MutationObserver(() => {
        watch.disconnect();
        requestAnimationFrame(() => {
          times.push(performance.now() - from);
          if (times.length < 20) setTimeout(press, 400);
          else resolve(times);
        });
      });
      watch.observe(document.querySelector('main'), { subtree: true, childList: true, characterData: true });
      window.dispatchEvent(new KeyboardEvent('keydown', { key: ' ' }));
    };
    press();
  })`);

/** Events of a year: six clients a day, 250 days, some 150 events a run. */
const year = { runs: 1500, events: 150 } as const;

/** How long the server takes to store an event when a year of runs lies in its file. */
export function eventAppend() {
  const folder = mkdtempSync(join(tmpdir(), 'kokyu-year-'));
  const store = openStore(join(folder, 'studio.db'));
  try {
    const runId = yearOfRuns(store);
    const times: number[] = [];
    for (let n = 0; n < 400; n += 1) {
      const event = { type: 'breath' as const, item: 0, set: 1, breath: n, seconds: 10 };
      const command = {
        id: uuid(),
        kind: 'run.append',
        payload: { runId, events: [{ id: uuid(), seq: n, atEpochMs: Date.now(), event }] },
      };
      const from = performance.now();
      const { state } = carryOut(store, command, Date.now());
      times.push(performance.now() - from);
      if (state !== 'saved') throw new Error('An event was not stored.');
    }
    report(
      'event stored among a year of runs, median',
      `${median(times).toFixed(2)} ms`,
      'under 5 ms',
      median(times) < 5,
    );
    const p95 = percentile(times, 0.95);
    report('event stored among a year of runs, 95th percentile', `${p95.toFixed(2)} ms`, 'under 5 ms', p95 < 5);
  } finally {
    store.$client.close();
    rmSync(folder, { recursive: true, force: true });
  }
}

function yearOfRuns(store: Store): string {
  const db = store.$client;
  const [clientId, visitId] = [uuid(), uuid()];
  const at = new Date().toISOString();
  db.prepare('insert into clients (id, name, created_at) values (?, ?, ?)').run(clientId, 'Bench Year', at);
  db.prepare('insert into visits (id, client_id, started_at, day, zone) values (?, ?, ?, ?, ?)').run(
    visitId,
    clientId,
    at,
    at.slice(0, 10),
    'UTC',
  );
  const run = db.prepare('insert into runs (id, visit_id, at, items) values (?, ?, ?, ?)');
  const event = db.prepare(
    'insert into run_events (id, run_id, seq, at_epoch_ms, type, event) values (?, ?, ?, ?, ?, ?)',
  );
  const items = JSON.stringify([item('quiet-nose')]);
  const breath = JSON.stringify({ type: 'breath', item: 0, set: 1, breath: 1, seconds: 10 });
  db.transaction(() => {
    for (let r = 0; r < year.runs; r += 1) {
      const runId = uuid();
      run.run(runId, visitId, at, items);
      for (let n = 0; n < year.events; n += 1) event.run(uuid(), runId, n, n, 'breath', breath);
    }
  })();
  const live = uuid();
  run.run(live, visitId, at, items);
  return live;
}
