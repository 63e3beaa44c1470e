import { readdirSync } from 'node:fs';
import { type Page, expect, test } from '@playwright/test';
import { v7 as uuid } from 'uuid';
import { findDrill } from '@/core/catalogue';
import { protocolIds } from '@/core/look';
import { firstLoadKb, mostKb } from '../scripts/firstLoad';
import { rounds } from '../scripts/rounds';
import { expectAccessible, listens, planCommands, planItem, runCommands, seedClient } from './support/walk';

/** Every page the app has, by its own folders. */
const routes = readdirSync('src/app', { recursive: true, encoding: 'utf8' })
  .filter((path) => path === 'page.tsx' || path.endsWith('/page.tsx'))
  .map((path) => `/${path.replaceAll(/\([^)]+\)\//g, '').replace(/\/?page\.tsx$/, '')}`)
  .sort();

/** Where else than at its plain address a page is seen. */
const elsewhere: Record<string, readonly string[]> = {
  '/catalogue/[drillId]': ['/catalogue/side-bend-open'],
  '/catalogue/compare': ['/catalogue/compare?a=two-hand-belly&b=hook-lying-stack'],
  '/clients/[clientId]/look': protocolIds
    .slice(0, rounds(protocolIds.length))
    .map((id) => `/clients/[clientId]/look?protocol=${id}`),
  '/clients/[clientId]/track/visits': ['/clients/[cameBefore]/track/visits'],
  '/paired/[word]': ['/paired/screen', '/paired/remote'],
};

/** A desktop’s window drawn four times as large, a phone, a tablet: what fits the narrowest seldom spills on a wider one. */
const widths = [320, 390, 1024].slice(0, rounds(3));

/** What went wrong in a page without anybody being told. */
const wrong: string[] = [];

const known: Record<string, string> = { drillId: 'my-towel-hug-1', word: 'over', runId: uuid() };
let page: Page;

test.beforeAll(async ({ browser, baseURL }) => {
  // One for all of them: what a page has in common with the one before is loaded.
  page = await browser.newPage({ baseURL });
  page.on('pageerror', ({ message }) => wrong.push(message));
  const items = ['quiet-nose', 'two-hand-belly'].map((id) => planItem(id, { position: 'sitting', breaths: 4 }));
  known.clientId = await seedClient(page, baseURL!, 'Keziah Marram', (visitId) => {
    known.visitId = visitId;
    return [
      ...planCommands(visitId, items),
      ...runCommands(visitId, items),
      { kind: 'run.create', payload: { runId: known.runId, visitId, items } },
      {
        kind: 'drill.save',
        payload: {
          drill: { ...findDrill('towel-hug'), id: known.drillId, name: 'Hug by the harbour' },
          revision: 0,
        },
      },
    ];
  });
  await page.goto('/clients?find=Bram');
  const before = await page.getByRole('link', { name: 'Bram Okkerly' }).getAttribute('href');
  known.cameBefore = before!.split('/')[2]!;
});
test.afterAll(() => page.close());

const filledIn = (address: string) =>
  address.replaceAll(/\[(\w+)\]/g, (_, name: string) => {
    expect(known, `Nothing is known to stand for ${name}.`).toHaveProperty(name);
    return known[name]!;
  });

/** Everything a page draws late has come: it listens, and nothing was fetched for a moment. */
async function isWhole() {
  await listens(page);
  await page.waitForFunction(() => {
    const last = Math.max(
      0,
      ...performance.getEntriesByType('resource').map((one) => (one as PerformanceResourceTiming).responseEnd),
    );
    return performance.now() - last > 150;
  });
}

const spill = () => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);

/** Goes to a page as a link does, from the one that stands; how it is sent to who loads it anew is judged apart from that. */
async function show(address: string, route: string) {
  const answer = await page.request.get(address);
  expect(answer.status(), address).toBe(200);
  const kb = firstLoadKb(await answer.text());
  expect(kb, address).toBeGreaterThan(100);
  expect(kb, address).toBeLessThan(mostKb(route));
  type Router = { push: (to: string) => void };
  await page.evaluate((to) => (window as unknown as { next: { router: Router } }).next.router.push(to), address);
  await page.waitForURL(answer.url());
  // Until it comes its place says that it is on its way.
  await page.locator('h1').first().waitFor();
}

/** Each with what is judged in it: nothing but its colours is other in the dark. */
const themes = ([['light'], ['dark', ['color-contrast']]] as const).slice(0, rounds(2));

const wear = (theme: 'light' | 'dark') =>
  page.evaluate((worn) => (document.documentElement.dataset.theme = worn), theme);

for (const route of routes)
  test(`${route} is accessible, nothing on it scrolls sideways, and it is light to load @first`, async () => {
    for (const address of new Set([filledIn(route), ...(elsewhere[route] ?? []).map(filledIn)])) {
      await page.setViewportSize({ width: 1280, height: 800 });
      await show(address, route);
      // One that leads on to another is judged there.
      if (!page.url().endsWith(address)) continue;
      await isWhole();
      for (const [theme, rules] of themes) {
        await wear(theme);
        await expectAccessible(page, `${address}, ${theme}`, rules);
      }
      for (const width of widths) {
        await page.setViewportSize({ width, height: 800 });
        // What is as wide as was measured takes its new width a moment later.
        await expect.poll(spill, { message: `${address}, ${width} wide`, timeout: 5000 }).toBeLessThanOrEqual(0);
      }
      expect(wrong, address).toEqual([]);
    }
  });

const openings: readonly (readonly [what: string, at: string, open: () => Promise<void>])[] = [
  ['the find box', '/', () => page.keyboard.press('Control+k')],
  ['the keys', '/', () => page.keyboard.press('?')],
  ['a booking', '/', () => page.getByRole('button', { name: /^Book/ }).first().click()],
  ['consent', '/clients/[clientId]/screen', () => page.getByRole('button', { name: /^Touch:/ }).click()],
  [
    'a provenance',
    '/clients/[cameBefore]/track/visits',
    () => page.getByRole('button', { name: 'trade' }).first().click(),
  ],
];

test('what opens over a page or beside what was pressed fits the narrowest screen', async () => {
  await page.setViewportSize({ width: widths[0]!, height: 800 });
  for (const [what, at, open] of openings) {
    await page.goto(filledIn(at));
    await isWhole();
    await open();
    const opened = page.getByRole('dialog');
    await expect(opened, what).toBeVisible();
    const outside = () =>
      opened.evaluate((box) =>
        [box, ...box.querySelectorAll('*')].flatMap((part) => {
          const { left, right } = part.getBoundingClientRect();
          return left < 0 || right > window.innerWidth ? [`${part.tagName} from ${left} to ${right}`] : [];
        }),
      );
    await expect.poll(outside, { message: what, timeout: 5000 }).toEqual([]);
  }
});

test('what a page runs is compiled beside it as it comes, not function by function while it waits', async ({
  browser,
  page: fresh,
}) => {
  await browser.startTracing(fresh, { categories: ['disabled-by-default-v8.compile'] });
  await fresh.goto('/clients');
  await listens(fresh);
  const { traceEvents } = JSON.parse((await browser.stopTracing()).toString()) as { traceEvents: { name: string }[] };
  const oneByOne = traceEvents.filter(({ name }) => name === 'V8.ParseFunction').length;
  // Some thousand otherwise; what stands in the page itself is left.
  expect(oneByOne).toBeLessThan(400);
});
