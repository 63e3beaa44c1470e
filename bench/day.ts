/**
 * A working day counted: how many presses and how much scrolling a visit costs, station by station, on a tablet of 1024 × 768 by touch, and
 * how many keys without a pointer. Walked in a browser on a studio of its own. Needs a build.
 */
import { type Locator, type Page, chromium } from '@playwright/test';
import { demoServer } from '../e2e/support/server';
import { report } from './report';
import { allSaved } from '../e2e/support/walk';
import { chromium as chromiumPath } from '../scripts/chromium.mjs';

const size = { width: 1024, height: 768 };

interface Cost {
  presses: number;
  /** Taps that count the client's breaths: as many as they breathe. */
  breaths: number;
  /** Of the window's height. */
  screens: number;
}
const nothing = (): Cost => ({ presses: 0, breaths: 0, screens: 0 });

interface Walk {
  name: string;
  by: 'touch' | 'keys';
  stations: [string, Cost][];
  total: Cost;
}

/** A hand, or ten fingers on the keys, that counts what it does. */
class Hand {
  private readonly costs = new Map<string, Cost>();
  private station = 'Today';

  constructor(
    readonly page: Page,
    readonly by: 'touch' | 'keys',
  ) {}

  at(station: string) {
    this.station = station;
  }

  private cost(): Cost {
    const known = this.costs.get(this.station) ?? nothing();
    this.costs.set(this.station, known);
    return known;
  }

  /** Scrolls just as far as it takes to touch something; what is in sight costs nothing. */
  private async reach(target: Locator) {
    await target.waitFor();
    const by = await target.evaluate((element) => {
      const before = window.scrollY;
      const step = element.getBoundingClientRect().top > window.innerHeight / 2 ? 24 : -24;
      for (let tries = 0; tries < 400; tries += 1) {
        const { left, top, width, height } = element.getBoundingClientRect();
        const there = document.elementFromPoint(left + width / 2, top + height / 2);
        if (there !== null && (element.contains(there) || there.contains(element))) break;
        window.scrollBy({ top: step, behavior: 'instant' });
      }
      return Math.abs(window.scrollY - before);
    });
    this.cost().screens += by / size.height;
  }

  async press(target: Locator) {
    if (this.by === 'keys')
      return this.keyTo(target, (await target.getAttribute('role')) === 'radio' ? 'Space' : 'Enter');
    await this.reach(target);
    await target.tap();
    this.cost().presses += 1;
  }

  /** A shortcut on the keys; by touch the part of the page that does the same. */
  async go(key: string, target: Locator) {
    if (this.by === 'touch') return this.press(target);
    await this.page.keyboard.press(key);
    this.cost().presses += 1;
  }

  /** Goes to a client by a part of their name: every key of it is counted. */
  async find(words: string) {
    const { keyboard } = this.page;
    await keyboard.press('Control+k');
    await keyboard.type(words);
    await this.page.getByRole('option', { name: /^Tamsin/ }).waitFor();
    await keyboard.press('Enter');
    this.cost().presses += words.length + 2;
    await this.page.waitForURL(/clients/);
  }

  /** On to a station by its number. On a slider digits belong to it: then the way on is gone to. */
  async onTo(key: string, target: Locator) {
    const from = this.page.url();
    await this.go(key, target);
    if (this.by === 'touch') return;
    await this.page.waitForURL((url) => url.href !== from, { timeout: 1500 }).catch(() => this.keyTo(target, 'Enter'));
  }

  /** Tab and arrows until a control has the focus, then the key that presses it. */
  private async keyTo(target: Locator, key: string) {
    await target.waitFor();
    const cost = this.cost();
    for (let moves = 0; moves < 160; moves += 1) {
      const where = await target.evaluate((element) => {
        const active = document.activeElement;
        if (active === element) return 'there';
        const group = element.closest('[role=group],[role=radiogroup],[role=toolbar]');
        const roving = element.getAttribute('role') === 'radio' || element.hasAttribute('data-radix-collection-item');
        if (roving && group && active && group.contains(active)) {
          const behind = element.compareDocumentPosition(active) & Node.DOCUMENT_POSITION_FOLLOWING;
          return behind ? 'ArrowLeft' : 'ArrowRight';
        }
        const ahead =
          !active ||
          active === document.body ||
          active.compareDocumentPosition(element) & Node.DOCUMENT_POSITION_FOLLOWING;
        return ahead ? 'Tab' : 'Shift+Tab';
      });
      if (where === 'there') {
        await this.page.keyboard.press(key);
        cost.presses += 1;
        return;
      }
      await this.page.keyboard.press(where);
      cost.presses += 1;
    }
    throw new Error(`The keys never come to ${target.toString()}.`);
  }

  /** A field filled: one press into it, what is typed is not counted. */
  async type(target: Locator, words: string) {
    await this.reach(target);
    await target.fill(words);
    this.cost().presses += 1;
  }

  /** A part of the ring graded by its digit. */
  async digit(target: Locator, value: number) {
    await this.keyTo(target, String(value));
  }

  /** A slider set to about a value: one tap on its track; by keys, as many steps as it takes. */
  async slide(target: Locator, part: number) {
    if (this.by === 'keys') {
      // The middle is one long step from the lowest; what is high is come to from the highest, by half points.
      const keys = part === 0.5 ? ['PageUp'] : Array.from({ length: Math.round((1 - part) * 20) }, () => 'ArrowLeft');
      await this.keyTo(target, part === 0.5 ? 'Home' : 'End');
      for (const key of keys) await this.page.keyboard.press(key);
      this.cost().presses += keys.length;
      return;
    }
    await this.reach(target);
    const box = (await target.locator('xpath=ancestor::*[@data-orientation][last()]').boundingBox())!;
    await this.page.touchscreen.tap(box.x + box.width * part, box.y + box.height / 2);
    this.cost().presses += 1;
  }

  async countBreaths(breaths: number) {
    const { page } = this;
    await page.clock.install();
    const pad = page.getByRole('button', { name: /^Tap each inhale/ });
    if (this.by === 'touch') await this.reach(pad);
    for (let tap = 0; tap < breaths; tap += 1) {
      if (this.by === 'keys') await page.keyboard.press('Space');
      else await pad.tap();
      this.cost().breaths += 1;
      await page.clock.fastForward(4600 + (tap % 3) * 300);
    }
    await page.clock.resume();
  }

  result(name: string): Walk {
    const total = nothing();
    for (const cost of this.costs.values()) {
      total.presses += cost.presses;
      total.breaths += cost.breaths;
      total.screens += cost.screens;
    }
    return { name, by: this.by, stations: [...this.costs], total };
  }
}

const radio = (page: Page, group: string | RegExp, name: string) =>
  page.getByRole('radiogroup', { name: group }).getByRole('radio', { name, exact: true });
const button = (page: Page, name: string | RegExp) =>
  page.getByRole('button', { name, exact: typeof name === 'string' });

/** The resting rate over a minute, and what was seen of it: as most people breathe. */
async function quietLook(hand: Hand) {
  const { page } = hand;
  hand.at('Look');
  await page.getByRole('heading', { name: 'Unannounced quiet look' }).waitFor();
  await hand.countBreaths(14);
  await hand.press(button(page, 'Done counting'));
  await hand.press(radio(page, 'Where it starts', 'Ribs'));
  await hand.press(radio(page, 'Through', 'Nose'));
  await hand.press(radio(page, 'Sound', 'Silent'));
}

async function twoHands(hand: Hand) {
  const { page } = hand;
  await hand.press(radio(page, /which hand leads\?$/, 'Together').first());
  await hand.press(radio(page, 'Which moves more?', 'Even'));
  await hand.press(radio(page, /draw in/, 'No'));
  await hand.press(radio(page, /deeper breaths/, 'Chest hand'));
}

/** Eight parts of a map by quiet breaths, then by deep ones where more is seen. */
async function wholeMap(hand: Hand) {
  const { page } = hand;
  const part = (name: string) => page.getByRole('slider', { name, exact: true });
  const grade = async (name: string, value: number) => {
    if (hand.by === 'keys') return hand.digit(part(name), value);
    for (let taps = 0; taps < 5; taps += 1) {
      if ((await part(name).getAttribute('aria-valuetext'))?.startsWith(String(value))) return;
      await hand.press(part(name));
    }
  };
  await grade('left side', 1);
  if (hand.by === 'touch') await hand.press(page.getByRole('radio', { name: 'none', exact: true }));
  for (const name of ['left side', 'left back', 'low back', 'back of chest']) await grade(name, 0);
  await grade('right side', 1);
  for (const name of ['right back', 'front of chest']) await grade(name, 1);
  await grade('belly', 2);
}

async function marker(hand: Hand, scope: Page | Locator = hand.page, at = 0.5) {
  await hand.slide(scope.getByRole('slider', { name: /^First asking/ }), at);
  await hand.slide(scope.getByRole('slider', { name: /^Asked again/ }), at);
}

/** From the reading to the end of the run. */
async function planAndRun(hand: Hand, { markerFirst = false } = {}) {
  const { page } = hand;
  hand.at('Look');
  await hand.onTo('3', page.getByRole('link', { name: 'On to Read' }));
  hand.at('Read');
  const confirm = page.getByRole('button', { name: /^Confirm this/ });
  await confirm.waitFor();
  await hand.go('n', confirm);
  await page.getByText(/^Confirmed: /).waitFor();
  await hand.onTo('4', page.getByRole('link', { name: 'On to Sequence' }));
  hand.at('Sequence');
  await button(page, 'Make the plan').waitFor();
  await hand.go('n', button(page, 'Make the plan'));
  await page.getByLabel('Totals').waitFor();
  await hand.onTo('5', page.getByRole('link', { name: 'On to Coach' }));
  hand.at('Coach');
  if (markerFirst) await marker(hand);
  await button(page, 'Open the run').waitFor();
  await hand.go('n', button(page, 'Open the run'));
  await page.waitForURL(/\/run\//);
  const begin = page.getByRole('button', { name: /^Begin/ });
  await begin.waitFor();
  await page.waitForTimeout(500);
  await hand.go('Space', begin);
  const ready = page.getByRole('button', { name: /^Ready/ });
  const over = page.getByRole('link', { name: /recheck/i });
  const breathing = page.locator('[data-phase]');
  // The run goes on by itself; a person says only that the next position is taken. One fault is marked, and named.
  let marked = false;
  for (let moments = 0; moments < 400 && !(await over.first().isVisible()); moments += 1) {
    if ((await ready.isVisible()) && (await ready.isEnabled())) {
      await hand.go('n', ready);
      if (!marked) {
        marked = true;
        await page.waitForTimeout(16_000);
        await hand.go('f', page.getByRole('button', { name: /^Fault/ }));
        await page.waitForTimeout(900);
        await hand.go('1', page.getByRole('button', { name: /name it/ }).first());
      }
    }
    // A drill is not waited for: its end is jumped to, which nobody presses.
    else if (await breathing.isVisible()) await page.keyboard.press('n');
    await page.waitForTimeout(700);
  }
  hand.at('Recheck and close');
  await hand.press(over.first());
}

async function close(hand: Hand) {
  const { page } = hand;
  const recheck = page.getByRole('region', { name: /recheck/i }).first();
  await recheck.waitFor();
  await marker(hand, recheck, 0.8);
  const home = page
    .getByRole('group', { name: /^What goes home/ })
    .or(page.getByRole('toolbar', { name: /^What goes home/ }));
  await hand.press(home.getByRole('button').first());
  await hand.press(button(page, 'Sign and end the visit'));
  await page
    .getByText(/^Signed \d/)
    .first()
    .waitFor();
  await allSaved(page);
}

async function returnVisit(hand: Hand, url: string) {
  const { page } = hand;
  await page.goto(url);
  if (hand.by === 'keys') {
    await hand.find('tam');
    hand.at('Screen');
    await hand.press(page.getByRole('button', { name: 'Begin today’s visit' }).first());
  } else {
    await hand.press(
      page
        .getByRole('listitem')
        .filter({ hasText: 'Tamsin' })
        .getByRole('button', { name: /^Begin/ }),
    );
  }
  hand.at('Screen');
  const nothingNew = page.getByRole('button', { name: /^None of these, and nothing changed/ });
  await nothingNew.waitFor();
  await hand.press(nothingNew);
  await page.getByText('Asked today: none.').waitFor();
  for (const group of await page.getByRole('radiogroup', { name: /^Done at home/ }).all()) {
    await hand.press(group.getByRole('radio', { name: 'most days' }));
  }
  await hand.onTo('2', page.getByRole('link', { name: 'On to Look' }).first());
  await quietLook(hand);
  for (;;) {
    const title = await page.getByRole('heading', { level: 1 }).textContent();
    if (title === 'Two hands') await twoHands(hand);
    if (title?.startsWith('Side')) {
      await hand.press(radio(page, /left side opens/, 'clear'));
      await hand.press(radio(page, /right side opens/, 'wide'));
    }
    if (title === 'Region map') {
      await hand.press(page.getByRole('button', { name: /^The (whole|rest) as last time$/ }));
      await hand.press(page.getByRole('radio', { name: 'Deep', exact: true }));
      await hand.press(page.getByRole('slider', { name: 'left side', exact: true }));
      await hand.press(page.getByRole('button', { name: /^The (whole|rest) as last time$/ }));
    }
    if (title?.includes('marker')) await marker(hand);
    const next = page.getByRole('link', { name: /^Next: / });
    if (!(await next.isVisible())) break;
    await hand.go('n', next);
    await page.waitForFunction((before) => document.querySelector('h1')?.textContent !== before, title);
  }
  await planAndRun(hand);
  await close(hand);
}

async function firstVisit(hand: Hand, url: string) {
  const { page } = hand;
  await page.goto(url);
  await hand.press(page.getByRole('link', { name: 'Walk-in: add a client' }));
  await hand.type(page.getByLabel('Name'), 'Wenna Halyard');
  await hand.press(button(page, 'Add and begin today’s visit'));
  hand.at('Screen');
  await page.getByRole('heading', { name: 'Screen', exact: true }).waitFor();
  await hand.press(button(page, 'Neither'));
  await hand.press(button(page, 'None of these today'));
  await hand.type(page.getByLabel('Complaint, in their words'), 'Can’t fill the lower ribs');
  await hand.press(page.getByRole('radio', { name: 'Yes', exact: true }).first());
  for (;;) {
    const rest = page.getByRole('button', { name: /^(All of these|The other \d+): no$/ });
    const left = await rest.count();
    if (left === 0) break;
    await hand.press(rest.first());
    await page.waitForFunction(
      (before) =>
        [...document.querySelectorAll('button')].filter(({ textContent }) =>
          /^(All of these|The other \d+): no$/.test(textContent ?? ''),
        ).length < before,
      left,
    );
  }
  await hand.press(page.getByRole('link', { name: 'On to Look' }).last());
  await quietLook(hand);
  for (;;) {
    const title = await page.getByRole('heading', { level: 1 }).textContent();
    if (title === 'Two hands') await twoHands(hand);
    if (title?.startsWith('Side')) {
      await hand.press(radio(page, /left side opens/, 'clear'));
      await hand.press(radio(page, /right side opens/, 'wide'));
    }
    if (title === 'Region map') await wholeMap(hand);
    if (title === 'Stack') await hand.press(page.getByRole('button', { name: /^Nothing else to note/ }));
    const next = page.getByRole('link', { name: /^Next: / });
    if (!(await next.isVisible())) break;
    await hand.go('n', next);
    await page.waitForFunction((before) => document.querySelector('h1')?.textContent !== before, title);
  }
  await planAndRun(hand, { markerFirst: true });
  await close(hand);
}

async function regionMap(hand: Hand, url: string) {
  const { page } = hand;
  await page.goto(url);
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Bram' })
    .getByRole('button', { name: /^Begin/ })
    .tap();
  await page.waitForURL(/clients/);
  await page.getByRole('button', { name: /^None of these, and/ }).tap();
  await page.getByText('Asked today: none.').waitFor();
  await page.goto(`${page.url().split('/').slice(0, 5).join('/')}/look?protocol=regionMap`);
  hand.at('Region map');
  await wholeMap(hand);
}

const walks = [
  { name: 'Return visit', by: 'touch', walk: returnVisit, most: { presses: 55, screens: 3 }, before: '98–116 presses' },
  {
    name: 'First visit',
    by: 'touch',
    walk: firstVisit,
    most: { presses: 85, screens: 5 },
    before: 'about 130 presses, 11 screens',
  },
  { name: 'Region map, eight parts', by: 'touch', walk: regionMap, most: { presses: 15, screens: 1 }, before: '—' },
  { name: 'Return visit by keys', by: 'keys', walk: returnVisit, most: { presses: 149, screens: 99 }, before: '—' },
] as const;

/** Walks the day and tells it as the page docs/day.md. */
export async function day(only?: string): Promise<string> {
  const told: string[] = [];
  const browser = await chromium.launch({
    executablePath: chromiumPath(),
    args: ['--no-sandbox', '--disable-gpu'],
  });
  try {
    for (const { name, by, walk, most, before } of walks.filter((one) => !only || one.name.includes(only))) {
      // Each on a studio as it is when it is loaded.
      const server = demoServer(4395);
      await server.start();
      const context = await browser.newContext({
        viewport: size,
        hasTouch: by === 'touch',
        timezoneId: 'Europe/London',
      });
      try {
        const page = await context.newPage();
        page.setDefaultTimeout(15_000);
        const hand = new Hand(page, by);
        await walk(hand, server.url);
        const { total, stations } = hand.result(name);
        const held = total.presses <= most.presses && total.screens <= most.screens;
        const screens = by === 'keys' ? '' : `, ${total.screens.toFixed(1)} screens`;
        const wanted = `at most ${most.presses}${by === 'keys' ? '' : `, ${most.screens} screens`}`;
        report(`${name}: presses${by === 'keys' ? '' : ' and scrolling'}`, `${total.presses}${screens}`, wanted, held);
        told.push(
          `## ${name}${by === 'keys' ? '' : ', by touch at 1024 × 768'}`,
          '',
          `**${total.presses} presses${screens}**${total.breaths > 0 ? `, besides ${total.breaths} taps that count breaths` : ''}. Wanted: ${wanted}. Before: ${before}.`,
          '',
          '| station | presses | screens |',
          '|---|---|---|',
          ...stations.map(
            ([station, cost]) => `| ${station} | ${cost.presses} | ${by === 'keys' ? '' : cost.screens.toFixed(1)} |`,
          ),
          '',
        );
      } finally {
        await context.close();
        await server.close();
      }
    }
  } finally {
    await browser.close();
  }
  return told.join('\n');
}

const head = `# A day, counted

How many presses and how much scrolling a visit costs, walked by a script that does what a coach does and nothing else
(\`npm run bench -- --day\`). A press is a tap, a key, or a field filled; typing itself is not counted, nor are the taps that
count a client's breaths. Drills are not waited for to their end; one fault is marked and named. A screen of scrolling is the
window's height. On the first visit the complaint is typed, the posture search is passed over and the map is graded by quiet
breaths alone; on the return visit nothing has changed since, and the rest of the map is as last time.

The figures of before were counted by hand when eight clients were walked through a Tuesday, nobody wrote down by which rule:
read them as about.
`;

export const dayPage = (told: string) => `${head}\n${told}`.trimEnd() + '\n';
