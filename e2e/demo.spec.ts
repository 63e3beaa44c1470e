import { expect, test } from '@playwright/test';
import { watchMoves } from './support/still';
import { allSaved, expectAccessible, listens } from './support/walk';

// The demo studio as it is; only Odile’s visit of today is begun.

test('Today says who comes and what each needs, in both themes', async ({ page, context, baseURL }) => {
  for (const theme of ['light', 'dark']) {
    await context.addCookies([{ name: 'theme', value: theme, url: baseURL! }]);
    await page.goto('/');
    await expect(page.getByText('5 expected.')).toBeVisible();
    await expect(page.getByRole('listitem').filter({ hasText: 'Ilse Marrow' })).toContainText('pregnant, week 29');
    await expect(page.getByRole('listitem').filter({ hasText: 'Odile Pennyroyal' })).toContainText('ended in a stop');
    await expect(page.locator('html')).toHaveAttribute('data-theme', theme);
  }
});

test('Track shows rate, hold and ease over visits', async ({ page }) => {
  await page.goto('/clients?find=Bram');
  await page.getByRole('link', { name: 'Bram Okkerly' }).click();
  await expect(page.getByRole('heading', { name: 'Screen', exact: true })).toBeVisible();
  await page.keyboard.press('7');
  // Without a visit today it opens over visits.
  await expect(page).toHaveURL(/track\/visits$/);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Deep-breath ease up \d\.\d: larger/);
  await page.getByRole('region', { name: 'Calm exhale hold' }).getByText('All 3 values').click();
  const rows = page.getByRole('table', { name: 'Calm exhale hold by visit' }).getByRole('row');
  await expect(rows).toHaveText([/14 s/, /12 s/, /9 s/]);
  await expect(page.getByRole('img', { name: /resting rate over 3 visits/i })).toBeVisible();
  // On a phone the line of stations is longer than the screen: where one is stands in sight.
  await page.setViewportSize({ width: 390, height: 844 });
  for (const [key, name] of [
    ['1', 'Screen'],
    ['7', 'Track'],
  ] as const) {
    await page.keyboard.press(key);
    await expect(page.locator('[aria-current=page]').filter({ hasText: name })).toBeInViewport({ ratio: 1 });
  }
});

test('a page asks for no other page until somebody goes there; the find box finds a client and goes there', async ({
  page,
}) => {
  const pages: string[] = [];
  page.on('request', (request) => {
    if (request.isNavigationRequest() || 'rsc' in request.headers()) pages.push(new URL(request.url()).pathname);
  });
  await page.goto('/settings');
  expect(pages).toEqual(['/settings']);
  await page.keyboard.press('Control+k');
  await page.keyboard.type('fenw');
  await expect(page.getByPlaceholder('A name, or where to go')).toHaveValue('fenw');
  await expect(page.getByRole('option', { name: 'Tamsin Fenwreath' })).toBeVisible();
  await expectAccessible(page, 'the find box');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Left side of the ribs feels stuck').first()).toBeVisible();
});

test('a later visit opens with what changed, and the answer stays', async ({ page }) => {
  await page.goto('/');
  const odile = page.getByRole('listitem').filter({ hasText: 'Odile' });
  await odile.getByRole('button', { name: /^Begin/ }).click();
  await expect(page.getByRole('heading', { name: /^What changed since/ })).toBeVisible();
  await page.getByRole('button', { name: 'Nothing changed', exact: true }).click();
  await expect(page.getByText('Asked today: nothing changed.')).toBeVisible();
  await allSaved(page);
  await page.reload();
  await expect(page.getByText('Asked today: nothing changed.')).toBeVisible();
  await page.getByText(/^History: \d+ entries/).click();
  await expect(page.getByText('blood pressure, on tablets, stable').first()).toBeVisible();
  await expectAccessible(page, 'Screen of a later visit');
});

test('nothing on a page moves by itself once it is shown, on a slow machine neither', async ({ page }) => {
  await page.goto('/clients?find=Odile');
  const of = await page.getByRole('link', { name: 'Odile Pennyroyal' }).getAttribute('href');
  const moved = await watchMoves(page);
  const stations = ['screen', 'look', 'sequence', 'coach', 'track/visits'].map((station) => `${of}/${station}`);
  for (const path of [...stations, '/week', '/catalogue/load-breath']) {
    await page.goto(path);
    expect(await moved(), path).toEqual([]);
  }
  // Gone to from a page that stands.
  await page.goto(`${of}/read`);
  await listens(page);
  for (const [key, station] of Object.entries({ 1: 'screen', 4: 'sequence' })) {
    await page.keyboard.press(key);
    await expect(page).toHaveURL(`${of}/${station}`);
    expect(await moved(), station).toEqual([]);
  }
});
