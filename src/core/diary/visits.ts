import { type Booking } from './bookings';

/** A visit of the day, as far as it is needed to know whose booking it is. */
export interface DayVisit {
  id: string;
  startedAt: string;
  endedAt: string | null;
}

/** A visit over so long before a booking begins was one of its own. */
const ownVisitMs = 3_600_000;

/**
 * Which visit belongs to which booking of one client and day: each visit to the nearest booking, the newest counts, one still open
 * before one that was ended. Where there are several bookings, a visit over long before one begins does not belong to it.
 *
 * @param bookings of one client on one day
 * @returns the visit of each booking, by the booking's id
 * @example visitsOfBookings([{ id: 'b', startsAt: '2026-11-26T09:00:00Z' }], [{ id: 'v', startedAt: '2026-11-26T09:04:00Z', endedAt: null }]).get('b').id // 'v'
 */
export function visitsOfBookings(
  bookings: readonly Pick<Booking, 'id' | 'startsAt'>[],
  visits: readonly DayVisit[],
): Map<string, DayVisit> {
  const found = new Map<string, DayVisit>();
  const inOrder = [...visits].sort((a, b) => (a.startedAt < b.startedAt ? -1 : 1));
  for (const visit of inOrder) {
    const near = bookings
      .map((booking) => ({
        booking,
        apart: Math.abs(Date.parse(booking.startsAt) - Date.parse(visit.startedAt)),
      }))
      .filter(
        ({ booking }) =>
          bookings.length === 1 ||
          visit.endedAt === null ||
          Date.parse(booking.startsAt) - Date.parse(visit.endedAt) < ownVisitMs,
      )
      .sort((a, b) => a.apart - b.apart)[0];
    if (!near) continue;
    const known = found.get(near.booking.id);
    if (!known || known.endedAt !== null || visit.endedAt === null) found.set(near.booking.id, visit);
  }
  return found;
}
