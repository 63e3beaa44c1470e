import { type WishId } from '../record/booking';
import { type Booking, type Rooms, type Stretch, freeOn } from './bookings';

/** Somebody who wants a time and has none. */
export interface Waiting {
  id: string;
  clientId: string;
  name: string;
  minutes: number;
  wish: WishId;
  note: string;
  /** UTC, ISO: since when. */
  at: string;
  /** Taken off the list; kept a day so that it can be brought back at once. */
  gone: boolean;
}

/** What people mean by it; the hours are ours. */
const windows: Readonly<Record<WishId, Stretch>> = {
  'any time': { from: 0, to: 24 * 60 },
  mornings: { from: 0, to: 12 * 60 },
  afternoons: { from: 12 * 60, to: 17 * 60 },
  evenings: { from: 17 * 60, to: 24 * 60 },
};

/**
 * The first time among some days that would suit somebody who waits: free, long enough and when they can. Null when there is none.
 *
 * @param days in the order in which they are to be offered
 * @example offerFor({ minutes: 45, wish: 'mornings' }, ['2026-11-27'], bookings, rooms) // { day: '2026-11-27', from: 540, to: 585 }
 */
export function offerFor(
  { minutes, wish }: Pick<Waiting, 'minutes' | 'wish'>,
  days: readonly string[],
  bookings: readonly Booking[],
  rooms: Rooms,
): (Stretch & { day: string }) | null {
  const window = windows[wish];
  for (const day of days) {
    for (const free of freeOn(day, bookings, rooms)) {
      const from = Math.max(free.from, window.from);
      if (from + minutes <= Math.min(free.to, window.to)) return { day, from, to: from + minutes };
    }
  }
  return null;
}
