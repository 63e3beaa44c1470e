import { aroundDays } from '@/core/diary';
import { dayIn } from '@/core/record';
import { dayString } from '@/core/safety';
import { bookingsBetween, placeNow, theStore } from '@/store';
import { loadSettings } from '../../load';
import { answer } from '../answer';

/** Bookings of some days of the studio, the days included, and how much the server had taken in by then. */
export function GET(request: Request) {
  const { searchParams } = new URL(request.url);
  const from = dayString.safeParse(searchParams.get('from'));
  const to = dayString.safeParse(searchParams.get('to'));
  if (!from.success || !to.success) return answer({ bookings: [] }, 400);
  const { timeZone } = loadSettings();
  const around = aroundDays(from.data, to.data);
  const asOf = placeNow(theStore());
  const bookings = bookingsBetween(theStore(), around.from, around.to).filter(({ startsAt }) => {
    const day = dayIn(startsAt, timeZone);
    return day >= from.data && day <= to.data;
  });
  return answer({ bookings, asOf });
}
