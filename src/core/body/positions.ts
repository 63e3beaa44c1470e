import { type PositionId } from '../catalogue';
import { lengths, radii } from './build';
import { type Arm, type Leg, type Pose } from './pose';
import { type Body } from './solve';
import { type Thing, box, mat, seat, solid, table, wall } from './things';
import { ringAt, ringHeights } from './trunk';
import { type Vec, add, inFrame, times } from '../vector';

/** A position: how the body lies, sits or stands in it, what stands about it, and from where it is seen best. */
export interface Position {
  pose: Pose;
  things: (body: Body) => Thing[];
  camera: { turn: number; height: number };
}

const both = <T>(one: T) => ({ left: one, right: one });
const foot = lengths.ankle;

/** Arms that hang. */
const hanging: Arm = { within: 'chest', upper: [-1, 0.03, 0.13], fore: [-1, 0.2, 0.02] };
const besideFloor: Arm = {
  hand: { within: 'room', at: [0, 0.3, 0.004], fingers: [1, 0.12, 0], palm: [0, 0, -1] },
  elbow: [0, -0.5, 1],
};
const onThigh: Arm = {
  hand: { on: 'thigh', of: 'own', along: 0.66, away: [0.1, 0.1, 1], fingers: [1, -0.15, 0] },
  elbow: [-0.3, -0.5, 1],
};
const underForehead: Arm = {
  hand: { within: 'head', at: [0.05, 0.125, 0.045], fingers: [0.15, 0, -1], palm: [0, 1, 0] },
  elbow: [0.3, 0.4, 1],
};
const onFloorAhead = (ahead: number, out: number): Arm => ({
  hand: { within: 'room', at: [ahead, out, 0.002], fingers: [1, 0.06, 0], palm: [0, 0, -1] },
  elbow: [-1, 0.35, 0.05],
  elbowWithin: 'room',
});

/** A leg with its foot flat on the floor. */
const standOn = (ahead: number, out: number, high = 0): Leg => ({
  foot: [ahead, out, foot + high],
  knee: [1, 0.12, 0.3],
  toes: [1, 0.12, 0],
});
const hooked: Leg = { foot: [0.5, 0.1, foot], knee: [0, 0.02, 1], toes: [1, 0.08, 0] };
/** Kneeling: the shin lies behind, the instep on the floor. */
const kneeling = (thigh: Vec): Leg => ({
  thigh: { toward: thigh },
  shank: { heading: 180, ends: 'rest' },
  toes: [-1, 0, -0.3],
  sole: [-0.3, 0, 1],
});

const lyingRoot = { pitch: -90, at: [0, 0, 0.13] as Vec };
const lying: Pick<Pose, 'touches' | 'free'> = {
  touches: [
    { part: 'pelvis', at: 0.004 },
    { part: 'chest', at: 0.004 },
    { part: 'head', at: 0.05 },
  ],
  free: ['up', 'pitch', 'nod'],
};
const sat = (high: number): Pick<Pose, 'touches' | 'free'> => ({
  touches: [{ part: 'pelvis', at: high }],
  free: ['up'],
});
const seatHigh = 0.44;

const lyingMat = mat([-0.95, -0.42], [0.78, 0.42]);
/** A pillow under the head, as thick as there is room. */
const headPillow = (body: Body): Thing => {
  const { at } = body.head;
  const top = Math.max(0.03, at[2] - radii.head * 1.01);
  return box('pillow', 'soft', [at[0], at[1], top / 2], [top / 2, 0.15, 0.19], true);
};

const furthestBack = (body: Body): number =>
  Math.min(...ringHeights.flatMap((height) => ringAt(body.spine, height, 24, body.build).map(([x]) => x)));

/** All positions of the catalogue. */
export const positionPoses: Readonly<Record<PositionId, Position>> = {
  'crossed-leg tuck': {
    pose: {
      root: { ...lyingRoot, pitch: -96 },
      lumbar: { forward: 8 },
      legs: {
        left: { foot: [0.19, -0.08, 0.45], knee: [-0.5, 0.9, 0.9], toes: [0.55, 0.1, 0.8], sole: [0.7, -0.55, -0.4] },
        right: { foot: [0.12, -0.08, 0.31], knee: [-0.5, 0.9, 0.9], toes: [0.55, 0.1, 0.8], sole: [0.7, -0.55, -0.4] },
      },
      arms: {
        left: { hand: { on: 'trunk', height: 0.33, round: -38, fingers: -82 }, elbow: [-1, 0.6, 0.5] },
        right: {
          hand: { on: 'upperArm', of: 'other', along: 0.78, away: [0.2, -0.3, 1], fingers: [-0.4, -1, -0.2] },
          elbow: [-1, 0.9, 0.5],
        },
      },
      ...lying,
    },
    things: (body) => [lyingMat, headPillow(body)],
    camera: { turn: 34, height: 60 },
  },
  propped: {
    pose: {
      root: { pitch: -46, at: [0, 0, 0.14] },
      lumbar: { forward: -2 },
      neck: { forward: 12 },
      legs: both<Leg>({ foot: [0.66, 0.1, foot], knee: [0, 0.05, 1], toes: [1, 0.15, 0] }),
      arms: both<Arm>({
        hand: { within: 'room', at: [0.01, 0.33, 0.004], fingers: [1, 0.1, 0], palm: [0, 0, -1] },
        elbow: [-0.4, -0.6, 1],
      }),
      ...sat(0.004),
    },
    things: (body) => {
      const { head, front } = body.chest;
      const back = (height: number, deep: number) =>
        add(inFrame({ ...body.chest, at: body.spine.pelvis.at }, height, 0, 0), times(front, -deep));
      const low = back(0.1, 0.12);
      const high = add(back(0.74, 0.11), times(head, 0));
      return [
        mat([-0.95, -0.42], [0.85, 0.42]),
        solid(
          'wedge',
          'soft',
          [
            [low[0], 0.006],
            [low[0], low[2]],
            [high[0], high[2]],
            [high[0] - 0.06, high[2]],
            [high[0] - 0.06, 0.006],
          ],
          0.27,
        ),
        box(
          'knee roll',
          'soft',
          [body.legs.left.knee[0] + 0.02, 0, (body.legs.left.knee[2] - 0.1) / 2],
          [(body.legs.left.knee[2] - 0.1) / 2, 0.1, 0.24],
          true,
        ),
      ];
    },
    camera: { turn: 20, height: 16 },
  },
  'legs on a chair': {
    pose: {
      root: lyingRoot,
      legs: both<Leg>({ thigh: { toward: [0.08, 0.05, 1] }, shank: { toward: [1, 0, -0.03] }, toes: [0.15, 0.15, 1] }),
      arms: both(besideFloor),
      ...lying,
    },
    things: (body) => [
      mat([-0.95, -0.42], [0.6, 0.42]),
      headPillow(body),
      ...seat(
        [body.legs.left.knee[0] + 0.315, 0],
        body.legs.left.ankle[2] - radii.shank[0] * body.build.breadth,
        0,
        0.24,
      ),
    ],
    camera: { turn: 14, height: 16 },
  },
  'hook-lying': {
    pose: { root: lyingRoot, legs: both(hooked), arms: both(besideFloor), ...lying },
    things: (body) => [lyingMat, headPillow(body)],
    camera: { turn: 8, height: 26 },
  },
  '90/90': {
    pose: {
      root: lyingRoot,
      legs: both<Leg>({ thigh: { toward: [0.03, 0.05, 1] }, shank: { toward: [1, 0, 0.01] }, toes: [0, 0.1, 1] }),
      arms: both(besideFloor),
      ...lying,
    },
    things: (body) => [
      mat([-0.95, -0.42], [0.48, 0.42]),
      wall(body.legs.left.ankle[0] + foot + 0.002, true, -0.45, 0.45, 0.85),
      headPillow(body),
    ],
    camera: { turn: 18, height: 18 },
  },
  'side-lying': {
    pose: {
      root: { pitch: -90, roll: -90, at: [0, 0, 0.18] },
      legs: {
        right: { thigh: { heading: 58, ends: 'rest' }, shank: { heading: -34, ends: 'rest' }, toes: [0.57, 0.82, 0] },
        left: { thigh: { heading: -52, ends: 0.192 }, shank: { heading: 38, ends: 0.138 }, toes: [0.57, -0.82, 0] },
      },
      arms: {
        right: {
          hand: { within: 'room', at: [-0.66, 0.4, 0.004], fingers: [-1, 0.25, 0], palm: [0, 0, -1] },
          elbow: [0.2, 1, 0],
          elbowWithin: 'room',
        },
        left: {
          hand: { within: 'room', at: [-0.2, -0.3, 0.004], fingers: [-0.6, -1, 0], palm: [0, 0, -1] },
          elbow: [0.2, 0, 1],
          elbowWithin: 'room',
        },
      },
      touches: [
        { part: 'pelvis', at: 0.004 },
        { part: 'chest', at: 0.012 },
      ],
      free: ['up', 'pitch'],
    },
    things: (body) => {
      const top = body.head.at[2] - 0.077;
      return [
        mat([-0.95, -0.5], [0.75, 0.36]),
        box('pillow', 'soft', [body.head.at[0] - 0.02, body.head.at[1], top / 2], [top / 2, 0.13, 0.2], true),
      ];
    },
    camera: { turn: 6, height: 36 },
  },
  'prone over half-dome': {
    pose: {
      root: { pitch: 84, at: [0, 0, 0.26] },
      lumbar: { forward: 12 },
      thoracic: { forward: 30 },
      neck: { forward: -12 },
      legs: both<Leg>({
        thigh: { heading: 174, ends: 'rest' },
        shank: { heading: 176, ends: 'rest' },
        toes: [-1, 0.05, -0.3],
        sole: [-0.3, 0, 1],
      }),
      arms: both(underForehead),
      touches: [
        { part: 'belly', at: 0.15 },
        { part: 'head', at: 0.06 },
      ],
      free: ['up', 'nod'],
    },
    things: () => [
      mat([-1, -0.42], [0.85, 0.42]),
      {
        name: 'half-dome',
        stuff: 'rubber',
        form: 'dome',
        frame: { at: [0.19, 0, 0.08], head: [0, 0, 1], front: [1, 0, 0], left: [0, 1, 0] },
        half: [0.075, 0.27, 0.27],
      },
    ],
    camera: { turn: 12, height: 14 },
  },
  prone: {
    pose: {
      root: { pitch: 90, at: [0, 0, 0.12] },
      legs: both<Leg>({
        thigh: { heading: 172, ends: 'rest' },
        shank: { heading: 176, ends: 'rest' },
        toes: [-1, 0.1, -0.3],
        sole: [-0.3, 0, 1],
      }),
      arms: both(underForehead),
      touches: [
        { part: 'pelvis', at: 0.004 },
        { part: 'chest', at: 0.004 },
        { part: 'head', at: 0.05 },
      ],
      free: ['up', 'pitch', 'nod'],
    },
    things: () => [mat([-1, -0.42], [0.85, 0.42])],
    camera: { turn: 14, height: 24 },
  },
  "child's pose": {
    pose: {
      root: { pitch: 74, at: [0, 0, 0.25] },
      lumbar: { forward: 26 },
      thoracic: { forward: 18 },
      legs: both<Leg>({
        thigh: { heading: 30, ends: 'rest' },
        shank: { heading: 196, ends: 'rest' },
        toes: [-1, -0.25, -0.3],
        sole: [-0.3, 0, 1],
      }),
      arms: both<Arm>({
        hand: { within: 'room', at: [0.86, 0.2, 0.002], fingers: [1, 0, 0], palm: [0, 0, -1] },
        elbow: [0, 1, 0.25],
        elbowWithin: 'room',
      }),
      touches: [
        { part: 'hips', at: 0.235 },
        { part: 'head', at: 0.02 },
      ],
      free: ['up', 'pitch'],
    },
    things: () => [mat([-0.5, -0.55], [1.1, 0.55])],
    camera: { turn: 22, height: 30 },
  },
  quadruped: {
    pose: {
      root: { pitch: 78, at: [0, 0, 0.47] },
      neck: { forward: -4 },
      legs: both(kneeling([0, 0.02, -1])),
      arms: both(onFloorAhead(0.47, 0.18)),
      touches: [
        { part: 'knees', at: 0 },
        { part: 'shoulders', at: 0.555 },
      ],
      free: ['up', 'pitch'],
    },
    things: () => [mat([-0.6, -0.42], [0.9, 0.42])],
    camera: { turn: 20, height: 13 },
  },
  'leaning forward': {
    pose: {
      root: { pitch: 26, at: [0, 0, 0.55] },
      lumbar: { forward: 12 },
      thoracic: { forward: 12 },
      neck: { forward: 22 },
      legs: both(standOn(0.42, 0.15)),
      arms: both<Arm>({
        hand: { within: 'room', at: [0.52, 0.03, 0.704], fingers: [0.25, -1, 0], palm: [0, 0, -1] },
        elbow: [0.1, 1, 0.16],
        elbowWithin: 'room',
      }),
      ...sat(seatHigh),
    },
    things: () => [...seat([-0.03, 0], seatHigh), ...table([0.62, 0], [0.24, 0.42], 0.7)],
    camera: { turn: 24, height: 14 },
  },
  sitting: {
    pose: {
      root: { pitch: 0, at: [0, 0, 0.55] },
      legs: both(standOn(0.43, 0.15)),
      arms: both(onThigh),
      ...sat(seatHigh),
    },
    things: () => seat([0, 0], seatHigh),
    camera: { turn: 42, height: 10 },
  },
  'long kneel': {
    pose: {
      root: { pitch: 0, at: [0, 0, 0.47] },
      legs: both(kneeling([0.02, 0.04, -1])),
      arms: both(hanging),
      touches: [{ part: 'knees', at: 0 }],
      free: ['up'],
    },
    things: () => [mat([-0.75, -0.4], [0.45, 0.4])],
    camera: { turn: 34, height: 12 },
  },
  'standing at a wall': {
    pose: {
      root: { pitch: -2, at: [0, 0, 0.86] },
      legs: both(standOn(0.24, 0.1)),
      arms: both<Arm>({ within: 'chest', upper: [-1, 0.02, 0.14], fore: [-1, 0.16, 0.02] }),
      touches: [],
      free: [],
    },
    things: (body) => [
      wall(furthestBack(body) - 0.002, true, -0.5, 0.5, 1.95),
      mat([furthestBack(body), -0.5], [0.7, 0.5]),
    ],
    camera: { turn: 32, height: 8 },
  },
  'elbows on the wall': {
    pose: {
      root: { pitch: 5, at: [0, 0, 0.88] },
      thoracic: { forward: 6 },
      legs: both(standOn(-0.06, 0.1)),
      arms: both<Arm>({
        within: 'room',
        upper: [1, -0.12, -0.06],
        fore: [0.02, 0, 1],
        fingers: [0.02, 0, 1],
        palm: [0, -1, 0],
      }),
      touches: [],
      free: [],
    },
    things: (body) => {
      const at = Math.max(body.arms.left.elbow[0], body.arms.left.wrist[0]) + radii.forearm[0] * body.build.breadth;
      return [wall(at, true, -0.6, 0.6, 2.0), mat([-0.5, -0.5], [at, 0.5])];
    },
    camera: { turn: -48, height: 9 },
  },
  'hands on a surface': {
    pose: {
      root: { pitch: 40, at: [-0.12, 0, 0.83] },
      lumbar: { forward: 6 },
      thoracic: { forward: 8 },
      neck: { forward: -6 },
      legs: both(standOn(-0.02, 0.11)),
      arms: both<Arm>({
        hand: { within: 'room', at: [0.48, 0.18, 0.782], fingers: [1, 0.05, 0], palm: [0, 0, -1] },
        elbow: [-1, 0.4, -0.2],
        elbowWithin: 'room',
      }),
      touches: [],
      free: [],
    },
    things: () => table([0.66, 0], [0.24, 0.42], 0.78),
    camera: { turn: 16, height: 10 },
  },
  standing: {
    pose: {
      root: { pitch: 0, at: [0, 0, 0.896] },
      legs: both(standOn(0.005, 0.1)),
      arms: both(hanging),
      touches: [],
      free: [],
    },
    things: () => [mat([-0.35, -0.4], [0.45, 0.4])],
    camera: { turn: 44, height: 8 },
  },
  walking: {
    pose: {
      root: { pitch: 2, at: [0, 0, 0.872] },
      thoracic: { turn: 6 },
      legs: {
        left: { foot: [0.27, 0.08, foot + 0.012], knee: [1, 0.05, 0.1], toes: [1, 0.08, 0.18], sole: [0.18, 0, -1] },
        right: { foot: [-0.3, 0.08, foot + 0.06], knee: [1, 0.05, 0], toes: [1, 0.08, -0.55], sole: [-0.5, 0, -1] },
      },
      arms: {
        left: { within: 'room', upper: [-0.42, 0.14, -1], fore: [-0.12, 0.05, -1] },
        right: { within: 'room', upper: [0.3, 0.14, -1], fore: [0.62, 0.0, -1] },
      },
      touches: [],
      free: [],
    },
    things: () => [mat([-0.6, -0.35], [0.7, 0.35])],
    camera: { turn: 26, height: 8 },
  },
  bridge: {
    pose: {
      root: { pitch: -120, at: [0, 0, 0.36] },
      thoracic: { forward: 8 },
      neck: { forward: 20 },
      legs: both<Leg>({ foot: [0.36, 0.1, foot], knee: [0.6, 0.02, 1], toes: [1, 0.08, 0] }),
      arms: both<Arm>({
        hand: { within: 'room', at: [0.02, 0.27, 0.004], fingers: [1, 0.1, 0], palm: [0, 0, -1] },
        elbow: [0, -0.5, 1],
      }),
      touches: [
        { part: 'chest', at: 0.004 },
        { part: 'head', at: 0.012 },
      ],
      free: ['up', 'nod'],
    },
    things: () => [mat([-0.9, -0.42], [0.65, 0.42])],
    camera: { turn: 24, height: 16 },
  },
  'forearm kneel': {
    pose: {
      root: { pitch: 88, at: [0, 0, 0.34] },
      neck: { forward: -4 },
      legs: both<Leg>({
        thigh: { heading: 178, ends: 'rest' },
        shank: { heading: 180, ends: 'rest' },
        toes: [-1, 0, -0.3],
        sole: [-0.3, 0, 1],
      }),
      arms: both<Arm>({ within: 'room', upper: [0.02, 0, -1], fore: [1, -0.12, 0], palm: [0, 0, -1] }),
      touches: [
        { part: 'hips', at: 0.29 },
        { part: 'shoulders', at: 0.375 },
      ],
      free: ['up', 'pitch'],
    },
    things: () => [mat([-0.95, -0.42], [0.9, 0.42])],
    camera: { turn: 18, height: 16 },
  },
  'side plank': {
    pose: {
      root: { pitch: -62, roll: -90, at: [0, 0, 0.26] },
      legs: {
        right: { thigh: { heading: 24, ends: 'rest' }, shank: { heading: -66, ends: 'rest' }, toes: [0.9, 0.4, 0] },
        left: { thigh: { heading: -24, ends: 0.165 }, shank: { heading: 66, ends: 0.115 }, toes: [0.9, -0.4, 0] },
      },
      arms: {
        right: { within: 'room', upper: [0, 0, -1], fore: [-0.1, 1, 0], palm: [0, 0, -1] },
        left: { hand: { on: 'trunk', height: 0.05, round: 75, fingers: 150 }, elbow: [0, 0.3, 1] },
      },
      touches: [
        { part: 'hips', at: 0.27 },
        { part: 'shoulders', at: 0.5 },
      ],
      free: ['up', 'pitch'],
    },
    things: () => [mat([-0.8, -0.55], [0.65, 0.45])],
    camera: { turn: 14, height: 14 },
  },
  bear: {
    pose: {
      root: { pitch: 78, at: [0, 0, 0.55] },
      neck: { forward: -4 },
      legs: both<Leg>({
        foot: [-0.4, 0.1, 0.155],
        knee: [1, 0, -0.6],
        toes: [0.55, 0, -0.83],
        sole: [-0.83, 0, -0.55],
      }),
      arms: both(onFloorAhead(0.46, 0.18)),
      touches: [
        { part: 'hips', at: 0.54 },
        { part: 'shoulders', at: 0.555 },
      ],
      free: ['up', 'pitch'],
    },
    things: () => [mat([-0.7, -0.42], [0.9, 0.42])],
    camera: { turn: 16, height: 12 },
  },
  'loaded stand': {
    pose: {
      root: { pitch: 0, at: [0, 0, 0.896] },
      legs: both(standOn(0.005, 0.11)),
      arms: both<Arm>({
        within: 'chest',
        upper: [-1, 0.03, 0.16],
        fore: [-1, 0.12, 0.02],
        palm: [0, 0, -1],
        grip: true,
      }),
      touches: [],
      free: [],
    },
    things: () => [mat([-0.35, -0.4], [0.45, 0.4])],
    camera: { turn: 44, height: 8 },
  },
};
