import { type Component } from '../safety';
import { type Stance } from './mechanics';
import { type Movement, findMovement } from './movements';
import { type DrillLoad, type OwnMovement } from './schema';
import { humanRange } from './stances';

const stanceKeys = Object.keys(humanRange) as (keyof Stance)[];

/**
 * What of a stance no body does, a sentence each.
 *
 * @example stanceFaults({ ...upright, side: 120 }) // ['A bend to the side goes from -45 to 45°. Check the angle.']
 */
export const stanceFaults = (stance: Stance): string[] =>
  stanceKeys.flatMap((key) => {
    const { least, most, name, unit } = humanRange[key];
    const value = stance[key];
    return Number.isFinite(value) && value >= least && value <= most
      ? []
      : [`${name} goes from ${least} to ${most}${unit}. Check ${unit === '°' ? 'the angle' : 'it'}.`];
  });

/** The movement of a loaded drill, the library's or the coach's own. @example movementOf(load).name // 'Squat' */
export const movementOf = ({ movementId, own }: Pick<DrillLoad, 'movementId' | 'own'>): Movement =>
  own ? { ...own, beside: null, instead: null } : findMovement(movementId)!;

/** From here on a bend, a turn, a rounding counts as one that a caution may forbid, in degrees; an arm above the other is overhead. */
const counts = { side: 8, turn: 12, fold: 15, headLow: 80, overhead: 140 } as const;

/**
 * What a movement has in it that a caution may forbid, from how the body stands in it.
 *
 * @param startKg the load it is meant with; 0 for one's own weight
 * @source common practice; the degrees ours
 * @example componentsFrom(findMovement('squat')!) // ['effort', 'loadedBrace']
 */
export function componentsFrom({
  parts,
  ground,
  pull,
  startKg,
}: Pick<Movement, 'parts' | 'ground' | 'pull' | 'startKg'>): Component[] {
  const stances = parts.flatMap(({ from, to }) => [from, to]);
  const most = (of: (stance: Stance) => number) => Math.max(...stances.map(of));
  const span = (key: keyof Stance) => most((one) => one[key]) - Math.min(...stances.map((one) => one[key]));
  const loaded = startKg > 0 && pull.hand !== 'none';
  const found: (Component | false)[] = [
    'effort',
    loaded && 'loadedBrace',
    most(({ side }) => Math.abs(side)) >= counts.side && 'sideBend',
    loaded && most(({ side }) => Math.abs(side)) >= counts.side && 'loadedSideBend',
    span('turn') >= counts.turn && 'twist',
    most(({ fold }) => fold) >= counts.fold && 'loadedRounding',
    most(({ fold, lean }) => fold + lean) >= counts.headLow && ground !== 'hands' && 'headLow',
    most(({ arm }) => arm) > counts.overhead && 'armsOverhead',
    ground === 'hands' && 'handWeight',
    ground === 'hands' && 'plank',
    ground === 'back' && 'bridge',
    most(({ hips }) => hips) > 0.9 && ground === 'feet' && 'impact',
  ];
  return found.filter((one) => one !== false);
}

/**
 * A movement as one of a coach's own: to be changed and kept with a drill.
 *
 * @example asOwn(findMovement('squat')!).name // 'Squat'
 */
export function asOwn(movement: Movement): OwnMovement {
  const { beside: _, instead: __, parts, pull, components, ...rest } = movement;
  return {
    ...rest,
    parts: parts.map((part) => ({ ...part, from: { ...part.from }, to: { ...part.to } })),
    pull: { hand: pull.hand, toward: pull.toward },
    components: [...components],
  };
}

/** The measure a movement goes by most, in its first part: the one its far end is told in. @example goesBy(findMovement('hinge')!) // 'lean' */
export function goesBy({ parts }: Pick<Movement, 'parts'>): keyof Stance {
  const { from, to } = parts[0]!;
  const weight = (key: keyof Stance) => Math.abs(to[key] - from[key]) * (key === 'push' || key === 'hips' ? 100 : 1);
  return stanceKeys.reduce((most, key) => (weight(key) > weight(most) ? key : most));
}

/**
 * How far a movement goes in its own measure, as it is said: a bend to the right is as many degrees as one to the left.
 *
 * @example farEndOf(findMovement('side-bend')!) // 18
 */
export const farEndOf = (movement: Movement): number =>
  Math.abs(Number(movement.parts[0]!.to[goesBy(movement)].toFixed(2)));

/**
 * How many times as far as it is told a movement goes to come to a far end, in its own measure.
 *
 * @example reachOf(findMovement('side-bend')!, 9) // 0.5
 */
export function reachOf(movement: Movement, farEnd: number): number {
  const key = goesBy(movement);
  const { from, to } = movement.parts[0]!;
  return (farEnd * (to[key] < 0 ? -1 : 1) - from[key]) / (to[key] - from[key]);
}

/**
 * The same movement gone less or more far: every stance moved from where it begins in the same proportion.
 *
 * @param reach 1 is as it is told
 * @example goneTo(sideBend, 0.5).parts[0].to.side // -9
 */
export function goneTo(movement: Movement, reach: number): OwnMovement {
  const own = asOwn(movement);
  const start = own.parts[0]!.from;
  const scaled = (stance: Stance): Stance =>
    Object.fromEntries(
      stanceKeys.map((key) => [key, start[key] + (stance[key] - start[key]) * reach]),
    ) as unknown as Stance;
  return { ...own, parts: own.parts.map((one) => ({ ...one, from: scaled(one.from), to: scaled(one.to) })) };
}
