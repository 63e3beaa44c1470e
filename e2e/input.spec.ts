import { expect, test } from '@playwright/test';
import { sharedStudio } from './support/server';
import {
  addClient,
  allSaved,
  expectAccessible,
  gradeRing,
  planItem,
  screenClear,
  seedClient,
  seedCoached,
} from './support/walk';

const server = sharedStudio();

test.beforeAll(() => server.start());

test('script in a name is only a name', async ({ page }) => {
  let ran = false;
  page.on('dialog', () => (ran = true));
  const name = '<img src=x onerror=alert(1)><script>alert(2)</script>';
  await addClient(page, server.url, name);
  await expect(page.getByText(name).first()).toBeVisible();
  await page.goto(server.url);
  await expect(page.getByText(name).first()).toBeVisible();
  await page.goto(`${server.url}/clients?find=${encodeURIComponent('<script>')}`);
  await expect(page.getByRole('main')).toContainText(name);
  expect(ran).toBe(false);
});

test('impossible values get one clear sentence, and what was typed stays', async ({ page }) => {
  const clientId = await addClient(page, server.url, 'Alban Creek');
  await screenClear(page, ['Pregnant now?', 'Surgery on abdomen, chest, spine or eye in the last months?']);

  const week = page.getByLabel('Week of pregnancy today');
  await week.fill('60');
  await week.blur();
  await expect(page.getByText('The week of pregnancy is a number from 1 to 42.')).toBeVisible();
  await expect(week).toHaveValue('60');
  await week.fill('-3');
  await week.blur();
  await expect(page.getByText('The week of pregnancy is a number from 1 to 42.')).toBeVisible();
  await week.fill('24');
  await week.blur();
  await expect(page.getByText(/^pregnant, week 24/).first()).toBeVisible();

  const operation = page.getByLabel('Day of the operation');
  await operation.fill('2199-01-01');
  await operation.blur();
  await expect(page.getByText('That date lies ahead. Check the year.')).toBeVisible();
  await expect(operation).toHaveValue('2199-01-01');

  const long = 'a long tide '.repeat(900);
  await page.getByLabel('Complaint, in their words').fill(long);
  await expect(page.getByText(/limited to 4,000 characters; yours is longer/)).toBeVisible();
  await expect(page.getByLabel('Complaint, in their words')).toHaveValue(long);
  await expectAccessible(page, 'Screen with refusals');

  await page.goto(`${server.url}/clients/new`);
  await page.getByRole('button', { name: 'Add and begin today’s visit' }).click();
  await expect(page.getByText('A client needs a name.')).toBeVisible();
  expect(clientId).toMatch(/^[0-9a-f-]{36}$/);
});

test('two windows of one browser are one page; on two devices the later is kept, the earlier too, and the writer is told', async ({
  page,
  context,
  browser,
}) => {
  const goal = (of: typeof page) => of.getByLabel('Goal, in their words');
  await addClient(page, server.url, 'Perran Lugg');
  const second = await context.newPage();
  const device = await (await browser.newContext()).newPage();
  for (const other of [second, device]) await other.goto(page.url());
  await goal(page).fill('Row without pain');
  await goal(page).blur();
  await expect(goal(second)).toHaveValue('Row without pain');
  await allSaved(page);
  await goal(device).fill('Sing without pain');
  await goal(device).blur();
  await expect(device.getByText(/changed in another window meanwhile/)).toBeVisible();
  await page.reload();
  await expect(goal(page)).toHaveValue('Sing without pain');
  await device.context().close();
});

test('an unknown address gives a kind page, and nonsense to the server one sentence', async ({ page, request }) => {
  for (const path of ['/clients/nobody/screen', '/clients/nobody', '/run/none', '/elsewhere']) {
    const response = await page.goto(server.url + path);
    expect(response!.status()).toBe(404);
    await expect(page.getByRole('heading', { name: 'There is nothing at this address.' })).toBeVisible();
  }
  await expectAccessible(page, 'not found');
  // What the door itself turns away is no page of the app: it is said on one all the same.
  for (const [address, why] of [
    ['/clients/%00', 'This address can’t be read.'],
    ['/_next/image', 'No pictures are made here.'],
  ] as const) {
    await page.goto(server.url + address);
    await expect(page.getByText(why)).toBeVisible();
    await expectAccessible(page, address);
    await page.getByRole('link', { name: 'Go to Today' }).click();
    await expect(page).toHaveURL(`${server.url}/`);
  }

  const post = (data: string | Buffer, headers: Record<string, string> = {}) =>
    request.post(`${server.url}/api/commands`, { data, headers: { 'content-type': 'application/json', ...headers } });
  expect((await post('not json')).status()).toBe(400);
  expect((await post('{}', { 'sec-fetch-site': 'cross-site' })).status()).toBe(403);
  expect((await post('{}', { 'content-type': 'text/plain' })).status()).toBe(415);
  expect((await post(JSON.stringify({ commands: ['x'.repeat(12_500_000)] }))).status()).toBe(413);
  const { outcomes } = (await (await post(JSON.stringify({ commands: [{ id: 1 }, null] }))).json()) as {
    outcomes: { state: string }[];
  };
  expect(outcomes.map(({ state }) => state)).toEqual(['refused', 'refused']);
});

test('what is pressed and typed while a page is drawn and does not listen yet is done once it does', async ({
  page,
}) => {
  const clientId = await seedClient(page, server.url, 'Hobb Tresco', () => [], null);
  // Its scripts come late, as on a slow machine.
  const late = async () => {
    let come = () => {};
    const scripts = new Promise<void>((resolve) => (come = resolve));
    await page.route('**/_next/static/chunks/*.js', async (route) => {
      await scripts;
      await route.continue();
    });
    return () => come();
  };
  const come = await late();
  await page.goto(`${server.url}/clients/${clientId}/screen`, { waitUntil: 'commit' });
  const own = page.getByRole('radio', { name: 'Client’s own hands only' });
  const goal = page.getByLabel('Goal, in their words');
  // What is streamed lies hidden until it is put in its place: nobody types there.
  await expect(goal).toBeVisible();
  await goal.pressSequentially('A full breath');
  await own.click();
  // Drawn, and nothing has come of it yet.
  await expect(own).not.toBeChecked();
  come();
  await expect(own).toBeChecked();
  await expect(goal).toHaveValue('A full breath');
  await allSaved(page);
  await page.unrouteAll({ behavior: 'ignoreErrors' });
  const comeAgain = await late();
  await page.reload({ waitUntil: 'commit' });
  await expect(own).toBeChecked();
  await expect(goal).toHaveValue('A full breath');
  // A word typed over, and a key that belongs to no field.
  await goal.selectText();
  await page.keyboard.insertText('More air');
  await page.getByRole('heading', { name: 'Screen', exact: true }).click();
  await page.keyboard.press('2');
  comeAgain();
  await expect(page.getByRole('heading', { name: 'Unannounced quiet look' })).toBeVisible();
  await allSaved(page);
  await page.unrouteAll({ behavior: 'ignoreErrors' });
  // Called for, the find box has what was typed for it, every letter in its place.
  const comeAtLast = await late();
  await page.goto(`${server.url}/clients/${clientId}/screen`, { waitUntil: 'commit' });
  await expect(goal).toHaveValue('More air');
  await page.keyboard.press('Control+k');
  await page.keyboard.type('hobb tresko');
  comeAtLast();
  await page.keyboard.press('Backspace');
  await page.keyboard.press('Backspace');
  await page.keyboard.type('co');
  await expect(page.getByRole('combobox')).toHaveValue('hobb tresco');
  await expect(page.getByRole('option', { name: 'Hobb Tresco' })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(new RegExp(`/clients/${clientId}/`));
});

test('a part of a page whose script comes late stands as it was drawn until then, and what is pressed in it is done', async ({
  page,
}) => {
  const { clientId } = await seedCoached(page, server.url, 'Jory Sandbanks', [planItem('quiet-nose', {})]);
  const address = `${server.url}/clients/${clientId}/coach`;
  const first = await (await page.request.get(address)).text();
  // The page's own scripts come at once; those of its late parts once the page listens and has been drawn anew.
  let come = () => {};
  const late = new Promise<void>((resolve) => (come = resolve));
  await page.route('**/_next/static/chunks/*.js', async (route) => {
    const own = first.includes(`<script src="${new URL(route.request().url()).pathname}"`);
    if (!own) await late;
    await route.continue();
  });
  await page.goto(address, { waitUntil: 'commit' });
  const sign = page.getByRole('button', { name: 'Sign and end the visit' });
  const drawn = await sign.elementHandle();
  await page.getByRole('button', { name: 'Switch to the dark theme' }).click();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
  await sign.click();
  await page.getByRole('button', { name: /^Touch: ask first/ }).click();
  expect(await drawn!.evaluate((button) => button.isConnected)).toBe(true);
  come();
  await expect(page.getByText(/^Signed /)).toBeVisible();
});

test('the whole way from a name to a plan by keyboard alone', async ({ page }) => {
  await page.clock.install();
  await page.goto(server.url);
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('combobox')).toBeFocused();
  await page.keyboard.type('add');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Name')).toBeFocused();
  await page.keyboard.type('Sorrel Quayle');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Screen', exact: true })).toBeVisible();

  const press = async (name: RegExp | string, role: 'button' | 'link' | 'radio' = 'button') => {
    await page.getByRole(role, { name }).first().focus();
    await page.keyboard.press(role === 'radio' ? 'Space' : 'Enter');
  };
  await press('Neither');
  await expect(page.getByRole('button', { name: 'None of these today' })).toBeEnabled();
  await press('None of these today');
  await expect(page.getByText('Asked today: none.')).toBeVisible();
  for (let groups = 4; groups > 0; groups -= 1) {
    // One press, one group: what is left of it, or all.
    await press(/^(All of these|The other \d+): no$/);
    await expect(page.getByRole('button', { name: /^(All of these|The other \d+): no$/ })).toHaveCount(groups - 1);
  }
  await page.keyboard.press('2');
  await expect(page.getByRole('heading', { name: 'Unannounced quiet look' })).toBeVisible();
  for (let tap = 0; tap < 5; tap += 1) {
    await page.keyboard.press(' ');
    await page.clock.fastForward(200);
  }
  await page.keyboard.press('u');
  await expect(page.getByText(/^4 taps/)).toBeVisible();
  await press(/^Region map/, 'link');
  await gradeRing(page, 'Quiet', { belly: 3, 'left side': 0, 'right side': 0, 'front of chest': 0, 'left back': 0 });
  await allSaved(page);
  await page.getByRole('heading', { name: 'Region map' }).click();
  await page.keyboard.press('3');
  await expect(page.getByRole('region', { name: 'belly-only' })).toBeVisible();
  await press('Confirm this intent');
  await expect(page.getByRole('link', { name: 'On to Sequence' })).toBeVisible();
  await page.keyboard.press('4');
  await press('Make the plan');
  await expect(page.getByLabel('Totals')).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await expectAccessible(page, 'the keys');
});

test('a press counts for what it was begun on, by mouse and by finger, whatever moves meanwhile', async ({
  browser,
}) => {
  for (const hasTouch of [false, true]) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, hasTouch });
    const page = await context.newPage();
    await addClient(page, server.url, hasTouch ? 'Tamsin Weir' : 'Bryher Weir');
    const meant = page.getByRole('button', { name: 'breathless at rest' });
    const other = page.getByRole('button', { name: 'chest pain or pressure' });
    const [from, to] = [(await meant.boundingBox())!, (await other.boundingBox())!];
    const [x, y] = [from.x + 20, from.y + 20];
    // As if something had come in above: then the other lies under the finger. Looked at in the same moment: whatever else changes on the
    // page, be it the mark of saving, brings what is pressed back under it.
    const slide = async () => {
      const under = await page.locator('main').evaluate(
        (main, [by, left, top]) => {
          main.style.translate = `0 ${by}px`;
          return document.elementFromPoint(left!, top!)?.textContent;
        },
        [from.y - to.y, x, y],
      );
      expect(under).toBe('chest pain or pressure');
    };
    if (hasTouch) {
      const finger = await context.newCDPSession(page);
      await finger.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: [{ x, y }] });
      await slide();
      await finger.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
    } else {
      await page.mouse.move(x, y);
      await page.mouse.down();
      await slide();
      await page.mouse.up();
    }
    await expect(meant).toHaveAttribute('aria-pressed', 'true');
    await expect(page.getByRole('alertdialog')).toHaveCount(0);
    // The next one is taken as it is.
    await (hasTouch ? other.tap() : other.click());
    await expect(page.getByRole('alertdialog')).toContainText('Stop.');
    await context.close();
  }
});
