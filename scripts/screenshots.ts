/**
 * Takes the pictures of docs/screenshots anew: a throwaway demo studio on a port of its own, one visit walked to its end,
 * one picture a view. Needs a build (npm run build).
 */
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { type Page, chromium } from '@playwright/test';
import { v7 as uuid } from 'uuid';
import { openStore } from '@/store';
import { loadDemo } from '../demo/load';
import { demoServer, testServer } from '../e2e/support/server';
import { allSaved, gradeRing } from '../e2e/support/walk';
import { chromium as chromiumPath } from './chromium.mjs';

const folder = process.argv[2] ?? 'docs/screenshots';
const size = { width: Number(process.argv[3] ?? 1280), height: Number(process.argv[4] ?? 800) };
const theme = process.argv[5] ?? 'light';
mkdirSync(folder, { recursive: true });

const server = demoServer(4390);
await server.start();
const browser = await chromium.launch({
  executablePath: chromiumPath(),
  args: ['--no-sandbox', '--disable-gpu', '--autoplay-policy=no-user-gesture-required'],
});

try {
  const context = await browser.newContext({ viewport: size, timezoneId: 'Europe/London' });
  await context.addCookies([{ name: 'theme', value: theme, url: server.url }]);
  const page = await context.newPage();
  page.setDefaultTimeout(10_000);
  await walk(page);
  await ownStudio();
} finally {
  await browser.close();
  await server.close();
}

async function walk(page: Page) {
  const picture = async (name: string) => {
    await page.waitForTimeout(500);
    await page.screenshot({ path: `${folder}/${name}.png` });
  };
  await page.goto(server.url);
  await picture('today');
  await page.goto(`${server.url}/week`);
  await page.getByRole('heading', { name: 'Waiting' }).waitFor();
  const odile = page.getByRole('button', { name: /Odile Pennyroyal on / }).last();
  // The week ends on Sunday, and nothing is moved beyond it.
  const toAnotherDay = new Date().getDay() === 0 ? 'ArrowUp' : 'ArrowDown';
  for (const key of [toAnotherDay, 'ArrowRight', 'ArrowRight']) await odile.press(key);
  await picture('week');
  await odile.press('Escape');
  await page.goto(server.url);
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Tamsin' })
    .getByRole('button', { name: /^Begin/ })
    .click();
  await page.getByRole('button', { name: 'None of these today' }).waitFor();
  await page.waitForURL(/\/clients\//);
  const base = page.url().split('/').slice(0, 5).join('/');
  await picture('screen');
  await page.getByRole('button', { name: 'None of these today' }).click();
  await page.getByText('Asked today: none.').waitFor();

  await page.goto(`${base}/look`);
  // A tap before the page listens counts for nothing: until then there is nothing that could be tapped.
  await page.getByRole('button', { name: /^Tap each inhale/, disabled: false }).waitFor();
  await page.clock.install();
  for (let tap = 0; tap < 14; tap += 1) {
    await page.keyboard.press(' ');
    await page.clock.fastForward(4600 + (tap % 3) * 350);
  }
  await page.clock.resume();
  await page.getByRole('button', { name: 'Done counting' }).click();
  await page.getByRole('radio', { name: 'Ribs' }).click();
  await page.getByRole('radio', { name: 'Nose', exact: true }).click();
  await page.goto(`${base}/look?protocol=twoHands`);
  await page
    .getByRole('radiogroup', { name: /which hand leads\?$/ })
    .first()
    .getByRole('radio', { name: 'Together' })
    .click();
  await page.goto(`${base}/look?protocol=regionMap`);
  const quiet = { belly: 2, 'left side': 1, 'right side': 2, 'left back': 0, 'right back': 2, 'front of chest': 1 };
  const deep = { ...quiet, belly: 3, 'left side': 2, 'right side': 3, 'left back': 1, 'right back': 3 };
  await gradeRing(page, 'Quiet', quiet);
  await gradeRing(page, 'Deep', {
    ...deep,
    'front of chest': 2,
    'back of chest': 1,
    'pelvic floor': 2,
    'left back': 1,
  });
  await allSaved(page);
  // Down to what was found.
  await page.mouse.move(640, 300);
  await page.mouse.wheel(0, 400);
  await picture('look');
  await page.goto(`${base}/look?protocol=postureSearch`);
  const depths = {
    Lying: [['Depth', 8]],
    Sitting: [
      ['Between', 6],
      ['Arched', 3],
      ['up', 7],
    ],
    Standing: [['Between', 5]],
  };
  for (const [position, rows] of Object.entries(depths)) {
    for (const [name, depth] of rows as [string, number][]) {
      await page
        .getByRole('region', { name: position })
        .getByRole('slider', { name: new RegExp(name) })
        .focus();
      await page.keyboard.press('Home');
      for (let step = 0; step < depth; step += 1) await page.keyboard.press('ArrowRight');
    }
  }
  await allSaved(page);
  await page.goto(`${base}/look?protocol=sideBend`);
  await page
    .getByRole('radiogroup', { name: /left side opens/ })
    .getByRole('radio', { name: 'a trace' })
    .click();
  await page
    .getByRole('radiogroup', { name: /right side opens/ })
    .getByRole('radio', { name: 'wide' })
    .click();
  await allSaved(page);
  await page.goto(`${base}/look?protocol=calmHold`);
  await page.getByRole('button', { name: /Start the hold/ }).click();
  await page.waitForTimeout(1200);
  await page.getByRole('button', { name: /Breathe when/ }).click();
  await page.getByRole('button', { name: 'Leave it out' }).click();
  await page.goto(`${base}/read`);
  await page.getByRole('button', { name: /Confirm this/ }).waitFor();
  await picture('read');
  await page.getByRole('button', { name: /Confirm this/ }).click();
  await page.getByRole('link', { name: 'On to Sequence' }).waitFor();
  await page.goto(`${base}/sequence`);
  await page.getByRole('button', { name: 'Make the plan' }).click();
  await page.getByLabel('Totals').waitFor();
  await allSaved(page);
  await page.getByRole('list', { name: 'Drills in order' }).getByRole('button').nth(1).click();
  await picture('sequence');
  await page.goto(`${server.url}/catalogue`);
  await picture('catalogue');
  await page.goto(`${server.url}/catalogue/load-breath`);
  await page.getByRole('slider', { name: 'Line of pull' }).waitFor();
  await page.getByRole('textbox', { name: 'Weight', exact: true }).fill('12');
  await page.getByRole('textbox', { name: 'Times possible' }).fill('15');
  await page.getByRole('textbox', { name: 'Weights at hand, kg' }).fill('4, 8, 12');
  await page.evaluate(() => window.scrollTo(0, 0));
  await picture('load');
  await page.goto(`${base}/coach`);
  for (const asked of ['First asking', 'Asked again']) {
    await page.getByRole('slider', { name: asked }).focus();
    await page.keyboard.press('ArrowRight');
  }
  await allSaved(page);
  await page.getByText('Ask the marker first').waitFor({ state: 'detached' });
  await page.getByRole('button', { name: 'Open the run' }).click();
  await page.getByRole('button', { name: 'Begin (Space)' }).click();
  await page.keyboard.press('n');
  await page.locator('[data-phase]').waitFor();
  await page.keyboard.press('n');
  await page.keyboard.press('n');
  await page.waitForTimeout(6400);
  await picture('coach');
  const client = await page.context().newPage();
  await client.goto(`${server.url}/client-window`);
  await client.locator('[data-client-phase]').waitFor();
  await client.waitForTimeout(1500);
  await client.screenshot({ path: `${folder}/client-window.png` });
  await client.close();
  await page.bringToFront();
  await coachThrough(page);
  // The end of the run is on its way; the page that is asked for next shows it once it came.
  await page.clock.resume();
  await page.goto(`${base}/coach`);
  await page.getByRole('button', { name: 'Map it again' }).click();
  await gradeRing(page, 'Quiet', quiet);
  await gradeRing(page, 'Deep', { ...deep, 'left side': 3, 'left back': 3, 'front of chest': 2, 'back of chest': 1 });
  for (const asked of ['First asking', 'Asked again']) {
    await page.getByRole('slider', { name: asked }).focus();
    for (let step = 0; step < 7; step += 1) await page.keyboard.press('ArrowRight');
  }
  await allSaved(page);
  // The page follows the looks a moment later, and the note with it; once something was chosen it is the coach's.
  await page.waitForFunction(() =>
    [...document.querySelectorAll('textarea')].some(({ value }) => /^Marker: /m.test(value)),
  );
  await page.getByRole('button', { name: /^Side-lying, / }).click();
  await page.goto(`${base}/carry`);
  await page.getByRole('button', { name: /^Send (?:this|these)/ }).click();
  await page.locator('[data-day-line]').waitFor();
  for (let more = await page.getByRole('button', { name: 'Send it home' }).count(); more > 0; more -= 1) {
    if ((await page.locator('[data-home-item]').count()) < 3)
      await page.getByRole('button', { name: 'Send it home' }).first().click();
  }
  await page.getByLabel('Spread over the day').nth(1).selectOption('rechecks');
  await allSaved(page);
  await page.evaluate(() => window.scrollTo(0, 0));
  await picture('carry');
  await onThePhone(page);
  await page.goto(`${base}/track/visits`);
  await page.getByRole('heading', { name: 'What changed it' }).waitFor();
  await picture('track');
  await page.getByRole('link', { name: 'Course' }).click();
  await page.getByRole('heading', { name: 'What moved, and why' }).waitFor();
  await picture('course');
  await page.getByRole('link', { name: 'This visit: note it and end it' }).click();
  await page.getByText('Still open.').waitFor();
  await picture('visit');
  await aSet(page, base, picture);
}

/** A light set under a load, paced. */
async function aSet(page: Page, base: string, picture: (name: string) => Promise<void>) {
  await page.goto(`${base}/sequence/load`);
  await page.getByRole('slider', { name: 'Line of pull' }).waitFor();
  await page.getByRole('button', { name: 'Put it into today’s plan' }).click();
  await page.getByRole('link', { name: /^In the plan:/ }).waitFor();
  await allSaved(page);
  await page.goto(`${base}/coach`);
  await page.getByRole('button', { name: 'Run the plan again' }).click();
  await page.getByRole('button', { name: 'Begin (Space)' }).click();
  for (let jumps = 0; jumps < 40 && (await page.locator('[data-part]').count()) === 0; jumps += 1) {
    await page.keyboard.press('n');
    await page.waitForTimeout(700);
  }
  await page.waitForTimeout(24_600);
  await picture('coach-set');
}

/** The page for the phone, from the file that was handed over. */
async function onThePhone(page: Page) {
  const [download] = await Promise.all([
    page.waitForEvent('download', (one) => one.suggestedFilename().endsWith('.html')),
    page.getByRole('button', { name: 'Hand it over' }).click(),
  ]);
  const path = join(server.dataDir, 'phone.html');
  await download.saveAs(path);
  const phone = await page
    .context()
    .browser()!
    .newPage({ viewport: { width: 390, height: 844 } });
  await phone.goto(`file://${path}`);
  await phone.getByRole('heading', { level: 1 }).waitFor();
  await phone.screenshot({ path: `${folder}/phone.png` });
  await page.getByRole('button', { name: 'Make the link' }).click();
  await phone.goto(await page.getByText(/\/check-in\//).innerText());
  await phone.getByRole('radio', { name: 'All of it' }).first().click();
  await phone.screenshot({ path: `${folder}/check-in.png` });
  await phone.close();
}

/** A studio of somebody's own, with the same made-up people: who may come in, and its records. */
async function ownStudio() {
  const own = testServer(4391);
  const store = openStore(join(own.dataDir, 'studio.db'));
  loadDemo(store, Date.now());
  store.$client.close();
  await own.start();
  const context = await browser.newContext({ viewport: size, timezoneId: 'Europe/London' });
  await context.addCookies([{ name: 'theme', value: theme, url: own.url }]);
  try {
    const page = await context.newPage();
    const ask = (data: object) => page.request.post(`${own.url}/api/access`, { data });
    await ask({ ask: 'setUp', name: 'Wren Addo', passphrase: 'heron lamp quiet barrow' });
    await ask({ ask: 'addCoach', name: 'Kit Marsh', passphrase: 'otter sails copper gate' });
    await page.goto(`${own.url}/settings/access`);
    await page.getByRole('heading', { name: 'Who coaches here' }).scrollIntoViewIfNeeded();
    await page.waitForTimeout(500);
    await page.screenshot({ path: `${folder}/access.png` });
    await page.goto(`${own.url}/settings/records`);
    await page.getByRole('button', { name: 'Copy now' }).click();
    await page.getByRole('status').filter({ hasText: 'Copied' }).waitFor();
    const created = { clientId: uuid(), factId: uuid(), name: 'Jory Pike' };
    await page.request.post(`${own.url}/api/commands`, {
      data: { commands: [{ id: uuid(), kind: 'client.create', payload: created }] },
    });
    await page.getByRole('button', { name: /^Put it back/ }).click();
    await page.getByText('Gone afterwards').waitFor();
    // Where this machine keeps its throwaway studios is nobody's concern.
    await page
      .locator('code')
      .first()
      .evaluate((code) => (code.textContent = 'data/backups'));
    await page.waitForTimeout(500);
    await page.screenshot({ path: `${folder}/records.png` });
  } finally {
    await context.close();
    await own.close();
  }
}

/** Coaches the rest of a run in quick time, with a mark, a correction and cues that land. */
async function coachThrough(page: Page) {
  const presses: Record<number, string[]> = { 20: ['c'], 45: ['f', '1'], 200: ['c'], 330: ['f', '2'], 420: ['c'] };
  for (let second = 0; (await page.getByRole('heading', { name: 'Done' }).count()) === 0; second += 1) {
    for (const key of presses[second] ?? []) await page.keyboard.press(key);
    await page.clock.runFor(1000);
  }
}
