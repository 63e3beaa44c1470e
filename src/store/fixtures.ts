/** What tests of the store start from. For tests only; nothing of the app imports it. */
import { randomUUID } from 'node:crypto';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { cadence } from '@/core/cadence';
import { type RunEvent } from '@/core/coach';
import { type CommandKind, type Outcome, type Payload } from '@/core/record';
import { type ConditionId, conditionIds } from '@/core/safety';
import { type PlanItem } from '@/core/sequence';
import { planItem } from '@/core/fixtures';
import { type Store, carryOut, findRun, openStore } from '.';
import { scratchFolder } from '../../scripts/scratch';

export const now = Date.parse('2026-11-25T10:00:00Z');
export const today = '2026-11-25';

/** Eight quiet breaths, lying: nothing of it is off for anybody who was asked. */
export const quietItem = (rest: Partial<PlanItem> = {}): PlanItem =>
  planItem({ position: 'hook-lying', cadences: [cadence(2, 4)], breaths: 8, byHand: true, ...rest });

/** The same with a pause of twenty seconds after the exhale: a hold. */
export const heldItem = (rest: Partial<PlanItem> = {}): PlanItem =>
  quietItem({ cadences: [cadence(2, 4, { bottomPauseSeconds: 20 })], breaths: 2, ...rest });

export const planOfItems = (items: PlanItem[]): Payload<'plan.save'>['plan'] => ({
  request: { intent: 'lowerBreath', side: null, minutes: 12, propsAtHand: [], leadSchool: 'openAllRegions' },
  proven: false,
  items,
  refusals: [],
});

const held = globalThis as { kokyuStore?: Store };

/** The app's own studio is opened anew from its file with the next that is asked of it. */
export function reopened() {
  held.kokyuStore?.$client.close();
  delete held.kokyuStore;
}

/**
 * Has the app's own studio (`theStore`) lie in a folder of the test's own until it is closed.
 *
 * @returns the folder; closing puts back what was before
 */
export function studioHere(name: string) {
  const before = process.env.KOKYU_DATA;
  const folder = scratchFolder(name);
  process.env.KOKYU_DATA = folder;
  reopened();
  return {
    folder,
    close() {
      reopened();
      if (before === undefined) delete process.env.KOKYU_DATA;
      else process.env.KOKYU_DATA = before;
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/**
 * A studio of a test's own, in a folder that goes with it.
 *
 * @param fill puts the file there first, where it is not to be empty
 */
export function testStudio(name: string, fill?: (path: string) => unknown) {
  const folder = scratchFolder(name);
  const path = join(folder, 'studio.db');
  fill?.(path);
  const studio = {
    folder,
    path,
    store: openStore(path),
    reopen() {
      studio.store.$client.close();
      studio.store = openStore(path);
      return studio.store;
    },
    close() {
      studio.store.$client.close();
      rmSync(folder, { recursive: true, force: true });
    },
    record: <K extends CommandKind>(kind: K, payload: Payload<K>, at = now): Outcome =>
      carryOut(studio.store, { id: randomUUID(), kind, payload }, at),
    /** Records something that must be taken in. */
    take<K extends CommandKind>(kind: K, payload: Payload<K>, at = now): Outcome {
      const outcome = studio.record(kind, payload, at);
      if (outcome.state === 'refused') throw new Error(`${kind}: ${outcome.why}`);
      return outcome;
    },
    fact: (clientId: string, key: Payload<'fact.add'>['key'], value: unknown, at = now) =>
      studio.record('fact.add', { factId: randomUUID(), clientId, key, value, basedOn: null }, at),
    /** A client screened today, everything answered "no" but for what is given, with a visit and a plan. */
    person(
      called: string,
      {
        yes = {},
        items = [quietItem()],
      }: { yes?: Partial<Record<ConditionId, object>>; items?: PlanItem[] | null } = {},
    ) {
      const [clientId, visitId] = [randomUUID(), randomUUID()];
      studio.take('client.create', { clientId, factId: randomUUID(), name: called });
      studio.take('visit.start', { visitId, clientId });
      for (const id of conditionIds) {
        studio.fact(clientId, `answer:${id}`, id in yes ? { value: 'yes', ...yes[id] } : { value: 'no' });
      }
      studio.fact(clientId, 'emergency', { present: [] });
      studio.fact(clientId, 'redFlags', { present: [] });
      if (items) studio.take('plan.save', { planId: randomUUID(), visitId, plan: planOfItems(items), revision: 0 });
      return { clientId, visitId };
    },
    append(runId: string, ...events: RunEvent[]): Outcome {
      const from = findRun(studio.store, runId)!.events.length;
      return studio.record('run.append', {
        runId,
        events: events.map((event, i) => ({
          id: randomUUID(),
          seq: from + i,
          atEpochMs: now + (from + i) * 1000,
          event,
        })),
      });
    },
    /** A run of a visit's plan, opened and begun. */
    begun(visitId: string, items = [quietItem()]): string {
      const runId = randomUUID();
      studio.take('run.create', { runId, visitId, items });
      const outcome = studio.append(runId, { type: 'start' });
      if (outcome.state === 'refused') throw new Error(outcome.why);
      return runId;
    },
  };
  return studio;
}
export type TestStudio = ReturnType<typeof testStudio>;
