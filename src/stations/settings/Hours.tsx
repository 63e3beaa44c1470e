'use client';

import { useState } from 'react';
import { clockTyped, timeOf, minuteOf } from '@/core/diary';
import { type Hours, type Settings, type WeekStart, inWeekOrder } from '@/core/record';
import { ChoiceChips } from '@/parts/Chips';
import { Field, TextInput } from '@/parts/Field';

const days = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;
const fresh = { from: '09:00', to: '17:00' };

/** When the rooms are open, day by day. */
export function OpenHours({
  hours,
  weekStart,
  error,
  onSave,
}: {
  hours: Settings['hours'];
  weekStart: WeekStart;
  error: string | null;
  onSave: (hours: Hours) => void;
}) {
  const set = (day: number, open: Hours[number]) => onSave(hours.map((was, at) => (at === day ? open : was)));
  return (
    <section aria-labelledby="hours" className="border-t border-ink pt-4">
      <h2 id="hours" className="text-lg">
        When the rooms are open
      </h2>
      <p className="text-ink2">A booking outside these hours is said, not forbidden.</p>
      <ul className="mt-2">
        {inWeekOrder(
          days.map((name, day) => ({ name, day })),
          weekStart,
        ).map(({ name, day }) => {
          const open = hours[day] ?? null;
          return (
            <li key={name} className="flex min-h-16 flex-wrap items-center gap-4 border-t border-rule py-2">
              <span className="w-28 font-semibold">{name}</span>
              <ChoiceChips
                label={name}
                hideLabel
                value={open ? 'open' : 'closed'}
                choices={[
                  { value: 'open', label: 'Open' },
                  { value: 'closed', label: 'Closed' },
                ]}
                onChange={(next) => set(day, next === 'closed' ? null : (open ?? fresh))}
              />
              {open && (
                <>
                  <Hour label={`${name} from`} value={open.from} onSave={(from) => set(day, withFrom(open, from))} />
                  <Hour label={`${name} to`} value={open.to} onSave={(to) => set(day, withTo(open, to))} />
                </>
              )}
            </li>
          );
        })}
      </ul>
      {error && (
        <p role="alert" className="mt-2 font-semibold">
          {error}
        </p>
      )}
    </section>
  );
}

type Open = NonNullable<Hours[number]>;

/** Opening later than it closes, a day closes an hour after it opens; and the other way round. */
const withFrom = ({ to }: Open, from: string): Open => ({
  from,
  to: from < to ? to : timeOf(Math.min(24 * 60 - 1, minuteOf(from) + 60)),
});
const withTo = ({ from }: Open, to: string): Open => ({
  from: from < to ? from : timeOf(Math.max(0, minuteOf(to) - 60)),
  to,
});

/** A time that is saved when it is one. */
function Hour({ label, value, onSave }: { label: string; value: string; onSave: (time: string) => void }) {
  const [typed, setTyped] = useState<string | null>(null);
  const clock = clockTyped(typed ?? value);
  return (
    <Field label={label} error={clock === null ? 'Give a time, like 09:00.' : null}>
      {(ids) => (
        <TextInput
          {...ids}
          className="w-24!"
          inputMode="numeric"
          autoComplete="off"
          value={typed ?? value}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={() => {
            if (clock === null) return;
            setTyped(null);
            if (clock !== value) onSave(clock);
          }}
        />
      )}
    </Field>
  );
}
