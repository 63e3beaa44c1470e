/** Lengths from joint to joint, half breadths and radii in metres of a person 1.70 m tall. */
export interface Build {
  /** Thickness of limbs and breadth of the trunk against the middle build. */
  breadth: number;
  /** How far the belly stands forward of itself, in metres; grows with the weeks of a pregnancy. */
  bump: number;
  /** Degrees by which the upper back is rounder and the head further forward. */
  stoop: number;
}

/**
 * Segment lengths as parts of stature: Winter, Biomechanics and Motor Control of Human Movement, after Drillis and Contini
 * (1966); the values from memory. The spine up to the shoulders is 0.288 of stature there, the rest follows.
 */
export const lengths = {
  hipHalf: 0.088,
  thigh: 0.416,
  shank: 0.416,
  ankle: 0.07,
  foot: 0.25,
  shoulderHalf: 0.172,
  shoulderHeight: 0.475,
  upperArm: 0.296,
  forearm: 0.25,
  palm: 0.085,
  fingers: 0.085,
  neckBase: 0.5,
  neck: 0.085,
  headHalf: 0.118,
} as const;

/** How thick a limb is at its two ends, and between them where flesh makes it thicker. */
export const radii = {
  thigh: [0.083, 0.052],
  shank: [0.052, 0.036],
  upperArm: [0.05, 0.038],
  forearm: [0.04, 0.027],
  neck: [0.052, 0.05],
  head: 0.092,
  heel: 0.033,
  ball: 0.027,
  toe: 0.017,
  palm: 0.026,
  finger: 0.014,
} as const;

/** The trunk by height above the hip joints: half breadth, depth in front and behind. */
export const profile: readonly (readonly [height: number, half: number, front: number, back: number])[] = [
  [-0.105, 0.05, 0.03, 0.05],
  [-0.085, 0.115, 0.06, 0.085],
  [-0.05, 0.155, 0.085, 0.115],
  [0, 0.17, 0.097, 0.122],
  [0.04, 0.168, 0.103, 0.113],
  [0.08, 0.158, 0.106, 0.097],
  [0.12, 0.145, 0.105, 0.085],
  [0.16, 0.135, 0.1, 0.08],
  [0.2, 0.134, 0.1, 0.083],
  [0.24, 0.139, 0.105, 0.09],
  [0.28, 0.146, 0.111, 0.097],
  [0.32, 0.152, 0.116, 0.101],
  [0.36, 0.156, 0.116, 0.102],
  [0.4, 0.157, 0.107, 0.098],
  [0.435, 0.15, 0.092, 0.088],
  [0.465, 0.128, 0.072, 0.072],
  [0.49, 0.085, 0.055, 0.056],
  [0.505, 0.05, 0.042, 0.045],
];

/** Of the superellipse of a ring: 2 is an ellipse, more is squarer. */
export const squareness = 2.35;

/** The builds every pose is held against. */
export const builds = {
  small: { breadth: 0.9, bump: 0, stoop: 0 },
  middle: { breadth: 1, bump: 0, stoop: 0 },
  broad: { breadth: 1.16, bump: 0.03, stoop: 4 },
} as const satisfies Record<string, Build>;

/**
 * A build with the belly of a week of pregnancy: nothing to be seen before the twelfth, about 13 cm forward at term.
 * Common practice, no published source.
 *
 * @param week 0 to 42
 * @example withBump(builds.middle, 40).bump // 0.13
 */
export const withBump = (build: Build, week: number): Build => ({
  ...build,
  bump: build.bump + 0.13 * Math.min(1, Math.max(0, (week - 12) / 28)),
});
