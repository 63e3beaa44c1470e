import { listed } from '../reasons';
import { addDays, daysBetween } from '../record/day';

/** Why a word with the clinician is due. */
export interface Review {
  /** yyyy-mm-dd; today where it should not wait. */
  due: string;
  why: string;
}

/** What a review is judged from. */
interface ReviewFrom {
  today: string;
  /** Days of the visits, oldest first. */
  days: readonly string[];
  /** Steps that were kept (no why) or given up. */
  moved: readonly { from: number; why: string | null }[];
  /** Drills that ended in a stop and were not reviewed, by name. */
  stopped: readonly string[];
  /** Cautions in force, by name. */
  cautions: readonly string[];
  /** Whether any measure changed clearly since the first visit. */
  anythingClear: boolean;
  /** What became of the complaint as it was told; null with one answer. */
  complaint: 'larger' | 'smaller' | 'no clear change' | null;
  /** Symptoms by the day they were told on, oldest first; a day on which nothing was told has none. */
  told: readonly { day: string; leaks: number | null; symptoms: readonly string[] }[];
}

/** With a caution in force, a word goes to the clinician so often. Common practice; the weeks ours. */
const everyDays = 42;
/** Visits without a clear change after which somebody else should look. Common practice; the number ours. */
const visitsWithout = 6;

/** Each reason for a review: the day it is due and why, or null. In the order in which they are told. Common practice, no published source. */
const rules: readonly ((from: ReviewFrom) => Review | null)[] = [
  ({ stopped, today }) =>
    stopped.length === 0 ? null : { due: today, why: `${listed(stopped)} ended in a stop that nobody reviewed.` },
  ({ complaint, today }) =>
    complaint === 'larger' ? { due: today, why: 'The complaint is clearly larger than at first.' } : null,
  ({ told, today }) => {
    const leaks = told.flatMap((one) => one.leaks ?? []);
    const [before, now] = leaks.slice(-2);
    return now !== undefined && before !== undefined && now > before
      ? { due: today, why: `Leaks went up from ${before} to ${now} in seven days.` }
      : null;
  },
  ({ told, today }) => {
    const [before, now] = told.slice(-2);
    const again = now && before ? now.symptoms.filter((one) => before.symptoms.includes(one)) : [];
    return again.length === 0 ? null : { due: today, why: `Told twice running: ${listed(again)}.` };
  },
  ({ moved, today }) => {
    const failed = moved.filter(({ why }) => why !== null).map(({ from }) => from);
    const twice = failed.find((from, at) => failed.indexOf(from) !== at);
    return twice === undefined ? null : { due: today, why: `Step ${twice + 1} was given up twice.` };
  },
  ({ days, anythingClear, complaint, today }) =>
    days.length >= visitsWithout && !anythingClear && complaint !== 'smaller'
      ? { due: today, why: `${days.length} visits, and no clear change in anything.` }
      : null,
  ({ cautions, days, today }) => {
    const [first] = days;
    if (cautions.length === 0 || first === undefined) return null;
    const whole = Math.ceil(Math.max(1, daysBetween(first, today)) / everyDays);
    return {
      due: addDays(first, whole * everyDays),
      why: `Every ${everyDays / 7} weeks with a caution: ${cautions.join('; ')}.`,
    };
  },
];

/**
 * When a word with the clinician is due, and why, the soonest first; empty where nothing asks for one.
 *
 * @example reviewsOf(quiet) // []
 */
export const reviewsOf = (from: ReviewFrom): Review[] =>
  rules.flatMap((rule) => rule(from) ?? []).sort((a, b) => (a.due < b.due ? -1 : a.due > b.due ? 1 : 0));
