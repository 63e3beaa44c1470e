/** @jest-environment jsdom */
import { act, cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { timeIn } from '@/core/diary';
import { around } from '@/parts/around.fakes';
import { browserFakes, doing, sent, serverGone } from '@/parts/browser.fakes';
import { TodayBoard } from './TodayBoard';
import { at, booking, diaryView, expecting, today, zone } from '../diary/diary.fixtures';

const commands = () => sent.map(({ kind, payload }) => [kind, payload as Record<string, unknown>] as const);

beforeEach(() => {
  browserFakes();
});
afterEach(() => {
  cleanup();
  jest.useRealTimers();
});

const board = (rest: Partial<Parameters<typeof TodayBoard>[0]> = {}) =>
  render(
    <TodayBoard
      view={diaryView()}
      day={today}
      walkIns={[]}
      openRuns={[]}
      leftOpen={[]}
      unsigned={[]}
      recent={[]}
      clientCount={1}
      noticeSeen
      isDemo={false}
      {...rest}
    />,
  );
const click = (name: string | RegExp) => doing(() => fireEvent.click(screen.getByRole('button', { name })));
const visit = (part: object) => diaryView({ expecting: { tamsin: expecting({ visits: [part as never] }) } });

test('a visit begins from its row, and goes to the client; one under way is only gone back to', async () => {
  const shown = board();
  await click(/^Begin/);
  expect(commands()).toEqual([['visit.start', { visitId: expect.any(String), clientId: 'tamsin' }]]);
  expect(around.went).toEqual(['/clients/tamsin']);
  shown.unmount();
  sent.length = 0;
  board({ view: visit({ id: 'v', startedAt: at(9, 31), endedAt: null }) });
  await click(/^Resume/);
  expect(commands()).toEqual([]);
});

test('a booking goes off with a reason at one press, stays readable, and comes back as it was', async () => {
  board();
  await click(/^Not coming/);
  await click('ill');
  await click('Did not come');
  const off = ['appointment.cancel', { appointmentId: 'booking', how: 'did not come', reason: 'ill' }];
  expect(commands()).toEqual([off]);
  expect(screen.getByText('Did not come: ill.')).toBeTruthy();
  await doing(() => around.undo!());
  expect(commands().at(-1)).toEqual(['appointment.restore', { appointmentId: 'booking' }]);
  expect(screen.queryByText('Did not come: ill.')).toBeNull();
  expect(screen.getByRole('button', { name: /^Begin/ })).toBeTruthy();
});

test('what a client may not do stands before what they need, in words', () => {
  const known = expecting({
    cautions: ['pregnant, week 29', 'reflux'],
    closed: true,
    needs: ['Red flag: refer.', 'Next'],
  });
  board({ view: diaryView({ expecting: { tamsin: known } }) });
  const item = within(screen.getAllByRole('listitem')[0]!);
  expect(item.getByText('pregnant, week 29 · reflux')).toBeTruthy();
  expect(item.getByText('Red flag: refer.').className).toContain('font-semibold');
  expect(item.getByText('Next').className).not.toContain('font-semibold');
});

test('two bookings of one person: the morning’s visit is the morning’s', () => {
  const view = diaryView({
    bookings: [booking(), booking({ id: 'evening', startsAt: at(18) })],
    expecting: { tamsin: expecting({ visits: [{ id: 'v', startedAt: at(9, 31), endedAt: at(10) }] }) },
  });
  board({ view });
  const [morning, evening] = screen.getAllByRole('listitem');
  expect(within(morning!).getByRole('button', { name: /^Open/ })).toBeTruthy();
  expect(within(evening!).getByRole('button', { name: /^Begin/ })).toBeTruthy();
});

test('what is to be remembered stands in the row until it was thought of', async () => {
  board({
    view: diaryView({ notes: [{ id: 'n', clientId: 'tamsin', text: 'the rowing seat', at: at(8), done: false }] }),
  });
  expect(screen.getByText('the rowing seat')).toBeTruthy();
  await click(/^Done/);
  expect(commands()).toEqual([['nextTime.done', { noteId: 'n' }]]);
  expect(screen.queryByText('the rowing seat')).toBeNull();
  await doing(() => around.undo!());
  expect(screen.getByText('the rowing seat')).toBeTruthy();
});

test('a run left open is closed with what was done in it, as one event behind the others', async () => {
  board({ openRuns: [{ clientId: 'tamsin', name: 'Tamsin', day: '2026-11-24', runId: 'run', nextSeq: 7 }] });
  expect(screen.getByText(/go back to it$/).textContent).toBe('Tamsin, 24 November: go back to it');
  await click('Close it with what was done');
  expect(commands()[0]).toMatchObject([
    'run.append',
    { runId: 'run', events: [{ seq: 7, event: { type: 'end', why: 'closed later' } }] },
  ]);
});

test('what was ended and not signed leads to its page', () => {
  board({ unsigned: [{ id: 'v', clientId: 'bram', name: 'Bram Okkerly', day: '2026-11-20' }] });
  const link = screen.getByRole('link', { name: 'Bram Okkerly, 20 November: read and sign it' });
  expect(link.getAttribute('href')).toBe('/clients/bram/visit/v');
});

describe('booking', () => {
  const recent = [{ id: 'ness', name: 'Ness Harrow' }];
  const type = (label: RegExp, value: string) =>
    doing(() => {
      const box = screen.getByLabelText(label);
      fireEvent.change(box, { target: { value } });
      fireEvent.blur(box);
    });

  test('asks for a time; what was typed stays, and the time is the studio’s', async () => {
    board({ recent });
    await click('Book Ness Harrow');
    await type(/, at$/, 'soon');
    await click(/^Book$/);
    expect(screen.getByText('Give a time, like 14:30.')).toBeTruthy();
    expect(commands()).toEqual([]);
    await type(/, at$/, '2.30 pm');
    expect((screen.getByLabelText(/, at$/) as HTMLInputElement).value).toBe('14:30');
    await type(/^To remember/, 'bring the half-dome');
    await click(/^Book$/);
    const [, booked] = commands().at(-1)!;
    expect(booked).toMatchObject({ clientId: 'ness', minutes: 45, note: 'bring the half-dome', seriesId: null });
    expect(timeIn(booked['startsAt'] as string, zone)).toBe('14:30');
    // There at once, whatever the server does, and with its name.
    expect(screen.getAllByText('Ness Harrow').length).toBeGreaterThan(0);
    expect(screen.getByText('14:30')).toBeTruthy();
  });

  test('says whom it would meet and when the rooms are closed, and can be done all the same', async () => {
    board({ recent });
    await click('Book Ness Harrow');
    await type(/, at$/, '9:30');
    expect(screen.getByText(/Tamsin Fenwreath is booked from 09:30 to 10:15\./)).toBeTruthy();
    await type(/, at$/, '19');
    expect(screen.getByText(/The rooms are open from 09:00 to 17:00 that day\./)).toBeTruthy();
    await click('Book all the same');
    expect(commands()).toHaveLength(1);
  });

  test('again and again is one booking each, a series, at the same time of day', async () => {
    board({ recent });
    await click('Book Ness Harrow');
    await type(/, at$/, '11');
    await doing(() => fireEvent.click(screen.getByRole('radio', { name: 'Every 2 weeks' })));
    await click('Times in all: less');
    await click(/^Book$/);
    const made = commands().map(([, payload]) => payload);
    expect(made).toHaveLength(5);
    expect(new Set(made.map(({ seriesId }) => seriesId)).size).toBe(1);
    expect(made[0]!['seriesId']).toEqual(expect.any(String));
    expect(made.map(({ startsAt }) => (startsAt as string).slice(5, 16))).toEqual([
      '11-25T11:00',
      '12-09T11:00',
      '12-23T11:00',
      '01-06T11:00',
      '01-20T11:00',
    ]);
    await doing(() => around.undo!());
    expect(commands().filter(([kind]) => kind === 'appointment.cancel')).toHaveLength(5);
  });

  test('closed by a slip, it keeps what was typed', async () => {
    board({ recent });
    await click('Book Ness Harrow');
    await type(/^To remember/, 'left knee');
    await click('Leave it');
    await click('Book Ness Harrow');
    expect((screen.getByLabelText(/^To remember/) as HTMLInputElement).value).toBe('left knee');
  });

  test('a change says from where it moves, so that nothing moved meanwhile is moved again', async () => {
    board();
    await click(/^Change/);
    await type(/, at$/, '15');
    await click('Save');
    expect(commands()).toEqual([
      [
        'appointment.change',
        { appointmentId: 'booking', startsAt: at(15), minutes: 45, note: 'rows on the same side', seen: at(9, 30) },
      ],
    ]);
    expect(screen.getByText('15:00')).toBeTruthy();
  });
});

test('another day has no visit to begin, and can be gone on from', () => {
  board({ day: '2026-11-26', view: diaryView({ bookings: [booking({ startsAt: at(9, 30, '2026-11-26') })] }) });
  expect(screen.queryByRole('button', { name: /^Begin/ })).toBeNull();
  expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('Thursday 26 November');
  expect(screen.getByRole('link', { name: 'The day after' }).getAttribute('href')).toBe('/?day=2026-11-27');
  expect(screen.getByRole('link', { name: 'The day before' }).getAttribute('href')).toBe('/');
});

test('left open over night, the page asks for the new day, and without a server stays', async () => {
  jest.useFakeTimers({ now: Date.parse(at(23, 59)) });
  browserFakes({ served: [] });
  board();
  act(() => void jest.advanceTimersByTime(40_000));
  expect(around.refreshed).toBe(0);
  serverGone(true);
  await act(async () => void jest.advanceTimersByTime(60_000));
  expect(around.refreshed).toBe(0);
  serverGone(false);
  await act(async () => void jest.advanceTimersByTime(30_000));
  await doing(() => undefined);
  expect(around.refreshed).toBeGreaterThan(0);
});

test('an empty studio says what to do next', () => {
  board({ view: diaryView({ bookings: [] }), clientCount: 0, noticeSeen: false });
  expect(screen.getByText('The studio is empty.')).toBeTruthy();
  expect(screen.getByRole('link', { name: 'Add your first client' })).toBeTruthy();
  expect(screen.getByText('Kokyu is a coaching aid.')).toBeTruthy();
});
