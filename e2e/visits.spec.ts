import { expect, test } from '@playwright/test';
import { sharedStudio } from './support/server';
import { allSaved, expectAccessible, seedClient } from './support/walk';

const server = sharedStudio();

test.beforeAll(() => server.start());

test('a client who must leave after four minutes: noted, signed and found again, in four presses @first', async ({
  page,
}) => {
  const clientId = await seedClient(page, server.url, 'Wilmot Tarrow');
  await page.goto(`${server.url}/clients/${clientId}/look?protocol=twoHands`);
  await page
    .getByRole('radiogroup', { name: /which hand leads\?$/ })
    .first()
    .getByRole('radio', { name: 'Chest hand' })
    .click();

  // From any station: to the visit, its note, signed.
  await page.getByRole('link', { name: 'This visit: note it and end it' }).click();
  await expect(page.getByText('Looked at; nothing was coached.')).toBeVisible();
  await expect(page.getByText('Still open.')).toBeVisible();
  const note = page.getByLabel('The note of this visit');
  await expect(note).toHaveValue(/Found: the chest leads the breath \(marked\)/);
  await expectAccessible(page, 'the page of an open visit');
  await page.getByRole('button', { name: 'Sign and end the visit' }).click();
  await expect(page.getByRole('heading', { name: 'Note, as signed' })).toBeVisible();
  await allSaved(page);

  // The correction of something signed is a dated addition on that page.
  await page.getByLabel('An addition').fill('It was the belly hand that led; misread.');
  await page.getByRole('button', { name: 'Add it with today’s date' }).click();
  const added = page.getByRole('paragraph').filter({ hasText: 'It was the belly hand' });
  await expect(added).toHaveCount(1);
  await page.reload();
  await expect(added).toHaveCount(1);
  await expect(page.getByText(/^Found: the chest leads/)).toHaveCount(0);
  await expect(page.getByText(/Found: the chest leads the breath/)).toBeVisible();
});

test('a morning and an evening visit on one day stand beside each other', async ({ page }) => {
  const clientId = await seedClient(page, server.url, 'Morwen Saltash');
  await page.goto(`${server.url}/clients/${clientId}/look?protocol=twoHands`);
  await page
    .getByRole('radiogroup', { name: /which hand leads\?$/ })
    .first()
    .getByRole('radio', { name: 'Together' })
    .click();
  await page.getByRole('link', { name: 'This visit: note it and end it' }).click();
  await page.getByLabel('The note of this visit').fill('Morning: together.');
  await page.getByRole('button', { name: 'Sign and end the visit' }).click();
  await expect(page.getByRole('heading', { name: 'Note, as signed' })).toBeVisible();
  await page.getByRole('button', { name: 'Begin another visit today' }).click();
  await allSaved(page);
  await expect(page.getByRole('link', { name: 'This visit: note it and end it' })).toBeVisible();

  await page.goto(`${server.url}/clients/${clientId}/look?protocol=twoHands`);
  const leads = page.getByRole('radiogroup', { name: /which hand leads\?$/ }).first();
  await expect(leads.getByRole('radio', { name: 'Together' })).toHaveAttribute('aria-checked', 'false');
  await leads.getByRole('radio', { name: 'Belly hand' }).click();
  await page.getByRole('link', { name: 'This visit: note it and end it' }).click();
  await expect(page.getByText('Visit 2 of 2.')).toBeVisible();
  await page.getByRole('link', { name: /^← / }).click();
  await expect(page.getByText('Visit 1 of 2.')).toBeVisible();
  await expect(page.getByText('Morning: together.')).toBeVisible();
});

test('consent is changed from its badge on any page, in one press, and the note tells when', async ({ page }) => {
  const clientId = await seedClient(page, server.url, 'Ennor Brack');
  await page.goto(`${server.url}/clients/${clientId}/screen`);
  const badge = (words: string) => page.getByRole('button', { name: new RegExp(`^Touch: ${words}`) });
  await badge('ask first').click();
  await expectAccessible(page, 'consent, open');
  const choice = page.getByRole('dialog', { name: 'Consent to touch' });
  await choice.getByRole('radio', { name: 'Yes' }).click();
  await expect(badge('yes')).toBeVisible();
  await page.getByRole('link', { name: '2 Look' }).click();
  await expect(page.getByRole('heading', { name: 'Unannounced quiet look' })).toBeVisible();
  await badge('yes').click();
  await choice.getByRole('radio', { name: 'Client’s own hands only' }).click();
  await expect(badge('own hands only')).toBeVisible();
  await page.getByRole('link', { name: 'This visit: note it and end it' }).click();
  await expect(page.getByLabel('The note of this visit')).toHaveValue(/Touch: yes; own hands only from \d\d:\d\d/);
});

test('pressed twice, Begin and Book do one thing', async ({ page }) => {
  const clientId = await seedClient(page, server.url, 'Tamsyn Oar');
  // Everybody here begun a visit; who has none can be booked.
  const { request } = page;
  const bookedId = crypto.randomUUID();
  await request.post(`${server.url}/api/commands`, {
    data: {
      commands: [
        {
          id: crypto.randomUUID(),
          kind: 'client.create',
          payload: { clientId: bookedId, factId: crypto.randomUUID(), name: 'Lowenna Pier' },
        },
      ],
    },
  });
  await page.goto(server.url);
  await page.getByRole('button', { name: 'Book Lowenna Pier' }).click();
  await page.getByLabel(/, at$/).fill('17:30');
  await page.getByRole('dialog').getByRole('button', { name: /^Book/ }).dblclick();
  // Others of this studio may be booked today, too: how many are expected in all says nothing of a second press.
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(page.getByRole('link', { name: 'Lowenna Pier' })).toHaveCount(1);
  await allSaved(page);
  await page.reload();
  await expect(page.getByText(/\d expected\./)).toBeVisible();
  await expect(page.getByRole('link', { name: 'Lowenna Pier' })).toHaveCount(1);
  await page.goto(`${server.url}/clients/${clientId}/screen`);
  await page.getByRole('link', { name: 'This visit: note it and end it' }).click();
  await expect(page.getByText('Visit 1 of 1.')).toBeVisible();
});
