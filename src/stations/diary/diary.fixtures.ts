/** A day of the diary for tests: rooms in London, one booking, nothing else. */
import { type Booking, instantAt } from '@/core/diary';
import { defaultSettings } from '@/core/record';
import { placed } from '@/parts/placed.fixtures';
import { type ComingView, type DiaryView, type Expecting } from './view';

export const today = '2026-11-25';
export const zone = 'Europe/London';

/** The instant of a time of day in the studio. */
export const at = (hour: number, minute = 0, day = today) => instantAt(day, hour * 60 + minute, zone);

export const booking = (rest: Partial<Booking> = {}): Booking => ({
  id: 'booking',
  clientId: 'tamsin',
  name: 'Tamsin Fenwreath',
  startsAt: at(9, 30),
  minutes: 45,
  note: 'rows on the same side',
  seriesId: null,
  off: null,
  ...rest,
});

export const expecting = (rest: Partial<Expecting> = {}): Expecting => ({
  cautions: [],
  closed: false,
  needs: ['Ask today’s signs.'],
  aim: null,
  visits: [],
  ...rest,
});

export function diaryView({
  bookings = [booking()],
  notes = [],
  waiting = [],
  ...rest
}: Partial<DiaryView> & Partial<DiaryView['diary']> = {}): DiaryView {
  return {
    diary: { bookings, waiting, notes, asOf: placed.count },
    settings: { timeZone: zone, hours: defaultSettings.hours },
    today,
    now: at(8),
    expecting: { tamsin: expecting() },
    ...rest,
  };
}

/** Somebody who was never here. */
export const firstTime: ComingView = {
  last: null,
  told: {},
  home: null,
  withdrawn: [],
  returned: [],
  diary: { bookings: [], waiting: [], notes: [], asOf: 0 },
  next: null,
  off: [],
};
