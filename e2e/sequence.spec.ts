import { readFileSync } from 'node:fs';
import { type Page, expect, test } from '@playwright/test';
import { sharedStudio } from './support/server';
import { watchMoves } from './support/still';
import { allSaved, expectAccessible, letGoAt, seedReading } from './support/walk';

const server = sharedStudio();
test.beforeAll(() => server.start());

const bars = (page: Page) => page.getByRole('list', { name: 'Drills in order' }).getByRole('listitem');
const heads = (page: Page) => bars(page).getByRole('button');
const names = (page: Page) => heads(page).evaluateAll((all) => all.map((one) => one.textContent ?? ''));
const breaths = async (page: Page, nth: number) =>
  Number(await bars(page).nth(nth).getByRole('slider').getAttribute('aria-valuenow'));
const minutes = async (page: Page) => Number(await page.getByLabel('Totals').locator('dd').first().textContent());

async function planned(page: Page, name: string, reading = {}) {
  const clientId = await seedReading(page, server.url, name, reading);
  await page.goto(`${server.url}/clients/${clientId}/sequence`);
  await page.getByRole('button', { name: 'Make the plan' }).click();
  await expect(page.getByLabel('Totals')).toBeVisible();
  await expect(page.getByText('Nothing better exists for these minutes, props and limits.')).toBeVisible();
  await expect(bars(page)).not.toHaveCount(0);
  return clientId;
}

test('the score is edited by hand: drag, pull, tap a phase, swap, add, undo; totals answer and everything is kept', async ({
  page,
}) => {
  await planned(page, 'Morwenna Slipway');
  const before = await names(page);
  expect(before.length).toBeGreaterThan(3);

  // Drag the third drill before the second.
  const [third, second] = [await heads(page).nth(2).boundingBox(), await heads(page).nth(1).boundingBox()];
  await page.mouse.move(third!.x + 24, third!.y + 20);
  await page.mouse.down();
  await page.mouse.move(third!.x, third!.y + 20, { steps: 4 });
  await letGoAt(page, second!.x + 12, second!.y + 20);
  const swapped = [before[0], before[2], before[1], ...before.slice(3)];
  await expect.poll(() => names(page)).toEqual(swapped);

  // Pull the end of a bar: totals answer while it is being pulled, and the number stays when it is let go.
  const was = await breaths(page, 1);
  const time = await minutes(page);
  // Once it lies still: what was put down slides into its place.
  const pull = bars(page).nth(1).getByRole('slider');
  await pull.hover({ position: { x: 6, y: 120 } });
  const end = (await pull.boundingBox())!;
  await page.mouse.down();
  await page.mouse.move(end.x + 40, end.y + 120, { steps: 6 });
  await expect.poll(() => minutes(page)).toBeGreaterThan(time);
  await page.mouse.up();
  await expect.poll(() => breaths(page, 1)).toBeGreaterThan(was);

  // Tap a phase of the breath and make it longer, within the drill's range.
  await heads(page).first().click();
  await page.getByRole('group', { name: 'Phases of the breath' }).getByRole('button', { name: /^Out/ }).click();
  await page.getByRole('button', { name: 'Out: more' }).click();
  for (let press = 0; press < 12; press += 1) {
    if (await page.getByRole('button', { name: 'Out: more' }).isDisabled()) break;
    await page.getByRole('button', { name: 'Out: more' }).click();
  }
  await expect(page.getByRole('button', { name: 'Out: more' })).toBeDisabled();

  // Swap for the first that is offered, with its price; add one more.
  await page.getByRole('button', { name: 'Swap', exact: true }).click();
  const offers = page.getByRole('region', { name: /^Instead of/ });
  await expect(offers.getByRole('listitem').first()).toContainText(/worth/);
  const taken = await offers.getByRole('listitem').first().locator('span.font-semibold').textContent();
  await offers.getByRole('listitem').first().getByRole('button').click();
  await expect(heads(page).first()).toContainText(taken!);
  const count = await bars(page).count();
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await page.getByRole('region', { name: 'Add a drill' }).getByLabel('Find among these').fill('ladder');
  await page.getByRole('region', { name: 'Add a drill' }).getByRole('listitem').first().getByRole('button').click();
  await expect(bars(page)).toHaveCount(count + 1);
  await expectAccessible(page, 'Sequence, edited');

  await allSaved(page);
  const kept = await names(page);
  await page.reload();
  await expect.poll(() => names(page)).toEqual(kept);
});

test('every edit has its key, undo goes all the way back, and redo forward', async ({ page }) => {
  await planned(page, 'Jory Bellrope');
  // What is offered for a drill takes the place of that drill, also when it was moved meanwhile.
  const begun = await names(page);
  await heads(page).nth(1).focus();
  await page.keyboard.press('s');
  const offers = page.getByRole('region', { name: /^Instead of/ });
  await expect(offers).toBeVisible();
  await heads(page).nth(1).focus();
  await page.keyboard.press('Alt+ArrowRight');
  await expect.poll(() => names(page)).toEqual([begun[0], begun[2], begun[1], ...begun.slice(3)]);
  await offers.getByRole('listitem').first().getByRole('button').click();
  await expect.poll(async () => (await names(page))[2]).not.toBe(begun[1]);
  expect((await names(page))[1]).toBe(begun[2]);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect.poll(() => names(page)).toEqual(begun);

  const before = await names(page);
  const was = await breaths(page, 1);
  await heads(page).nth(1).focus();
  await page.keyboard.press('Alt+ArrowRight');
  await expect.poll(() => names(page)).toEqual([before[0], before[2], before[1], ...before.slice(3)]);
  await heads(page).nth(2).focus();
  await page.keyboard.press('+');
  await expect.poll(() => breaths(page, 2)).toBe(was + 1);
  await bars(page).nth(2).getByRole('slider').focus();
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowLeft');
  await expect.poll(() => breaths(page, 2)).toBe(was - 1);
  await heads(page).nth(2).focus();
  await page.keyboard.press('l');
  await expect(heads(page).nth(2)).toHaveAccessibleName(/locked$/);
  await page.keyboard.press('Delete');
  await expect(bars(page)).toHaveCount(before.length - 1);
  await expect(page.getByRole('complementary', { name: 'So far today' })).toContainText(`${before.length - 1} drills.`);
  await page.getByRole('heading', { level: 1 }).click();
  for (let step = 0; step < 6; step += 1) await page.keyboard.press('u');
  await expect.poll(() => names(page)).toEqual(before);
  await expect.poll(() => breaths(page, 1)).toBe(was);
  await page.keyboard.press('Control+Shift+z');
  await expect.poll(() => names(page)).toEqual([before[0], before[2], before[1], ...before.slice(3)]);
});

test('locked drills stay when the rest is planned anew; what would change and what it would cost can be asked', async ({
  page,
}) => {
  await planned(page, 'Tegen Sailloft');
  await heads(page).nth(2).click();
  const kept = (await names(page))[2]!;
  const more = page.getByRole('button', { name: 'Breaths: more' });
  await more.click();
  const set = await breaths(page, 2);
  await page.getByRole('button', { name: 'Lock', exact: true }).click();
  await page.getByText(/^20 min · towel/).click();
  for (let press = 0; press < 8; press += 1) await page.getByRole('button', { name: 'Minutes: less' }).click();
  await page.getByRole('button', { name: 'Plan anew round 1 locked' }).click();
  await expect(page.getByText('of 12 min', { exact: true })).toBeVisible();
  const again = await names(page);
  expect(again).toContain(kept);
  expect(await breaths(page, again.indexOf(kept))).toBe(set);

  await page.getByText('What would change if').click();
  const row = page.getByRole('listitem').filter({ hasText: '17 minutes' });
  await expect(row).toContainText(/\+ .*worth \d/);
  await page.getByText(/^Left out: \d+ drills/).click();
  const priced = page.getByRole('listitem').filter({ has: page.getByRole('button', { name: 'What would it cost?' }) });
  const drill = await priced.first().locator('span.font-semibold').textContent();
  await priced.first().getByRole('button', { name: 'What would it cost?' }).click();
  const answered = page
    .getByRole('listitem')
    .filter({ hasText: drill! })
    .filter({ hasText: /Costs |No plan with it/ });
  await expect(answered.first()).toBeVisible();
  await row.getByRole('button', { name: 'Take this: 17 minutes' }).click();
  await expect(page.getByText('of 17 min', { exact: true })).toBeVisible();
});

test('a contradiction is shown at once with the way out, and only a deliberate contrast lets it stand', async ({
  page,
}) => {
  await planned(page, 'Hedra Lampwright', { intent: 'lowerBreath', patterns: ['upperChest'] });
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  // The lead school keeps what contradicts it out of what is offered; a template brings it in all the same.
  await page.getByRole('button', { name: 'Leave it' }).click();
  const clientId = page.url().split('/')[4]!;
  const other = await seedReading(page, server.url, 'Clemo Ropery', {
    intent: 'stackAndSpread',
    patterns: ['bellyOnly'],
  });
  await page.goto(`${server.url}/clients/${other}/sequence`);
  await page.getByRole('button', { name: 'Make the plan' }).click();
  await expect(bars(page)).not.toHaveCount(0);
  if (!(await names(page)).some((name) => name.includes('Hook-lying stack'))) {
    await page.getByRole('button', { name: 'Add', exact: true }).click();
    await page.getByLabel('Find among these').fill('Hook-lying stack');
    await page.getByRole('region', { name: 'Add a drill' }).getByRole('listitem').first().getByRole('button').click();
  }
  await page.getByText('Templates, print and files').click();
  await page.getByLabel('Keep this plan as a template').fill('Stack first');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByRole('button', { name: 'Begin from it Stack first' })).toBeVisible();

  await page.goto(`${server.url}/clients/${clientId}/sequence`);
  await page.getByText('Templates, print and files').click();
  await page.getByRole('button', { name: 'Begin from it Stack first' }).click();
  const alert = page.getByRole('alert').filter({ hasText: 'mark it as a deliberate contrast' }).first();
  await expect(alert).toContainText('quiet chest, which leads, says');
  await alert.getByRole('button', { name: 'Show it' }).click();
  const off = page.getByRole('alert').filter({ hasText: 'mark it as a deliberate contrast' });
  const left = await off.count();
  await page.getByRole('button', { name: 'Mark as a deliberate contrast' }).click();
  await expect(off).not.toHaveCount(left);
});

test('a plan goes out as SVG, PDF and JSON, and is printed without a name', async ({ page }) => {
  await planned(page, 'Kerra Netloft');
  await page.getByText('Templates, print and files').click();
  const file = async (button: string) => {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: button }).click(),
    ]);
    return readFileSync(await download.path());
  };
  const svg = (await file('Score as SVG')).toString('utf8');
  expect(svg).toMatch(/^<svg xmlns/);
  for (const name of await names(page)) expect(svg).toContain(name.split(' ')[0]!);
  expect((await file('Score as PDF')).subarray(0, 5).toString()).toBe('%PDF-');
  const json = JSON.parse((await file('Plan as JSON')).toString('utf8')) as { format: string; reporting: unknown[] };
  expect(json.format).toBe('kokyu-plan');
  expect(json.reporting).toHaveLength(16);
  expect(JSON.stringify(json) + svg).not.toContain('Kerra');
  await page.evaluate(() => window.dispatchEvent(new Event('beforeprint')));
  await page.emulateMedia({ media: 'print' });
  await expect(page.locator('[data-print]')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Plan anew' })).toBeHidden();
});

test('a plan stands still as it comes, on screens of any width: bars, what is under them, what is folded up', async ({
  page,
}) => {
  await planned(page, 'Wenna Slackwater');
  await allSaved(page);
  const moved = await watchMoves(page);
  for (const width of [390, 1024, 1920]) {
    await page.setViewportSize({ width, height: 800 });
    await page.reload();
    expect(await moved(), `${width} wide`).toEqual([]);
    const spill = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    expect(spill, `${width} wide`).toBeLessThanOrEqual(0);
    await expect(page.getByText(/^Left out: \d+ drills/)).toBeVisible();
  }
});

test('what is pressed stays under the finger, whatever an edit brings in above it', async ({ page }) => {
  await planned(page, 'Pascoe Mudlark');
  await heads(page).first().click();
  const sets = page.getByRole('group', { name: 'Sets' });
  const more = sets.getByRole('button', { name: 'Sets: more' });
  await more.scrollIntoViewIfNeeded();
  const { x, y, width, height } = (await more.boundingBox())!;
  const before = Number(await sets.getByRole('status').textContent());
  // As a hand does: one place, four quick presses.
  for (let press = 0; press < 4; press += 1) await page.mouse.click(x + width / 2, y + height / 2);
  await expect(page.getByText(/longer than the 20 minutes/)).toBeVisible();
  await expect(sets.getByRole('status')).toHaveText(String(before + 4));
});
