import { type BandLevel, type HandsId, type LegsId, type MovementId, type PositionId, type PropId } from '../catalogue';

import { type Loaded } from './loaded';

/** What a figure shows: a position and what a drill makes of it. */
export interface FigureSpec {
  position: PositionId;
  movement?: MovementId;
  props?: readonly PropId[];
  hands?: HandsId;
  legs?: LegsId;
  band?: BandLevel;
  /** The side that is worked, where one is. */
  side?: 'left' | 'right';
  /** Breaths that one repetition takes: of two, the first goes out to the end, the second comes back. */
  breathsEach?: 1 | 2;
  /** How somebody sits: hollow-backed, or let down. */
  posture?: 'arched' | 'slouched';
  /** Completed week of a pregnancy: the belly stands forward by it. */
  week?: number;
  /** Tapes round the trunk at heights above the hip joints, in metres. */
  tapes?: readonly number[];
  /** A movement under a load, drawn from its own numbers instead of a position's. */
  loaded?: Loaded;
}

/** What of a drill its figure shows. */
interface Shown {
  movement: MovementId;
  props: readonly PropId[];
  hands: HandsId;
  legs: LegsId;
  band: BandLevel;
  sides: 'none' | 'one or both';
  counting: { breathsEach: number };
}

/**
 * The figure of a drill in a position.
 *
 * @param side the side that is worked; counts only where the drill has sides
 * @example specOf(findDrill('side-bend-open')!, 'sitting', 'right').side // 'right'
 */
export const specOf = (
  { movement, props, hands, legs, band, sides, counting }: Shown,
  position: PositionId,
  side: 'left' | 'right' | 'both' | 'none' = 'left',
  used: readonly PropId[] = props,
): FigureSpec => ({
  position,
  movement,
  props: used,
  hands,
  legs,
  band,
  ...(counting.breathsEach === 2 ? { breathsEach: 2 as const } : {}),
  ...(sides === 'none' ? {} : { side: side === 'right' ? 'right' : 'left' }),
});
