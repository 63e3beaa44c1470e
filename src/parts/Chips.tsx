'use client';

import { ToggleGroup } from 'radix-ui';
import { type ReactNode, useId } from 'react';

export interface Choice<T extends string> {
  value: T;
  label: ReactNode;
}

const chip =
  'min-h-11 min-w-11 border border-ink px-2.5 py-1.5 text-base -ml-px first:ml-0 first:rounded-l-one last:rounded-r-one ' +
  'hover:bg-leaf focus-visible:relative focus-visible:z-10';

const loose =
  'min-h-11 rounded-one border border-line px-3 py-1.5 text-left text-base hover:bg-leaf data-[state=on]:border-ink';
const loud = 'data-[state=on]:bg-ink data-[state=on]:text-onink';
/** "Not seen" chosen is no answer yet: it must not shout louder than one. */
const quiet = 'data-[state=on]:bg-leaf data-[state=on]:text-ink2 data-[state=on]:shadow-[inset_0_-3px_0_var(--rule)]';
const unanswered: readonly string[] = ['not observed', 'unknown', 'x'];

/** With more letters than this a row of joined chips would break in two where it is narrow. */
const mostJoined = 52;

/** One choice of a few, as joined chips; a long row stands apart. Choosing the chosen one again leaves it chosen. */
export function ChoiceChips<T extends string>({
  label,
  value,
  choices,
  onChange,
  hideLabel = false,
  disabled = false,
  apart = false,
}: {
  label: string;
  value: T | null;
  choices: readonly Choice<T>[];
  onChange: (value: T) => void;
  hideLabel?: boolean;
  disabled?: boolean;
  /** Chips of their own, for choices too long to stand joined in one row. */
  apart?: boolean;
}) {
  const id = useId();
  const letters = choices.reduce(
    (sum, choice) => sum + (typeof choice.label === 'string' ? choice.label.length : 0),
    0,
  );
  const loosely = apart || letters > mostJoined;
  return (
    <div>
      <div id={id} className={hideLabel ? 'sr-only' : 'mb-1 text-sm text-ink2'}>
        {label}
      </div>
      <ToggleGroup.Root
        type="single"
        aria-labelledby={id}
        value={value ?? ''}
        disabled={disabled}
        onValueChange={(next) => next && onChange(next as T)}
        className={loosely ? 'flex flex-wrap gap-2' : 'inline-flex flex-wrap'}
      >
        {choices.map((choice) => (
          <ToggleGroup.Item
            key={choice.value}
            value={choice.value}
            className={`${loosely ? loose : chip} ${unanswered.includes(choice.value) ? quiet : loud}`}
          >
            {choice.label}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
    </div>
  );
}

/** Any number of a few. */
export function TickChips<T extends string>({
  label,
  values,
  choices,
  onChange,
  hideLabel = false,
}: {
  label: string;
  values: readonly T[];
  choices: readonly Choice<T>[];
  onChange: (values: T[]) => void;
  hideLabel?: boolean;
}) {
  const id = useId();
  return (
    <div>
      <div id={id} className={hideLabel ? 'sr-only' : 'mb-1 text-sm text-ink2'}>
        {label}
      </div>
      <ToggleGroup.Root
        type="multiple"
        aria-labelledby={id}
        value={[...values]}
        onValueChange={(next) => onChange(next as T[])}
        className="flex flex-wrap gap-2"
      >
        {choices.map((choice) => (
          <ToggleGroup.Item key={choice.value} value={choice.value} className={`${loose} ${loud}`}>
            {choice.label}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
    </div>
  );
}
