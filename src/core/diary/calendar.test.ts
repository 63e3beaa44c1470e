import { type Booking, calendarOf, readCalendar, takingOf } from '.';

const lines = (...list: string[]) => list.join('\r\n') + '\r\n';
const calendar = (...events: string[]) =>
  lines('BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//A harbour office//EN', ...events, 'END:VCALENDAR');
const event = (...properties: string[]) => ['BEGIN:VEVENT', 'UID:one@harbour', ...properties, 'END:VEVENT'];

const everything = { zone: 'Europe/London', from: '1990-01-01T00:00:00.000Z', to: '2040-01-01T00:00:00.000Z' };
const startsOf = (text: string, within = everything) =>
  readCalendar(text, within).entries.map(({ startsAt }) => startsAt);

const booking: Booking = {
  id: '0198c6f0-3e52-7b0c-9d0c-2a8a4c1f6d11',
  clientId: 'pim',
  name: 'Pim Saltonstall, potter; with the heavy wheel and a very long name that has to be folded over lines',
  startsAt: '2026-07-01T08:00:00.000Z',
  minutes: 45,
  note: 'bring the half-dome\nand a towel, folded',
  seriesId: null,
  off: null,
};
const made = '2026-06-30T12:00:00.000Z';

describe('out', () => {
  const text = calendarOf([booking, { ...booking, id: 'other', off: { how: 'cancelled', reason: '' } }], {
    studio: 'Saltmarsh Movement Rooms',
    made,
  });

  test('lines end with CRLF and are at most 75 octets long (RFC 5545, 3.1; from memory)', () => {
    const all = text.split('\r\n');
    expect(all.at(-1)).toBe('');
    expect(text.replaceAll('\r\n', '')).not.toContain('\n');
    expect(Math.max(...all.map((line) => Buffer.byteLength(line)))).toBeLessThanOrEqual(75);
  });

  test('every event has its name, stamp and beginning, in UTC; what is off says so (RFC 5545, 3.6.1; from memory)', () => {
    expect(text).toMatch(/^BEGIN:VCALENDAR\r\n/);
    expect(text).toContain('UID:0198c6f0-3e52-7b0c-9d0c-2a8a4c1f6d11@kokyu.invalid\r\n');
    expect(text).toContain('DTSTAMP:20260630T120000Z\r\n');
    expect(text).toContain('DTSTART:20260701T080000Z\r\n');
    expect(text.match(/STATUS:CANCELLED/g)).toHaveLength(1);
  });

  test('what went out comes in as it was', () => {
    const [back] = readCalendar(text, everything).entries;
    expect(back).toMatchObject({
      uid: booking.id,
      summary: booking.name,
      note: booking.note,
      startsAt: booking.startsAt,
      minutes: 45,
      off: false,
    });
  });
});

describe('in: examples of RFC 5545, 3.8.5.3 (from memory), America/New_York', () => {
  const newYork = (rule: string, start = '19970902T090000') =>
    calendar(...event(`DTSTART;TZID=America/New_York:${start}`, 'DURATION:PT1H', `RRULE:${rule}`));

  test('daily for ten occurrences: September 2 to 11 at 9 o’clock', () => {
    expect(startsOf(newYork('FREQ=DAILY;COUNT=10'))).toEqual(
      Array.from({ length: 10 }, (_, i) => `1997-09-${String(i + 2).padStart(2, '0')}T13:00:00.000Z`),
    );
  });

  test('weekly on Tuesday and Thursday for five weeks', () => {
    const days = startsOf(newYork('FREQ=WEEKLY;COUNT=10;WKST=SU;BYDAY=TU,TH')).map((at) => at.slice(5, 10));
    expect(days).toEqual('09-02 09-04 09-09 09-11 09-16 09-18 09-23 09-25 09-30 10-02'.split(' '));
  });

  test('every other week: the clocks go back in between, the hour of the day stays (9 o’clock EDT, then EST)', () => {
    const starts = startsOf(newYork('FREQ=WEEKLY;INTERVAL=2;WKST=SU;COUNT=6'));
    expect(starts.map((at) => at.slice(5, 10))).toEqual('09-02 09-16 09-30 10-14 10-28 11-11'.split(' '));
    expect(starts.map((at) => at.slice(11, 13))).toEqual(['13', '13', '13', '13', '14', '14']);
  });
});

describe('in: what other calendars send', () => {
  test('a time without a zone is the studio’s', () => {
    const text = calendar(...event('DTSTART:20260701T090000', 'DTEND:20260701T094500', 'SUMMARY:Pim'));
    expect(readCalendar(text, everything).entries).toMatchObject([
      { startsAt: '2026-07-01T08:00:00.000Z', minutes: 45, summary: 'Pim' },
    ]);
  });

  test('a zone under a name of its own is laid out as the file says', () => {
    const zone = [
      'BEGIN:VTIMEZONE',
      'TZID:Harbour time',
      'BEGIN:STANDARD',
      'DTSTART:19700101T000000',
      'TZOFFSETFROM:+0300',
      'TZOFFSETTO:+0300',
      'END:STANDARD',
      'END:VTIMEZONE',
    ];
    const text = calendar(...zone, ...event('DTSTART;TZID=Harbour time:20260701T090000', 'DURATION:PT30M'));
    expect(startsOf(text)).toEqual(['2026-07-01T06:00:00.000Z']);
  });

  test('days left out, and one time moved, of a series', () => {
    const text = calendar(
      ...event(
        'DTSTART:20260701T090000Z',
        'DURATION:PT30M',
        'RRULE:FREQ=WEEKLY;COUNT=4',
        'EXDATE:20260708T090000Z',
        'SUMMARY:Pim',
      ),
      ...event('RECURRENCE-ID:20260715T090000Z', 'DTSTART:20260716T110000Z', 'DURATION:PT45M', 'SUMMARY:Pim, moved'),
    );
    const { entries } = readCalendar(text, everything);
    expect(entries.map(({ startsAt, minutes }) => [startsAt.slice(5, 16), minutes])).toEqual([
      ['07-01T09:00', 30],
      ['07-16T11:00', 45],
      ['07-22T09:00', 30],
    ]);
    expect(new Set(entries.map(({ uid }) => uid)).size).toBe(3);
    expect(new Set(entries.map(({ series }) => series))).toEqual(new Set(['one@harbour']));
  });

  test('only what lies between two instants, and never without an end', () => {
    const text = calendar(...event('DTSTART:20260101T090000Z', 'DURATION:PT30M', 'RRULE:FREQ=DAILY'));
    expect(startsOf(text, { ...everything, from: '2026-07-01T00:00:00Z', to: '2026-07-03T00:00:00Z' })).toEqual([
      '2026-07-01T09:00:00.000Z',
      '2026-07-02T09:00:00.000Z',
    ]);
    const { entries, left } = readCalendar(text, everything);
    expect(entries).toHaveLength(200);
    expect(left).toHaveLength(1);
  });

  test('whole days are told of and left out', () => {
    const text = calendar(...event('DTSTART;VALUE=DATE:20260701', 'SUMMARY:Regatta'));
    expect(readCalendar(text, everything)).toEqual({ entries: [], left: ['Regatta is for whole days.'] });
  });

  test.each([
    ['nothing', ''],
    ['a letter', 'Dear Pim,\n\nsee you on Tuesday.'],
    ['a card', lines('BEGIN:VCARD', 'VERSION:4.0', 'FN:Pim', 'END:VCARD')],
    ['half a calendar', 'BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nDTSTA'],
    ['what can’t be a time', calendar(...event('DTSTART:next Tuesday'))],
  ])('%s never crashes and says one sentence', (_, text) => {
    try {
      const { entries, left } = readCalendar(text, everything);
      expect([entries.length, left.length > 0 || text.length > 0]).toEqual([0, true]);
    } catch (error) {
      expect((error as Error).message).toBe('This is no calendar file. Choose one that ends in .ics.');
    }
  });
});

test.each([
  ['new', undefined, {}, 'add'],
  ['called off there', undefined, { off: true }, 'called off there'],
  ['the same', booking, {}, 'here already'],
  ['moved there', booking, { startsAt: '2026-07-02T08:00:00.000Z' }, 'change'],
  ['longer there', booking, { minutes: 60 }, 'change'],
  ['called off there later', booking, { off: true }, 'call off'],
  ['called off here', { ...booking, off: { how: 'cancelled' as const, reason: '' } }, {}, 'called off here'],
])('an entry that is %s', (_, there, part, taking) => {
  const entry = {
    uid: booking.id,
    summary: booking.name,
    note: '',
    startsAt: booking.startsAt,
    minutes: 45,
    off: false,
    series: null,
    ...part,
  };
  expect(takingOf(entry, there)).toBe(taking);
});
