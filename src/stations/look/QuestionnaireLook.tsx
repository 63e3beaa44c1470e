'use client';

import { oftenWords, questionnaireProvenance, questionnaireSum, symptoms } from '@/core/look';
import { capital } from '@/core/reasons';
import { ChoiceChips } from '@/parts/Chips';
import { ProvenanceMark } from '@/parts/Provenance';
import { Slider } from '@/parts/Slider';
import { type LookView } from '../view';
import { LookError } from '../taking/LookError';
import { useLook } from '../taking/useLook';

const breathlessRows = [
  ['breathlessNow', 'Breathless now'],
  ['breathlessEffort', 'Breathless on effort'],
] as const;

/** Sixteen symptoms, read out; the sum with its two published cuts. */
export function QuestionnaireLook({ view }: { view: LookView }) {
  const { raw, save, error } = useLook(view, 'questionnaire');
  const { sum, answered, above23, above19, most } = questionnaireSum(raw.answers);
  const set = (index: number, value: number) =>
    save({ ...raw, answers: raw.answers.map((answer, i) => (i === index ? value : answer)) });
  return (
    <div className="space-y-5">
      <p className="text-sm text-ink2">{oftenWords.map((words, i) => `${i} ${words}`).join(' · ')}</p>
      <ul className="grid gap-x-10 xl:grid-cols-2">
        {symptoms.map((symptom, i) => (
          <li key={symptom} className="flex flex-wrap items-center justify-between gap-x-3 border-t border-rule py-1">
            <span aria-hidden className="min-w-0 flex-[1_1_6rem]">
              {capital(symptom)}
            </span>
            <div className="w-[13.75rem] shrink-0">
              <ChoiceChips
                label={capital(symptom)}
                hideLabel
                value={raw.answers[i] === null ? null : String(raw.answers[i])}
                choices={oftenWords.map((words, grade) => ({
                  value: String(grade),
                  label: (
                    <span>
                      {grade}
                      <span className="sr-only"> {words}</span>
                    </span>
                  ),
                }))}
                onChange={(value) => set(i, Number(value))}
              />
            </div>
          </li>
        ))}
      </ul>
      <p role="status" className="text-lg">
        <span className="text-3xl font-semibold">{sum}</span> of 64, {answered} of 16 asked.{' '}
        {above23
          ? 'Above 23: worth showing to a clinician.'
          : above19
            ? 'Above 19, the lower cut argued for in European samples; not above 23.'
            : answered === 16
              ? 'At or below both cuts.'
              : `It can still come to ${most}.`}{' '}
        <ProvenanceMark provenance={questionnaireProvenance} />
      </p>
      <div className="grid max-w-3xl gap-8 md:grid-cols-2">
        {breathlessRows.map(([key, label]) => (
          <Slider
            key={key}
            label={label}
            value={raw[key]}
            min={0}
            max={10}
            step={1}
            low="not at all"
            high="as much as can be"
            onChange={(value) => save({ ...raw, [key]: value })}
          />
        ))}
      </div>
      {(raw.breathlessNow ?? 0) >= 3 && (
        <p className="border-l-4 border-caution pl-3">
          Breathless at rest is a red flag: ask about it on Screen before anything else.
        </p>
      )}
      <LookError error={error} />
    </div>
  );
}
