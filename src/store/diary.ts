import { and, asc, desc, eq, gte, isNotNull, isNull, lt, max, ne, or, sql } from 'drizzle-orm';
import { type Booking, type NextNote, type Waiting } from '@/core/diary';
import { type HomeAnswer } from '@/core/record';
import { dayString } from '@/core/safety';
import { namelessName } from './clients';
import { among } from './columns';
import { type Store } from './file';
import { type Unreadable, soundRow } from './rows';
import { appointments, clients, homeTold, looks, nextNotes, visitNotes, visits, waiting } from './schema';

/** A row whose day can be read: one that can't is told of where its visit is, and makes nothing here. */
const dated = ({ day }: { day: string }) => dayString.safeParse(day).success;

/** Bookings that start in [from, to), by time; those called off are among them. */
export function bookingsBetween(store: Store, from: string, to: string, aside: Unreadable[] = []): Booking[] {
  return store
    .select({ row: appointments, name: clients.name })
    .from(appointments)
    .innerJoin(clients, eq(clients.id, appointments.clientId))
    .where(and(gte(appointments.startsAt, from), lt(appointments.startsAt, to)))
    .orderBy(asc(appointments.startsAt))
    .all()
    .flatMap(({ row, name }) => {
      const sound = soundRow('appointments', row, `The booking of ${String(name)}`, aside);
      if (!sound) return [];
      const { cancelledAt, off, offReason, ...booking } = sound;
      const gone = cancelledAt === null ? null : { how: off, reason: offReason };
      return [{ ...booking, name: typeof name === 'string' ? name : namelessName, off: gone }];
    });
}

/** When each client is booked next from an instant on: the first booking that stands. */
export function nextBookings(store: Store, clientIds: readonly string[], from: string): Map<string, string> {
  if (clientIds.length === 0) return new Map();
  const rows = store
    .select({ clientId: appointments.clientId, startsAt: sql<string>`min(${appointments.startsAt})` })
    .from(appointments)
    .where(
      and(among(appointments.clientId, clientIds), gte(appointments.startsAt, from), isNull(appointments.cancelledAt)),
    )
    .groupBy(appointments.clientId)
    .all();
  const sound = rows.filter(({ startsAt }) => !Number.isNaN(Date.parse(startsAt)));
  return new Map(sound.map(({ clientId, startsAt }) => [clientId, startsAt]));
}

/** When a client is booked from an instant on, the soonest first. */
export const bookingsOfClient = (store: Store, clientId: string, from: string, most = 12): string[] =>
  store
    .select({ startsAt: appointments.startsAt })
    .from(appointments)
    .where(and(eq(appointments.clientId, clientId), gte(appointments.startsAt, from), isNull(appointments.cancelledAt)))
    .orderBy(asc(appointments.startsAt))
    .limit(most)
    .all()
    .flatMap(({ startsAt }) => (Number.isNaN(Date.parse(startsAt)) ? [] : [startsAt]));

/** Bookings of a client that nobody came to or that were called off, the newest first; a booking merely taken out again is not told. */
export function bookingsOff(
  store: Store,
  clientId: string,
  before: string,
  most: number,
): { startsAt: string; off: NonNullable<Booking['off']> }[] {
  return store
    .select()
    .from(appointments)
    .where(
      and(
        eq(appointments.clientId, clientId),
        lt(appointments.startsAt, before),
        or(eq(appointments.off, 'did not come'), ne(appointments.offReason, '')),
        isNotNull(appointments.cancelledAt),
      ),
    )
    .orderBy(desc(appointments.startsAt))
    .limit(most)
    .all()
    .flatMap((row) => {
      const sound = soundRow('appointments', row, 'A booking', []);
      return sound ? [{ startsAt: sound.startsAt, off: { how: sound.off, reason: sound.offReason } }] : [];
    });
}

/** Who waits for a time, the longest first; with those taken off the list since an instant, so that they can be brought back. */
export function waitingList(store: Store, goneSince: string, aside: Unreadable[] = []): Waiting[] {
  return store
    .select({ row: waiting, name: clients.name })
    .from(waiting)
    .innerJoin(clients, eq(clients.id, waiting.clientId))
    .where(or(isNull(waiting.goneAt), gte(waiting.goneAt, goneSince)))
    .orderBy(asc(waiting.at))
    .all()
    .flatMap(({ row, name }) => {
      const sound = soundRow('waiting', row, `${String(name)} on the waiting list`, aside);
      if (!sound) return [];
      const { goneAt, ...rest } = sound;
      return [{ ...rest, name: String(name), gone: goneAt !== null }];
    });
}

/** What to remember of clients when they come, oldest first; with what was put away since an instant. */
export function nextNotesOf(
  store: Store,
  clientIds: readonly string[],
  doneSince: string,
  aside: Unreadable[] = [],
): NextNote[] {
  if (clientIds.length === 0) return [];
  return store
    .select()
    .from(nextNotes)
    .where(and(among(nextNotes.clientId, clientIds), or(isNull(nextNotes.doneAt), gte(nextNotes.doneAt, doneSince))))
    .orderBy(asc(nextNotes.at))
    .all()
    .flatMap((row) => {
      const sound = soundRow('next_notes', row, 'A note for next time', aside);
      if (!sound) return [];
      const { doneAt, ...rest } = sound;
      return [{ ...rest, done: doneAt !== null }];
    });
}

/** What was said of the drills that went home with a visit, by drill. */
export function homeToldOf(store: Store, visitId: string, aside: Unreadable[] = []): Record<string, HomeAnswer> {
  const rows = store
    .select()
    .from(homeTold)
    .where(eq(homeTold.visitId, visitId))
    .orderBy(asc(homeTold.at), asc(sql`${homeTold}.rowid`))
    .all()
    .flatMap((row) => soundRow('home_told', row, 'What was done at home', aside) ?? []);
  return Object.fromEntries(rows.map(({ drillId, answer }) => [drillId, answer]));
}

/**
 * The newest visit of each client in which anything was looked at, oldest first: whose recheck may be due.
 *
 * @param since those not seen since then have left
 * @param before looked at since then, none is due
 */
export function lookedAtBetween(
  store: Store,
  since: string,
  before: string,
): { clientId: string; name: string; visitId: string; day: string }[] {
  const newest = store
    .select({ clientId: visits.clientId, startedAt: max(visits.startedAt).as('newest_start') })
    .from(visits)
    .where(
      and(
        gte(visits.day, since),
        sql`exists (select 1 from ${looks} where ${looks.visitId} = ${visits.id} and ${looks.retractedAt} is null)`,
      ),
    )
    .groupBy(visits.clientId)
    .as('newest');
  return store
    .select({ clientId: visits.clientId, name: clients.name, visitId: visits.id, day: visits.day })
    .from(newest)
    .innerJoin(visits, and(eq(visits.clientId, newest.clientId), eq(visits.startedAt, newest.startedAt)))
    .innerJoin(clients, eq(clients.id, visits.clientId))
    .where(lt(visits.day, before))
    .orderBy(asc(visits.day))
    .all()
    .filter(dated);
}

/** Visits that were ended and not signed since a day, the newest first. */
export function unsignedVisits(
  store: Store,
  since: string,
  most = 20,
): { id: string; clientId: string; name: string; day: string }[] {
  return store
    .select({ id: visits.id, clientId: visits.clientId, name: clients.name, day: visits.day })
    .from(visits)
    .innerJoin(clients, eq(clients.id, visits.clientId))
    .leftJoin(visitNotes, eq(visitNotes.visitId, visits.id))
    .where(and(gte(visits.day, since), sql`${visits.endedAt} is not null`, isNull(visitNotes.signedAt)))
    .orderBy(desc(visits.startedAt))
    .limit(most)
    .all()
    .filter(dated);
}
