import { type MovementId, type PositionId } from '../catalogue';
import { lengths } from './build';
import { type Arm, type Leg, type Pose } from './pose';
import { type Body } from './solve';
import { type Vec, add, cosine, inFrame, sine } from '../vector';

/** A movement: from where to where, which of the two is drawn full, and the way an arrow takes. */
export interface Move {
  start: Pose;
  /** None where nothing that can be drawn goes elsewhere: pressing, dragging. */
  end: Pose | null;
  full: 'start' | 'end';
  /** Of a point of the body, in both poses; or the whole way, where it is no point of the body. */
  arrow: { follow: (body: Body) => Vec; bow?: Vec } | { way: (body: Body) => Vec[] };
}

type Moving = (pose: Pose, position: PositionId) => Move | null;

const foot = lengths.ankle;
const bothLegs = (leg: Leg): Pose['legs'] => ({ left: leg, right: leg });
const bothArms = (arm: Arm): Pose['arms'] => ({ left: arm, right: arm });
const lyingOnBack: readonly PositionId[] = ['hook-lying', 'legs on a chair', '90/90', 'crossed-leg tuck', 'propped'];

const goes = (
  change: (pose: Pose) => Partial<Pose>,
  follow: (body: Body) => Vec,
  { full = 'start', bow }: { full?: Move['full']; bow?: Vec } = {},
): Moving => {
  return (pose) => ({
    start: pose,
    end: { ...pose, ...change(pose) },
    full,
    arrow: { follow, ...(bow ? { bow } : {}) },
  });
};

const only =
  (way: (body: Body) => Vec[]): Moving =>
  (pose) => ({ start: pose, end: null, full: 'start', arrow: { way } });

/** Points of an arc by its angles in degrees. */
const around = (from: number, to: number, at: (s: number, c: number) => Vec): Vec[] =>
  Array.from({ length: 13 }, (_, step) => {
    const turn = from + ((to - from) * step) / 12;
    return at(sine(turn), cosine(turn));
  });

const hip = ({ spine }: Body): Vec => spine.pelvis.at;
const beyondHead = ({ head }: Body): Vec => inFrame(head, 0.2, 0, 0);
const leftTips = ({ arms }: Body): Vec => arms.left.tips;
const overhead: Arm = { within: 'chest', upper: [0.93, 0.12, 0.22], fore: [1, 0.06, -0.3], palm: [0, 0, -1] };
const reachingUp: Arm = { within: 'chest', upper: [1, 0.2, 0.16], fore: [1, 0.12, 0], palm: [0, 0, -1] };
const atShoulder: Arm = {
  hand: { within: 'chest', at: [0.125, 0.17, 0.225], fingers: [0.2, 0.3, -1], palm: [0.2, 1, 0.3], grip: true },
  elbow: [-1, 0.5, 0.5],
};

/** An arm that hangs goes straight down, however the trunk is bent. */
const hangingDown = (arm: Arm): Arm =>
  'upper' in arm ? { ...arm, within: 'room', upper: [0.02, 0.28, -1], fore: [0.05, 0.14, -1], palm: [0, -1, 0] } : arm;

/** Hands behind the head stay there in a bend. */
const keepsHands = (arm: Arm): boolean => 'hand' in arm && arm.hand.within === 'head';

const bent: Moving = (pose, position) => {
  const holds = 'grip' in pose.arms.right && pose.arms.right.grip;
  const end: Pose = {
    ...pose,
    root: { ...pose.root, lean: (pose.root.lean ?? 0) - (position === 'sitting' ? 0 : 5) },
    lumbar: { ...pose.lumbar, left: -14 },
    thoracic: { ...pose.thoracic, left: -20 },
    neck: { ...pose.neck, left: -6 },
    arms: {
      left: holds || keepsHands(pose.arms.left) ? pose.arms.left : overhead,
      right: 'upper' in pose.arms.right ? hangingDown(pose.arms.right) : pose.arms.right,
    },
  };
  return {
    start: pose,
    end,
    full: 'end',
    arrow: holds
      ? { follow: (body) => inFrame(body.head, 0.2, 0, 0.04) }
      : { follow: (body) => inFrame(body.head, 0.24, 0, 0.16), bow: [0, -0.02, 0.05] },
  };
};

/** Knees stay where they are while the hips go back. */
const rockedBack = (pose: Pose): Partial<Pose> => {
  const thigh: Vec = [0.46, 0.02, -0.89];
  const back = (leg: Leg): Leg =>
    'thigh' in leg
      ? { ...leg, thigh: { toward: [thigh[0], 'toward' in leg.thigh ? leg.thigh.toward[1] : 0, thigh[2]] } }
      : leg;
  return {
    root: { ...pose.root, at: [pose.root.at[0] - lengths.thigh * 0.46, 0, 0.42] },
    legs: { left: back(pose.legs.left), right: back(pose.legs.right) },
    touches: pose.touches.map((contact) => (contact.part === 'shoulders' ? { ...contact, at: 0.5 } : contact)),
  };
};

const moves: Readonly<Record<MovementId, Moving>> = {
  none: () => null,
  bridge: (pose) => ({
    start: {
      ...pose,
      root: { pitch: -90, at: [0.05, 0, 0.13] },
      thoracic: {},
      neck: {},
      legs: bothLegs({ ...(pose.legs.left as Extract<Leg, { foot: Vec }>), knee: [0, 0.02, 1] }),
      touches: [
        { part: 'pelvis', at: 0.004 },
        { part: 'chest', at: 0.004 },
        { part: 'head', at: 0.012 },
      ],
      free: ['up', 'pitch', 'nod'],
    },
    end: pose,
    full: 'end',
    arrow: {
      way: (body) => {
        const [x, , z] = hip(body);
        return [
          [x, -0.3, z - 0.22],
          [x, -0.3, z - 0.03],
        ];
      },
    },
  }),
  march: (pose) => ({
    start: pose,
    end: {
      ...pose,
      legs: {
        ...pose.legs,
        right: { foot: [0.47, 0.1, foot + 0.1], knee: [0, 0.02, 1], toes: [1, 0.08, 0.15], sole: [0.1, 0, -1] },
      },
    },
    full: 'end',
    arrow: {
      way: ({ legs }) => [add(legs.right.toe, [0.06, 0, -0.1]), add(legs.right.toe, [0.06, 0, 0.08])],
    },
  }),
  heelSlide: goes(
    (pose) => ({
      legs: {
        ...pose.legs,
        right: { foot: [0.74, 0.1, 0.095], knee: [0, 0.02, 1], toes: [0.75, 0.08, 0.6], sole: [0.6, 0, -0.75] },
      },
    }),
    ({ legs }) => add(legs.right.heel, [0, -0.13, 0.02]),
  ),
  sideBend: bent,
  sideReach: (pose, position) =>
    position !== "child's pose"
      ? bent(pose, position)
      : {
          start: pose,
          end: {
            ...pose,
            lumbar: { ...pose.lumbar, left: -14 },
            thoracic: { ...pose.thoracic, left: -18 },
            arms: {
              left: {
                hand: { within: 'room', at: [0.78, -0.24, 0.002], fingers: [1, -0.75, 0], palm: [0, 0, -1] },
                elbow: [0.3, 1, 0.3],
                elbowWithin: 'room',
              },
              right: {
                hand: { within: 'room', at: [0.66, 0.52, 0.002], fingers: [1, 0.75, 0], palm: [0, 0, -1] },
                elbow: [-0.5, 1, 0.3],
                elbowWithin: 'room',
              },
            },
          },
          full: 'end',
          arrow: {
            way: () => [
              [1.0, 0.12, 0.01],
              [0.98, -0.12, 0.01],
              [0.9, -0.34, 0.01],
            ],
          },
        },
  headTurn: (pose) => ({
    start: pose,
    end: { ...pose, head: { ...pose.head, turn: 42 } },
    full: 'start',
    // Round the crown, in front of the face: as far as the nose goes and a little further.
    arrow: { way: ({ head }) => around(-40, 64, (s, c) => inFrame(head, 0.03, 0.2 * c, 0.2 * s)) },
  }),
  nod: (pose) => ({
    start: pose,
    end: { ...pose, head: { ...pose.head, forward: (pose.head?.forward ?? 0) + 16 } },
    full: 'start',
    arrow: {
      way: ({ head }) => around(80, 26, (s, c) => inFrame(head, 0.2 * s, 0.2 * c, 0)),
    },
  }),
  pelvicRock: (pose, position) =>
    lyingOnBack.includes(position)
      ? {
          start: pose,
          end: null,
          full: 'start',
          arrow: {
            way: ({ spine }) =>
              around(-20, 55, (s, c) => inFrame(spine.pelvis, 0.06 + 0.17 * s, 0.06 + 0.17 * c, -0.12)),
          },
        }
      : {
          start: pose,
          end: {
            ...pose,
            root: { ...pose.root, pitch: -13 },
            lumbar: { ...pose.lumbar, forward: 16 },
            thoracic: { ...pose.thoracic, forward: 10 },
          },
          full: 'start',
          arrow: {
            way: ({ spine }) => around(-30, 60, (s, c) => inFrame(spine.pelvis, 0.05 + 0.24 * s, -0.24 * c, 0)),
          },
        },
  pelvicClock: only(({ spine }) =>
    // The face of a clock lying on the lower belly, from past twelve round to it again.
    around(20, 330, (s, c) => inFrame(spine.pelvis, 0.07 + 0.13 * c, 0.15, -0.13 * s)),
  ),
  rockBack: goes(rockedBack, (body) => add(hip(body), [-0.02, 0, 0.2]), { full: 'end' }),
  armsOpen: (pose, position) => {
    if (position === 'side-lying') {
      return {
        start: pose,
        end: {
          ...pose,
          thoracic: { turn: 14 },
          arms: {
            ...pose.arms,
            left: { within: 'room', upper: [-0.35, 0.35, 0.87], fore: [-0.45, 0.5, 0.8], palm: [0, -1, 0] },
          },
        },
        full: 'start',
        arrow: { follow: leftTips, bow: [0, 0, 0.22] },
      };
    }
    const open = (arm: Arm): Arm => {
      if (!('hand' in arm) || arm.hand.within !== 'chest') return arm;
      if (arm.elbow[1] > 0.8) return { ...arm, elbow: [0.1, 0.1, 1] };
      const [high, front, out] = arm.hand.at;
      return { ...arm, hand: { ...arm.hand, at: [high, front - 0.03, out + 0.14] as const } };
    };
    const elbows = 'hand' in pose.arms.left && pose.arms.left.elbow[1] > 0.8;
    return {
      start: pose,
      end: { ...pose, arms: { left: open(pose.arms.left), right: open(pose.arms.right) } },
      full: 'start',
      arrow: { follow: ({ arms }) => (elbows ? arms.left.elbow : arms.left.knuckles) },
    };
  },
  armsUp: goes(() => ({ arms: bothArms(reachingUp) }), leftTips, { bow: [0.25, 0, 0] }),
  chestLift: goes(
    (pose) => ({
      thoracic: { ...pose.thoracic, forward: (pose.thoracic?.forward ?? 0) - 18 },
      neck: { ...pose.neck, forward: 4 },
    }),
    (body) => inFrame(body.chest, 0.02, 0.24, 0),
    { full: 'end' },
  ),
  forwardFold: goes(
    (pose) => ({
      root: { ...pose.root, pitch: 42 },
      lumbar: { forward: 24 },
      thoracic: { forward: 20 },
      neck: { forward: 10 },
      arms: bothArms({ within: 'room', upper: [0.35, 0.1, -1], fore: [0.1, 0, -1] }),
    }),
    beyondHead,
    { full: 'end', bow: [0.12, 0, 0.1] },
  ),
  kneesFloat: (pose, position) =>
    position === 'bear'
      ? {
          start: {
            ...pose,
            legs: bothLegs({
              thigh: { toward: [0, 0.02, -1] },
              shank: { heading: 180, ends: 0.16 },
              toes: [0.5, 0, -0.86],
              sole: [-0.86, 0, -0.5],
            }),
            touches: [
              { part: 'knees', at: 0 },
              { part: 'shoulders', at: 0.555 },
            ],
          },
          end: pose,
          full: 'end',
          arrow: {
            way: ({ legs }) => [add(legs.right.knee, [-0.02, -0.1, -0.1]), add(legs.right.knee, [-0.02, -0.1, 0.1])],
          },
        }
      : {
          start: pose,
          end: {
            ...pose,
            legs: bothLegs({
              foot: [-0.79, 0.1, 0.16],
              knee: [0.1, 0, -1],
              toes: [0.5, 0, -0.86],
              sole: [-0.86, 0, -0.5],
            }),
            touches: [
              { part: 'hips', at: 0.33 },
              { part: 'shoulders', at: 0.375 },
            ],
          },
          full: 'end',
          arrow: {
            way: ({ legs }) => [add(legs.right.knee, [0, -0.12, -0.14]), add(legs.right.knee, [0, -0.12, 0.06])],
          },
        },
  hipsLift: (pose) => ({
    start: {
      ...pose,
      root: { ...pose.root, pitch: -80 },
      touches: [
        { part: 'pelvis', at: 0.004 },
        { part: 'shoulders', at: 0.49 },
      ],
      thoracic: { ...pose.thoracic, left: 12 },
    },
    end: pose,
    full: 'end',
    arrow: {
      way: (body) => {
        const [x, y, z] = hip(body);
        return [
          [x + 0.05, y - 0.24, z - 0.2],
          [x + 0.05, y - 0.24, z + 0.02],
        ];
      },
    },
  }),
  headLift: goes(
    (pose) => ({
      thoracic: { forward: -12 },
      neck: { forward: -10 },
      touches: pose.touches
        .filter(({ part }) => part !== 'head' && part !== 'chest')
        .concat({ part: 'belly', at: 0.006 }),
      free: ['up', 'pitch'],
    }),
    (body) => inFrame(body.head, 0.1, 0.05, 0.26),
    { full: 'end' },
  ),
  squat: goes(
    (pose) => ({
      root: { ...pose.root, pitch: 36, at: [-0.2, 0, 0.5] },
      lumbar: { forward: 4 },
      neck: { forward: -14 },
      arms: bothArms({ within: 'room', upper: [1, 0.05, -0.15], fore: [1, -0.1, 0.05] }),
    }),
    (body) => add(hip(body), [-0.24, 0, 0.05]),
    { full: 'end' },
  ),
  hinge: (pose, position) => ({
    start: pose,
    end: {
      ...pose,
      root: {
        ...pose.root,
        pitch: position === 'hands on a surface' ? 58 : 50,
        at: [pose.root.at[0] - 0.15, 0, 0.845],
      },
      lumbar: { forward: 2 },
      thoracic: { forward: 2 },
      neck: { forward: -10 },
      arms: { left: hangingDown(pose.arms.left), right: hangingDown(pose.arms.right) },
    },
    full: 'end',
    arrow: { follow: (body) => add(hip(body), [-0.14, -0.12, 0.06]) },
  }),
  press: (pose) => ({
    start: { ...pose, arms: bothArms(atShoulder) },
    end: {
      ...pose,
      arms: bothArms({ within: 'chest', upper: [1, 0.1, 0.12], fore: [1, 0.04, -0.06], palm: [0, 1, 0], grip: true }),
    },
    full: 'start',
    arrow: { follow: ({ arms }) => add(arms.left.knuckles, [0, 0.1, 0]) },
  }),
  row: (pose) => ({
    start: {
      ...pose,
      arms: bothArms({
        within: 'chest',
        upper: [-0.25, 1, -0.02],
        fore: [-0.05, 1, -0.06],
        palm: [0, 0, -1],
        grip: true,
      }),
    },
    end: {
      ...pose,
      arms: bothArms({
        within: 'chest',
        upper: [-0.75, -0.7, 0.3],
        fore: [0.1, 1, -0.12],
        palm: [0, 0, -1],
        grip: true,
      }),
    },
    full: 'end',
    arrow: { way: ({ arms }) => [add(arms.right.elbow, [0.12, -0.1, 0.1]), add(arms.right.elbow, [-0.12, -0.1, 0.1])] },
  }),
  chairRise: (pose) => ({
    start: {
      ...pose,
      root: { ...pose.root, pitch: 36 },
      lumbar: { forward: 4 },
      neck: { forward: -12 },
      legs: bothLegs({ foot: [0.36, 0.13, foot], knee: [1, 0.12, 0.3] }),
    },
    end: {
      ...pose,
      root: { pitch: 0, at: [0.36, 0, 0.893] },
      legs: bothLegs({ foot: [0.36, 0.13, foot], knee: [1, 0.12, 0.3] }),
      arms: bothArms({ within: 'chest', upper: [-1, 0.03, 0.13], fore: [-1, 0.2, 0.02] }),
      touches: [],
      free: [],
    },
    full: 'start',
    arrow: { follow: (body) => inFrame(body.head, 0.16, 0, 0), bow: [-0.06, 0, 0.03] },
  }),
  legOut: goes(
    (pose) => {
      const { root, legs } = rockedBack(pose);
      return {
        root: { ...root!, at: [root!.at[0] * 0.75, 0, 0.42] },
        legs: { ...legs!, left: pose.legs.left },
        touches: pose.touches,
      };
    },
    (body) => add(hip(body), [0, 0, 0.24]),
  ),
  heelDrag: only(({ legs }) => [add(legs.right.heel, [-0.06, -0.1, 0.06]), add(legs.right.heel, [-0.06, -0.1, -0.16])]),
  handsPress: (pose, position) =>
    lyingOnBack.includes(position)
      ? {
          start: {
            ...pose,
            arms: bothArms({
              within: 'room',
              upper: [-0.55, 0.02, 1],
              fore: [-0.2, -0.05, 1],
              palm: [1, 0, 0],
              grip: true,
            }),
          },
          end: {
            ...pose,
            arms: bothArms({
              within: 'room',
              upper: [0.75, 0.1, 0.5],
              fore: [1, 0.05, 0.12],
              palm: [0, 0, -1],
              grip: true,
            }),
          },
          full: 'end',
          arrow: { follow: ({ arms }) => add(arms.right.knuckles, [0, -0.06, 0.06]), bow: [0.1, 0, 0.16] },
        }
      : only(({ arms }) => [add(arms.right.knuckles, [0, -0.08, 0.26]), add(arms.right.knuckles, [0, -0.08, 0.05])])(
          pose,
          position,
        ),
  elbowsLeave: only(({ arms }) => [
    add(arms.right.elbow, [-0.02, -0.09, -0.09]),
    add(arms.right.elbow, [-0.26, -0.09, -0.09]),
  ]),
  step: only((body) => {
    const [x, , z] = hip(body);
    return [
      [x + 0.2, -0.05, z + 0.1],
      [x + 0.46, -0.05, z + 0.1],
    ];
  }),
};

/**
 * How a movement goes from a pose; null where nothing moves but the breath. In a movement with sides the worked one is the left.
 *
 */
export const movedFrom = (movement: MovementId, pose: Pose, position: PositionId): Move | null =>
  moves[movement](pose, position);
