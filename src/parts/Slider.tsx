'use client';

import { Slider as Base } from 'radix-ui';
import { useId } from 'react';

/** A value on a ruled line. Until it was touched it shows no thumb position of its own: not asked is not zero. */
export function Slider({
  label,
  value,
  min,
  max,
  step,
  low,
  high,
  onChange,
  compact = false,
}: {
  label: string;
  value: number | null;
  min: number;
  max: number;
  step: number;
  low: string;
  high: string;
  onChange: (value: number) => void;
  /** One of many under each other: smaller figures, and the ends are not named again. */
  compact?: boolean;
}) {
  const id = useId();
  return (
    <div className={compact ? 'pt-1' : undefined}>
      <div className={`flex items-baseline justify-between ${compact ? '' : 'mb-2'}`}>
        <span id={id} className="text-sm text-ink2">
          {label}
        </span>
        <span className={compact ? 'font-semibold' : 'text-2xl font-semibold'}>{value ?? '–'}</span>
      </div>
      <Base.Root
        value={[value ?? (min + max) / 2]}
        min={min}
        max={max}
        step={step}
        onValueChange={([next]) => next !== undefined && onChange(next)}
        // A tap that lands on the middle, where an unasked value rests, is an answer too.
        onPointerUp={() => value === null && onChange(Math.round((min + max) / 2 / step) * step)}
        className="relative flex h-11 touch-none items-center select-none"
      >
        <Base.Track className="relative h-0.5 grow bg-ink" />
        <Base.Thumb
          aria-labelledby={id}
          aria-valuetext={value === null ? 'not asked yet' : String(value)}
          className={`relative block h-9 w-5 rounded-one border-2 border-ink after:absolute after:-inset-x-3.5 after:-inset-y-1.5 after:content-[''] ${value === null ? 'bg-paper' : 'bg-ink'}`}
        />
      </Base.Root>
      {!compact && (
        <div className="flex justify-between text-sm text-ink2">
          <span>{low}</span>
          <span>{high}</span>
        </div>
      )}
    </div>
  );
}
