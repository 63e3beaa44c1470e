import { type Page, expect, test } from '@playwright/test';
import sharp from 'sharp';
import { sharedStudio } from './support/server';
import { allSaved, expectAccessible, gradeRing, seedClient } from './support/walk';

const server = sharedStudio();
test.beforeAll(() => server.start());

const lookAt = (page: Page, clientId: string, protocol: string) =>
  page.goto(`${server.url}/clients/${clientId}/look?protocol=${protocol}`);

test('a look is arranged for the visit, and half-done looks stay', async ({ page }) => {
  const clientId = await seedClient(page, server.url, 'Wenna Cordwainer');
  await page.goto(`${server.url}/clients/${clientId}/look`);
  await page.getByRole('radio', { name: 'Full' }).click();
  const list = page.getByRole('navigation', { name: 'Looks' }).getByRole('link');
  await expect(list).toHaveCount(18);
  await page.getByText('Skip, move, add').click();
  await page.getByRole('button', { name: 'Tape: skip' }).click();
  await expect(list).toHaveCount(17);
  await page.getByRole('button', { name: 'Stack: earlier' }).click();
  await expect(list.nth(3)).toContainText('Stack');
  await page.getByRole('button', { name: '+ Tape' }).click();
  await expect(list.last()).toContainText('Tape');
  await allSaved(page);
  await page.reload();
  await expect(list.nth(3)).toContainText('Stack');

  await lookAt(page, clientId, 'floor');
  await page.getByRole('radiogroup', { name: 'Leaks?' }).getByRole('radio', { name: 'Yes' }).click();
  await page.getByRole('button', { name: 'jump, run' }).click();
  await allSaved(page);
  await page.reload();
  await expect(page.getByRole('button', { name: 'jump, run' })).toHaveAttribute('aria-pressed', 'true');
});

test('a tape whose exhale is larger is asked about, a word is told to be no number, and inches are kept as such', async ({
  page,
}) => {
  const clientId = await seedClient(page, server.url, 'Perran Ropewalk');
  await lookAt(page, clientId, 'tape');
  const [exhale, inhale] = ['exhale', 'inhale'].map((when) =>
    page.getByLabel(`Fourth intercostal space, go 1, ${when}`),
  );
  await exhale!.fill('ninety');
  await exhale!.blur();
  await expect(page.getByText('Write a plain number, like 92.5.')).toBeVisible();
  await expect(exhale!).toHaveValue('ninety');
  await exhale!.fill('96');
  await inhale!.fill('92');
  await inhale!.blur();
  await expect(page.getByText('Swapped, or really smaller at full inhale?')).toBeVisible();
  await page.getByRole('button', { name: 'Swapped: turn them round' }).click();
  await expect(page.getByText('4.0 cm').first()).toBeVisible();
  await allSaved(page);
  await page.goto(`${server.url}/settings`);
  await page.getByRole('radio', { name: 'inches' }).click();
  await allSaved(page);
  await lookAt(page, clientId, 'tape');
  await expect(page.getByLabel('Fourth intercostal space, go 1, inhale')).toHaveValue('37.8');
  await expect(page.getByText('1.6 in').first()).toBeVisible();
  await page.goto(`${server.url}/settings`);
  await page.getByRole('radio', { name: 'cm', exact: true }).click();
});

test('three angles on a photo: what is no picture is refused, points are placed and stay', async ({ page }) => {
  const clientId = await seedClient(page, server.url, 'Merryn Slipway');
  await lookAt(page, clientId, 'stack');
  const file = page.getByLabel('Photo file');
  await file.setInputFiles({ name: 'ribs.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('not a picture') });
  await expect(page.getByText(/is not a picture that can be opened here/)).toBeVisible();
  const picture = await sharp({ create: { width: 600, height: 600, channels: 3, background: '#b8a890' } })
    .png()
    .toBuffer();
  await file.setInputFiles({ name: 'ribs.png', mimeType: 'image/png', buffer: picture });
  const photo = page.getByRole('group', { name: /^Photo with/ });
  const box = (await photo.boundingBox())!;
  const tap = (x: number, y: number) => photo.click({ position: { x: x * box.width, y: y * box.height } });
  await tap(0.5, 0.3);
  await tap(0.3, 0.5);
  await tap(0.7, 0.5);
  await expect(page.getByText('90°: middle').last()).toBeVisible();
  await page.getByRole('button', { name: /costal arch, picture right/ }).focus();
  await page.keyboard.press('ArrowRight');
  await allSaved(page);
  // Not the one that came in a piece and waits hidden for its place.
  const src = () => photo.locator('image').getAttribute('href');
  await page.reload();
  await expect(
    page
      .getByRole('main')
      .getByText(/°: middle/)
      .last(),
  ).toBeVisible();
  expect(await src()).toMatch(/^\/api\/photos\//);
  const stored = await page.request.get(server.url + (await src())!);
  expect(stored.headers()['content-type']).toBe('image/jpeg');
  await expectAccessible(page, 'Stack with a photo');
});

test('a file of 200 MB is refused before it is opened', async ({ page }) => {
  const clientId = await seedClient(page, server.url, 'Jory Bilge');
  await lookAt(page, clientId, 'stack');
  await page.getByLabel('Photo file').evaluate((input: HTMLInputElement) => {
    const big = new File([new Uint8Array(1)], 'big.jpg', { type: 'image/jpeg' });
    Object.defineProperty(big, 'size', { value: 200_000_000 });
    const holder = new DataTransfer();
    holder.items.add(big);
    Object.defineProperty(input, 'files', { value: [big], configurable: true });
    input.dispatchEvent(new Event('change', { bubbles: true }));
  });
  await expect(page.getByText(/This file has 200 MB; at most 40 MB can be opened/)).toBeVisible();
});

test('the coach judges findings; a changed record shows what changed since the reading was confirmed', async ({
  page,
}) => {
  const clientId = await seedClient(page, server.url, 'Demelza Quay');
  await lookAt(page, clientId, 'twoHands');
  await page
    .getByRole('radiogroup', { name: /quiet breaths: which hand leads/ })
    .getByRole('radio', { name: 'Chest hand' })
    .click();
  await allSaved(page);
  await lookAt(page, clientId, 'frontOn');
  for (const question of ['Shoulders rise?', 'Only the upper chest moves?']) {
    await page.getByRole('radiogroup', { name: question, exact: true }).getByRole('radio', { name: 'Yes' }).click();
  }
  await allSaved(page);
  const read = `${server.url}/clients/${clientId}/read`;
  await page.goto(read);
  const block = page.getByRole('region', { name: 'upper-chest lead' });
  await expect(block).toContainText('12 for − 0 against = 12');
  await page.getByRole('button', { name: 'the shoulders rise: reject' }).click();
  await expect(block).toContainText('9 for − 0 against = 9');
  await page.getByRole('button', { name: 'the shoulders rise: reject' }).click();
  await page.getByRole('button', { name: 'the shoulders rise: less marked' }).click();
  await expect(block).toContainText('11 for');
  await allSaved(page);
  await page.reload();
  await expect(block).toContainText('11 for');
  await page.getByRole('button', { name: 'Confirm this intent' }).click();
  await page.getByRole('link', { name: 'On to Sequence' }).waitFor();

  await lookAt(page, clientId, 'frontOn');
  await page
    .getByRole('radiogroup', { name: 'Only the upper chest moves?', exact: true })
    .getByRole('radio', { name: 'No', exact: true })
    .click();
  await allSaved(page);
  await page.goto(read);
  await expect(page.getByText('The reading is no longer the one you confirmed.')).toBeVisible();
  await expect(page.getByText('Was marked, now not there: only the upper chest moves.')).toBeVisible();
  await expectAccessible(page, 'Read, changed');
  await page.getByRole('button', { name: 'Confirm again' }).click();
  await expect(page.getByText('The reading is no longer the one you confirmed.')).toHaveCount(0);
});

test('what if: the predicted ring follows the set-up, and the floor of pregnancy takes positions away', async ({
  page,
}) => {
  const clientId = await seedClient(page, server.url, 'Loveday Mast', () => [], { pregnancy: {} });
  await page.goto(`${server.url}/clients/${clientId}/screen`);
  await page.getByLabel('Due date').fill(new Date(Date.now() + 70 * 86_400_000).toISOString().slice(0, 10));
  await page.getByLabel('Due date').blur();
  await expect(page.getByRole('group', { name: 'Limits and consent' })).toContainText('pregnant, week 30');
  await lookAt(page, clientId, 'regionMap');
  await expect(page.getByRole('radio', { name: 'hook-lying' })).toHaveCount(0);
  await gradeRing(page, 'Quiet', { belly: 3, 'left side': 1, 'right side': 1, 'left back': 1, 'right back': 1 });
  await allSaved(page);
  await page.goto(`${server.url}/clients/${clientId}/read`);
  const panel = page.getByRole('region', { name: 'What if' });
  await expect(panel).toContainText('it measures nothing');
  await expect(panel.getByLabel('Position').locator('option', { hasText: 'hook-lying' })).toHaveCount(0);
  await panel.getByLabel('Position').selectOption('side-lying');
  await panel.getByRole('radio', { name: 'Right', exact: true }).click();
  await expect(panel.getByRole('status')).toContainText(/More at the .*right side/);
  await panel.getByRole('radio', { name: 'Left', exact: true }).click();
  await expect(panel.getByRole('status')).toContainText(/More at the .*left side/);
  await panel.getByLabel('Position').selectOption('sitting');
  await panel.getByRole('button', { name: 'light front tension' }).click();
  await expect(panel.getByRole('status')).toContainText(/Less at the belly/);
});
