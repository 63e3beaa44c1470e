import { type Drill } from '../catalogue';
import { type ConfirmedFinding, type SkillId, wantedFor } from '../read';
import { type ConditionId, type Gates } from '../safety';
import { type RegionId, type Shares, type TrunkEffect, predictShares } from '../trunk';
import { type DrillHistory } from './history';
import { thingsKnown } from './newThings';
import { allDrills } from './plan';
import { type PlanRequest } from './planSchema';

/** What the planner knows besides the request. */
export interface PlanContext {
  gates: Gates;
  /** How freely each part yields, from the look; even where nothing was seen. */
  yields: Shares;
  /** Patterns the coach confirmed. */
  confirmedPatterns: readonly string[];
  /** Findings as the coach left them when the reading was confirmed. */
  confirmedFindings?: readonly ConfirmedFinding[];
  /** What was told of on Screen and stands today: it pulls drills in as well as pushing them out. */
  conditions?: readonly ConditionId[];
  /** Drills that ended in a stop and were not reviewed since, with the run that says so. */
  stoppedDrills: readonly { drillId: string; runId: string }[];
  /** How drills went before, for this client. */
  history?: readonly DrillHistory[];
  /** The coach's own drills, planned with like the built-in ones. */
  ownDrills?: readonly Drill[];
}

/** The wanted parts and skills with their weights, in a fixed order. */
export interface Wanted {
  keys: (RegionId | SkillId)[];
  weights: number[];
}

/** What the intent and the confirmed findings want, laid out for the search. */
function wantedOf(request: PlanRequest, findings: readonly ConfirmedFinding[] = []): Wanted {
  const all = Object.entries(wantedFor(request.intent, request.side, findings)) as [RegionId | SkillId, number][];
  return { keys: all.map(([key]) => key), weights: all.map(([, weight]) => weight) };
}

/** What every candidate of one request is held against. */
export interface Setting {
  request: PlanRequest;
  context: PlanContext;
  wanted: Wanted;
  history: ReadonlyMap<string, DrillHistory>;
  /** Things the drills the client owns have asked for. */
  known: ReadonlySet<string>;
  /** Where this client's breath goes under some effects. */
  sharesUnder: (effects: readonly TrunkEffect[]) => Shares;
}

export function settingOf(request: PlanRequest, context: PlanContext): Setting {
  const { history = [], confirmedFindings } = context;
  const worked = new Map<string, Shares>();
  const own = new Map(allDrills(context).map((drill) => [drill.id, drill]));
  return {
    request,
    context,
    wanted: wantedOf(request, confirmedFindings),
    history: new Map(history.map((entry) => [entry.drillId, entry])),
    known: thingsKnown(history, (id) => own.get(id)),
    sharesUnder: (effects) => {
      const key = effects.join();
      const shares = worked.get(key) ?? predictShares(context.yields, effects);
      worked.set(key, shares);
      return shares;
    },
  };
}
