import { expect, test } from '@playwright/test';
import { patterns } from '@/core/read';
import { v7 as uuid } from 'uuid';
import { constructed, recordsOf } from '../demo/constructed';
import { sharedStudio } from './support/server';
import { expectAccessible, seedClient } from './support/walk';

// Each worker has a studio of its own.
test.describe.configure({ mode: 'parallel' });
const server = sharedStudio();
test.beforeAll(() => server.start());

const nameOf = (id: string) => patterns.find((pattern) => pattern.id === id)!.name;

// Everybody is read in the unit tests (demo/constructed.test.ts), every form filled in by hand there too (stations/look/filled.test.tsx).
const { id, who, seen, expected } = constructed.find((person) => person.id === 'heldInInhale')!;

test(`${who} is read as ${expected.map(nameOf).join(' or ')}, and planned by its first answers`, async ({ page }) => {
  const clientId = await seedClient(page, server.url, `Constructed ${id}`, (visitId) =>
    recordsOf(seen).map(({ protocol, moment, raw }) => ({
      kind: 'look.save',
      payload: { lookId: uuid(), visitId, protocol, moment, takenAt: new Date().toISOString(), raw, revision: 0 },
    })),
  );
  await page.goto(`${server.url}/clients/${clientId}/read`);
  const shown = page
    .getByRole('region')
    .filter({ has: page.getByRole('heading', { level: 2 }), hasText: 'Usual first answer' });
  await expect(shown.first()).toHaveAttribute('aria-label', nameOf(expected[0]!));
  await expect(page.getByText(/^Suggested by/)).toContainText(nameOf(expected[0]!));
  // How strong it is, and what that was worth in the study, on tap.
  await page
    .getByRole('region', { name: nameOf(id) })
    .getByRole('button', { name: /how strong it is/ })
    .click();
  await expect(page.getByText(/^Simulated: of 100 leads this strong/)).toBeVisible();
  await page.keyboard.press('Escape');
  await expectAccessible(page, 'Read in full');

  await page.getByRole('button', { name: 'Confirm this intent' }).click();
  await page.getByRole('link', { name: 'On to Sequence' }).click();
  for (const prop of ['ball', 'half-dome']) {
    const chip = page.getByRole('button', { name: new RegExp(`^${prop}`, 'i') }).first();
    if ((await chip.count()) > 0) await chip.click();
  }
  await page.getByRole('button', { name: 'Make the plan' }).click();
  // Common practice, no published source: what of the order of work the plan then holds.
  await expect(page.getByRole('list', { name: 'Drills in order' })).toContainText(
    /Long exhale, heels on the wall.*Hook-lying stack/s,
  );
  await expect(page.getByLabel('Totals')).toContainText('min to talk and correct');
});
