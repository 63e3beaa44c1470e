import { type DrillHistory } from '../sequence';
import { type ItemSummary, type RunState, summariseRun } from './run';

/** Part of the breaths that must be free of a marked fault for a drill to have gone calmly. Common practice. */
export const calmPart = 0.8;

/** How one drill went in one run: null when too little of it was done to say. */
export function outcomeOf({
  plannedBreaths,
  deliveredBreaths,
  faults,
  stopped,
}: ItemSummary): 'calm' | 'not calm' | null {
  if (stopped) return 'not calm';
  if (deliveredBreaths === 0 || deliveredBreaths < plannedBreaths / 2) return null;
  const marks = faults.reduce((sum, { times }) => sum + times, 0);
  return marks <= deliveredBreaths * (1 - calmPart) + 1e-9 ? 'calm' : 'not calm';
}

/**
 * How each drill went for a client, over all their runs: what the planner prescribes from.
 *
 * @param runs folded runs, oldest first
 * @example drillHistoryOf([run]).find(({ drillId }) => drillId === 'towel-hug')?.outcomes // ['calm']
 */
export function drillHistoryOf(runs: readonly RunState[]): DrillHistory[] {
  const byDrill = new Map<string, DrillHistory>();
  for (const run of runs) {
    for (const summary of summariseRun(run).items) {
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
