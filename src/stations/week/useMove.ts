'use client';

import { useState } from 'react';
import { type Booking, type Diary, type Rooms, instantAt, minuteIn, placing, timeOf, weekdayName } from '@/core/diary';
import { addDays, dayIn, dayInWords } from '@/core/record';
import { send } from '@/keep';
import { say } from '@/parts/say';

/** A booking lifted off its place, and where it would go. */
export interface Lifted {
  booking: Booking;
  day: string;
  minute: number;
}

const lastStart = 24 * 60 - 15;

/**
 * Moving a booking: lifted by dragging or by keys, its consequences told, put down only when that is said.
 *
 * @param days those shown: only of them is known who is booked, so none is moved beyond
 */
export function useMove(diary: Diary, rooms: Rooms, days: readonly string[]) {
  const [lifted, setLifted] = useState<Lifted | null>(null);
  const { zone } = rooms;
  const [first, last] = [days[0]!, days.at(-1)!];
  const from = (booking: Booking) => ({
    booking,
    day: dayIn(booking.startsAt, zone),
    minute: minuteIn(booking.startsAt, zone),
  });
  const put = () => {
    if (!lifted) return;
    const { booking, day, minute } = lifted;
    const { id: appointmentId, startsAt, minutes, note, name } = booking;
    const next = { startsAt: instantAt(day, minute, zone), minutes, note };
    setLifted(null);
    if (next.startsAt === startsAt) return;
    send('appointment.change', { appointmentId, ...next, seen: startsAt });
    say(`${name} is now on ${weekdayName(day)}, ${timeOf(minute)}.`, () =>
      send('appointment.change', { appointmentId, startsAt, minutes, note, seen: next.startsAt }),
    );
  };
  return {
    lifted,
    to: (booking: Booking, day: string, minute: number) =>
      setLifted({ booking, day, minute: Math.min(lastStart, Math.max(0, minute)) }),
    /** By minutes and days from where it is, or would go. */
    by: (booking: Booking, minutes: number, days: number) => {
      const reached = (now: Lifted | null) => (now?.booking.id === booking.id ? now : from(booking));
      const beyond = addDays(reached(lifted).day, days);
      if (beyond < first)
        say(`The week begins here. To move ${booking.name} to one before, press Change on the booking.`);
      if (beyond > last)
        say(`The week ends here. To move ${booking.name} to a later one, press Change on the booking.`);
      setLifted((now) => {
        const at = reached(now);
        const day = addDays(at.day, days);
        return {
          booking,
          day: day < first || day > last ? at.day : day,
          minute: Math.min(lastStart, Math.max(0, at.minute + minutes)),
        };
      });
    },
    leave: () => setLifted(null),
    put,
    /** What it would mean, and the words for where it comes from and goes to. */
    told: lifted && {
      placing: placing(
        {
          day: lifted.day,
          from: lifted.minute,
          to: lifted.minute + lifted.booking.minutes,
          clientId: lifted.booking.clientId,
          moving: lifted.booking.id,
        },
        diary.bookings,
        rooms,
      ),
      to: `${weekdayName(lifted.day)} ${timeOf(lifted.minute)}`,
      from: whereInWords(lifted.booking, rooms),
    },
  };
}

export type Move = ReturnType<typeof useMove>;

/** @example 'Wed 14:00' */
function whereInWords({ startsAt }: Booking, { zone, now }: Rooms): string {
  const day = dayIn(startsAt, zone);
  return `${dayInWords(day, dayIn(now, zone))}, ${timeOf(minuteIn(startsAt, zone))}`;
}
