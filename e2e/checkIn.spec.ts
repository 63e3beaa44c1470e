import { type Page, expect, test } from '@playwright/test';
import jsqr from 'jsqr';
import sharp from 'sharp';
import { v7 as uuid } from 'uuid';
import { ownStudio } from './support/server';
import { allSaved, expectAccessible, planItem, seedCoached } from './support/walk';

const server = ownStudio();
test.beforeAll(() => server.start());

const items = () => [
  planItem('quiet-nose', { position: 'sitting', breaths: 4 }),
  planItem('two-hand-belly', { position: 'sitting', breaths: 4 }),
];

/** Somebody to whom something was handed over, and the page of Carry home it was handed over on. */
async function handedTo(page: Page, name: string) {
  const { clientId, visitId } = await seedCoached(page, server.url, name, items());
  await page.goto(`${server.url}/clients/${clientId}/carry`);
  await page.getByRole('button', { name: /^Send these 2 home/ }).click();
  for (const out of ['Sheet (PDF)', 'Page for the phone'])
    await page.getByRole('button', { name: out, exact: true }).click();
  await page.getByRole('button', { name: 'Hand it over' }).click();
  await expect(page.getByText('Handed over.')).toBeVisible();
  await allSaved(page);
  return { clientId, visitId };
}

const madeLink = async (page: Page) => {
  await page.getByRole('button', { name: /^Make (the|a new) link/ }).click();
  const link = page.getByText(/\/check-in\//);
  await expect(link).toBeVisible();
  return link.innerText();
};

test('a client says on a phone how it goes; the coach sees it; the page says nothing else', async ({
  page,
  browser,
}) => {
  const { clientId } = await handedTo(page, 'Tamsin Fenwreath');
  await seedCoached(page, server.url, 'Jory Pike', items());
  const link = await madeLink(page);
  await expectAccessible(page, 'Carry home with a link');

  // What a camera reads of it, by a reader of its own.
  const code = page.getByRole('img', { name: /^The link as a code/ });
  const drawn = await code.evaluate((svg) => new XMLSerializer().serializeToString(svg));
  const { data, info } = await sharp(Buffer.from(drawn))
    .resize(480, 480)
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  expect(jsqr(Uint8ClampedArray.from(data), info.width, info.height)?.data).toBe(link);

  const phone = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  const theirs = await phone.newPage();
  const asked: string[] = [];
  theirs.on('request', (request) => asked.push(new URL(request.url()).pathname));
  await theirs.goto(link);
  await expect(theirs.getByRole('heading', { name: 'Quiet nose breath' })).toBeVisible();
  await expectAccessible(theirs, 'check-in');
  expect(await theirs.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  const whole = await theirs.content();
  for (const word of ['Tamsin', 'Jory', 'My studio', clientId])
    expect([word, whole.includes(word)]).toEqual([word, false]);
  await theirs.getByRole('radio', { name: 'All of it' }).first().click();
  await theirs.getByRole('radio', { name: 'Some of it' }).nth(1).click();
  await theirs.getByRole('radio', { name: 'easier' }).first().click();
  await theirs.getByRole('button', { name: 'Leaked' }).click();
  await expect(theirs.getByText(/^Stop and breathe normally/)).toBeVisible();
  // Out of reach, nothing that was ticked is lost; a page opened again has it.
  await phone.setOffline(true);
  await theirs.getByRole('button', { name: 'Send it' }).click();
  await expect(theirs.getByText(/there is no connection/)).toBeVisible();
  await phone.setOffline(false);
  await theirs.reload();
  await expect(theirs.getByRole('radio', { name: 'All of it' }).first()).toBeChecked();
  await theirs.getByRole('button', { name: 'Send it' }).click();
  await expect(theirs.getByText('Sent. Your coach sees it before you come.')).toBeVisible();
  // Another link on the same phone, begun the same day, shows nothing of this one's ticks, sent or not.
  await theirs.getByRole('radio', { name: 'Some of it' }).first().click();
  // It asked for nothing but itself, its files and the one place it tells to.
  expect(
    asked.filter((path) => !/^\/(check-in\/|_next\/static\/|api\/check-in$|icon\.svg$|favicon\.ico$)/.test(path)),
  ).toEqual([]);

  await page.goto(`${server.url}/clients/${clientId}/track/visits`);
  await expect(page.getByText(/leaking/).first()).toBeVisible();
  await page.goto(`${server.url}/clients/${clientId}/track/record`);
  await page.getByText('entries, the newest first').click();
  await expect(page.getByRole('listitem').filter({ hasText: 'told from home' })).toBeVisible();

  const { clientId: other } = await handedTo(page, 'Merryn Vane');
  await page.goto(`${server.url}/clients/${other}/carry`);
  await theirs.goto(await madeLink(page));
  await expect(theirs.getByRole('radio', { name: 'Not today' }).first()).toBeChecked();

  // A new link takes the place of the old one; ended, it opens nothing, and says nothing of why.
  await page.goto(`${server.url}/clients/${clientId}/carry`);
  const second = await madeLink(page);
  await theirs.goto(link);
  await expect(theirs.getByRole('heading', { name: 'This link is over' })).toBeVisible();
  const over = await theirs.locator('main').innerText();
  await theirs.goto(second);
  await expect(theirs.getByRole('heading', { name: 'Quiet nose breath' })).toBeVisible();
  await page.getByRole('button', { name: 'End the link' }).click();
  await expect(page.getByRole('button', { name: 'End the link' })).toHaveCount(0);
  for (const address of [second, `${server.url}/check-in/${'x'.repeat(43)}`, `${server.url}/check-in/x`]) {
    await theirs.goto(address);
    expect(await theirs.locator('main').innerText()).toBe(over);
  }
  await phone.close();
});

test('guessed words, nonsense and too much are turned away; nothing of it is written', async ({ page }) => {
  const { clientId } = await handedTo(page, 'Senara Wick');
  const link = await madeLink(page);
  const word = link.split('/').at(-1)!;
  const tell = (body: object, headers: Record<string, string> = {}) =>
    page.request.post(`${server.url}/api/check-in`, { data: body, headers });
  const said = { day: 0, done: ['all', 'all'], felt: [], signs: [] };
  for (const bad of [
    {},
    { word, said: { ...said, day: 14 } },
    { word, said: { ...said, day: -1 } },
    { word, said: { ...said, done: [] } },
    { word, said: { ...said, signs: ['cured'] } },
    { word, said: { ...said, done: 'all' } },
    { word: 'x'.repeat(5000), said },
    { word, said: { ...said, note: '<script>' }, more: 'x'.repeat(9000) },
  ]) {
    expect((await tell(bad)).status()).toBe(400);
  }
  expect((await tell({ word, said }, { origin: 'http://elsewhere.example' })).status()).toBe(403);
  expect((await tell({ word, said })).status()).toBe(200);
  const statuses: number[] = [];
  for (let i = 0; i < 8; i += 1) statuses.push((await tell({ word: uuid() + uuid().slice(0, 7), said })).status());
  expect(statuses.slice(0, 5).every((status) => status === 404)).toBe(true);
  expect(statuses).toContain(429);
  await page.goto(`${server.url}/clients/${clientId}/track/record`);
  await page.getByText('entries, the newest first').click();
  await expect(page.getByRole('listitem').filter({ hasText: 'told from home' })).toHaveCount(1);
});
