import { type RegionId } from '../trunk';
import { type Build, profile, squareness } from './build';
import { type Frame, type Vec, cosine, inFrame, minus, sine, turnedFrame } from '../vector';

/** Degrees of bending: forward, to the left, turning to the left. */
export interface Bend {
  forward?: number;
  left?: number;
  turn?: number;
}

/** Where on the trunk a part lies: height above the hip joints in metres, degrees round from the front to the left, and how far it reaches. */
export interface Place {
  height: number;
  round: number;
  reach: readonly [height: number, round: number];
}

/** The parts of the trunk that are graded, on its surface. */
export const regionPlaces: Readonly<Record<RegionId, Place>> = {
  belly: { height: 0.13, round: 0, reach: [0.085, 52] },
  leftSide: { height: 0.235, round: 88, reach: [0.075, 36] },
  rightSide: { height: 0.235, round: -88, reach: [0.075, 36] },
  leftBack: { height: 0.27, round: 146, reach: [0.085, 24] },
  rightBack: { height: 0.27, round: -146, reach: [0.085, 24] },
  lowBack: { height: 0.1, round: 180, reach: [0.06, 42] },
  chestFront: { height: 0.37, round: 0, reach: [0.06, 50] },
  chestBack: { height: 0.385, round: 180, reach: [0.06, 46] },
  pelvicFloor: { height: -0.055, round: 180, reach: [0.045, 75] },
};

/** How far parts stand out by the breath in metres, by part. */
export type Swelling = Partial<Record<RegionId, number>>;

/** The middle line of the trunk as frames at even steps, from the hip joints to the root of the neck. */
export interface Spine {
  pelvis: Frame;
  frames: readonly Frame[];
}

const step = 0.0315;
const steps = 16;
const lumbar: readonly [number, number] = [0.05, 0.21];
const thoracic: readonly [number, number] = [0.21, 0.46];

const share = (from: number, to: number, [low, high]: readonly [number, number]) =>
  Math.max(0, Math.min(to, high) - Math.max(from, low)) / (high - low);

const bent = (frame: Frame, { forward = 0, left = 0, turn = 0 }: Bend, part: number): Frame =>
  part === 0
    ? frame
    : turnedFrame(
        turnedFrame(turnedFrame(frame, frame.left, forward * part), frame.front, -left * part),
        frame.head,
        turn * part,
      );

/** Bends a frame as a whole. */
export const bentFrame = (frame: Frame, bend: Bend): Frame => bent(frame, bend, 1);

/** Lays the spine from the pelvis upward. */
export function spineFrom(pelvis: Frame, low: Bend, high: Bend, { stoop }: Build): Spine {
  const frames = [pelvis];
  let frame = pelvis;
  for (let at = 0; at < steps; at += 1) {
    const [from, to] = [at * step, (at + 1) * step];
    const next = bent(
      bent(frame, low, share(from, to, lumbar)),
      { ...high, forward: (high.forward ?? 0) + stoop },
      share(from, to, thoracic),
    );
    const long = step / 2;
    frame = {
      ...next,
      at: [
        frame.at[0] + (frame.head[0] + next.head[0]) * long,
        frame.at[1] + (frame.head[1] + next.head[1]) * long,
        frame.at[2] + (frame.head[2] + next.head[2]) * long,
      ],
    };
    frames.push(frame);
  }
  return { pelvis, frames };
}

/** The frame of the spine at a height above the hip joints,. */
export function frameAt({ pelvis, frames }: Spine, height: number): Frame {
  if (height <= 0) return { ...pelvis, at: inFrame(pelvis, height, 0, 0) };
  const place = Math.min(steps, height / step);
  const low = Math.min(steps - 1, Math.floor(place));
  const [a, b] = [frames[low]!, frames[low + 1]!];
  const beyond = place - low;
  const mixed = (one: Vec, other: Vec): Vec => [
    one[0] + (other[0] - one[0]) * beyond,
    one[1] + (other[1] - one[1]) * beyond,
    one[2] + (other[2] - one[2]) * beyond,
  ];
  return {
    at: mixed(a.at, b.at),
    head: mixed(a.head, b.head),
    front: mixed(a.front, b.front),
    left: mixed(a.left, b.left),
  };
}

function profileAt(height: number): readonly [half: number, front: number, back: number] {
  let low = 0;
  while (low < profile.length - 2 && profile[low + 1]![0] < height) low += 1;
  const [a, b] = [profile[low]!, profile[low + 1]!];
  const part = Math.max(0, Math.min(1, (height - a[0]) / (b[0] - a[0])));
  return [a[1] + (b[1] - a[1]) * part, a[2] + (b[2] - a[2]) * part, a[3] + (b[3] - a[3]) * part];
}

const power = 2 / squareness;
const signed = (value: number) => Math.sign(value) * Math.abs(value) ** power;

/** Degrees from one direction round the trunk to another, the short way. */
const roundFrom = (from: number, to: number): number => ((((to - from) % 360) + 540) % 360) - 180;

/** How much of a part lies at a place of the surface: 1 at its middle, 0 from its edge outward, times `wide`. */
function weightOf(place: Place, height: number, round: number, wide = 1): number {
  const off =
    ((height - place.height) / (place.reach[0] * wide)) ** 2 +
    (roundFrom(place.round, round) / (place.reach[1] * wide)) ** 2;
  return off >= 1 ? 0 : (1 - off) ** 2;
}

const bumpPlace: Place = { height: 0.12, round: 0, reach: [0.2, 95] };

/** How far beside the middle line the surface of a trunk at rest lies, front and left, at a height and a direction. */
function resting(height: number, round: number, build: Build): readonly [number, number] {
  const [half, front, back] = profileAt(height);
  const [c, s] = [cosine(round), sine(round)];
  const out = build.bump > 0 ? build.bump * weightOf(bumpPlace, height, round) : 0;
  const thick = build.breadth;
  return [signed(c) * (c > 0 ? front : back) * thick + c * out, signed(s) * half * thick + s * out];
}

/** How far the breath stands out at a height and a direction. */
function swollen(height: number, round: number, swelling: Swelling): number {
  let out = 0;
  for (const region in swelling) {
    const by = swelling[region as RegionId];
    if (by) out += by * weightOf(regionPlaces[region as RegionId], height, round, 1.7);
  }
  return out;
}

/** Outlines of a build's rings, by height and number of points: they are the same in every pose. */
const outlines = new WeakMap<Build, Map<number, readonly (readonly [number, number])[]>>();

function outlineOf(height: number, points: number, build: Build): readonly (readonly [number, number])[] {
  let known = outlines.get(build);
  if (!known) outlines.set(build, (known = new Map<number, readonly (readonly [number, number])[]>()));
  // Heights are told apart to a tenth of a millimetre.
  const key = Math.round(height * 1e4) * 100 + points;
  let outline = known.get(key);
  if (!outline) {
    outline = Array.from({ length: points }, (_, at) => resting(height, (at * 360) / points, build));
    known.set(key, outline);
  }
  return outline;
}

/** A point of the trunk's surface. */
export function surfaceAt(
  spine: Spine,
  height: number,
  round: number,
  build: Build,
  swelling: Swelling = {},
  beyond = 0,
): Vec {
  const [front, left] = resting(height, round, build);
  const out = beyond + swollen(height, round, swelling);
  return inFrame(frameAt(spine, height), 0, front + cosine(round) * out, left + sine(round) * out);
}

const steepness = (2 * (squareness - 1)) / squareness;

/**
 * Which way the trunk's surface faces at a place, level with its ring: how the trunk gets thinner upward is left out.
 *
 * @param height above the hip joints, in metres
 * @param round degrees from the front to the left
 */
export function facing(spine: Spine, height: number, round: number): Vec {
  const [half, front, back] = profileAt(height);
  const [c, s] = [cosine(round), sine(round)];
  const ahead = (Math.sign(c) * Math.abs(c) ** steepness) / (c > 0 ? front : back);
  const aside = (Math.sign(s) * Math.abs(s) ** steepness) / half;
  const long = Math.sqrt(ahead * ahead + aside * aside);
  const frame = frameAt(spine, height);
  return minus(inFrame(frame, 0, ahead / long, aside / long), frame.at);
}

/** A ring of the trunk at a height, from the front round to the left. */
export function ringAt(spine: Spine, height: number, points: number, build: Build, swelling: Swelling = {}): Vec[] {
  const frame = frameAt(spine, height);
  return outlineOf(height, points, build).map(([front, left], at) => {
    const round = (at * 360) / points;
    const out = swollen(height, round, swelling);
    return out === 0
      ? inFrame(frame, 0, front, left)
      : inFrame(frame, 0, front + cosine(round) * out, left + sine(round) * out);
  });
}

/**
 * The lowest of a trunk at rest between two heights above the hip joints, over the floor in metres.
 *
 * @param from of the rings that count
 */
export function lowestOf(spine: Spine, build: Build, from: number, to: number): number {
  let low = Infinity;
  for (const height of ringHeights) {
    if (height < from || height > to) continue;
    const { at, front, left } = frameAt(spine, height);
    for (const [forward, aside] of outlineOf(height, 20, build))
      low = Math.min(low, at[2] + front[2] * forward + left[2] * aside);
  }
  return low;
}

/** Heights of the rings a trunk is drawn and weighed by. */
export const ringHeights = profile.map(([height]) => height);

/** Whether a point lies in the trunk, and how deep, in metres; below 0 it is outside. */
export function depthIn(spine: Spine, point: Vec, build: Build): number {
  let deepest = -1;
  for (const height of ringHeights) {
    const frame = frameAt(spine, height);
    const [x, y, z] = [point[0] - frame.at[0], point[1] - frame.at[1], point[2] - frame.at[2]];
    const along = x * frame.head[0] + y * frame.head[1] + z * frame.head[2];
    if (Math.abs(along) > 0.025) continue;
    const front = x * frame.front[0] + y * frame.front[1] + z * frame.front[2];
    const left = x * frame.left[0] + y * frame.left[1] + z * frame.left[2];
    const [half, ahead, behind] = profileAt(height);
    const thick = build.breadth;
    const depth = (front > 0 ? ahead : behind) * thick;
    const size =
      (Math.abs(front / depth) ** squareness + Math.abs(left / (half * thick)) ** squareness) ** (1 / squareness);
    deepest = Math.max(deepest, (1 - size) * Math.min(depth, half * thick));
  }
  return deepest;
}
