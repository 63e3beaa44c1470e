import { type JointId, foot, lengths, radii, trunkDepth } from './body';

/** x to the right, y up, the floor at 0; a hundred units are the figure's standing height. */
export type Point = readonly [x: number, y: number];

/**
 * Where a limb goes. A target is reached by bending the middle joint the way it bends in a person; `turn` is the absolute
 * direction of the foot or hand.
 */
export type Limb =
  | { to: Point; turn: number }
  /** The end stands on a surface: its height is found so that foot or hand lies on it. */
  | { on: number; at: number; turn: number }
  /** Absolute directions of the two parts, and of the foot or hand. */
  | { directions: readonly [number, number]; turn: number };

/**
 * A pose seen from the side. Directions are absolute, degrees counterclockwise from the right; the front of the body is a
 * quarter turn clockwise of its own direction, so a figure lying head left looks up and one lying head right looks down.
 */
export interface Pose {
  /** Middle of the hip joint; without y the trunk is laid on `rest`. */
  hipX: number;
  hipY?: number;
  /** Height of what the trunk rests on, when its own height is not given. */
  rest?: number;
  /** Parts that rest: by default the whole trunk with the head. */
  restOn?: 'trunk' | 'pelvis';
  /** Direction of the pelvis from hip to waist. */
  pelvis: number;
  /** Flexion of low back, chest and neck, degrees; the head carries on from the neck. */
  lumbar: number;
  thoracic: number;
  neck: number;
  head?: number;
  near: { leg: Limb; arm: Limb };
  far: { leg: Limb; arm: Limb };
  /** The near arm lies beside the trunk: it is drawn behind it, so that the trunk is seen. */
  armBeside?: boolean;
}

interface LimbPoints {
  root: Point;
  middle: Point;
  end: Point;
  tip: Point;
  turn: number;
}

/** A pose worked out: every joint as a point, and every joint angle. */
export interface Figure {
  hip: Point;
  waist: Point;
  ribs: Point;
  shoulder: Point;
  neckBase: Point;
  headCentre: Point;
  headTurn: number;
  spine: readonly [number, number, number];
  near: { leg: LimbPoints; arm: LimbPoints };
  far: { leg: LimbPoints; arm: LimbPoints };
  angles: { joint: JointId; side: 'near' | 'far' | null; degrees: number }[];
  /** How far a target lay out of reach; 0 when every limb got there. */
  missedBy: number;
}

const radians = (degrees: number) => (degrees * Math.PI) / 180;
const degreesOf = (angle: number) => (angle * 180) / Math.PI;

/** @example along([0, 0], 90, 2) // [0, 2] */
export const along = ([x, y]: Point, direction: number, length: number): Point => [
  x + Math.cos(radians(direction)) * length,
  y + Math.sin(radians(direction)) * length,
];

/** An angle as a turn between -180 and 180. @example turnOf(270) // -90 */
export const turnOf = (degrees: number) => ((((degrees + 180) % 360) + 360) % 360) - 180;

/**
 * Works a pose out: the spine from the hip up, then the limbs to where they are wanted.
 *
 * @example solve(poses['hook-lying']).near.leg.end[1] // the ankle's height over the floor
 */
export function solve(pose: Pose): Figure {
  const spine = spineOf(pose);
  const lift = pose.hipY ?? restingHeight(pose, spine);
  const raise = ([x, y]: Point): Point => [x + pose.hipX, y + lift];
  const hip = raise([0, 0]);
  const waist = raise(spine.waist);
  const ribs = raise(spine.ribs);
  const shoulder = raise(spine.shoulder);
  const neckBase = along(shoulder, spine.directions[2], 1.6);
  const neckTurn = spine.directions[2] - pose.neck;
  const headTurn = neckTurn - (pose.head ?? 0);
  const headCentre = along(along(neckBase, neckTurn, lengths.neck - 0.8), headTurn, lengths.head);
  const pelvisDown = pose.pelvis + 180;
  const chestDown = spine.directions[2] + 180;
  const missed: number[] = [];
  const leg = (limb: Limb) => limbOf(limb, hip, 'leg', missed);
  const arm = (limb: Limb) => limbOf(limb, shoulder, 'arm', missed);
  const sides = {
    near: { leg: leg(pose.near.leg), arm: arm(pose.near.arm) },
    far: { leg: leg(pose.far.leg), arm: arm(pose.far.arm) },
  };
  const angles: Figure['angles'] = [
    { joint: 'lumbar', side: null, degrees: pose.lumbar },
    { joint: 'thoracic', side: null, degrees: pose.thoracic },
    { joint: 'neck', side: null, degrees: pose.neck + (pose.head ?? 0) },
  ];
  for (const side of ['near', 'far'] as const) {
    const { leg: l, arm: a } = sides[side];
    const [thigh, shank] = [directionOf(l.root, l.middle), directionOf(l.middle, l.end)];
    const [upper, lower] = [directionOf(a.root, a.middle), directionOf(a.middle, a.end)];
    // Shoulders go from behind the back up past the ear: the turn is counted from -90 to 270.
    const shoulderTurn = turnOf(upper - chestDown);
    angles.push(
      { joint: 'hip', side, degrees: turnOf(thigh - pelvisDown) },
      { joint: 'knee', side, degrees: turnOf(thigh - shank) },
      { joint: 'ankle', side, degrees: turnOf(l.turn - shank - 90) },
      { joint: 'shoulder', side, degrees: shoulderTurn < -90 ? shoulderTurn + 360 : shoulderTurn },
      { joint: 'elbow', side, degrees: turnOf(lower - upper) },
      { joint: 'wrist', side, degrees: turnOf(a.turn - lower) },
    );
  }
  return {
    hip,
    waist,
    ribs,
    shoulder,
    neckBase,
    headCentre,
    headTurn,
    spine: spine.directions,
    ...sides,
    angles,
    missedBy: Math.max(0, ...missed),
  };
}

function spineOf({ pelvis, lumbar, thoracic }: Pose) {
  const directions = [pelvis, pelvis - lumbar, pelvis - lumbar - thoracic] as const;
  const waist = along([0, 0], directions[0], lengths.pelvis);
  const ribs = along(waist, directions[1], lengths.lumbar);
  return { directions, waist, ribs, shoulder: along(ribs, directions[2], lengths.thorax) };
}

/** Height of the hip at which the trunk just lies on what it rests on. */
function restingHeight(pose: Pose, spine: ReturnType<typeof spineOf>): number {
  const outline = trunkOutline({ hip: [0, 0], waist: spine.waist, ribs: spine.ribs, shoulder: spine.shoulder });
  const rests = pose.restOn === 'pelvis' ? outline.filter(({ at }) => at <= 0.2) : outline;
  return (pose.rest ?? 0) - Math.min(...rests.map(({ point }) => point[1]));
}

function limbOf(limb: Limb, root: Point, kind: 'leg' | 'arm', missed: number[]): LimbPoints {
  const [upper, lower] = kind === 'leg' ? [lengths.thigh, lengths.shank] : [lengths.upperArm, lengths.forearm];
  if ('directions' in limb) {
    const middle = along(root, limb.directions[0], upper);
    return ended({ root, middle, end: along(middle, limb.directions[1], lower), turn: limb.turn }, kind);
  }
  const target: Point = 'to' in limb ? limb.to : [limb.at, limb.on + standingHeight(kind, limb.turn)];
  const wanted = Math.hypot(target[0] - root[0], target[1] - root[1]);
  const reach = Math.min(upper + lower - 0.01, Math.max(Math.abs(upper - lower) + 0.5, wanted));
  missed.push(Math.abs(wanted - reach));
  const toTarget = directionOf(root, target);
  const spread = degreesOf(Math.acos((upper * upper + reach * reach - lower * lower) / (2 * upper * reach)));
  // A knee comes forward of the line from hip to ankle, an elbow falls behind the line from shoulder to wrist.
  const middle = along(root, toTarget + (kind === 'leg' ? spread : -spread), upper);
  const end = along(root, toTarget, reach);
  return ended({ root, middle, end, turn: limb.turn }, kind);
}

const ended = (points: Omit<LimbPoints, 'tip'>, kind: 'leg' | 'arm'): LimbPoints => ({
  ...points,
  tip: along(points.end, points.turn, kind === 'leg' ? foot.toe : lengths.hand),
});

/** Height of ankle or wrist over a surface that the foot or hand touches at its lowest point. */
export function standingHeight(kind: 'leg' | 'arm', turn: number): number {
  if (kind === 'arm') return Math.max(radii.hand[0], radii.hand[1] - Math.sin(radians(turn)) * lengths.hand);
  return -Math.min(...footOutline([0, 0], turn).map(([, y]) => y));
}

export const directionOf = ([ax, ay]: Point, [bx, by]: Point) => degreesOf(Math.atan2(by - ay, bx - ax));

/** Corners of a foot round its ankle: the sole is a straight line from heel to toe. */
export function footOutline(ankle: Point, turn: number): Point[] {
  const corners: Point[] = [
    [-1.9, 1.2],
    [-2.5, -1.2],
    [-foot.heel, -2.3],
    [-foot.heel + 0.5, -foot.height],
    [foot.toe - 1.6, -foot.height],
    [foot.toe, -foot.height + 0.9],
    [foot.toe - 1.3, -foot.height + 2.2],
    [3.6, -0.7],
    [1.7, 1.4],
  ];
  return placed(corners, ankle, turn);
}

/** Turns corners of a part drawn along the x axis into place. */
export function placed(corners: readonly Point[], [x, y]: Point, turn: number): Point[] {
  const [c, s] = [Math.cos(radians(turn)), Math.sin(radians(turn))];
  return corners.map(([px, py]) => [x + px * c - py * s, y + px * s + py * c]);
}

type TrunkPoints = Pick<Figure, 'hip' | 'waist' | 'ribs' | 'shoulder'>;

/** The middle line of the trunk at a part of its length, 0 hip to 1 shoulder, with its direction; a little beyond both ends too. */
function spineAt({ hip, waist, ribs, shoulder }: TrunkPoints, at: number): { point: Point; direction: number } {
  const parts = [lengths.pelvis, lengths.lumbar, lengths.thorax];
  const total = parts.reduce((sum, length) => sum + length, 0);
  const joints = [hip, waist, ribs, shoulder] as const;
  const directions = [directionOf(hip, waist), directionOf(waist, ribs), directionOf(ribs, shoulder)];
  let rest = at * total;
  let part = 0;
  while (part < 2 && rest > parts[part]!) {
    rest -= parts[part]!;
    part += 1;
  }
  const point = along(joints[part]!, directions[part]!, rest);
  // Round the bends: near a joint the direction is between those of its neighbours.
  const towards = rest / parts[part]!;
  const other = towards < 0.5 ? part - 1 : part + 1;
  const weight = Math.abs(towards - 0.5);
  const turn =
    other < 0 || other > 2 ? 0 : turnOf(directions[other]! - directions[part]!) * Math.min(0.5, Math.max(0, weight));
  return { point, direction: directions[part]! + turn };
}

/** A place in the trunk: along it, and across it from the back (-1) to the front (1). */
export function inTrunk(figure: TrunkPoints, at: number, across: number): Point {
  const { point, direction } = spineAt(figure, at);
  const { front, back } = depthAt(at);
  return along(point, direction - 90, across >= 0 ? across * front : across * back);
}

function depthAt(at: number): { front: number; back: number } {
  const next = trunkDepth.findIndex((row) => row.at >= at);
  if (next <= 0) return trunkDepth[next === 0 ? 0 : trunkDepth.length - 1]!;
  const [a, b] = [trunkDepth[next - 1]!, trunkDepth[next]!];
  const part = (at - a.at) / (b.at - a.at);
  return { front: a.front + (b.front - a.front) * part, back: a.back + (b.back - a.back) * part };
}

/** The outline of the trunk: up the front, down the back. */
export function trunkOutline(figure: TrunkPoints): { point: Point; at: number }[] {
  const rows = trunkDepth.map(({ at }) => at);
  return [
    ...rows.map((at) => ({ at, point: inTrunk(figure, at, 1) })),
    ...[...rows].reverse().map((at) => ({ at, point: inTrunk(figure, at, -1) })),
  ];
}

/** Corners of the head in profile round its middle: brow, nose, chin, nape, crown. Drawn facing right, crown up. */
const headCorners: readonly Point[] = [
  [0.2, 6.6],
  [3.4, 5],
  [4.5, 2.3],
  [4.6, 0.6],
  [5.7, -1],
  [4.6, -1.9],
  [4.5, -3.6],
  [3.4, -5.4],
  [0.6, -5],
  [-2.4, -4.2],
  [-4.7, -1.6],
  [-5, 2],
  [-3.2, 5.4],
];

export const headOutline = ({ headCentre, headTurn }: Pick<Figure, 'headCentre' | 'headTurn'>): Point[] =>
  placed(headCorners, headCentre, headTurn - 90);
