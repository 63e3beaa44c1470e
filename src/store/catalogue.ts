import { asc, isNull } from 'drizzle-orm';
import { type Drill, drillSchema } from '@/core/catalogue';
import { type DrillHistory } from '@/core/sequence';
import { type FaultHistory, drillHistoryOf, faultHistoryOf } from '@/core/coach';
import { type Template, templateSchema } from '@/core/formats';
import { whatChanged } from '@/core/track';
import { type Store } from './file';
import { type Unreadable, soundRow, soundValue } from './rows';
import { digestsOf, helpedSeen } from './runs';
import { ownDrills, templates } from './schema';

export interface OwnDrill {
  drill: Drill;
  revision: number;
  at: string;
}

/** The coach's own drills, by name. One that no longer fits the schema is left out, with a word on it, rather than guessed at. */
export function ownDrillsOf(store: Store, aside: Unreadable[] = []): OwnDrill[] {
  return store
    .select()
    .from(ownDrills)
    .where(isNull(ownDrills.retractedAt))
    .all()
    .flatMap((row) => {
      const of = { table: 'own_drills', id: row.id, what: `Your drill ${nameIn(row.value) ?? row.id}` };
      const sound = soundRow('own_drills', row, of.what, aside);
      const drill = sound && soundValue(drillSchema, row.value, of, aside);
      return drill ? [{ drill, revision: sound!.revision, at: sound!.at }] : [];
    })
    .sort((a, b) => a.drill.name.localeCompare(b.drill.name));
}

function nameIn(value: unknown): string | null {
  const name = (value as { name?: unknown } | null)?.name;
  return typeof name === 'string' ? `“${name.slice(0, 60)}”` : null;
}

export interface StoredTemplate {
  id: string;
  name: string;
  at: string;
  template: Template;
}

export function templatesOf(store: Store, aside: Unreadable[] = []): StoredTemplate[] {
  return store
    .select()
    .from(templates)
    .where(isNull(templates.retractedAt))
    .orderBy(asc(templates.name))
    .all()
    .flatMap((row) => {
      const of = { table: 'templates', id: row.id, what: `The template “${String(row.name)}”` };
      const sound = soundRow('templates', row, of.what, aside);
      const template = sound && soundValue(templateSchema, row.value, of, aside);
      return template ? [{ id: sound!.id, name: sound!.name, at: sound!.at, template }] : [];
    });
}

/** How drills went for a client and which faults were marked, over all runs. */
export function historyAndFaults(
  store: Store,
  clientId: string,
  aside: Unreadable[] = [],
): { history: DrillHistory[]; faults: FaultHistory } {
  const digests = digestsOf(store, clientId, aside);
  const effects = new Map(whatChanged(helpedSeen(store), clientId).map(({ drillId, pooled }) => [drillId, pooled]));
  const history = drillHistoryOf(digests).map((one): DrillHistory => {
    const helped = effects.get(one.drillId);
    return helped === undefined ? one : { ...one, helped };
  });
  return { history, faults: faultHistoryOf(digests) };
}

/** How drills went for a client, over all runs. */
export const historyOf = (store: Store, clientId: string): DrillHistory[] => historyAndFaults(store, clientId).history;

/** Which faults were marked, by drill, over all runs. */
export const faultsBefore = (store: Store, clientId: string): FaultHistory => historyAndFaults(store, clientId).faults;
