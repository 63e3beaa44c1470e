'use client';

import { Minus, Plus } from 'lucide-react';
import { useId } from 'react';

/** A number turned up and down by one step, for fingers that are busy. */
export function Stepper({
  label,
  value,
  unit = '',
  min,
  max,
  step = 1,
  narrow = false,
  onChange,
}: {
  label: string;
  value: number;
  unit?: string;
  min: number;
  max: number;
  step?: number;
  /** Two beside each other in a column of three. */
  narrow?: boolean;
  onChange: (value: number) => void;
}) {
  const id = useId();
  const to = (next: number) => onChange(Math.round(Math.min(max, Math.max(min, next)) * 100) / 100);
  const button =
    'grid size-11 place-items-center border border-ink hover:bg-leaf disabled:border-rule disabled:text-line';
  return (
    <div role="group" aria-labelledby={id}>
      <div id={id} className="mb-1 text-sm text-ink2">
        {label}
      </div>
      <div className="inline-flex items-stretch">
        <button
          type="button"
          className={`${button} rounded-l-one`}
          aria-label={`${label}: less`}
          disabled={value <= min}
          onClick={() => to(value - step)}
        >
          <Minus size={18} aria-hidden />
        </button>
        <output
          className={`grid place-items-center border-y border-ink font-semibold ${narrow ? 'min-w-13 px-1' : 'min-w-16 px-2'}`}
          aria-live="polite"
        >
          {value}
          {unit && ` ${unit}`}
        </output>
        <button
          type="button"
          className={`${button} rounded-r-one`}
          aria-label={`${label}: more`}
          disabled={value >= max}
          onClick={() => to(value + step)}
        >
          <Plus size={18} aria-hidden />
        </button>
      </div>
    </div>
  );
}
