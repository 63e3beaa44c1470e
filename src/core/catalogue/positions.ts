import { type Component } from '../safety';
import { type TrunkEffect } from '../trunk';

export interface Position {
  id: string;
  name: string;
  setUp: string;
  /** Easiest to hardest; a sequence goes up. */
  rank: number;
  /** What carries the client; changing it costs time and attention. */
  base: 'floor' | 'chair' | 'standing';
  effects: readonly TrunkEffect[];
  /** What the position itself asks of a body, whatever is done in it. */
  components: readonly Component[];
}

const row = <Id extends string>(
  id: Id,
  rank: number,
  base: Position['base'],
  setUp: string,
  effects: readonly TrunkEffect[],
  components: readonly Component[] = [],
) => ({ id, name: id, rank, base, setUp, effects, components });

/** The positions, easiest to hardest. Common practice. */
export const positionList = [
  row(
    'crossed-leg tuck',
    1,
    'floor',
    'On the back, arms and legs folded in and crossed, head on a pillow. Nothing to hold up.',
    ['lying on the back'],
    ['flatSupine', 'endRangeTuck', 'loadedRounding', 'hipCross'],
  ),
  row(
    'propped',
    2,
    'floor',
    'Half lying against pillows or a wedge, knees over a roll, head and chest clearly higher than the hips.',
    ['sitting'],
  ),
  row(
    'legs on a chair',
    3,
    'floor',
    'On the back, calves on a chair, hips and knees at right angles, head on a folded towel.',
    ['lying on the back'],
    ['flatSupine'],
  ),
  row(
    'hook-lying',
    4,
    'floor',
    'On the back, knees bent, feet flat, heels a sit-bone width apart.',
    ['lying on the back'],
    ['flatSupine'],
  ),
  row(
    '90/90',
    5,
    'floor',
    'On the back, hips and knees at right angles, feet flat on the wall.',
    ['lying on the back'],
    ['flatSupine'],
  ),
  row(
    'side-lying',
    6,
    'floor',
    'On the side, knees bent, head on a pillow level with the spine, towel under the waist.',
    ['side-lying, left side up'],
  ),
  row(
    'prone over half-dome',
    7,
    'floor',
    'Belly and lower ribs over the half-dome or two folded pillows, forehead on the hands.',
    ['prone over half-dome'],
    ['prone', 'proneRibs', 'halfDome', 'bellyPressure', 'chestWeight', 'headHang', 'loadedRounding', 'endRangeTuck'],
  ),
  row(
    'prone',
    8,
    'floor',
    'On the front, forehead on the hands, a flat pillow under the belly if the low back asks for it.',
    ['prone'],
    ['prone', 'proneRibs', 'bellyPressure', 'chestWeight'],
  ),
  row(
    "child's pose",
    9,
    'floor',
    'Kneeling, sitting back to the heels, knees wide, forehead on the hands or a stack.',
    ["child's pose"],
    ['kneeling', 'wideKnees', 'headLow', 'bellyPressure', 'ribPressure', 'loadedRounding', 'endRangeTuck'],
  ),
  row(
    'quadruped',
    10,
    'floor',
    'Hands under shoulders, knees under hips, back long, neck long.',
    ['quadruped'],
    ['kneeling', 'handWeight'],
  ),
  row(
    'leaning forward',
    11,
    'chair',
    'Sitting, forearms on a table or on the thighs, the head carried on them, belly free.',
    ['sitting'],
  ),
  row('sitting', 12, 'chair', 'On the sit bones on a firm seat, feet down and a little forward, knees slightly wide.', [
    'sitting',
  ]),
  row(
    'long kneel',
    13,
    'floor',
    'Kneeling tall on a mat, hips over knees, ribs over hips, shins long behind.',
    ['standing'],
    ['kneeling'],
  ),
  row(
    'standing at a wall',
    14,
    'standing',
    'Back of the ribs and pelvis on the wall, feet a foot length away, knees soft.',
    ['standing', 'wall behind the back'],
  ),
  row(
    'elbows on the wall',
    15,
    'standing',
    'Facing the wall, forearms on it at shoulder height, feet back, hips over feet.',
    ['standing'],
  ),
  row(
    'hands on a surface',
    16,
    'standing',
    'Hands on a table well below the shoulders, push back to the heels, knees soft, tail slightly under.',
    ['standing'],
    ['handWeight'],
  ),
  row('standing', 17, 'standing', 'Feet under hips, ribs over pelvis, arms loose.', ['standing']),
  row('walking', 18, 'standing', 'An easy walk on the level, arms swinging, eyes up.', ['standing']),
  row(
    'bridge',
    19,
    'floor',
    'From hook-lying, hips off the floor, ribs and pelvis together.',
    ['lying on the back'],
    ['flatSupine', 'bridge', 'effort'],
  ),
  row(
    'forearm kneel',
    20,
    'floor',
    'On forearms and knees, elbows under shoulders, knees behind the hips, one long line.',
    ['quadruped'],
    ['kneeling', 'plank', 'effort'],
  ),
  row(
    'side plank',
    21,
    'floor',
    'On one forearm and the knees, hips slightly bent, shoulders and hips one above the other.',
    ['side-lying, left side up'],
    ['sidePlank', 'effort'],
  ),
  row(
    'bear',
    22,
    'floor',
    'Hands and toes, knees under the hips and a hand’s width off the floor, back long.',
    ['quadruped'],
    ['handWeight', 'bear', 'effort'],
  ),
  row(
    'loaded stand',
    23,
    'standing',
    'Standing with a weight in the hands, feet under hips, ribs over pelvis.',
    ['standing'],
    ['loadedBrace', 'effort'],
  ),
] as const satisfies readonly Position[];

export type PositionId = (typeof positionList)[number]['id'];
export const positionIds = positionList.map(({ id }) => id) as [PositionId, ...PositionId[]];
export const positions = Object.fromEntries(positionList.map((entry) => [entry.id, entry])) as unknown as Record<
  PositionId,
  Position
>;

const baseOrder = { floor: 0, chair: 1, standing: 2 };

/**
 * Where a position comes in a sequence: what is done on the floor first, then sitting, then standing, and within each from
 * easiest to hardest. Going up once costs the fewest changes. Common practice.
 *
 * @example placeInOrder('bridge') < placeInOrder('sitting') // true; although a bridge is harder
 */
export const placeInOrder = (position: PositionId): number =>
  baseOrder[positions[position].base] * 100 + positions[position].rank;

/**
 * Seconds a change from one position to another takes the client, over and above a drill's own set-up. Common practice:
 * floor ↔ chair ↔ standing costs time and attention.
 *
 * @example changeSeconds('hook-lying', 'standing') // 45
 */
export function changeSeconds(from: PositionId | null, to: PositionId): number {
  if (from === null || from === to) return 0;
  const [a, b] = [positions[from].base, positions[to].base];
  if (a === b) return a === 'floor' ? 15 : 10;
  return a === 'floor' || b === 'floor' ? (a === 'standing' || b === 'standing' ? 45 : 30) : 20;
}
