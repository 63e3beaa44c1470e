import { daysBetween } from '../record/day';
import { type ConditionId } from './conditions';
import { type GateLimits } from './gateTable';
import { type Answer, type AnswerDetail, pregnancyWeek } from './profile';
import { type SignContext } from './signs';

/** What is particular to one condition; most have nothing of it. */
export interface ConditionRule {
  /** Its rows count for so many weeks from the day told with it. */
  counts?: (detail: AnswerDetail) => keyof GateLimits;
  /** Its rows with a `from` count from that week of it on; null where the week was not told: the safer reading. */
  weekOn?: (answer: Answer, onDay: string) => number | null;
  /** Answers are asked again sooner while its rows count. */
  close?: true;
  /** How it stands in the safety line; null for its plain name. */
  inWords?: (answer: Answer, onDay: string) => string | null;
  /** Signs that are asked because of it, what they are signs of, and how it is asked before them. */
  signs?: { context: SignContext; of: string; asked: string };
}

/** Common practice, no published source. */
export const conditionRules: Readonly<Partial<Record<ConditionId, ConditionRule>>> = {
  pregnancy: {
    weekOn: pregnancyWeek,
    close: true,
    inWords: (answer, onDay) => {
      const week = pregnancyWeek(answer, onDay);
      return week === null ? 'pregnant, week not told' : `pregnant, week ${week}`;
    },
    signs: { context: 'pregnancy', of: 'pregnancy', asked: 'pregnant now' },
  },
  recentBirth: {
    counts: ({ caesarean }) => (caesarean ? 'afterCaesareanWeeks' : 'afterBirthWeeks'),
    close: true,
    inWords: ({ detail: { date, caesarean } }, onDay) =>
      date ? `${Math.floor(daysBetween(date, onDay) / 7)} weeks after ${caesarean ? 'a caesarean' : 'birth'}` : null,
    signs: { context: 'after birth', of: 'the weeks after a birth', asked: 'given birth in the last months' },
  },
  surgery: { counts: () => 'afterSurgeryWeeks', close: true },
};

/** The conditions that bring signs of their own, in the order they are asked. */
export const conditionsWithSigns = (Object.keys(conditionRules) as ConditionId[]).filter(
  (id) => conditionRules[id]!.signs !== undefined,
);

/**
 * Whose signs have to be asked of somebody: everybody's, and those of a condition that brings its own unless it was answered no.
 *
 * @example signContextsOf({}) // ['always']
 */
export function signContextsOf(answers: Readonly<Partial<Record<ConditionId, Answer>>>): SignContext[] {
  const told = conditionsWithSigns.filter((id) => answers[id] !== undefined && answers[id].value !== 'no');
  return ['always', ...told.map((id) => conditionRules[id]!.signs!.context)];
}
