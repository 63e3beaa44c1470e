import http from 'node:http';
import { type AddressInfo } from 'node:net';
import { type Page, expect, test } from '@playwright/test';
import { cadence, tonesBetween } from '@/core/cadence';
import { timelineOf } from '@/core/coach';
import { type PlanItem } from '@/core/sequence';
import { testServer } from './support/server';
import { addClient, allSaved, expectAccessible, planItem, seedClient, startBreathing, seedRun } from './support/walk';

const server = testServer(4323);

// Nothing here goes by how a level glides, and the live screen is to hold for who wants less motion, too.
test.use({ contextOptions: { reducedMotion: 'reduce' } });

test.beforeAll(() => server.start());
test.afterAll(() => server.close());

/** An open run of a client with a plan of today. */
async function openRun(page: Page, name: string, breath = cadence(4, 6)) {
  const plan = [
    planItem('quiet-nose', { position: 'hook-lying', breaths: 12, cadences: [breath] }),
    planItem('towel-hug', { props: ['towel'], breaths: 8 }),
  ];
  const clientId = await seedRun(page, server.url, name, plan);
  return clientId;
}

interface StoredEvent {
  seq: number;
  atEpochMs: number;
  event: { type: string; toSeconds?: number; why?: string; item?: number };
}

const eventsOf = async (page: Page): Promise<StoredEvent[]> => {
  const runId = page.url().split('/').at(-1);
  const response = await page.request.get(`${server.url}/api/runs/${runId}`);
  return ((await response.json()) as { events: StoredEvent[] }).events;
};

test('a server killed in mid-run loses nothing: same item, same second, and what was marked meanwhile @first', async ({
  page,
}) => {
  await openRun(page, 'Dorrit Shoal');
  await startBreathing(page);
  const item = await page.locator('[data-item]').textContent();

  await server.kill();
  const killedAt = Date.now();
  await page.keyboard.press('f');
  await page
    .getByRole('button', { name: /name it/ })
    .first()
    .click();
  // The first press gives the correction's place back to the cue, the second says that it landed.
  await page.keyboard.press('c');
  await page.keyboard.press('c');
  await expect(page.getByText(/kept in this browser, waiting for the server/)).toBeVisible();
  // The run goes on without the server for as long as it takes to come back.
  await server.start();
  const breathBefore = Number(await page.locator('[data-breaths] span').first().textContent());
  const leftAt = Date.now();
  await page.reload();
  await expect(page.getByText('Back where you left it. Tap, or Space, to go on.')).toBeVisible();
  await expect(page.locator('[data-item]')).toHaveText(item!);
  await expect.poll(async () => (await eventsOf(page)).map(({ event }) => event.type)).toContain('named');
  const events = await eventsOf(page);
  const types = events.map(({ event }) => event.type);
  expect(types.filter((type) => type === 'fault')).toHaveLength(1);
  expect(types).toContain('cue');
  expect(events.map(({ seq }) => seq)).toEqual(events.map((_, i) => i));
  expect(events.find(({ event }) => event.type === 'fault')!.atEpochMs).toBeGreaterThanOrEqual(killedAt - 50);

  // The clock stopped where the page was last alive, within two seconds.
  await expect.poll(async () => (await eventsOf(page)).at(-1)!.event).toMatchObject({ type: 'pause', why: 'gap' });
  const pause = (await eventsOf(page)).at(-1)!;
  expect(pause.atEpochMs).toBeGreaterThan(leftAt - 2000);

  const breathAfter = Number(await page.locator('[data-breaths] span').first().textContent());
  expect(Math.abs(breathAfter - breathBefore)).toBeLessThanOrEqual(1);
  await expectAccessible(page, 'a run taken up again');
  await page.keyboard.press(' ');
  await expect(page.locator('[data-phase]')).toHaveText(/IN|OUT|WAIT/);
});

test('a stop shows “Breathe normally”, keeps what was noticed, and keeps the drill out of plans until reviewed @first', async ({
  page,
}) => {
  const clientId = await openRun(page, 'Lettice Groyne');
  const drill = await page.locator('[data-item]').textContent();
  await startBreathing(page);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('heading', { name: 'Breathe normally' })).toBeVisible();
  await expectAccessible(page, 'a stop');
  await page.getByRole('button', { name: 'dizziness' }).click();
  await page.getByLabel('A few words, if you like').fill('after the second breath');
  await page.getByRole('button', { name: 'Settled: end the drills for today' }).click();
  await expect(page.getByRole('heading', { name: 'Ended' })).toBeVisible();
  await page.getByRole('link', { name: 'Go to the recheck' }).click();
  await expect(page.getByText('Stopped for: dizziness.')).toBeVisible();

  await page.goto(`${server.url}/clients/${clientId}/sequence`);
  await page.getByRole('button', { name: 'Plan anew' }).click();
  await page.getByText(/^Left out: \d+ drills/).click();
  const refusal = page.getByRole('listitem').filter({ hasText: 'Ended in a stop last time' });
  await expect(refusal).toContainText(drill!.split(',')[0]!);
  await refusal.getByRole('button', { name: 'I have reviewed it' }).click();
  await expect(page.getByRole('button', { name: 'I have reviewed it' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Plan anew' }).click();
  await expect(page.getByText('Ended in a stop last time')).toHaveCount(0);
});

test('two windows on one run: one coaches, the other looks and can take over', async ({ page, context }) => {
  await openRun(page, 'Fergus Oarsby');
  const second = await context.newPage();
  await second.goto(page.url());
  await expect(second.getByText('This run is being coached in another window')).toBeVisible();
  await second.getByRole('button', { name: 'Coach it here instead' }).click();
  await expect(page.getByText('This run is being coached in another window')).toBeVisible();
  await expect(second.getByRole('button', { name: 'Begin (Space)' })).toBeEnabled();
});

test('tones keep in step with the run: onsets lie within 20 ms of plan', async ({ page }) => {
  await page.addInitScript(() => {
    const heard: { when: number; from: number }[] = [];
    Object.assign(window, { heard });
    const { start } = OscillatorNode.prototype;
    OscillatorNode.prototype.start = function (when = 0) {
      heard.push({ when, from: performance.now() / 1000 - this.context.currentTime });
      return start.call(this, when);
    };
  });
  await openRun(page, 'Isaura Bilge', cadence(2, 3));
  await startBreathing(page);
  const hear = () => page.evaluate(() => (window as unknown as { heard: { when: number; from: number }[] }).heard);
  // Two tones a breath, and some breaths of them.
  await expect.poll(async () => (await hear()).length, { timeout: 45_000 }).toBeGreaterThanOrEqual(8);
  // In seconds of the page's clock: a starved machine stalls the sound card's, and the bridge makes up for that.
  const heard = (await hear()).map(({ when, from }) => when + from);
  const response = await page.request.get(`${server.url}/api/runs/${page.url().split('/').at(-1)}`);
  const { items } = (await response.json()) as { items: PlanItem[] };
  const { breaths } = timelineOf(items).segments.find((segment) => segment.breaths !== null)!;
  const planned = tonesBetween(breaths!, 0, breaths!.totalSeconds).map(({ atSeconds }) => atSeconds);
  // The first tone is sounded at once, however late the jump came; from the second on they keep the plan's distances.
  const begun = heard.slice(1).map((at, i) => at - planned[i + 1]!);
  const middle = (values: readonly number[]) => [...values].sort((a, b) => a - b)[values.length >> 1]!;
  expect(middle(begun.map((at) => Math.abs(at - middle(begun))))).toBeLessThan(0.02);
});

test('a page asked of a server that has just gone is waited for on the page there is; what is typed meanwhile is kept and sent', async ({
  page,
}) => {
  // The page follows the new client a moment later: the server may die in the midst of that answer, too.
  const clientId = await addClient(page, server.url, 'Wren Saltby');
  await server.kill();
  // Nothing was sent meanwhile: the page can't know yet.
  await page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: /Look/ }).click();
  await expect(page.getByText(/^The server can’t be reached just now\./)).toBeVisible();
  const complaint = page.getByRole('textbox', { name: 'Complaint, in their words' });
  await complaint.fill('Tight after the long tide');
  await expect(page.getByText(/kept in this browser, waiting for the server/)).toBeVisible();
  await server.start();
  await expect(page.getByRole('heading', { name: 'Unannounced quiet look' })).toBeVisible();
  await allSaved(page);
  await page.goto(`${server.url}/clients/${clientId}/screen`);
  // What can be seen: the part as the server sent it may lie hidden beside it for a moment, when the page was drawn anew before it was shown.
  await expect(complaint).toHaveValue('Tight after the long tide');
});

test('who asks while the studio is being opened waits for it, and is told nothing else', async () => {
  await server.end();
  let isStarted = false;
  const started = server.start().then(() => (isStarted = true));
  const told: number[] = [];
  while (!isStarted) {
    const answer = await fetch(`${server.url}/clients`).catch(() => null);
    // Nothing listens yet.
    if (answer) told.push(answer.status);
  }
  await started;
  expect(new Set(told)).toEqual(new Set([200]));
});

/** Stands between a browser and the server, and cuts off the next answers that a page is drawn anew with in their midst. */
async function cutting() {
  const cut = { left: 0 };
  const between = http.createServer((asked, answer) => {
    const { method } = asked;
    // It answers only to its own name.
    const headers = { ...asked.headers, host: new URL(server.url).host };
    if (headers.origin) headers.origin = server.url;
    const onward = http.request(server.url + asked.url, { method, headers }, (came) => {
      answer.writeHead(came.statusCode!, came.headers);
      if (cut.left === 0 || !asked.headers.rsc || method !== 'GET') return came.pipe(answer);
      cut.left -= 1;
      const parts: Buffer[] = [];
      came.on('data', (part: Buffer) => parts.push(part));
      came.on('end', () => {
        const whole = Buffer.concat(parts);
        // What has come by then is read before it breaks off.
        answer.write(whole.subarray(0, whole.length >> 1), () => setTimeout(() => answer.destroy(), 300));
      });
      return came;
    });
    asked.pipe(onward);
  });
  await new Promise<void>((resolve) => between.listen(0, '127.0.0.1', resolve));
  return { cut, between, url: `http://127.0.0.1:${(between.address() as AddressInfo).port}` };
}

test('an answer that breaks off in its midst takes no page away: it is asked for again', async ({ page }) => {
  const { cut, between, url } = await cutting();
  const clientId = await seedClient(page, server.url, 'Senara Breakwater');
  const failed = page.getByRole('heading', { name: 'This page could not be shown.' });
  await page.goto(`${url}/clients/${clientId}/screen`);
  const station = (name: RegExp) => page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name });
  // Gone to another page.
  cut.left = 1;
  await station(/Look/).click();
  await expect(page.getByRole('heading', { name: 'Unannounced quiet look' })).toBeVisible();
  expect(cut.left).toBe(0);
  await station(/Screen/).click();
  // The same page drawn anew after something was saved.
  cut.left = 1;
  await page.getByLabel('Goal, in their words').fill('A full breath');
  await page.getByLabel('Goal, in their words').blur();
  await expect(page.getByRole('complementary', { name: 'So far today' })).toContainText('A full breath');
  await expect.poll(() => cut.left).toBe(0);
  await allSaved(page);
  await expect(failed).toHaveCount(0);
  // Broken off without a sign of it: then at least in words of ours, with a way on.
  await page.route('**/*', async (route) => {
    if (!route.request().headers().rsc) return route.continue();
    const response = await route.fetch();
    const body = await response.body();
    return route.fulfill({ response, body: body.subarray(0, body.length >> 1) });
  });
  await station(/Look/).click();
  await expect(failed).toBeVisible();
  await expectAccessible(page, 'a page that could not be shown');
  await page.unrouteAll({ behavior: 'ignoreErrors' });
  await page.getByRole('button', { name: 'Load it again' }).click();
  await expect(page.getByRole('heading', { name: 'Unannounced quiet look' })).toBeVisible();
  between.close();
});

test('a server that goes away between a page and what follows it takes neither @first', async ({ page }) => {
  await page.clock.install();
  const html = await (await page.request.get(server.url)).text();
  let gone = true;
  await page.route('**/_next/static/chunks/**', (route) => {
    const { pathname } = new URL(route.request().url());
    return gone && !html.includes(pathname) ? route.abort() : route.continue();
  });
  const failed = page.waitForEvent('requestfailed');
  await page.goto(server.url);
  await failed;
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await page.getByRole('button', { name: 'Keys' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  gone = false;
  // What was asked for comes by itself once it can.
  await page.clock.runFor(3000);
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'This page could not be shown.' })).toHaveCount(0);
});
