import ICAL from 'ical.js';
import { isZone } from '../record/day';
import { type Booking } from './bookings';
import { instantAt } from './clock';

/** A time read from a calendar file. */
export interface CalendarEntry {
  /** What names it among all calendars: its own name and, of one that comes again, which time. */
  uid: string;
  summary: string;
  note: string;
  /** UTC, ISO. */
  startsAt: string;
  minutes: number;
  /** The calendar says it does not take place. */
  off: boolean;
  /** The name of the series it belongs to, or null. */
  series: string | null;
}

export interface CalendarRead {
  entries: CalendarEntry[];
  /** What of the file was left out, a sentence each. */
  left: string[];
}

const uidTail = '@kokyu.invalid';
const utc = (instant: string) => instant.replace(/[-:]/g, '').replace(/\.\d+/, '');

/**
 * Bookings as an iCalendar file (RFC 5545), the times in UTC so that every calendar shows them in its own zone.
 *
 * @param bookings those that are off are told as cancelled
 * @param made UTC, ISO: when the file is made
 * @example calendarOf(bookings, { studio: 'Saltmarsh Movement Rooms', made: now }) // 'BEGIN:VCALENDAR…'
 */
export function calendarOf(bookings: readonly Booking[], { studio, made }: { studio: string; made: string }): string {
  const calendar = new ICAL.Component('vcalendar');
  calendar.addPropertyWithValue('prodid', '-//Kokyu//Bookings//EN');
  calendar.addPropertyWithValue('version', '2.0');
  for (const { id, name, startsAt, minutes, note, off } of bookings) {
    const event = new ICAL.Component('vevent');
    event.addPropertyWithValue('uid', `${id}${uidTail}`);
    event.addPropertyWithValue('dtstamp', ICAL.Time.fromString(utcDate(made), undefined as never));
    event.addPropertyWithValue('dtstart', ICAL.Time.fromString(utcDate(startsAt), undefined as never));
    event.addPropertyWithValue('duration', ICAL.Duration.fromSeconds(minutes * 60));
    event.addPropertyWithValue('summary', name);
    if (note !== '') event.addPropertyWithValue('description', note);
    event.addPropertyWithValue('location', studio);
    if (off) event.addPropertyWithValue('status', 'CANCELLED');
    calendar.addSubcomponent(event);
  }
  return `${calendar.toString()}\r\n`;
}

const utcDate = (instant: string) =>
  `${utc(instant).replace(/^(\d{4})(\d\d)(\d\d)T(\d\d)(\d\d)(\d\d)/, '$1-$2-$3T$4:$5:$6')}`;

/** Times of one repeating entry that are read at most. */
const mostTimes = 200;
/** A calendar file larger than this is no week of bookings. */
export const mostCalendarCharacters = 4_000_000;

/**
 * What an iCalendar file says between two instants; entries that come again are laid out one by one.
 *
 * @param zone of the studio: what has no zone of its own is meant in it
 * @throws {Error} with one sentence for a file that is no calendar
 * @example readCalendar(calendarOf(bookings, file), { zone: 'Europe/London', from, to }).entries.length // 1
 */
export function readCalendar(
  text: string,
  { zone, from, to }: { zone: string; from: string; to: string },
): CalendarRead {
  if (text.length > mostCalendarCharacters) throw new Error('This file is larger than 4 MB. Export a shorter time.');
  let calendar: ICAL.Component;
  try {
    const parsed = ICAL.parse(text) as unknown[];
    calendar = new ICAL.Component((typeof parsed[0] === 'string' ? parsed : parsed[0]) as never);
  } catch {
    throw new Error('This is no calendar file. Choose one that ends in .ics.');
  }
  if (calendar.name !== 'vcalendar') throw new Error('This is no calendar file. Choose one that ends in .ics.');
  const all = calendar.getAllSubcomponents('vevent').map((component) => new ICAL.Event(component));
  const left: string[] = [];
  const entries: CalendarEntry[] = [];
  const changed = all.filter((event) => event.isRecurrenceException());
  for (const event of all) {
    if (event.isRecurrenceException()) continue;
    const called = event.summary || 'An entry without a name';
    try {
      if (!event.startDate) left.push(`${called} has no beginning.`);
      else if (event.startDate.isDate) left.push(`${called} is for whole days.`);
      else {
        const read = timesOf(event, changed, zone, from, to);
        entries.push(...read.entries);
        if (read.cut) left.push(`${called} comes again very often: the first ${mostTimes} times are read.`);
      }
    } catch {
      left.push(`${called} can’t be read.`);
    }
  }
  entries.sort((a, b) => (a.startsAt < b.startsAt ? -1 : 1));
  return { entries, left };
}

/** The instant of a time as the file means it: in its own zone where that is known, else as the file lays the zone out. */
function instantOf(time: ICAL.Time, property: ICAL.Property | null, studio: string): string {
  const named = property?.getParameter('tzid');
  const wall = (zone: string) =>
    instantAt(
      `${String(time.year).padStart(4, '0')}-${String(time.month).padStart(2, '0')}-${String(time.day).padStart(2, '0')}`,
      time.hour * 60 + time.minute,
      zone,
    );
  if (time.zone === ICAL.Timezone.utcTimezone) return new Date(time.toUnixTime() * 1000).toISOString();
  if (typeof named === 'string' && isZone(named)) return wall(named);
  if (time.zone && time.zone !== ICAL.Timezone.localTimezone) return new Date(time.toUnixTime() * 1000).toISOString();
  return wall(studio);
}

function timesOf(event: ICAL.Event, changed: readonly ICAL.Event[], zone: string, from: string, to: string) {
  const property = event.component.getFirstProperty('dtstart');
  const entry = (of: ICAL.Event, startsAt: string, uid: string, series: string | null): CalendarEntry => ({
    uid,
    summary: of.summary ?? '',
    note: of.description ?? '',
    startsAt,
    minutes: Math.round(of.duration.toSeconds() / 60),
    off: of.component.getFirstPropertyValue('status') === 'CANCELLED',
    series,
  });
  const within = (instant: string) => instant >= from && instant < to;
  const uid = (event.uid ?? '').replace(uidTail, '');
  if (!event.isRecurring()) {
    const startsAt = instantOf(event.startDate, property, zone);
    return { entries: within(startsAt) ? [entry(event, startsAt, uid, null)] : [], cut: false };
  }
  const others = new Map(
    changed
      .filter((one) => one.uid === event.uid)
      .map((one) => [instantOf(one.recurrenceId, one.component.getFirstProperty('recurrence-id'), zone), one]),
  );
  const entries: CalendarEntry[] = [];
  const times = event.iterator();
  for (let time = times.next(); time; time = times.next()) {
    const at = instantOf(time, property, zone);
    if (at >= to) break;
    const other = others.get(at);
    const startsAt = other ? instantOf(other.startDate, other.component.getFirstProperty('dtstart'), zone) : at;
    if (!within(startsAt)) continue;
    if (entries.length === mostTimes) return { entries, cut: true };
    entries.push(entry(other ?? event, startsAt, `${uid} ${at}`, uid));
  }
  return { entries, cut: false };
}
