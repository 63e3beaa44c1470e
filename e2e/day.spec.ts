import { expect, test } from '@playwright/test';
import { ownStudio } from './support/server';
import {
  addClient,
  allSaved,
  expectAccessible,
  planItem,
  screenClear,
  startBreathing,
  tapsPast,
  seedRun,
} from './support/walk';

const server = ownStudio();

test.beforeAll(() => server.start());

test('settings are kept and used: the studio’s name on top, the emergency number on the stop', async ({ page }) => {
  await page.goto(`${server.url}/settings`);
  await page.getByLabel('Studio name').fill('Reed House');
  await page.getByLabel('Local emergency number').fill('call me');
  await expect(page.getByText('An emergency number is digits, like 112 or 999.')).toBeVisible();
  await expect(page.getByLabel('Local emergency number')).toHaveValue('call me');
  await page.getByLabel('Local emergency number').fill('999');
  await page.getByLabel('Time zone').fill('Europe/Lundon');
  await expect(page.getByText(/This time zone is not known/)).toBeVisible();
  await page.getByLabel('Time zone').fill('Europe/London');
  await expect(page.getByRole('banner').getByRole('link', { name: 'Reed House' })).toBeVisible();

  await addClient(page, server.url, 'Ness Harrow');
  await page.getByRole('button', { name: 'blue lips' }).click();
  await expect(page.getByRole('alertdialog')).toContainText('Stop. Call 999.');
});

test('a day: book, cancel, undo, begin, and find the visit where it stands', async ({ page }) => {
  const clientId = await addClient(page, server.url, 'Odo Bulrush');
  await screenClear(page);
  await page.goto(server.url);
  await expect(page.getByRole('heading', { name: 'Here without a booking' })).toBeVisible();

  const row = page.getByRole('listitem').filter({ hasText: 'Odo Bulrush' });
  await row.getByRole('button', { name: 'Book Odo Bulrush' }).click();
  const form = page.getByRole('dialog');
  await form.getByLabel(/, at$/).fill('at noon');
  await form.getByRole('button', { name: /^Book/ }).click();
  await expect(form.getByText('Give a time, like 14:30.')).toBeVisible();
  await form.getByLabel(/, at$/).fill('2.30 pm');
  await expectAccessible(page, 'the booking form');
  await form.getByRole('button', { name: /^Book/ }).click();
  await expect(page.getByText('1 expected.')).toBeVisible();
  const booked = page.getByRole('listitem').filter({ hasText: '14:30' }).filter({ hasText: '45 min' });
  await expect(booked.getByRole('button', { name: /^Resume/ })).toBeVisible();
  await expect(booked).toContainText('Visit begun: go on where it stands.');
  await expectAccessible(page, 'Today with a booking');
  await booked.getByRole('button', { name: /^Resume/ }).click();
  await expect(page.getByRole('heading', { name: 'Unannounced quiet look' })).toBeVisible();
  await page.goto(`${server.url}/clients/${clientId}`);
  await expect(page).toHaveURL(/look$/);
});

test('the region map by touch: a part tapped again and again runs through its grades', async ({ page }) => {
  const clientId = await addClient(page, server.url, 'Tilda Marsh');
  await page.goto(`${server.url}/clients/${clientId}/look?protocol=regionMap`);
  const belly = page.getByRole('slider', { name: 'belly' });
  const spoken: (string | null)[] = [];
  for (let tap = 0; tap < 5; tap += 1) {
    await belly.click();
    spoken.push(await belly.getAttribute('aria-valuetext'));
  }
  expect(spoken).toEqual(['1, trace', '2, clear', '3, full', '0, none', 'not seen']);
  await page.getByRole('radio', { name: 'clear' }).click();
  await expect(belly).toHaveAttribute('aria-valuetext', '2, clear');
  await allSaved(page);
  await page.reload();
  await expect(page.getByRole('slider', { name: 'belly' })).toHaveAttribute('aria-valuetext', '2, clear');
});

test('a run: waiting, going on, an easier drill in place, the next cue, and a phone’s width', async ({ page }) => {
  await page.clock.install();
  const plan = [planItem('towel-hug', { props: ['towel'], breaths: 20 }), planItem('quiet-nose', {})];
  await seedRun(page, server.url, 'Basil Estover', plan);
  await startBreathing(page);

  await page.keyboard.press(' ');
  await expect(page.locator('[data-phase]')).toHaveText('WAITING');
  await page.keyboard.press(' ');
  await expect(page.locator('[data-phase]')).toHaveText(/IN|OUT/);

  const easier = page.getByRole('button', { name: /^Easier/ });
  await expect(easier).toBeEnabled();
  const before = await page.locator('[data-item]').textContent();
  const neighbour = (await easier.textContent())!.replace('Easier', '');
  await easier.click();
  await expect(page.locator('[data-item]')).toContainText(neighbour);
  expect(neighbour).not.toBe(before);
  // A finger that was too fast: the drill before the swap is put back.
  await page.getByRole('button', { name: 'Back to the drill before the swap' }).click();
  await expect(page.locator('[data-item]')).toHaveText(before!);
  await tapsPast(page);
  await expect(easier).toBeEnabled();
  await easier.click();
  await expect(page.locator('[data-item]')).toContainText(neighbour);

  await page.getByRole('button', { name: /^Cue landed/ }).click();
  await expect(page.getByRole('button', { name: /^Next cue/ })).toBeVisible();
  await tapsPast(page);
  await page.getByRole('button', { name: /^Next cue/ }).click();
  await expect(page.getByRole('button', { name: /^Cue landed/ })).toBeVisible();

  await page.setViewportSize({ width: 390, height: 844 });
  const ready = page.getByRole('button', { name: /^Ready/ });
  if (await ready.isVisible()) await ready.click();
  await page.locator('[data-phase]').waitFor();
  await page.keyboard.press(' ');
  await expect(page.locator('[data-phase]')).toHaveText('WAITING');
  const word = await page.locator('[data-phase]').boundingBox();
  expect(word!.x + word!.width).toBeLessThanOrEqual(390);
  const spill = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
  expect(spill).toBeLessThanOrEqual(0);
  await expect(page.getByRole('button', { name: /Stop/ })).toBeInViewport();
  await expectAccessible(page, 'a run at phone width');
});

test('reduced motion: the tide moves in whole seconds', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  const plan = [planItem('quiet-nose', { breaths: 20 })];
  await seedRun(page, server.url, 'Cass Withy', plan);
  await startBreathing(page);
  const levels = await page.evaluate(async () => {
    const seen = new Set<string>();
    const until = performance.now() + 2500;
    while (performance.now() < until) {
      seen.add(document.querySelector<HTMLElement>('[data-tide]')!.style.transform);
      await new Promise(requestAnimationFrame);
    }
    return seen.size;
  });
  expect(levels).toBeGreaterThanOrEqual(2);
  expect(levels).toBeLessThanOrEqual(4);
});
