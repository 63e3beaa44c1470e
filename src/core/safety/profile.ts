import { daysBetween } from '../record/day';
import { type ConditionId, conditionIds } from './conditions';

import { type SignContext } from './signs';

/** yes / no / unknown: not asked is a value of its own. */
export type AnswerValue = 'yes' | 'no' | 'unknown';

/** Where an operation was. */
export const surgerySites = ['abdomen', 'chest', 'spine', 'eye'] as const;
export type SurgerySite = (typeof surgerySites)[number];

export interface AnswerDetail {
  /** Completed week of pregnancy on the day of the answer, 1 to 42. */
  weekOnDay?: number;
  /** Expected day of birth, yyyy-mm-dd; weeks are counted from it where it is known. */
  dueDate?: string;
  /** Day of the birth or operation, yyyy-mm-dd. */
  date?: string;
  /** After a caesarean the early rules last longer. */
  caesarean?: boolean;
  side?: 'left' | 'right' | 'both';
  /** Where the operation was; every place counts until it is told. */
  site?: SurgerySite;
  /** The clinician whose word lifts what may be lifted for this condition. */
  clearedBy?: string;
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
  /** Whose signs were asked: those of pregnancy and birth only where they had been told by then. */
  contexts: readonly SignContext[];
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
  /** The day all answers were last gone through and found to stand, yyyy-mm-dd. */
  screenedOn: string | null;
  /** Who cleared a resting rate that stayed beyond the edge, and why. */
  rateClearance: { clinician: string; reason: string; day: string; recordId: string } | null;
  /** The newest answer to “what changed?”. */
  whatChanged: { day: string; changed: 'nothing' | 'something' } | null;
}

export const emptyProfile: Profile = {
  answers: {},
  emergency: null,
  redFlags: null,
  touch: 'unknown',
  birthDay: null,
  guardianConsent: false,
  screenedOn: null,
  rateClearance: null,
  whatChanged: null,
};

/** Days from the first day counted to the expected birth: forty weeks. */
const termDays = 280;

/** Latest and earliest day a due date can lie from today: 42 weeks ahead, three weeks past. */
const dueDaysAhead = 42 * 7;
const dueDaysPast = 21;

/**
 * What is wrong with a due date, in one sentence; null when it can be right.
 *
 * @example dueDateProblem('2028-01-01', '2026-11-23') // 'That due date is 58 weeks ahead…'
 */
export function dueDateProblem(dueDate: string, onDay: string): string | null {
  const days = daysBetween(onDay, dueDate);
  const weeks = Math.round(Math.abs(days) / 7);
  if (days > dueDaysAhead) return `That due date is ${weeks} weeks ahead; a pregnancy lasts about 40. Check the year.`;
  if (days < -dueDaysPast) {
    return `That due date was ${weeks} weeks ago. If the baby has come, answer “recent birth” instead.`;
  }
  return null;
}

/**
 * Completed week of pregnancy on a day: counted from the due date where it is known, else carried forward from the week
 * that was told, growing by one every seven days.
 *
 * @returns null when neither was told or the answer is not yes
 * @example pregnancyWeek({ value: 'yes', day: '2026-03-01', recordId: 'a', detail: { weekOnDay: 20 } }, '2026-03-15') // 22
 */
export function pregnancyWeek(answer: Answer | undefined, onDay: string): number | null {
  if (answer?.value !== 'yes') return null;
  const { dueDate, weekOnDay } = answer.detail;
  if (dueDate !== undefined) return Math.max(0, Math.floor((termDays - daysBetween(onDay, dueDate)) / 7));
  return weekOnDay === undefined ? null : weekOnDay + Math.floor(daysBetween(answer.day, onDay) / 7);
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

/** Conditions that were told and stand. @example toldConditions({}) // [] */
export const toldConditions = (answers: Profile['answers']): ConditionId[] =>
  conditionIds.filter((id) => answers[id]?.value === 'yes');
