'use client';

import {
  type Booking,
  type CalendarEntry,
  type Rooms,
  type Taking,
  clientNamed,
  instantAt,
  readCalendar,
  takingOf,
  timeIn,
  weekdayShort,
} from '@/core/diary';
import { counted } from '@/core/reasons';
import { addDays, dayIn, dayInWords } from '@/core/record';
import { idOf, send } from '@/keep';
import { Button } from '@/parts/Button';
import { Select } from '@/parts/Field';
import { Leave, Over } from '@/parts/Over';
import { say } from '@/parts/say';
import { rememberName } from '../diary/names';

interface Client {
  id: string;
  name: string;
}

interface Line {
  id: string;
  entry: CalendarEntry;
  there: Booking | undefined;
  taking: Taking;
  /** Who it is about; null for nobody known. */
  client: Client | null;
}

/** A calendar file as it was read, and who it seems to be about. */
export interface Read {
  lines: Line[];
  left: string[];
  clients: Client[];
}

/** Bookings further ahead are not read from a calendar. */
const weeksAhead = 26;

const inWords: Readonly<Record<Taking, string>> = {
  add: 'is booked',
  change: 'is moved to this time',
  'call off': 'is called off',
  'here already': 'stands here already',
  'called off here': 'was called off here: left as it is',
  'called off there': 'is called off there: left out',
};
const does: readonly Taking[] = ['add', 'change', 'call off'];

/**
 * Reads a calendar file against what is booked.
 *
 * @throws Error with a sentence when nothing can be read, or the server can't be reached
 */
export async function readFile(text: string, rooms: Rooms, shown: readonly Booking[]): Promise<Read> {
  const today = dayIn(rooms.now, rooms.zone);
  const until = addDays(today, weeksAhead * 7);
  const { entries, left } = readCalendar(text, {
    zone: rooms.zone,
    from: instantAt(today, 0, rooms.zone),
    to: instantAt(until, 0, rooms.zone),
  });
  const asked = async <T,>(address: string) => {
    const answer = await fetch(address).catch(() => null);
    if (!answer?.ok) throw new Error('The server can’t be reached just now. Read the file again in a moment.');
    return (await answer.json()) as T;
  };
  const [{ clients }, { bookings }] = await Promise.all([
    asked<{ clients: Client[] }>('/api/clients?find=&most=everybody'),
    asked<{ bookings: Booking[] }>(`/api/diary?from=${addDays(today, -366)}&to=${addDays(today, 732)}`),
  ]);
  const known = new Map([...bookings, ...shown].map((booking) => [booking.id, booking]));
  const lines = entries.map((entry): Line => {
    const id = idOf(entry.uid);
    const there = known.get(id);
    const client = there ? { id: there.clientId, name: there.name } : clientNamed(entry.summary, clients);
    return { id, entry, there, taking: takingOf(entry, there), client };
  });
  if (lines.length === 0 && left.length === 0) throw new Error(`Nothing in this file is between today and ${until}.`);
  return { lines, left, clients };
}

/** What a file would do, line by line; nothing is done before it is said. */
export function CalendarReading({
  read,
  rooms,
  onChange,
  onClose,
}: {
  read: Read;
  rooms: Rooms;
  onChange: (read: Read) => void;
  onClose: () => void;
}) {
  const { lines, left, clients } = read;
  const today = dayIn(rooms.now, rooms.zone);
  const todo = lines.filter(({ taking, client }) => does.includes(taking) && client !== null);
  const nobody = lines.filter(({ taking, client }) => does.includes(taking) && client === null).length;
  const takeIn = () => {
    const undo: (() => void)[] = [];
    for (const { id: appointmentId, entry, there, taking, client } of todo) {
      const { startsAt, minutes: length, series } = entry;
      const minutes = Math.min(240, Math.max(5, length));
      if (taking === 'add') {
        rememberName(client!.id, client!.name);
        const note = entry.note.slice(0, 300);
        const seriesId = series === null ? null : idOf(series);
        send('appointment.add', { appointmentId, clientId: client!.id, startsAt, minutes, note, seriesId });
        undo.push(() => send('appointment.cancel', { appointmentId, how: 'cancelled', reason: '' }));
      } else if (taking === 'change') {
        const { note } = there!;
        send('appointment.change', { appointmentId, startsAt, minutes, note, seen: there!.startsAt });
        const back = { startsAt: there!.startsAt, minutes: there!.minutes, note };
        undo.push(() => send('appointment.change', { appointmentId, ...back, seen: startsAt }));
      } else {
        send('appointment.cancel', { appointmentId, how: 'cancelled', reason: 'called off in the calendar' });
        undo.push(() => send('appointment.restore', { appointmentId }));
      }
    }
    say(`${todo.length} taken in from the file.`, () => undo.forEach((back) => back()));
    onClose();
  };
  return (
    <Over title="What the file says" onClose={onClose} className="flex flex-col">
      <p className="mt-1 text-ink2">
        {counted(lines.length, 'time')} in the next {weeksAhead} weeks
        {nobody > 0 && `; for ${nobody} no client of that name is known`}.
      </p>
      <ul tabIndex={0} aria-label="Times in the file" className="mt-3 grow overflow-auto">
        {lines.map((line, i) => {
          const { id, entry, taking, client } = line;
          const day = dayIn(entry.startsAt, rooms.zone);
          const open = taking === 'add';
          return (
            <li key={id} className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-rule py-2">
              <span className="w-40 font-semibold">
                {weekdayShort(day)} {dayInWords(day, today)}, {timeIn(entry.startsAt, rooms.zone)}
              </span>
              <span className="grow [overflow-wrap:anywhere]">
                “{entry.summary || 'no name'}”, {entry.minutes} min{' '}
                <span className="text-ink2">
                  {client || !open ? `${inWords[taking]}` : 'is left out, unless you say who it is'}
                </span>
              </span>
              {open && (
                <Select
                  aria-label={`Who comes: ${entry.summary}`}
                  className="max-w-56"
                  value={client?.id ?? ''}
                  onChange={(event) => {
                    const chosen = clients.find((one) => one.id === event.target.value) ?? null;
                    onChange({
                      ...read,
                      lines: lines.map((other, at) =>
                        at === i || (chosen && other.entry.summary === entry.summary && !other.client)
                          ? { ...other, client: chosen }
                          : other,
                      ),
                    });
                  }}
                >
                  <option value="">Leave it out</option>
                  {clients.map((one) => (
                    <option key={one.id} value={one.id}>
                      {one.name}
                    </option>
                  ))}
                </Select>
              )}
            </li>
          );
        })}
        {left.map((sentence, i) => (
          <li key={i} className="border-t border-rule py-2 text-ink2">
            {sentence} It is left out.
          </li>
        ))}
      </ul>
      <div className="mt-4 flex flex-wrap gap-3">
        <Button look="strong" disabled={todo.length === 0} onClick={takeIn}>
          Take in {todo.length === 0 ? 'nothing' : todo.length}
        </Button>
        <Leave>
          <Button>Leave it</Button>
        </Leave>
      </div>
    </Over>
  );
}
