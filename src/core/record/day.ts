/**
 * The calendar day of an instant in a time zone, yyyy-mm-dd.
 *
 * @param instant UTC, ISO, or epoch milliseconds
 * @param zone IANA name
 * @throws {RangeError} for an unknown zone or an impossible instant
 * @example dayIn('2026-11-23T23:30:00Z', 'Europe/Berlin') // '2026-11-24'
 */
export function dayIn(instant: string | number, zone: string): string {
  let format = zones.get(zone);
  if (!format) {
    format = new Intl.DateTimeFormat('en-CA', { timeZone: zone, year: 'numeric', month: '2-digit', day: '2-digit' });
    zones.set(zone, format);
  }
  return format.format(new Date(instant));
}

/** Making a format takes a thousand times as long as using it. */
const zones = new Map<string, Intl.DateTimeFormat>();
const clocks = new Map<string, Intl.DateTimeFormat>();

/**
 * The time of an instant in a zone, as it is said.
 *
 * @param instant UTC, ISO, or epoch milliseconds
 * @param zone IANA name
 * @throws {RangeError} for an unknown zone or an impossible instant
 * @example timeIn('2026-07-01T08:00:00Z', 'Europe/London') // '09:00'
 */
export function timeIn(instant: string | number, zone: string): string {
  let clock = clocks.get(zone);
  if (!clock) {
    clock = new Intl.DateTimeFormat('en-GB', {
      timeZone: zone,
      hour: '2-digit',
      minute: '2-digit',
      hourCycle: 'h23',
    });
    clocks.set(zone, clock);
  }
  return clock.format(new Date(instant));
}

/**
 * A day moved by a number of days.
 *
 * @example addDays('2026-02-28', 1) // '2026-03-01'
 */
export function addDays(day: string, days: number): string {
  return new Date(Date.parse(`${day}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);
}

const dayNumber = (day: string) => Math.floor(Date.parse(`${day}T00:00:00Z`) / 86_400_000);

/**
 * Whole days from one calendar day to another, negative when it lies before.
 *
 * @param fromDay yyyy-mm-dd
 * @param toDay yyyy-mm-dd
 * @throws {RangeError} when either is not a day
 * @example daysBetween('2026-03-01', '2026-03-08') // 7
 */
export function daysBetween(fromDay: string, toDay: string): number {
  const days = dayNumber(toDay) - dayNumber(fromDay);
  if (Number.isNaN(days)) throw new RangeError('Days are written yyyy-mm-dd.');
  return days;
}

/** A visit may go on past midnight for so long before the new day's questions have to be asked. */
const overMidnightMs = 6 * 3_600_000;

/**
 * The day a visit is worked on: its own, also after midnight, as long as it is open and not many hours old; nobody is asked for
 * the new day's signs in mid-visit. Common practice, the length ours.
 *
 * @param visit the client's newest open visit, or null
 * @param today the day it is now
 * @example workingDay({ day: '2026-11-23', startedAt: '2026-11-23T22:50:00Z', endedAt: null }, '2026-11-24', Date.parse('2026-11-24T00:20:00Z')) // '2026-11-23'
 */
export function workingDay(
  visit: { day: string; startedAt: string; endedAt: string | null } | null,
  today: string,
  nowEpochMs: number,
): string {
  const goesOn =
    visit !== null &&
    visit.endedAt === null &&
    visit.day < today &&
    nowEpochMs - Date.parse(visit.startedAt) < overMidnightMs;
  return goesOn ? visit.day : today;
}

/** Whether the runtime knows a time zone by this name. */
export function isZone(zone: string): boolean {
  try {
    dayIn(0, zone);
    return true;
  } catch {
    return false;
  }
}

/** Minutes of the day of a time as it is said. @example minuteOf('14:30') // 870 */
export const minuteOf = (time: string) => Number(time.slice(0, 2)) * 60 + Number(time.slice(3, 5));

/** A minute of the day as it is said. @example timeOf(870) // '14:30' */
export const timeOf = (minute: number) =>
  `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;
