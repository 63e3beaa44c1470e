import { type Provenance, published } from '../reasons';

/** The sixteen symptoms, in order. [R2] van Dixhoorn & Duivenvoorden 1985, list from memory. */
export const symptoms = [
  'chest pain',
  'feeling tense',
  'blurred vision',
  'dizzy spells',
  'feeling confused',
  'faster or deeper breathing',
  'short of breath',
  'tight feelings in the chest',
  'bloated stomach',
  'tingling fingers',
  'unable to breathe deeply',
  'stiff fingers or arms',
  'tight feelings round the mouth',
  'cold hands or feet',
  'palpitations',
  'anxiety',
] as const;

export const oftenWords = ['never', 'rarely', 'sometimes', 'often', 'very often'] as const;

export interface Questionnaire {
  /** Sum of what was answered, 0 to 64. */
  sum: number;
  answered: number;
  /** Lowest and highest sum the unanswered ones leave open. */
  least: number;
  most: number;
  /** null while the open answers still decide. */
  above23: boolean | null;
  above19: boolean | null;
}

/**
 * Sum of the symptom questionnaire, 0 to 64, and whether it lies above the two published cuts. Unanswered symptoms are
 * not counted as "never": while they could decide, the cut is left open.
 *
 * @param answers sixteen, 0 never to 4 very often, null unanswered
 * @throws {RangeError} when there are not sixteen answers of that kind
 * @source [R2] above 23 (1985); a cut near 19 to 20 is argued for in European samples (2015). From memory.
 * @example questionnaireSum(Array(16).fill(1)).sum // 16
 */
export function questionnaireSum(answers: readonly (number | null)[]): Questionnaire {
  const valid = (answer: number | null) => answer === null || (Number.isInteger(answer) && answer >= 0 && answer <= 4);
  if (answers.length !== symptoms.length || !answers.every(valid)) {
    throw new RangeError('The questionnaire has sixteen answers from 0 to 4.');
  }
  const given = answers.filter((answer): answer is number => answer !== null);
  const sum = given.reduce((total, answer) => total + answer, 0);
  const most = sum + 4 * (symptoms.length - given.length);
  const above = (cut: number) => (sum > cut ? true : most <= cut ? false : null);
  return { sum, answered: given.length, least: sum, most, above23: above(23), above19: above(19) };
}

export const questionnaireProvenance: Provenance = published('R2');
