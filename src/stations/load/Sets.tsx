'use client';

import { durationInWords } from '@/core/dose';
import { type LoadAnswer, type UsualSet, setTotals } from '@/core/load';
import { commonPractice } from '@/core/reasons';
import { ProvenanceMark } from '@/parts/Provenance';
import { Stepper } from '@/parts/Stepper';

/** What is done: sets and repetitions, and what they come to. */
export function Sets({
  answer,
  usual,
  sets,
  times,
  onChange,
  oneSided,
}: {
  answer: LoadAnswer;
  /** What is usually done with this load. */
  usual: UsualSet;
  sets: number;
  times: number;
  onChange: (part: { sets?: number; times?: number }) => void;
  oneSided: boolean;
}) {
  if (answer.strategy === 'steady') return null;
  const { repetitions, breaths, underTension, seconds } = setTotals(answer, {
    sets,
    repetitions: times,
    sides: oneSided ? 2 : 1,
    restSeconds: usual.restSeconds,
  });
  return (
    <section aria-label="Sets" className="mt-4 flex flex-wrap items-end gap-4 border-t border-rule pt-3">
      <Stepper label="Sets" value={sets} min={1} max={10} onChange={(next) => onChange({ sets: next })} />
      <Stepper
        label={oneSided ? 'Repetitions a side' : 'Repetitions'}
        value={times}
        min={1}
        max={usual.most}
        onChange={(next) => onChange({ times: next })}
      />
      <p className="pb-2">
        <strong>{repetitions} repetitions</strong>, {breaths} breaths, {durationInWords(underTension)} under tension,{' '}
        {durationInWords(seconds)} in all. {/* What can’t be done as heavy as that needs no advice how often. */}
        {!answer.tooHeavy && (
          <span className="text-ink2">
            {answer.strategy === 'with'
              ? 'Timing is learnt in sets of 20 to 25 light ones.'
              : `Few of them, and ${durationInWords(usual.restSeconds)} between sets.`}{' '}
            <ProvenanceMark provenance={commonPractice} />
          </span>
        )}
      </p>
    </section>
  );
}
