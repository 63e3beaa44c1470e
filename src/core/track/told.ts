import { lowered } from '../reasons';
import { type Complaint, type Fact, type Symptoms, factFits, symptomInWords } from '../safety';
import { type Change, changeOf } from './change';

/** What was told on a day: at Screen, by a code from home, or as a run was stopped. */
export interface Told {
  day: string;
  where: 'at a visit' | 'at home' | 'in a run';
  /** 0 to 10. */
  complaint: number | null;
  /** In the seven days before. */
  leaks: number | null;
  symptoms: readonly string[];
}

/** Symptoms with which a run was stopped. */
interface StoppedWith {
  day: string;
  symptoms: readonly string[];
}

/** Signs that were ticked at home until a code came back. */
interface TickedAtHome {
  day: string;
  signs: readonly string[];
}

/**
 * What a client told of their complaint, leaks and symptoms, a line a day and place, oldest first. The newest answer of a day counts;
 * a day on which nothing was told has no line, and a sign of another day is never carried over.
 *
 * @param facts as they were said, oldest first
 * @example toldOver({ facts: [], runs: [], home: [] }) // []
 */
export function toldOver({
  facts,
  runs,
  home,
}: {
  facts: readonly Pick<Fact, 'key' | 'value' | 'day'>[];
  runs: readonly StoppedWith[];
  home: readonly TickedAtHome[];
}): Told[] {
  const byDay = new Map<string, Told>();
  const at = (day: string): Told =>
    byDay.get(day) ?? { day, where: 'at a visit', complaint: null, leaks: null, symptoms: [] };
  for (const { key, value, day } of facts) {
    if (!factFits(key, value)) continue;
    if (key === 'complaintDetail') byDay.set(day, { ...at(day), complaint: (value as Complaint).level });
    if (key === 'symptoms') {
      const { leaks, signs } = value as Symptoms;
      byDay.set(day, { ...at(day), leaks, symptoms: (signs ?? []).map(symptomInWords) });
    }
  }
  const silent = { complaint: null, leaks: null };
  const all: Told[] = [
    ...[...byDay.values()].filter(
      ({ complaint, leaks, symptoms }) => complaint !== null || leaks !== null || symptoms.length > 0,
    ),
    ...home.flatMap(({ day, signs }): Told[] =>
      signs.length === 0 ? [] : [{ ...silent, day, where: 'at home', symptoms: signs }],
    ),
    ...runs.flatMap(({ day, symptoms }): Told[] =>
      symptoms.length === 0 ? [] : [{ ...silent, day, where: 'in a run', symptoms: symptoms.map(lowered) }],
    ),
  ];
  return all.sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0));
}

/**
 * The complaint from the first time it was told to the last, against what such answers repeat by; null with one answer.
 *
 * @example complaintChange(told)?.verdict // 'smaller'
 */
export function complaintChange(told: readonly Told[]): Change | null {
  const levels = told.flatMap(({ complaint }) => complaint ?? []);
  return levels.length < 2 ? null : changeOf('complaint', levels[0]!, levels.at(-1)!, []);
}
