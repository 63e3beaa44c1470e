'use client';

import { type ReactNode, useState } from 'react';
import { type RunEvent } from '@/core/coach';
import { emergencyBehind, stopSymptoms } from '@/core/safety';
import { Button } from '@/parts/Button';
import { TickChips } from '@/parts/Chips';
import { Field, TextInput } from '@/parts/Field';
import { Stepper } from '@/parts/Stepper';
import { useKeptValue } from '@/parts/useKept';
import { EmergencyCard } from '../EmergencyCard';

interface Draft {
  symptoms: string[];
  note: string;
  minutes: number | null;
}
const blank: Draft = { symptoms: [], note: '', minutes: null };

/** After a stop: breathe normally, what was noticed, and how it goes on. Nothing moves here. */
export function StopPanel({
  draftKey,
  name = null,
  emergencyNumber,
  hasEasier,
  touch,
  onSettled,
  onEmergency,
}: {
  draftKey: string;
  /** In a group: who stopped, the others going on. */
  name?: string | null;
  emergencyNumber: string;
  hasEasier: boolean;
  /** Consent to touch, in words, where nothing else on the screen says it. */
  touch?: ReactNode;
  onSettled: (event: Extract<RunEvent, { type: 'settled' }>) => void;
  /** A symptom turned out to be an emergency sign: it is logged, and that ends it for today. */
  onEmergency: (sign: string) => void;
}) {
  // What is ticked and typed is kept in the browser until it is settled.
  const [kept, setKept] = useKeptValue<Draft>(draftKey);
  const [asked, setAsked] = useState<string | null>(null);
  const draft = kept ?? blank;
  const change = (to: Partial<Draft>) => setKept({ ...draft, ...to });
  const settle = (then: 'go on' | 'easier' | 'end' | 'refer') => {
    setKept(null);
    onSettled({
      type: 'settled',
      symptoms: draft.symptoms,
      note: draft.note.slice(0, 2000),
      then,
      ...(draft.minutes === null ? {} : { seconds: draft.minutes * 60 }),
    });
  };
  const alone = name === null;
  const details = (
    <div className="flex flex-wrap items-end gap-x-8 gap-y-3">
      <Stepper
        label="Minutes until it had settled"
        value={draft.minutes ?? 0}
        min={0}
        max={60}
        onChange={(minutes) => change({ minutes })}
      />
      <div className="min-w-64 grow max-w-xl">
        <Field label="A few words, if you like">
          {(ids) => (
            <TextInput
              {...ids}
              value={draft.note}
              maxLength={2000}
              onChange={(event) => change({ note: event.target.value })}
            />
          )}
        </Field>
      </div>
    </div>
  );
  return (
    <section
      className={`flex h-full flex-col overflow-auto ${alone ? 'justify-center gap-5 p-6' : 'gap-3 border-t-2 border-stop pt-2'}`}
      aria-label={alone ? 'Stopped' : `${name} stopped`}
      data-panel
    >
      <div className="flex flex-wrap items-center justify-between gap-4">
        <h1 className={alone ? 'text-6xl lg:text-7xl' : 'text-2xl'}>
          {alone ? 'Breathe normally' : `${name}: breathe normally`}
        </h1>
        {touch}
      </div>
      <TickChips
        label="What was noticed"
        values={draft.symptoms}
        choices={stopSymptoms.map((value) => ({ value: value as string, label: value }))}
        onChange={(symptoms) => {
          const added = symptoms.find((symptom) => !draft.symptoms.includes(symptom));
          change({ symptoms });
          if (added && emergencyBehind[added]) setAsked(emergencyBehind[added]);
        }}
      />
      {alone && details}
      <div className="flex flex-wrap gap-3">
        {alone && (
          <>
            <Button look="strong" onClick={() => settle('end')}>
              Settled: end the drills for today
            </Button>
            <Button disabled={!hasEasier} onClick={() => settle('easier')}>
              Settled: go on easier
            </Button>
          </>
        )}
        {draft.symptoms.length === 0 && (
          <Button onClick={() => settle('go on')}>{alone ? 'It was nothing: go on' : 'Nothing: goes on'}</Button>
        )}
        {!alone && <Button onClick={() => settle('end')}>No more drills today</Button>}
        <Button onClick={() => settle('refer')}>End and refer</Button>
      </div>
      <EmergencyCard
        sign={asked}
        emergencyNumber={emergencyNumber}
        mistake="No emergency: back to what was noticed"
        onMistake={() => setAsked(null)}
        onHappening={(sign) => {
          setAsked(null);
          settle('refer');
          onEmergency(sign);
        }}
      />
      {/* Beside the pacer there is less room: what is due at once comes first. */}
      {!alone && details}
      <p className="max-w-3xl text-ink2">
        Not settling, or any emergency sign: call {emergencyNumber}. This drill stays out of plans until you have
        reviewed it.
      </p>
    </section>
  );
}
