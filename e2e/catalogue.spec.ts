import { readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { ownStudio } from './support/server';
import { allSaved, expectAccessible, seedReading } from './support/walk';

const server = ownStudio();
test.beforeAll(() => server.start());

test('the catalogue is browsed, searched and compared', async ({ page }) => {
  await page.goto(server.url);
  await page.getByRole('link', { name: 'Catalogue' }).click();
  const status = page.getByRole('status').filter({ hasText: /drills?$|drills?,/ });
  await expect(status).toHaveText(/^\d\d drills$/);
  // Figures are drawn as one comes to them; on paper all of them are.
  const rows = page.getByRole('listitem').filter({ has: page.getByRole('checkbox', { name: /^Compare/ }) });
  const drawn = rows.locator('svg');
  await expect(rows.first().locator('svg')).toBeVisible();
  expect(await drawn.count()).toBeLessThan((await rows.count()) / 2);
  await rows.last().scrollIntoViewIfNeeded();
  await expect(rows.last().locator('svg')).toBeVisible();
  await page.evaluate(() => window.dispatchEvent(new Event('beforeprint')));
  await expect(drawn).toHaveCount(await rows.count());
  await page.getByRole('searchbox', { name: 'Find' }).fill('lantern');
  await expect(page.getByRole('link', { name: /^Lantern all round/ })).toBeVisible();
  await page.getByRole('button', { name: 'Everything' }).click();
  await page.getByLabel('Allowed with').selectOption({ label: 'pregnancy' });
  await expect(page.getByRole('link', { name: /^Half-dome back opener/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Everything' }).click();
  await page.getByLabel('Compare Two-hand belly breath').check();
  await page.getByLabel('Compare Hook-lying stack').check();
  await page.getByRole('button', { name: 'Compare', exact: true }).click();
  await expect(page.getByText(/contradict each other on belly on inhale/)).toBeVisible();
  for (const [link, heading] of [
    ['Positions', 'Positions, easiest to hardest'],
    ['Props, cues, faults', 'Props, cues and faults'],
    ['Where schools differ', 'Where schools differ'],
  ] as const) {
    await page.getByRole('navigation', { name: 'Catalogue' }).getByRole('link', { name: link }).click();
    await expect(page.getByRole('heading', { level: 1, name: heading })).toBeVisible();
  }
  await page.goto(`${server.url}/catalogue/side-bend-open`);
  await expect(page.getByRole('img', { name: /^Side bend, hand on the open side/ })).toBeVisible();
});

test('a drill of one’s own: copied, changed, kept through a closed tab, mended, planned with, taken out and brought back', async ({
  page,
}) => {
  await page.goto(`${server.url}/catalogue/towel-hug`);
  await page.getByRole('link', { name: 'Copy and change' }).click();
  await page.getByLabel('Name').fill('Hug by the harbour');
  await page.getByLabel('Cue 1', { exact: true }).fill('one two three four five six');
  await page.reload();
  await expect(page.getByLabel('Name')).toHaveValue('Hug by the harbour');
  await page.getByRole('button', { name: 'Keep the drill' }).click();
  await expect(page.getByText('Not kept yet: 1 to mend.')).toBeVisible();
  await expect(page.getByLabel('Cue 1', { exact: true })).toHaveValue('one two three four five six');
  await expectAccessible(page, 'the drill editor');
  await page.getByLabel('Cue 1', { exact: true }).fill('Fill it all round');
  await page.getByRole('button', { name: 'Keep the drill' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Hug by the harbour' })).toBeVisible();
  await allSaved(page);

  const clientId = await seedReading(page, server.url, 'Loveday Crabpot');
  await page.goto(`${server.url}/clients/${clientId}/sequence`);
  await page.getByText('Avoid a position, ask for a drill').click();
  await page.getByLabel('Must be in').selectOption({ label: 'Hug by the harbour' });
  await page.getByRole('button', { name: 'Make the plan' }).click();
  await expect(page.getByRole('list', { name: 'Drills in order' })).toContainText('Hug by the harbour');

  await page.goto(`${server.url}/catalogue/my-towel-hug-1`);
  await page.getByRole('button', { name: 'Take out' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Drills' })).toBeVisible();
  await expect(page.getByRole('link', { name: /^Hug by the harbour/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('link', { name: /^Hug by the harbour/ })).toBeVisible();
  // What was planned keeps the drill as it was, whatever became of it.
  await page.goto(`${server.url}/clients/${clientId}/sequence`);
  await expect(page.getByRole('list', { name: 'Drills in order' })).toContainText('Hug by the harbour');
});

test('drills go out as a file and come back; a file with a fault is taken in not at all, and told by line', async ({
  page,
}) => {
  await page.goto(`${server.url}/catalogue`);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export the built-in ones' }).click(),
  ]);
  const file = JSON.parse(readFileSync(await download.path(), 'utf8')) as {
    drills: { id: string; name: string; level: number }[];
  };
  const [one, two] = [
    { ...file.drills.find(({ id }) => id === 'quiet-nose')!, id: 'my-quiet', name: 'Quiet as the marsh' },
    { ...file.drills.find(({ id }) => id === 'soft-hiss')!, id: 'my-hiss', name: 'Hiss of the tide' },
  ];
  const write = (name: string, drills: object[]) => {
    const path = join(tmpdir(), name);
    writeFileSync(path, JSON.stringify({ ...file, drills }, null, 2));
    return path;
  };
  const input = page.locator('input[type=file]');
  await input.setInputFiles(write('kokyu-bad.json', [one, { ...two, level: 12 }]));
  const notice = page.getByRole('alert').filter({ hasText: 'Nothing was taken in from kokyu-bad.json' });
  await expect(notice).toContainText(/line \d+“Hiss of the tide”, level/);
  await expect(page.getByRole('link', { name: /^Quiet as the marsh/ })).toHaveCount(0);
  await input.setInputFiles(write('kokyu-good.json', [one, two]));
  await expect(page.getByRole('link', { name: /^Quiet as the marsh/ })).toBeVisible();
  await expect(page.getByRole('link', { name: /^Hiss of the tide/ })).toBeVisible();
  await expect(notice).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('link', { name: /^Hiss of the tide/ })).toHaveCount(0);
});
