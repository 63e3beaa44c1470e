import { type ConditionId } from './conditions';
import { type Profile } from './profile';

/** What is asked at every visit and followed: each with the question on Screen that it answers too, where there is one. */
const symptomTable = {
  heaviness: { words: 'heaviness below', asks: 'prolapse' },
  doming: { words: 'doming of the belly', asks: 'separation' },
  pain: { words: 'pain', asks: null },
  breathless: { words: 'short of breath', asks: null },
  dizzy: { words: 'dizzy', asks: null },
  tingling: { words: 'tingling', asks: null },
  headache: { words: 'headache', asks: null },
} as const satisfies Readonly<Record<string, { words: string; asks: ConditionId | null }>>;
export type SymptomId = keyof typeof symptomTable;
export const symptomIds = Object.keys(symptomTable) as [SymptomId, ...SymptomId[]];

/** A symptom in everyday words. @example symptomInWords('doming') // 'doming of the belly' */
export const symptomInWords = (id: SymptomId): string => symptomTable[id].words;

/** Leaks are counted up to so many in seven days; this many means so many or more. */
export const mostLeaks = 7;

/** What was told of the last seven days; null where it was not asked. */
export interface Symptoms {
  leaks: number | null;
  signs: readonly SymptomId[] | null;
}

/**
 * Questions of Screen that what was told speaks for, and that were not answered with yes: somebody who tells of leaks leaks, whatever
 * was said in the first hour.
 *
 * @example askedBySymptoms({ leaks: 2, signs: [] }, {}) // ['leaking']
 */
export function askedBySymptoms({ leaks, signs }: Symptoms, answers: Profile['answers']): ConditionId[] {
  const told: ConditionId[] = [
    ...((leaks ?? 0) > 0 ? (['leaking'] as const) : []),
    ...(signs ?? []).flatMap((id) => symptomTable[id].asks ?? []),
  ];
  return told.filter((id) => answers[id]?.value !== 'yes');
}

/**
 * How often somebody leaked in seven days, in words.
 *
 * @example leaksInWords(7) // '7 leaks or more'
 */
export const leaksInWords = (leaks: number): string =>
  leaks === 0 ? 'no leak' : leaks === 1 ? '1 leak' : `${leaks} leaks${leaks >= mostLeaks ? ' or more' : ''}`;

/**
 * What was told, in words; empty where nothing was asked.
 *
 * @example symptomsInWords({ leaks: 1, signs: ['pain'] }) // '1 leak; pain'
 */
export const symptomsInWords = ({ leaks, signs }: Symptoms): string =>
  [
    ...(leaks === null ? [] : [leaksInWords(leaks)]),
    ...(signs === null ? [] : [signs.length === 0 ? 'no symptom' : signs.map(symptomInWords).join(', ')]),
  ].join('; ');
