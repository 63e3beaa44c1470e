import { and, asc, isNull } from 'drizzle-orm';
import { type StoredLift, liftSchema } from '@/core/load';
import { among } from './columns';
import { type Store } from './file';
import { type Unreadable, recordInWords, soundRow, soundValue } from './rows';
import { lifts } from './schema';

/** Sets of several visits, oldest first; what was taken back is left out, what can't be read too, with a word on it. */
export function liftsOf(store: Store, visitIds: readonly string[], aside: Unreadable[] = []): StoredLift[] {
  if (visitIds.length === 0) return [];
  return store
    .select()
    .from(lifts)
    .where(and(among(lifts.visitId, visitIds), isNull(lifts.retractedAt)))
    .orderBy(asc(lifts.at))
    .all()
    .flatMap((row): StoredLift[] => {
      const what = recordInWords('A set under a load', row.at);
      const sound = soundRow('lifts', row, what, aside);
      if (!sound) return [];
      const { id, visitId, at } = sound;
      const lift = soundValue(liftSchema, row.value, { table: 'lifts', id, what }, aside);
      return lift === null ? [] : [{ id, visitId, at, lift }];
    });
}
