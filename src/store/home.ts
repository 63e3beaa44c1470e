import { and, asc, eq, isNotNull } from 'drizzle-orm';
import { type HomePlan, type HomeReturn, type StoredHome, homePlanSchema, readCode } from '@/core/home';
import { among } from './columns';
import { type Store } from './file';
import { type Unreadable, recordInWords, soundRow, soundValue } from './rows';
import { homePlans, homeReturns } from './schema';

/** What goes home with a visit, or null before anything was chosen. */
export function homeOf(store: Store, visitId: string, aside: Unreadable[] = []): StoredHome | null {
  const row = store.select().from(homePlans).where(eq(homePlans.visitId, visitId)).get();
  const what = recordInWords('What goes home', row?.at);
  const sound = row && soundRow('home_plans', row, what, aside);
  if (!sound) return null;
  const plan = soundValue(homePlanSchema, row.value, { table: 'home_plans', id: visitId, what }, aside);
  return plan && { visitId, at: sound.at, revision: sound.revision, handedAt: sound.handedAt, plan };
}

/** What was handed over to take home at some visits, by visit; what can't be read is told where it is opened. */
export function handedHomesOf(store: Store, visitIds: readonly string[]): Map<string, HomePlan> {
  if (visitIds.length === 0) return new Map();
  const rows = store
    .select({ visitId: homePlans.visitId, value: homePlans.value })
    .from(homePlans)
    .where(and(among(homePlans.visitId, visitIds), isNotNull(homePlans.handedAt)))
    .all();
  return new Map(
    rows.flatMap(({ visitId, value }): [string, HomePlan][] => {
      const parsed = homePlanSchema.safeParse(value);
      return parsed.success ? [[visitId, parsed.data]] : [];
    }),
  );
}

/** What came back from the plan of a visit, the newest last; a code that can't be read is left out with a word on it. */
export function returnsOf(
  store: Store,
  visitId: string,
  things: number,
  aside: Unreadable[] = [],
): { id: string; at: string; told: HomeReturn }[] {
  return store
    .select()
    .from(homeReturns)
    .where(eq(homeReturns.visitId, visitId))
    .orderBy(asc(homeReturns.at))
    .all()
    .flatMap((row) => {
      const what = recordInWords('A code from home', row.at);
      const sound = soundRow('home_returns', row, what, aside);
      if (!sound) return [];
      const read = readCode(sound.code, visitId, things);
      if (read.ok) return [{ id: sound.id, at: sound.at, told: read.told }];
      aside.push({ table: 'home_returns', id: sound.id, what: 'A code from home', why: read.why });
      return [];
    });
}
