import { expect, test } from '@playwright/test';
import { testServer } from './support/server';
import { expectAccessible, seedClient } from './support/walk';

const server = testServer(4347);

test.beforeAll(() => server.start());
test.afterAll(() => server.close());

test('a copy is made by hand, checked, listed, and found by who puts one back', async ({ page }) => {
  await seedClient(page, server.url, 'Tegen Brook');
  await page.goto(`${server.url}/settings`);
  await page.getByRole('link', { name: 'Records and copies' }).click();
  await expect(page.getByText(/the first is made five minutes after/)).toBeVisible();
  await expectAccessible(page, 'records');
  await page.getByRole('button', { name: 'Copy now' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Copied and checked: 1 clients, 1 visits' })).toBeVisible({
    timeout: 30_000,
  });
  await expect(
    page.getByRole('listitem').filter({ hasText: /^studio-\d{4}.*1 clients, 1 visits, 0 pictures/ }),
  ).toBeVisible();
  // From another origin nobody has one made.
  const answer = await page.request.post(`${server.url}/api/copies`, { headers: { origin: 'http://elsewhere.test' } });
  expect(answer.status()).toBe(403);
});

test('whoever asks for their record gets it, to read and whole; nobody else’s address gives any', async ({ page }) => {
  const clientId = await seedClient(page, server.url, 'Senara Wick');
  await page.goto(`${server.url}/clients/${clientId}/track/record`);
  const all = page.getByRole('region', { name: 'All that is kept of them' });
  await expectAccessible(page, 'their record');
  const [pdf] = await Promise.all([
    page.waitForEvent('download'),
    all.getByRole('button', { name: 'To read (PDF)' }).click(),
  ]);
  // The name of the file says nothing of whose it is.
  expect(pdf.suggestedFilename()).toBe('record.pdf');
  const [zip] = await Promise.all([
    page.waitForEvent('download'),
    all.getByRole('link', { name: /^Everything/ }).click(),
  ]);
  expect(zip.suggestedFilename()).toBe('record.zip');
  const record = await page.request.get(`${server.url}/api/clients/${clientId}/record`);
  expect(record.headers()['content-type']).toBe('application/zip');
  expect(record.headers()['cache-control']).toBe('no-store');
  for (const id of ['00000000-0000-4000-8000-000000000000', '..%2f..', 'x'])
    expect([400, 404]).toContain((await page.request.get(`${server.url}/api/clients/${id}/record`)).status());
});
