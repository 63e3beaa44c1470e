import { type Vec, add, cross, times } from '../vector';

/** How the body stands at one end of a part of a movement, as it is reckoned and drawn. Degrees but for push and hips. */
export interface Stance {
  /** Bend of the spine to the left; negative to the right. */
  side: number;
  /** Rounding of the spine forward; negative is arching. */
  fold: number;
  /** Turn of the spine to the left; negative to the right. */
  turn: number;
  /** Lean of the whole trunk from the hips, the spine as it was. */
  lean: number;
  /** How far the loaded arm is raised: 0 hangs, 90 level, 180 overhead. */
  arm: number;
  /** How far the hands are pushed forward of the shoulders, 0 drawn in to 1. */
  push: number;
  /** Height of the hips above the floor, in metres. */
  hips: number;
}

/** What pulls: a weight pulls down, a cable toward where it is fixed. */
export interface Pull {
  hand: 'left' | 'right' | 'both' | 'none';
  /** The way it draws the hand. */
  toward: Vec;
  kg: number;
  /** Of both hands, the part of the load in the left one; even where it isn't said. */
  leftShare?: number;
}

export const down: Vec = [0, 0, -1];

const rad = Math.PI / 180;

/** Of a grown body, in metres: the middle of the low spine to the shoulders, half the breadth of the shoulders, an arm. Rounded, ours. */
const trunkLength = 0.48;
const halfBreadth = 0.19;
const armLength = 0.65;
/** How far a drawn-in hand is from the shoulder, and what pushing adds. */
const drawnIn = 0.25;

/** A direction of the trunk, turned, bent and leaned as it stands. */
function withTrunk([forward, left, up]: Vec, { side, fold, turn, lean }: Stance): Vec {
  const [ct, st] = [Math.cos(turn * rad), Math.sin(turn * rad)];
  const turned: Vec = [forward * ct - left * st, forward * st + left * ct, up];
  const pitch = (fold + lean) * rad;
  const pitched: Vec = [
    turned[0] * Math.cos(pitch) + turned[2] * Math.sin(pitch),
    turned[1],
    turned[2] * Math.cos(pitch) - turned[0] * Math.sin(pitch),
  ];
  const roll = side * rad;
  return [
    pitched[0],
    pitched[1] * Math.cos(roll) + pitched[2] * Math.sin(roll),
    pitched[2] * Math.cos(roll) - pitched[1] * Math.sin(roll),
  ];
}

/** Below this an arm is a rope: it hangs along the line of pull, which goes through the shoulder. Up from the other it goes on with the trunk. */
const ropeUpTo = 45;
const withTrunkFrom = 90;

/**
 * Where a load acts on one side, seen from the middle of the low spine, in metres: at the shoulder of an arm that hangs, else at the hand.
 * An arm raised beyond level is bent along with the trunk.
 */
function actsAt(stance: Stance, hand: 'left' | 'right'): Vec {
  const shoulder = withTrunk([0, hand === 'left' ? halfBreadth : -halfBreadth, trunkLength], stance);
  if (stance.arm < ropeUpTo) return shoulder;
  const raised = stance.arm * rad;
  const reach = stance.push > 0 ? drawnIn + (armLength - drawnIn) * stance.push : armLength;
  const along: Vec = [Math.sin(raised) * reach, 0, -Math.cos(raised) * reach];
  const level = { ...stance, side: 0, fold: 0, lean: 0 };
  return add(shoulder, withTrunk(along, stance.arm > withTrunkFrom ? stance : level));
}

/** Where the whole load acts: of both hands nearer the one that holds more. */
function loadedAt(stance: Stance, { hand, leftShare = 0.5 }: Pick<Pull, 'hand' | 'leftShare'>): Vec {
  if (hand === 'left' || hand === 'right') return actsAt(stance, hand);
  return add(times(actsAt(stance, 'left'), leftShare), times(actsAt(stance, 'right'), 1 - leftShare));
}

/** What bends, folds and turns the trunk: moments about the low spine, in newton metres. Positive to the right, forward, to the left. */
export interface Moments {
  bendsRight: number;
  folds: number;
  turnsLeft: number;
}

const gravity = 9.81;
/** Head, arms and trunk of a body of 70 kg, and how high above the low spine their middle lies. Rounded, ours. */
const upperBodyKg = 34;
const upperBodyUp = 0.27;

/**
 * The moments of a load and of the body's own weight about the low spine.
 *
 * @param own whether the upper body's own weight counts, too: it does wherever somebody stands or sits
 * @source r × F, derivable
 * @example momentsOf(upright, { hand: 'left', toward: down, kg: 10 }, false).bendsRight < 0 // true
 */
export function momentsOf(stance: Stance, pull: Pull, own = true): Moments {
  const load = cross(loadedAt(stance, pull), times(pull.toward, pull.kg * gravity));
  const body = own
    ? cross(withTrunk([0, 0, upperBodyUp], stance), times(down, upperBodyKg * gravity))
    : ([0, 0, 0] as Vec);
  const [x, y, z] = add(load, body);
  return { bendsRight: x, folds: y, turnsLeft: z };
}

/**
 * Work the muscles do from one stance to the next against the load and the body's weight, in joules; negative where they let it down.
 *
 * @source −F · Δs, derivable
 */
export function workBetween(from: Stance, to: Stance, pull: Pull, bodyKg: number): number {
  const [a, b] = [loadedAt(from, pull), loadedAt(to, pull)];
  const rise = to.hips - from.hips;
  const moved: Vec = [b[0] - a[0], b[1] - a[1], b[2] - a[2] + rise];
  const load = -pull.kg * gravity * (pull.toward[0] * moved[0] + pull.toward[1] * moved[1] + pull.toward[2] * moved[2]);
  const trunk = withTrunk([0, 0, upperBodyUp], to)[2] - withTrunk([0, 0, upperBodyUp], from)[2];
  return load + gravity * (bodyKg * rise + Math.min(bodyKg, upperBodyKg) * trunk);
}

/** Whose weight isn't known is taken for an ordinary one: it decides which part is the effort, not how much. */
export const ordinaryBodyKg = 70;
