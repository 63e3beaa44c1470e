import { chromium } from '@playwright/test';
import { loadAnswer, loadMovements } from '@/core/load';
import { testServer } from '../e2e/support/server';
import { chromium as path } from '../scripts/chromium.mjs';
import { median, percentile, report } from './report';

/** Breath under load: how long an answer takes, and whether it follows the line of pull as that is dragged. */
export async function lifting() {
  const times = Array.from({ length: 60 }, () =>
    loadMovements.map(({ id, pull, startKg }) => {
      const from = performance.now();
      loadAnswer(
        {
          movementId: id,
          hand: pull.hand,
          kg: startKg,
          repetitions: startKg > 0 ? 12 : null,
          effort: null,
          bodyKg: 70,
        },
        null,
      );
      return performance.now() - from;
    }),
  )
    .slice(5)
    .flat();
  const p95 = percentile(times, 0.95);
  report(
    'breath under load, an answer',
    `median ${(median(times) * 1000).toFixed(0)} µs, p95 ${(p95 * 1000).toFixed(0)} µs`,
    'under 2 ms',
    p95 < 2,
  );

  const server = testServer(4394, 'own');
  await server.start();
  const browser = await chromium.launch({ executablePath: path(), args: ['--no-sandbox', '--disable-gpu'] });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${server.url}/catalogue/load-breath`);
    await page.getByRole('slider', { name: 'Line of pull' }).waitFor();
    const throttle = await page.context().newCDPSession(page);
    await throttle.send('Emulation.setCPUThrottlingRate', { rate: 4 });
    // The finger goes round in the page itself, a step a frame; written out as text, as everything that runs in the page is.
    const gaps = await page.evaluate<number[]>(`new Promise((resolve) => {
      const handle = document.querySelector('[role=slider][aria-label="Line of pull"]');
      const box = handle.getBoundingClientRect();
      const at = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
      handle.setPointerCapture = () => {};
      handle.hasPointerCapture = () => true;
      const send = (type, x, y) =>
        handle.dispatchEvent(new PointerEvent(type, { bubbles: true, pointerId: 1, clientX: x, clientY: y }));
      send('pointerdown', at.x, at.y);
      const gaps = [];
      let last = performance.now();
      let turn = 0;
      const step = (now) => {
        gaps.push(now - last);
        last = now;
        turn += 0.05;
        send('pointermove', at.x + 110 * Math.sin(turn), at.y - 90 + 110 * Math.cos(turn));
        if (gaps.length < 240) requestAnimationFrame(step);
        else resolve(gaps.slice(5));
      };
      requestAnimationFrame(step);
    })`);
    const late = gaps.filter((gap) => gap > 34).length;
    report(
      'the line of pull dragged, at a quarter of the speed',
      `median frame ${median(gaps).toFixed(1)} ms, ${late} of ${gaps.length} dropped`,
      '60 a second, under 3 % dropped',
      median(gaps) < 17.5 && late / gaps.length < 0.03,
    );
  } finally {
    await browser.close();
    await server.close();
  }
}
