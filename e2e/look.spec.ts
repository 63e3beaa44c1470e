import { expect, test } from '@playwright/test';
import { patterns } from '@/core/read';
import { capital } from '@/core/reasons';
import { constructed } from '../demo/constructed';
import { takeLooks } from './support/look';
import { sharedStudio } from './support/server';
import { expectAccessible, seedClient } from './support/walk';

// Each worker has a studio of its own.
test.describe.configure({ mode: 'parallel' });
const server = sharedStudio();
test.beforeAll(() => server.start());

const nameOf = (id: string) => patterns.find((pattern) => pattern.id === id)!.name;

// Everybody is read in the unit tests (demo/constructed.test.ts); these take their looks by hand, protocol after protocol.
const byHand = ['heldInInhale', 'even'];

for (const { id, who, seen, expected, tie } of constructed.filter((person) => byHand.includes(person.id))) {
  test(`${who} is read as ${expected.map(nameOf).join(' or ')}`, async ({ page }) => {
    test.setTimeout(120_000);
    await page.clock.install();
    const clientId = await seedClient(page, server.url, `Constructed ${id}`);
    await takeLooks(page, server.url, clientId, seen);
    await page.goto(`${server.url}/clients/${clientId}/read`);
    const shown = page
      .getByRole('region')
      .filter({ has: page.getByRole('heading', { level: 2 }), hasText: 'Usual first answer' });
    await expect(shown.first()).toBeVisible();
    if (tie) {
      const names = [shown.nth(0), shown.nth(1)].map((block) => block.getAttribute('aria-label'));
      expect((await Promise.all(names)).sort()).toEqual(expected.map(nameOf).sort());
      await expect(page.getByText(/are too close to call/)).toBeVisible();
      // One tap goes to what would settle it.
      await page
        .getByRole('region', { name: 'What would settle it' })
        .getByRole('link', { name: 'Finger gap' })
        .click();
      await expect(page.getByRole('heading', { name: 'Finger gap' })).toBeVisible();
      return;
    }
    await expect(shown.first()).toHaveAttribute('aria-label', nameOf(expected[0]!));
    if (id === 'even') await expect(page.getByRole('heading', { name: capital(nameOf('upperChest')) })).toHaveCount(0);
    await expect(page.getByText(/^Suggested by/)).toContainText(nameOf(expected[0]!));
    if (id === 'heldInInhale') await expectAccessible(page, 'Read in full');
  });
}
