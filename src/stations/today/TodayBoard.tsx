'use client';

import { OctagonX, TriangleAlert } from 'lucide-react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { dayInWords } from '@/core/record';
import { newId, send, useKeep } from '@/keep';
import { closeRun } from '../coach/closeRun';
import { Button, LinkButton } from '@/parts/Button';
import { Field, TextInput } from '@/parts/Field';
import { EmptyState, Notice } from '@/parts/Notice';
import { say } from '@/parts/say';

export interface ExpectedRow {
  id: string;
  clientId: string;
  name: string;
  startsAt: string;
  time: string;
  minutes: number;
  note: string;
  visit: 'none' | 'open' | 'ended';
  cautions: string[];
  closed: boolean;
  needs: string[];
}

interface Named {
  clientId: string;
  name: string;
  day: string;
}

/** The front page: who comes, what each needs, and a way in for whoever stands at the door. */
export function TodayBoard({
  today,
  rows,
  walkIns,
  openRuns,
  leftOpen,
  recent,
  clientCount,
  noticeSeen,
  isDemo,
  told = [],
}: {
  today: string;
  rows: ExpectedRow[];
  walkIns: Named[];
  openRuns: (Named & { runId: string; nextSeq: number })[];
  leftOpen: (Named & { id: string })[];
  recent: { id: string; name: string }[];
  clientCount: number;
  noticeSeen: boolean;
  isDemo: boolean;
  /** What was found and done when the studio's file was opened. */
  told?: readonly string[];
}) {
  const day = new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long', timeZone: 'UTC' });
  return (
    <>
      <div className="mb-6 flex flex-wrap items-end justify-between gap-4">
        <div>
          <h1 className="text-3xl">{day.format(new Date(`${today}T12:00:00Z`))}</h1>
          <p className="text-ink2">
            {rows.length === 0 ? 'Nobody is expected.' : `${rows.length} expected.`}
            {isDemo && ' This is the demo studio; everybody in it is invented.'}
          </p>
        </div>
        <div className="flex flex-wrap gap-2">
          <LinkButton href="/catalogue">Catalogue</LinkButton>
          <LinkButton href="/group">Coach a group</LinkButton>
          <LinkButton href="/own-breath">Own breath</LinkButton>
          <LinkButton href="/clients/new" look="strong">
            Walk-in: add a client
          </LinkButton>
        </div>
      </div>

      {told.map((sentence) => (
        <div key={sentence} className="mb-5">
          <Notice kind="caution" title="Found when the studio was opened">
            {sentence}
          </Notice>
        </div>
      ))}
      {!noticeSeen && <FirstNotice />}

      {rows.length > 0 ? (
        <ol className="border-t border-ink">
          {rows.map((row) => (
            <Row key={row.id} row={row} />
          ))}
        </ol>
      ) : (
        <EmptyState as="h2" title={clientCount === 0 ? 'The studio is empty.' : 'No one is booked for today.'}>
          <LinkButton href="/clients/new">Add {clientCount === 0 ? 'your first' : 'a'} client</LinkButton>
          {clientCount > 0 && <LinkButton href="/clients">Find a client</LinkButton>}
        </EmptyState>
      )}

      {walkIns.length > 0 && (
        <section aria-labelledby="walkins" className="mt-8">
          <h2 id="walkins" className="text-lg">
            Here without a booking
          </h2>
          <NameList rows={walkIns.map(({ clientId, name }) => ({ id: clientId, name }))} />
        </section>
      )}
      {openRuns.length > 0 && (
        <section aria-labelledby="openruns" className="mt-8">
          <h2 id="openruns" className="text-lg">
            Runs left open
          </h2>
          <ul className="mt-1">
            {openRuns.map(({ runId, name, day: begun, nextSeq }) => (
              <li key={runId} className="flex flex-wrap items-center gap-4 border-t border-rule py-1">
                <Link href={`/run/${runId}`} className="flex min-h-11 items-center hover:underline">
                  {name}
                  {begun === today ? '' : `, ${dayInWords(begun, today)}`}: go back to it
                </Link>
                <Button look="quiet" onClick={() => closeRun(runId, nextSeq)}>
                  Close it with what was done
                </Button>
              </li>
            ))}
          </ul>
        </section>
      )}
      {leftOpen.length > 0 && (
        <section aria-labelledby="leftopen" className="mt-8">
          <h2 id="leftopen" className="text-lg">
            Visits left open
          </h2>
          <ul className="mt-1">
            {leftOpen.map(({ id, clientId, name, day: begun }) => (
              <li key={id} className="flex flex-wrap items-center gap-4 border-t border-rule py-1">
                <Link href={`/clients/${clientId}/visit/${id}`} className="flex min-h-11 items-center hover:underline">
                  {name}, begun {dayInWords(begun, today)}: note and sign it
                </Link>
                <Button look="quiet" onClick={() => send('visit.end', { visitId: id })}>
                  End it as it is
                </Button>
              </li>
            ))}
          </ul>
        </section>
      )}
      {recent.length > 0 && (
        <section aria-labelledby="others" className="mt-8">
          <div className="flex items-baseline justify-between">
            <h2 id="others" className="text-lg">
              Not booked today
            </h2>
            <Link href="/clients" className="flex min-h-11 items-center underline decoration-rule underline-offset-4">
              All {clientCount}
            </Link>
          </div>
          <NameList rows={recent} bookable />
        </section>
      )}
    </>
  );
}

function Row({ row }: { row: ExpectedRow }) {
  const router = useRouter();
  const [begun, setBegun] = useState(false);
  const begin = () => {
    const { clientId } = row;
    // Pressed twice it begins once; nothing is waited for, the pages show the visit from now on.
    if (row.visit === 'none' && !begun) send('visit.start', { visitId: newId(), clientId });
    setBegun(true);
    router.push(`/clients/${clientId}`);
  };
  return (
    <li className="grid grid-cols-[4.5rem_1fr] gap-x-4 border-b border-rule py-3 md:grid-cols-[4.5rem_14rem_1fr_auto]">
      <span className="font-mono text-xl">{row.time}</span>
      <span className="text-lg font-semibold">
        <Link href={`/clients/${row.clientId}`} className="hover:underline">
          {row.name}
        </Link>
        <span className="block text-sm font-normal text-ink2">
          {row.minutes} min{row.note && `, ${row.note}`}
        </span>
      </span>
      <div className="max-md:col-span-2">
        {row.cautions.length > 0 && (
          <p className="flex items-center gap-1.5 font-semibold text-caution">
            <TriangleAlert size={16} aria-hidden className="shrink-0" />
            {row.cautions.join(' · ')}
          </p>
        )}
        {row.needs.map((need, i) => (
          <p key={need} className={row.closed && i === 0 ? 'flex items-center gap-1.5 font-semibold' : ''}>
            {row.closed && i === 0 && <OctagonX size={16} aria-hidden className="shrink-0 text-stop" />}
            {need}
          </p>
        ))}
      </div>
      <div className="flex items-start gap-2 max-md:col-span-2">
        <Button look={row.visit === 'ended' ? 'plain' : 'strong'} onClick={begin}>
          {row.visit === 'none' ? 'Begin' : row.visit === 'open' ? 'Resume' : 'Open'}
        </Button>
        {row.visit === 'none' && (
          <Button
            look="quiet"
            aria-label={`Cancel the booking of ${row.name}`}
            onClick={() => {
              send('appointment.cancel', { appointmentId: row.id });
              const { clientId, startsAt, minutes, note } = row;
              say(`Booking of ${row.name} at ${row.time} taken out.`, () =>
                send('appointment.add', { appointmentId: newId(), clientId, startsAt, minutes, note }),
              );
            }}
          >
            Cancel
          </Button>
        )}
      </div>
    </li>
  );
}

function NameList({ rows, bookable = false }: { rows: { id: string; name: string }[]; bookable?: boolean }) {
  return (
    <ul className="mt-1 grid gap-x-8 md:grid-cols-2">
      {rows.map(({ id, name }) => (
        <li key={id} className="flex flex-wrap items-center justify-between gap-3 border-t border-rule">
          <Link href={`/clients/${id}`} className="flex min-h-11 items-center truncate hover:underline">
            {name}
          </Link>
          {bookable && <Book clientId={id} name={name} />}
        </li>
      ))}
    </ul>
  );
}

/** Books a client for an hour of today. */
function Book({ clientId, name }: { clientId: string; name: string }) {
  const [open, setOpen] = useState(false);
  const [time, setTime] = useState('');
  const [error, setError] = useState<string | null>(null);
  const keep = useKeep();
  if (!open) {
    return (
      <Button look="quiet" onClick={() => setOpen(true)}>
        Book for today<span className="sr-only">: {name}</span>
      </Button>
    );
  }
  const book = async () => {
    if (!/^\d{2}:\d{2}$/.test(time)) {
      setError('Give a time, like 14:30.');
      return;
    }
    const startsAt = new Date();
    const [hours, minutes] = time.split(':').map(Number) as [number, number];
    startsAt.setHours(hours, minutes, 0, 0);
    const outcome = await keep('appointment.add', {
      appointmentId: newId(),
      clientId,
      startsAt: startsAt.toISOString(),
      minutes: 45,
      note: '',
    });
    setError(outcome.state === 'refused' ? outcome.why : null);
  };
  return (
    <form
      className="flex items-end gap-2 py-1"
      onSubmit={(event) => {
        event.preventDefault();
        void book();
      }}
    >
      <Field label="At" error={error}>
        {(ids) => <TextInput {...ids} type="time" value={time} onChange={(event) => setTime(event.target.value)} />}
      </Field>
      <Button type="submit">Book</Button>
    </form>
  );
}

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
