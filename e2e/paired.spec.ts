import { type Browser, type BrowserContext, type Page, expect, test } from '@playwright/test';
import jsqr from 'jsqr';
import sharp from 'sharp';
import { v7 as uuid } from 'uuid';
import { testServer } from './support/server';
import { allSaved, expectAccessible, planItem, seedRun } from './support/walk';

const server = testServer(4358);
const wren = { name: 'Wren Addo', passphrase: 'heron lamp quiet barrow' };
const name = 'Tamsin Fenwreath';
const items = [planItem('quiet-nose', { breaths: 20 }), planItem('two-hand-belly', { breaths: 20 })];

const still = { reducedMotion: 'reduce' } as const;
// Nothing here goes by how a level glides, and every screen is to hold for who wants less motion, too.
test.use({ contextOptions: still });

test.beforeAll(() => server.start());
test.afterAll(() => server.close());

/** A page whose browser is signed in; without a passphrase it would be the first to set one. */
async function signedIn(page: Page) {
  const answer = await page.request.post(`${server.url}/api/access`, { data: { ask: 'setUp', ...wren } });
  if (answer.ok()) return;
  const again = await page.request.post(`${server.url}/api/access`, { data: { ask: 'signIn', ...wren } });
  expect(again.ok()).toBe(true);
}

const opened: BrowserContext[] = [];
test.afterEach(async () => {
  for (const context of opened.splice(0)) await context.close();
});

/** A device of its own, without a session. */
async function device(browser: Browser, width: number, height: number): Promise<Page> {
  const context = await browser.newContext({ ...still, viewport: { width, height }, hasTouch: true });
  opened.push(context);
  return context.newPage();
}

async function codeFor(page: Page, kind: 'second screen' | 'remote') {
  await page.getByRole('button', { name: `Add a ${kind}` }).click();
  const shown = page.locator(`[data-pair-code=${kind === 'remote' ? 'remote' : 'screen'}]`);
  await expect(shown).toBeVisible();
  return shown.getByText(/\/paired\//).innerText();
}

/** Presses a place whose meaning has just changed: for a moment it is deaf, so that a second tap of a fast finger does nothing. */
const press = (phone: Page, from: RegExp, to: RegExp) =>
  expect(async () => {
    const place = phone.getByRole('button', { name: from }).first();
    if (await place.isVisible()) await place.click();
    await expect(phone.getByRole('button', { name: to }).first()).toBeEnabled({ timeout: 500 });
  }).toPass();

const typesOf = async (page: Page) => {
  const runId = page.url().split('/').at(-1)!;
  const response = await page.request.get(`${server.url}/api/runs/${runId}`);
  return ((await response.json()) as { events: { event: { type: string } }[] }).events.map(({ event }) => event.type);
};

test('a tablet shows and a phone steers one run: by a code each, without a name, and only until it ends', async ({
  page,
  browser,
}) => {
  await signedIn(page);
  await seedRun(page, server.url, name, items);
  await page.getByRole('button', { name: 'Other screens' }).click();

  const forScreen = await codeFor(page, 'second screen');
  const drawn = await page
    .getByRole('img', { name: /^Code for the second screen/ })
    .evaluate((svg) => new XMLSerializer().serializeToString(svg));
  const { data, info } = await sharp(Buffer.from(drawn))
    .resize(480, 480)
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  expect(jsqr(Uint8ClampedArray.from(data), info.width, info.height)?.data).toBe(forScreen);

  const tablet = await device(browser, 1024, 768);
  await tablet.goto(forScreen);
  await expect(tablet).toHaveURL(`${server.url}/paired/screen`);
  await expect(tablet.getByRole('heading', { name: 'Rest' })).toBeVisible();
  await expect(page.getByText('It is here.')).toBeVisible();

  // The code is used up: whoever took a picture of it gets nothing.
  const stranger = await device(browser, 390, 844);
  await stranger.goto(forScreen);
  await expect(stranger.getByRole('alert').filter({ hasText: /another device has used it/ })).toBeVisible();

  const phone = await device(browser, 390, 844);
  const asked: string[] = [];
  phone.on('request', (request) => asked.push(new URL(request.url()).pathname));
  await phone.goto(await codeFor(page, 'remote'));
  await expect(page.getByText(/^Remote, Chrome.*: here$/)).toBeVisible();
  await expectAccessible(page, 'Other screens');

  await phone.getByRole('button', { name: /^Begin/ }).click();
  await press(phone, /^Ready/, /^Next/);
  await expect(page.locator('[data-phase]')).toHaveText(/IN|OUT/);
  await expect(tablet.locator('[data-client=breathing]')).toBeVisible();
  // One clock: the tablet breathes as the live screen does. Asked several times, since a phase may turn between two questions.
  const together = async () => {
    const [here, there] = await Promise.all([
      page.locator('[data-phase]').getAttribute('data-phase'),
      tablet.locator('[data-client-phase]').getAttribute('data-client-phase'),
    ]);
    return here !== null && here === there;
  };
  for (let n = 0; n < 4; n += 1) await expect.poll(together, { intervals: [40], timeout: 3000 }).toBe(true);
  await expectAccessible(phone, 'remote');
  await expectAccessible(tablet, 'second screen');

  await press(phone, /^Wait/, /^Go on/);
  await expect(tablet.getByRole('heading', { name: 'Wait' })).toBeVisible();
  await press(phone, /^Go on/, /^Wait/);
  // A second press of a fast finger names nothing: it is made in the page, right as the names stand there.
  const second = phone.evaluate(
    () =>
      new Promise<number>((asked) => {
        const look = () => {
          const offered = [...document.querySelectorAll('button')].find((one) => one.textContent?.includes('name it'));
          if (!offered) return requestAnimationFrame(look);
          return requestAnimationFrame(() => {
            const { fetch } = window;
            let asks = 0;
            window.fetch = (...of) => {
              asks += 1;
              return fetch(...of);
            };
            offered.click();
            window.fetch = fetch;
            asked(asks);
          });
        };
        look();
      }),
  );
  await phone.getByRole('button', { name: /^Fault/ }).click();
  const offered = phone.getByRole('button', { name: /name it/ });
  await expect(offered).toHaveCount(3);
  expect(await second).toBe(0);
  await press(phone, /name it/, /^Fault/);
  await press(phone, /^Next/, /^Ready/);
  await expect(phone.getByRole('heading')).toContainText('Set up');
  await allSaved(page);
  expect(await typesOf(page)).toEqual(expect.arrayContaining(['start', 'pause', 'resume', 'fault', 'named', 'jump']));

  for (const other of [phone, tablet]) expect(await other.content()).not.toContain('Tamsin');
  expect([...new Set(asked)].filter((path) => path.startsWith('/api/'))).toEqual([
    '/api/paired/claim',
    '/api/paired/follow',
    '/api/paired/press',
  ]);
  // To the rest of the studio the devices are strangers.
  expect((await phone.request.get(`${server.url}/api/clients`)).status()).toBe(401);
  expect((await phone.request.get(page.url().replace('/run/', '/api/runs/'))).status()).toBe(401);

  // A reload leaves each what it was.
  await phone.reload();
  await tablet.reload();
  await phone.getByRole('button', { name: /Stop/ }).click();
  await expect(page.getByRole('region', { name: 'Stopped' })).toBeVisible();
  await expect(phone.getByText('Go on from the live screen.')).toBeVisible();
  await expect(tablet.getByRole('heading', { name: 'Breathe normally' })).toBeVisible();
  await page.getByRole('button', { name: 'Settled: end the drills for today' }).click();
  await expect(phone.getByText('This run is over')).toBeVisible();
  await expect(tablet.getByText('That was all for now.')).toBeVisible();
  const late = { id: uuid(), act: 'begin', at: 0 };
  expect((await phone.request.post(`${server.url}/api/paired/press`, { data: late })).status()).toBe(404);
  expect((await tablet.request.get(`${server.url}/api/paired/follow?as=screen`)).status()).toBe(204);
});

test('without the live screen a remote says so, and a device that was sent away sees nothing more', async ({
  page,
  browser,
}) => {
  await signedIn(page);
  await seedRun(page, server.url, 'Odo Bulrush', items);
  await page.getByRole('button', { name: 'Other screens' }).click();
  const phone = await device(browser, 390, 844);
  await phone.goto(await codeFor(page, 'remote'));
  await phone.getByRole('button', { name: /^Begin/ }).click();
  await expect(phone.getByRole('button', { name: /^Wait/ })).toBeEnabled();
  await allSaved(page);

  // The coach locks their screen: the run goes on, and so does the remote.
  const runPage = page.url();
  await page.request.post(`${server.url}/api/access`, { data: { ask: 'lock' } });
  await press(phone, /^Wait/, /^Go on/);
  await page.request.post(`${server.url}/api/access`, { data: { ask: 'unlock', passphrase: wren.passphrase } });

  // The server is killed and comes back: both find each other again.
  await server.kill();
  await expect(phone.getByText('The live screen does not answer. Go to it.')).toBeVisible({ timeout: 8000 });
  await server.start();
  await expect(phone.getByText('The live screen does not answer. Go to it.')).toBeHidden();
  await press(phone, /^Go on/, /^Wait/);

  await page.goto('about:blank');
  await expect(phone.getByText('The live screen does not answer. Go to it.')).toBeVisible({ timeout: 8000 });
  await expect(phone.getByRole('button', { name: /^Wait/ })).toBeDisabled();
  // Stop is always tried, and told when nobody heard it.
  await phone.getByRole('button', { name: /Stop/ }).click();
  await page.goto(runPage);
  await page.getByRole('button', { name: 'Other screens' }).click();
  await expect(page.getByText(/^Remote, Chrome.*: here$/)).toBeVisible();
  await page.getByRole('button', { name: 'End the remote' }).click();
  await expect(phone.getByText('This run is over')).toBeVisible();
});
