import { type Booking } from './bookings';
import { type CalendarEntry } from './calendar';

interface Named {
  id: string;
  name: string;
}

const plain = (text: string) => text.toLocaleLowerCase('en').normalize('NFC').replace(/\s+/g, ' ').trim();

/**
 * The client an entry of a calendar is about: the one whose whole name stands in it; the longest name where one holds another; null
 * where nobody's does, or two people's of the same name.
 *
 * @example clientNamed('Breathing: Tamsin Fenwreath', clients)?.name // 'Tamsin Fenwreath'
 */
export function clientNamed<T extends Named>(summary: string, clients: readonly T[]): T | null {
  const words = ` ${plain(summary).replace(/[^\p{L}\p{N}'’-]+/gu, ' ')} `;
  const found = clients
    .filter(({ name }) => words.includes(` ${plain(name).replace(/[^\p{L}\p{N}'’-]+/gu, ' ')} `))
    .sort((a, b) => b.name.length - a.name.length);
  const [first, second] = found;
  return first && (!second || plain(second.name) !== plain(first.name)) ? first : null;
}

/** What taking an entry in would do. */
export type Taking = 'add' | 'change' | 'call off' | 'here already' | 'called off here' | 'called off there';

/**
 * What taking an entry of a calendar in would do to the diary: nothing twice, and nothing back that was called off here.
 *
 * @param there the booking of the entry's id, or undefined
 */
export function takingOf(entry: CalendarEntry, there: Booking | undefined): Taking {
  if (!there) return entry.off ? 'called off there' : 'add';
  if (there.off) return 'called off here';
  if (entry.off) return 'call off';
  const same = there.startsAt === entry.startsAt && there.minutes === entry.minutes;
  return same ? 'here already' : 'change';
}
