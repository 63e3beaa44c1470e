'use client';

import { Minus, Plus } from 'lucide-react';
import { useEffect, useState } from 'react';
import {
  type Booking,
  type Diary,
  type Rooms,
  clockTyped,
  freeOn,
  instantAt,
  minuteOf,
  placing,
  placingInWords,
  repeated,
  stretchInWords,
  timeOf,
  weekdayName,
} from '@/core/diary';
import { dayIn, dayInWords } from '@/core/record';
import { newId, send } from '@/keep';
import { Button } from '@/parts/Button';
import { ChoiceChips } from '@/parts/Chips';
import { DayPicker } from '@/parts/DayPicker';
import { Field, TextInput } from '@/parts/Field';
import { Leave, Over } from '@/parts/Over';
import { say } from '@/parts/say';
import { Stepper } from '@/parts/Stepper';
import { PersonPicker } from './PersonPicker';
import { useDiary } from './useDiary';

/** What a booking is to be. Kept while the form is closed, so that a slip of the finger costs no words. */
export interface Wanted {
  client: { id: string; name: string } | null;
  day: string;
  time: string;
  minutes: number;
  note: string;
  /** Weeks apart, 0 for once. */
  every: 0 | 1 | 2 | 4;
  times: number;
  /** The booking that is changed, or null for a new one. */
  changes: Booking | null;
  /** The entry of the waiting list it is for. */
  waitingId: string | null;
}

const intervals = [
  ['0', 'Once'],
  ['1', 'Every week'],
  ['2', 'Every 2 weeks'],
  ['4', 'Every 4 weeks'],
] as const;

const mostTimes = 26;

interface Fetched {
  key: string;
  diary: Diary | 'out of reach';
}

/** Bookings of some days, which the page need not have been made with; what the page knows until they are there. */
function useBookings(first: string, last: string, shown: Diary): { bookings: readonly Booking[]; reached: boolean } {
  const key = `${first} ${last}`;
  const [fetched, setFetched] = useState<Fetched | null>(null);
  useEffect(() => {
    const abort = new AbortController();
    fetch(`/api/diary?from=${first}&to=${last}`, { signal: abort.signal })
      .then((response) => response.json() as Promise<Pick<Diary, 'bookings' | 'asOf'>>)
      .then(({ bookings, asOf }) => setFetched({ key, diary: { bookings, asOf, waiting: [], notes: [] } }))
      .catch(() => !abort.signal.aborted && setFetched({ key, diary: 'out of reach' }));
    return () => abort.abort();
  }, [first, last, key]);
  const current = fetched?.key === key ? fetched.diary : null;
  const there = useDiary(current === null || current === 'out of reach' ? shown : current);
  return { bookings: there.bookings, reached: current !== 'out of reach' };
}

/** Books somebody for a time, once or again and again; or changes a booking. Says what stands against it before it is done. */
export function BookingForm({
  wanted,
  onChange,
  onClose,
  onBooked,
  diary,
  rooms,
}: {
  wanted: Wanted;
  onChange: (wanted: Wanted) => void;
  onClose: () => void;
  onBooked: () => void;
  /** What the page shows. */
  diary: Diary;
  rooms: Rooms;
}) {
  const { client, day, time, minutes, note, every, times, changes, waitingId } = wanted;
  const [error, setError] = useState<{ who?: string; time?: string }>({});
  const today = dayIn(rooms.now, rooms.zone);
  const set = (part: Partial<Wanted>) => onChange({ ...wanted, ...part });
  const days = repeated(day, Math.max(1, every), every === 0 ? 1 : times);
  const { bookings, reached } = useBookings(day, days.at(-1)!, diary);
  const clock = clockTyped(time);
  const placed =
    clock !== null
      ? days.map((on) => {
          const from = minuteOf(clock);
          const wish = { day: on, from, to: from + minutes, clientId: client?.id ?? null };
          return { on, placing: placing({ ...wish, moving: changes?.id ?? null }, bookings, rooms) };
        })
      : [];
  const against = placed.filter(({ placing: { against: why } }) => why.length > 0);
  const free = freeOn(day, bookings, rooms);

  const book = () => {
    const wrong = {
      ...(client ? {} : { who: 'Choose who comes.' }),
      ...(clock !== null ? {} : { time: 'Give a time, like 14:30.' }),
    };
    setError(wrong);
    if (!client || clock === null) return;
    const when = `${weekdayName(day)} ${dayInWords(day, today)}, ${clock}`;
    const at = (on: string) => instantAt(on, minuteOf(clock), rooms.zone);
    if (changes) {
      const back = { startsAt: changes.startsAt, minutes: changes.minutes, note: changes.note };
      const next = { startsAt: at(day), minutes, note: note.trim() };
      send('appointment.change', { appointmentId: changes.id, ...next, seen: changes.startsAt });
      say(`${client.name}: ${when}.`, () =>
        send('appointment.change', { appointmentId: changes.id, ...back, seen: next.startsAt }),
      );
    } else {
      const made = days.map((on) => ({ id: newId(), startsAt: at(on) }));
      const seriesId = made.length > 1 ? newId() : null;
      for (const { id, startsAt } of made) {
        const payload = { appointmentId: id, clientId: client.id, startsAt, minutes, note: note.trim(), seriesId };
        send('appointment.add', payload);
      }
      if (waitingId) send('waiting.remove', { waitingId });
      const words = made.length > 1 ? `${when}, and ${made.length - 1} more` : when;
      say(`${client.name} is booked: ${words}.`, () => {
        for (const { id } of made) send('appointment.cancel', { appointmentId: id, how: 'cancelled', reason: '' });
        if (waitingId) send('waiting.restore', { waitingId });
      });
    }
    onBooked();
  };

  return (
    <Over
      title={changes ? `Change the booking of ${changes.name}` : client ? `Book ${client.name}` : 'Book a time'}
      onClose={onClose}
    >
      <form
        className="mt-4 grid gap-x-8 gap-y-4 md:grid-cols-[20rem_1fr]"
        onSubmit={(event) => {
          event.preventDefault();
          book();
        }}
      >
        <DayPicker day={day} today={today} onChange={(next) => set({ day: next })} />
        <div className="space-y-4">
          {!changes &&
            (client ? (
              <p className="flex items-center justify-between gap-3">
                <span className="text-lg font-semibold">{client.name}</span>
                <Button look="quiet" onClick={() => set({ client: null, waitingId: null })}>
                  Somebody else
                </Button>
              </p>
            ) : (
              <PersonPicker
                label="Who comes"
                error={error.who ?? null}
                onChoose={(person) => {
                  setError(({ time: kept }) => (kept ? { time: kept } : {}));
                  set({ client: person });
                }}
              />
            ))}
          <div className="flex flex-wrap items-start gap-4">
            <TimeField
              label={`${weekdayName(day)} ${dayInWords(day, today)}, at`}
              value={time}
              error={error.time ?? null}
              onChange={(next) => set({ time: next })}
            />
            <Stepper
              label="For"
              value={minutes}
              unit="min"
              min={5}
              max={240}
              step={5}
              onChange={(next) => set({ minutes: next })}
            />
          </div>
          {reached ? (
            <div className="flex flex-wrap items-center gap-2">
              <span className="text-sm text-ink2">
                {free.length > 0 ? 'Free that day' : 'Nothing is free within the open hours that day.'}
              </span>
              {free.map((gap) => (
                <button
                  key={gap.from}
                  type="button"
                  className="min-h-11 rounded-one border border-line px-3 hover:bg-leaf"
                  onClick={() => set({ time: timeOf(gap.from) })}
                >
                  {stretchInWords(gap)}
                </button>
              ))}
            </div>
          ) : (
            <p className="text-ink2">What else is booked that day can’t be seen just now.</p>
          )}
          <Field label="To remember for it">
            {(ids) => (
              <TextInput
                {...ids}
                maxLength={300}
                placeholder="such as: bring the half-dome"
                value={note}
                onChange={(event) => set({ note: event.target.value })}
              />
            )}
          </Field>
          {!changes && (
            <div className="flex flex-wrap items-end gap-4">
              <ChoiceChips
                label="How often"
                value={String(every)}
                choices={intervals.map(([value, label]) => ({ value: value as string, label }))}
                onChange={(next) => set({ every: Number(next) as Wanted['every'] })}
              />
              {every > 0 && (
                <Stepper
                  label="Times in all"
                  value={times}
                  min={2}
                  max={mostTimes}
                  onChange={(next) => set({ times: next })}
                />
              )}
            </div>
          )}
          <div role="status" className="space-y-1">
            {days.length === 1 && placed[0] && (
              <p className={against.length > 0 ? 'font-semibold text-caution' : ''}>
                {placingInWords(placed[0].placing)}
              </p>
            )}
            {days.length > 1 && (
              <p>
                {days.length} times, the last on {dayInWords(days.at(-1)!, today)}.
                {against.length === 0 && placed.length > 0 && ' Nothing stands against any of them.'}
              </p>
            )}
            {days.length > 1 &&
              against.map(({ on, placing: found }) => (
                <p key={on} className="font-semibold text-caution">
                  {dayInWords(on, today)}: {found.against.join(' ')}
                </p>
              ))}
          </div>
          <div className="flex flex-wrap gap-3">
            <Button type="submit" look="strong">
              {changes ? 'Save' : 'Book'}
              {against.length > 0 && ' all the same'}
            </Button>
            <Leave>
              <Button>Leave it</Button>
            </Leave>
          </div>
        </div>
      </form>
    </Over>
  );
}

const step = 15;

/** A time of day: typed, or turned by a quarter of an hour. */
function TimeField({
  label,
  value,
  error,
  onChange,
}: {
  label: string;
  value: string;
  error: string | null;
  onChange: (time: string) => void;
}) {
  const turn = (minutes: number) => {
    const clock = clockTyped(value);
    if (clock !== null) onChange(timeOf((((minuteOf(clock) + minutes) % 1440) + 1440) % 1440));
  };
  const button = 'grid size-11 shrink-0 place-items-center border border-ink hover:bg-leaf';
  return (
    <Field label={label} error={error}>
      {(ids) => (
        <div className="flex">
          <button type="button" aria-label="Earlier" className={`${button} rounded-l-one`} onClick={() => turn(-step)}>
            <Minus size={18} aria-hidden />
          </button>
          <TextInput
            {...ids}
            className="w-20! rounded-none! border-x-0! border-ink! text-center font-semibold"
            inputMode="numeric"
            autoComplete="off"
            placeholder="14:30"
            value={value}
            onChange={(event) => onChange(event.target.value)}
            onBlur={() => onChange(clockTyped(value) ?? value)}
          />
          <button type="button" aria-label="Later" className={`${button} rounded-r-one`} onClick={() => turn(step)}>
            <Plus size={18} aria-hidden />
          </button>
        </div>
      )}
    </Field>
  );
}
