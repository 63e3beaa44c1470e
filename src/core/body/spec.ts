import { type BandLevel, type HandsId, type LegsId, type MovementId, type PositionId, type PropId } from '../catalogue';
import { type DrillLoad, type Movement, type Stance, repetitionOf } from '../load';
import { type Loaded, type Moves } from './loaded';

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
  load: DrillLoad | null;
}

/**
 * A movement under a load as a figure shows it.
 *
 * @param from where it begins, and to where it goes: what is drawn full
 * @example loadedOf(squat, squat.parts[0].from, squat.parts[0].to, 'in').ground // 'feet'
 */
export function loadedOf(
  { ground, pull, seen }: Pick<Movement, 'ground' | 'pull' | 'seen'>,
  from: Stance,
  to: Stance,
  moves: Moves,
): Loaded {
  // Who sits or lies is drawn standing where nothing else is known of how they are carried.
  const carried = ground === 'seat' || ground === 'back' ? 'feet' : ground;
  return { from, to, ground: carried, hand: pull.hand, toward: pull.toward, seen, moves };
}

/** A loaded drill that no drill of the catalogue draws: from its movement's own numbers, as far as it goes. */
function figureOfLoad(load: DrillLoad, side: 'left' | 'right' | 'both' | 'none'): Loaded {
  const { movement, phases, toward } = repetitionOf(
    load,
    side === 'right' ? 'right' : side === 'left' || side === 'both' ? 'left' : 'none',
  );
  const goes = (phase: 'inhale' | 'exhale') => phases[phase].some(({ from, to }) => to > from);
  const moving = [...phases.inhale, ...phases.topPause, ...phases.exhale].filter(({ part }) => part !== null);
  const part = movement.parts[moving.find(({ to }) => to >= 1 - 1e-9)?.part ?? 0]!;
  return loadedOf(
    { ...movement, pull: { ...movement.pull, toward } },
    movement.parts[0]!.from,
    part.to,
    goes('inhale') ? 'in' : goes('exhale') ? 'out' : 'not',
  );
}

/**
 * The figure of a drill in a position.
 *
 * @param side the side that is worked; counts only where the drill has sides
 * @example specOf(findDrill('side-bend-open')!, 'sitting', 'right').side // 'right'
 */
export const specOf = (
  { movement, props, hands, legs, band, sides, counting, load }: Shown,
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
  ...(load && movement === 'none' ? { loaded: figureOfLoad(load, sides === 'none' ? 'none' : side) } : {}),
  ...(sides === 'none' ? {} : { side: side === 'right' ? 'right' : 'left' }),
});
