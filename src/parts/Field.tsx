'use client';

import { type ComponentProps, type ReactNode, useId } from 'react';
import { useHydrated } from './useHydrated';

const box =
  'w-full rounded-one border border-line bg-paper px-3 py-2 text-base text-ink placeholder:text-ink2 ' +
  'aria-[invalid=true]:border-2 aria-[invalid=true]:border-stop';

/** A labelled control with room for a hint and for one sentence when something is wrong. */
export function Field({
  label,
  hint,
  error,
  children,
}: {
  label: string;
  hint?: ReactNode;
  error?: string | null;
  children: (ids: { id: string; 'aria-describedby': string | undefined; 'aria-invalid': boolean }) => ReactNode;
}) {
  const id = useId();
  const described = [hint ? `${id}-hint` : '', error ? `${id}-error` : ''].filter(Boolean).join(' ');
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor={id} className="text-sm text-ink2">
        {label}
      </label>
      {children({ id, 'aria-describedby': described || undefined, 'aria-invalid': Boolean(error) })}
      {hint && (
        <p id={`${id}-hint`} className="text-sm text-ink2">
          {hint}
        </p>
      )}
      {error && (
        <p id={`${id}-error`} role="alert" className="text-sm font-semibold text-stop dark:text-ink">
          {error}
        </p>
      )}
    </div>
  );
}

export function TextInput({ className = '', ...rest }: ComponentProps<'input'>) {
  return <input className={`${box} min-h-11 ${className}`} {...rest} />;
}

export function TextArea({ className = '', ...rest }: ComponentProps<'textarea'>) {
  return <textarea className={`${box} ${className}`} {...rest} />;
}

export function Select({ className = '', ...rest }: ComponentProps<'select'>) {
  return <select className={`${box} min-h-11 ${className}`} {...rest} />;
}

/** One of many by name. With `none`, the words for choosing nothing, nothing can be chosen too. */
export function NamedSelect<T extends string>({
  label,
  value,
  choices,
  none,
  error,
  onChange,
}: {
  label: string;
  value: T | '';
  choices: readonly (readonly [T, string])[];
  none?: string;
  error?: string | null;
  onChange: (value: T | '') => void;
}) {
  // What is chosen before the page listens would show and be nowhere.
  const listening = useHydrated();
  return (
    <Field label={label} error={error ?? null}>
      {(ids) => (
        <Select
          {...ids}
          disabled={!listening}
          value={value}
          onChange={(event) => onChange(event.target.value as T | '')}
        >
          {none !== undefined && <option value="">{none}</option>}
          {choices.map(([id, name]) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </Select>
      )}
    </Field>
  );
}
