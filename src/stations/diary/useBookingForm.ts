'use client';

import { useState } from 'react';
import { minuteIn, timeOf } from '@/core/diary';
import { dayIn } from '@/core/record';
import { useKeptValue } from '@/parts/useKept';
import { type Wanted } from './BookingForm';
import { type DiaryView } from './view';

const usualBooking = 45;

/** What is asked for in the booking form, kept while it is closed. */
export function useBookingForm({ settings, today, now }: DiaryView) {
  const [kept, setKept] = useKeptValue<Wanted>('kokyu.booking');
  const [open, setOpen] = useState(false);
  const ask = ({ changes, ...part }: Partial<Wanted>) => {
    const { timeZone: zone } = settings;
    setOpen(true);
    if (changes) {
      const from = minuteIn(changes.startsAt, zone);
      setKept({
        client: { id: changes.clientId, name: changes.name },
        day: dayIn(changes.startsAt, zone),
        time: timeOf(from),
        minutes: changes.minutes,
        note: changes.note,
        every: 0,
        times: 2,
        waitingId: null,
        changes,
        ...part,
      });
      return;
    }
    const next = Math.min(23 * 60, Math.ceil((minuteIn(now, zone) + 1) / 15) * 15);
    const fresh = {
      client: null,
      day: today,
      time: timeOf(next),
      minutes: usualBooking,
      note: '',
      every: 0 as const,
      times: 6,
      waitingId: null,
      changes: null,
    };
    // What was typed before the form was closed is still there, unless it was for a booking that was changed.
    setKept({ ...(kept && !kept.changes ? kept : fresh), ...part, changes: null });
  };
  return {
    wanted: open ? kept : null,
    ask,
    form: {
      onChange: setKept,
      onClose: () => setOpen(false),
      onBooked: () => {
        setOpen(false);
        setKept(null);
      },
    },
  };
}
