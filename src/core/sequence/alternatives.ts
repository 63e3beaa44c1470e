import { type Drill } from '../catalogue';
import { type PlanContext, gatherCandidates } from './candidates';
import { type PlanItem, type PlanRequest } from './plan';

/** A drill that could stand in for an item, with what it would gain. */
export interface Alternative {
  drill: Drill;
  item: Omit<PlanItem, 'id'>;
  points: number;
  relation: 'easier' | 'harder' | 'other';
}

/**
 * What could stand in an item's place: its easier and harder neighbours first, then by what they would gain.
 *
 * @param taken drills already in the plan
 * @param current the drill to replace, or null for adding
 */
export function alternatives(
  request: PlanRequest,
  context: PlanContext,
  taken: readonly string[],
  current: Drill | null,
): Alternative[] {
  const { candidates, wanted } = gatherCandidates(request, context);
  const best = new Map<string, Alternative>();
  for (const { drill, item, gains, value } of candidates) {
    if (taken.includes(drill.id)) continue;
    const points = value + gains.reduce((sum, gain, i) => sum + gain * wanted.weights[i]! * 10, 0);
    const relation = drill.id === current?.easier ? 'easier' : drill.id === current?.harder ? 'harder' : 'other';
    const known = best.get(drill.id);
    if (!known || points > known.points) {
      best.set(drill.id, { drill, item: { ...item, reasons: [], byHand: true }, points, relation });
    }
  }
  const order = { easier: 0, harder: 1, other: 2 };
  return [...best.values()].sort((a, b) => order[a.relation] - order[b.relation] || b.points - a.points);
}
