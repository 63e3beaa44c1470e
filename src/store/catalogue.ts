import { asc, inArray, isNull } from 'drizzle-orm';
import { type Drill, drillSchema } from '@/core/catalogue';
import { type DrillHistory } from '@/core/sequence';
import { type FaultHistory, type RunState, drillHistoryOf, faultHistoryOf, foldRun } from '@/core/coach';
import { type Template, templateSchema } from '@/core/formats';
import { type Store } from './open';
import { ownDrills, runs, templates } from './schema';
import { runIdsOf, storedRun } from './visits';

export interface OwnDrill {
  drill: Drill;
  revision: number;
  at: string;
}

/** The coach's own drills, by name. A row that no longer fits the schema is left out rather than guessed at. */
export function ownDrillsOf(store: Store): OwnDrill[] {
  return store
    .select()
    .from(ownDrills)
    .where(isNull(ownDrills.retractedAt))
    .all()
    .flatMap(({ value, revision, at }) => {
      const parsed = drillSchema.safeParse(value);
      return parsed.success ? [{ drill: parsed.data, revision, at }] : [];
    })
    .sort((a, b) => a.drill.name.localeCompare(b.drill.name));
}

export interface StoredTemplate {
  id: string;
  name: string;
  at: string;
  template: Template;
}

export function templatesOf(store: Store): StoredTemplate[] {
  return store
    .select()
    .from(templates)
    .where(isNull(templates.retractedAt))
    .orderBy(asc(templates.name))
    .all()
    .flatMap(({ id, name, at, value }) => {
      const parsed = templateSchema.safeParse(value);
      return parsed.success ? [{ id, name, at, template: parsed.data }] : [];
    });
}

/** All runs of a client, folded, oldest first. */
function foldedRuns(store: Store, clientId: string): RunState[] {
  const ids = runIdsOf(store, clientId);
  if (ids.length === 0) return [];
  return store
    .select()
    .from(runs)
    .where(inArray(runs.id, ids))
    .orderBy(asc(runs.at))
    .all()
    .flatMap((run) => {
      const stored = storedRun(store, run);
      return stored ? [foldRun(stored.items, stored.events)] : [];
    });
}

/** How drills went for a client, over all runs. */
export const historyOf = (store: Store, clientId: string): DrillHistory[] =>
  drillHistoryOf(foldedRuns(store, clientId), clientId);

/** Which faults were marked, by drill, over all runs. */
export const faultsBefore = (store: Store, clientId: string): FaultHistory =>
  faultHistoryOf(foldedRuns(store, clientId), clientId);
