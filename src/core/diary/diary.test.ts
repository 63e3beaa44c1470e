import { type Said, type WishId, dayIn, usualHours } from '../record';
import {
  type Booking,
  type Diary,
  type Rooms,
  clientNamed,
  clockTyped,
  diaryWith,
  freeOn,
  instantAt,
  lengthInWords,
  minuteIn,
  offerFor,
  openOn,
  placing,
  placingInWords,
  rechecksDue,
  repeated,
  timeIn,
  visitsOfBookings,
  weekOf,
} from '.';

const zone = 'Europe/London';
const day = '2026-11-26';
const rooms: Rooms = { zone, hours: usualHours, now: '2026-11-26T08:00:00.000Z' };

const at = (hour: number, minute = 0, on = day) => instantAt(on, hour * 60 + minute, zone);
const booking = (id: string, startsAt: string, rest: Partial<Booking> = {}): Booking => ({
  id,
  clientId: id,
  name: id,
  startsAt,
  minutes: 45,
  note: '',
  seriesId: null,
  off: null,
  ...rest,
});
const wish = (from: number, minutes = 45, rest = {}) => ({
  day,
  from,
  to: from + minutes,
  clientId: 'pim',
  moving: null,
  ...rest,
});

describe('the clock of the rooms', () => {
  test('an hour of a day is found in any zone, also on the day the clocks change', () => {
    for (const place of ['UTC', 'Europe/London', 'America/New_York', 'Asia/Kolkata', 'Pacific/Auckland']) {
      for (const on of ['2026-01-15', '2026-03-29', '2026-10-25', '2026-12-31']) {
        const instant = instantAt(on, 10 * 60 + 30, place);
        expect([place, on, timeIn(instant, place), dayIn(instant, place)]).toEqual([place, on, '10:30', on]);
      }
    }
  });

  test('British clocks went forward on 29 March 2026 at 01:00 UTC (the last Sunday of March, 01:00 UTC; from memory)', () => {
    expect(instantAt('2026-03-28', 9 * 60, zone)).toBe('2026-03-28T09:00:00.000Z');
    expect(instantAt('2026-03-29', 9 * 60, zone)).toBe('2026-03-29T08:00:00.000Z');
    // Half past one is leapt over: an hour later, not an hour earlier.
    expect(timeIn(instantAt('2026-03-29', 90, zone), zone)).toBe('02:30');
  });

  test('a booking that comes again keeps its time of day when the clocks change', () => {
    const days = repeated('2026-10-19', 1, 3);
    expect(days).toEqual(['2026-10-19', '2026-10-26', '2026-11-02']);
    expect(days.map((on) => minuteIn(instantAt(on, 11 * 60, zone), zone))).toEqual([660, 660, 660]);
    expect(new Set(days.map((on) => instantAt(on, 11 * 60, zone).slice(11, 16)))).toEqual(new Set(['10:00', '11:00']));
  });

  test('a week begins on Monday (ISO 8601)', () => {
    // 26 November 2026 is a Thursday; 1 January 2027 is a Friday in a week that begins in 2026.
    expect(weekOf('2026-11-26', 'monday')).toEqual([23, 24, 25, 26, 27, 28, 29].map((date) => `2026-11-${date}`));
    expect(weekOf('2027-01-01', 'monday')[0]).toBe('2026-12-28');
    expect(weekOf('2026-11-29', 'monday')[6]).toBe('2026-11-29');
  });

  test.each([
    [45, '45 min'],
    [60, '1 h'],
    [95, '1 h 35'],
    [125, '2 h 05'],
  ])('%d minutes are said as %s', (minutes, words) => expect(lengthInWords(minutes)).toBe(words));
});

// As people write a time of day, by twelve hours and by twenty-four.
test.each([
  ['9.30', '09:30'],
  ['9:30', '09:30'],
  ['9,30', '09:30'],
  ['9h30', '09:30'],
  ['9 30', '09:30'],
  ['930', '09:30'],
  ['1930', '19:30'],
  ['7', '07:00'],
  [' 17 ', '17:00'],
  ['2 pm', '14:00'],
  ['2PM', '14:00'],
  ['2:15 p', '14:15'],
  ['11:45am', '11:45'],
  ['12 am', '00:00'],
  ['12:05 pm', '12:05'],
  ['23:59', '23:59'],
  ['0:00', '00:00'],
  ['24:00', null],
  ['9:60', null],
  ['13 pm', null],
  ['13 am', null],
  ['noon', null],
  ['', null],
  ['9:3', null],
  ['12345', null],
])('“%s” is the time %s', (typed, time) => expect(clockTyped(typed)).toBe(time));

describe('putting somebody at a time', () => {
  const ilse = booking('Ilse', at(9));
  const bram = booking('Bram', at(11));

  test('free on both sides is told in minutes', () => {
    const found = placing(wish(10 * 60), [ilse, bram], rooms);
    expect(found.against).toEqual([]);
    expect([found.freeBefore, found.freeAfter]).toEqual([15, 15]);
    expect(placingInWords(found)).toBe('15 min free before, 15 min after.');
  });

  test('one beside the other is no clash; one minute over it is, and both are named', () => {
    expect(placing(wish(9 * 60 + 45), [ilse], rooms).clashes).toEqual([]);
    expect(placing(wish(9 * 60 + 44), [ilse], rooms).clashes).toEqual([ilse]);
    const over = placing(wish(9 * 60 + 30, 120), [ilse, bram], rooms);
    expect(placingInWords(over)).toBe('Ilse is booked from 09:00 to 09:45. Bram is booked from 11:00 to 11:45.');
  });

  test('what is off stands in nobody’s way, nor does the booking that is moved', () => {
    const off = booking('Odile', at(10), { off: { how: 'cancelled', reason: '' } });
    expect(placing(wish(10 * 60), [off], rooms).clashes).toEqual([]);
    expect(placing(wish(9 * 60 + 15, 45, { moving: 'Ilse' }), [ilse], rooms).clashes).toEqual([]);
  });

  test('closed hours, closed days and times that are over are said', () => {
    expect(placingInWords(placing(wish(16 * 60 + 30), [], rooms))).toBe(
      'The rooms are open from 09:00 to 17:00 that day.',
    );
    expect(placing(wish(600, 45, { day: '2026-11-28' }), [], rooms).against).toEqual([
      'The rooms are closed on Saturday.',
    ]);
    expect(placing(wish(600, 45, { day: '2026-11-25' }), [], rooms).against).toEqual(['That time is over.']);
    const later = { ...rooms, now: at(12) };
    expect(placing(wish(11 * 60), [], later).against).toEqual(['That time is over.']);
    expect(placing(wish(12 * 60), [], later).against).toEqual([]);
  });

  test('somebody who comes twice that day is told of, and clashes with nobody but themselves', () => {
    const evening = booking('evening', at(15), { clientId: 'pim' });
    expect(placing(wish(600), [evening], rooms).besides).toBe('They also come at 15:00 that day.');
    expect(placing(wish(15 * 60), [evening], rooms).against).toEqual(['They are booked from 15:00 to 15:45.']);
  });

  test('in another zone the same instant is another time: the studio’s counts', () => {
    const auckland = { ...rooms, zone: 'Pacific/Auckland', now: '2026-11-25T19:00:00.000Z' };
    const early = booking('early', '2026-11-25T20:00:00.000Z');
    expect(placing(wish(9 * 60), [early], auckland).clashes).toEqual([early]);
    expect(placing(wish(9 * 60), [early], rooms).clashes).toEqual([]);
  });
});

describe('what is free', () => {
  test('between bookings, within the open hours, from now on', () => {
    const booked = [booking('a', at(10)), booking('b', at(10, 45)), booking('c', at(16))];
    expect(freeOn(day, booked, rooms)).toEqual([
      { from: 540, to: 600 },
      { from: 690, to: 960 },
      { from: 1005, to: 1020 },
    ]);
    expect(freeOn(day, booked, { ...rooms, now: at(12, 7) })[0]).toEqual({ from: 12 * 60 + 15, to: 960 });
    expect(freeOn('2026-11-25', booked, rooms)).toEqual([]);
    expect(freeOn('2026-11-29', booked, rooms)).toEqual([]);
  });

  test('overlapping bookings leave no time between them that is not there', () => {
    const booked = [booking('long', at(9), { minutes: 240 }), booking('short', at(10), { minutes: 30 })];
    expect(freeOn(day, booked, rooms)).toEqual([{ from: 780, to: 1020 }]);
  });

  test('every free stretch takes a booking without a word against it, and every other quarter of an hour has one', () => {
    const booked = [booking('a', at(9, 30)), booking('b', at(13), { minutes: 100 }), booking('c', at(15, 15))];
    const free = freeOn(day, booked, rooms);
    const open = openOn(day, rooms)!;
    for (let from = open.from - 60; from < open.to + 60; from += 15) {
      const fits = free.some((gap) => from >= gap.from && from + 15 <= gap.to);
      const stands = placing(wish(from, 15), booked, rooms).against.length === 0;
      expect([from, stands]).toEqual([from, fits]);
    }
  });

  test('who waits is offered the first that suits, and nothing where nothing does', () => {
    const days = [day, '2026-11-27'];
    const full = [booking('all', at(9), { minutes: 475 })];
    expect(offerFor({ minutes: 45, wish: 'any time' }, days, [], rooms)).toEqual({ day, from: 540, to: 585 });
    expect(offerFor({ minutes: 45, wish: 'afternoons' }, days, [], rooms)).toEqual({ day, from: 720, to: 765 });
    expect(offerFor({ minutes: 45, wish: 'mornings' }, days, full, rooms)?.day).toBe('2026-11-27');
    expect(offerFor({ minutes: 45, wish: 'evenings' }, days, [], rooms)).toBeNull();
    // From noon to five, from five until the rooms close; rooms that are open the whole day.
    const always: Rooms = { ...rooms, hours: usualHours.map(() => ({ from: '00:00', to: '23:59' })) };
    const firstOf = (asked: WishId, minutes: number) =>
      offerFor({ minutes, wish: asked }, ['2026-11-27'], [], always)?.from ?? null;
    expect([firstOf('any time', 1439), firstOf('mornings', 720)]).toEqual([0, 0]);
    expect([firstOf('afternoons', 300), firstOf('evenings', 419)]).toEqual([720, 1020]);
    expect([firstOf('mornings', 721), firstOf('afternoons', 301), firstOf('evenings', 420)]).toEqual([
      null,
      null,
      null,
    ]);
    // It would have to end by noon.
    expect(offerFor({ minutes: 200, wish: 'mornings' }, days, [], rooms)).toBeNull();
  });
});

test('a recheck is overdue from the day after it was due; the longest first, with when they come', () => {
  const seen = (name: string, on: string) => ({ clientId: name, name, day: on, what: 'tape' });
  const due = rechecksDue(
    [seen('Abel', '2026-11-12'), seen('Hester', '2026-11-11'), seen('Wilf', '2026-10-27')],
    new Map([['Wilf', '2026-11-27']]),
    day,
    14,
  );
  expect(due.map(({ name, overDays, comes }) => [name, overDays, comes])).toEqual([
    ['Wilf', 16, '2026-11-27'],
    ['Hester', 1, null],
  ]);
});

describe('whose booking a visit is', () => {
  const morning = { id: 'morning', startsAt: at(9) };
  const evening = { id: 'evening', startsAt: at(18) };
  const visit = (id: string, startedAt: string, endedAt: string | null = null) => ({ id, startedAt, endedAt });

  test('the nearest one; a visit over long before the evening is not the evening’s', () => {
    const early = visit('early', at(9, 5), at(9, 50));
    expect(visitsOfBookings([morning, evening], [early]).get('morning')?.id).toBe('early');
    expect(visitsOfBookings([morning, evening], [early]).has('evening')).toBe(false);
    const late = visit('late', at(17, 55));
    const both = visitsOfBookings([morning, evening], [early, late]);
    expect([both.get('morning')?.id, both.get('evening')?.id]).toEqual(['early', 'late']);
  });

  test('of one booking a day, whenever the visit was; what is still open counts before what was ended', () => {
    const dawn = visit('dawn', at(5), at(5, 30));
    expect(visitsOfBookings([evening], [dawn]).get('evening')?.id).toBe('dawn');
    const open = visit('open', at(17));
    expect(visitsOfBookings([evening], [visit('again', at(18), at(18, 5)), open]).get('evening')?.id).toBe('open');
  });
});

test.each([
  ['Tamsin Fenwreath', 'tamsin'],
  ['Breathing: tamsin  fenwreath (45 min)', 'tamsin'],
  ['Tamsin', null],
  ['Pim', 'pim'],
  ['Pim Saltonstall', 'pimS'],
  ['Pimlico walk', null],
  ['Ann Low', null],
])('“%s” in a calendar is %s', (summary, id) => {
  const clients = [
    { id: 'tamsin', name: 'Tamsin Fenwreath' },
    { id: 'pim', name: 'Pim' },
    { id: 'pimS', name: 'Pim Saltonstall' },
    { id: 'ann1', name: 'Ann Low' },
    { id: 'ann2', name: 'Ann Low' },
  ];
  expect(clientNamed(summary, clients)?.id ?? null).toBe(id);
});

describe('what was said here lies over what the server showed', () => {
  const served: Diary = { bookings: [booking('a', at(9))], waiting: [], notes: [], asOf: 4 };
  let count = 0;
  const said = (kind: Said['kind'], payload: object, place: number | null = null): Said =>
    ({ id: String((count += 1)), kind, payload, at: at(8), place }) as Said;
  const shown = (...list: Said[]) => diaryWith(served, list, (id) => `name of ${id}`);
  const add = {
    appointmentId: 'b',
    clientId: 'pim',
    startsAt: at(10),
    minutes: 30,
    note: 'half-dome',
    seriesId: null,
  };

  test('a booking is there at once, moves, goes off and comes back', () => {
    const added = said('appointment.add', add);
    expect(shown(added).bookings[1]).toMatchObject({ id: 'b', name: 'name of pim', startsAt: at(10), off: null });
    const moved = said('appointment.change', {
      appointmentId: 'b',
      startsAt: at(12),
      minutes: 30,
      note: '',
      seen: at(10),
    });
    expect(shown(added, moved).bookings[1]).toMatchObject({ startsAt: at(12), note: '' });
    const off = said('appointment.cancel', { appointmentId: 'a', how: 'did not come', reason: 'ill' });
    expect(shown(off).bookings[0]!.off).toEqual({ how: 'did not come', reason: 'ill' });
    expect(shown(off, said('appointment.restore', { appointmentId: 'a' })).bookings[0]!.off).toBeNull();
  });

  test('pressed twice it stands once, as it does at the server', () => {
    expect(
      shown(said('appointment.add', add), said('appointment.add', { ...add, appointmentId: 'c' })).bookings,
    ).toHaveLength(2);
  });

  test('what the page was made with is not laid over it again', () => {
    expect(shown(said('appointment.cancel', { appointmentId: 'a', how: 'cancelled', reason: '' }, 4))).toBe(served);
  });

  test('who waits and what is to be remembered go and come back at once', () => {
    const waits = said('waiting.add', { waitingId: 'w', clientId: 'pim', minutes: 45, wish: 'mornings', note: '' });
    const gone = said('waiting.remove', { waitingId: 'w' });
    const note = said('nextTime.add', { noteId: 'n', clientId: 'a', text: 'the stool' });
    const done = said('nextTime.done', { noteId: 'n' });
    expect(shown(waits, note)).toMatchObject({
      waiting: [{ id: 'w', gone: false }],
      notes: [{ id: 'n', done: false }],
    });
    expect(shown(waits, gone, note, done)).toMatchObject({ waiting: [{ gone: true }], notes: [{ done: true }] });
    const back = [said('waiting.restore', { waitingId: 'w' }), said('nextTime.undone', { noteId: 'n' })];
    expect(shown(waits, gone, note, done, ...back)).toMatchObject({
      waiting: [{ gone: false }],
      notes: [{ done: false }],
    });
  });
});
