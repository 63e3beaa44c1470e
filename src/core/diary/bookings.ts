import { capital } from '../reasons';
import { type OffWay } from '../record/booking';
import { type Hours } from '../record/hours';
import { dayIn } from '../record/day';
import { lengthInWords, minuteIn, minuteOf, timeIn, timeOf, weekdayName, weekdayOf } from './clock';

/** A time somebody has, or had: what is off stays readable. */
export interface Booking {
  id: string;
  clientId: string;
  name: string;
  /** UTC, ISO. */
  startsAt: string;
  minutes: number;
  note: string;
  seriesId: string | null;
  off: { how: OffWay; reason: string } | null;
}

/** Where and when the diary is kept. */
export interface Rooms {
  zone: string;
  hours: Hours;
  /** UTC, ISO. */
  now: string;
}

/** A stretch of a day, in minutes of it. */
export interface Stretch {
  from: number;
  to: number;
}

/** A time somebody might get. */
export interface Wish extends Stretch {
  day: string;
  /** Who for: nobody is in two places at once. */
  clientId: string | null;
  /** The booking that would move there, which then stands in nobody's way. */
  moving: string | null;
}

/** Where a booking lies in the day of its zone. It may end after midnight: then `to` is beyond 1440. */
export function stretchOf({ startsAt, minutes }: Pick<Booking, 'startsAt' | 'minutes'>, zone: string): Stretch {
  const from = minuteIn(startsAt, zone);
  return { from, to: from + minutes };
}

/** Bookings of a day of the zone that still stand, by time. */
export const standingOn = (bookings: readonly Booking[], day: string, zone: string): Booking[] =>
  bookings
    .filter(({ off, startsAt }) => off === null && dayIn(startsAt, zone) === day)
    .sort((a, b) => (a.startsAt < b.startsAt ? -1 : a.startsAt > b.startsAt ? 1 : 0));

/** When the rooms are open on a day, or null. */
export function openOn(day: string, { hours }: Pick<Rooms, 'hours'>): Stretch | null {
  const open = hours[weekdayOf(day)];
  return open ? { from: minuteOf(open.from), to: minuteOf(open.to) } : null;
}

/** What a time would mean. */
export interface Placing {
  /** Bookings that lie over it. */
  clashes: Booking[];
  /** Minutes until the next thing on either side: a booking, or the end of the open hours; null outside the hours. */
  freeBefore: number | null;
  freeAfter: number | null;
  /** What speaks against it, a sentence each; nothing of it forbids. */
  against: string[];
  /** What is to be known besides. */
  besides: string | null;
}

const endInWords = (minute: number) => timeOf(minute % 1440);

/**
 * What it would mean to put somebody at a time: whom they would meet, whether the rooms are open, what is left free around it.
 *
 * @example placing({ day, from: 645, to: 690, clientId: 'ada', moving: null }, bookings, rooms).against // ['Bram Lockgate is booked from 11:00 to 11:45.']
 */
export function placing(wish: Wish, bookings: readonly Booking[], rooms: Rooms): Placing {
  const { day, from, to, clientId, moving } = wish;
  const { zone, now } = rooms;
  const others = standingOn(bookings, day, zone).filter(({ id }) => id !== moving);
  const clashes = others.filter((other) => {
    const there = stretchOf(other, zone);
    return there.from < to && from < there.to;
  });
  const open = openOn(day, rooms);
  const against = clashes.map((other) => {
    const there = stretchOf(other, zone);
    const who = other.clientId === clientId ? 'They are' : `${other.name} is`;
    return `${who} booked from ${timeIn(other.startsAt, zone)} to ${endInWords(there.to)}.`;
  });
  const within = open !== null && from >= open.from && to <= open.to;
  if (!open) against.push(`The rooms are closed on ${weekdayName(day)}.`);
  else if (!within) against.push(`The rooms are open from ${timeOf(open.from)} to ${timeOf(open.to)} that day.`);
  const [today, minuteNow] = [dayIn(now, zone), minuteIn(now, zone)];
  if (day < today || (day === today && from < minuteNow)) against.push('That time is over.');

  const elsewhere = others.filter((other) => other.clientId === clientId && !clashes.includes(other));
  const besides =
    elsewhere.length > 0
      ? `They also come at ${elsewhere.map(({ startsAt }) => timeIn(startsAt, zone)).join(' and ')} that day.`
      : null;
  if (clashes.length > 0 || !within) return { clashes, freeBefore: null, freeAfter: null, against, besides };
  const ends = others.map((other) => stretchOf(other, zone).to).filter((end) => end <= from);
  const starts = others.map((other) => stretchOf(other, zone).from).filter((start) => start >= to);
  return {
    clashes,
    freeBefore: from - Math.max(open.from, ...ends),
    freeAfter: Math.min(open.to, ...starts) - to,
    against,
    besides,
  };
}

/**
 * A placing in one line.
 *
 * @example placingInWords({ freeBefore: 30, freeAfter: 0, against: [], besides: null, clashes: [] }) // '30 min free before, nothing after.'
 */
export function placingInWords({ freeBefore, freeAfter, against, besides }: Placing): string {
  const left = (minutes: number) => (minutes === 0 ? 'nothing' : lengthInWords(minutes));
  const around =
    freeBefore === null || freeAfter === null
      ? null
      : freeBefore === 0 && freeAfter === 0
        ? 'Nothing free on either side.'
        : `${left(freeBefore)}${freeBefore === 0 ? '' : ' free'} before, ${left(freeAfter)} after.`;
  const sentences = [...against, around, besides].filter((sentence): sentence is string => sentence !== null);
  return sentences.map(capital).join(' ');
}

/** What of the open hours of a day nobody has, from now on; stretches shorter than `least` minutes are left out. */
export function freeOn(day: string, bookings: readonly Booking[], rooms: Rooms, least = 15): Stretch[] {
  const open = openOn(day, rooms);
  const today = dayIn(rooms.now, rooms.zone);
  if (!open || day < today) return [];
  const quarter = (minute: number) => Math.ceil(minute / 15) * 15;
  let from = day === today ? Math.max(open.from, quarter(minuteIn(rooms.now, rooms.zone))) : open.from;
  const free: Stretch[] = [];
  for (const booking of standingOn(bookings, day, rooms.zone)) {
    const taken = stretchOf(booking, rooms.zone);
    if (taken.from - from >= least) free.push({ from, to: Math.min(taken.from, open.to) });
    from = Math.max(from, taken.to);
  }
  if (open.to - from >= least) free.push({ from, to: open.to });
  return free.filter(({ from: start, to }) => to - start >= least);
}

/** @example stretchInWords({ from: 540, to: 600 }) // '09:00 to 10:00' */
export const stretchInWords = ({ from, to }: Stretch) => `${timeOf(from)} to ${endInWords(to)}`;
