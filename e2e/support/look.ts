import { type Page, expect } from '@playwright/test';
import { type FormField, type FormProtocol, type ProtocolId, type Raw, forms, symptoms } from '@/core/look';
import { capital } from '@/core/reasons';
import { type Grades, regions } from '@/core/trunk';
import { type Seen } from '../../demo/constructed';
import { allSaved, gradeRing } from './walk';

/** A row of joined chips by its question. */
const chips = (page: Page, question: string) => page.getByRole('radiogroup', { name: question, exact: true });

/** Sets a slider with the keyboard, from the lowest value up. */
async function slide(page: Page, slider: ReturnType<Page['getByRole']>, value: number, step = 1) {
  await slider.focus();
  await page.keyboard.press('Home');
  for (let at = 0; at < value; at += step) await page.keyboard.press('ArrowRight');
}

async function enterField(page: Page, field: FormField, value: unknown) {
  switch (field.kind) {
    case 'choice': {
      const label = field.choices.find(([key]) => key === value)![1];
      await chips(page, field.question).getByRole('radio', { name: label, exact: true }).click();
      break;
    }
    case 'grade':
      await chips(page, field.question)
        .getByRole('radio', { name: field.words[value as 0], exact: true })
        .click();
      break;
    case 'ticks': {
      const bar = page.getByRole('toolbar', { name: field.question, exact: true });
      const group = (await bar.count()) > 0 ? bar : page.getByRole('group', { name: field.question, exact: true });
      const wanted = (value as string[]).map((key) => field.choices.find(([id]) => id === key)![1]);
      for (const name of wanted.length === 0 ? [field.none!] : wanted) {
        await group.getByRole('button', { name, exact: true }).click();
      }
      break;
    }
    case 'scale':
      await slide(page, page.getByRole('slider', { name: field.question }), value as number);
      break;
    case 'seconds':
      for (const seconds of value as number[]) {
        await page.getByRole('button', { name: /Start the exhale/ }).click();
        await page.clock.fastForward(seconds * 1000);
        await page.getByRole('button', { name: /Stop at the end/ }).click();
      }
  }
}

async function enterForm(page: Page, protocol: FormProtocol, raw: Record<string, unknown>) {
  for (const field of forms[protocol]) {
    const value = raw[field.key];
    if (
      value === undefined ||
      value === null ||
      (Array.isArray(value) && value.length === 0 && field.kind !== 'ticks')
    ) {
      continue;
    }
    if (field.kind === 'ticks' && field.none === undefined && (value as string[]).length === 0) continue;
    await enterField(page, field, value);
  }
}

/** Gradings of a map as the ring is asked for them; parts that were not seen are left out. */
const named = (grades: Partial<Grades>, neck: number | null | undefined) => ({
  ...Object.fromEntries(
    Object.entries(grades)
      .filter(([, grade]) => grade !== null)
      .map(([id, grade]) => [regions[id as keyof typeof regions].name, grade as number]),
  ),
  ...(neck == null ? {} : { 'neck and shoulders': neck }),
});

const goes = async (
  page: Page,
  label: string,
  list: readonly { exhaleCm: number | null; inhaleCm: number | null }[],
) => {
  for (const [i, { exhaleCm, inhaleCm }] of list.entries()) {
    await page.getByLabel(`${label}, go ${i + 1}, exhale`).fill(String(exhaleCm));
    await page.getByLabel(`${label}, go ${i + 1}, inhale`).fill(String(inhaleCm));
    await page.keyboard.press('Enter');
  }
};

const own: { [P in ProtocolId]?: (page: Page, raw: Partial<Raw<P>>) => Promise<void> } = {
  regionMap: async (page, { deep = {}, quiet = {}, neckQuiet, neckDeep }) => {
    await gradeRing(page, 'Quiet', named(quiet, neckQuiet));
    await gradeRing(page, 'Deep', named(deep, neckDeep));
  },
  tape: async (page, { levels = {} }) => {
    await goes(page, 'Fourth intercostal space', levels.fourth ?? []);
  },
  fingerGap: async (page, raw) => {
    await goes(page, 'Finger gap', raw.goes ?? []);
  },
  twoLine: async (page, { quiet }) => {
    await slide(page, page.getByRole('slider', { name: /^Upper ribs/ }), quiet!.upperDegrees!, 5);
    await slide(page, page.getByRole('slider', { name: /^Lower ribs/ }), quiet!.lowerDegrees!, 5);
  },
  postureSearch: async (page, { depth = {} }) => {
    const names = {
      between: 'Between',
      arched: 'Arched',
      slouched: 'Slouched',
      frontUp: /a little up/,
      frontDown: /down/,
    };
    for (const [position, tilts] of Object.entries(depth)) {
      const section = page.getByRole('region', { name: capital(position) });
      for (const [tilt, value] of Object.entries(tilts)) {
        const name = position === 'lying' ? 'Depth of the low breath' : names[tilt as keyof typeof names];
        await slide(page, section.getByRole('slider', { name }), value);
      }
    }
  },
  calmHold: async (page, { tries = [] }) => {
    for (const { seconds, feeling, firstBreath } of tries) {
      await page.getByRole('button', { name: /Start the hold/ }).click();
      await page.clock.fastForward(seconds * 1000);
      await page.getByRole('button', { name: /Breathe when you first want to/ }).click();
      await page.getByRole('radio', { name: feeling, exact: true }).click();
      await page.getByRole('radio', { name: firstBreath, exact: true }).click();
      await page.getByRole('button', { name: 'Record this try' }).click();
      // The rest of a minute before the next one.
      await page.clock.fastForward(61_000);
    }
  },
  marker: async (page, { readings = [] }) => {
    for (const [i, value] of readings.entries()) {
      await slide(page, page.getByRole('slider', { name: i === 0 ? /^First asking/ : /^Asked again/ }), value, 0.5);
    }
  },
  questionnaire: async (page, { answers = [] }) => {
    for (const [i, answer] of answers.entries()) {
      if (answer === null) continue;
      await chips(page, capital(symptoms[i]!))
        .getByRole('radio', { name: new RegExp(`^${answer} `) })
        .click();
    }
  },
};

/** Counts a resting rate over a minute on the page's own clock. */
async function countRate(page: Page, rate: number) {
  await expect(page.getByRole('button', { name: /^Tap each inhale/ })).toBeEnabled();
  for (let tap = 0; tap <= rate + 1; tap += 1) {
    await page.keyboard.press(' ');
    await expect(page.getByText(new RegExp(`^${tap + 1} taps?`))).toBeVisible();
    await page.clock.fastForward(60_000 / rate);
  }
  await page.getByRole('button', { name: 'Done counting' }).click();
}

/** Takes every look of a person by hand, as a coach would, protocol after protocol. */
export async function takeLooks(page: Page, url: string, clientId: string, { rate, ...seen }: Seen) {
  for (const [protocol, raw] of Object.entries(seen) as [ProtocolId, object][]) {
    await page.goto(`${url}/clients/${clientId}/look?protocol=${protocol}`);
    await expect(page.getByRole('navigation', { name: 'Looks' })).toBeVisible();
    // What came in pieces lies hidden beside its place until it is put there: every field would be found twice.
    await expect(page.locator('body > div[hidden][id^="S:"]')).toHaveCount(0);
    if (protocol === 'quietLook' && rate) await countRate(page, rate);
    const special = own[protocol] as ((page: Page, raw: object) => Promise<void>) | undefined;
    if (special) await special(page, raw);
    if (protocol in forms) await enterForm(page, protocol as FormProtocol, raw as Record<string, unknown>);
  }
  await allSaved(page);
}
