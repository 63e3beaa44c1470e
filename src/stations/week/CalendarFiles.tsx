'use client';

import dynamic from 'next/dynamic';
import { useRef, useState } from 'react';
import { type Booking, type Rooms, mostCalendarCharacters } from '@/core/diary';
import { Beside, opener } from '@/parts/Beside';
import { Button, LinkButton } from '@/parts/Button';
import { type Read } from './CalendarReading';
import { patiently } from '@/parts/patiently';
import { useShield } from '@/parts/shield';

// What reads calendar files is heavy, and seldom wanted; a file is read against the server, so it must be there anyway.
const CalendarReading = dynamic(
  () => patiently(() => import('./CalendarReading')).then(({ CalendarReading }) => CalendarReading),
  { ssr: false },
);

/** Bookings out to other calendars, and in from them. */
export function CalendarFiles({ rooms, bookings }: { rooms: Rooms; bookings: readonly Booking[] }) {
  const [open, setOpen] = useState(false);
  const [read, setRead] = useState<Read | null>(null);
  const [error, setError] = useState<string | null>(null);
  const file = useRef<HTMLInputElement>(null);
  useShield(read !== null);
  const anchor = useRef<HTMLButtonElement>(null);

  const take = async (chosen: File) => {
    setError(null);
    try {
      if (chosen.size > mostCalendarCharacters)
        throw new Error('This file is larger than 4 MB. Export a shorter time.');
      const { readFile } = await import('./CalendarReading');
      setRead(await readFile(await chosen.text(), rooms, bookings));
      setOpen(false);
    } catch (wrong) {
      setError(wrong instanceof Error ? wrong.message : 'This file can’t be read.');
    }
  };

  return (
    <>
      <Button ref={anchor} {...opener(open, setOpen)}>
        Calendar file
      </Button>
      <Beside
        anchor={anchor}
        open={open}
        onOpenChange={setOpen}
        label="Bookings as a calendar file"
        className="z-40 w-96 space-y-3 p-4"
      >
        <p className="text-ink2">
          Bookings of the last four weeks and all to come, as iCalendar. They carry names: keep the file as you keep
          your records.
        </p>
        <LinkButton href="/api/calendar" download="bookings.ics">
          Save as a file
        </LinkButton>
        <p className="text-ink2">What another calendar knows is shown first; nothing is booked before you say so.</p>
        <Button onClick={() => file.current?.click()}>Read a file</Button>
        <input
          ref={file}
          type="file"
          accept=".ics,text/calendar"
          aria-label="A calendar file"
          className="sr-only"
          tabIndex={-1}
          onChange={(event) => {
            const chosen = event.target.files?.[0];
            event.target.value = '';
            if (chosen) void take(chosen);
          }}
        />
        {error && (
          <p role="alert" className="font-semibold">
            {error}
          </p>
        )}
      </Beside>
      {read && <CalendarReading read={read} rooms={rooms} onChange={setRead} onClose={() => setRead(null)} />}
    </>
  );
}
