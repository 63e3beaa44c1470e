import { type Stance } from '../load';
import { lengths } from './build';
import { type Arm, type Leg, type Pose, type Side } from './pose';
import { type Vec, add, dot, minus, times, unit } from '../vector';

/** On which part of a breath a movement goes to its end: with the air coming in, with it going out, or not with each breath. */
export type Moves = 'in' | 'out' | 'not';

/** A movement under a load: from where to where, in which hands, and which way it draws. */
export interface Loaded {
  from: Stance;
  to: Stance;
  ground: 'feet' | 'hands' | 'step' | 'split';
  hand: 'left' | 'right' | 'both' | 'none';
  toward: Vec;
  seen: 'front' | 'side';
  /** On which part of a breath it goes to its end. */
  moves: Moves;
}

/** Standing straight the hip joints are this high in the movements, and this high in the body. */
const hipsInMovements = 0.9;
const hipsInBody = 0.896;
/** Below this an arm hangs along the line of pull; above that it goes along with the trunk. */
const ropeUpTo = 45;
const withTrunkFrom = 90;
const { upperArm, forearm } = lengths;

/** Upper arm and forearm of an arm that ends at a place seen from its shoulder: bent toward a side where it is not straight. */
function bentTo(target: Vec, toward: Vec): { upper: Vec; fore: Vec } {
  const whole = Math.hypot(...target);
  const apart = Math.min(upperArm + forearm - 1e-4, whole);
  const way = unit(target);
  const off = unit(minus(toward, times(way, dot(toward, way))));
  const along = (upperArm ** 2 - forearm ** 2 + apart ** 2) / (2 * apart);
  const elbow = add(times(way, along), times(off, Math.sqrt(Math.max(0, upperArm ** 2 - along ** 2))));
  return { upper: unit(elbow), fore: unit(minus(times(way, apart), elbow)) };
}

const hanging: Arm = { within: 'room', upper: [0.02, 0.16, -1], fore: [0.06, 0.08, -1], palm: [0, -1, 0] };

function armOf(stance: Stance, side: Side, { hand, toward, ground, seen }: Loaded): Arm {
  if (ground === 'hands')
    return {
      hand: { within: 'room', at: [0.5, 0.2, 0.004], fingers: [1, 0, 0], palm: [0, 0, -1] },
      elbow: [-0.5, 0.7, 0.2],
    };
  if (hand !== 'both' && hand !== side) return hanging;
  const raised = (stance.arm * Math.PI) / 180;
  if (stance.arm < ropeUpTo) {
    const out = side === 'left' ? toward[1] : -toward[1];
    // A little clear of the thigh and before it; what is held lies across to whoever looks.
    const way = unit([toward[0] + 0.16, out + 0.14, toward[2] < 0 ? toward[2] : -0.4]);
    return { within: 'room', upper: way, fore: way, palm: seen === 'front' ? [-1, 0, 0] : [0, -1, 0], grip: true };
  }
  const reach = stance.push > 0 ? 0.24 + (upperArm + forearm - 0.26) * stance.push : upperArm + forearm - 0.03;
  const [ahead, up] = [Math.sin(raised) * reach, -Math.cos(raised) * reach];
  if (stance.arm > withTrunkFrom) {
    const { upper, fore } = bentTo([up, ahead, 0.07], [-0.8, 0.1, 0.6]);
    return { within: 'chest', upper, fore, palm: seen === 'front' ? [0, 1, 0] : [0, 0, -1], grip: true };
  }
  const { upper, fore } = bentTo([ahead, 0.02, up], [-0.1, 0.6, -0.8]);
  return { within: 'room', upper, fore, palm: [0, -0.3, -1], grip: true };
}

/** How far ahead a step stands, and how high it is: as high as somebody on it stands above the floor. */
const stepAhead = 0.32;
export const stepOf = ({ ground, from, to }: Loaded): { ahead: number; high: number } | null =>
  ground === 'step' ? { ahead: stepAhead, high: Math.max(from.hips, to.hips) - hipsInMovements } : null;

function legOf(loaded: Loaded, stance: Stance, side: Side): Leg {
  const step = stepOf(loaded);
  if (step) {
    // The right foot goes first; both stand on it at the top.
    const onIt = side === 'right' || stance.hips > hipsInMovements + 0.01;
    const [ahead, high] = onIt ? [step.ahead, step.high] : [0, 0];
    return { foot: [ahead, 0.1, lengths.ankle + high], knee: [1, 0.1, 0.3], toes: [1, 0.1, 0] };
  }
  if (loaded.ground === 'hands')
    return {
      thigh: { toward: [-0.97, 0.08, -0.2] },
      shank: { toward: [-0.97, 0.04, -0.24] },
      toes: [0.2, 0, -1],
      sole: [-1, 0, -0.2],
    };
  if (loaded.ground === 'split')
    return side === 'right'
      ? { foot: [0.34, 0.09, lengths.ankle], knee: [1, 0.1, 0.3], toes: [1, 0.1, 0] }
      : {
          foot: [-0.4, 0.09, lengths.ankle + 0.07],
          knee: [0.7, 0.05, -0.5],
          toes: [0.7, 0.05, -0.8],
          sole: [-0.8, 0, -0.6],
        };
  // Higher than somebody stands on flat feet, they stand on their toes.
  const rise = Math.max(0, stance.hips - hipsInMovements);
  return {
    foot: [0.005 + 0.4 * rise, 0.13, lengths.ankle + rise],
    knee: [1, 0.22, 0.3],
    toes: [1, 0.16, -rise / 0.14],
    ...(rise > 0 ? { sole: [-rise / 0.14, 0, -1] as const } : {}),
  };
}

/** A pose of the body for a stance of a movement. */
export function poseOfStance(stance: Stance, loaded: Loaded): Pose {
  const { side, fold, turn, lean, hips } = stance;
  const onHands = loaded.ground === 'hands';
  // Who leans from the hips sits back with them.
  const up = stepOf(loaded) !== null && hips > hipsInMovements + 0.01;
  const back = onHands
    ? 0
    : up
      ? stepAhead
      : -0.3 * Math.sin((lean * Math.PI) / 180) * (loaded.ground === 'step' ? -0.4 : 1);
  const bend = (part: number) => ({ forward: fold * part, left: side * part, turn: turn * part });
  return {
    root: { pitch: lean, at: [back, 0, onHands ? hips + 0.05 : hipsInBody - (hipsInMovements - hips)] },
    lumbar: bend(0.42),
    thoracic: bend(0.58),
    neck: onHands ? { forward: -20 } : { left: -side * 0.2 },
    legs: { left: legOf(loaded, stance, 'left'), right: legOf(loaded, stance, 'right') },
    arms: { left: armOf(stance, 'left', loaded), right: armOf(stance, 'right', loaded) },
    touches: [],
    free: [],
  };
}

/** From where a loaded movement is looked at. */
export const loadedCameras = {
  front: { turn: 84, height: 6 },
  side: { turn: 16, height: 8 },
} as const;
