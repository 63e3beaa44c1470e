import { type Drill } from '../catalogue';
import { type LookRecord, baseMap, bestGrades } from '../look';
import { type ConfirmedFinding } from '../read';
import { type Gates, type Profile, toldConditions } from '../safety';
import { estimateYields, evenYields } from '../trunk';
import { seenEffects } from './gains';
import { type DrillHistory } from './history';
import { type PlanContext } from './setting';

/** What of a client and their visit planning rests on. */
interface Planned {
  gates: Gates;
  answers: Profile['answers'];
  /** Of today; null where nothing was looked at or confirmed. */
  visit: {
    looks: readonly LookRecord[];
    reading: {
      patterns: readonly string[];
      snapshot?: { findings: readonly ConfirmedFinding[] } | null | undefined;
    } | null;
  } | null;
  stopped: PlanContext['stoppedDrills'];
  history: readonly DrillHistory[];
  ownDrills: readonly Drill[];
}

/**
 * What the planner knows of a client: how their parts yield by today's map (evenly where there is none), what was confirmed,
 * what was told, how drills went.
 *
 * @example contextOf({ gates, answers: {}, visit: null, stopped: [], history: [], ownDrills: [] }).confirmedPatterns // []
 */
export function contextOf({ gates, answers, visit, stopped, history, ownDrills }: Planned): PlanContext {
  const map = baseMap(visit?.looks ?? [], 'before');
  return {
    gates,
    yields: map ? estimateYields(bestGrades(map.raw), seenEffects(map.raw.position)) : evenYields(),
    confirmedPatterns: visit?.reading?.patterns ?? [],
    confirmedFindings: visit?.reading?.snapshot?.findings ?? [],
    conditions: toldConditions(answers),
    stoppedDrills: stopped,
    history,
    ownDrills,
  };
}
