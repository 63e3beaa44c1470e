import { and, eq, isNull, ne } from 'drizzle-orm';
import { dayIn, dayInWords } from '@/core/record';
import { timeIn } from '@/core/diary';
import { takenUpAgain } from '../clients';
import { type Store } from '../file';
import { appointments, homeTold, nextNotes, waiting } from '../schema';
import { type Doors, Refusal, gone, ofClient, ofRow, ofVisit } from './door';
import { studios } from './studio';

const booking = (store: Store, id: string) => store.select().from(appointments).where(eq(appointments.id, id)).get();

/** The booking a person has at a time, besides one of their own. */
const bookedAt = (store: Store, clientId: string, startsAt: string, besides: string) =>
  store
    .select({ minutes: appointments.minutes, note: appointments.note })
    .from(appointments)
    .where(
      and(
        eq(appointments.clientId, clientId),
        eq(appointments.startsAt, startsAt),
        isNull(appointments.cancelledAt),
        ne(appointments.id, besides),
      ),
    )
    .get();

const twice = () => new Refusal('known already', 'They are booked for that time already. Take that booking out first.');

const ofBooking = ofRow(appointments, ({ appointmentId }: { appointmentId: string }) => appointmentId, 'booking');
const ofWaiting = ofRow(waiting, ({ waitingId }: { waitingId: string }) => waitingId, 'entry');
const ofNote = ofRow(nextNotes, ({ noteId }: { noteId: string }) => noteId, 'note');

type Bookings = Pick<Doors, 'appointment.add' | 'appointment.change' | 'appointment.cancel' | 'appointment.restore'>;

/** Bookings: one person has one at a time. */
export const appointmentDoors: Bookings = {
  'appointment.add': {
    ...studios,
    whose: ofClient(),
    act: ({ appointmentId, clientId, startsAt, minutes, note, seriesId }, { store }) => {
      // Pressed twice, or on two devices, it is booked once.
      const booked = bookedAt(store, clientId, startsAt, appointmentId);
      if (booked && booked.minutes === minutes && booked.note === note) return;
      if (booked) throw twice();
      takenUpAgain(store, clientId);
      store.insert(appointments).values({ id: appointmentId, clientId, startsAt, minutes, note, seriesId }).run();
    },
  },

  'appointment.change': {
    ...studios,
    whose: ofBooking,
    revision: ({ appointmentId, seen, startsAt }, { store, day, zone }) => {
      const now = booking(store, appointmentId)?.startsAt;
      if (now === undefined || now === startsAt) return null;
      const where = `${dayInWords(dayIn(now, zone), day)}, ${timeIn(now, zone)}`;
      return {
        seen,
        now,
        theirs: now,
        stale: {
          refuses: `This booking was moved on another device meanwhile: it is on ${where}. Move it from there.`,
        },
      };
    },
    act: ({ appointmentId, startsAt, minutes, note }, { store }) => {
      const there = booking(store, appointmentId);
      if (!there) throw gone('booking');
      if (there.cancelledAt !== null) {
        throw new Refusal('gone', 'This booking was called off meanwhile. Bring it back first.');
      }
      if (bookedAt(store, there.clientId, startsAt, appointmentId)) throw twice();
      store.update(appointments).set({ startsAt, minutes, note }).where(eq(appointments.id, appointmentId)).run();
    },
  },

  'appointment.cancel': {
    ...studios,
    whose: ofBooking,
    act: ({ appointmentId, how, reason }, { store, at }) => {
      const { changes } = store
        .update(appointments)
        .set({ cancelledAt: at, off: how, offReason: reason })
        .where(eq(appointments.id, appointmentId))
        .run();
      if (changes === 0) throw gone('booking');
    },
  },

  'appointment.restore': {
    ...studios,
    whose: ofBooking,
    act: ({ appointmentId }, { store }) => {
      const there = booking(store, appointmentId);
      if (!there) throw gone('booking');
      if (bookedAt(store, there.clientId, there.startsAt, appointmentId)) throw twice();
      store
        .update(appointments)
        .set({ cancelledAt: null, off: 'cancelled', offReason: '' })
        .where(eq(appointments.id, appointmentId))
        .run();
    },
  },
};

/** Sets when a row went off its list, or that it did not. */
const turned =
  (table: typeof waiting | typeof nextNotes, what: string, set: (at: string) => Record<string, string | null>) =>
  (id: string, { store, at }: { store: Store; at: string }) => {
    const { changes } = store.update(table).set(set(at)).where(eq(table.id, id)).run();
    if (changes === 0) throw gone(what);
  };

const offTheList = turned(waiting, 'entry', (goneAt) => ({ goneAt }));
const onTheList = turned(waiting, 'entry', () => ({ goneAt: null }));
const putAway = turned(nextNotes, 'note', (doneAt) => ({ doneAt }));
const broughtBack = turned(nextNotes, 'note', () => ({ doneAt: null }));

type Lists = Pick<
  Doors,
  | 'waiting.add'
  | 'waiting.remove'
  | 'waiting.restore'
  | 'nextTime.add'
  | 'nextTime.done'
  | 'nextTime.undone'
  | 'home.told'
>;

/** What stands beside the bookings: who waits for a time, what to remember when somebody comes, what was done at home. */
export const listDoors: Lists = {
  'waiting.add': {
    ...studios,
    whose: ofClient(),
    act: ({ waitingId: id, ...rest }, { store, at }) => {
      store
        .insert(waiting)
        .values({ id, at, ...rest })
        .run();
    },
  },
  'waiting.remove': { ...studios, whose: ofWaiting, act: ({ waitingId }, moment) => offTheList(waitingId, moment) },
  'waiting.restore': { ...studios, whose: ofWaiting, act: ({ waitingId }, moment) => onTheList(waitingId, moment) },

  'nextTime.add': {
    ...studios,
    whose: ofClient(),
    act: ({ noteId: id, clientId, text }, { store, at }) => {
      store.insert(nextNotes).values({ id, clientId, at, text }).run();
    },
  },
  'nextTime.done': { ...studios, whose: ofNote, act: ({ noteId }, moment) => putAway(noteId, moment) },
  'nextTime.undone': { ...studios, whose: ofNote, act: ({ noteId }, moment) => broughtBack(noteId, moment) },

  'home.told': {
    ...studios,
    whose: ofVisit(),
    act: ({ answerId: id, visitId, drillId, answer }, { store, at }) => {
      store.insert(homeTold).values({ id, visitId, drillId, at, answer }).run();
    },
  },
};
