/** In which language and order days are said, each with its own name for itself and how it says a day. */
export const dateLanguages = {
  'en-GB': 'English, 26 November',
  'en-US': 'English, November 26',
  'da-DK': 'Dansk',
  'de-DE': 'Deutsch',
  'es-ES': 'Español',
  'fi-FI': 'Suomi',
  'fr-FR': 'Français',
  'it-IT': 'Italiano',
  'ja-JP': '日本語',
  'nb-NO': 'Norsk bokmål',
  'nl-NL': 'Nederlands',
  'pl-PL': 'Polski',
  'pt-PT': 'Português',
  'sv-SE': 'Svenska',
} as const;
export type DateLanguage = keyof typeof dateLanguages;
export const dateLanguageIds = Object.keys(dateLanguages) as [DateLanguage, ...DateLanguage[]];

/** The days a week may begin with, where people differ. */
export const weekStarts = ['monday', 'sunday', 'saturday'] as const;
export type WeekStart = (typeof weekStarts)[number];

/** How days are told. */
export interface DateManner {
  dateLanguage: DateLanguage;
  weekStart: WeekStart;
}

/**
 * Told once, where a page begins, and not by every sentence with a day in it: a server and a browser each speak for one studio. Nothing that
 * is kept, sent or compared goes by it.
 */
let manner: DateManner = { dateLanguage: 'en-GB', weekStart: 'monday' };

/** From now on days are said this way. */
export const tellDatesIn = ({ dateLanguage, weekStart }: DateManner) => void (manner = { dateLanguage, weekStart });

/** How days are said just now. @example mannerOfDates().weekStart // 'monday' */
export const mannerOfDates = (): DateManner => manner;

const shapes = {
  day: { day: 'numeric', month: 'long', timeZone: 'UTC' },
  dayOfYear: { day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' },
  weekday: { weekday: 'long', timeZone: 'UTC' },
  weekdayShort: { weekday: 'short', timeZone: 'UTC' },
  weekdayAndDay: { weekday: 'long', day: 'numeric', month: 'long', timeZone: 'UTC' },
  month: { month: 'long', year: 'numeric', timeZone: 'UTC' },
} as const satisfies Record<string, Intl.DateTimeFormatOptions>;

/** Making a format takes a thousand times as long as using it. */
const made = new Map<string, Intl.DateTimeFormat>();

function formatOf(
  key: string,
  options: Intl.DateTimeFormatOptions,
  { dateLanguage }: Pick<DateManner, 'dateLanguage'> = manner,
): Intl.DateTimeFormat {
  const at = `${dateLanguage} ${key}`;
  const format = made.get(at) ?? new Intl.DateTimeFormat(dateLanguage, options);
  made.set(at, format);
  return format;
}

const said = (shape: keyof typeof shapes, day: string, language = manner.dateLanguage) =>
  formatOf(shape, shapes[shape], { dateLanguage: language }).format(new Date(`${day}T12:00:00Z`));

/**
 * A day as it is said, with the year where it is not the one of `today`.
 *
 * @example dayInWords('2026-10-19', '2026-11-23') // '19 October'
 */
export const dayInWords = (day: string, today: string): string =>
  said(day.slice(0, 4) === today.slice(0, 4) ? 'day' : 'dayOfYear', day);

/** The name of a day's weekday. @example weekdayName('2026-11-26') // 'Thursday' */
export const weekdayName = (day: string): string => said('weekday', day);

/** The same, short. @example weekdayShort('2026-11-26') // 'Thu' */
export const weekdayShort = (day: string): string => said('weekdayShort', day);

/**
 * A day with its weekday.
 *
 * @param language another than the one days are said in: to show what it would be
 * @example weekdayAndDay('2026-11-26') // 'Thursday 26 November'
 */
export const weekdayAndDay = (day: string, language?: DateLanguage): string => said('weekdayAndDay', day, language);

/** The month a day is in. @example monthInWords('2026-11-26') // 'November 2026' */
export const monthInWords = (day: string): string => said('month', day);

/**
 * A moment as it is said: the day in short and the time by the clock of 24 hours.
 *
 * @param instant UTC, ISO, or epoch milliseconds
 * @param zone IANA name
 * @example momentInWords('2026-11-26T09:05:00Z', 'UTC') // '26 Nov 2026, 09:05'
 */
export const momentInWords = (instant: string | number, zone: string): string =>
  formatOf(`moment ${zone}`, { timeZone: zone, dateStyle: 'medium', timeStyle: 'short', hourCycle: 'h23' }).format(
    new Date(instant),
  );

/** How many days before Monday a week begins. */
export const weekStartsBefore: Readonly<Record<WeekStart, number>> = { monday: 0, sunday: 1, saturday: 2 };

/**
 * Seven things that are kept Monday first, in the order in which a week goes here.
 *
 * @example inWeekOrder([1, 2, 3, 4, 5, 6, 7], 'sunday') // [7, 1, 2, 3, 4, 5, 6]
 */
export function inWeekOrder<T>(days: readonly T[], start: WeekStart): T[] {
  const from = (7 - weekStartsBefore[start]) % 7;
  return [...days.slice(from), ...days.slice(0, from)];
}
