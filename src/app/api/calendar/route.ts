import { calendarOf } from '@/core/diary';
import { bookingsBetween, theStore } from '@/store';
import { loadSettings } from '../../load';
import { privateHeaders } from '../answer';

const backMs = 28 * 86_400_000;

/** Bookings of the last four weeks and all to come, as an iCalendar file. */
export function GET() {
  const made = new Date().toISOString();
  const bookings = bookingsBetween(theStore(), new Date(Date.now() - backMs).toISOString(), '9999');
  return new Response(calendarOf(bookings, { studio: loadSettings().studioName, made }), {
    headers: {
      ...privateHeaders,
      'content-type': 'text/calendar; charset=utf-8',
      'content-disposition': 'attachment; filename="bookings.ics"',
    },
  });
}
