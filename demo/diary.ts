import { type Payload } from '@/core/record';

/** A booking on a day counted from the one the demo is loaded on, hours and minutes in the studio's zone. */
export interface DemoBooking {
  name: string;
  inDays: number;
  hour: number;
  minute: number;
  minutes: number;
  note: string;
  off?: Pick<Payload<'appointment.cancel'>, 'how' | 'reason'>;
}

const booked = (name: string, inDays: number, hour: number, minute: number, note = '', minutes = 45): DemoBooking => ({
  name,
  inDays,
  hour,
  minute,
  minutes,
  note,
});

/** The days around today; today itself stands with the people. */
export const around: readonly DemoBooking[] = [
  booked('Wilf Harbottle', -3, 9, 30, 'tape again'),
  booked('Joss Calder', -2, 14, 0),
  { ...booked('Odile Pennyroyal', -1, 11, 0), off: { how: 'did not come', reason: 'choir rehearsal' } },
  booked('Bram Okkerly', -1, 15, 30),
  booked('Wilf Harbottle', 1, 9, 0, 'tape again'),
  booked('Odile Pennyroyal', 1, 10, 45, 'two days before she sings'),
  booked('Tamsin Fenwreath', 1, 14, 0, '', 40),
  booked('Bram Okkerly', 2, 9, 30, 'off the night ferry'),
  booked('Ilse Marrow', 2, 11, 0, 'first of six'),
  booked('Joss Calder', 3, 10, 0, 'bring the wheel stool', 30),
  booked('Tamsin Fenwreath', 4, 9, 0),
  booked('Ilse Marrow', 9, 11, 0),
  booked('Ilse Marrow', 16, 11, 0),
];

export const waits: readonly (Pick<Payload<'waiting.add'>, 'minutes' | 'wish' | 'note'> & {
  name: string;
  daysAgo: number;
})[] = [
  { name: 'Joss Calder', daysAgo: 13, minutes: 45, wish: 'afternoons', note: '' },
  { name: 'Odile Pennyroyal', daysAgo: 5, minutes: 30, wish: 'mornings', note: 'not the day before she sings' },
];

export const toRemember: readonly { name: string; text: string }[] = [
  { name: 'Bram Okkerly', text: 'Ask how the week of nights went.' },
  { name: 'Tamsin Fenwreath', text: 'Try the opening on the rowing seat.' },
];

/** Open every day, so that whoever loads the demo on a Sunday finds the rooms open too. */
export const hours: Payload<'settings.change'>['hours'] = Array.from({ length: 7 }, (_, day) =>
  day < 5 ? { from: '09:00', to: '17:30' } : { from: '09:00', to: '16:00' },
);
