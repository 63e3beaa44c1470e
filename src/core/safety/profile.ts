import { type ConditionId } from './conditions';

/** yes / no / unknown: not asked is a value of its own. */
export type AnswerValue = 'yes' | 'no' | 'unknown';

export interface AnswerDetail {
  /** Completed week of pregnancy on the day of the answer, 1 to 42. */
  weekOnDay?: number;
  /** Day of the birth or operation, yyyy-mm-dd. */
  date?: string;
  /** After a caesarean the early rules last longer. */
  caesarean?: boolean;
  side?: 'left' | 'right' | 'both';
  note?: string;
}

/** One answer with the day it was given and the record it came from. */
export interface Answer {
  value: AnswerValue;
  /** yyyy-mm-dd */
  day: string;
  recordId: string;
  detail: AnswerDetail;
}

/** Emergency signs or red flags as answered on one day: the ids that were said yes to, [] for none of them. */
export interface SignsAnswer {
  /** The day it was last asked or cleared. */
  day: string;
  /** The day the newest present sign was recorded; the same as `day` when there is none. */
  since: string;
  recordId: string;
  present: readonly string[];
  /** Who cleared it, and why, where going on was decided. */
  clearance?: { clinician: string; reason: string; day: string; recordId: string };
}

export type TouchConsent = 'yes' | 'own hands' | 'no' | 'unknown';

/** What is known of a client as far as gates are concerned. */
export interface Profile {
  answers: Partial<Record<ConditionId, Answer>>;
  emergency: SignsAnswer | null;
  redFlags: SignsAnswer | null;
  touch: TouchConsent;
  /** yyyy-mm-dd, or null when not given. */
  birthDay: string | null;
  guardianConsent: boolean;
}

export const emptyProfile: Profile = {
  answers: {},
  emergency: null,
  redFlags: null,
  touch: 'unknown',
  birthDay: null,
  guardianConsent: false,
};

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

/**
 * Week of pregnancy on a day, carried forward from the week that was told: it grows by one every seven days.
 *
 * @returns null when no week was told or the answer is not yes
 * @example pregnancyWeek({ value: 'yes', day: '2026-03-01', recordId: 'a', detail: { weekOnDay: 20 } }, '2026-03-15') // 22
 */
export function pregnancyWeek(answer: Answer | undefined, onDay: string): number | null {
  if (answer?.value !== 'yes' || answer.detail.weekOnDay === undefined) return null;
  return answer.detail.weekOnDay + Math.floor(daysBetween(answer.day, onDay) / 7);
}

/**
 * Age in whole years on a day.
 *
 * @returns null when the day of birth is not known
 * @example ageOn('2010-11-24', '2026-11-23') // 15
 */
export function ageOn(birthDay: string | null, onDay: string): number | null {
  if (birthDay === null) return null;
  const [birthYear, ...birthRest] = birthDay.split('-').map(Number) as [number, number, number];
  const [year, ...rest] = onDay.split('-').map(Number) as [number, number, number];
  const before = rest[0]! < birthRest[0]! || (rest[0] === birthRest[0] && rest[1]! < birthRest[1]!);
  return year - birthYear - (before ? 1 : 0);
}
