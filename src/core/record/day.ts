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
const inWords = { day: 'numeric', month: 'long', timeZone: 'UTC' } as const;
const thisYear = new Intl.DateTimeFormat('en-GB', inWords);
const otherYear = new Intl.DateTimeFormat('en-GB', { ...inWords, year: 'numeric' });

/**
 * A day moved by a number of days.
 *
 * @example addDays('2026-02-28', 1) // '2026-03-01'
 */
export function addDays(day: string, days: number): string {
  return new Date(Date.parse(`${day}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);
}

/**
 * A day as it is said, with the year where it is not the one of `today`.
 *
 * @example dayInWords('2026-10-19', '2026-11-23') // '19 October'
 */
export function dayInWords(day: string, today: string): string {
  const format = day.slice(0, 4) === today.slice(0, 4) ? thisYear : otherYear;
  return format.format(new Date(`${day}T12:00:00Z`));
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
