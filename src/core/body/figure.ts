import { type BandLevel, type MovementId, type PositionId, type PropId } from '../catalogue';
import { type Build, builds, radii, withBump } from './build';
import { handsIn } from './hands';
import { withLegs } from './legs';
import { type Loaded, loadedCameras, poseOfStance, stepOf } from './loaded';
import { movedFrom } from './movements';
import { type Arm, type Leg, type Pose, mirrored, sides } from './pose';
import { positionPoses } from './positions';
import { type FigureSpec } from './spec';
import { type Body, solve } from './solve';
import { type Thing, ball, box, seat, wall } from './things';
import { type Swelling, frameAt, ringHeights, ringAt, surfaceAt } from './trunk';
import { type Vec, add, between, cross, far, inFrame, minus, times, unit } from '../vector';

/** How high a band or towel lies round the trunk, in metres above the hip joints. */
const bandLevels: Readonly<Record<BandLevel, number>> = { waist: 0.13, 'lower ribs': 0.235, 'under the chest': 0.315 };

/** A figure laid out: its pose, where a movement comes from or goes to, what stands about it, and from where it is seen. */
export interface Figure {
  body: Body;
  other: Body | null;
  /** Which end of the movement is drawn full. */
  full: 'start' | 'end';
  things: Thing[];
  arrow: Vec[] | null;
  /** What of the body matters: the picture may end at the knees, or show the trunk alone. */
  shows: 'all' | 'upper' | 'trunk';
  camera: { turn: number; height: number };
}

const loops: readonly PropId[] = ['band', 'towel', 'freeBand'];
const onBack: readonly PositionId[] = [
  'hook-lying',
  'legs on a chair',
  '90/90',
  'crossed-leg tuck',
  'propped',
  'bridge',
];
const uprights: readonly PositionId[] = [
  'sitting',
  'standing',
  'long kneel',
  'loaded stand',
  'standing at a wall',
  'walking',
];

/** Hands that hold the ends of a band before the body, palms up, elbows in. */
const holdsEnds = (level: number): Pose['arms'] => {
  const arm: Arm = {
    hand: { within: 'chest', at: [level - 0.4, 0.26, 0.13], fingers: [0.1, 0.6, -1], palm: [1, 0.1, 0.2], grip: true },
    elbow: [-1, -0.3, 0.6],
  };
  return { left: arm, right: arm };
};

/** Knees apart for what is held between them. */
const kneesApart = (leg: Leg): Leg => {
  if ('foot' in leg)
    return {
      ...leg,
      foot: [leg.foot[0], Math.max(leg.foot[1], 0.15), leg.foot[2]],
      knee: add(leg.knee, [0, 0.1, 0]),
    };
  return 'toward' in leg.thigh
    ? { ...leg, thigh: { toward: [leg.thigh.toward[0], leg.thigh.toward[1] + 0.14, leg.thigh.toward[2]] } }
    : leg;
};

const heldBetweenKnees = (spec: FigureSpec): boolean => {
  const props = spec.props ?? [];
  if (props.includes('ball')) return true;
  return props.includes('pillow') && spec.position === 'side-lying';
};

const postures: Readonly<Record<'arched' | 'slouched', Partial<Pose>>> = {
  arched: {
    root: { pitch: 16, at: [0, 0, 0.55] },
    lumbar: { forward: -30 },
    thoracic: { forward: -12 },
    neck: { forward: 14 },
  },
  slouched: {
    root: { pitch: -20, at: [0, 0, 0.55] },
    lumbar: { forward: 26 },
    thoracic: { forward: 26 },
    neck: { forward: 6 },
    head: { forward: -22 },
  },
};

/** The pose of a figure before anything moves; the worked side is the left. */
function poseOf(spec: FigureSpec): Pose {
  const { position, props = [], hands = 'at rest', legs = 'as the position', band = 'lower ribs' } = spec;
  let pose = withLegs(positionPoses[position].pose, legs);
  if (heldBetweenKnees(spec)) {
    pose =
      position === 'side-lying'
        ? {
            ...pose,
            legs: {
              ...pose.legs,
              left: {
                ...(pose.legs.left as Extract<Leg, { thigh: unknown }>),
                thigh: { heading: -52, ends: 0.27 },
                shank: { heading: 38, ends: 0.24 },
              },
            },
          }
        : {
            ...pose,
            legs: { left: kneesApart(pose.legs.left), right: kneesApart(pose.legs.right) },
          };
  }
  if (loops.some((id) => props.includes(id)) && hands === 'at rest' && position !== 'side-lying') {
    pose = { ...pose, arms: holdsEnds(bandLevels[band]) };
  }
  if (position === 'loaded stand' && spec.movement === 'sideBend') {
    pose = { ...pose, arms: { ...pose.arms, left: positionPoses.standing.pose.arms.left } };
  }
  if (props.includes('balloon')) {
    pose = {
      ...pose,
      arms: {
        ...pose.arms,
        right: {
          hand: {
            within: 'head',
            at: [-0.055, 0.135, 0.02],
            fingers: [0.5, -0.4, -0.6],
            palm: [0, -0.2, -1],
            grip: true,
          },
          elbow: [-1, 0.5, 0.6],
        },
      },
    };
  }
  if (props.includes('twinBalls')) {
    pose = {
      ...pose,
      touches: pose.touches.map((contact) => (contact.part === 'chest' ? { ...contact, at: 0.05 } : contact)),
    };
  }
  if (position === 'sitting' && hands === 'forearms on the thighs') {
    pose = {
      ...pose,
      root: { ...pose.root, pitch: 34 },
      lumbar: { forward: 12 },
      thoracic: { forward: 12 },
      neck: { forward: 10 },
    };
  }
  if (spec.posture) pose = { ...pose, ...postures[spec.posture] };
  return { ...pose, arms: { ...pose.arms, ...handsIn(hands, position) } };
}

/** A strap round the trunk. */
function loop(body: Body, height: number): Thing {
  const points = Array.from({ length: 36 }, (_, at) =>
    surfaceAt(body.spine, height, at * 10, body.build, body.swelling, 0.006),
  );
  return { name: 'band', stuff: 'band', form: 'strap', points, width: 0.055, round: frameAt(body.spine, height).at };
}

const palmOf = (body: Body, side: 'left' | 'right'): Vec =>
  add(body.arms[side].palm, times(body.arms[side].faces, 0.012));

const lips = (body: Body): Vec => inFrame(body.head, -0.062, 0.09, 0);

/** Between the insides of both knees, as large as there is room. */
function betweenKnees(body: Body, position: PositionId): Thing {
  const along = position === 'bear' ? 0.6 : 0.94;
  const [a, b] = sides.map((side) => between(body.legs[side].hip, body.legs[side].knee, along)) as [Vec, Vec];
  const thick = (radii.thigh[0] + (radii.thigh[1] - radii.thigh[0]) * along) * body.build.breadth;
  return ball('ball', between(a, b, 0.5), Math.max(0.03, far(a, b) / 2 - thick));
}

/** What a drill's props add to a position, where the body has them. */
function propThings(
  { position, props = [], hands = 'at rest', band = 'lower ribs', tapes = [], side: worked, loaded }: FigureSpec,
  body: Body,
): Thing[] {
  const things: Thing[] = tapes.map((height) => ({ ...loop(body, height), name: 'tape', width: 0.02 }) as Thing);
  const loose = loops.find((id) => props.includes(id));
  if (loose && position !== 'side-lying') {
    const level = bandLevels[band];
    things.push(loop(body, level));
    if (hands === 'at rest') {
      const front = (round: number) => surfaceAt(body.spine, level, round, body.build, body.swelling, 0.012);
      // The ends cross before the body: what comes round from the left is held on the right.
      for (const [round, side] of [
        [24, 'right'],
        [-24, 'left'],
      ] as const) {
        const palm = palmOf(body, side);
        things.push({
          name: 'band end',
          stuff: 'band',
          form: 'strap',
          points: [front(round), palm, add(palm, [0, 0, -0.13])],
          width: 0.045,
        });
      }
    }
  }
  if (loose && position === 'side-lying') {
    const { at } = frameAt(body.spine, 0.15);
    const low = Math.max(0.025, at[2] - 0.14);
    things.push(box('towel', 'band', [at[0], at[1], low / 2], [low / 2, 0.07, 0.14], true));
  }
  if (props.includes('ball') && position !== 'side-lying') things.push(betweenKnees(body, position));
  if ((props.includes('ball') || props.includes('pillow')) && position === 'side-lying') {
    const [a, b] = [body.legs.left, body.legs.right];
    const middle = between(between(a.knee, a.ankle, 0.35), between(b.knee, b.ankle, 0.35), 0.5);
    if (props.includes('ball')) things.push(betweenKnees(body, position));
    else
      things.push(
        box(
          'knee pillow',
          'soft',
          middle,
          [Math.max(0.03, (a.knee[2] - b.knee[2]) / 2 - radii.thigh[1]), 0.2, 0.13],
          true,
        ),
      );
  }
  if (props.includes('block') && position === 'elbows on the wall') {
    const [a, b] = [body.arms.left.wrist, body.arms.right.wrist];
    things.push(box('block', 'wood', between(a, b, 0.5), [0.05, 0.035, Math.max(0.05, far(a, b) / 2 - 0.03)]));
  }
  if (props.includes('block') && position === 'bear') {
    const frame = frameAt(body.spine, 0.06);
    const top = surfaceAt(body.spine, 0.06, 180, body.build);
    things.push(box('block', 'wood', add(top, times(frame.front, -0.04)), [0.1, 0.038, 0.07], false, frame));
  }
  if (props.includes('pillow') && position === "child's pose") {
    const front = surfaceAt(body.spine, 0.3, 0, body.build);
    const high = Math.max(0.05, front[2] * 0.9);
    things.push(box('chest pillow', 'soft', [front[0], 0, high / 2], [high / 2, 0.22, 0.13], true));
  }
  if (props.includes('straw'))
    things.push({
      name: 'straw',
      stuff: 'band',
      form: 'rod',
      from: lips(body),
      to: inFrame(body.head, -0.095, 0.25, 0),
      radius: 0.006,
    });
  if (props.includes('balloon')) {
    const way = body.head.front;
    things.push(ball('balloon', add(lips(body), add(times(way, 0.15), times(body.head.head, 0.02))), 0.085, 'air'));
  }
  if (props.includes('wall') && position === 'sitting') {
    const back = Math.min(
      ...ringHeights.flatMap((height) => ringAt(body.spine, height, 24, body.build).map(([x]) => x)),
    );
    things.push(wall(back - 0.012, true, -0.5, 0.5, 1.35));
  }
  if (props.includes('wall') && position === 'standing')
    things.push(wall(worked === 'right' ? -0.4 : 0.4, false, -0.5, 0.5, 1.95));
  if (props.includes('twinBalls')) {
    for (const side of [1, -1]) {
      const at = surfaceAt(body.spine, 0.36, 180 - side * 24, body.build);
      things.push(ball('twin ball', [at[0], at[1], 0.032], 0.032, 'rubber'));
    }
  }
  if (
    props.includes('weight') ||
    props.includes('bottle') ||
    (position === 'loaded stand' && !props.includes('fixedBand'))
  ) {
    const held = sides.filter((side) => body.arms[side].grip);
    for (const side of held) {
      const arm = body.arms[side];
      const way = unit(cross(arm.faces, minus(arm.knuckles, arm.wrist)));
      const middle = add(between(arm.palm, arm.knuckles, 0.55), times(arm.faces, 0.02));
      things.push({
        name: 'weight',
        stuff: 'metal',
        form: 'rod',
        from: add(middle, times(way, -0.09)),
        to: add(middle, times(way, 0.09)),
        radius: 0.016,
        ends: 0.048,
      });
    }
  }
  if (props.includes('fixedBand') && !loaded) {
    const anchor: Vec = onBack.includes(position) ? [-1.05, 0, 0.62] : [1.15, 0, 1.2];
    for (const side of sides) {
      things.push({
        name: 'band',
        stuff: 'band',
        form: 'strap',
        points: [palmOf(body, side), [anchor[0], side === 'left' ? 0.04 : -0.04, anchor[2]]],
        width: 0.03,
      });
    }
    things.push(
      box(
        'post',
        'wood',
        [anchor[0] + (anchor[0] < 0 ? -0.03 : 0.03), 0, anchor[2] / 2 + 0.03],
        [anchor[2] / 2 + 0.03, 0.025, 0.06],
      ),
    );
  }
  if (props.includes('chair') && position === 'standing') things.push(...seat([-0.42, 0], 0.42));
  if (props.includes('mirror')) things.push(box('mirror', 'metal', [0.1, -0.75, 0.85], [0.75, 0.25, 0.012]));
  return things;
}

const wholeBody: readonly MovementId[] = [
  'squat',
  'hinge',
  'chairRise',
  'forwardFold',
  'step',
  'row',
  'pelvicRock',
  'armsUp',
  'press',
];

/** Hands on an upright body are shown large: legs that only carry are cut off below the knees. */
const showsUpperBody = ({ position, movement = 'none', hands = 'at rest', props = [], posture }: FigureSpec): boolean =>
  (position === 'sitting' || position === 'standing' || position === 'long kneel') &&
  !posture &&
  !wholeBody.includes(movement) &&
  !props.includes('wall') &&
  (hands !== 'at rest' || loops.some((id) => props.includes(id)));

/** Whether where the hands are is what the picture must show. */
const handsMatter = ({ hands = 'at rest', props = [] }: FigureSpec): boolean =>
  hands !== 'at rest' || props.includes('balloon') || loops.some((id) => props.includes(id));

const isUpright = ({ position }: FigureSpec): boolean => uprights.includes(position);
const moving =
  (...movements: MovementId[]) =>
  ({ movement = 'none' }: FigureSpec): boolean =>
    movements.includes(movement);
const uprightMoving =
  (...movements: MovementId[]) =>
  (spec: FigureSpec): boolean =>
    isUpright(spec) && moving(...movements)(spec);

/** From where a drill is seen best, where that is not where its position is: the first that holds. */
const cameras: readonly (readonly [(spec: FigureSpec) => boolean, Figure['camera']])[] = [
  [({ posture }) => posture !== undefined, { turn: 6, height: 6 }],
  [({ tapes }) => tapes !== undefined, { turn: 78, height: 8 }],
  [(spec) => moving('sideReach', 'sideBend')(spec) && spec.position === "child's pose", { turn: -16, height: 50 }],
  [moving('sideBend', 'sideReach'), { turn: 100, height: 8 }],
  [({ legs }) => legs === 'figure four', { turn: 40, height: 48 }],
  [({ legs }) => legs === 'one leg out', { turn: 128, height: 20 }],
  [({ legs }) => legs === 'ankles wide', { turn: -74, height: 40 }],
  [moving('pelvicClock'), { turn: -4, height: 46 }],
  [moving('heelDrag'), { turn: 14, height: 14 }],
  [({ props }) => props?.includes('twinBalls') ?? false, { turn: 12, height: 9 }],
  [uprightMoving('hinge', 'squat', 'forwardFold', 'chestLift', 'pelvicRock'), { turn: 18, height: 9 }],
  [uprightMoving('chairRise', 'row'), { turn: 16, height: 9 }],
  [
    (spec) => isUpright(spec) && (spec.props?.includes('wall') || spec.position === 'standing at a wall'),
    { turn: 40, height: 9 },
  ],
  [
    (spec) => isUpright(spec) && (handsMatter(spec) || moving('press', 'armsUp', 'armsOpen')(spec)),
    { turn: 64, height: 11 },
  ],
  [(spec) => spec.position === 'propped' && handsMatter(spec), { turn: 26, height: 30 }],
  [(spec) => spec.position === 'legs on a chair' && handsMatter(spec), { turn: -4, height: 40 }],
  [
    (spec) =>
      onBack.includes(spec.position) && handsMatter(spec) && spec.position !== 'bridge' && spec.position !== '90/90',
    { turn: -4, height: 50 },
  ],
];

const cameraOf = (spec: FigureSpec): Figure['camera'] =>
  cameras.find(([holds]) => holds(spec))?.[1] ?? positionPoses[spec.position].camera;

/**
 * What stands about a body: furniture as the position needs it, and the props where the body has them.
 *
 * @param about whom the furniture stands: on the way of a movement the body at rest, since furniture stays
 */
export const thingsOf = (spec: FigureSpec, body: Body, about: Body = body): Thing[] => [
  ...positionPoses[spec.position].things(about),
  ...propThings(spec, body),
  ...(spec.loaded ? loadedThings(spec, spec.loaded, body) : []),
];

/** How far a cable or band is drawn from the hand, in metres: where it is fixed, nobody knows. */
const cableLength = 0.6;

/** What a loaded movement has about it: the step it goes up, and what draws the hands. */
function loadedThings({ props = [] }: FigureSpec, loaded: Loaded, body: Body): Thing[] {
  const step = stepOf(loaded);
  const drawn = props.includes('fixedBand') ? (loaded.hand === 'both' ? sides : [loaded.hand]) : [];
  return [
    ...(step ? [box('step', 'wood', [step.ahead + 0.08, 0, step.high / 2], [0.17, 0.28, step.high / 2])] : []),
    ...drawn.flatMap((side): Thing[] => {
      if (side === 'none') return [];
      const palm = palmOf(body, side);
      const points = [palm, add(palm, times(unit(loaded.toward), cableLength))];
      return [{ name: 'band', stuff: 'band', form: 'strap', points, width: 0.025 }];
    }),
  ];
}

/**
 * Lays a figure out.
 *
 * @param swelling how far parts of the trunk stand out by the breath, in metres
 * @example figureOf({ position: 'hook-lying', hands: 'belly' }).body.missed.length // 0
 */
export function figureOf(
  spec: FigureSpec,
  build: Build = withBump(builds.middle, spec.week ?? 0),
  swelling: Swelling = {},
): Figure {
  if (spec.loaded) return loadedFigure(spec, spec.loaded, build, swelling);
  const right = spec.side === 'right';
  const still = poseOf(spec);
  const move = movedFrom(spec.movement ?? 'none', still, spec.position);
  const pose = move ? (move.full === 'end' ? (move.end ?? move.start) : move.start) : still;
  const other = move ? (move.full === 'end' ? (move.end ? move.start : null) : move.end) : null;
  // What is worked on the right is laid out for the left and mirrored whole: bodies, arrow and viewer; things stand about the body.
  const body = solve(pose, build, swelling);
  const second = other ? solve(other, build, swelling) : null;
  const things = thingsOf(spec, body);
  let arrow: Vec[] | null = null;
  if (move) {
    if ('way' in move.arrow) arrow = move.arrow.way(body);
    else {
      const [from, to] = move.full === 'end' ? [second ?? body, body] : [body, second ?? body];
      arrow = bowed(move.arrow.follow(from), move.arrow.follow(to), move.arrow.bow ?? [0, 0, 0]);
    }
  }
  const full = move?.full ?? 'start';
  const camera = cameraOf(spec);
  const shows = spec.tapes ? 'trunk' : showsUpperBody(spec) ? 'upper' : 'all';
  if (!right) return { body, other: second, full, things, arrow, shows, camera };
  const mirroredBody = solve(mirrored(pose), build, swelling);
  return {
    body: mirroredBody,
    other: other ? solve(mirrored(other), build, swelling) : null,
    full,
    things: thingsOf(spec, mirroredBody),
    arrow: arrow?.map(acrossPoint) ?? null,
    shows,
    camera: { turn: 180 - camera.turn, height: camera.height },
  };
}

function loadedFigure(spec: FigureSpec, loaded: Loaded, build: Build, swelling: Swelling): Figure {
  const body = solve(poseOfStance(loaded.to, loaded), build, swelling);
  const other = solve(poseOfStance(loaded.from, loaded), build, swelling);
  return {
    body,
    other,
    full: 'end',
    things: thingsOf(spec, body),
    arrow: null,
    shows: 'all',
    camera: loadedCameras[loaded.seen],
  };
}

function bowed(from: Vec, to: Vec, toward: Vec): Vec[] {
  return Array.from({ length: 7 }, (_, at) => {
    const part = at / 6;
    return add(between(from, to, part), times(toward, 4 * part * (1 - part)));
  });
}

const acrossPoint = ([x, y, z]: Vec): Vec => [x, -y, z];
