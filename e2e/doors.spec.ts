import { type Page, expect, test } from '@playwright/test';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { ownStudio } from './support/server';
import { allSaved, expectAccessible, listens, planItem, seedClient, seedPlan, tapsPast } from './support/walk';

const server = ownStudio();

test.beforeAll(() => server.start());

/** Changes a row of the studio's file from outside, as a bad disk or another program would. */
function change(sql: string, ...values: unknown[]) {
  const db = new Database(join(server.dataDir, 'studio.db'));
  db.pragma('busy_timeout = 4000');
  db.prepare(sql).run(...values);
  db.close();
}

test('a record that can’t be read is told of with its reason, saved as a file, put aside and brought back; the page stands', async ({
  page,
}) => {
  let visitId = '';
  const clientId = await seedClient(page, server.url, 'Wick Sandling', (visit) => {
    visitId = visit;
    return [];
  });
  change(
    `insert into looks (id, visit_id, protocol, version, moment, taken_at, raw, revision) values ('damaged', ?, 'quietLook', 1, 'before', ?, ?, 1)`,
    visitId,
    new Date().toISOString(),
    '{"position":"sitting","taps":[0,4,3',
  );
  for (const station of ['screen', 'look', 'track']) {
    await page.goto(`${server.url}/clients/${clientId}/${station}`);
    await expect(page.getByText('A record can’t be read.')).toBeVisible();
    await expect(page.getByText(/^Unannounced quiet look of .*: what is stored is damaged\.$/)).toBeVisible();
  }
  await expectAccessible(page, 'a record that can’t be read');
  const file = page.waitForEvent('download');
  await page.getByRole('link', { name: /^Save it as a file/ }).click();
  expect((await file).suggestedFilename()).toBe('record-looks.json');
  await page.getByRole('button', { name: /^Put it aside/ }).click();
  await expect(page.getByText('A record can’t be read.')).toHaveCount(0);
  await page.goto(`${server.url}/settings`);
  await expect(page.getByRole('heading', { name: 'Records put aside' })).toBeVisible();
  await expectAccessible(page, 'records put aside');
  await page.getByRole('button', { name: /^Bring it back/ }).click();
  await expect(page.getByRole('heading', { name: 'Records put aside' })).toHaveCount(0);
});

test('two taps at one hundredth of a second, already in the file, take no page away', async ({ page }) => {
  let visitId = '';
  const clientId = await seedClient(page, server.url, 'Tilda Quayle', (visit) => {
    visitId = visit;
    return [];
  });
  change(
    `insert into looks (id, visit_id, protocol, version, moment, taken_at, raw, revision) values ('tapped', ?, 'quietLook', 1, 'before', ?, ?, 1)`,
    visitId,
    new Date().toISOString(),
    JSON.stringify({ position: 'sitting', taps: [0, 0, 4, 4.01, 8, 12, 16] }),
  );
  for (const path of [
    '/',
    '/group',
    `/clients/${clientId}/screen`,
    `/clients/${clientId}/read`,
    `/clients/${clientId}/track`,
  ]) {
    const answer = await page.goto(server.url + path);
    expect(answer?.status()).toBe(200);
  }
  await expect(page.getByText(/15\.0 a minute/).first()).toBeVisible();
});

test('a refusal of what nobody waits for is shown on whatever page is open, with what was typed, until it was read', async ({
  page,
}) => {
  const clientId = await seedClient(page, server.url, 'Jonah Reedmace');
  // Somebody signs the visit elsewhere; this page still offers to change the list of looks.
  await page.goto(`${server.url}/clients/${clientId}/look`);
  await expect(page.getByRole('navigation', { name: 'Looks' })).toBeVisible();
  change(
    `insert into visit_notes (visit_id, at, text, home, revision, signed_at) select id, started_at, 'Signed.', '[]', 1, ? from visits where client_id = ?`,
    new Date().toISOString(),
    clientId,
  );
  await page.getByRole('radio', { name: 'Full' }).click();
  await expect(page.getByText('The list of looks: it was not saved')).toBeVisible();
  await expect(page.getByText(/^This visit is signed and stays as it is/)).toBeVisible();
  await page.goto(`${server.url}/settings`);
  await expect(page.getByText(/^list protocols: quiet look, two hands/)).toBeVisible();
  await page.getByRole('button', { name: 'I have noted it' }).click();
  await page.reload();
  await expect(page.getByText('The list of looks: it was not saved')).toHaveCount(0);
});

const logEmergency = async (page: Page, clientId: string) => {
  await page.goto(`${server.url}/clients/${clientId}/screen`);
  await page.getByText('Something came up after all').click();
  await page.getByRole('button', { name: /chest pain/i }).click();
  await page.getByRole('button', { name: 'It is happening: log it and stop' }).click();
  await expect(page.getByRole('heading', { name: /^Stop/ }).first()).toBeVisible();
};

test('an emergency logged while a run waits ends it, and nothing sets it going again @first', async ({
  page,
  context,
}) => {
  const clientId = await seedPlan(page, server.url, 'Petra Lowtide', [planItem('quiet-nose', {})]);
  await page.goto(`${server.url}/clients/${clientId}/coach`);
  await page.getByRole('button', { name: 'Open the run' }).click();
  await expect(page.getByRole('button', { name: 'Begin (Space)' })).toBeEnabled();
  await page.keyboard.press(' ');
  await expect(page.getByRole('button', { name: /^Ready/ })).toBeEnabled();
  const other = await context.newPage();
  await logEmergency(other, clientId);
  await other.goto(`${server.url}/`);
  await expect(other.getByRole('heading', { name: 'Runs left open' })).toHaveCount(0);
  // The live screen learns of it by itself, and says what to do instead of pacing on.
  await expect(page.getByRole('heading', { name: /^Stop\. Call/ })).toBeVisible();
  await expect(page.locator('[data-phase]')).toHaveCount(0);
});

test('an emergency told on another device holds a group’s run and says whose it is; the others go on when they are sent on', async ({
  page,
  browser,
}) => {
  await page.clock.install();
  await seedPlan(page, server.url, 'Annis Weir', [planItem('quiet-nose', { breaths: 20 })]);
  const clientId = await seedClient(page, server.url, 'Ilse Marram');
  await page.goto(`${server.url}/group`);
  await page.getByRole('button', { name: 'Ilse Marram' }).click();
  await page.getByRole('button', { name: 'Open the run for 2' }).click();
  await page.getByRole('button', { name: 'Begin (Space)' }).click();
  await page.keyboard.press('n');
  await expect(page.locator('[data-phase]')).toBeVisible();
  const desk = await browser.newContext();
  await logEmergency(await desk.newPage(), clientId);
  await desk.close();
  await expect(page.getByRole('heading', { name: /^Stop\. Call/ })).toBeVisible();
  await expect(page.getByText(/^Ilse Marram, logged today: chest pain/)).toBeVisible();
  await expect(page.locator('[data-phase]')).toHaveCount(0);
  await expectAccessible(page, 'an emergency in a group');
  // It came by itself: whoever is about to press something else presses nothing in it for a moment.
  await tapsPast(page);
  await page.getByRole('button', { name: 'They are looked after: the others can go on' }).click();
  await expect(page.getByRole('button', { name: /^Ilse Marram/ })).toContainText('stopped');
  await expect(page.getByText('only looks')).toHaveCount(0);
  await expect(page.getByText('WAITING', { exact: true })).toBeVisible();
  await page.keyboard.press(' ');
  await expect(page.locator('[data-phase]')).toHaveText(/IN|OUT/);
  await allSaved(page);
  await page.reload();
  await expect(page.getByRole('button', { name: /^Ilse Marram/ })).toContainText('stopped');
});

test('a script that got into a page does not run; the page’s own do @first', async ({ page }) => {
  const answer = await page.goto(server.url);
  expect(answer?.headers()['content-security-policy']).toMatch(/script-src 'self' 'nonce-[^']+';/);
  const ran = await page.evaluate(() => {
    const script = document.createElement('script');
    script.textContent = 'window.ran = true';
    document.body.append(script);
    return (window as { ran?: boolean }).ran ?? false;
  });
  expect(ran).toBe(false);
  await listens(page);
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('combobox')).toBeVisible();
});
