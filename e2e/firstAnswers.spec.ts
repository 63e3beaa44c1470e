import { type Page, expect, test } from '@playwright/test';
import { blankRaw, rawSchemas } from '@/core/look';
import { patterns } from '@/core/read';
import { type Seen, constructed } from '../demo/constructed';
import { sharedStudio } from './support/server';
import { expectAccessible, seedClient } from './support/walk';

// Each worker has a studio of its own.
test.describe.configure({ mode: 'parallel' });
const server = sharedStudio();
test.beforeAll(() => server.start());

const nameOf = (id: string) => patterns.find((pattern) => pattern.id === id)!.name;

/** A client whose looks are already taken. */
async function seedLooks(page: Page, name: string, { rate = 13, ...seen }: Seen) {
  const taps = Array.from({ length: rate + 2 }, (_, i) => Math.round((i * 6000) / rate) / 100);
  const id = (n: number) =>
    `00000000-0000-4000-8000-${String(Date.now() % 1e8).padStart(8, '0')}${String(n).padStart(4, '0')}`;
  return seedClient(page, server.url, name, (visitId) =>
    (Object.entries(seen) as [keyof typeof rawSchemas, object][]).map(([protocol, raw], n) => ({
      kind: 'look.save',
      payload: {
        lookId: id(n),
        visitId,
        protocol,
        moment: 'before',
        takenAt: new Date().toISOString(),
        raw: rawSchemas[protocol].parse({
          ...blankRaw(protocol),
          ...(protocol === 'quietLook' ? { taps } : {}),
          ...raw,
        }),
        revision: 0,
      },
    })),
  );
}

// Common practice, no published source: what each is read as, and what of the order of work the plan then holds.
for (const { id, who, plan } of [
  { id: 'heldInInhale', who: 'Tobin Reedwater', plan: /Long exhale, heels on the wall.*Hook-lying stack/s },
] as const) {
  test(`${nameOf(id)}: read, and planned by its first answers`, async ({ page }) => {
    const clientId = await seedLooks(page, who, constructed.find((one) => one.id === id)!.seen);
    await page.goto(`${server.url}/clients/${clientId}/read`);
    await expect(page.getByText(/^Suggested by/)).toContainText(nameOf(id));
    // How strong it is, and what that was worth in the study, on tap.
    await page
      .getByRole('region', { name: nameOf(id) })
      .getByRole('button', { name: /how strong it is/ })
      .click();
    await expect(page.getByText(/^Simulated: of 100 leads this strong/)).toBeVisible();
    await page.keyboard.press('Escape');
    await expectAccessible(page, `Read, ${id}`);
    await page.getByRole('button', { name: 'Confirm this intent' }).click();
    await page.getByRole('link', { name: 'On to Sequence' }).click();
    for (const prop of ['ball', 'half-dome']) {
      const chip = page.getByRole('button', { name: new RegExp(`^${prop}`, 'i') }).first();
      if ((await chip.count()) > 0) await chip.click();
    }
    await page.getByRole('button', { name: 'Make the plan' }).click();
    await expect(page.getByLabel('Totals')).toBeVisible();
    await expect(page.getByRole('list', { name: 'Drills in order' })).toContainText(plan);
    await expect(page.getByLabel('Totals')).toContainText('min to talk and correct');
  });
}
