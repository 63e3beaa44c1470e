import * as z from 'zod/mini';
import { protocol } from '../define';
import { ofTen } from '../fields';
import { questionnaireProvenance, questionnaireSum, symptoms } from '../questionnaire';

export const questionnaire = protocol({
  name: 'Symptom questionnaire',
  minutes: 3,
  positions: ['sitting'],
  setUp: 'Read each one out: how often, in the last weeks? Then breathlessness now and on effort.',
  means: 'A high sum suggests a breathing-related complaint and is worth showing to a clinician. It names no illness.',
  kept: {
    /** 0 never to 4 very often, in the order of the symptoms; null where it was not answered. */
    answers: z
      .array(z.nullable(z.number().check(z.int(), z.minimum(0), z.maximum(4))))
      .check(z.length(symptoms.length)),
    breathlessNow: ofTen,
    breathlessEffort: ofTen,
  },
  blank: { answers: symptoms.map(() => null) },
  tells: ({ answers }) => {
    const { sum, answered, above23, above19 } = questionnaireSum(answers);
    if (answered === 0) return null;
    const asked = answered < symptoms.length ? `${answered} of ${symptoms.length} asked` : 'below 20';
    const said = above23 ? 'above 23' : above19 ? 'above 19' : asked;
    return { words: `${sum} of 64, ${said}`, provenance: questionnaireProvenance };
  },
  findings: { manySymptoms: 'many symptoms in the questionnaire' },
  reads: ({ answers }) => {
    const { sum, above23, above19 } = questionnaireSum(answers);
    if (above19 === null) return {};
    return { manySymptoms: { severity: above23 ? 3 : above19 ? 2 : 0, words: `${sum} of 64 in the questionnaire` } };
  },
  follows: {
    symptoms: {
      name: 'symptom questionnaire',
      unit: 'of 64',
      digits: 0,
      typicalError: 3,
      goes: ({ answers }) => {
        const { sum, answered } = questionnaireSum(answers);
        return answered === answers.length ? [sum] : [];
      },
    },
  },
});
