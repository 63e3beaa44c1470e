import { type CommandKind, type Payload } from '../record/commands';
import { type Said, saidSince } from '../record/said';
import { type Booking } from './bookings';
import { type Waiting } from './waiting';

/** Something to remember when a client comes next. */
export interface NextNote {
  id: string;
  clientId: string;
  text: string;
  /** UTC, ISO. */
  at: string;
  /** Put away; kept a day so that it can be brought back at once. */
  done: boolean;
}

/** What a page shows of the diary, as far as commands change it. */
export interface Diary {
  bookings: readonly Booking[];
  waiting: readonly Waiting[];
  notes: readonly NextNote[];
  /** The server had taken in this many commands when the page was made. */
  asOf: number;
}

type Handler<K extends CommandKind> = (
  shown: Diary,
  payload: Payload<K>,
  said: Said,
  nameOf: (id: string) => string,
) => Diary;

const withBooking = (shown: Diary, id: string, change: (booking: Booking) => Booking): Diary => ({
  ...shown,
  bookings: shown.bookings.map((booking) => (booking.id === id ? change(booking) : booking)),
});

const withWaiting = (shown: Diary, id: string, gone: boolean): Diary => ({
  ...shown,
  waiting: shown.waiting.map((one) => (one.id === id ? { ...one, gone } : one)),
});

const withNote = (shown: Diary, id: string, done: boolean): Diary => ({
  ...shown,
  notes: shown.notes.map((one) => (one.id === id ? { ...one, done } : one)),
});

const withEntry = <T extends { id: string }>(list: readonly T[], entry: T): T[] => [
  ...list.filter(({ id }) => id !== entry.id),
  entry,
];

const handlers: { [K in CommandKind]?: Handler<K> } = {
  'appointment.add': (shown, { appointmentId: id, clientId, startsAt, minutes, note, seriesId }, _, nameOf) => {
    const there = shown.bookings.some(
      (one) => one.id === id || (one.clientId === clientId && one.startsAt === startsAt && one.off === null),
    );
    const booking = { id, clientId, name: nameOf(clientId), startsAt, minutes, note, seriesId, off: null };
    return there ? shown : { ...shown, bookings: [...shown.bookings, booking] };
  },
  'appointment.change': (shown, { appointmentId, startsAt, minutes, note }) =>
    withBooking(shown, appointmentId, (booking) => ({ ...booking, startsAt, minutes, note })),
  'appointment.cancel': (shown, { appointmentId, how, reason }) =>
    withBooking(shown, appointmentId, (booking) => ({ ...booking, off: { how, reason } })),
  'appointment.restore': (shown, { appointmentId }) =>
    withBooking(shown, appointmentId, (booking) => ({ ...booking, off: null })),
  'waiting.add': (shown, { waitingId: id, ...rest }, { at }, nameOf) => ({
    ...shown,
    waiting: withEntry(shown.waiting, { id, ...rest, name: nameOf(rest.clientId), at, gone: false }),
  }),
  'waiting.remove': (shown, { waitingId }) => withWaiting(shown, waitingId, true),
  'waiting.restore': (shown, { waitingId }) => withWaiting(shown, waitingId, false),
  'nextTime.add': (shown, { noteId: id, clientId, text }, { at }) => ({
    ...shown,
    notes: withEntry(shown.notes, { id, clientId, text, at, done: false }),
  }),
  'nextTime.done': (shown, { noteId }) => withNote(shown, noteId, true),
  'nextTime.undone': (shown, { noteId }) => withNote(shown, noteId, false),
};

/**
 * The diary as the person in front of the page has left it: what the server showed, with everything that was written down in this
 * browser since, in its order.
 *
 * @param nameOf the name of a client by id, as far as this browser knows it
 */
export function diaryWith(served: Diary, said: readonly Said[], nameOf: (clientId: string) => string): Diary {
  return saidSince(said, served.asOf).reduce((shown, one) => {
    const handler = handlers[one.kind] as Handler<CommandKind> | undefined;
    return handler ? handler(shown, one.payload, one, nameOf) : shown;
  }, served);
}
