import { type LegsId } from '../catalogue';
import { type Leg, type Pose, type Side } from './pose';

const shinOut: Leg = {
  thigh: { toward: [0, 0.02, -1] },
  shank: { heading: 152, ends: 'rest' },
  toes: [-0.88, 0.47, -0.3],
  sole: [-0.3, 0, 1],
};

const changed: Readonly<Record<LegsId, Partial<Record<Side, Leg>>>> = {
  'as the position': {},
  'ankles wide': { left: shinOut, right: shinOut },
  'one leg out': { left: { foot: [0.03, 0.72, 0.07], knee: [0.4, 0.1, 1], toes: [1, 0.3, 0] } },
  'figure four': {
    right: { thigh: { toward: [-0.25, 0.1, 1] }, shank: { toward: [1, -0.12, 0.12] }, toes: [0.1, 0.1, 1] },
    left: {
      foot: [-0.24, -0.17, 0.47],
      knee: [0.35, 1, 0.25],
      toes: [0.25, -0.5, 1],
      sole: [0.5, -1, -0.55],
    },
  },
  'feet together': {},
};

/** A pose with a drill's legs. In a drill with sides the worked one is the left here. */
export function withLegs(pose: Pose, legs: LegsId): Pose {
  const to = changed[legs];
  if (legs === 'feet together') {
    const near = (leg: Leg): Leg =>
      'foot' in leg ? { ...leg, foot: [leg.foot[0], 0.055, leg.foot[2]], knee: [1, 0, 0.1], toes: [1, 0.02, 0] } : leg;
    return { ...pose, legs: { left: near(pose.legs.left), right: near(pose.legs.right) } };
  }
  return { ...pose, legs: { ...pose.legs, ...to } };
}
