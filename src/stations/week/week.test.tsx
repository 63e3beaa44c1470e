/** @jest-environment jsdom */
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { usualHours } from '@/core/record';
import { type Rooms, weekOf } from '@/core/diary';
import { around } from '@/parts/around.fakes';
import { answerWith, browserFakes, doing, sent } from '@/parts/browser.fakes';
import { at, booking, diaryView, expecting, today, zone } from '../diary/diary.fixtures';
import { WeekBoard } from './WeekBoard';
import { drawnOn, frameOf, freeDrawn, labelHeight, minutesOf, xOf } from './week.geometry';

const commands = () => sent.map(({ kind, payload }) => [kind, payload as Record<string, unknown>] as const);
const rooms: Rooms = { zone, hours: usualHours, now: at(8) };
const days = weekOf(today, 'monday');
const width = 990;

describe('a day as a line', () => {
  const frame = { from: 540, to: 1020 };
  const names = ['Ilse Marrow', 'Bartholomew Featherstonehaugh', 'Pim', 'Odile Pennyroyal', 'Joss Calder', 'Ann Low'];
  const dense = names.map((name, i) => booking({ id: name, name, startsAt: at(9, i * 30), minutes: 30 }));

  test('bars lie true to time, and back again to the quarter of an hour', () => {
    const [one] = drawnOn([booking({ startsAt: at(13), minutes: 60 })], 'today', frame, width, zone);
    expect([one!.x, one!.width]).toEqual([width / 2, width / 8]);
    for (const minute of [0, 15, 225, 480])
      expect(minutesOf(xOf(540 + minute, frame, width), frame, width)).toBe(minute);
  });

  test.each(['past', 'today', 'to come'] as const)(
    'no label of a %s day lies over another, however close they come',
    (kind) => {
      const boxes = drawnOn(dense, kind, frame, width, zone).map(({ x, labelWidth, foot, height }) => ({
        left: x,
        right: x + labelWidth,
        bottom: foot,
        top: foot + height,
      }));
      for (const [i, one] of boxes.entries()) {
        for (const other of boxes.slice(i + 1)) {
          const beside = one.right <= other.left || other.right <= one.left;
          const above = one.top <= other.bottom || other.top <= one.bottom;
          expect(beside || above).toBe(true);
        }
        expect(one.top).toBeLessThanOrEqual(labelHeight(drawnOn(dense, kind, frame, width, zone), kind));
      }
    },
  );

  test('the hours drawn hold the open hours and everybody who is booked outside them', () => {
    expect(frameOf(days, [], rooms)).toEqual({ from: 540, to: 1020 });
    expect(frameOf(days, [booking({ startsAt: at(7, 45) }), booking({ startsAt: at(18, 30) })], rooms)).toEqual({
      from: 7 * 60,
      to: 20 * 60,
    });
    const closed = { ...rooms, hours: usualHours.map(() => null) };
    expect(frameOf(days, [], closed)).toEqual({ from: 540, to: 1020 });
  });

  test('words for what is free never lie over a label', () => {
    const drawn = drawnOn(dense, 'today', frame, width, zone);
    for (const gap of freeDrawn(today, dense, drawn, rooms, frame, width)) {
      for (const { x, labelWidth } of drawn) expect(x + labelWidth <= gap.x || x >= gap.x + gap.width).toBe(true);
    }
  });
});

describe('the week', () => {
  beforeEach(() => {
    browserFakes();
    globalThis.ResizeObserver = class {
      observe = () => undefined;
      unobserve = () => undefined;
      disconnect = () => undefined;
    };
  });
  afterEach(cleanup);

  const board = (view = diaryView(), rest: Partial<Parameters<typeof WeekBoard>[0]> = {}) =>
    render(<WeekBoard view={view} days={days} rechecks={[]} {...rest} />);
  const mark = (name: RegExp) => screen.getByRole('button', { name });
  const press = (name: RegExp, ...keys: string[]) =>
    doing(() => keys.forEach((key) => fireEvent.keyDown(mark(name), { key })));
  const tamsin = /Tamsin Fenwreath on /;

  test('arrow keys lift a booking and tell what it would mean; Enter puts it down, Undo back', async () => {
    board();
    await press(tamsin, 'ArrowDown', 'ArrowRight', 'ArrowRight');
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('Tamsin Fenwreath to Thursday 10:00');
    expect(screen.getAllByText('1 h free before, 6 h 15 after.').length).toBeGreaterThan(0);
    expect(commands()).toEqual([]);
    await press(tamsin, 'Enter');
    const moved = {
      appointmentId: 'booking',
      startsAt: at(10, 0, '2026-11-26'),
      minutes: 45,
      note: 'rows on the same side',
    };
    expect(commands()).toEqual([['appointment.change', { ...moved, seen: at(9, 30) }]]);
    expect(mark(/^10:00 .*Thursday until 10:45$/)).toBeTruthy();
    await doing(() => around.undo!());
    expect(commands().at(-1)).toEqual(['appointment.change', { ...moved, startsAt: at(9, 30), seen: moved.startsAt }]);
    expect(mark(/^09:30 .*Wednesday until 10:15$/)).toBeTruthy();
  });

  test('it says “now” where no name stands in the way; while somebody is there a mark shows it', () => {
    // Tamsin comes from half past nine to a quarter past ten.
    const said = [at(9, 5), at(9, 40), at(13)].map((now) => {
      const shown = board(diaryView({ now, bookings: [booking({ startsAt: at(9, 30) })] }));
      const words = screen.queryAllByText('now').length;
      shown.unmount();
      return words;
    });
    expect(said).toEqual([1, 0, 1]);
  });

  test('at either end of what is shown it stays, and says how it gets further: of other days nobody knows who is booked', async () => {
    board();
    for (const [key, day, words] of [
      ['ArrowDown', 'Sunday', /^The week ends here\..* Tamsin Fenwreath .*press Change/],
      ['ArrowUp', 'Monday', /^The week begins here\..* Tamsin Fenwreath .*press Change/],
    ] as const) {
      await press(tamsin, ...Array.from({ length: 6 }, () => key));
      expect(screen.getByRole('heading', { level: 1 }).textContent).toBe(`Tamsin Fenwreath to ${day} 09:30`);
      around.said.length = 0;
      await press(tamsin, key);
      expect(screen.getByRole('heading', { level: 1 }).textContent).toBe(`Tamsin Fenwreath to ${day} 09:30`);
      expect(around.said.at(-1) ?? '').toMatch(words);
    }
  });

  test('Escape leaves it where it was', async () => {
    board();
    await press(tamsin, 'ArrowUp');
    await press(tamsin, 'Escape');
    expect(commands()).toEqual([]);
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('23 November to 29 November');
  });

  test('whom it would meet is said before it is put down all the same', async () => {
    board(
      diaryView({
        bookings: [booking(), booking({ id: 'b', clientId: 'bram', name: 'Bram Okkerly', startsAt: at(10, 30) })],
      }),
    );
    await press(tamsin, 'ArrowRight', 'ArrowRight');
    expect(screen.getAllByText('Bram Okkerly is booked from 10:30 to 11:15.').length).toBeGreaterThan(0);
    expect(screen.getByRole('button', { name: 'Put them here all the same' })).toBeTruthy();
  });

  test('moved on another device meanwhile, it stands where the server has it again', async () => {
    board();
    await press(tamsin, 'ArrowDown');
    answerWith({ state: 'refused', code: 'stale', why: 'This booking was moved on another device meanwhile.' });
    await press(tamsin, 'Enter');
    expect(mark(/^09:30 .*Wednesday until 10:15$/)).toBeTruthy();
  });

  test('a pressed booking shows who it is and leads on', async () => {
    board(diaryView({ expecting: { tamsin: expecting({ cautions: ['reflux'], aim: 'Open the left side' }) } }));
    await doing(() => fireEvent.click(mark(tamsin)));
    const shown = within(screen.getByRole('dialog'));
    expect(shown.getByText('reflux')).toBeTruthy();
    expect(shown.getByRole('link', { name: 'Open' }).getAttribute('href')).toBe('/clients/tamsin');
    await doing(() => fireEvent.click(shown.getByRole('button', { name: 'Change' })));
    expect((screen.getByLabelText(/, at$/) as HTMLInputElement).value).toBe('09:30');
  });

  test('who waits is offered the first time that suits; booked, they wait no more', async () => {
    const waiting = [
      {
        id: 'w',
        clientId: 'greta',
        name: 'Greta Lindqvay',
        minutes: 45,
        wish: 'afternoons' as const,
        note: '',
        at: at(8, 0, '2026-11-12'),
        gone: false,
      },
    ];
    board(diaryView({ waiting }));
    expect(screen.getByText(/13 days/)).toBeTruthy();
    await doing(() => fireEvent.click(mark(/^Offer today 12:00/)));
    await doing(() => fireEvent.click(screen.getByRole('button', { name: 'Book' })));
    expect(commands().map(([kind]) => kind)).toEqual(['appointment.add', 'waiting.remove']);
    expect(commands()[0]![1]).toMatchObject({ clientId: 'greta', startsAt: at(12), minutes: 45 });
    expect(screen.getByText('Nobody waits for a time.')).toBeTruthy();
  });

  test('who was put on the list last night has waited a day this morning, by the studio’s calendar', () => {
    const since = (instant: string) => {
      const one = { id: 'w', clientId: 'greta', name: 'Greta Lindqvay', minutes: 45, wish: 'any time' as const };
      board(diaryView({ waiting: [{ ...one, note: '', at: instant, gone: false }] }));
      const told = screen.getByRole('region', { name: 'Waiting' }).textContent;
      cleanup();
      return told;
    };
    expect(since(at(7))).toContain('since today');
    expect(since(at(21, 30, '2026-11-24'))).toContain('1 day.');
  });

  test('whose recheck is overdue, by how much and whether they come', () => {
    const due = {
      clientId: 'wilf',
      name: 'Wilf Harbottle',
      day: '2026-10-27',
      what: 'tape',
      overDays: 16,
      comes: '2026-11-27',
    };
    board(diaryView(), { rechecks: [due, { ...due, clientId: 'abel', name: 'Abel', overDays: 1, comes: null }] });
    const list = screen.getByRole('region', { name: 'Recheck overdue' });
    expect(list.textContent).toContain('Wilf Harbottle, tape, 16 days over. Comes on Friday.');
    expect(list.textContent).toContain('Abel, tape, 1 day over. Not booked.');
  });
});
