'use client';

import { OctagonX, TriangleAlert } from 'lucide-react';
import { Link } from '@/parts/Link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { type Booking, type DayVisit, type NextNote, timeIn } from '@/core/diary';
import { newId, send } from '@/keep';
import { Button, LinkButton } from '@/parts/Button';
import { NextNotes } from '../diary/NextNotes';
import { NotComing } from '../diary/NotComing';
import { type Expecting } from '../diary/view';

/** One booking of a day: when, who, what to mind, what they need, and the way on. */
export function DayRow({
  booking,
  visit,
  expecting,
  notes,
  zone,
  when,
  onChange,
}: {
  booking: Booking;
  /** The visit that came of it, or null. */
  visit: DayVisit | null;
  /** Null for somebody the page was not made with. */
  expecting: Expecting | null;
  notes: readonly NextNote[];
  zone: string;
  /** Whether the day is over, going on, or to come. */
  when: 'past' | 'today' | 'to come';
  onChange: () => void;
}) {
  const { name, clientId, startsAt, minutes, note, off } = booking;
  return (
    <li className="grid grid-cols-[4.5rem_1fr] gap-x-4 border-b border-rule py-3 md:grid-cols-[4.5rem_minmax(0,1fr)_auto] lg:grid-cols-[4.5rem_14rem_1fr_auto]">
      <span className={`font-mono text-xl ${off ? 'text-ink2 line-through' : ''}`}>{timeIn(startsAt, zone)}</span>
      <span className="text-lg font-semibold">
        <Link href={`/clients/${clientId}`} className={`hover:underline ${off ? 'text-ink2 line-through' : ''}`}>
          {name}
        </Link>
        <span className="block text-sm font-normal text-ink2">
          {minutes} min{note && `, ${note}`}
        </span>
      </span>
      {off ? (
        <p className="text-ink2 max-md:col-span-2 md:max-lg:col-start-2 md:max-lg:row-start-2">
          {off.how === 'cancelled' ? 'Called off' : 'Did not come'}
          {off.reason && `: ${off.reason}`}.
        </p>
      ) : (
        <div className="max-md:col-span-2 md:max-lg:col-start-2 md:max-lg:row-start-2">
          <Expected expecting={expecting} />
          <NextNotes notes={notes} />
        </div>
      )}
      <div className="flex flex-wrap items-start gap-2 max-md:col-span-2 md:max-w-80 md:justify-end md:max-lg:col-start-3 md:max-lg:row-span-2 md:max-lg:row-start-1">
        {off ? (
          <Button onClick={() => send('appointment.restore', { appointmentId: booking.id })}>
            Bring it back<span className="sr-only">: {name}</span>
          </Button>
        ) : (
          <WayOn booking={booking} visit={visit} zone={zone} when={when} onChange={onChange} />
        )}
      </div>
    </li>
  );
}

function Expected({ expecting }: { expecting: Expecting | null }) {
  if (!expecting) return null;
  const { cautions, closed, needs } = expecting;
  return (
    <>
      {cautions.length > 0 && (
        <p className="flex items-center gap-1.5 font-semibold text-caution">
          <TriangleAlert size={16} aria-hidden className="shrink-0" />
          {cautions.join(' · ')}
        </p>
      )}
      {needs.map((need, i) => (
        <p key={need} className={closed && i === 0 ? 'flex items-center gap-1.5 font-semibold' : ''}>
          {closed && i === 0 && <OctagonX size={16} aria-hidden className="shrink-0 text-stop" />}
          {need}
        </p>
      ))}
    </>
  );
}

function WayOn({
  booking,
  visit,
  zone,
  when,
  onChange,
}: {
  booking: Booking;
  visit: DayVisit | null;
  zone: string;
  when: 'past' | 'today' | 'to come';
  onChange: () => void;
}) {
  const router = useRouter();
  const [begun, setBegun] = useState(false);
  const { clientId, name } = booking;
  const begin = () => {
    // Pressed twice it begins once; nothing is waited for, the pages show the visit from now on.
    if (!visit && !begun) send('visit.start', { visitId: newId(), clientId });
    setBegun(true);
    router.push(`/clients/${clientId}`);
  };
  const change = (
    <Button look="quiet" onClick={onChange}>
      Change<span className="sr-only"> the booking of {name}</span>
    </Button>
  );
  if (when === 'past') {
    return visit ? (
      <LinkButton href={`/clients/${clientId}/visit/${visit.id}`}>The visit</LinkButton>
    ) : (
      <NotComing booking={booking} zone={zone} />
    );
  }
  return (
    <>
      {when === 'today' && (
        <Button look={visit?.endedAt ? 'plain' : 'strong'} onClick={begin}>
          {!visit ? 'Begin' : visit.endedAt ? 'Open' : 'Resume'}
          <span className="sr-only">: {name}</span>
        </Button>
      )}
      {!visit && (
        <>
          {change}
          <NotComing booking={booking} zone={zone} />
        </>
      )}
    </>
  );
}
