import { type PositionId } from '@/core/catalogue';
import { radii } from './body';
import { type FrontPose } from './front';
import { type Figure, type Limb, type Point, type Pose, headOutline, inTrunk } from './pose';

/** A thing in the scene, in the figure's own units. */
export interface Thing {
  kind: 'wall' | 'furniture' | 'soft' | 'prop' | 'line';
  points: readonly Point[];
  closed: boolean;
  /** Round corners: drawn as a smooth shape through the points. */
  smooth?: boolean;
  layer: 'behind' | 'between' | 'front';
}

/** A position as it is drawn: from the side, from above where the side says nothing, or from the front. */
export type Scene =
  | { view: 'side' | 'above'; pose: Pose; things: (figure: Figure) => Thing[] }
  | { view: 'front'; pose: FrontPose; things: () => Thing[] };

export const box = (
  [left, bottom]: Point,
  [right, top]: Point,
  kind: Thing['kind'] = 'furniture',
  layer: Thing['layer'] = 'behind',
): Thing => ({
  kind,
  layer,
  closed: true,
  points: [
    [left, bottom],
    [right, bottom],
    [right, top],
    [left, top],
  ],
});

const line = (a: Point, b: Point, kind: Thing['kind'] = 'line', layer: Thing['layer'] = 'behind'): Thing => ({
  kind,
  layer,
  closed: false,
  points: [a, b],
});

const soft = (points: Point[], layer: Thing['layer'] = 'behind'): Thing => ({
  kind: 'soft',
  layer,
  closed: true,
  smooth: true,
  points,
});

const nothing = () => [];

/** Shin on the floor, top of the foot down: knee and ankle rest on it. */
const shinDown = { direction: 182.8, turn: 200 } as const;
const kneel = (thigh: number): Limb => ({ directions: [thigh, shinDown.direction], turn: shinDown.turn });

const stool = (hipX: number, top: number): Thing[] => [
  box([hipX - 9, top - 3], [hipX + 13, top]),
  line([hipX - 7, top - 3], [hipX - 7, 0], 'furniture'),
  line([hipX + 11, top - 3], [hipX + 11, 0], 'furniture'),
];

/** A pillow between the floor and the back of the head. */
function headPillow({ headCentre: [x] }: Figure, thick = 1.6): Thing {
  return soft([
    [x - 8, 0.1],
    [x + 6, 0.1],
    [x + 7, thick * 0.6],
    [x + 3, thick],
    [x - 5, thick],
    [x - 8.6, thick * 0.7],
  ]);
}

const hanging: Limb = { directions: [-103, -86], turn: -88 };
const armsByFloor = (turn = -2): Limb => ({ directions: [-11, 0], turn });

const upright = { lumbar: -8, thoracic: 9, neck: 9, head: -12, pelvis: 87 } as const;
const lying = { pelvis: 180, lumbar: -2, thoracic: 3, neck: -5, head: 3, armBeside: true } as const;

const standingLegs = (hipX: number, apart = 0.8): { near: Limb; far: Limb } => ({
  near: { on: 0, at: hipX - 1.4 + apart, turn: 0 },
  far: { on: 0, at: hipX - 1.4 - apart, turn: 0 },
});

const sittingLegs: { near: Limb; far: Limb } = {
  near: { on: 0, at: 25.6, turn: 0 },
  far: { on: 0, at: 24.2, turn: 0 },
};

const both = (leg: Limb, arm: Limb, farLeg = leg, farArm = arm) => ({
  near: { leg, arm },
  far: { leg: farLeg, arm: farArm },
});

const side = (pose: Pose, things: (figure: Figure) => Thing[] = nothing): Scene => ({ view: 'side', pose, things });

/** How each position is drawn. A position without a row would fail the type check. */
export const scenes: Readonly<Record<PositionId, Scene>> = {
  'crossed-leg tuck': side(
    {
      hipX: 0,
      pelvis: 197,
      lumbar: 10,
      thoracic: 8,
      neck: 14,
      head: 4,
      near: { leg: { directions: [134, -22], turn: 42 }, arm: { to: [-11.5, 19.5], turn: 40 } },
      far: { leg: { directions: [126, -8], turn: 60 }, arm: { to: [-9, 22.5], turn: 60 } },
    },
    (figure) => [headPillow(figure, 4.2)],
  ),
  propped: side(
    {
      hipX: 0,
      restOn: 'pelvis',
      pelvis: 152,
      lumbar: 10,
      thoracic: 6,
      neck: 4,
      head: 2,
      ...both({ on: 0, at: 37, turn: 0 }, { to: [-4.5, 18.5], turn: -6 }, { on: 0, at: 35.5, turn: 0 }),
    },
    (figure) => {
      const low = inTrunk(figure, 0.12, -1);
      const mid = inTrunk(figure, 0.5, -1);
      const high = inTrunk(figure, 0.98, -1);
      const head = headOutline(figure);
      const nape = head[9]!;
      const crown = head[11]!;
      return [
        {
          kind: 'soft',
          layer: 'behind',
          closed: true,
          points: [[low[0], 0], low, mid, high, nape, crown, [crown[0] - 6, crown[1] - 4], [crown[0] - 8, 0]],
        },
        soft(
          [
            [14, 0.1],
            [24.5, 0.1],
            [25.5, 6],
            [21, 13],
            [17.4, 13],
            [13.4, 6],
          ],
          'behind',
        ),
      ];
    },
  ),
  'legs on a chair': side(
    { hipX: 0, ...lying, ...both({ directions: [90, 0], turn: 82 }, armsByFloor(), { directions: [92, 0], turn: 80 }) },
    (figure) => {
      const top = figure.near.leg.middle[1] - radii.shank[0];
      return [
        headPillow(figure),
        box([2.5, top - 2.6], [25, top]),
        line([4.5, top - 2.6], [4.5, 0], 'furniture'),
        line([23.4, top + 22], [23.4, 0], 'furniture'),
      ];
    },
  ),
  'hook-lying': side(
    {
      hipX: 0,
      ...lying,
      ...both({ on: 0, at: 29, turn: 0 }, armsByFloor(), { on: 0, at: 27.4, turn: 0 }),
    },
    (figure) => [headPillow(figure)],
  ),
  '90/90': side(
    { hipX: 0, ...lying, ...both({ directions: [90, 0], turn: 90 }, armsByFloor(), { directions: [92, 0], turn: 90 }) },
    (figure) => {
      const wall = figure.near.leg.end[0] + 3.9;
      return [headPillow(figure), box([wall, 0], [wall + 2, 62], 'wall')];
    },
  ),
  'side-lying': {
    view: 'above',
    pose: {
      hipX: 0,
      hipY: 20,
      pelvis: 180,
      lumbar: 4,
      thoracic: 6,
      neck: 6,
      near: { leg: { directions: [52, -28], turn: 34 }, arm: { directions: [34, 96], turn: 92 } },
      far: { leg: { directions: [40, -42], turn: 24 }, arm: { directions: [104, 152], turn: 150 } },
    },
    things: (figure) => {
      const [x, y] = figure.headCentre;
      return [
        {
          kind: 'line',
          layer: 'behind',
          closed: true,
          points: [
            [-56, 4],
            [46, 4],
            [46, 56],
            [-56, 56],
          ],
        },
        soft([
          [x - 9, y - 9],
          [x + 5, y - 9],
          [x + 6, y],
          [x + 5, y + 10],
          [x - 9, y + 10],
          [x - 10.5, y],
        ]),
      ];
    },
  },
  'prone over half-dome': side(
    {
      hipX: 0,
      hipY: 14,
      pelvis: 20,
      lumbar: 22,
      thoracic: 20,
      neck: -12,
      head: -2,
      armBeside: true,
      ...both({ directions: [206, 183], turn: 200 }, { to: [57, 1.7], turn: -1 }, undefined, {
        to: [56, 1.9],
        turn: 0,
      }),
    },
    () => [
      {
        kind: 'soft',
        layer: 'behind',
        closed: true,
        points: Array.from({ length: 19 }, (_, i): Point => {
          const angle = (Math.PI * i) / 18;
          return [11.5 + 15 * Math.cos(angle), 11.4 * Math.sin(angle)];
        }),
      },
    ],
  ),
  prone: side(
    {
      hipX: 0,
      hipY: 6.3,
      pelvis: 1,
      lumbar: -1,
      thoracic: 2,
      neck: -6,
      head: 0,
      armBeside: true,
      ...both({ directions: [187.2, 182.8], turn: 200 }, { directions: [186, 190], turn: 188 }),
    },
    (figure) => [headPillow(figure, 1.3)],
  ),
  "child's pose": side(
    {
      hipX: -22.6,
      hipY: 12.8,
      pelvis: 22,
      lumbar: 26,
      thoracic: 13,
      neck: -6,
      head: 2,
      armBeside: true,
      ...both(kneel(-23), { to: [37, 1.7], turn: -1 }, undefined, { to: [36, 1.9], turn: 0 }),
    },
    (figure) => [headPillow(figure, 2.6)],
  ),
  quadruped: side({
    hipX: 0,
    hipY: 27.7,
    pelvis: 15,
    lumbar: 1,
    thoracic: 2,
    neck: 8,
    head: 6,
    ...both(kneel(-90), { on: 0, at: 28, turn: 0 }, kneel(-91), { on: 0, at: 29, turn: 0 }),
  }),
  'leaning forward': side(
    {
      hipX: 0,
      hipY: 29.5,
      pelvis: 60,
      lumbar: 5,
      thoracic: 8,
      neck: 4,
      head: -14,
      near: { leg: sittingLegs.near, arm: { directions: [-62, 2], turn: 0 } },
      far: { leg: sittingLegs.far, arm: { directions: [-58, 2], turn: 0 } },
    },
    (figure) => {
      const top = figure.near.arm.middle[1] - radii.forearm[0];
      return [
        ...stool(0, 24.5),
        box([22, top - 2.4], [62, top]),
        line([58, top - 2.4], [58, 0], 'furniture'),
        line([32, top - 2.4], [32, 0], 'furniture'),
      ];
    },
  ),
  sitting: side(
    {
      hipX: 0,
      hipY: 29.5,
      ...upright,
      near: { leg: sittingLegs.near, arm: { to: [13.5, 36], turn: -14 } },
      far: { leg: sittingLegs.far, arm: { to: [15, 36.4], turn: -14 } },
    },
    () => stool(0, 24.5),
  ),
  'long kneel': side({
    hipX: 0,
    hipY: 27.7,
    ...upright,
    ...both(kneel(-90), hanging, kneel(-92)),
  }),
  'standing at a wall': side(
    {
      hipX: 0,
      hipY: 51.6,
      pelvis: 90,
      lumbar: -2,
      thoracic: 3,
      neck: 4,
      head: -4,
      near: { leg: { on: 0, at: 9.4, turn: 0 }, arm: hanging },
      far: { leg: { on: 0, at: 8, turn: 0 }, arm: hanging },
    },
    () => [box([-8.2, 0], [-6.2, 108], 'wall')],
  ),
  'elbows on the wall': side(
    {
      hipX: 0,
      hipY: 52.4,
      pelvis: 82,
      lumbar: -4,
      thoracic: 6,
      neck: 6,
      head: -8,
      near: { leg: { on: 0, at: -5, turn: 0 }, arm: { directions: [-8, 88], turn: 90 } },
      far: { leg: { on: 0, at: -6.6, turn: 0 }, arm: { directions: [-4, 88], turn: 90 } },
    },
    (figure) => {
      const wall = figure.near.arm.middle[0] + radii.forearm[0];
      return [box([wall, 0], [wall + 2, 108], 'wall')];
    },
  ),
  'hands on a surface': side(
    {
      hipX: 0,
      hipY: 50.4,
      pelvis: 46,
      lumbar: 6,
      thoracic: 4,
      neck: -2,
      head: -6,
      near: { leg: { on: 0, at: 5.5, turn: 0 }, arm: { to: [48, 48.8], turn: -4 } },
      far: { leg: { on: 0, at: 4, turn: 0 }, arm: { to: [48.6, 48.8], turn: -4 } },
    },
    () => [box([44, 44.8], [76, 47.2]), line([50, 44.8], [50, 0], 'furniture'), line([74, 44.8], [74, 0], 'furniture')],
  ),
  standing: side({
    hipX: 0,
    hipY: 52.9,
    ...upright,
    near: { leg: standingLegs(0).near, arm: hanging },
    far: { leg: standingLegs(0).far, arm: hanging },
  }),
  walking: side({
    hipX: 0,
    hipY: 51.2,
    ...upright,
    near: { leg: { on: 0, at: 15, turn: 16 }, arm: { directions: [-114, -92], turn: -90 } },
    far: { leg: { on: 0, at: -15, turn: -36 }, arm: { directions: [-70, -44], turn: -44 } },
  }),
  bridge: side({
    hipX: 0,
    hipY: 21.6,
    pelvis: 212,
    lumbar: -2,
    thoracic: 4,
    neck: 24,
    head: 4,
    ...both({ on: 0, at: 22.5, turn: 0 }, { directions: [-13, 0], turn: -2 }, { on: 0, at: 21, turn: 0 }),
  }),
  'forearm kneel': side({
    hipX: 0,
    hipY: 11.2,
    pelvis: 19,
    lumbar: 0,
    thoracic: 0,
    neck: 8,
    head: 4,
    ...both({ directions: [199, 183], turn: 200 }, { directions: [-90, 0], turn: 0 }),
  }),
  'side plank': {
    view: 'front',
    pose: {
      hip: [0, 14.6],
      spine: 155,
      bend: -4,
      head: 6,
      arms: { left: { directions: [70, 70] }, right: { directions: [-90, -90], short: true } },
      legs: { kind: 'lying', direction: -24 },
    },
    things: nothing,
  },
  bear: side({
    hipX: 0,
    hipY: 31.2,
    pelvis: 8,
    lumbar: 2,
    thoracic: -1,
    neck: 6,
    head: 4,
    ...both(
      { on: 0, at: -24.2, turn: -65 },
      { on: 0, at: 28.6, turn: 0 },
      { on: 0, at: -25, turn: -65 },
      {
        on: 0,
        at: 29.4,
        turn: 0,
      },
    ),
  }),
  'loaded stand': side(
    {
      hipX: 0,
      hipY: 52.9,
      ...upright,
      near: { leg: standingLegs(0).near, arm: { directions: [-95, -88], turn: -90 } },
      far: { leg: standingLegs(0).far, arm: { directions: [-92, -86], turn: -90 } },
    },
    (figure) => weightIn(figure.near.arm.tip),
  ),
};

/** A dumbbell seen along the hand. */
export const weightIn = ([x, y]: Point): Thing[] => [
  box([x - 5.6, y - 1], [x + 5.6, y + 0.8], 'prop', 'front'),
  box([x - 6.6, y - 2.8], [x - 3.8, y + 2.6], 'prop', 'front'),
  box([x + 3.8, y - 2.8], [x + 6.6, y + 2.6], 'prop', 'front'),
];
