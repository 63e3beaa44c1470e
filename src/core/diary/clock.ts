import { TZDate } from '@date-fns/tz';
import { type WeekStart, weekStartsBefore, weekdayName, weekdayShort } from '../record/dateWords';
import { addDays, minuteOf, timeIn, timeOf } from '../record/day';

/**
 * The instant of a time of a day in a zone, UTC, ISO. A time the clocks leap over becomes the one an hour later; of one that comes
 * twice it is the later.
 *
 * @param day yyyy-mm-dd
 * @param minute of the day, 0 to 1439
 * @throws {RangeError} for a day or zone there is not
 * @example instantAt('2026-07-01', 9 * 60, 'Europe/London') // '2026-07-01T08:00:00.000Z'
 */
export function instantAt(day: string, minute: number, zone: string): string {
  const [year, month, date] = day.split('-').map(Number) as [number, number, number];
  const at = new TZDate(year, month - 1, date, Math.floor(minute / 60), minute % 60, 0, 0, zone);
  return new Date(at.getTime()).toISOString();
}

export { minuteOf, timeIn, timeOf, weekdayName, weekdayShort };

/** Minutes of the day of an instant in a zone. */
export const minuteIn = (instant: string | number, zone: string) => minuteOf(timeIn(instant, zone));

/** 0 for Monday to 6 for Sunday. @example weekdayOf('2026-11-26') // 3 */
export const weekdayOf = (day: string) => (new Date(`${day}T12:00:00Z`).getUTCDay() + 6) % 7;

/**
 * The days of the week a day is in, from the one a week begins with here.
 *
 * @example weekOf('2026-11-26', 'monday')[0] // '2026-11-23'
 * @example weekOf('2026-11-26', 'sunday')[0] // '2026-11-22'
 */
export function weekOf(day: string, start: WeekStart): string[] {
  const into = (weekdayOf(day) + weekStartsBefore[start]) % 7;
  return Array.from({ length: 7 }, (_, i) => addDays(day, i - into));
}

/**
 * The UTC instants between which everything of some days lies, whatever the zone, ends included; what is found is then held against the
 * zone's own days.
 */
export const aroundDays = (first: string, last: string) => ({
  from: `${addDays(first, -1)}T00:00:00.000Z`,
  to: `${addDays(last, 2)}T00:00:00.000Z`,
});

/**
 * The days of a booking that comes again.
 *
 * @param weeks apart, 1 or more
 * @param times how often in all, 1 or more
 * @example repeated('2026-11-26', 2, 2) // ['2026-11-26', '2026-12-10']
 */
export const repeated = (day: string, weeks: number, times: number): string[] =>
  Array.from({ length: times }, (_, i) => addDays(day, i * weeks * 7));

/** How long, as it is said. @example lengthInWords(95) // '1 h 35' */
export function lengthInWords(minutes: number): string {
  if (minutes < 60) return `${minutes} min`;
  const [hours, rest] = [Math.floor(minutes / 60), minutes % 60];
  return rest === 0 ? `${hours} h` : `${hours} h ${String(rest).padStart(2, '0')}`;
}

/**
 * A time of day as people type it, or null where it is none.
 *
 * @example clockTyped('9.30') // '09:30'
 * @example clockTyped('930') // '09:30'
 * @example clockTyped('2 pm') // '14:00'
 */
export function clockTyped(typed: string): string | null {
  const match = /^(\d{1,2})(?:[:.,h ]?(\d{2}))?\s*(am|pm|a|p)?$/i.exec(typed.trim());
  if (!match) return null;
  const [, hour, minute = '00', half] = match as unknown as [string, string, string | undefined, string | undefined];
  const afternoon = half?.toLowerCase().startsWith('p') ?? false;
  const hours = half ? (Number(hour) % 12) + (afternoon ? 12 : 0) : Number(hour);
  if (hours > 23 || Number(minute) > 59 || (half && Number(hour) > 12)) return null;
  return timeOf(hours * 60 + Number(minute));
}
