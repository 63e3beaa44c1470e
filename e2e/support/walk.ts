import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { type Page, expect } from '@playwright/test';
import { v7 as uuid } from 'uuid';
import { planItem as plainItem } from '@/core/fixtures';
import { conditionIds } from '@/core/safety';
import { type PlanItem } from '@/core/sequence';
import { isShared } from './server';

const axeSource = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** Where a run says that its page was silent, and that it waits. */
const silence = (page: Page) => page.getByText(/^Back where you left it/);

/** A run heeds that its page was silent for three seconds, and waits: on a busy machine a check takes that long. It is gone on with. */
async function goOnAfterSilence(page: Page) {
  // It is noticed within a few looks.
  await page.evaluate(() => new Promise((resolve) => setTimeout(resolve, 500)));
  if (await silence(page).isVisible()) await page.keyboard.press(' ');
}

const everyRule = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

/** Fails with what axe found, in words. @param rules its rules or kinds of them, where not all are asked for */
export async function expectAccessible(page: Page, where: string, rules: readonly string[] = everyRule) {
  const began = Date.now();
  const waited = await silence(page).isVisible();
  // A message that comes or goes is half see-through for a moment, also one that goes while
  // the checker reads: what stands is judged.
  await page.evaluate(() => {
    const standing = new CSSStyleSheet();
    // One that has gone is taken off the page by a timer, which a test's clock may never reach: it is hidden, and stays React's to take.
    standing.replaceSync(
      '[data-sonner-toast], [data-sonner-toast] * { transition: none !important; animation: none !important; } [data-sonner-toast][data-removed="true"] { display: none !important; }',
    );
    document.adoptedStyleSheets = [standing];
    return Promise.all(
      [...document.querySelectorAll('[data-sonner-toast]')]
        .flatMap((message) => message.getAnimations({ subtree: true }))
        .map((moving) => moving.finished.catch(() => undefined)),
    );
  });
  // The page's own policy allows nothing from outside; the checker is brought in through the debugger, straight: what is evaluated in a page the usual way is packed twice.
  if (!(await page.evaluate(() => 'axe' in window))) {
    const straight = await page.context().newCDPSession(page);
    await straight.send('Runtime.evaluate', { expression: `${axeSource};0` });
    await straight.detach();
  }
  // Going from page to page the old title goes a moment before the new one comes.
  await expect(page).toHaveTitle(/\S/);
  const found = await page.evaluate(async (runOnly) => {
    // Scrolled, something always lies half under the strip on top and would count as small.
    window.scrollTo(0, 0);
    const { axe } = window as unknown as {
      axe: {
        run: (
          context: Document,
          options: object,
        ) => Promise<{ violations: { id: string; nodes: { html: string }[] }[] }>;
      };
    };
    const { violations } = await axe.run(document, {
      runOnly,
      // What is in order needn't be told of one by one, and nothing plays or is styled from elsewhere.
      resultTypes: ['violations'],
      preload: false,
    });
    return violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(' | ')}`);
  }, rules);
  await page.evaluate(() => (document.adoptedStyleSheets = []));
  if (!waited && Date.now() - began > 2500) await goOnAfterSilence(page);
  expect(found, where).toEqual([]);
}

/** Waits until a page just loaded answers to keys; what is pressed on it is held until then, a key that belongs to no field is not. */
export const listens = (page: Page) =>
  page.waitForFunction(() => {
    type Fiber = { return: Fiber | null; stateNode: { current?: { memoizedState?: { isDehydrated?: boolean } } } };
    const name = Object.keys(document.body).find((key) => key.startsWith('__reactFiber$'));
    let fiber = name === undefined ? null : (document.body as unknown as Record<string, Fiber>)[name]!;
    while (fiber?.return) fiber = fiber.return;
    return fiber?.stateNode.current?.memoizedState?.isDehydrated === false;
  });

const taken = new Set<string>();

/** On a shared studio nobody is called like another test's client: what is asked for by name would sometimes find two. */
function takeName(url: string, name: string) {
  if (!isShared(url)) return;
  expect([...taken], `Another test of this studio has a client called ${name}.`).not.toContain(name);
  taken.add(name);
}

/** Adds a client and begins today's visit, as a new coach would. */
export async function addClient(page: Page, url: string, name: string) {
  takeName(url, name);
  await page.goto(`${url}/clients/new`);
  await page.getByLabel('Name').fill(name);
  await page.getByRole('button', { name: 'Add and begin today’s visit' }).click();
  await expect(page.getByRole('heading', { name: 'Screen', exact: true })).toBeVisible();
  return page.url().split('/')[4]!;
}

/** A client with today's visit, every question answered no, made as a browser would send it: for tests of what comes later. */
export async function seedClient(
  page: Pick<Page, 'request'>,
  url: string,
  name: string,
  more: (visitId: string) => object[] = () => [],
  /** Questions answered yes, with their details; null when nobody asked any but those of pregnancy and birth. */
  yes: Record<string, object> | null = {},
) {
  takeName(url, name);
  const [clientId, visitId] = [uuid(), uuid()];
  const fact = (key: string, value: unknown) => ({
    kind: 'fact.add',
    payload: { factId: uuid(), clientId, key, value, basedOn: null },
  });
  const commands = [
    { kind: 'client.create', payload: { clientId, factId: uuid(), name } },
    { kind: 'visit.start', payload: { visitId, clientId } },
    ...conditionIds
      .filter((id) => yes !== null || id === 'pregnancy' || id === 'recentBirth')
      .map((id) => fact(`answer:${id}`, yes && id in yes ? { value: 'yes', ...yes[id] } : { value: 'no' })),
    fact('emergency', { present: [] }),
    fact('redFlags', { present: [] }),
    ...more(visitId),
  ].map((command) => ({ id: uuid(), ...command }));
  const answer = await page.request.post(`${url}/api/commands`, { data: { commands } });
  const { outcomes } = (await answer.json()) as { outcomes: { state: string }[] };
  expect(outcomes.filter(({ state }) => state === 'refused')).toEqual([]);
  return clientId;
}

/** A client whose reading of today is confirmed: for tests of the plan. */
export const seedReading = (
  page: Pick<Page, 'request'>,
  url: string,
  name: string,
  {
    intent = 'openSidesAndBack',
    side = null as 'left' | 'right' | null,
    patterns = ['sidesAndBackClosed'],
    asked = true,
  } = {},
) =>
  seedClient(
    page,
    url,
    name,
    (visitId) => [
      {
        kind: 'reading.confirm',
        payload: { readingId: uuid(), visitId, reading: { intent, side, patterns, ownLine: '', snapshot: null } },
      },
    ],
    asked ? {} : null,
  );

/** An item of a plan: three breaths of 2 in, 4 out, sitting, unless said otherwise. */
export const planItem = (drillId: string, rest: Partial<PlanItem>) =>
  plainItem({ id: uuid(), drillId, byHand: true, ...rest });

/** What gives a visit a reading and a plan as given. */
export const planCommands = (visitId: string, items: readonly PlanItem[]) => [
  {
    kind: 'reading.confirm',
    payload: {
      readingId: uuid(),
      visitId,
      reading: {
        intent: 'openSidesAndBack',
        side: null,
        patterns: ['sidesAndBackClosed'],
        ownLine: '',
        snapshot: null,
      },
    },
  },
  {
    kind: 'plan.save',
    payload: {
      planId: uuid(),
      visitId,
      revision: 0,
      plan: {
        request: {
          intent: 'openSidesAndBack',
          side: null,
          minutes: 20,
          propsAtHand: ['towel', 'pillow', 'chair'],
          leadSchool: 'openAllRegions',
        },
        proven: false,
        items,
        refusals: [],
      },
    },
  },
];

/** A client with a plan of today as given: for tests of the run. */
export const seedPlan = (page: Pick<Page, 'request'>, url: string, name: string, items: readonly PlanItem[]) =>
  seedClient(page, url, name, (visitId) => planCommands(visitId, items));

/** Lets go of what is dragged in the very moment it comes to a point, as a quick hand does: nothing is drawn between the two. */
export async function letGoAt(page: Page, x: number, y: number) {
  await page.evaluate(
    ([clientX, clientY]) => {
      const init = { clientX: clientX!, clientY: clientY!, bubbles: true, cancelable: true, isPrimary: true };
      document.dispatchEvent(new PointerEvent('pointermove', { ...init, buttons: 1 }));
      document.dispatchEvent(new MouseEvent('mousemove', { ...init, buttons: 1 }));
      document.dispatchEvent(new PointerEvent('pointerup', init));
      document.dispatchEvent(new MouseEvent('mouseup', init));
    },
    [x, y],
  );
  await page.mouse.move(x, y);
  await page.mouse.up();
}

const mayBegin = (page: Page) => expect(page.getByRole('button', { name: 'Begin (Space)' })).toBeEnabled();

/** A client with a plan of today and its run, open in the page and not begun: for tests of what happens in a run. */
export async function seedRun(page: Page, url: string, name: string, items: readonly PlanItem[]) {
  const runId = uuid();
  const clientId = await seedClient(page, url, name, (visitId) => [
    ...planCommands(visitId, items),
    { kind: 'run.create', payload: { runId, visitId, items } },
  ]);
  await page.goto(`${url}/run/${runId}`);
  await mayBegin(page);
  return clientId;
}

/** Opens the run of a client's plan by hand and waits until it may begin. */
export async function openRunOf(page: Page, url: string, clientId: string) {
  await page.goto(`${url}/clients/${clientId}/coach`);
  await page.getByRole('button', { name: 'Open the run' }).click();
  await mayBegin(page);
}

/** Pregnancy and birth are asked before “none of these” can be said. */
async function beforeTheSigns(page: Page, yes: string[] = []) {
  const first = page.getByRole('button', { name: 'Neither' });
  const told = page.getByRole('button', { name: 'None of these today' });
  await expect(told).toBeVisible();
  if (!(await first.isVisible())) return;
  const name = yes.includes('Pregnant now?')
    ? 'Pregnant'
    : yes.includes('Given birth in the last months?')
      ? 'Given birth'
      : 'Neither';
  await page.getByRole('button', { name, exact: true }).click();
  await expect(told).toBeEnabled();
}

/** Asks today's signs and answers every condition "no", but for those given. */
export async function screenClear(page: Page, yes: string[] = []) {
  await beforeTheSigns(page, yes);
  await page.getByRole('button', { name: 'None of these today' }).click();
  await expect(page.getByText('Asked today: none.')).toBeVisible();
  for (const question of yes) {
    const answer = page.getByRole('radiogroup', { name: question }).getByRole('radio', { name: 'Yes' });
    if (!(await answer.isChecked())) await answer.click();
    await expect(page.getByRole('radiogroup', { name: question }).getByRole('radio', { name: 'Yes' })).toBeChecked();
  }
  for (;;) {
    const rest = page.getByRole('button', { name: /^(All of these|The other \d+): no$/ });
    const left = await rest.count();
    if (left === 0) break;
    await rest.first().click();
    await expect(rest).toHaveCount(left - 1);
  }
  await expect(page.getByText(/not asked yet/)).toHaveCount(0);
}

/** Grades parts on the ring with the keyboard: part name → grade. */
export async function gradeRing(page: Page, breath: 'Quiet' | 'Deep', grades: Record<string, number>) {
  await page.getByRole('radio', { name: breath, exact: true }).click();
  for (const [part, grade] of Object.entries(grades)) {
    const slider = page.getByRole('slider', { name: part, exact: true });
    await slider.focus();
    await page.keyboard.press(String(grade));
    await expect(slider).toHaveAttribute('aria-valuenow', String(grade));
  }
}

/** Starts an open run and goes past the first set-up. */
export async function startBreathing(page: Page) {
  await page.keyboard.press(' ');
  await expect(page.getByRole('button', { name: /^Ready/ })).toBeEnabled();
  await page.keyboard.press('n');
  await expect(page.locator('[data-phase]')).toBeVisible();
}

/** Waits until everything typed and tapped is with the server. */
export async function allSaved(page: Page) {
  await expect(page.getByText(/^saved \d\d:\d\d$/)).toBeVisible();
}

/**
 * Gives the pages of a browser a clock of their own, which goes as it is told to, with twenty frames a second, not sixty: each
 * takes a turn of the browser. Before a page is opened.
 */
export async function ownClock(page: Page) {
  await page.clock.install();
  await page.context().addInitScript((frameMs) => {
    // Asked for when a frame is, by when the timers are the clock's.
    window.requestAnimationFrame = (draw) => window.setTimeout(() => draw(performance.now()), frameMs);
    window.cancelAnimationFrame = (frame) => window.clearTimeout(frame);
  }, 50);
}

/** Lets so much time go by that another tap on the same place is meant. The page's clock must be installed before it is opened. */
export const tapsPast = (page: Page) => page.clock.fastForward(650);

/** A run of these items to its end, every drill calm but for what `otherwise` says. */
export function runCommands(
  visitId: string,
  items: readonly PlanItem[],
  otherwise: (item: number) => object[] = () => [],
): object[] {
  const runId = uuid();
  const begun = Date.now() - 900_000;
  const events = [
    { type: 'start' },
    ...items.flatMap((item, at) => [
      ...Array.from({ length: item.breaths }, (_, breath) => ({
        type: 'breath',
        item: at,
        set: 1,
        breath,
        seconds: 6,
      })),
      { type: 'effort', item: at, of10: 2 },
      ...otherwise(at),
    ]),
    { type: 'end', why: 'done' },
  ].map((event, seq) => ({ id: uuid(), seq, atEpochMs: begun + seq * 6000, event }));
  return [
    { kind: 'run.create', payload: { runId, visitId, items } },
    { kind: 'run.append', payload: { runId, events } },
  ];
}

/** A client whose plan of today was coached to its end, every drill calm but for what `otherwise` says: for tests of what comes after. */
export async function seedCoached(
  page: Pick<Page, 'request'>,
  url: string,
  name: string,
  items: readonly PlanItem[],
  otherwise: (item: number) => object[] = () => [],
): Promise<{ clientId: string; visitId: string }> {
  let visitId = '';
  const clientId = await seedClient(page, url, name, (id) => {
    visitId = id;
    return [...planCommands(id, items), ...runCommands(id, items, otherwise)];
  });
  return { clientId, visitId };
}
