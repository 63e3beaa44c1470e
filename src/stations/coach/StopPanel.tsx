'use client';

import { useState } from 'react';
import { type RunEvent } from '@/core/coach';
import { stopSymptoms } from '@/core/safety';
import { Button } from '@/parts/Button';
import { TickChips } from '@/parts/Chips';
import { Field, TextInput } from '@/parts/Field';

/** After a stop: breathe normally, what was noticed, and how it goes on. Nothing moves here. */
export function StopPanel({
  emergencyNumber,
  hasEasier,
  onSettled,
}: {
  emergencyNumber: string;
  hasEasier: boolean;
  onSettled: (event: Extract<RunEvent, { type: 'settled' }>) => void;
}) {
  const [symptoms, setSymptoms] = useState<string[]>([]);
  const [note, setNote] = useState('');
  const settle = (then: 'go on' | 'easier' | 'end' | 'refer') =>
    onSettled({ type: 'settled', symptoms, note: note.slice(0, 2000), then });
  return (
    <section className="flex h-full flex-col justify-center gap-6 overflow-auto p-6" aria-label="Stopped">
      <h1 className="text-6xl lg:text-7xl">Breathe normally</h1>
      <TickChips
        label="What was noticed"
        values={symptoms}
        choices={stopSymptoms.map((value) => ({ value: value as string, label: value }))}
        onChange={setSymptoms}
      />
      <div className="max-w-xl">
        <Field label="A few words, if you like">
          {(ids) => (
            <TextInput {...ids} value={note} maxLength={2000} onChange={(event) => setNote(event.target.value)} />
          )}
        </Field>
      </div>
      <div className="flex flex-wrap gap-3">
        <Button look="strong" onClick={() => settle('end')}>
          Settled: end the drills for today
        </Button>
        <Button disabled={!hasEasier} onClick={() => settle('easier')}>
          Settled: go on easier
        </Button>
        <Button onClick={() => settle('go on')}>It was nothing: go on</Button>
        <Button onClick={() => settle('refer')}>End and refer</Button>
      </div>
      <p className="max-w-3xl text-ink2">
        Not settling, or any emergency sign: call {emergencyNumber}. This drill stays out of plans until you have
        reviewed it.
      </p>
    </section>
  );
}
