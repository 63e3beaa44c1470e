/** The parts of the trunk that are graded, with the side as the client's own left and right. */
export const regionIds = [
  'belly',
  'rightSide',
  'rightBack',
  'lowBack',
  'leftBack',
  'leftSide',
  'chestFront',
  'chestBack',
  'pelvicFloor',
] as const;
export type RegionId = (typeof regionIds)[number];

export interface Region {
  id: RegionId;
  name: string;
  /** Which band of the ring it is drawn in; the pelvic floor has an arc of its own. */
  band: 'outer' | 'inner' | 'floor';
  /** Direction seen from above, front up: degrees clockwise from the front. The pelvic floor has none. */
  angleDegrees: number | null;
}

/**
 * The outer band is six equal parts, the inner two, so that an even breath points nowhere: unequal parts would give a
 * bias to a trunk that has none.
 */
export const regions: Readonly<Record<RegionId, Region>> = {
  belly: { id: 'belly', name: 'belly', band: 'outer', angleDegrees: 0 },
  rightSide: { id: 'rightSide', name: 'right side', band: 'outer', angleDegrees: 60 },
  rightBack: { id: 'rightBack', name: 'right back', band: 'outer', angleDegrees: 120 },
  lowBack: { id: 'lowBack', name: 'low back', band: 'outer', angleDegrees: 180 },
  leftBack: { id: 'leftBack', name: 'left back', band: 'outer', angleDegrees: 240 },
  leftSide: { id: 'leftSide', name: 'left side', band: 'outer', angleDegrees: 300 },
  chestFront: { id: 'chestFront', name: 'front of chest', band: 'inner', angleDegrees: 0 },
  chestBack: { id: 'chestBack', name: 'back of chest', band: 'inner', angleDegrees: 180 },
  pelvicFloor: { id: 'pelvicFloor', name: 'pelvic floor', band: 'floor', angleDegrees: null },
};

/** The eight parts that have a direction, in the order of {@link regionIds}. */
export const ringRegionIds = regionIds.filter((id) => id !== 'pelvicFloor');

export const gradeWords = ['none', 'trace', 'clear', 'full'] as const;

/** 0 none, 1 trace, 2 clear, 3 full; null is "not observed", which is never the same as none. */
export type Grade = number | null;
export type Grades = Record<RegionId, Grade>;

/** One sentence each, so that two coaches mean the same by a grade. Common practice, no published source. */
export const gradeAnchors: Readonly<Record<0 | 1 | 2 | 3, string>> = {
  0: 'Nothing moves under the hand.',
  1: 'A trace: felt, hardly seen.',
  2: 'Clear: seen and felt on most breaths.',
  3: 'Full: widens freely on every breath.',
};

/** A region map with nothing observed yet: the start value of every look. */
export function unobserved(): Grades {
  return { ...nothingSeen };
}

const nothingSeen = Object.fromEntries(regionIds.map((id) => [id, null])) as Grades;

const mirrors: Partial<Record<RegionId, RegionId>> = {
  leftSide: 'rightSide',
  rightSide: 'leftSide',
  leftBack: 'rightBack',
  rightBack: 'leftBack',
};

/**
 * The same map with left and right exchanged.
 *
 * @example mirrored({ ...unobserved(), leftSide: 2 }).rightSide // 2
 */
export function mirrored(grades: Grades): Grades {
  return Object.fromEntries(regionIds.map((id) => [id, grades[mirrors[id] ?? id]])) as Grades;
}
