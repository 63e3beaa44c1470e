import { type PhaseMoment, phaseAt, planBreaths } from '@/core/cadence';
import { type PlanItem, drillOf, openedRegions } from '@/core/sequence';
import { type TrunkMotion, trunkMotion } from '@/core/trunk';

/** How the canister moves in an item of a plan. */
export function motionOf(item: PlanItem, side: PlanItem['side']): TrunkMotion {
  const drill = drillOf(item);
  return trunkMotion(drill.stances, openedRegions(drill, side));
}

/**
 * This drill's breath going round and round by the run's clock: for showing it in a talk or a set-up, while the pacer stands.
 *
 * @param nowMs the run's clock
 */
export function teachingMoment(item: PlanItem, nowMs: number): PhaseMoment {
  const breaths = planBreaths(item.cadences.map((cadence) => ({ cadence, breaths: 1 })));
  return phaseAt(breaths, (nowMs / 1000) % breaths.totalSeconds);
}
