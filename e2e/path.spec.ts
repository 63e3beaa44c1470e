import { expect, test } from '@playwright/test';
import { ownStudio } from './support/server';
import { addClient, allSaved, expectAccessible, gradeRing, screenClear, tapsPast } from './support/walk';

const server = ownStudio();

test.beforeAll(() => server.start());

test('a new coach takes a new client from the first question to a measured change @first', async ({ page }) => {
  await page.goto(server.url);
  await expect(page.getByText('The studio is empty.')).toBeVisible();
  await expect(page.getByText('Kokyu is a coaching aid.')).toBeVisible();
  await expectAccessible(page, 'the empty studio');
  await page.getByRole('button', { name: 'Understood' }).click();
  await expect(page.getByText('Kokyu is a coaching aid.')).toHaveCount(0);

  // Screen
  const clientId = await addClient(page, server.url, 'Ned Quillwater');
  await page.getByLabel('Complaint, in their words').fill('Stiff ribs since hauling nets');
  await page.getByLabel('Goal, in their words').fill('A full breath');
  await screenClear(page);
  await page.getByRole('radio', { name: 'Client’s own hands only' }).click();
  await expect(page.getByText('Touch: own hands only')).toBeVisible();
  await allSaved(page);
  await page.reload();
  await expect(page.getByLabel('Complaint, in their words')).toHaveValue('Stiff ribs since hauling nets');
  await expect(page.getByRole('complementary', { name: 'So far today' })).toContainText('Stiff ribs');

  // Look: quiet rate by Space; fewer than four taps give none
  // A page just loaded anew answers to keys a moment after it can be read.
  await expect(async () => {
    await page.keyboard.press('2');
    await expect(page.getByRole('heading', { name: 'Unannounced quiet look' })).toBeVisible({ timeout: 2000 });
  }).toPass();
  // By a clock of the test's own: on a slow machine a double tap would be none.
  await page.clock.install();
  await page.clock.pauseAt(new Date(Date.now() + 30_000));
  for (let tap = 0; tap < 3; tap += 1) {
    await page.keyboard.press(' ');
    await page.clock.runFor(1000);
  }
  await expect(page.getByText('1 more tap for a rate.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Done counting' })).toBeDisabled();
  await page.keyboard.press(' ');
  await page.clock.runFor(60);
  // A bounced finger is no second tap; one that comes a bit later is asked about.
  await page.keyboard.press(' ');
  await page.clock.runFor(240);
  await page.keyboard.press(' ');
  await expect(page.getByText(/^a minute, /)).toBeVisible();
  await page.getByRole('button', { name: 'Done counting' }).click();
  await page.getByRole('button', { name: 'Drop it: a double tap' }).click();
  await page.clock.resume();
  await expect(page.getByText('4 taps')).toBeVisible();
  await page.getByRole('radio', { name: 'Nose', exact: true }).click();

  // These taps came faster than anybody breathes at rest, but short of a minute they may not lock anything.
  await page.getByRole('link', { name: 'Next: Two hands' }).click();
  await page
    .getByRole('radiogroup', { name: /which hand leads\?$/ })
    .first()
    .getByRole('radio', { name: 'Together' })
    .click();
  await page.getByRole('radiogroup', { name: 'Which moves more?' }).getByRole('radio', { name: 'Even' }).click();
  await page
    .getByRole('radiogroup', { name: /draw in/ })
    .getByRole('radio', { name: 'No', exact: true })
    .click();

  await page.getByRole('link', { name: 'Next: Side-bend test' }).click();
  await page.getByRole('link', { name: 'Next: Region map' }).click();
  const still = { 'left side': 0, 'right side': 0, 'left back': 0, 'right back': 0, belly: 2, 'front of chest': 2 };
  await gradeRing(page, 'Quiet', still);
  await gradeRing(page, 'Deep', { ...still, 'left side': 1, 'right side': 1 });
  await expect(page.getByText('Nothing moves at the right back and left back.')).toBeVisible();
  await expectAccessible(page, 'Look, region map');

  await page.getByText('Skip, move, add').click();
  await page.getByRole('button', { name: '+ Calm exhale hold' }).click();
  await page
    .getByRole('navigation', { name: 'Looks' })
    .getByRole('link', { name: /Calm exhale hold/ })
    .click();
  await page.getByRole('button', { name: 'Start the hold' }).click();
  await expect(page.getByText('Breathe when you first want to')).toBeVisible();
  await page.clock.fastForward(1500);
  await page.getByRole('button', { name: /Breathe when you first want to/ }).click();
  await page.getByRole('radio', { name: 'calm' }).click();
  await page.getByRole('radio', { name: 'nose and quiet' }).click();
  await page.getByRole('button', { name: 'Record this try' }).click();
  await expect(page.getByText(/the median of 1 calm try: very short/)).toBeVisible();
  await expectAccessible(page, 'Look, hold');

  // Read
  await page.getByRole('link', { name: 'On to Read' }).click();
  await expect(page.getByRole('region', { name: 'sides and back closed' })).toContainText(
    'both backs move less than the rest',
  );
  await expectAccessible(page, 'Read');
  await page.getByLabel('Intent', { exact: true }).selectOption({ label: 'Open the sides and back' });
  await page.getByRole('button', { name: 'Confirm this intent' }).click();
  await page.getByRole('link', { name: 'On to Sequence' }).click();

  // Sequence: a plan, then a change of dose by hand with the total following
  await page.getByRole('button', { name: 'Make the plan' }).click();
  const totals = page.getByLabel('Totals');
  await expect(totals).toBeVisible();
  const minutes = async () => Number((await totals.locator('dd').first().textContent())!);
  const before = await minutes();
  expect(before).toBeLessThanOrEqual(20);
  await page.getByRole('button', { name: 'Breaths: more' }).first().click();
  await page.getByRole('button', { name: 'Breaths: more' }).first().click();
  await expect.poll(minutes).toBeGreaterThan(before);
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(minutes).toBe(before);
  await page.getByRole('button', { name: 'Later' }).click();
  await page.getByRole('button', { name: 'Swap' }).click();
  await page
    .getByRole('region', { name: /^Instead of/ })
    .getByRole('listitem')
    .first()
    .getByRole('button')
    .click();
  await page.getByText(/^Left out: \d+ drills/).click();

  // Coach: marker, run with every drill passed through quickly, recheck
  await page.getByRole('link', { name: 'On to Coach' }).click();
  await page.getByRole('slider', { name: 'First asking' }).focus();
  await page.keyboard.press('ArrowLeft');
  await page.getByRole('slider', { name: 'Asked again' }).focus();
  await page.keyboard.press('ArrowLeft');
  await page.getByRole('button', { name: 'Open the run' }).click();
  await page.getByRole('button', { name: 'Begin (Space)' }).click();
  await page.getByRole('button', { name: 'Ready begin at once' }).click();
  await expect(page.locator('[data-phase=inhale]')).toHaveText('IN');
  await expectAccessible(page, 'the run');
  await page.keyboard.press('f');
  await page
    .getByRole('button', { name: /name it/ })
    .first()
    .click();
  await page.keyboard.press('c');
  while ((await page.getByRole('heading', { name: 'Done' }).count()) === 0) {
    await page.keyboard.press('n');
    await tapsPast(page);
  }
  await page.getByRole('link', { name: 'Go to the recheck' }).click();
  await page.getByRole('slider', { name: 'First asking' }).focus();
  await page.keyboard.press('End');
  await page.getByRole('slider', { name: 'Asked again' }).focus();
  await page.keyboard.press('End');
  await page.getByRole('button', { name: 'Map it again' }).click();
  await gradeRing(page, 'Quiet', still);
  await gradeRing(page, 'Deep', { ...still, 'left side': 3, 'right side': 2 });
  await allSaved(page);
  await expectAccessible(page, 'Coach, recheck');

  // Track: the change in words, a step never called clear
  await page.getByRole('link', { name: 'On to Track' }).click();
  // The recheck says the same words: only on Track do they count.
  await expect(page.getByRole('heading', { name: 'Left side two steps more: clear', level: 1 })).toBeVisible();
  await expect(page.getByRole('main').getByText('Left side two steps more: clear.')).toBeVisible();
  await expect(page.getByRole('main').getByText('Right side one step more: not yet a clear change.')).toBeVisible();
  await expect(page.getByText(/Deep-breath ease: 4\.\d before, 10\.0 of 10 after, clearly larger\./)).toBeVisible();
  await page.goto(`${server.url}/clients/${clientId}`);
  await expect(page).toHaveURL(/track$/);
});
