import { type Page, expect, test } from '@playwright/test';
import { v7 as uuid } from 'uuid';
import { instantAt, minuteIn, timeIn, weekOf, weekdayName } from '@/core/diary';
import { addDays, dayIn } from '@/core/record';
import { ownStudio } from './support/server';
import { allSaved, expectAccessible, letGoAt, listens, seedClient } from './support/walk';

const server = ownStudio();

test.beforeAll(() => server.start());

async function say(page: Page, ...commands: { kind: string; payload: object }[]) {
  const data = { commands: commands.map((command) => ({ id: uuid(), ...command })) };
  const answer = await page.request.post(`${server.url}/api/commands`, { data });
  const { outcomes } = (await answer.json()) as { outcomes: { state: string }[] };
  expect(outcomes.filter(({ state }) => state === 'refused')).toEqual([]);
}
const setting = (payload: object) => ({ kind: 'settings.change', payload });
const everyDay = Array.from({ length: 7 }, () => ({ from: '08:00', to: '20:00' }));

/** Somebody without a visit. */
async function somebody(page: Page, name: string): Promise<string> {
  const clientId = uuid();
  await say(page, { kind: 'client.create', payload: { clientId, factId: uuid(), name } });
  return clientId;
}
const book = (clientId: string, startsAt: string, minutes = 45, note = '') => ({
  kind: 'appointment.add',
  payload: { appointmentId: uuid(), clientId, startsAt, minutes, note, seriesId: null },
});
/** Monday of the week after next, so that nothing of it is over. */
const monday = weekOf(addDays(dayIn(Date.now(), 'UTC'), 14), 'monday')[0]!;
const week = `/week?of=${monday}`;

test('a booking is dragged to another day, told what it means, put down, and taken back', async ({ page }) => {
  await say(page, setting({ timeZone: 'Europe/London', hours: everyDay }));
  const tilda = await somebody(page, 'Tilda Reedcutter');
  const bram = await somebody(page, 'Bram Lockgate');
  const at = (day: string, hour: number) => instantAt(day, hour * 60, 'Europe/London');
  const wednesday = addDays(monday, 2);
  await say(page, book(tilda, at(monday, 10)), book(bram, at(wednesday, 10)));
  await page.goto(`${server.url}${week}`);
  const mark = page.getByRole('button', { name: /Tilda Reedcutter on / });
  const [from, to] = await Promise.all([
    mark.boundingBox(),
    page.getByRole('button', { name: /Bram Lockgate on / }).boundingBox(),
  ]);
  const [x, y] = [from!.x + 10, from!.y + 10];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 20, y + 10, { steps: 3 });
  // Let go of at once: what was drawn last lags behind a quick hand.
  await letGoAt(page, x, to!.y + 10);
  const heading = page.getByRole('heading', { level: 1 });
  await expect(heading).toHaveText('Tilda Reedcutter to Wednesday 10:00');
  await expect(page.getByText('Bram Lockgate is booked from 10:00 to 10:45.').first()).toBeVisible();
  await expectAccessible(page, 'the week with a booking lifted');
  await mark.focus();
  for (let quarter = 0; quarter < 3; quarter += 1) await page.keyboard.press('ArrowRight');
  await expect(heading).toHaveText('Tilda Reedcutter to Wednesday 10:45');
  await page.getByRole('button', { name: 'Put them here', exact: true }).click();
  await expect(mark).toHaveAccessibleName(/^10:45 .*Wednesday until 11:30$/);
  await allSaved(page);
  await page.reload();
  await expect(mark).toHaveAccessibleName(/^10:45 .*Wednesday until 11:30$/);
  await listens(page);
  await mark.focus();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(mark).toHaveAccessibleName(/^10:45 .*Thursday/);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(mark).toHaveAccessibleName(/^10:45 .*Wednesday/);
});

test.describe('a tablet at the other end of the world', () => {
  test.use({ timezoneId: 'Pacific/Auckland' });

  test('a booking moved from one zone to another: the studio’s time counts, and the instant stays when its zone is changed', async ({
    page,
  }) => {
    await say(page, setting({ timeZone: 'Europe/London', hours: everyDay }));
    const ness = await somebody(page, 'Ness Quillon');
    await page.goto(server.url);
    await page.getByRole('button', { name: 'Book Ness Quillon' }).click();
    const form = page.getByRole('dialog');
    await form.getByLabel(/, at$/).fill('13:30');
    await form.getByRole('button', { name: /^Book/ }).click();
    const row = page
      .getByRole('listitem')
      .filter({ hasText: 'Ness Quillon' })
      .filter({ hasText: '13:30' })
      .filter({ hasText: '45 min' });
    await expect(row).toBeVisible();
    await allSaved(page);
    const booked = async () => {
      const today = dayIn(Date.now(), 'UTC');
      const asked = `${server.url}/api/diary?from=${addDays(today, -2)}&to=${addDays(today, 2)}`;
      const { bookings } = (await (await page.request.get(asked)).json()) as {
        bookings: { clientId: string; startsAt: string }[];
      };
      return bookings.find(({ clientId }) => clientId === ness)!.startsAt;
    };
    expect(timeIn(await booked(), 'Europe/London')).toBe('13:30');

    await row.getByRole('button', { name: /^Change/ }).click();
    await form.getByLabel(/, at$/).fill('16:15');
    await form.getByRole('button', { name: /^Save/ }).click();
    await expect(page.getByRole('listitem').filter({ hasText: '16:15' }).filter({ hasText: '45 min' })).toContainText(
      'Ness Quillon',
    );
    await allSaved(page);
    const instant = await booked();
    expect(timeIn(instant, 'Europe/London')).toBe('16:15');

    // The studio moves: who is booked comes at the same instant, told in the new place's time.
    await say(page, setting({ timeZone: 'Africa/Nairobi' }));
    await page.goto(`${server.url}/?day=${dayIn(instant, 'Africa/Nairobi')}`);
    await expect(page.getByRole('listitem').filter({ hasText: 'Ness Quillon' }).first()).toContainText(
      timeIn(instant, 'Africa/Nairobi'),
    );
    expect(await booked()).toBe(instant);
  });
});

test('a visit across midnight: worked on as of its own day, noted and signed on the next', async ({ page }) => {
  // Of the world's zones one has the last hour of its day now, and the one east of it the first hour of the next.
  const late = Array.from({ length: 25 }, (_, i) => `Etc/GMT${i < 12 ? '+' : '-'}${Math.abs(12 - i)}`).find(
    (zone) => Math.floor(minuteIn(Date.now(), zone) / 60) === 23,
  )!;
  const offset = Number(late.slice(7));
  const past = `Etc/GMT${offset - 1 > 0 ? '+' : offset - 1 < 0 ? '-' : '+'}${Math.abs(offset - 1)}`;
  await say(page, setting({ timeZone: late, hours: everyDay }));
  const clientId = await seedClient(page, server.url, 'Wick Nightfare');
  const day = dayIn(Date.now(), late);
  await page.goto(`${server.url}/clients/${clientId}/look?protocol=regionMap`);
  await page.getByRole('slider', { name: 'belly' }).click();
  await allSaved(page);

  await say(page, setting({ timeZone: past }));
  expect(dayIn(Date.now(), past)).toBe(addDays(day, 1));
  await page.goto(`${server.url}/clients/${clientId}`);
  // Nobody is asked for the new day's signs in mid-visit, and what was seen before midnight is still there.
  await expect(page).toHaveURL(/look$/);
  await page.goto(`${server.url}/clients/${clientId}/look?protocol=regionMap`);
  await expect(page.getByRole('slider', { name: 'belly' })).toHaveAttribute('aria-valuetext', '1, trace');
  await page.getByRole('slider', { name: 'belly' }).click();
  await expect(page.getByRole('slider', { name: 'belly' })).toHaveAttribute('aria-valuetext', '2, clear');
  await allSaved(page);
  await page.goto(server.url);
  await page.getByRole('link', { name: /^Wick Nightfare, begun .*: note and sign it$/ }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText(weekdayName(day));
  await page.getByRole('button', { name: 'Sign and end the visit' }).click();
  await expect(page.getByText(/^Signed \d/).first()).toBeVisible();
  await allSaved(page);
  await page.goto(server.url);
  await expect(page.getByRole('link', { name: /Wick Nightfare, begun/ })).toHaveCount(0);
});

test('bookings come in from a calendar file once, and go out as one', async ({ page }) => {
  await say(page, setting({ timeZone: 'Europe/London', hours: everyDay }));
  await somebody(page, 'Perran Saltway');
  await somebody(page, 'Jory Tidemill');
  const stamp = (day: string, hour: number) => `${day.replaceAll('-', '')}T${String(hour).padStart(2, '0')}0000`;
  const file = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'BEGIN:VEVENT',
    'UID:first@harbour',
    `DTSTART;TZID=Europe/London:${stamp(addDays(monday, 3), 9)}`,
    'DURATION:PT30M',
    'RRULE:FREQ=WEEKLY;COUNT=2',
    'SUMMARY:Breathing: Perran Saltway',
    'END:VEVENT',
    'BEGIN:VEVENT',
    'UID:second@harbour',
    `DTSTART;TZID=Europe/London:${stamp(addDays(monday, 3), 11)}`,
    'DURATION:PT45M',
    'SUMMARY:Jory',
    'END:VEVENT',
    'END:VCALENDAR',
    '',
  ].join('\r\n');
  const read = async (text: string, name = 'harbour.ics') => {
    await page.goto(`${server.url}${week}`);
    await page.getByRole('button', { name: 'Calendar file' }).click();
    await page
      .getByLabel('A calendar file', { exact: true })
      .setInputFiles({ name, mimeType: 'text/calendar', buffer: Buffer.from(text) });
  };
  await read('no calendar at all', 'letter.ics');
  await expect(page.getByText('This is no calendar file. Choose one that ends in .ics.')).toBeVisible();

  await read(file);
  const shown = page.getByRole('dialog');
  await expect(shown.getByText('3 times in the next 26 weeks; for 1 no client of that name is known.')).toBeVisible();
  await expectAccessible(page, 'what a calendar file says');
  await shown.getByRole('combobox', { name: 'Who comes: Jory' }).selectOption({ label: 'Jory Tidemill' });
  await shown.getByRole('button', { name: 'Take in 3' }).click();
  await expect(page.getByRole('button', { name: /^11:00 Jory Tidemill on Thursday/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^09:00 Perran Saltway on Thursday/ })).toBeVisible();
  await allSaved(page);

  await read(file);
  await expect(shown.getByText('stands here already')).toHaveCount(3);
  await expect(shown.getByRole('button', { name: 'Take in nothing' })).toBeDisabled();

  const out = await (await page.request.get(`${server.url}/api/calendar`)).text();
  expect(out.match(/SUMMARY:Perran Saltway/g)).toHaveLength(2);
});

test('who waits gets a time; what is to be remembered stands at the next visit’s opening', async ({ page }) => {
  await say(page, setting({ timeZone: 'Europe/London', hours: everyDay }));
  await somebody(page, 'Merryn Oast');
  await page.goto(`${server.url}${week}`);
  await page.getByRole('button', { name: 'Add somebody' }).click();
  await page.getByRole('radio', { name: 'mornings' }).click();
  await page.getByLabel('Who waits').fill('merr');
  await page.getByRole('button', { name: 'Merryn Oast' }).click();
  await page.getByRole('button', { name: /^Offer Monday \d\d:\d\d to Merryn Oast/ }).click();
  await page.getByLabel('To remember for it').fill('bring the half-dome');
  await page.getByRole('dialog').getByRole('button', { name: 'Book' }).click();
  await expect(page.getByRole('button', { name: /Merryn Oast on Monday/ })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Waiting' }).getByText('Merryn Oast')).toHaveCount(0);

  const clientId = await seedClient(page, server.url, 'Elowen Carr');
  await page.goto(`${server.url}/clients/${clientId}/screen`);
  await page.getByRole('link', { name: 'This visit: note it and end it' }).click();
  await page.getByLabel('To remember when they come next').fill('ask about the stairs');
  await page.getByRole('button', { name: 'Remember it' }).click();
  await page.getByRole('button', { name: 'Sign and end the visit' }).click();
  await expect(page.getByText(/^Signed \d/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Begin another visit today' }).click();
  await page.goto(`${server.url}/clients/${clientId}/screen`);
  await expect(page.getByText('ask about the stairs', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: /^Done.*ask about the stairs/ }).click();
  await expect(page.getByText('ask about the stairs', { exact: true })).toHaveCount(0);
});

test('days are said and weeks begin as the studio is set, on the page as the server made it and after it', async ({
  page,
}) => {
  await page.goto(`${server.url}/settings`);
  await page.getByLabel('Days are said in').selectOption('Deutsch');
  await page.getByRole('radiogroup', { name: 'A week begins on' }).getByRole('radio', { name: 'Sunday' }).click();
  await expect(page.getByText(/^Today is (Sonn|Mon|Diens|Mitt|Donners|Frei|Sams)/)).toBeVisible();
  await allSaved(page);
  const faults: string[] = [];
  page.on('console', (message) => message.type() === 'error' && faults.push(message.text()));
  await page.goto(`${server.url}${week}`);
  await expect(
    page.getByRole('listitem', { name: /^(Sonn|Mon|Diens|Mitt|Donners|Frei|Sams)/ }).first(),
  ).toHaveAccessibleName(/^Sonntag /);
  // Said otherwise by the server than by the browser, the page would be drawn anew with a fault.
  expect(faults).toEqual([]);
  await say(page, setting({ dateLanguage: 'en-GB', weekStart: 'monday' }));
  await page.reload();
  await expect(page.getByRole('listitem', { name: /^Monday / })).toBeVisible();
});
