import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import readPdf from 'pdf-parse/lib/pdf-parse.js';
import { sharedStudio } from './support/server';
import { allSaved, expectAccessible, planItem, seedCoached } from './support/walk';

const server = sharedStudio();

test.beforeAll(() => server.start());

const three = () => [
  planItem('quiet-nose', { position: 'sitting', breaths: 4 }),
  planItem('two-hand-belly', { position: 'sitting', breaths: 4 }),
  planItem('prone-low-breath', { position: 'prone', breaths: 4 }),
];

test('from a signed visit to sheet, calendar and phone, and back by the code', async ({ page, context }) => {
  const { clientId, visitId } = await seedCoached(page, server.url, 'Tamsin Fenwreath', three());
  await page.goto(`${server.url}/clients/${clientId}/coach`);
  await page.getByRole('button', { name: 'Sign and end the visit' }).click();
  await expect(page.getByText(/^Signed /)).toBeVisible();
  await page.goto(`${server.url}/clients/${clientId}/carry`);

  // Two presses: what goes, and that it goes.
  await page.getByRole('button', { name: /^Send these 3 home/ }).click();
  await expect(page.getByRole('heading', { name: 'Six times a day, about two minutes in all.' })).toBeVisible();
  await allSaved(page);
  await expectAccessible(page, 'Carry home');

  // The day is moved by keys, a quarter of an hour at a time.
  const waking = page.getByRole('button', { name: /^1\s+07:10\s+on waking\s*: Quiet nose breath/ });
  await waking.focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('button', { name: /^1\s+07:25\s+on waking\s*: Quiet nose breath/ })).toBeVisible();

  // Waking hours that leave them asleep at a time stop it, in words.
  await page.getByLabel('Asleep at').fill('21:00');
  await page.getByLabel('Asleep at').blur();
  await expect(page.getByText(/At 22:15 they are asleep/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Hand it over' })).toBeDisabled();
  await page.getByLabel('Asleep at').fill('22:30');
  await page.getByLabel('Asleep at').blur();

  // Reminded by alarms, the calendar goes along by itself.
  await page.getByRole('radio', { name: 'Alarms on the phone' }).click();
  await expect(page.getByRole('button', { name: 'Calendar', exact: true })).toHaveAttribute('aria-pressed', 'true');
  const files: Record<string, string> = {};
  page.on('download', (download) => {
    const path = test.info().outputPath(download.suggestedFilename());
    void download.saveAs(path).then(() => (files[download.suggestedFilename()] = path));
  });
  await page.getByRole('button', { name: 'Hand it over' }).click();
  await expect(page.getByText('Handed over.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Hand it over again' })).toBeVisible();
  await expect
    .poll(() => Object.keys(files).sort())
    .toEqual(['home-tamsin.html', 'home-tamsin.ics', 'home-tamsin.pdf']);
  const pdf = readFileSync(files['home-tamsin.pdf']!);
  // Its words by a reader of its own, not by what wrote it.
  const { text, numpages } = await readPdf(pdf);
  expect(numpages).toBe(2);
  for (const words of ['for Tamsin', 'Quiet nose breath', '4 breaths, 24 s', 'Not meant: your chest moves first.'])
    expect(text).toContain(words);
  expect(text).toMatch(/Stop and breathe normally/);
  const calendar = readFileSync(files['home-tamsin.ics']!, 'utf8');
  expect(calendar.match(/BEGIN:VEVENT/g)).toHaveLength(6);
  expect(calendar).toContain('T072500');

  // Printed, there is the sheet and nothing else.
  const printed = await readPdf(await page.pdf({ format: 'A4' }));
  expect(printed.numpages).toBe(2);
  expect(printed.text).not.toContain('Hand it over');

  // The page for the phone: opened from its file with the network cut, every request an error.
  const phone = await context.browser()!.newContext({ viewport: { width: 390, height: 844 }, offline: true });
  const app = await phone.newPage();
  const asked: string[] = [];
  const wrong: string[] = [];
  app.on('request', (request) => request.url().startsWith('file:') || asked.push(request.url()));
  app.on('pageerror', (error) => wrong.push(error.message));
  app.on('console', (message) => message.type() === 'error' && wrong.push(message.text()));
  await app.clock.install({ time: new Date(Date.now()) });
  await app.goto(`file://${files['home-tamsin.html']!}`);
  await expect(app.getByRole('heading', { level: 1 })).toBeVisible();
  await app.getByRole('checkbox', { name: /^Quiet nose breath, 07:25/ }).check();
  await app.getByRole('button', { name: 'Look or begin' }).first().click();
  await app.getByRole('button', { name: 'Begin' }).click();
  await expect(app.getByText('Get ready')).toBeVisible();
  await app.clock.runFor(5200);
  await expect(app.getByText('In', { exact: true })).toBeVisible();
  // A locked phone paces nobody: it waits, and nothing is ticked by itself.
  const sight = (hidden: boolean) =>
    app.evaluate((is) => {
      Object.defineProperty(document, 'hidden', { value: is, configurable: true });
      document.dispatchEvent(new Event('visibilitychange'));
    }, hidden);
  await sight(true);
  await app.clock.runFor(60_000);
  await sight(false);
  await app.getByRole('button', { name: 'Go on' }).click();
  await expect(app.getByRole('heading', { name: 'Done' })).toHaveCount(0);
  await app.clock.runFor(40_000);
  await expect(app.getByRole('heading', { name: 'Done' })).toBeVisible();
  await app.getByRole('button', { name: 'Back to the day' }).click();
  await app.reload();
  await expect(app.getByRole('checkbox', { name: /^Quiet nose breath, 07:25/ })).toBeChecked();
  await app.getByRole('button', { name: 'Your code' }).click();
  await app.getByRole('checkbox', { name: 'dizzy' }).check();
  const code = ((await app.getByLabel('Your code, letter by letter').innerText()) ?? '').replace(/\s/g, '');
  expect(code).toMatch(/^\w{20}$/);
  expect([asked, wrong]).toEqual([[], []]);
  await phone.close();

  // The next visit: typed with one letter wrong, then right.
  await page.goto(`${server.url}/clients/${clientId}/visit/${visitId}`);
  await page.getByRole('button', { name: 'Begin another visit today' }).click();
  await allSaved(page);
  await page.goto(`${server.url}/clients/${clientId}/screen`);
  const field = page.getByLabel('Code from their phone');
  await field.fill((code[0] === 'A' ? 'C' : 'A') + code.slice(1));
  await page.getByRole('button', { name: 'Read the code' }).click();
  await expect(page.getByText(/One letter is not right/)).toBeVisible();
  await field.fill(code);
  await page.getByRole('button', { name: 'Read the code' }).click();
  await expect(page.getByText(/something on 1 more.*Ticked: dizzy/)).toBeVisible();
  await allSaved(page);
  await page.reload();
  await expect(page.getByText(/something on 1 more.*Ticked: dizzy/)).toBeVisible();

  // What they tell at this visit is kept by its day, and a leak asks for the caution nobody marked.
  await page
    .getByRole('radiogroup', { name: 'Leaks in the last seven days' })
    .getByRole('radio', { name: '2' })
    .click();
  await page.getByRole('button', { name: 'Pain', exact: true }).click();
  await expect(page.getByText(/speaks for “leaking with effort”/)).toBeVisible();
  await allSaved(page);
  await page.reload();
  await expect(page.getByRole('button', { name: 'Mark leaking with effort' })).toBeVisible();

  // Track tells it, and the course has moved with the visit.
  await page.goto(`${server.url}/clients/${clientId}/track/visits`);
  await expect(page.getByRole('region', { name: 'What they told' })).toContainText('2 leaks');
  await expect(page.getByRole('region', { name: 'What they told' })).toContainText('at home');
  await expect(page.getByRole('region', { name: 'At home' })).toContainText('something on 1 more');
  // A letter is read and changed before it leaves; what is not ours to say is told.
  await page.getByText('A letter to their clinician').click();
  const letter = page.getByLabel('The letter');
  await expect(letter).toHaveValue(/something on 1 more/);
  await letter.fill('Our patient does well.');
  await expect(page.getByText('“patient”: say the client’s name.')).toBeVisible();
  await expectAccessible(page, 'Track with a letter');
  // A name keeps every sign of it, whatever alphabet it is from.
  await letter.fill('Łucja Žižková does well; Ωμέγα, Доброслава too.');
  const [pdfOf] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'As PDF' }).click(),
  ]);
  const read = await readPdf(readFileSync(await pdfOf.path()));
  expect(read.text).toContain('Łucja Žižková does well; Ωμέγα, Доброслава too.');
  await letter.fill('Our patient does well.');
  await page.reload();
  await page.getByText('A letter to their clinician').click();
  await expect(letter).toHaveValue('Our patient does well.');
  await page.getByRole('link', { name: 'Course' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Step 1 is kept; step 2 about /);
  await expect(page.getByText(/step 1 is kept, step 2 next/)).toBeVisible();
  await expectAccessible(page, 'the course');
});

test('a pregnancy told of later takes back what went home, wherever it is shown @first', async ({ page }) => {
  const { clientId } = await seedCoached(page, server.url, 'Wenna Skerry', three());
  await page.goto(`${server.url}/clients/${clientId}/carry`);
  await page.getByRole('button', { name: /^Send these 3 home/ }).click();
  await page.getByRole('button', { name: 'Hand it over' }).click();
  await expect(page.getByRole('button', { name: 'Hand it over again' })).toBeVisible();
  await allSaved(page);
  const { v7 } = await import('uuid');
  await page.request.post(`${server.url}/api/commands`, {
    data: {
      commands: ['answer:pregnancy', 'emergency', 'redFlags'].map((key) => ({
        id: v7(),
        kind: 'fact.add',
        payload: {
          factId: v7(),
          clientId,
          key,
          value: key === 'answer:pregnancy' ? { value: 'yes', weekOnDay: 24 } : { present: [] },
          basedOn: null,
        },
      })),
    },
  });
  // On Today's list, too, for whoever comes today.
  await page.request.post(`${server.url}/api/commands`, {
    data: {
      commands: [
        {
          id: v7(),
          kind: 'appointment.add',
          payload: {
            appointmentId: v7(),
            clientId,
            startsAt: new Date().toISOString(),
            minutes: 30,
            note: '',
            seriesId: null,
          },
        },
      ],
    },
  });
  const station = page.url();
  await page.goto(server.url);
  await expect(page.getByRole('listitem').filter({ hasText: 'Wenna Skerry' })).toContainText(
    /Tell them not to go on at home with .+: off limits now\./,
  );
  await page.goto(station);
  const taken = page.getByRole('heading', { name: /Low breath.*is taken back|is taken back/ });
  await expect(taken.first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'Hand it over again' })).toBeDisabled();
  await page.getByRole('button', { name: 'Take it out' }).first().click();
  await expect(page.getByText('Taken out of what goes home.')).toBeVisible();
});
