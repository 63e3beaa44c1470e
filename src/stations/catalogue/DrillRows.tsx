'use client';

import { type ReactNode } from 'react';
import { type Cue, type Range, cueKinds } from '@/core/catalogue';
import { Button } from '@/parts/Button';
import { Field, NamedSelect, TextInput } from '@/parts/Field';
import { Stepper } from '@/parts/Stepper';

export function Group({ title, children }: { title: string; children: ReactNode }) {
  return (
    <fieldset className="mt-6 border-t border-ink pt-3">
      <legend className="pr-3 text-lg font-semibold">{title}</legend>
      <div className="mt-2 grid gap-4">{children}</div>
    </fieldset>
  );
}

export const ErrorLine = ({ words }: { words: string | null }) =>
  words ? (
    <p role="alert" className="text-sm font-semibold text-stop dark:text-ink">
      {words}
    </p>
  ) : null;

export function RangeRow({
  label,
  value,
  step,
  onChange,
}: {
  label: string;
  value: Range;
  step: number;
  onChange: (value: Range) => void;
}) {
  return (
    <div className="flex flex-wrap items-end gap-3">
      <span className="w-48 pb-2.5">{label}</span>
      {(['min', 'start', 'max'] as const).map((end) => (
        <div key={end} className="w-24">
          <Field label={end === 'min' ? 'least' : end === 'max' ? 'most' : 'start'}>
            {(ids) => (
              <TextInput
                {...ids}
                type="number"
                min={0}
                step={step}
                value={Number.isFinite(value[end]) ? value[end] : ''}
                onChange={(event) => onChange({ ...value, [end]: event.target.valueAsNumber })}
                aria-label={`${label}, ${end === 'min' ? 'least' : end === 'max' ? 'most' : 'start'}`}
              />
            )}
          </Field>
        </div>
      ))}
    </div>
  );
}

export function CueRow({
  cue,
  index,
  onChange,
  onRemove,
}: {
  cue: Cue;
  index: number;
  onChange: (cue: Cue) => void;
  onRemove: () => void;
}) {
  return (
    <div className="flex flex-wrap items-end gap-3">
      <div className="w-64">
        <Field label={`Cue ${index + 1}`}>
          {(ids) => (
            <TextInput
              {...ids}
              value={cue.words}
              onChange={(event) => onChange({ ...cue, words: event.target.value })}
            />
          )}
        </Field>
      </div>
      <div className="w-40">
        <NamedSelect
          label={`Cue ${index + 1}, kind`}
          value={cue.kind}
          choices={cueKinds.map((kind) => [kind, kind] as const)}
          onChange={(kind) => kind && onChange({ ...cue, kind })}
        />
      </div>
      <div className="min-w-56 grow">
        <Field label={`Cue ${index + 1}, handle with care for`}>
          {(ids) => (
            <TextInput
              {...ids}
              value={cue.care ?? ''}
              placeholder="nobody in particular"
              onChange={(event) => onChange({ ...cue, care: event.target.value || null })}
            />
          )}
        </Field>
      </div>
      <Button look="quiet" onClick={onRemove}>
        Take off <span className="sr-only">cue {index + 1}</span>
      </Button>
    </div>
  );
}

export function Gains({
  names,
  values,
  onChange,
}: {
  names: readonly (readonly [id: string, name: string])[];
  values: Record<string, number>;
  onChange: (values: Record<string, number>) => void;
}) {
  return (
    <div className="flex flex-wrap gap-x-6 gap-y-3">
      {names.map(([id, name]) => (
        <Stepper
          key={id}
          label={name}
          value={values[id] ?? 0}
          min={0}
          max={3}
          onChange={(gain) => {
            const { [id]: _, ...rest } = values;
            onChange(gain === 0 ? rest : { ...rest, [id]: gain });
          }}
        />
      ))}
    </div>
  );
}
