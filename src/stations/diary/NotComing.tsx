'use client';

import { useRef, useState } from 'react';
import { type Booking, timeIn } from '@/core/diary';
import { type OffWay } from '@/core/record';
import { send } from '@/keep';
import { Beside, opener } from '@/parts/Beside';
import { Button } from '@/parts/Button';
import { Field, TextInput } from '@/parts/Field';
import { say } from '@/parts/say';

/** What is said most often; anything else is typed. */
const usualReasons = ['ill', 'work', 'the road', 'no reason given'] as const;

/** Takes a booking off the day: called off, or nobody came, with why. It stays readable, and can be brought back. */
export function NotComing({ booking, zone }: { booking: Booking; zone: string }) {
  const [open, setOpen] = useState(false);
  const anchor = useRef<HTMLButtonElement>(null);
  const [reason, setReason] = useState('');
  const { id: appointmentId, name, startsAt } = booking;
  const off = (how: OffWay) => {
    send('appointment.cancel', { appointmentId, how, reason: reason.trim() });
    say(`${name}, ${timeIn(startsAt, zone)}: ${how}.`, () => send('appointment.restore', { appointmentId }));
    setOpen(false);
  };
  return (
    <>
      <Button ref={anchor} look="quiet" {...opener(open, setOpen)}>
        Not coming<span className="sr-only">: {name}</span>
      </Button>
      <Beside
        anchor={anchor}
        open={open}
        onOpenChange={setOpen}
        label={`${name} is not coming`}
        className="z-40 w-96 space-y-3 p-4"
      >
        <div className="flex flex-wrap gap-2">
          {usualReasons.map((usual) => (
            <button
              key={usual}
              type="button"
              aria-pressed={reason === usual}
              className="min-h-11 rounded-one border border-line px-3 hover:bg-leaf aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-onink"
              onClick={() => setReason(reason === usual ? '' : usual)}
            >
              {usual}
            </button>
          ))}
        </div>
        <Field label="Why, if it was said">
          {(ids) => (
            <TextInput {...ids} maxLength={200} value={reason} onChange={(event) => setReason(event.target.value)} />
          )}
        </Field>
        <div className="flex flex-wrap gap-3">
          <Button look="strong" onClick={() => off('cancelled')}>
            Called off
          </Button>
          <Button onClick={() => off('did not come')}>Did not come</Button>
        </div>
      </Beside>
    </>
  );
}
