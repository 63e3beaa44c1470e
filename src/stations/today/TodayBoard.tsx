'use client';

import { ChevronLeft, ChevronRight } from 'lucide-react';
import { Link } from '@/parts/Link';
import { useRouter } from 'next/navigation';
import { useCallback, useState } from 'react';
import { type Booking, timeOf, visitsOfBookings, weekdayName, freeOn, openOn } from '@/core/diary';
import { addDays, dayIn, dayInWords } from '@/core/record';
import { askAccess, send } from '@/keep';
import { Button, LinkButton } from '@/parts/Button';
import { EmptyState, Notice } from '@/parts/Notice';
import { closeRun } from '../live/closeRun';
import { BookingDialog } from '../diary/BookingDialog';
import { DayRow } from './DayRow';
import { useBookingForm } from '../diary/useBookingForm';
import { rememberName } from '../diary/names';
import { useDiary, useRooms, useTurnOver } from '../diary/useDiary';
import { type DiaryView } from '../diary/view';

interface Named {
  clientId: string;
  name: string;
  day: string;
}

type LeftVisit = Named & { id: string };

/** The front page: who comes on a day, what each needs, and a way in for whoever stands at the door. */
export function TodayBoard({
  view,
  day,
  walkIns,
  openRuns,
  leftOpen,
  unsigned,
  recent,
  clientCount,
  noticeSeen,
  isDemo,
  told = [],
  askPassphrase = false,
}: {
  view: DiaryView;
  /** The day shown; today unless another was asked for. */
  day: string;
  walkIns: Named[];
  openRuns: (Named & { runId: string; nextSeq: number })[];
  leftOpen: LeftVisit[];
  /** Ended and not signed yet. */
  unsigned: LeftVisit[];
  recent: { id: string; name: string }[];
  clientCount: number;
  noticeSeen: boolean;
  isDemo: boolean;
  /** What was found and done when the studio’s file was opened. */
  told?: readonly string[];
  /** Whether it was not asked yet if there is to be a passphrase. */
  askPassphrase?: boolean;
}) {
  const router = useRouter();
  const { today, expecting, settings } = view;
  const zone = settings.timeZone;
  const diary = useDiary(view.diary);
  const rooms = useRooms(view);
  const turn = useCallback(() => router.refresh(), [router]);
  useTurnOver(today, zone, turn);
  const { wanted, ask, form } = useBookingForm(view);

  const bookings = diary.bookings
    .filter(({ startsAt }) => dayIn(startsAt, zone) === day)
    .sort((a, b) => (a.startsAt < b.startsAt ? -1 : 1));
  const standing = bookings.filter(({ off }) => off === null);
  const when = day < today ? 'past' : day === today ? 'today' : 'to come';
  const visitOf = (booking: Booking) =>
    visitsOfBookings(
      standing.filter(({ clientId }) => clientId === booking.clientId),
      expecting[booking.clientId]?.visits ?? [],
    ).get(booking.id) ?? null;
  const addresses = (to: string) => (to === today ? '/' : `/?day=${to}`);

  return (
    <>
      <div className="mb-5">
        <div className="flex flex-wrap items-center justify-between gap-x-6 gap-y-2">
          <div className="flex items-center gap-1">
            <h1 className="text-3xl">
              {weekdayName(day)} {dayInWords(day, today)}
            </h1>
            <Link
              href={addresses(addDays(day, -1))}
              aria-label="The day before"
              className="ml-2 grid size-11 place-items-center rounded-one hover:bg-leaf"
            >
              <ChevronLeft size={22} aria-hidden />
            </Link>
            <Link
              href={addresses(addDays(day, 1))}
              aria-label="The day after"
              className="grid size-11 place-items-center rounded-one hover:bg-leaf"
            >
              <ChevronRight size={22} aria-hidden />
            </Link>
          </div>
          <div className="flex flex-wrap gap-2">
            {day !== today && <LinkButton href="/">Today</LinkButton>}
            <LinkButton href={day === today ? '/week' : `/week?of=${day}`}>Week</LinkButton>
            <Button onClick={() => ask({ day: when === 'past' ? today : day })}>Book a time</Button>
            <LinkButton href="/clients/new" look="strong">
              Walk-in: add a client
            </LinkButton>
          </div>
        </div>
        <p className="text-ink2">
          {standing.length === 0 ? 'Nobody is expected.' : `${standing.length} expected.`}{' '}
          {when !== 'past' && freeInWords(day, diary.bookings, rooms)}
          {isDemo && ' This is the demo studio; everybody in it is invented.'}
        </p>
      </div>

      {told.map((sentence) => (
        <div key={sentence} className="mb-5">
          <Notice kind="caution" title="Found when the studio was opened">
            {sentence}
          </Notice>
        </div>
      ))}
      {!noticeSeen && <FirstNotice />}
      {noticeSeen && askPassphrase && <AskPassphrase />}

      {bookings.length > 0 ? (
        <ol className="border-t border-ink">
          {bookings.map((booking) => (
            <DayRow
              key={booking.id}
              booking={booking}
              visit={booking.off ? null : visitOf(booking)}
              expecting={expecting[booking.clientId] ?? null}
              notes={diary.notes.filter(({ clientId, done }) => clientId === booking.clientId && !done)}
              zone={zone}
              when={when}
              onChange={() => ask({ changes: booking })}
            />
          ))}
        </ol>
      ) : (
        <EmptyState
          as="h2"
          title={
            clientCount === 0
              ? 'The studio is empty.'
              : `No one is booked for ${day === today ? 'today' : `${weekdayName(day)} ${dayInWords(day, today)}`}.`
          }
        >
          <LinkButton href="/clients/new">Add {clientCount === 0 ? 'your first' : 'a'} client</LinkButton>
          {clientCount > 0 && <LinkButton href="/clients">Find a client</LinkButton>}
        </EmptyState>
      )}

      <List title="Here without a booking" id="walkins" rows={walkIns}>
        {({ clientId, name }) => <NameLink id={clientId} name={name} />}
      </List>
      <List title="Runs left open" id="openruns" rows={openRuns}>
        {({ runId, name, day: begun, nextSeq }) => (
          <>
            <Link href={`/run/${runId}`} className="flex min-h-11 items-center hover:underline">
              {name}
              {begun === today ? '' : `, ${dayInWords(begun, today)}`}: go back to it
            </Link>
            <Button look="quiet" onClick={() => closeRun(runId, nextSeq)}>
              Close it with what was done
            </Button>
          </>
        )}
      </List>
      <List title="Visits left open" id="leftopen" rows={leftOpen}>
        {({ id, clientId, name, day: begun }) => (
          <>
            <Link href={`/clients/${clientId}/visit/${id}`} className="flex min-h-11 items-center hover:underline">
              {name}, begun {dayInWords(begun, today)}: note and sign it
            </Link>
            <Button look="quiet" onClick={() => send('visit.end', { visitId: id })}>
              End it as it is
            </Button>
          </>
        )}
      </List>
      <List title="Ended, not signed yet" id="unsigned" rows={unsigned}>
        {({ id, clientId, name, day: begun }) => (
          <Link href={`/clients/${clientId}/visit/${id}`} className="flex min-h-11 items-center hover:underline">
            {name}, {begun === today ? 'today' : dayInWords(begun, today)}: read and sign it
          </Link>
        )}
      </List>
      <List
        title={day === today ? 'Not booked today' : 'Not booked that day'}
        id="others"
        rows={when === 'past' ? [] : recent.filter(({ id }) => !standing.some(({ clientId }) => clientId === id))}
        beside={
          <Link href="/clients" className="flex min-h-11 items-center underline decoration-rule underline-offset-4">
            All {clientCount}
          </Link>
        }
      >
        {({ id, name }) => (
          <>
            <NameLink id={id} name={name} />
            <Button
              look="quiet"
              onClick={() => {
                rememberName(id, name);
                ask({ client: { id, name }, day });
              }}
            >
              Book<span className="sr-only"> {name}</span>
            </Button>
          </>
        )}
      </List>

      <nav aria-label="Elsewhere" className="mt-8 flex flex-wrap gap-x-6 border-t border-rule pt-2">
        {elsewhere.map(({ href, name }) => (
          <Link
            key={href}
            href={href}
            className="flex min-h-11 items-center underline decoration-rule underline-offset-4"
          >
            {name}
          </Link>
        ))}
      </nav>
      <BookingDialog {...form} wanted={wanted} diary={diary} rooms={rooms} />
    </>
  );
}

const elsewhere = [
  { href: '/group', name: 'Coach a group' },
  { href: '/catalogue', name: 'Catalogue' },
  { href: '/own-breath', name: 'Own breath' },
  { href: '/settings', name: 'Settings' },
] as const;

/** What of the day is still free, in a sentence; nothing for a day the rooms are closed. */
function freeInWords(day: string, bookings: readonly Booking[], rooms: ReturnType<typeof useRooms>): string {
  if (!openOn(day, rooms)) return 'The rooms are closed.';
  const free = freeOn(day, bookings, rooms, 30);
  if (free.length === 0) return 'Nothing is free any more.';
  return `Free: ${free.map(({ from, to }) => `${timeOf(from)} to ${timeOf(to)}`).join(', ')}.`;
}

function List<T>({
  title,
  id,
  rows,
  beside,
  children,
}: {
  title: string;
  id: string;
  rows: readonly T[];
  beside?: React.ReactNode;
  children: (row: T) => React.ReactNode;
}) {
  if (rows.length === 0) return null;
  return (
    <section aria-labelledby={id} className="mt-8">
      <div className="flex items-baseline justify-between">
        <h2 id={id} className="text-lg">
          {title}
        </h2>
        {beside}
      </div>
      <ul className="mt-1 grid gap-x-8 md:grid-cols-2">
        {rows.map((row, i) => (
          <li key={i} className="flex flex-wrap items-center justify-between gap-3 border-t border-rule">
            {children(row)}
          </li>
        ))}
      </ul>
    </section>
  );
}

const NameLink = ({ id, name }: { id: string; name: string }) => (
  <Link href={`/clients/${id}`} className="flex min-h-11 items-center truncate hover:underline">
    {name}
  </Link>
);

function FirstNotice() {
  return (
    <div className="mb-6">
      <Notice title="Kokyu is a coaching aid.">
        <p>
          It diagnoses nothing. Local rules and licensed care come first: it reminds you of cautions, it does not
          replace your training. Everything you record stays in this machine’s data folder.
        </p>
        <Button className="mt-3" onClick={() => send('settings.change', { noticeSeen: true })}>
          Understood
        </Button>
      </Notice>
    </div>
  );
}

function AskPassphrase() {
  const [why, setWhy] = useState<string | null>(null);
  const [left, setLeft] = useState(false);
  if (left) return null;
  const leave = () =>
    void askAccess('leaveOpen', {}).then((told) => {
      if (told.ok) setLeft(true);
      else setWhy(told.why);
    });
  return (
    <div className="mb-6">
      <Notice title="Shall there be a passphrase?">
        <p>
          Without one, whoever sits at this machine sees every client. Nobody can reach it from another machine either
          way, until there is one. It can be set at any time under Settings.
        </p>
        {why && <p role="alert">{why}</p>}
        <div className="mt-3 flex flex-wrap gap-3">
          <LinkButton href="/settings/access" look="strong">
            Set a passphrase
          </LinkButton>
          <Button onClick={leave}>Leave it open on this machine</Button>
        </div>
      </Notice>
    </div>
  );
}
