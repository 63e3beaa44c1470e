import { chromium } from '@playwright/test';
import { blankRaw } from '@/core/look';
import { type LookRecord, type ProtocolId, rawSchemas } from '@/core/look';
import { likelyPatterns, readFindings, scorePatterns } from '@/core/read';
import { measureIds, repeatPairs, seriesOf } from '@/core/track';
import { estimateYields, rankSetUps, trunkEffects, unobserved } from '@/core/trunk';
import { constructed } from '../demo/constructed';
import { testServer } from '../e2e/support/server';
import { addClient, screenClear } from '../e2e/support/walk';
import { median, report } from './report';
import { chromium as chromiumPath } from '../scripts/chromium.mjs';

/** A year and more of visits of one client, each a different person's look. */
function manyVisits(visits: number): Map<string, LookRecord[]> {
  const all = new Map<string, LookRecord[]>();
  for (let v = 0; v < visits; v += 1) {
    const { rate = 12, ...seen } = constructed[v % constructed.length]!.seen;
    const taps = Array.from({ length: rate + 2 }, (_, i) => Math.round((i * 6000) / rate) / 100);
    all.set(
      `visit-${v}`,
      (Object.entries(seen) as [ProtocolId, object][]).map(
        ([protocol, raw], i) =>
          ({
            id: `look-${v}-${protocol}`,
            visitId: `visit-${v}`,
            protocol,
            version: 1,
            moment: 'before',
            takenAt: `2026-${String(1 + (v % 12)).padStart(2, '0')}-10T10:0${i % 10}:00.000Z`,
            raw: rawSchemas[protocol].parse({
              ...blankRaw(protocol),
              ...(protocol === 'quietLook' ? { taps } : {}),
              ...raw,
            }),
          }) as LookRecord,
      ),
    );
  }
  return all;
}

/** Re-reading everything a client has: findings, patterns and ties of each visit, and every series with its noise. */
export function rereading() {
  const visits = manyVisits(200);
  const looks = [...visits.values()].flat();
  // A browser that has been open for a while, as on any working day: the first rounds only warm the engine up.
  const times = Array.from({ length: 40 }, () => {
    const from = performance.now();
    for (const records of visits.values()) {
      const findings = readFindings(records);
      likelyPatterns(scorePatterns(findings), findings);
    }
    for (const measure of measureIds) {
      seriesOf(measure, looks, (id) => id);
      repeatPairs(looks, measure);
    }
    return performance.now() - from;
  }).slice(10);
  report(
    're-reading a client with 200 visits, median',
    `${median(times).toFixed(1)} ms`,
    'under 30 ms',
    median(times) < 30,
  );
}

/** The what-if sweep over 100 drills × 4 set-ups, as the worker runs it. */
export function sweep() {
  const yields = estimateYields({ ...unobserved(), belly: 3, leftSide: 1, rightSide: 2 }, ['lying on the back']);
  const setUps = Array.from({ length: 400 }, (_, i) => ({
    id: String(i),
    effects: [trunkEffects[i % trunkEffects.length]!, trunkEffects[(i * 7) % trunkEffects.length]!],
  }));
  const times = Array.from({ length: 30 }, () => {
    const from = performance.now();
    rankSetUps(yields, setUps, { leftBack: 3, rightBack: 3, leftSide: 1 });
    return performance.now() - from;
  });
  report('what-if sweep, 100 drills × 4 set-ups, first', `${times[0]!.toFixed(1)} ms`, 'under 50 ms', times[0]! < 50);
  report('what-if sweep, median', `${median(times).toFixed(1)} ms`, 'under 50 ms', median(times) < 50);
}

/** Frames of the page while the ring is graded key after key. */
export async function ringFrames() {
  const server = testServer(4396, 'own');
  await server.start();
  const browser = await chromium.launch({
    executablePath: chromiumPath(),
    args: ['--no-sandbox', '--disable-gpu'],
  });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const clientId = await addClient(page, server.url, 'Bench Ring');
    await screenClear(page);
    await page.goto(`${server.url}/clients/${clientId}/look?protocol=regionMap`);
    await page.getByRole('slider', { name: 'belly', exact: true }).focus();
    // Written out as text: a function would carry helpers of the runner that the page does not have.
    const frames = page.evaluate<number[]>(`new Promise((resolve) => {
      const gaps = [];
      let last = performance.now();
      const step = (now) => {
        gaps.push(now - last);
        last = now;
        if (gaps.length < 240) requestAnimationFrame(step);
        else resolve(gaps.slice(5));
      };
      requestAnimationFrame(step);
    })`);
    for (let press = 0; press < 40; press += 1) {
      await page.keyboard.press(String(press % 4));
      await page.waitForTimeout(60);
      if (press % 5 === 4) await page.keyboard.press('Tab');
    }
    const gaps = await frames;
    const middle = median(gaps);
    const late = gaps.filter((gap) => gap > 34).length;
    report('ring while grading, median frame', `${middle.toFixed(1)} ms`, '16.7 ms, 60 a second', middle < 17.5);
    report('ring while grading, frames dropped', `${late} of ${gaps.length}`, 'under 3 %', late / gaps.length < 0.03);
  } finally {
    await browser.close();
    await server.close();
  }
}
