import { type Build, builds, lengths, radii } from './build';
import {
  type Aim,
  type Arm,
  type Contact,
  type Hand,
  type Leg,
  type Pose,
  type Side,
  type Unknown,
  type Within,
  sides,
} from './pose';
import { type Spine, type Swelling, bentFrame, depthIn, frameAt, lowestOf, spineFrom, surfaceAt } from './trunk';
import {
  type Frame,
  type Vec,
  add,
  beside,
  between,
  cosine,
  cross,
  dot,
  far,
  inFrame,
  length,
  minus,
  sine,
  times,
  turned,
  turnedFrame,
  unit,
} from '../vector';

interface SolvedLeg {
  hip: Vec;
  knee: Vec;
  ankle: Vec;
  heel: Vec;
  ball: Vec;
  toe: Vec;
  /** Which way the sole faces. */
  sole: Vec;
}

interface SolvedArm {
  shoulder: Vec;
  elbow: Vec;
  wrist: Vec;
  /** Middle of the palm, on the skin. */
  palm: Vec;
  knuckles: Vec;
  tips: Vec;
  /** Which way the palm faces. */
  faces: Vec;
  thumb: Vec;
  grip: boolean;
}

/** A body that stands somewhere: joints, trunk and head in metres, and what it could not reach. */
export interface Body {
  build: Build;
  swelling: Swelling;
  spine: Spine;
  chest: Frame;
  /** The head's own directions; `at` is its middle. */
  head: Frame;
  legs: Record<Side, SolvedLeg>;
  arms: Record<Side, SolvedArm>;
  /** The pose as it came to stand: what was solved for is in it. */
  stands: Pick<Pose, 'root' | 'lumbar' | 'thoracic' | 'neck' | 'head'>;
  /** Places out of reach: which limb, and by how many metres. */
  missed: { limb: string; by: number }[];
}

const signOf = (side: Side) => (side === 'left' ? 1 : -1);
/** From ahead, outward, up to the room. */
const inRoom = ([ahead, out, high]: Vec, side: Side): Vec => [ahead, out * signOf(side), high];

function rootFrame({ root }: Pose, unknown: Readonly<Record<Unknown, number>>): Frame {
  const { pitch, roll = 0, lean = 0, turn = 0, at } = root;
  let frame: Frame = {
    at: [at[0] + unknown.ahead, at[1], at[2] + unknown.up],
    head: [0, 0, 1],
    front: [1, 0, 0],
    left: [0, 1, 0],
  };
  frame = turnedFrame(frame, [0, 0, 1], roll);
  frame = turnedFrame(frame, [1, 0, 0], -lean);
  frame = turnedFrame(frame, [0, 1, 0], pitch + unknown.pitch);
  return turnedFrame(frame, [0, 0, 1], turn);
}

/** What of the body decides its contacts: everything but the arms. */
interface Core {
  spine: Spine;
  chest: Frame;
  head: Frame;
  legs: Record<Side, SolvedLeg>;
  missed: { limb: string; by: number }[];
}

function coreOf(pose: Pose, build: Build, unknown: Readonly<Record<Unknown, number>>): Core {
  const spine = spineFrom(rootFrame(pose, unknown), pose.lumbar ?? {}, pose.thoracic ?? {}, build);
  const missed: Core['missed'] = [];
  const legs = {} as Record<Side, SolvedLeg>;
  for (const side of sides) legs[side] = legOf(pose.legs[side], side, spine, build, missed);
  const base = frameAt(spine, lengths.neckBase);
  const neck = bentFrame(
    { ...base, head: unit(base.head), front: unit(base.front), left: unit(base.left) },
    { ...pose.neck, forward: (pose.neck?.forward ?? 0) + unknown.nod + build.stoop * 0.6 },
  );
  const nodded = bentFrame(neck, { ...pose.head, forward: (pose.head?.forward ?? 0) - build.stoop });
  const middle = inFrame({ ...neck, at: inFrame(neck, lengths.neck, 0, 0) }, 0, 0, 0);
  const head: Frame = { ...nodded, at: add(middle, add(times(nodded.head, 0.075), times(nodded.front, 0.022))) };
  return { spine, chest: frameAt(spine, 0.4), head, legs, missed };
}

/** Where a piece of a limb ends. */
function laid(from: Vec, aim: Aim, long: number, side: Side, rest: number): Vec {
  if ('toward' in aim) return add(from, times(unit(inRoom(aim.toward, side)), long));
  const ends = aim.ends === 'rest' ? rest : aim.ends;
  const drop = Math.max(-long, Math.min(long, ends - from[2]));
  const level = Math.sqrt(long * long - drop * drop);
  return add(from, [cosine(aim.heading) * level, sine(aim.heading) * level * signOf(side), drop]);
}

/** The joint between two pieces whose ends are known, bent toward a direction; and by how much the end is out of reach. */
function reach(from: Vec, to: Vec, first: number, second: number, pole: Vec): { joint: Vec; end: Vec; missed: number } {
  const way = minus(to, from);
  const long = length(way);
  const most = first + second - 1e-4;
  const least = Math.abs(first - second) + 1e-4;
  const used = Math.max(least, Math.min(most, long));
  const direction = unit(way);
  const along = (first * first - second * second + used * used) / (2 * used);
  const off = Math.sqrt(Math.max(0, first * first - along * along));
  let out = beside(pole, direction);
  if (length(out) < 1e-6) out = beside([0.3, 0.2, 0.9], direction);
  return {
    joint: add(from, add(times(direction, along), times(unit(out), off))),
    end: add(from, times(direction, used)),
    missed: Math.abs(long - used),
  };
}

function legOf(leg: Leg, side: Side, spine: Spine, build: Build, missed: Core['missed']): SolvedLeg {
  const hip = inFrame(spine.pelvis, 0, 0, lengths.hipHalf * signOf(side));
  let knee: Vec;
  let ankle: Vec;
  if ('foot' in leg) {
    const found = reach(hip, inRoom(leg.foot, side), lengths.thigh, lengths.shank, inRoom(leg.knee, side));
    knee = found.joint;
    ankle = found.end;
    if (found.missed > 0.005) missed.push({ limb: `${side} foot`, by: found.missed });
  } else {
    knee = laid(hip, leg.thigh, lengths.thigh, side, radii.thigh[1] * build.breadth);
    ankle = laid(knee, leg.shank, lengths.shank, side, radii.shank[1] * build.breadth);
  }
  const shank = unit(minus(ankle, knee));
  const sole = leg.sole ? unit(inRoom(leg.sole, side)) : 'foot' in leg ? ([0, 0, -1] as const) : shank;
  const toes = unit(beside(inRoom(leg.toes ?? [1, 0.12, 0], side), sole));
  return { hip, knee, ankle, sole, ...footOf(ankle, sole, toes) };
}

function footOf(ankle: Vec, sole: Vec, toes: Vec): Pick<SolvedLeg, 'heel' | 'ball' | 'toe'> {
  const ball = add(ankle, add(times(sole, lengths.ankle - radii.ball), times(toes, 0.115)));
  const toe = add(ankle, add(times(sole, lengths.ankle - radii.toe), times(toes, 0.18)));
  // Toes that would go into the floor bend: they lie on it, before the ball of the foot.
  const level = unit([toes[0], toes[1], 0]);
  return {
    heel: add(ankle, add(times(sole, lengths.ankle - radii.heel), times(toes, -0.045))),
    ball,
    toe:
      toe[2] >= radii.toe - 0.004 || toes[2] > -0.2
        ? toe
        : [ball[0] + level[0] * 0.055, ball[1] + level[1] * 0.055, radii.toe],
  };
}

const contactHeights: Record<Contact['part'], (core: Core, build: Build) => number> = {
  pelvis: ({ spine }, build) => lowestOf(spine, build, -0.2, 0.06),
  belly: ({ spine }, build) => lowestOf(spine, build, 0.04, 0.22),
  chest: ({ spine }, build) => lowestOf(spine, build, 0.24, 0.46),
  head: ({ head }) => head.at[2] - radii.head,
  knees: ({ legs }, build) => Math.min(legs.left.knee[2], legs.right.knee[2]) - radii.thigh[1] * build.breadth,
  shoulders: ({ spine }) => frameAt(spine, lengths.shoulderHeight).at[2],
  hips: ({ spine }) => spine.pelvis.at[2],
  elbows: ({ spine }) => frameAt(spine, lengths.shoulderHeight).at[2] - lengths.upperArm,
};

const nothing: Readonly<Record<Unknown, number>> = { up: 0, pitch: 0, nod: 0, ahead: 0 };
/** Metres and degrees by which an unknown is nudged to see what it does. */
const nudge: Readonly<Record<Unknown, number>> = { up: 0.002, ahead: 0.002, pitch: 0.4, nod: 0.4 };

/** Solves the contacts by Newton's method over the few unknowns of the pose; what is left over is below a millimetre where a pose can stand. */
function settled(pose: Pose, build: Build): Readonly<Record<Unknown, number>> {
  const { free, touches } = pose;
  let unknown = { ...nothing };
  const off = (at: Readonly<Record<Unknown, number>>) => {
    const core = coreOf(pose, build, at);
    return touches.map((contact) => contactHeights[contact.part](core, build) - contact.at);
  };
  for (let round = 0; round < 12 && free.length > 0; round += 1) {
    const now = off(unknown);
    if (Math.max(...now.map(Math.abs)) < 0.0004) break;
    const columns = free.map((name) =>
      off({ ...unknown, [name]: unknown[name] + nudge[name] }).map((value, row) => (value - now[row]!) / nudge[name]),
    );
    const change = leastSquares(columns, now);
    unknown = { ...unknown };
    free.forEach((name, at) => {
      const most = name === 'up' || name === 'ahead' ? 0.25 : 14;
      unknown[name] -= Math.max(-most, Math.min(most, change[at]!));
    });
  }
  return unknown;
}

/** The change of the unknowns that comes nearest to a residual: normal equations, a little damped, by elimination. */
function leastSquares(columns: readonly (readonly number[])[], residual: readonly number[]): number[] {
  const n = columns.length;
  const rows = columns.map((one, i) => [
    ...columns.map((other, j) => one.reduce((sum, value, k) => sum + value * other[k]!, 0) + (i === j ? 1e-9 : 0)),
    one.reduce((sum, value, k) => sum + value * residual[k]!, 0),
  ]);
  for (let i = 0; i < n; i += 1) {
    const pivot = rows[i]!;
    for (let j = i + 1; j < n; j += 1) {
      const by = rows[j]![i]! / pivot[i]!;
      for (let k = i; k <= n; k += 1) rows[j]![k]! -= by * pivot[k]!;
    }
  }
  const found = new Array<number>(n).fill(0);
  for (let i = n - 1; i >= 0; i -= 1) {
    let value = rows[i]![n]!;
    for (let k = i + 1; k < n; k += 1) value -= rows[i]![k]! * found[k]!;
    found[i] = value / rows[i]![i]!;
  }
  return found;
}

interface PlacedHand {
  wrist: Vec;
  palm: Vec;
  fingers: Vec;
  faces: Vec;
}

const half = lengths.palm / 2;

function framesOf(core: Core, within: Within, side: Side): (at: Vec, isDirection: boolean) => Vec {
  const frame = within === 'chest' ? core.chest : within === 'pelvis' ? core.spine.pelvis : core.head;
  if (within === 'room') return (at) => inRoom(at, side);
  const [x, y, z] = [frame.head, frame.front, frame.left];
  return ([head, front, out], isDirection) => {
    const turnedTo = add(times(x, head), add(times(y, front), times(z, out * signOf(side))));
    return isDirection ? turnedTo : add(frame.at, turnedTo);
  };
}

function placedHand(
  hand: Hand,
  side: Side,
  core: Core,
  build: Build,
  swelling: Swelling,
  arms: Partial<Record<Side, SolvedArm>>,
): PlacedHand {
  if ('within' in hand && hand.within) {
    const to = framesOf(core, hand.within, side);
    const faces = unit(to(hand.palm, true));
    const fingers = unit(beside(to(hand.fingers, true), faces));
    const palm = to(hand.at, false);
    return handFrom(palm, fingers, faces);
  }
  if (hand.on === 'trunk') {
    const { height, round, fingers } = hand as Extract<Hand, { on: 'trunk' }>;
    const sign = signOf(side);
    const surface = (dh: number, dr: number) =>
      surfaceAt(core.spine, height + dh, (round + dr) * sign, build, swelling);
    const palm = surface(0, 0);
    const upward = unit(minus(surface(0.03, 0), surface(-0.03, 0)));
    const around = unit(minus(surface(0, 10), surface(0, -10)));
    const normal = unit(times(cross(upward, around), -sign));
    const direction = add(times(upward, cosine(fingers)), times(around, sine(fingers)));
    return handFrom(palm, unit(beside(direction, normal)), times(normal, -1));
  }
  const { on, of, along, away, fingers } = hand as Extract<Hand, { on: 'thigh' | 'shank' | 'upperArm' }>;
  const whose: Side = of === 'own' ? side : side === 'left' ? 'right' : 'left';
  const leg = core.legs[whose];
  const arm = arms[whose];
  const [from, to, thick] =
    on === 'thigh'
      ? [leg.hip, leg.knee, radii.thigh]
      : on === 'shank'
        ? [leg.knee, leg.ankle, radii.shank]
        : [arm?.shoulder ?? leg.hip, arm?.elbow ?? leg.knee, radii.upperArm];
  const axis = unit(minus(to, from));
  const normal = unit(beside(inRoom(away, side), axis));
  const radius = (thick[0] + (thick[1] - thick[0]) * along) * build.breadth;
  const palm = add(between(from, to, along), times(normal, radius));
  const faces = times(normal, -1);
  return handFrom(palm, unit(beside(inRoom(fingers, side), faces)), faces);
}

/** Wrist and knuckles lie a little off the surface, so that a hand lies on it and not in it. */
const handFrom = (palm: Vec, fingers: Vec, faces: Vec): PlacedHand => ({
  wrist: minus(minus(palm, times(faces, radii.palm * 0.75)), times(fingers, half)),
  palm,
  fingers,
  faces,
});

function armOf(
  arm: Arm,
  side: Side,
  core: Core,
  build: Build,
  swelling: Swelling,
  missed: Core['missed'],
  done: Partial<Record<Side, SolvedArm>>,
): SolvedArm {
  const sign = signOf(side);
  const top = frameAt(core.spine, lengths.shoulderHeight - 0.02);
  const half = lengths.shoulderHalf * (1 + (build.breadth - 1) * 0.5);
  const rest = offFloor(inFrame(top, 0, -0.005, half * sign), top, build);
  if ('upper' in arm) {
    const to = framesOf(core, arm.within, side);
    const upper = unit(to(arm.upper, true));
    const fore = unit(to(arm.fore, true));
    const shoulder = girdle(rest, add(rest, upper), top, sign);
    const elbow = add(shoulder, times(upper, lengths.upperArm));
    const wrist = add(elbow, times(fore, lengths.forearm));
    const fingers = unit(arm.fingers ? to(arm.fingers, true) : fore);
    const faces = unit(beside(arm.palm ? to(arm.palm, true) : times(top.left, -sign), fingers));
    return handJoints({ shoulder, elbow, wrist }, fingers, faces, side, arm.grip ?? false);
  }
  const hand = placedHand(arm.hand, side, core, build, swelling, done);
  const shoulder = girdle(rest, hand.wrist, top, sign);
  const toPole = framesOf(core, arm.elbowWithin ?? 'chest', side);
  const pole = toPole(arm.elbow, true);
  const direction = unit(minus(hand.wrist, shoulder));
  let best: ReturnType<typeof reach> | null = null;
  let least = Infinity;
  for (const by of elbowTurns) {
    const found = reach(shoulder, hand.wrist, lengths.upperArm, lengths.forearm, turned(pole, direction, by));
    const depth = inTheWay(found.joint, found.end, shoulder, core, build) + Math.abs(by) * 1e-5;
    if (depth < least - 1e-9) {
      best = found;
      least = depth;
    }
    if (depth < 0.004) break;
  }
  const found = best!;
  if (found.missed > 0.005) missed.push({ limb: `${side} hand`, by: found.missed });
  const grip = 'grip' in arm.hand ? (arm.hand.grip ?? false) : false;
  return handJoints({ shoulder, elbow: found.joint, wrist: found.end }, hand.fingers, hand.faces, side, grip);
}

const elbowTurns = [0, 12, -12, 24, -24, 36, -36, 48, -48, 64, -64, 80, -80];

/** How deep elbow and forearm would lie in the trunk, the legs or the floor, in metres. */
function inTheWay(elbow: Vec, wrist: Vec, shoulder: Vec, { spine, legs }: Core, build: Build): number {
  const middle = between(elbow, wrist, 0.45);
  const upper = between(shoulder, elbow, 0.75);
  let worst = Math.max(0, radii.upperArm[1] * build.breadth - elbow[2]);
  for (const [point, thick] of [
    [elbow, radii.upperArm[1]],
    [middle, radii.forearm[1]],
    [upper, radii.upperArm[1]],
  ] as const) {
    worst = Math.max(worst, depthIn(spine, point, build) + thick * 0.8);
  }
  for (const side of sides) {
    const { hip, knee, ankle } = legs[side];
    worst = Math.max(
      worst,
      radii.thigh[1] + radii.upperArm[1] - distanceToPiece(elbow, hip, knee),
      radii.shank[1] + radii.upperArm[1] - distanceToPiece(elbow, knee, ankle),
    );
  }
  return Math.max(0, worst);
}

function distanceToPiece(point: Vec, from: Vec, to: Vec): number {
  const way = minus(to, from);
  const part = Math.max(0, Math.min(1, dot(minus(point, from), way) / dot(way, way)));
  return far(point, between(from, to, part));
}

/** A shoulder that is lain on moves forward and in, until the floor carries it. */
function offFloor(shoulder: Vec, top: Frame, build: Build): Vec {
  const under = radii.upperArm[0] * build.breadth - shoulder[2];
  if (under <= 0 || Math.abs(top.left[2]) < 0.5) return shoulder;
  const forward = beside(top.front, [0, 0, 1]);
  return add(add(shoulder, [0, 0, under]), times(forward, Math.min(0.08, under)));
}

/** The shoulder goes with the reach: up with an arm that goes up, forward and in with one that crosses. */
function girdle(rest: Vec, target: Vec, top: Frame, sign: number): Vec {
  const way = unit(minus(target, rest));
  const [headward, forward, inward] = [dot(way, top.head), dot(way, top.front), -sign * dot(way, top.left)];
  return add(
    rest,
    add(
      times(top.head, 0.05 * Math.max(0, headward)),
      add(
        times(top.front, 0.035 * Math.max(0, forward) - 0.02 * Math.max(0, -forward)),
        times(top.left, -sign * 0.02 * Math.max(0, inward)),
      ),
    ),
  );
}

function handJoints(
  joints: Pick<SolvedArm, 'shoulder' | 'elbow' | 'wrist'>,
  fingers: Vec,
  faces: Vec,
  side: Side,
  grip: boolean,
): SolvedArm {
  const palm = add(add(joints.wrist, times(fingers, half)), times(faces, radii.palm * 0.75));
  const knuckles = add(joints.wrist, times(fingers, lengths.palm));
  const across = side === 'left' ? cross(faces, fingers) : cross(fingers, faces);
  const curl = add(times(fingers, 0.94), times(faces, 0.3));
  return {
    ...joints,
    palm,
    knuckles,
    tips: add(knuckles, times(grip ? add(times(fingers, 0.2), times(faces, 0.45)) : unit(curl), lengths.fingers)),
    faces,
    thumb: add(
      add(joints.wrist, times(fingers, 0.035)),
      add(times(across, 0.045), times(fingers, grip ? 0.015 : 0.04)),
    ),
    grip,
  };
}

/**
 * Solves a pose: trunk and legs are let down until they touch what carries them, limbs reach where they are put by the cosine
 * law, elbows turn out of trunk and floor.
 *
 * @param swelling how far parts of the trunk stand out by the breath, in metres
 */
export function solve(pose: Pose, build: Build = builds.middle, swelling: Swelling = {}): Body {
  const unknown = settled(pose, build);
  const core = coreOf(pose, build, unknown);
  const missed = [...core.missed];
  const arms: Partial<Record<Side, SolvedArm>> = {};
  for (const side of sides) arms[side] = armOf(pose.arms[side], side, core, build, swelling, missed, arms);
  const { root } = pose;
  const stands: Body['stands'] = {
    root: {
      ...root,
      pitch: root.pitch + unknown.pitch,
      at: [root.at[0] + unknown.ahead, root.at[1], root.at[2] + unknown.up],
    },
    lumbar: pose.lumbar,
    thoracic: pose.thoracic,
    neck: { ...pose.neck, forward: (pose.neck?.forward ?? 0) + unknown.nod },
    head: pose.head,
  };
  return { build, swelling, ...core, stands, arms: arms as Record<Side, SolvedArm>, missed };
}
