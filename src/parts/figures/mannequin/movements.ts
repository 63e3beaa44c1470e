import { type MovementId, type PositionId } from '@/core/catalogue';
import { type Figure, type Limb, type Point, type Pose, solve } from './pose';
import { type FrontPose, solveFront } from './front';
import { type Scene, type Thing, box, scenes } from './poses';

/** How a movement is drawn: the pose it goes to or comes from as a thin outline, and an arrow. */
export interface MovementDrawing {
  /** What is drawn full, where that is not the position itself. */
  scene?: Scene;
  ghost: Pose | FrontPose | null;
  arrow:
    | { kind: 'straight'; from: Point; to: Point }
    | { kind: 'arc'; centre: Point; radius: number; from: number; to: number };
}

type SideMovement = (
  pose: Pose,
  figure: Figure,
) => { begin?: Partial<Pose>; ghost: Pose | null; arrow: MovementDrawing['arrow'] };

/** The other way round: the thin pose is where the movement begins. */
const from =
  (movement: SideMovement): SideMovement =>
  (pose, figure) => {
    const { ghost, arrow } = movement(pose, figure);
    return { ghost, arrow: arrow.kind === 'straight' ? { ...arrow, from: arrow.to, to: arrow.from } : arrow };
  };

/** The figure moved, with an arrow from a point of it to where that point goes. */
const moved =
  (change: (pose: Pose, figure: Figure) => Partial<Pose>, follow: (figure: Figure) => Point): SideMovement =>
  (pose, figure) => {
    const ghost: Pose = { ...pose, hipY: figure.hip[1], ...change(pose, figure) };
    return { ghost, arrow: { kind: 'straight', from: follow(figure), to: follow(solve(ghost)) } };
  };

const only =
  (arrow: (figure: Figure) => MovementDrawing['arrow']): SideMovement =>
  (_pose, figure) => ({ ghost: null, arrow: arrow(figure) });

const nearLeg = (leg: Limb) => (pose: Pose) => ({ near: { ...pose.near, leg } });
const arms =
  (arm: Limb, far = arm) =>
  (pose: Pose) => ({ near: { ...pose.near, arm }, far: { ...pose.far, arm: far } });
const shifted = ([x, y]: Point, dx: number, dy: number): Point => [x + dx, y + dy];
const ankle = ({ near }: Figure) => near.leg.end;
const hand = ({ near }: Figure) => near.arm.tip;
const hip = ({ hip: point }: Figure) => point;

/** Feet stay where they stand while the hips go somewhere else. */
const feetStay = (figure: Figure): Pick<Pose, 'near' | 'far'> => {
  const limb = (side: 'near' | 'far'): { leg: Limb; arm: Limb } => ({
    leg: { to: figure[side].leg.end, turn: figure[side].leg.turn },
    arm: { to: figure[side].arm.end, turn: figure[side].arm.turn },
  });
  return { near: limb('near'), far: limb('far') };
};

const lowered: Partial<Pose> = {
  hipY: 6.2,
  pelvis: 180,
  lumbar: -2,
  thoracic: 3,
  neck: -5,
  head: 3,
};

/** A bear comes from its knees; a forearm kneel lifts them. */
const bearFromKnees = moved(
  (pose) => ({
    hipY: 27.7,
    pelvis: 15,
    near: { ...pose.near, leg: { directions: [-90, 182.8], turn: 200 } },
    far: { ...pose.far, leg: { directions: [-90, 182.8], turn: 200 } },
  }),
  ({ near }) => near.leg.middle,
);

const kneesLift = moved(
  (pose, figure) => ({
    hipY: figure.hip[1] + 5.5,
    pelvis: 9,
    near: { ...pose.near, leg: { on: 0, at: -44, turn: -72 } },
    far: { ...pose.far, leg: { on: 0, at: -44, turn: -72 } },
  }),
  ({ near }) => near.leg.middle,
);

const sideTable: Readonly<Partial<Record<MovementId, SideMovement>>> = {
  bridge: from(
    moved(
      (_pose, figure) => ({
        ...lowered,
        hipX: -0.6,
        ...feetStay(figure),
        ...arms({ directions: [-11, 0], turn: -2 })(figureArms(figure)),
      }),
      hip,
    ),
  ),
  march: moved((pose, figure) => nearLeg({ to: shifted(ankle(figure), -3, 9), turn: -14 })(pose), ankle),
  heelSlide: moved((pose, figure) => nearLeg({ on: 0, at: ankle(figure)[0] + 13, turn: 14 })(pose), ankle),
  nod: moved(
    (pose) => ({ head: (pose.head ?? 0) + 22 }),
    ({ headCentre, headTurn }) => along2(headCentre, headTurn - 90, 6),
  ),
  headTurn: only(({ headCentre }) => ({ kind: 'arc', centre: headCentre, radius: 10, from: 150, to: 30 })),
  pelvicRock: only(({ hip: centre, spine: [turn] }) => ({
    kind: 'arc',
    centre,
    radius: 11,
    from: turn - 60,
    to: turn - 150,
  })),
  rockBack: moved(
    (_pose, figure) => ({ hipX: figure.hip[0] - 11, hipY: figure.hip[1] - 4.5, pelvis: 6, ...feetStay(figure) }),
    hip,
  ),
  legOut: moved(
    (_pose, figure) => ({ hipX: figure.hip[0] - 8, hipY: figure.hip[1] - 3, pelvis: 9, ...feetStay(figure) }),
    hip,
  ),
  sideReach: only((figure) => ({
    kind: 'arc',
    centre: figure.ribs,
    radius: 16,
    from: 20,
    to: 75,
  })),
  armsOpen: (pose, figure) => {
    const [, , chest] = figure.spine;
    // Lying on the side the upper arm draws an arc; upright the elbows stay in and the hands go apart.
    if (Math.abs(chest) > 150 && pose.hipY === 20) {
      return { ghost: null, arrow: { kind: 'arc', centre: figure.shoulder, radius: 27, from: 84, to: -48 } };
    }
    const begin = arms({ directions: [chest + 176, chest + 262], turn: chest + 264 })(pose);
    const held = solve({ ...pose, hipY: figure.hip[1], ...begin }).near.arm.tip;
    return {
      begin,
      ghost: null,
      arrow: { kind: 'straight', from: shifted(held, 0.5, 3), to: shifted(held, 8.5, 4.5) },
    };
  },
  armsUp: moved(
    (pose, figure) =>
      arms({ directions: [figure.spine[2] + 3, figure.spine[2] + 10], turn: figure.spine[2] + 12 })(pose),
    hand,
  ),
  chestLift: moved(
    (pose) => ({ thoracic: pose.thoracic - 20, neck: pose.neck + 6 }),
    ({ shoulder }) => shoulder,
  ),
  forwardFold: moved(
    (pose) => ({ pelvis: 52, lumbar: 24, thoracic: 16, ...arms({ directions: [-84, -76], turn: -76 })(pose) }),
    ({ headCentre }) => headCentre,
  ),
  kneesFloat: (pose, figure) => (pose.hipY! > 20 ? from(bearFromKnees)(pose, figure) : kneesLift(pose, figure)),
  headLift: moved(
    (pose) => ({ thoracic: -13, neck: -10, near: { ...pose.near, arm: { directions: [176, 180], turn: 178 } } }),
    ({ headCentre }) => headCentre,
  ),
  squat: moved(
    (_pose, figure) => ({
      hipX: -12,
      hipY: 32,
      pelvis: 58,
      lumbar: -4,
      thoracic: 0,
      ...feetStay(figure),
      ...arms({ directions: [-22, -6], turn: -4 })(figureArms(figure)),
    }),
    hip,
  ),
  hinge: moved(
    (_pose, figure) => ({
      hipX: figure.hip[0] - 11,
      hipY: Math.min(figure.hip[1], 50.4),
      pelvis: 44,
      lumbar: -2,
      thoracic: 2,
      ...feetStay(figure),
      ...arms({ directions: [-78, -72], turn: -72 })(figureArms(figure)),
    }),
    ({ shoulder }) => shoulder,
  ),
  press: (pose, figure) => {
    const begin = arms({ directions: [-52, 86], turn: 88 })(pose);
    const { ghost, arrow } = moved((own) => arms({ directions: [80, 90], turn: 92 })(own), hand)(
      { ...pose, ...begin },
      solve({ ...pose, hipY: figure.hip[1], ...begin }),
    );
    return { begin, ghost, arrow };
  },
  row: moved((pose) => arms({ directions: [-150, -60], turn: -62 })(pose), hand),
  chairRise: moved(
    (_pose, figure) => ({
      hipX: 13,
      hipY: 42,
      pelvis: 56,
      lumbar: -2,
      thoracic: 2,
      ...feetStay(figure),
      ...arms({ directions: [-64, -40], turn: -40 })(figureArms(figure)),
    }),
    hip,
  ),
  heelDrag: only((figure) => ({
    kind: 'straight',
    from: shifted(ankle(figure), 8, 4),
    to: shifted(ankle(figure), 8, -8),
  })),
  handsPress: only((figure) => ({
    kind: 'straight',
    from: shifted(hand(figure), 1, 12),
    to: shifted(hand(figure), 1, 2.6),
  })),
  elbowsLeave: only((figure) => ({
    kind: 'straight',
    from: shifted(figure.near.arm.middle, 0.5, -5),
    to: shifted(figure.near.arm.middle, -8, -5),
  })),
  step: only((figure) => ({ kind: 'straight', from: shifted(figure.hip, 10, 0), to: shifted(figure.hip, 21, 0) })),
};

const along2 = ([x, y]: Point, direction: number, length: number): Point => [
  x + Math.cos((direction * Math.PI) / 180) * length,
  y + Math.sin((direction * Math.PI) / 180) * length,
];

/** Arms of a solved figure as a pose would give them. */
const figureArms = (figure: Figure): Pose => ({
  hipX: figure.hip[0],
  hipY: figure.hip[1],
  pelvis: figure.spine[0],
  lumbar: 0,
  thoracic: 0,
  neck: 0,
  ...feetStay(figure),
});

/** A stool seen from the front, behind the legs. */
const frontSeat = (): Thing[] => [
  box([-15, 21.5], [15, 24.5]),
  box([-13, 0], [-11.6, 21.5]),
  box([11.6, 0], [13, 21.5]),
];

const frontBase: Readonly<Partial<Record<PositionId, FrontPose>>> = {
  sitting: front([0, 29.5], 'sitting'),
  standing: front([0, 53], 'standing'),
  'long kneel': front([0, 27.8], 'kneeling'),
  'loaded stand': front([0, 53], 'standing'),
};

function front(hipAt: Point, legs: 'sitting' | 'standing' | 'kneeling'): FrontPose {
  return {
    hip: hipAt,
    spine: 90,
    bend: 0,
    head: 0,
    arms: { left: { directions: [-76, -94] }, right: { directions: [-104, -86] } },
    legs: { kind: legs },
  };
}

/** A bend opens the side it goes away from: the arm of the open side reaches over. */
function bent(base: FrontPose, open: 'left' | 'right'): FrontPose {
  const sign = open === 'left' ? 1 : -1;
  const reach = open === 'left' ? { directions: [96, 122] as const } : { directions: [84, 58] as const };
  const rest = open === 'left' ? { directions: [-112, -92] as const } : { directions: [-68, -88] as const };
  return {
    ...base,
    bend: 32 * sign,
    arms: open === 'left' ? { left: reach, right: rest } : { left: rest, right: reach },
  };
}

/**
 * How a movement looks in a position; null where it is not drawn.
 *
 * @param open the side that is worked, for bends
 */
export function movementDrawing(
  position: PositionId,
  movement: MovementId,
  open: 'left' | 'right' = 'left',
): MovementDrawing | null {
  if (movement === 'none') return null;
  const base = frontBase[position];
  if ((movement === 'sideBend' || movement === 'sideReach') && base) {
    const pose = bent(base, open);
    const centre: Point = [base.hip[0], base.hip[1] + 10];
    const radius = solveFront(base).headCentre[1] - centre[1] + 15;
    const turns = open === 'left' ? { from: 84, to: 116 } : { from: 96, to: 64 };
    return {
      scene: { view: 'front', pose, things: position === 'sitting' ? frontSeat : () => [] },
      ghost: base,
      arrow: { kind: 'arc', centre, radius, ...turns },
    };
  }
  const scene = scenes[position];
  if (scene.view === 'front') {
    if (movement !== 'hipsLift') return null;
    const ghost: FrontPose = {
      ...scene.pose,
      hip: [scene.pose.hip[0] + 1, 8.6],
      spine: 151,
      legs: { kind: 'lying', direction: -12 },
    };
    return { ghost, arrow: { kind: 'straight', from: [0, 8], to: [0, 17] } };
  }
  const drawn = sideTable[movement]?.(scene.pose, solve(scene.pose));
  if (!drawn) return null;
  const { begin, ghost, arrow } = drawn;
  return { ...(begin ? { scene: { ...scene, pose: { ...scene.pose, ...begin } } } : {}), ghost, arrow };
}
