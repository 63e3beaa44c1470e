import { chromium } from '@playwright/test';
import { cadence } from '@/core/cadence';
import { findDrill } from '@/core/catalogue';
import { type Tried, courseOf } from '@/core/course';
import { waveOf } from '@/core/home';
import { itemFrom } from '@/core/sequence';
import { longTrack } from './load';
import { type Seen, trendOf, whatChanged } from '@/core/track';
import { testServer } from '../e2e/support/server';
import { planItem, seedCoached } from '../e2e/support/walk';
import { chromium as path } from '../scripts/chromium.mjs';
import { median, report } from './report';

const timed = <T>(work: () => T): readonly [number, T] => {
  const from = performance.now();
  const made = work();
  return [performance.now() - from, made];
};

/** What goes home and what is told across visits: recording, course, trend, sheet. */
export async function carrying() {
  const belly = findDrill('two-hand-belly')!;
  const long = itemFrom(belly, { id: 'long', cadences: [cadence(4, 6)], breaths: 60 });
  // Two sets of ten minutes.
  const [took, file] = timed(() => waveOf([long, long]));
  report(
    `a recording of ${Math.round(file.length / 16000 / 60)} minutes`,
    `${took.toFixed(0)} ms`,
    'under 2 s',
    took < 2000,
  );

  const day = (n: number) => new Date(Date.UTC(2022, 0, 1) + n * 7 * 86_400_000).toISOString().slice(0, 10);
  const tried = Array.from({ length: 200 }, (_, at): Tried => ({
    visitId: String(at),
    day: day(at),
    drillId: belly.id,
    position: belly.positions[0]!,
    breaths: 10,
    exhaleSeconds: 6,
    outcome: at % 3 === 0 ? 'not calm' : 'calm',
    delivered: 10,
    marked: at % 3 === 0 ? 4 : 1,
    effort: 2,
  }));
  const laid = Array.from({ length: 9 }, () =>
    timed(() => courseOf({ tried, booked: [], missed: [], allowed: () => true, today: day(201), timesAtHome: 3 })),
  ).map(([ms]) => ms);
  report('a course of 200 visits laid out', `${median(laid).toFixed(2)} ms`, 'under 50 ms', median(laid) < 50);

  const points = tried.map(({ day: on }, at) => [on, 5 + at * 0.01] as const);
  const seen = Array.from({ length: 4000 }, (_, at): Seen => ({
    drillId: `drill-${at % 40}`,
    clientId: `client-${at % 130}`,
    helped: (['better', 'same', 'worse'] as const)[at % 3]!,
  }));
  const told = Array.from({ length: 9 }, () => timed(() => [trendOf(points), whatChanged(seen, 'client-1')])).map(
    ([ms]) => ms,
  );
  report(
    'slope of 200 visits, 4000 rechecks pooled',
    `${median(told).toFixed(1)} ms`,
    'under 100 ms',
    median(told) < 100,
  );

  await sheet();
  await longTrack();
}

/** The sheet as a PDF, from the press to the file, in the built app. */
async function sheet() {
  const server = testServer(4382);
  await server.start();
  const browser = await chromium.launch({ executablePath: path(), args: ['--no-sandbox', '--disable-gpu'] });
  try {
    const page = await browser.newPage();
    const items = ['quiet-nose', 'two-hand-belly', 'prone-low-breath'].map((id) =>
      planItem(id, { position: id === 'prone-low-breath' ? 'prone' : 'sitting' }),
    );
    const { clientId } = await seedCoached(page, server.url, 'Tamsin Fenwreath', items);
    await page.goto(`${server.url}/clients/${clientId}/carry`);
    await page.getByRole('button', { name: /^Send these 3/ }).click();
    await page.getByRole('button', { name: 'Page for the phone' }).click();
    const times: number[] = [];
    for (let round = 0; round < 4; round += 1) {
      const from = performance.now();
      const arrived = page.waitForEvent('download');
      await page.getByRole('button', { name: /^Hand it over/ }).click();
      await arrived;
      times.push(performance.now() - from);
    }
    // The first brings the library that writes PDF along.
    report('the sheet as a PDF, the first time', `${times[0]!.toFixed(0)} ms`, 'under 1.5 s', times[0]! < 1500);
    report(
      'the sheet as a PDF, then',
      `${median(times.slice(1)).toFixed(0)} ms`,
      'under 1.5 s',
      median(times.slice(1)) < 1500,
    );
  } finally {
    await browser.close();
    await server.close();
  }
}
