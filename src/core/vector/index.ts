/** A point or direction in metres: ahead, to the left, up. */
export type Vec = readonly [number, number, number];

/** Where a part of the body stands, and which ways are headward, front and left for it. All three of length one. */
export interface Frame {
  at: Vec;
  head: Vec;
  front: Vec;
  left: Vec;
}

const up: Vec = [0, 0, 1];

/** The sum of two. @example add([1, 0, 0], [0, 2, 0]) // [1, 2, 0] */
export const add = (a: Vec, b: Vec): Vec => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
/** From the second to the first. @example minus([1, 2, 0], [0, 2, 0]) // [1, 0, 0] */
export const minus = (a: Vec, b: Vec): Vec => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
/** So many times as long. @example times([1, 0, 2], 3) // [3, 0, 6] */
export const times = (a: Vec, by: number): Vec => [a[0] * by, a[1] * by, a[2] * by];
/** How much two directions agree: 1 for the same of length one, 0 across. @example dot([1, 0, 0], [0, 1, 0]) // 0 */
export const dot = (a: Vec, b: Vec): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
/** What stands across both, as a right-handed screw goes. @example cross([1, 0, 0], [0, 1, 0]) // [0, 0, 1] */
export const cross = (a: Vec, b: Vec): Vec => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
export const length = (a: Vec): number => Math.sqrt(a[0] * a[0] + a[1] * a[1] + a[2] * a[2]);
export const far = (a: Vec, b: Vec): number => length(minus(a, b));
/** A point on the way, from 0 at the first to 1 at the second. @example between([0, 0, 0], [2, 0, 0], 0.5) // [1, 0, 0] */
export const between = (a: Vec, b: Vec, part: number): Vec => [
  a[0] + (b[0] - a[0]) * part,
  a[1] + (b[1] - a[1]) * part,
  a[2] + (b[2] - a[2]) * part,
];

/** The direction alone, of length one. What has none points up. @example unit([0, 3, 0]) // [0, 1, 0] */
export function unit(a: Vec): Vec {
  const long = length(a);
  return long < 1e-9 ? up : times(a, 1 / long);
}

const radians = Math.PI / 180;
/** Of degrees. @example sine(0) // 0 */
export const sine = (degrees: number): number => Math.sin(degrees * radians);
/** Of degrees. @example cosine(0) // 1 */
export const cosine = (degrees: number): number => Math.cos(degrees * radians);

/** Turns a vector about an axis of length one, in degrees, as a right-handed screw goes. */
export function turned(a: Vec, axis: Vec, degrees: number): Vec {
  if (degrees === 0) return a;
  const [c, s] = [cosine(degrees), sine(degrees)];
  const across = cross(axis, a);
  const along = dot(axis, a) * (1 - c);
  return [
    a[0] * c + across[0] * s + axis[0] * along,
    a[1] * c + across[1] * s + axis[1] * along,
    a[2] * c + across[2] * s + axis[2] * along,
  ];
}

export const turnedFrame = (frame: Frame, axis: Vec, degrees: number): Frame =>
  degrees === 0
    ? frame
    : {
        at: frame.at,
        head: turned(frame.head, axis, degrees),
        front: turned(frame.front, axis, degrees),
        left: turned(frame.left, axis, degrees),
      };

/** A point given in a frame's own directions: headward, front, left. */
export const inFrame = (frame: Frame, head: number, front: number, left: number): Vec => [
  frame.at[0] + frame.head[0] * head + frame.front[0] * front + frame.left[0] * left,
  frame.at[1] + frame.head[1] * head + frame.front[1] * front + frame.left[1] * left,
  frame.at[2] + frame.head[2] * head + frame.front[2] * front + frame.left[2] * left,
];

/** What is left of a vector beside a direction of length one. */
export const beside = (a: Vec, direction: Vec): Vec => minus(a, times(direction, dot(a, direction)));
