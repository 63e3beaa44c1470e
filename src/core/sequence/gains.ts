import { type Drill, type PositionId, positions } from '../catalogue';
import { type SkillId } from '../read';
import {
  type RegionId,
  type Shares,
  type TrunkEffect,
  type TrunkMotion,
  regionIds,
  regions,
  trunkMotion,
} from '../trunk';
import { type PlanItem } from './planSchema';

/** Effects on the trunk of a position, with side-lying turned to the side that is up. */
export function positionEffects(position: PositionId, side: PlanItem['side']): TrunkEffect[] {
  if (position === 'side-lying') return [side === 'right' ? 'side-lying, right side up' : 'side-lying, left side up'];
  return [...positions[position].effects];
}

/** Effects a look was taken under. Which side was up in side-lying is not noted, so it counts as even. */
export function seenEffects(position: PositionId): TrunkEffect[] {
  return position === 'side-lying' ? [] : positionEffects(position, 'none');
}

/** Everything about an item that changes where the air goes: position, bend, band, tension. */
export function setUpEffects(drill: Drill, item: Pick<PlanItem, 'position' | 'side' | 'props'>): TrunkEffect[] {
  const effects = positionEffects(item.position, item.side);
  const bends = drill.movement === 'sideBend' || drill.movement === 'sideReach';
  if (bends && item.side === 'left') effects.push('left side open in a bend');
  if (bends && item.side === 'right') effects.push('right side open in a bend');
  if (drill.stances.bandLevel && item.props.some((prop) => prop === 'band' || prop === 'towel')) {
    effects.push('band round the ribs');
  }
  if (drill.stances.abdominalStrategy?.stance === 'opposition') effects.push('light front tension');
  return effects;
}

/** Parts a drill opens, with its open side made definite; both sides share the gain. */
export function openedRegions(drill: Drill, side: PlanItem['side']): Partial<Record<RegionId, number>> {
  const opened: Partial<Record<RegionId, number>> = {};
  const add = (region: RegionId, gain: number) => {
    opened[region] = Math.max(opened[region] ?? 0, gain);
  };
  for (const [key, gain] of Object.entries(drill.opens) as [keyof Drill['opens'], number][]) {
    if (key !== 'openSide' && key !== 'openBack') add(key, gain);
    else {
      const part = key === 'openSide' ? 'Side' : 'Back';
      if (side !== 'right') add(`left${part}`, gain);
      if (side !== 'left') add(`right${part}`, gain);
    }
  }
  return opened;
}

const oppositeSide: Partial<Record<RegionId, RegionId>> = {
  leftSide: 'rightSide',
  rightSide: 'leftSide',
  leftBack: 'rightBack',
  rightBack: 'leftBack',
};

/** What an item gains on a wanted part or skill, 0 or more: 1 to 3 times how much air its set-up sends there. */
export function gainOn(
  key: RegionId | SkillId,
  drill: Drill,
  item: Pick<PlanItem, 'side'>,
  shares: Shares,
  oneSided: boolean,
): number {
  if (!(key in regions)) return drill.skills[key as SkillId] ?? 0;
  const region = key as RegionId;
  const opened = openedRegions(drill, item.side);
  // Where one side is wanted, opening both alike leaves the difference as it was: it counts half.
  const other = oneSided ? (opened[oppositeSide[region] ?? region] ?? 0) : 0;
  const net = Math.max(0, (opened[region] ?? 0) - other / 2);
  // A position that sends air there helps; the teaching model ranks, it does not promise, so its say is bounded.
  const fit = Math.min(1.5, Math.max(0.6, shares[region] * regionIds.length));
  return net * fit;
}

/**
 * How the trunk moves over a breath of a drill, by what it teaches and what it opens.
 *
 * @param side the side that is worked; counts only where the drill has sides
 * @example motionOf(findDrill('two-hand-belly')!, 'none').belly > 0 // true
 */
export const motionOf = (drill: Drill, side: PlanItem['side']): TrunkMotion =>
  trunkMotion(drill.stances, openedRegions(drill, side));
