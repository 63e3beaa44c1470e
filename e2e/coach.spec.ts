import { type Page, expect, test } from '@playwright/test';
import { type RunEvent, foldRun, summariseRun } from '@/core/coach';
import { cadence, cycleSeconds } from '@/core/cadence';
import { durationInWords } from '@/core/dose';
import { testServer } from './support/server';
import {
  allSaved,
  expectAccessible,
  openRunOf,
  ownClock,
  planItem as item,
  tapsPast,
  seedPlan,
  seedRun,
} from './support/walk';

const server = testServer(4340);

test.beforeAll(() => server.start());
test.afterAll(() => server.close());

const threeItems = [
  item('quiet-nose', { position: 'hook-lying' }),
  item('towel-hug', { props: ['towel'], cadences: [cadence(3, 6)] }),
  item('wait-let-it-come', {}),
];

interface Stored {
  id: string;
  seq: number;
  atEpochMs: number;
  event: RunEvent;
}
const logOf = async (page: Page): Promise<Stored[]> => {
  const response = await page.request.get(`${server.url}/api/runs/${page.url().split('/').at(-1)}`);
  return ((await response.json()) as { events: Stored[] }).events;
};

test('three items by an injected clock: faults, a swap, a stop and a killed server; log, summary and client’s window agree', async ({
  page,
  context,
}) => {
  await ownClock(page);
  const clientId = await seedPlan(page, server.url, 'Tamsin Reed', threeItems);
  await openRunOf(page, server.url, clientId);
  const client = await context.newPage();
  await client.goto(`${server.url}/client-window`);
  await expect(client.getByRole('heading', { name: 'Rest' })).toBeVisible();
  await page.bringToFront();
  await page.clock.pauseAt(new Date(Date.now() + 30_000));

  /** The script: what happens and how many seconds after the start it does, counted apart from the app. */
  const script: [number, string][] = [];
  let now = 0;
  let active = 0;
  let running = true;
  const happens = (what: string) => script.push([now, what]);
  const after = async (seconds: number) => {
    // Each window runs its own clock by itself. In one go the client's would hear nothing for longer than it waits; and whichever is done
    // first is ahead by a step, so the last second and a half, in which it hears once more, goes by in small ones.
    const small = 0.25;
    for (let left = seconds; left > 0;) {
      const step = left > 1.5 ? Math.min(3, left - 1.5) : Math.min(small, left);
      await page.clock.runFor(step * 1000);
      left -= step;
    }
    now += seconds;
    if (running) active += seconds;
  };
  const inPhase = async (word: 'In' | 'Out') => {
    await expect(page.locator('[data-phase]')).toHaveText(word.toUpperCase());
    await expect(client.locator('[data-client-phase]')).toHaveText(word);
  };

  await page.keyboard.press(' ');
  happens('start');
  await after(11);
  await inPhase('In');
  await after(3);
  await inPhase('Out');
  await page.keyboard.press('f');
  happens('fault');
  await page
    .getByRole('button', { name: /name it/ })
    .first()
    .click();
  happens('named');
  await expect(page.locator('[data-cue]')).not.toHaveText('');
  // The client's window says nothing of it.
  await expect(client.getByRole('main')).not.toContainText(/fault|breath \d|\d+ min/i);
  await after(14.2);
  for (const at of [16, 22, 28]) script.push([at, 'breath']);
  // The second drill: ten seconds of set-up, thirty for floor to chair; the coach is ready sooner.
  await expect(client.getByRole('heading', { name: 'Rest' })).toBeVisible();
  await after(1.8);
  await page.keyboard.press('n');
  happens('jump');
  await after(9.5);
  script.push([now - 0.5, 'breath']);
  await after(1.5);
  await page.keyboard.press('c');
  happens('cue');
  const easier = page.getByRole('button', { name: /^Easier/ });
  await expect(easier).toBeEnabled();
  await easier.click();
  happens('swap');
  await after(3);
  await page.keyboard.press('n');
  happens('jump');
  await after(0.1);
  await expect(page.locator('[data-phase]')).toHaveText('IN');
  await expect.poll(async () => (await logOf(page)).some(({ event }) => event.type === 'swap')).toBe(true);
  const swapped = (await logOf(page)).find(({ event }) => event.type === 'swap')?.event as Extract<
    RunEvent,
    { type: 'swap' }
  >;
  expect(swapped.why).toBe('easier');
  const cycle = cycleSeconds(swapped.to.cadences[0]!);
  await after(2 * cycle + 0.9);
  script.push([now - 1 - cycle, 'breath'], [now - 1, 'breath']);
  await page.keyboard.press('n');
  happens('jump');
  await after(3);
  await page.keyboard.press('n');
  happens('jump');
  await after(4);
  await page.keyboard.press('Escape');
  happens('stop');
  running = false;
  await expect(page.getByRole('heading', { name: 'Breathe normally' })).toBeVisible();
  await expect(client.getByRole('heading', { name: 'Breathe normally' })).toBeVisible();
  // Something noticed leaves no “it was nothing”; ticked by mistake it comes back.
  await page.getByRole('button', { name: 'dizziness' }).click();
  await expect(page.getByRole('button', { name: 'It was nothing: go on' })).toHaveCount(0);
  await page.getByRole('button', { name: 'dizziness' }).click();
  await page.getByRole('button', { name: 'Minutes until it had settled: more' }).click();
  await after(60);
  await page.getByRole('button', { name: 'It was nothing: go on' }).click();
  happens('settled');
  await after(5);
  await page.keyboard.press(' ');
  happens('resume');
  running = true;
  await after(5);
  script.push([now - 3, 'breath']);

  // The server is killed; a mark made meanwhile waits in the browser, and the run reopens where it was.
  await allSaved(page);
  await server.kill();
  await page.keyboard.press('f');
  happens('fault');
  await after(1);
  const breathing = await page.locator('[data-breaths]').textContent();
  await server.start();
  await page.reload();
  await expect(page.getByText('Back where you left it. Tap, or Space, to go on.')).toBeVisible();
  happens('pause');
  await expect(page.locator('[data-breaths]')).toHaveText(breathing!);
  running = false;
  await after(20);
  await page.keyboard.press(' ');
  happens('resume');
  running = true;
  await after(10);
  // Six of its eighteen seconds were left when it stopped at the fourth, ten when the server went: 18 = 4 + 6 + 8.
  active -= 2;
  script.push([now - 8, 'breath'], [now - 2, 'breath'], [now - 2, 'end']);
  await expect(page.getByRole('heading', { name: 'Done' })).toBeVisible();
  await expect(client.getByRole('heading', { name: 'Rest' })).toBeVisible();

  const runId = page.url().split('/').at(-1);
  await page.clock.resume();
  await page.getByRole('link', { name: 'Go to the recheck' }).click();
  await expect(page.getByText(`What was done, ${durationInWords(active)}`)).toBeVisible();
  await expect
    .poll(async () => {
      const response = await page.request.get(`${server.url}/api/runs/${runId}`);
      return ((await response.json()) as { events: Stored[] }).events.at(-1)?.event.type;
    })
    .toBe('end');
  const response = await page.request.get(`${server.url}/api/runs/${runId}`);
  const { events } = (await response.json()) as { events: Stored[] };
  expect(events.map(({ seq }) => seq)).toEqual(events.map((_, i) => i));
  const start = events[0]!.atEpochMs;
  const logged = events.map(({ atEpochMs, event }) => [(atEpochMs - start) / 1000, event.type] as const);
  // A breath is seen to be done within a tenth of a second; everything pressed is stamped as it is pressed.
  const wanted = [...script].sort((a, b) => a[0] - b[0]);
  const sorted = [...logged].sort((a, b) => a[0] - b[0]);
  expect(sorted.map(([, type]) => type)).toEqual(wanted.map(([, type]) => type));
  sorted.forEach(([at], i) => expect(Math.abs(at - wanted[i]![0])).toBeLessThanOrEqual(0.5));
  const summary = summariseRun(foldRun(threeItems, events));
  expect(Math.abs(summary.activeSeconds - active)).toBeLessThan(1);
  expect(
    summary.items.map(({ item: { drillId }, deliveredBreaths, swapped: why, stopped }) => [
      drillId,
      deliveredBreaths,
      why,
      stopped,
    ]),
  ).toEqual([
    ['quiet-nose', 3, null, false],
    ['towel-hug', 1, 'easier', false],
    [swapped.to.drillId, 2, null, false],
    ['wait-let-it-come', 3, null, true],
  ]);

  // The close: the note is written from the log, edited, signed, and added to.
  const note = page.getByLabel('The note of this visit');
  await expect(note).toHaveValue(/Towel round the ribs, sitting: 1 of 3 breaths.*changed for the easier one/);
  await expect(note).toHaveValue(/Stopped.*settled after 60 s/);
  await page.getByRole('button', { name: /^Quiet nose breath/ }).click();
  await expect(note).toHaveValue(/Home: Quiet nose breath\./);
  await note.fill(`${await note.inputValue()}\nWind in the shrouds all along.`);
  await expectAccessible(page, 'the close');
  await page.getByRole('button', { name: 'Sign and end the visit' }).click();
  await expect(page.getByText(/^Signed /)).toBeVisible();
  await expect(page.getByText('Wind in the shrouds all along.')).toBeVisible();
  await page.getByLabel('An addition').fill('She rang: no dizziness since.');
  await page.getByRole('button', { name: 'Add it with today’s date' }).click();
  const added = page.getByRole('paragraph').filter({ hasText: 'She rang: no dizziness since.' });
  await expect(added).toHaveCount(1);
  await page.reload();
  await expect(added).toHaveCount(1);
  await expect(page.getByLabel('An addition')).toHaveValue('');
});

test('following: taps set the pace, by key and by pedal; announcements come once a phase', async ({ page }) => {
  await ownClock(page);
  const plan = [item('quiet-nose', { position: 'hook-lying', breaths: 8 })];
  await seedRun(page, server.url, 'Basil Estover', plan);
  await page.clock.pauseAt(new Date(Date.now() + 30_000));
  await page.keyboard.press(' ');
  await page.clock.runFor(1000);
  await page.keyboard.press('n');
  await page.getByRole('button', { name: 'Pace and dose' }).click();
  await page.getByRole('radio', { name: 'Follow' }).click();
  await page.getByRole('button', { name: 'Close Pace and dose' }).click();
  await page.locator('body').click({ position: { x: 700, y: 5 } });
  await page.keyboard.press(' ');
  for (let tap = 0; tap < 3; tap += 1) {
    await page.clock.runFor(8000);
    await page.keyboard.press('b');
  }
  await expect(page.locator('[data-item]')).toContainText('following');
  const taps = (await logOf(page)).filter(({ event }) => event.type === 'tap');
  expect(taps.length).toBeGreaterThanOrEqual(3);
  await page.clock.runFor(100);
  await expect(page.locator('[data-phase]')).toHaveText('IN');
  const spoken = new Set<string>();
  const changes: string[] = [];
  for (let step = 0; step < 32; step += 1) {
    await page.clock.runFor(500);
    const words = (await page.locator('[data-announce]').textContent())!;
    if (words !== changes.at(-1)) changes.push(words);
    spoken.add(words);
  }
  // Sixteen seconds are two breaths: in, out, in, out, and what was already said when listening began.
  expect(changes.length).toBeLessThanOrEqual(6);
  expect([...spoken].every((words) => /^(In, \d+|Out)$/.test(words))).toBe(true);

  // The pedal: a long press marks a fault, a double one stops.
  await page.keyboard.down('PageDown');
  await page.clock.runFor(700);
  await page.keyboard.up('PageDown');
  await expect(page.getByRole('button', { name: /name it/ }).first()).toBeVisible();
  await page.keyboard.press('PageDown');
  await page.clock.runFor(100);
  await page.keyboard.press('PageDown');
  await expect(page.getByRole('heading', { name: 'Breathe normally' })).toBeVisible();
});

test('a talk holds the pacer and teaches; the dose is changed on the fly; an unnamed mark is named after', async ({
  page,
}) => {
  await ownClock(page);
  await seedRun(page, server.url, 'Cass Withy', threeItems.slice(0, 2));
  await page.clock.pauseAt(new Date(Date.now() + 30_000));
  await page.keyboard.press(' ');
  await page.clock.runFor(17_000);
  await expect(page.locator('[data-breaths]')).toContainText('2/3');
  await page.keyboard.press('t');
  await expect(page.getByRole('img', { name: /^The trunk from the front/ })).toBeVisible();
  // The checker needs a clock that goes; the run waits meanwhile.
  await page.clock.resume();
  await expectAccessible(page, 'a talk');
  await page.clock.pauseAt(new Date((await page.evaluate(() => Date.now())) + 30_000));
  await page.clock.runFor(40_000);
  await page.keyboard.press('t');
  await page.clock.runFor(100);
  await expect(page.locator('[data-breaths]')).toContainText('2/3');
  await page.getByRole('button', { name: 'Pace and dose' }).click();
  await page.getByRole('button', { name: 'Breaths a set: more' }).click();
  await page.clock.runFor(100);
  await expect(page.locator('[data-breaths]')).toContainText('2/4');
  await page.getByRole('button', { name: 'Effort', exact: true }).click();
  await page.getByRole('radio', { name: '2', exact: true }).click();
  await page.getByRole('button', { name: 'Note', exact: true }).click();
  await page.getByRole('button', { name: 'Felt it at the back' }).click();
  await page.getByRole('button', { name: 'Close Note' }).click();
  await page.keyboard.press('f');
  await page.clock.runFor(7000);
  await page.keyboard.press('n');
  await page.clock.runFor(100);
  await page
    .getByText(/^What was the mark in breath 2/)
    .locator('..')
    .getByRole('button')
    .first()
    .click();
  await expect(page.getByText(/^What was the mark/)).toHaveCount(0);
  await page.keyboard.press('u');
  await page.clock.runFor(500);
  await expect
    .poll(async () => (await logOf(page)).map(({ event }) => event.type))
    .toEqual(expect.arrayContaining(['pause', 'resume', 'adjust', 'effort', 'note', 'fault', 'named', 'undo']));
  expect(summariseRun(foldRun(threeItems.slice(0, 2), await logOf(page))).items[0]!.faults).toEqual([]);
});

test('a second tap on any zone does nothing that the first did not', async ({ page }) => {
  await page.clock.install();
  await seedRun(page, server.url, 'Denzil Twicetap', threeItems);
  const zone = (name: RegExp) => page.getByRole('button', { name });
  const twice = async (name: RegExp) => {
    // The page's time stands meanwhile: on a machine that is busy elsewhere the second tap would come later than a fast finger's.
    await page.clock.pauseAt((await page.evaluate(() => Date.now())) + 1000);
    await zone(name).first().dblclick({ delay: 20 });
    await page.clock.resume();
    await tapsPast(page);
  };
  const at = page.locator('[data-item]');
  await twice(/^Begin/);
  await expect(zone(/^Ready/)).toBeVisible();
  const first = await at.textContent();
  await twice(/^Ready/);
  // The drill is neither skipped, nor its set-up begun anew.
  await expect(page.locator('[data-phase]')).toHaveText(/IN|OUT/);
  await expect(at).toHaveText(first!);
  await twice(/^Cue landed/);
  await twice(/^Fault/);
  await twice(/name it/);
  await twice(/^Next(?! cue)/);
  // One drill further, at its set-up.
  await expect(at).not.toHaveText(first!);
  await expect(zone(/^Ready/)).toBeVisible();
  await twice(/^Easier/);
  await twice(/Stop/);
  await expect(page.getByText('Breathe normally').first()).toBeVisible();
  const times = async (type: string) => (await logOf(page)).filter(({ event }) => event.type === type).length;
  await expect.poll(() => times('stop')).toBe(1);
  const counted = await Promise.all(['start', 'jump', 'fault', 'cue', 'swap'].map(times));
  expect(counted.slice(0, 4)).toEqual([1, 2, 1, 1]);
  expect(counted[4]).toBeLessThanOrEqual(1);
});
