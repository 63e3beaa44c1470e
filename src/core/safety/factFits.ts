import { nameTrouble } from './clientName';
import { type FactKey, complaintPlaces } from './factKeys';
import { surgerySites } from './profile';
import { emergencySignIds, redFlagIds } from './signs';
import { mostLeaks, symptomIds } from './symptoms';

/** Longest texts said of a client, in characters. */
export const longestTexts = {
  goal: 4000,
  complaint: 4000,
  clinician: 300,
  medicines: 2000,
  clearedBy: 200,
  note: 2000,
} as const;

/** How few and how many characters tell who cleared a sign and why, without the spaces round them. */
export const clearanceLengths = { clinician: [2, 200], reason: [5, 2000] } as const;

/** Completed weeks of pregnancy that can be told. */
export const weeksTold = [1, 42] as const;

/** How much of a complaint there can be. */
export const complaintLevels = [0, 10] as const;

/** How a calendar day is written. */
export const dayWritten = /^\d{4}-\d{2}-\d{2}$/;

/**
 * What is wrong with a calendar day, in one sentence; null when it is written yyyy-mm-dd and there is such a day.
 *
 * @example dayTrouble('2026-02-30') // 'That day does not exist. Check day and month.'
 */
export function dayTrouble(day: string): string | null {
  if (!dayWritten.test(day)) return 'Write the date as day, month and year.';
  const time = Date.parse(`${day}T00:00:00Z`);
  if (Number.isNaN(time) || new Date(time).toISOString().slice(0, 10) !== day) {
    return 'That day does not exist. Check day and month.';
  }
  return day >= '1900-01-01' && day <= '2200-01-01' ? null : 'That year is out of range. Check the year.';
}

type Fits = (value: unknown) => boolean;

const text =
  (most: number): Fits =>
  (value) =>
    typeof value === 'string' && value.length <= most;
const trimmed =
  ([least, most]: readonly [number, number]): Fits =>
  (value) =>
    typeof value === 'string' && value.trim().length >= least && value.trim().length <= most;
const number =
  ([least, most]: readonly [number, number], is: (value: number) => boolean): Fits =>
  (value) =>
    typeof value === 'number' && is(value) && value >= least && value <= most;
const oneOf =
  (values: readonly string[]): Fits =>
  (value) =>
    values.includes(value as string);
const someOf =
  (values: readonly string[], most = Infinity): Fits =>
  (value) =>
    Array.isArray(value) && value.length <= most && value.every(oneOf(values));
const orNone =
  (fits: Fits): Fits =>
  (value) =>
    value === null || fits(value);
const ifTold =
  (fits: Fits): Fits =>
  (value) =>
    value === undefined || fits(value);
const record =
  (fields: Readonly<Record<string, Fits>>): Fits =>
  (value) =>
    typeof value === 'object' &&
    value !== null &&
    !Array.isArray(value) &&
    Object.entries(fields).every(([key, fits]) => fits((value as Record<string, unknown>)[key]));

const day: Fits = (value) => typeof value === 'string' && dayTrouble(value) === null;
const trueOrNot: Fits = (value) => typeof value === 'boolean';
const clearance = record({
  clinician: trimmed(clearanceLengths.clinician),
  reason: trimmed(clearanceLengths.reason),
});
const answer = record({
  value: oneOf(['yes', 'no', 'unknown']),
  weekOnDay: ifTold(number(weeksTold, Number.isSafeInteger)),
  dueDate: ifTold(day),
  date: ifTold(day),
  caesarean: ifTold(trueOrNot),
  side: ifTold(oneOf(['left', 'right', 'both'])),
  site: ifTold(oneOf(surgerySites)),
  clearedBy: ifTold(text(longestTexts.clearedBy)),
  note: ifTold(text(longestTexts.note)),
});

type Own = Exclude<FactKey, `answer:${string}`>;
const fitting: Readonly<Record<Own, Fits>> = {
  name: (value) => typeof value === 'string' && nameTrouble(value) === null,
  birthDay: orNone(day),
  goal: text(longestTexts.goal),
  complaint: text(longestTexts.complaint),
  complaintDetail: record({
    places: someOf(complaintPlaces, complaintPlaces.length),
    level: orNone(number(complaintLevels, Number.isFinite)),
  }),
  symptoms: record({
    leaks: orNone(number([0, mostLeaks], Number.isSafeInteger)),
    signs: orNone(someOf(symptomIds, symptomIds.length)),
  }),
  longDesk: oneOf(['yes', 'no', 'unknown']),
  clinician: text(longestTexts.clinician),
  medicines: text(longestTexts.medicines),
  touch: oneOf(['yes', 'own hands', 'no', 'unknown']),
  guardian: trueOrNot,
  whatChanged: record({ changed: oneOf(['nothing', 'something']) }),
  screened: (value) => value === true,
  emergency: record({ present: someOf(emergencySignIds) }),
  redFlags: record({ present: someOf(redFlagIds) }),
  emergencyClearance: clearance,
  redFlagClearance: clearance,
  rateClearance: clearance,
};

/**
 * Whether what was said of a client can be taken for what its key asks. It is what `factSchemas` take in, without their sentences and
 * without the library behind them: a page that only shows a client loads no checker.
 *
 * @example factFits('answer:pregnancy', { value: 'yes', weekOnDay: 43 }) // false
 */
export const factFits = (key: FactKey, value: unknown): boolean =>
  key.startsWith('answer:') ? answer(value) : Object.hasOwn(fitting, key) && fitting[key as Own](value);
