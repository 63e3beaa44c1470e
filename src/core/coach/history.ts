import { type Lift, movementOf } from '../load';
import { type DrillHistory, knownDrill, weightOf } from '../sequence';
import { type RunDigest } from './digestSchema';
import { type ItemSummary, type RunSummary } from './summary';

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
 * A loaded drill as the set it was: how much, how often, how hard, and what became of the breath by the faults that were marked; null for
 * what is not loaded or was not done.
 */
function liftOf({ item, deliveredBreaths, efforts, faults, checked }: ItemSummary): Lift | null {
  const load = knownDrill(item)?.load;
  if (!load || deliveredBreaths === 0) return null;
  const { pull, name } = movementOf(load);
  const oneSided = pull.hand === 'left' || pull.hand === 'right';
  const marked = (fault: string) => faults.some((one) => one.fault === fault);
  return {
    movementId: load.movementId,
    ...(load.own ? { name } : {}),
    // Of two sides the log says the one it began with.
    hand: oneSided ? (item.side === 'right' ? 'right' : 'left') : pull.hand,
    kg: weightOf(item) ?? 0,
    repetitions: Math.min(200, deliveredBreaths),
    effort: efforts.at(-1) ?? null,
    strategy: load.strategy,
    breath: marked('heldBreath') ? 'held' : marked('dumped') || marked('gasp') ? 'lost' : 'went along',
    leaked: checked?.found.includes('leak') ?? false,
  };
}

/** Version of the formula by which runs are summed up: another number and every kept sum is made anew from its events. */
export const digestFormula = 4;

/**
 * What of a run's summary later plans need.
 *
 * @example digestOf(summariseRun(state))[0]?.outcome // 'calm'
 */
export const digestOf = (summary: Pick<RunSummary, 'items'>): RunDigest =>
  summary.items.map((one) => {
    const of = (landed: 'yes' | 'no') => one.cues.filter((cue) => cue.landed === landed).map(({ cue }) => cue);
    return {
      drillId: one.item.drillId,
      breaths: one.item.breaths,
      sets: one.item.sets,
      outcome: outcomeOf(one),
      landed: of('yes'),
      missed: of('no'),
      faults: Object.fromEntries(one.faults.map(({ fault, times }) => [fault, times])),
      position: one.item.position,
      side: one.item.side,
      exhaleSeconds: one.item.cadences[0]?.exhaleSeconds ?? null,
      delivered: one.deliveredBreaths,
      effort: one.efforts.at(-1) ?? null,
      helped: one.helped,
      checked: one.checked,
      lift: liftOf(one),
    };
  });

/**
 * How each drill went for a client, over all their runs: what the planner prescribes from.
 *
 * @param runs what the runs came to for this client, oldest first
 * @example drillHistoryOf([digest]).find(({ drillId }) => drillId === 'towel-hug')?.outcomes // ['calm']
 */
export function drillHistoryOf(runs: readonly RunDigest[]): DrillHistory[] {
  const byDrill = new Map<string, DrillHistory>();
  for (const { drillId, breaths, sets, outcome, landed: yes, missed: no } of runs.flat()) {
    const known = byDrill.get(drillId);
    if (outcome === null && !known && yes.length + no.length === 0) continue;
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
  return [...byDrill.values()].filter(
    ({ outcomes, landed, missed }) => outcomes.length + landed.length + missed.length > 0,
  );
}

/** How often each fault was marked in each drill, over a client's runs. */
export type FaultHistory = Readonly<Record<string, Readonly<Record<string, number>>>>;

/**
 * Faults a client showed before, by drill.
 *
 * @example faultHistoryOf([digest])['towel-hug']?.shoulders // 2
 */
export function faultHistoryOf(runs: readonly RunDigest[]): FaultHistory {
  const all: Record<string, Record<string, number>> = {};
  for (const { drillId, faults } of runs.flat()) {
    const own = (all[drillId] ??= {});
    for (const [fault, times] of Object.entries(faults)) own[fault] = (own[fault] ?? 0) + times;
  }
  return all;
}
