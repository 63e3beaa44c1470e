'use client';

import { memo } from 'react';
import { type Fact, type FactKey } from '@/core/safety';
import { Field, TextArea, TextInput } from '@/parts/Field';
import { useDraft } from '@/parts/useDraft';
import { sayTheSame } from '../sayTheSame';
import { useFact } from '../useFact';

/** A text about a client that saves itself while it is typed. */
export const FactText = memo(function FactText({
  clientId,
  factKey,
  label,
  hint,
  latest,
  lines = 1,
  placeholder,
}: {
  clientId: string;
  factKey: FactKey;
  label: string;
  hint?: string;
  latest: Fact | undefined;
  lines?: number;
  placeholder?: string;
}) {
  const stored = typeof latest?.value === 'string' ? latest.value : '';
  const { record, error } = useFact(clientId, factKey, latest);
  const { value, change, commit } = useDraft(stored, record);

  const Control = lines > 1 ? TextArea : TextInput;
  return (
    <Field label={label} hint={hint} error={error}>
      {(ids) => (
        <Control
          {...ids}
          {...(lines > 1 ? { rows: lines } : {})}
          value={value}
          placeholder={placeholder}
          onChange={(event: { target: { value: string } }) => change(event.target.value)}
          onBlur={commit}
        />
      )}
    </Field>
  );
}, sayTheSame);
