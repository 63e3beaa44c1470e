import { and, asc, gte, isNull } from 'drizzle-orm';
import { type OwnEntry, ownBreathSchema } from '@/core/record';
import { type Store } from './file';
import { type Unreadable, recordInWords, soundRow, soundValue } from './rows';
import { ownBreath } from './schema';

/** The coach's own practice from a day on, oldest first. What can't be read is left out, with a word on it. */
export function ownEntries(store: Store, fromDay: string, aside: Unreadable[] = []): OwnEntry[] {
  return store
    .select()
    .from(ownBreath)
    .where(and(gte(ownBreath.day, fromDay), isNull(ownBreath.retractedAt)))
    .orderBy(asc(ownBreath.at))
    .all()
    .flatMap((row) => {
      const of = { table: 'own_breath', id: row.id, what: recordInWords('Your own entry', row.at) };
      const sound = soundRow('own_breath', row, of.what, aside);
      const entry = sound && soundValue(ownBreathSchema, row.value, of, aside);
      return entry ? [{ id: sound!.id, at: sound!.at, day: sound!.day, entry }] : [];
    });
}
