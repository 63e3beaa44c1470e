import { type Component } from '../safety';
import { type Part } from './breath';
import { type Vec } from '../vector';
import { type Pull, type Stance, down } from './mechanics';

/** Standing or sitting straight, arms hanging. */
export const upright: Stance = { side: 0, fold: 0, turn: 0, lean: 0, arm: 0, push: 0, hips: 0.9 };

/** A movement that can be loaded: its parts, what pulls, what a caution may forbid in it. */
export interface Movement {
  id: string;
  name: string;
  /** From where it is seen best. */
  seen: 'front' | 'side';
  /** What carries the body. */
  ground: 'feet' | 'seat' | 'hands' | 'back' | 'step' | 'split';
  /** The same movement with the pull from elsewhere: shown beside it, since the answer may turn round. */
  beside: string | null;
  /** What works besides the trunk, in plain words. */
  works: string;
  parts: readonly Part[];
  pull: Omit<Pull, 'kg'>;
  /** Kilograms to begin with; 0 for one's own weight. */
  startKg: number;
  /** It is over in a moment: firm at the instant, loose before and after. */
  explosive?: true;
  /** Held rather than repeated: what is breathed over it. */
  steady?: true;
  components: readonly Component[];
  mistake: string;
  /** What to do instead where a caution forbids it. */
  instead: string | null;
}

const at = (rest: Partial<Stance>): Stance => ({ ...upright, ...rest });
const part = (name: string, from: Partial<Stance>, to: Partial<Stance>, seconds: number): Part => ({
  name,
  from: at(from),
  to: at(to),
  seconds,
});
/** There and back. */
const thereAndBack = (
  names: readonly [string, string],
  from: Partial<Stance>,
  to: Partial<Stance>,
  [there, back]: readonly [number, number] = [2, 3],
): Part[] => [part(names[0], from, to, there), part(names[1], to, from, back)];

const upDown = ['up', 'back down'] as const;
const bendBack = ['bend', 'back'] as const;
const pushBack = ['push', 'back'] as const;
const pullBack = ['pull', 'back'] as const;
const bothDown = { hand: 'both', toward: down } as const;
const fromFront: Vec = [1, 0, 0];
const fromBehind: Vec = [-1, 0, 0];

const move = (
  id: string,
  name: string,
  parts: readonly Part[],
  rest: Partial<Movement> & Pick<Movement, 'works' | 'mistake'>,
): Movement => ({
  id,
  name,
  seen: 'side',
  ground: 'feet',
  beside: null,
  parts,
  pull: bothDown,
  startKg: 0,
  components: ['effort'],
  instead: null,
  ...rest,
});

const dumped = 'All the air at once, and the trunk goes soft with it.';
const held = 'The breath held where it needn’t be.';
const shrugged = 'Shoulders up to the ears to make room.';
const arched = 'The back arches to reach higher.';

/** Movements, gentle to demanding within each kind. Which muscles work and what is easily got wrong: common practice, no published source. */
export const loadMovements: readonly Movement[] = [
  move('chair-rise', 'Chair rise', thereAndBack(['up', 'sit'], { hips: 0.5, lean: 30 }, { hips: 0.9, lean: 0 }), {
    ground: 'seat',
    works: 'legs and hips',
    mistake: held,
  }),
  move('squat', 'Squat', thereAndBack(['down', 'up'], { hips: 0.9 }, { hips: 0.55, lean: 30 }, [3, 2]), {
    works: 'legs, hips and back',
    startKg: 8,
    mistake: dumped,
    components: ['effort', 'loadedBrace'],
    instead: 'chair-rise',
  }),
  move(
    'heel-drop',
    'Rise to the toes, drop to the heels',
    // Landing is the work: the stances alone would say that nothing is lifted in it.
    thereAndBack(['rise', 'drop'], { hips: 0.9 }, { hips: 0.95 }, [2, 1.5]).map((one, at) => ({
      ...one,
      effort: at === 1,
    })),
    {
      works: 'calves; floor and trunk take the landing',
      mistake: 'Knees and trunk stiff before the heels land.',
      components: ['effort', 'impact'],
      instead: 'chair-rise',
    },
  ),
  move('hinge', 'Hinge at the hips', thereAndBack(['down', 'up'], {}, { lean: 70, hips: 0.86 }, [3, 2]), {
    works: 'hips and back',
    startKg: 8,
    mistake: dumped,
    components: ['effort', 'loadedBrace'],
    instead: 'chair-rise',
  }),
  move('lunge', 'Lunge', thereAndBack(['down', 'up'], { hips: 0.82 }, { hips: 0.55 }, [3, 2]), {
    ground: 'split',
    works: 'legs and hips',
    startKg: 4,
    mistake: held,
    components: ['effort', 'loadedBrace'],
    instead: 'chair-rise',
  }),
  move('step-up', 'Step up', thereAndBack(upDown, { hips: 0.9, lean: 15 }, { hips: 1.1 }, [2, 2]), {
    ground: 'step',
    works: 'legs and hips',
    mistake: held,
    instead: 'chair-rise',
  }),
  move('stairs', 'Stairs', thereAndBack(['up a step', 'next foot'], { hips: 0.9, lean: 10 }, { hips: 1.08 }, [1, 1]), {
    ground: 'step',
    works: 'legs and hips',
    mistake: held,
    instead: 'step-up',
  }),
  move('press-overhead', 'Press overhead', thereAndBack(upDown, { arm: 120, push: 0.3 }, { arm: 178, push: 0.3 }), {
    beside: 'pulldown',
    works: 'shoulders and arms',
    startKg: 6,
    mistake: arched,
    components: ['effort', 'loadedBrace', 'armsOverhead'],
    instead: 'press-forward',
  }),
  move('press-forward', 'Press forward', thereAndBack(pushBack, { arm: 85, push: 0.05 }, { arm: 85, push: 1 }), {
    beside: 'row',
    works: 'chest and arms',
    pull: { hand: 'both', toward: fromBehind },
    startKg: 8,
    mistake: dumped,
  }),
  move(
    'push-up',
    'Push-up',
    thereAndBack(
      ['down', 'up'],
      { lean: 90, hips: 0.5, arm: 0, push: 1 },
      { lean: 90, hips: 0.2, arm: 0, push: 0.1 },
      [3, 2],
    ),
    {
      ground: 'hands',
      works: 'chest, arms and the front of the trunk',
      pull: { hand: 'none', toward: down },
      mistake: 'The hips sink as the air goes.',
      components: ['effort', 'handWeight', 'plank'],
      instead: 'press-forward',
    },
  ),
  move('row', 'Row', thereAndBack(pullBack, { arm: 80, push: 1, lean: 20 }, { arm: 80, push: 0.05, lean: 20 }), {
    beside: 'press-forward',
    works: 'back and arms',
    pull: { hand: 'both', toward: fromFront },
    startKg: 10,
    mistake: shrugged,
  }),
  move('pulldown', 'Pull down', thereAndBack(['pull', 'back up'], { arm: 172, push: 0 }, { arm: 60, push: 0 }), {
    beside: 'press-overhead',
    works: 'sides of the back and arms',
    pull: { hand: 'both', toward: [0.1, 0, 1] },
    startKg: 15,
    mistake: shrugged,
    components: ['effort', 'armsOverhead'],
    instead: 'row',
  }),
  move(
    'haul-line',
    'Haul a line',
    thereAndBack(
      ['haul', 'reach'],
      { arm: 80, push: 1, lean: 25, fold: 15 },
      { arm: 70, push: 0.1, lean: -5, fold: 0 },
      [2, 2],
    ),
    {
      works: 'back, arms and legs',
      pull: { hand: 'both', toward: fromFront },
      startKg: 15,
      mistake: held,
      components: ['effort', 'loadedBrace'],
      instead: 'row',
    },
  ),
  move(
    'push-trolley',
    'Push a trolley',
    thereAndBack(pushBack, { arm: 80, push: 0.4, lean: 20 }, { arm: 80, push: 1, lean: 20 }, [2, 2]),
    {
      works: 'legs, chest and arms',
      pull: { hand: 'both', toward: fromBehind },
      startKg: 15,
      mistake: held,
    },
  ),
  move('side-bend', 'Side bend, weight in the hand', thereAndBack(bendBack, { side: 0 }, { side: -18 }), {
    beside: 'side-bend-overhead',
    seen: 'front',
    works: 'the side of the trunk',
    pull: { hand: 'left', toward: down },
    startKg: 8,
    mistake: dumped,
    components: ['effort', 'sideBend', 'loadedSideBend'],
    instead: 'carry-one',
  }),
  move(
    'side-bend-toward',
    'Side bend toward the weight',
    thereAndBack(['down', 'up'], { side: 0 }, { side: 18 }, [3, 2]),
    {
      beside: 'side-bend',
      seen: 'front',
      works: 'the side away from the weight',
      pull: { hand: 'left', toward: down },
      startKg: 8,
      mistake: dumped,
      components: ['effort', 'sideBend', 'loadedSideBend'],
      instead: 'carry-one',
    },
  ),
  move(
    'side-bend-overhead',
    'Side bend, weight overhead',
    thereAndBack(bendBack, { side: 0, arm: 176 }, { side: -26, arm: 176 }),
    {
      beside: 'side-bend',
      seen: 'front',
      works: 'the side of the trunk and the shoulder',
      pull: { hand: 'left', toward: down },
      startKg: 4,
      mistake: arched,
      components: ['effort', 'sideBend', 'loadedSideBend', 'armsOverhead'],
      instead: 'side-bend',
    },
  ),
  move('side-bend-cable-low', 'Side bend, cable from below', thereAndBack(bendBack, { side: 0 }, { side: -18 }), {
    beside: 'side-bend-cable-high',
    seen: 'front',
    works: 'the side of the trunk',
    pull: { hand: 'left', toward: [0, 0.5, -1] },
    startKg: 8,
    mistake: dumped,
    components: ['effort', 'sideBend', 'loadedSideBend'],
    instead: 'carry-one',
  }),
  move('side-bend-cable-high', 'Side bend, cable from above', thereAndBack(bendBack, { side: 0 }, { side: -18 }), {
    beside: 'side-bend-cable-low',
    seen: 'front',
    works: 'the side of the trunk',
    pull: { hand: 'left', toward: [0, 0.1, 1] },
    startKg: 8,
    mistake: dumped,
    components: ['effort', 'sideBend', 'loadedSideBend'],
    instead: 'carry-one',
  }),
  move(
    'windmill-reach',
    'Long side reach, weight overhead',
    [
      part('bend and reach down', { side: 0, arm: 176 }, { side: -30, fold: 0, lean: 10, arm: 176 }, 3),
      part('back', { side: -30, fold: 0, lean: 10, arm: 176 }, { side: 0, arm: 176 }, 3),
    ],
    {
      beside: 'side-bend',
      seen: 'front',
      works: 'the side of the trunk, hips and shoulder',
      pull: { hand: 'left', toward: down },
      startKg: 4,
      mistake: arched,
      components: ['effort', 'sideBend', 'loadedSideBend', 'armsOverhead', 'headLow'],
      instead: 'side-bend',
    },
  ),
  move('carry-both', 'Carry, both hands', [part('walk', {}, {}, 20)], {
    works: 'the whole trunk, evenly',
    startKg: 8,
    steady: true,
    mistake: held,
    components: ['effort', 'loadedBrace'],
  }),
  move('carry-one', 'Carry, one hand', [part('walk', {}, {}, 20)], {
    beside: 'carry-both',
    seen: 'front',
    works: 'the side away from the weight',
    pull: { hand: 'left', toward: down },
    startKg: 8,
    steady: true,
    mistake: held,
    components: ['effort', 'loadedBrace'],
    instead: 'carry-both',
  }),
  move(
    'turn',
    'Turn against a pull',
    thereAndBack(['turn', 'back'], { arm: 80, push: 0.9, turn: -20 }, { arm: 80, push: 0.9, turn: 25 }),
    {
      seen: 'front',
      works: 'the slanting muscles of the trunk',
      pull: { hand: 'both', toward: [0, -1, 0] },
      startKg: 5,
      mistake: dumped,
      components: ['effort', 'twist', 'loadedBrace'],
      instead: 'press-forward',
    },
  ),
  move(
    'chop-down',
    'Chop down',
    thereAndBack(['chop', 'back up'], { arm: 150, turn: -15, fold: -5 }, { arm: 50, turn: 25, fold: 20 }),
    {
      beside: 'chop-up',
      works: 'the front and the slanting muscles of the trunk',
      pull: { hand: 'both', toward: [0, -0.4, 1] },
      startKg: 6,
      mistake: dumped,
      components: ['effort', 'twist', 'loadedRounding', 'armsOverhead'],
      instead: 'turn',
    },
  ),
  move(
    'chop-up',
    'Chop up',
    thereAndBack(['lift', 'back down'], { arm: 40, turn: -25, fold: 15 }, { arm: 160, turn: 20, fold: -5 }),
    {
      beside: 'chop-down',
      works: 'back, hips and the slanting muscles of the trunk',
      pull: { hand: 'both', toward: [0, -0.4, -1] },
      startKg: 4,
      mistake: arched,
      components: ['effort', 'twist', 'loadedRounding', 'armsOverhead'],
      instead: 'hinge',
    },
  ),
  move('bridge', 'Bridge', thereAndBack(upDown, { hips: 0.12, lean: -90 }, { hips: 0.35, lean: -90 }), {
    ground: 'back',
    works: 'hips and back of the legs',
    pull: { hand: 'none', toward: down },
    mistake: 'The back arches instead of the hips opening.',
    components: ['effort', 'bridge'],
    instead: 'chair-rise',
  }),
  move(
    'bear',
    'Bear, knees float',
    thereAndBack(['float', 'set down'], { hips: 0.5, lean: 80 }, { hips: 0.53, lean: 80 }),
    {
      ground: 'hands',
      works: 'the front of the trunk, arms and legs',
      pull: { hand: 'none', toward: down },
      mistake: held,
      components: ['effort', 'bear', 'handWeight'],
      instead: 'bridge',
    },
  ),
  move(
    'floor-rise',
    'Up from the floor',
    [
      part('up on one knee', { hips: 0.2, lean: 20 }, { hips: 0.5, lean: 20 }, 3),
      part('stand', { hips: 0.5, lean: 20 }, { hips: 0.9 }, 2),
      part('down again', { hips: 0.9 }, { hips: 0.2, lean: 20 }, 4),
    ],
    {
      works: 'legs, hips and arms',
      pull: { hand: 'none', toward: down },
      mistake: held,
      components: ['effort', 'kneeling', 'fastChange'],
      instead: 'chair-rise',
    },
  ),
  move(
    'lift-child',
    'Lift a child',
    thereAndBack(
      ['lift', 'set down'],
      { lean: 60, hips: 0.6, arm: 40, push: 0.4 },
      { lean: 0, hips: 0.9, arm: 40, push: 0.4 },
    ),
    {
      works: 'legs, hips, back and arms',
      startKg: 12,
      mistake: held,
      components: ['effort', 'loadedBrace'],
      instead: 'chair-rise',
    },
  ),
  move(
    'throw',
    'Throw or strike',
    thereAndBack(
      ['throw', 'back'],
      { arm: 130, push: 0.2, turn: -25, fold: -5 },
      { arm: 80, push: 1, turn: 20, fold: 10 },
      [0.5, 2],
    ).map((one, at) => ({ ...one, effort: at === 0 })),
    {
      works: 'legs, trunk and arm',
      pull: { hand: 'right', toward: down },
      startKg: 2,
      explosive: true,
      mistake: 'Stiff before and after instead of only at the instant.',
      components: ['effort', 'twist', 'fastBreath'],
      instead: 'press-forward',
    },
  ),
];

/** @example findMovement('squat')?.name // 'Squat' */
export const findMovement = (id: string): Movement | undefined => loadMovements.find((one) => one.id === id);

/**
 * What of a movement a caution may forbid at a load: without one nothing is braced or bent under it.
 *
 * @example componentsUnder(findMovement('squat')!, 0) // ['effort']
 */
export const componentsUnder = ({ components }: Movement, kg: number): Component[] =>
  components.filter((one) => kg > 0 || (one !== 'loadedBrace' && one !== 'loadedSideBend'));

/**
 * The same movement with the other hand: sides and turns are mirrored.
 *
 * @example mirroredMovement(sideBend).pull.hand // 'right'
 */
export function mirroredMovement(movement: Movement): Movement {
  const other = (stance: Stance): Stance => ({ ...stance, side: -stance.side, turn: -stance.turn });
  const { hand, toward } = movement.pull;
  return {
    ...movement,
    parts: movement.parts.map((one) => ({ ...one, from: other(one.from), to: other(one.to) })),
    pull: {
      hand: hand === 'left' ? 'right' : hand === 'right' ? 'left' : hand,
      toward: [toward[0], -toward[1], toward[2]],
    },
  };
}
