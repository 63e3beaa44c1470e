import { type DrillHistory } from '../sequence';
import { type RunState } from './run';
import { type ItemSummary, summariseRun } from './summary';

/** Part of the breaths that must be free of a marked fault for a drill to have gone calmly. Common practice. */
export const calmPart = 0.8;

/** Effort of ten above which a drill is not owned. Common practice. */
export const mostEffort = 3;

/** How one drill went in one run: null when too little of it was done to say. */
export function outcomeOf({
  plannedBreaths,
  deliveredBreaths,
  faults,
  efforts,
  stopped,
  swapped,
}: ItemSummary): 'calm' | 'not calm' | null {
  if (stopped || swapped === 'easier' || efforts.some((of10) => of10 > mostEffort)) return 'not calm';
  if (deliveredBreaths === 0 || deliveredBreaths < plannedBreaths / 2) return null;
  const marks = faults.reduce((sum, { times }) => sum + times, 0);
  return marks <= deliveredBreaths * (1 - calmPart) + 1e-9 ? 'calm' : 'not calm';
}

/**
 * How each drill went for a client, over all their runs: what the planner prescribes from.
 *
 * @param runs folded runs, oldest first
 * @param who the client, for runs of a group
 * @example drillHistoryOf([run]).find(({ drillId }) => drillId === 'towel-hug')?.outcomes // ['calm']
 */
export function drillHistoryOf(runs: readonly RunState[], who?: string): DrillHistory[] {
  const byDrill = new Map<string, DrillHistory>();
  for (const run of runs) {
    for (const summary of summariseRun(run, who).items) {
      const outcome = outcomeOf(summary);
      const { drillId, breaths, sets } = summary.item;
      const known = byDrill.get(drillId);
      if (outcome === null && !known && summary.cues.length === 0) continue;
      const of = (landed: 'yes' | 'no') => summary.cues.filter((cue) => cue.landed === landed).map(({ cue }) => cue);
      const [yes, no] = [of('yes'), of('no')];
      // The newest word on a cue counts.
      const landed = [...new Set([...(known?.landed ?? []).filter((cue) => !no.includes(cue)), ...yes])];
      const missed = [...new Set([...(known?.missed ?? []).filter((cue) => !yes.includes(cue)), ...no])];
      byDrill.set(drillId, {
        drillId,
        outcomes: [...(known?.outcomes ?? []), ...(outcome === null ? [] : [outcome])],
        breaths: outcome === null ? (known?.breaths ?? breaths) : breaths,
        sets: outcome === null ? (known?.sets ?? sets) : sets,
        landed,
        missed,
      });
    }
  }
  return [...byDrill.values()].filter(
    ({ outcomes, landed, missed }) => outcomes.length + landed.length + missed.length > 0,
  );
}

/** How often each fault was marked in each drill, over a client's runs. */
export type FaultHistory = Readonly<Record<string, Readonly<Record<string, number>>>>;

/**
 * Faults a client showed before, by drill.
 *
 * @example faultHistoryOf([run])['towel-hug']?.shoulders // 2
 */
export function faultHistoryOf(runs: readonly RunState[], who?: string): FaultHistory {
  const all: Record<string, Record<string, number>> = {};
  for (const run of runs) {
    for (const { item, faults } of summariseRun(run, who).items) {
      const own = (all[item.drillId] ??= {});
      for (const { fault, times } of faults) own[fault] = (own[fault] ?? 0) + times;
    }
  }
  return all;
}
