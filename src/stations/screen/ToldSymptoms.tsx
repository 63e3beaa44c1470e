'use client';

import { dayInWords } from '@/core/record';
import { capital, listed } from '@/core/reasons';
import {
  type ConditionId,
  type SymptomId,
  type Symptoms,
  askedBySymptoms,
  conditionById,
  mostLeaks,
  symptomIds,
  symptomInWords,
  symptomsInWords,
} from '@/core/safety';
import { Button } from '@/parts/Button';
import { ChoiceChips, TickChips } from '@/parts/Chips';
import { useDraft } from '@/parts/useDraft';
import { useFact } from '../useFact';
import { type ClientView } from '../view';

const leakChoices = Array.from({ length: mostLeaks + 1 }, (_, leaks) => ({
  value: String(leaks),
  label: leaks === 0 ? 'None' : leaks === mostLeaks ? `${leaks} or more` : String(leaks),
}));

/** Leaks and symptoms since the last time, a line a visit: asked anew on each day, kept by its day, followed in Track. */
export function ToldSymptoms({ view }: { view: ClientView }) {
  const { latest, symptoms, profile } = view.known;
  const fact = useFact(view.id, 'symptoms', latest.symptoms);
  const told = latest.symptoms;
  const ofToday = told?.day === view.today;
  const { value: now, change } = useDraft<Symptoms>(ofToday ? symptoms : { leaks: null, signs: null }, fact.record, {
    typed: false,
  });
  const asked = askedBySymptoms(now, profile.answers);
  // How it was last time stands beside the question, and is no answer to it.
  const lastTime = (part: Partial<Symptoms>) => {
    const words = told && !ofToday ? symptomsInWords({ leaks: null, signs: null, ...part }) : '';
    return words === '' ? '' : ` (${dayInWords(told!.day, view.today)}: ${words})`;
  };
  return (
    <div className="space-y-3">
      <ChoiceChips
        label={`Leaks in the last seven days${lastTime({ leaks: symptoms.leaks })}`}
        value={now.leaks === null ? null : String(now.leaks)}
        choices={leakChoices}
        onChange={(leaks) => change({ ...now, leaks: Number(leaks) })}
      />
      <TickChips<SymptomId | 'none'>
        label={`And besides${lastTime({ signs: symptoms.signs })}`}
        values={now.signs === null ? [] : now.signs.length === 0 ? ['none'] : [...now.signs]}
        choices={[
          { value: 'none', label: 'None of these' },
          ...symptomIds.map((value) => ({ value, label: capital(symptomInWords(value)) })),
        ]}
        onChange={(next) => {
          const none = next.includes('none') && now.signs?.length !== 0;
          const signs = none ? [] : next.filter((id) => id !== 'none');
          // The last one taken off again: not asked, rather than asked and none.
          change({ ...now, signs: signs.length === 0 && !none ? null : signs });
        }}
      />
      {asked.length > 0 && (
        <div role="status" className="border-l-4 border-caution pl-3">
          <p>
            ▲ What they tell speaks for {listed(asked.map((id) => `“${conditionById(id).name}”`))}, which is not marked.
          </p>
          <div className="mt-1 flex flex-wrap gap-2">
            {asked.map((id) => (
              <Mark key={id} view={view} id={id} />
            ))}
          </div>
        </div>
      )}
      {fact.error && (
        <p role="alert" className="font-semibold">
          {fact.error}
        </p>
      )}
    </div>
  );
}

/** Answers a question of Screen with yes, from where what was told speaks for it. */
function Mark({ view, id }: { view: ClientView; id: ConditionId }) {
  const { record } = useFact(view.id, `answer:${id}`, view.known.latest[`answer:${id}`], { shownHere: false });
  return <Button onClick={() => void record({ value: 'yes' })}>Mark {conditionById(id).name}</Button>;
}
