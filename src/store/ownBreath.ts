import { and, asc, gte, isNull } from 'drizzle-orm';
import { type OwnEntry, ownBreathSchema } from '@/core/record';
import { type Store } from './open';
import { ownBreath } from './schema';

/** The coach's own practice from a day on, oldest first. A row that no longer fits is left out rather than guessed at. */
export function ownEntries(store: Store, fromDay: string): OwnEntry[] {
  return store
    .select()
    .from(ownBreath)
    .where(and(gte(ownBreath.day, fromDay), isNull(ownBreath.retractedAt)))
    .orderBy(asc(ownBreath.at))
    .all()
    .flatMap(({ id, at, day, value }) => {
      const parsed = ownBreathSchema.safeParse(value);
      return parsed.success ? [{ id, at, day, entry: parsed.data }] : [];
    });
}
