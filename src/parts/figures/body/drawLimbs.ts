import { type Body, type Side, radii } from '@/core/body';
import { type Vec, add, between, cross, dot, minus, times, unit } from '@/core/vector';
import { type Eye, capsulePath, closedPath, disc, hull, openPath } from './outline';
import { type Tone, type Shape, type Part, flat, sampled, piece } from './shapes';

/** How much further from the viewer than its fellow a limb must be to be drawn paler, in metres. */
const apart = 0.07;

export function legParts(body: Body, eye: Eye, side: Side): Part[] {
  const leg = body.legs[side];
  const other = body.legs[side === 'left' ? 'right' : 'left'];
  const depth = ({ hip, knee, ankle }: typeof leg) => (eye.see(hip)[2] + eye.see(knee)[2] * 2 + eye.see(ankle)[2]) / 4;
  const tone: Tone = depth(other) - depth(leg) > apart ? 'legFar' : 'leg';
  const thick = body.build.breadth;
  const [t0, t1] = [radii.thigh[0] * thick, radii.thigh[1] * thick];
  const [s0, s1] = [radii.shank[0] * thick, radii.shank[1] * thick];
  const calf = between(leg.knee, leg.ankle, 0.3);
  const cuff = between(leg.knee, leg.ankle, 0.9);
  const footDiscs = (
    [
      [leg.heel, radii.heel],
      [leg.ball, radii.ball],
      [leg.toe, radii.toe],
    ] as const
  ).flatMap(([at, radius]) => disc(flat(eye.see(at)), radius * 100, 14));
  const across = times(unit(cross(leg.sole, minus(leg.toe, leg.heel))), 0.022);
  const broad = [add(leg.ball, across), minus(leg.ball, across)].flatMap((at) => disc(flat(eye.see(at)), 2.2, 10));
  const foot = closedPath(hull([...footDiscs, ...broad, ...disc(flat(eye.see(leg.ankle)), 3.3, 12)]));
  const thigh = `${side} thigh`;
  const shank = `${side} shank`;
  const footTone: Tone = tone === 'leg' ? 'skin' : 'skinFar';
  return [
    {
      name: thigh,
      samples: sampled(eye, leg.hip, leg.knee, t0, t1, 0.3),
      shapes: [{ d: piece(eye, leg.hip, leg.knee, t0, t1), tone, edge: 'halo' }],
      stub: {
        d: piece(eye, between(leg.hip, leg.knee, 0.55), leg.knee, t0 + (t1 - t0) * 0.55, t1),
        tone,
        edge: 'none',
      },
    },
    {
      name: shank,
      joins: thigh,
      samples: sampled(eye, leg.knee, leg.ankle, s0, s1),
      shapes: [
        {
          d: piece(eye, leg.knee, calf, s0, s0 * 1.04) + piece(eye, calf, cuff, s0 * 1.04, s1 * 1.04),
          tone,
          edge: 'halo',
        },
      ],
      stub: { d: piece(eye, leg.knee, between(leg.knee, leg.ankle, 0.4), s0, s0 * 0.97), tone, edge: 'none' },
    },
    {
      name: `${side} foot`,
      joins: shank,
      samples: [...sampled(eye, leg.heel, leg.toe, radii.heel, radii.toe)],
      shapes: [{ d: foot, tone: footTone, edge: 'both' }],
    },
  ];
}

function handShapes(body: Body, eye: Eye, side: Side): Shape[] {
  const { wrist, knuckles, tips, thumb, faces, grip } = body.arms[side];
  const along = unit(minus(knuckles, wrist));
  const across = cross(faces, along);
  const spots = (at: Vec, half: number, radius: number, points = 10) =>
    [-1, 0, 1].flatMap((way) => disc(flat(eye.see(add(at, times(across, way * half)))), radius * 100, points));
  const palm = hull([...spots(wrist, 0.012, 0.024), ...spots(knuckles, 0.029, 0.016)]);
  const fingers = hull([...spots(knuckles, 0.029, 0.016), ...spots(tips, grip ? 0.026 : 0.021, grip ? 0.017 : 0.01)]);
  const root = add(wrist, times(along, 0.02));
  const thumbPath = capsulePath(flat(eye.see(root)), 1.5, flat(eye.see(thumb)), 1.05);
  const shapes: Shape[] = [{ d: thumbPath + closedPath(palm) + closedPath(fingers), tone: 'hand', edge: 'both' }];
  // Lines between the fingers, where they are seen from the flat of the hand; an empty shape elsewhere.
  const seen = Math.abs(dot(faces, eye.toward)) > 0.35 && !grip;
  const lines = (seen ? [-0.5, 0, 0.5] : [])
    .map((way) => {
      const from = add(between(knuckles, tips, 0.15), times(across, way * 0.029));
      const to = add(between(knuckles, tips, 0.95), times(across, way * 0.024));
      return openPath([flat(eye.see(from)), flat(eye.see(to))]);
    })
    .join('');
  shapes.push({ d: lines, tone: 'fine', edge: 'none', wide: 0.5 });
  return shapes;
}

export function armParts(body: Body, eye: Eye, side: Side): Part[] {
  const arm = body.arms[side];
  const other = body.arms[side === 'left' ? 'right' : 'left'];
  const depth = ({ shoulder, elbow, wrist }: typeof arm) =>
    (eye.see(shoulder)[2] + eye.see(elbow)[2] + eye.see(wrist)[2]) / 3;
  const away = depth(other) - depth(arm) > apart * 1.6;
  const skin: Tone = away ? 'skinFar' : 'skin';
  const sleeve: Tone = away ? 'trunkFar' : 'trunk';
  const thick = (1 + body.build.breadth) / 2;
  const [u0, u1] = [radii.upperArm[0] * thick, radii.upperArm[1] * thick];
  const [f0, f1] = [radii.forearm[0] * thick, radii.forearm[1] * thick];
  const hem = between(arm.shoulder, arm.elbow, 0.52);
  const uh = u0 + (u1 - u0) * 0.52;
  const upper = `${side} upper arm`;
  const fore = `${side} forearm`;
  return [
    {
      name: upper,
      samples: sampled(eye, arm.shoulder, arm.elbow, u0, u1, 0.35),
      shapes: [
        { d: piece(eye, hem, arm.elbow, uh, u1), tone: skin, edge: 'both' },
        { d: piece(eye, arm.shoulder, hem, u0, uh * 1.06), tone: sleeve, edge: 'halo' },
      ],
      stub: {
        d: piece(eye, between(arm.shoulder, arm.elbow, 0.7), arm.elbow, u0 + (u1 - u0) * 0.7, u1),
        tone: skin,
        edge: 'none',
      },
    },
    {
      name: fore,
      joins: upper,
      samples: sampled(eye, arm.elbow, arm.wrist, f0, f1, 0.1),
      shapes: [{ d: piece(eye, arm.elbow, arm.wrist, f0, f1), tone: skin, edge: 'both' }],
      stub: {
        d: piece(eye, between(arm.elbow, arm.wrist, 0.6), arm.wrist, f0 + (f1 - f0) * 0.6, f1),
        tone: skin,
        edge: 'none',
      },
    },
    {
      name: `${side} hand`,
      joins: fore,
      samples: sampled(eye, arm.wrist, arm.tips, 0.028, 0.015, 0.15).map((sample) => ({
        ...sample,
        near: sample.near + 0.01,
      })),
      shapes: handShapes(body, eye, side),
    },
  ];
}
