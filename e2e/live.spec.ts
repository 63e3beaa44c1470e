import { type Page, expect, test } from '@playwright/test';
import { sharedStudio } from './support/server';
import { allSaved, expectAccessible, planItem as item, seedClient, seedPlan, tapsPast, seedRun } from './support/walk';

const server = sharedStudio();

// Nothing here goes by how a level glides, and the live screen is to hold for who wants less motion, too.
test.use({ contextOptions: { reducedMotion: 'reduce' } });

test.beforeAll(() => server.start());

const eventsOf = async (page: Page, runId: string) => {
  const response = await page.request.get(`${server.url}/api/runs/${runId}`);
  return ((await response.json()) as { events: { event: { type: string; who?: string } }[] }).events.map(
    ({ event }) => event,
  );
};

test('the tones of ten minutes begin within 5 ms of plan, as rendered', async ({ page }) => {
  await page.goto(`${server.url}/settings/sound`);
  await page.getByRole('button', { name: 'Measure it' }).click();
  const said = page.getByText(/tones, each within/);
  await expect(said).toBeVisible({ timeout: 60_000 });
  const [, tones, worst] = /(\d+) tones, each within ([\d.]+) ms/.exec((await said.textContent())!)!;
  // 60 breaths: each a tone a phase and one for the last second of each long one.
  expect(Number(tones)).toBeGreaterThan(200);
  expect(Number(worst)).toBeLessThan(5);
});

test('a pedal is learnt, told apart by its presses, and kept', async ({ page }) => {
  await page.clock.install();
  await page.goto(`${server.url}/settings/pedal`);
  await page.getByRole('button', { name: 'Learn a key' }).click();
  await page.keyboard.press('F8');
  await expect(page.getByText('F8', { exact: true }).first()).toBeVisible();
  const tried = page.getByRole('region', { name: 'Try it' });
  await page.clock.pauseAt(new Date(Date.now() + 60_000));
  await page.keyboard.press('F8');
  await page.clock.runFor(400);
  await expect(tried).toContainText('short');
  await page.keyboard.down('F8');
  await page.clock.runFor(700);
  await expect(tried).toContainText('long');
  await page.keyboard.up('F8');
  await page.keyboard.press('F8');
  await page.keyboard.press('F8');
  await expect(tried).toContainText('double');
  await page.clock.resume();
  await allSaved(page);
  await page.reload();
  await expect(page.getByText('F8', { exact: true }).first()).toBeVisible();
});

test('a group: who does the changed version, a mark and a stop for one tile, the rest going on', async ({ page }) => {
  await page.clock.install();
  const plan = [
    item('quiet-nose', { position: 'hook-lying', breaths: 10 }),
    item('half-dome-back', { position: 'prone over half-dome', props: ['halfDome'] }),
  ];
  const leader = await seedPlan(page, server.url, 'Annis Weir', plan);
  const other = await seedClient(page, server.url, 'Ilse Marram', undefined, { pregnancy: { weekOnDay: 24 } });
  await page.goto(`${server.url}/group`);
  await page.getByRole('button', { name: 'Ilse Marram' }).click();
  await expect(page.getByRole('row', { name: /Half-dome/ })).toContainText('not this');
  await expectAccessible(page, 'Group');
  await page.getByRole('button', { name: 'Open the run for 2' }).click();
  await page.getByRole('button', { name: 'Begin (Space)' }).click();
  await page.keyboard.press('n');
  await expect(page.locator('[data-phase]')).toBeVisible();
  await expectAccessible(page, 'the run of a group');
  const tile = page.getByRole('button', { name: /^Ilse Marram/ });
  await tile.click();
  await page.getByRole('button', { name: /^Fault, Ilse/ }).click();
  await tapsPast(page);
  await page
    .getByRole('button', { name: /name it/ })
    .first()
    .click();
  await page.getByRole('button', { name: /Stop Ilse/ }).click();
  const panel = page.getByRole('region', { name: 'Ilse Marram stopped' });
  await expect(panel).toContainText('breathe normally');
  await expect(page.locator('[data-phase]')).toHaveText(/IN|OUT/);
  await panel.getByRole('button', { name: 'dizziness' }).click();
  await panel.getByRole('button', { name: 'No more drills today' }).click();
  await expect(tile).toContainText('stopped');
  const runId = page.url().split('/').at(-1)!;
  await expect.poll(async () => (await eventsOf(page, runId)).at(-1)?.type).toBe('settled');
  const log = await eventsOf(page, runId);
  expect(log.filter(({ who }) => who === other).map(({ type }) => type)).toEqual(['fault', 'stop', 'settled']);
  await page.goto(`${server.url}/clients/${other}/coach`);
  await expect(page.getByText('In a group, on another’s plan.')).toBeVisible();
  await page.goto(`${server.url}/clients/${leader}/coach`);
  await expect(page.getByRole('link', { name: 'Go back to it' })).toBeVisible();

  // Left open, it is offered on Today, and closed with what was done.
  await page.goto(server.url);
  // The studio is shared: other tests may have left runs of their own.
  const open = page
    .getByRole('region', { name: 'Runs left open' })
    .getByRole('listitem')
    .filter({ hasText: 'Annis Weir' });
  await open.getByRole('button', { name: 'Close it with what was done' }).click();
  await expect(open).toHaveCount(0);
});

test('two devices on one run: the second is told, its mark is kept, and nothing is doubled', async ({
  page,
  browser,
}) => {
  await seedRun(page, server.url, 'Odo Bulrush', [item('quiet-nose', { breaths: 20 })]);
  const elsewhere = await browser.newContext();
  const second = await elsewhere.newPage();
  await second.goto(page.url());
  await expect(second.getByRole('button', { name: 'Begin (Space)' })).toBeEnabled();
  await page.keyboard.press(' ');
  await page.keyboard.press('n');
  await expect(page.locator('[data-phase]')).toBeVisible();
  await allSaved(page);
  // The second device thinks the run has not begun; its press comes to a place that is taken.
  await second.keyboard.press(' ');
  await expect(second.getByText('This run is being coached in another window')).toBeVisible();
  await expect(second.locator('[data-phase]')).toBeVisible();
  const runId = page.url().split('/').at(-1)!;
  const types = (await eventsOf(page, runId)).map(({ type }) => type);
  expect(types.filter((type) => type === 'start')).toHaveLength(1);
  await elsewhere.close();
});

test('holds: walking in steps, a rest that outlives a reload, and a client’s window without seconds', async ({
  page,
  context,
}) => {
  const clientId = await seedClient(page, server.url, 'Ness Harrow');
  await page.goto(`${server.url}/clients/${clientId}/look?protocol=calmHold`);
  const client = await context.newPage();
  await client.goto(`${server.url}/client-window`);
  await page.bringToFront();
  // The first times are lying or seated; the coach can say that those are behind them.
  await expect(page.getByRole('radio', { name: 'walking' })).toHaveCount(0);
  await page.getByRole('button', { name: /^They have held calmly before/ }).click();
  await page.getByRole('radio', { name: 'walking' }).click();
  await page.getByRole('button', { name: /Start the hold/ }).click();
  for (let step = 0; step < 5; step += 1) await page.keyboard.press(' ');
  await expect(client.getByRole('heading', { name: 'Breathe when you first want to' })).toBeVisible();
  await expect(client.getByRole('main')).not.toContainText(/\d/);
  await expect(page.getByRole('main').getByText(/\d+(\.\d)? s/)).toHaveCount(0);
  await page.getByRole('button', { name: 'The first wish to breathe' }).click();
  await expect(page.getByText(/s, 5 steps$/)).toBeVisible();
  await page.getByRole('radio', { name: 'calm' }).click();
  await page.getByRole('radio', { name: 'nose and quiet' }).click();
  await page.getByRole('button', { name: 'Record this try' }).click();
  await expect(page.getByRole('button', { name: /^Rest, \d+ s/ })).toBeVisible();
  await expect(client.getByRole('heading', { name: 'Rest' })).toBeVisible();
  await allSaved(page);
  await page.reload();
  await expect(page.getByRole('button', { name: /^Rest, \d+ s/ })).toBeVisible();
  await expect(page.getByText(/5 steps, the median of 1 calm try/)).toBeVisible();
  await expectAccessible(client, 'the client’s window');
});

test('the coach’s own breath is kept apart, and what is typed survives a reload', async ({ page }) => {
  await page.goto(`${server.url}/own-breath`);
  await page.getByLabel('A word on it, if you like').fill('hoarse by four');
  await page.reload();
  await expect(page.getByLabel('A word on it, if you like')).toHaveValue('hoarse by four');

  const hold = page.getByRole('region', { name: 'Calm exhale hold' });
  await hold.getByRole('button', { name: 'Start the hold' }).click();
  await hold.getByRole('button', { name: 'Breathe when you first want to' }).click();
  await page.reload();
  await hold.getByRole('radio', { name: 'calm' }).click();
  await hold.getByRole('radio', { name: 'nose and quiet' }).click();
  await hold.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText(/hold \d\.\d s, calm, nose and quiet/)).toBeVisible();

  await page.getByRole('slider', { name: 'Voice load, of 10' }).focus();
  await page.keyboard.press('End');
  await page.getByRole('region', { name: 'Voice' }).getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('voice 10 of 10: hoarse by four')).toBeVisible();
  await expectAccessible(page, 'Own breath');
});
