/**
 * The figure's proportions in parts of a hundred of its standing height, and how far its joints go. Segment lengths after
 * the usual ratios of stature (Drillis & Contini 1966, values from memory); ranges are common practice, passive where a
 * position lets the floor do the bending.
 */
export const lengths = {
  pelvis: 8,
  lumbar: 8.5,
  thorax: 12.3,
  neck: 5.2,
  head: 6.4,
  thigh: 24.5,
  shank: 24.6,
  upperArm: 18.6,
  forearm: 14.6,
  hand: 7.6,
} as const;

/** Height of the ankle over the sole, and the foot in front of and behind it. */
export const foot = { height: 3.9, toe: 10.4, heel: 4.2 } as const;

/** Half thickness of the limbs, at their upper and lower end. */
export const radii = {
  thigh: [5, 3.2],
  shank: [3.2, 1.9],
  upperArm: [2.7, 2.1],
  forearm: [2.1, 1.5],
  hand: [1.6, 1],
  neck: [2.9, 2.5],
} as const;

/** Half depth of the trunk in front of and behind its middle line, from below the hip to the neck; `at` runs 0 hip to 1 shoulder. */
export const trunkDepth = [
  { at: -0.13, front: 2.6, back: 4.4 },
  { at: 0, front: 4.6, back: 6 },
  { at: 0.14, front: 5.3, back: 5.9 },
  { at: 0.3, front: 5.2, back: 4.6 },
  { at: 0.45, front: 5.1, back: 4.3 },
  { at: 0.62, front: 6, back: 5.3 },
  { at: 0.8, front: 6.5, back: 6 },
  { at: 0.93, front: 5.2, back: 5.7 },
  { at: 1.05, front: 2.7, back: 3.6 },
] as const;

/** Half width of the trunk seen from the front, each side alike. */
export const trunkWidth = [
  { at: -0.14, half: 5.2 },
  { at: 0, half: 8.3 },
  { at: 0.16, half: 8.2 },
  { at: 0.4, half: 6.6 },
  { at: 0.62, half: 7.6 },
  { at: 0.82, half: 8.8 },
  { at: 0.96, half: 8.9 },
  { at: 1.06, half: 3.4 },
] as const;

/** Joint angles in degrees, 0 standing with the arms hanging; positive is flexion, and toes up at the ankle. */
export const range = {
  lumbar: [-35, 60],
  thoracic: [-30, 50],
  neck: [-70, 70],
  hip: [-32, 135],
  knee: [0, 162],
  ankle: [-78, 38],
  shoulder: [-60, 185],
  elbow: [0, 150],
  wrist: [-95, 85],
} as const;
export type JointId = keyof typeof range;
