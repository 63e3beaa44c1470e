import { answersWith } from '../fixtures';
import {
  type Fact,
  askedBySymptoms,
  conditionIds,
  factSchemas,
  knownClient,
  mostLeaks,
  symptomIds,
  symptomsInWords,
} from '.';

const told = (value: unknown, day = '2026-11-23'): Fact => ({
  id: `told ${day}`,
  key: 'symptoms',
  value,
  at: `${day}T09:00:00.000Z`,
  day,
});

// What each speaks for, from practice.md's cautions: a leak for leaking, heaviness for prolapse, doming for separation. Common practice.
test.each([
  ['leaks', { leaks: 1, signs: null }, ['leaking']],
  ['heaviness', { leaks: 0, signs: ['heaviness'] }, ['prolapse']],
  ['doming', { leaks: null, signs: ['doming'] }, ['separation']],
  ['nothing', { leaks: 0, signs: [] }, []],
  ['not asked', { leaks: null, signs: null }, []],
] as const)('%s speak for a question of Screen until it is answered with yes', (_what, symptoms, asked) => {
  expect(askedBySymptoms(symptoms, {})).toEqual(asked);
  expect(askedBySymptoms(symptoms, answersWith(Object.fromEntries(asked.map((id) => [id, {}]))))).toEqual([]);
});

test('the newest telling stands whole: a sign of another day is not carried over', () => {
  const known = knownClient([
    told({ leaks: 3, signs: ['doming'] }, '2026-11-16'),
    told({ leaks: 0, signs: null }),
    told({ leaks: mostLeaks + 1, signs: [] }, '2026-11-24'),
  ]);
  expect(known.symptoms).toEqual({ leaks: 0, signs: null });
  expect(known.latest.symptoms?.day).toBe('2026-11-23');
});

test('what is told fits its bounds, and every sign has words of its own', () => {
  expect(factSchemas.symptoms.safeParse({ leaks: 1.5, signs: [] }).success).toBe(false);
  expect(factSchemas.symptoms.safeParse({ leaks: 0, signs: ['hiccups'] }).success).toBe(false);
  expect(symptomsInWords({ leaks: 0, signs: [] })).toBe('no leak; no symptom');
  expect(symptomsInWords({ leaks: mostLeaks, signs: ['pain'] })).toBe('7 leaks or more; pain');
  expect(symptomsInWords({ leaks: null, signs: null })).toBe('');
  expect(new Set(symptomIds.map((id) => symptomsInWords({ leaks: null, signs: [id] }))).size).toBe(symptomIds.length);
  expect(conditionIds).toContain('leaking');
});
