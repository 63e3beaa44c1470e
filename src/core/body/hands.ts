import { type HandsId, type PositionId } from '../catalogue';
import { type Arm, type Side } from './pose';
import { type Vec } from '../vector';

const both = (arm: Arm) => ({ left: arm, right: arm });
const laid = (height: number, round: number, fingers: number, elbow: Vec = [-0.35, -0.35, 1]): Arm => ({
  hand: { on: 'trunk', height, round, fingers },
  elbow,
});

const breastbone = laid(0.36, -2, -62, [-1, -0.1, 0.9]);
const lowBelly = laid(0.07, 2, -104, [-0.1, 0.15, 1]);
const sideRibs = laid(0.235, 58, -84, [-0.25, -0.8, 1]);

type Both = Partial<Record<Side, Arm>>;

/** Arms by what the drill asks, where the position's own are not meant. In a drill with sides the worked one is the left here. */
const arms: Readonly<Record<HandsId, Both>> = {
  'at rest': {},
  'breastbone and navel': { right: breastbone, left: laid(0.13, 2, -92) },
  'round the lower ribs': both(sideRibs),
  'last ribs': both(laid(0.185, 72, -70, [-0.2, -0.9, 1])),
  belly: both(laid(0.12, 26, -100)),
  'low belly': { right: lowBelly },
  'hip bones': both(laid(0.075, 40, -150, [-0.1, -0.6, 1])),
  'hip folds': both(laid(0.01, 42, -140, [0.1, -0.8, 1])),
  'hip triangle': both(laid(0.05, 25, -155, [0, -0.5, 1])),
  'side ribs and low belly': { right: sideRibs, left: lowBelly },
  'breastbone and low ribs': { right: breastbone, left: laid(0.21, 14, -84) },
  'breastbone and back': { right: breastbone, left: laid(0.17, 148, 96, [-0.5, -1, 0.8]) },
  'open side': { right: laid(0.25, -66, -70, [-0.6, 1, 0.3]) },
  'upper ribs': { left: laid(0.32, 64, -58, [-0.4, 0.1, 1]) },
  'top hand on the belly': { left: laid(0.12, 6, -96, [-0.5, 0.2, 1]) },
  'behind the head': both({
    hand: { within: 'head', at: [0.005, -0.108, 0.045], fingers: [0.25, 0, -1], palm: [0, 1, 0] },
    elbow: [0.5, 0.3, 1],
  }),
  'on the shoulders': both({
    hand: { within: 'chest', at: [0.1, 0.112, 0.105], fingers: [0.25, -1, 0.2], palm: [-1, -0.1, 0] },
    elbow: [-0.1, 1, 0.25],
  }),
  'by the ears': both({
    hand: { within: 'head', at: [0.03, 0.115, 0.19], fingers: [1, 0, 0], palm: [0, 1, 0] },
    elbow: [-0.4, 0.2, 1],
  }),
  'pinching the nose': {
    right: {
      hand: {
        within: 'head',
        at: [-0.055, 0.135, 0.02],
        fingers: [0.9, -0.5, -0.25],
        palm: [-0.2, -0.5, -1],
        grip: true,
      },
      elbow: [-1, 0.5, 0.7],
    },
  },
  'behind the thigh': {
    left: {
      hand: { on: 'thigh', of: 'other', along: 0.4, away: [0.6, 0.8, -0.1], fingers: [0.2, -0.6, -0.6] },
      elbow: [-0.6, 0.2, 1],
    },
    right: {
      hand: { on: 'thigh', of: 'own', along: 0.6, away: [0.95, 0.35, -0.5], fingers: [0.2, -1, 0.25] },
      elbow: [-0.6, 0.2, 1],
    },
  },
  folded: both(laid(0.4, -36, -66, [-1, 0.6, 0.5])),
  'forearms on the thighs': both({
    hand: { on: 'thigh', of: 'own', along: 0.97, away: [0.1, -0.25, 1], fingers: [1, -0.7, -0.3] },
    elbow: [-1, -0.5, 0.6],
  }),
  'arm along the floor': {
    left: {
      hand: { within: 'room', at: [-0.36, -0.5, 0.03], fingers: [0, -1, 0], palm: [0, 0, -1] },
      elbow: [0, -0.2, 1],
      elbowWithin: 'room',
    },
  },
};

/** Lying on the side the lower arm stays where the position has it. */
const lowerArmStays: readonly PositionId[] = ['side-lying', 'side plank'];

/** Where a position has its own way of doing the same, or the hands hold something. */
const noHandsFor: Readonly<Partial<Record<PositionId, readonly HandsId[]>>> = {
  'loaded stand': ['hip folds'],
  propped: ['behind the thigh'],
  'leaning forward': ['forearms on the thighs', 'round the lower ribs'],
};

/**
 * Arms for a drill's hands in a position.
 *
 * @example handsIn('belly', 'sitting').left
 */
export function handsIn(hands: HandsId, position: PositionId): Both {
  const found = noHandsFor[position]?.includes(hands) ? {} : arms[hands];
  if (!lowerArmStays.includes(position)) return found;
  const top = found.left ?? found.right;
  return top ? { left: top } : {};
}
