import { listed } from '../reasons';
import { type Grades, type RegionId, regionIds, regions, ringRegionIds } from './regions';

/** What a ring says as a whole. Null where too little was seen to say it. */
export interface RingSummary {
  /** How many of the eight directed parts were observed. */
  seen: number;
  /** Direction the breath leans to, degrees clockwise from the front, 0 to 360. */
  biasDegrees: number | null;
  /** How strongly it leans: the resultant length, 0 (even) to 1 (all in one direction). */
  biasStrength: number | null;
  /** (right − left) / (right + left) of sides and backs: −1 all left, 0 alike, 1 all right. */
  leftRightIndex: number | null;
  /** 1 when every observed part moves alike, towards 0 when one part does it all. */
  evenness: number | null;
}

const radians = (degrees: number) => (degrees * Math.PI) / 180;

/**
 * Mean direction and resultant length of weights placed round a circle: R = |Σ w·e^{iθ}| / Σ w. [R12]
 *
 * @param weights pairs of [angle in degrees, weight ≥ 0]
 * @returns null when the weights sum to 0; the direction is null when the resultant is too short to have one
 * @source Fisher 1993; Mardia & Jupp 2000
 * @example circularMean([[0, 1], [90, 1]]) // { degrees: 45, strength: 0.7071… }
 */
export function circularMean(
  weights: readonly (readonly [number, number])[],
): { degrees: number | null; strength: number } | null {
  const total = weights.reduce((sum, [, weight]) => sum + weight, 0);
  if (total <= 0) return null;
  const x = weights.reduce((sum, [angle, weight]) => sum + weight * Math.cos(radians(angle)), 0);
  const y = weights.reduce((sum, [angle, weight]) => sum + weight * Math.sin(radians(angle)), 0);
  const strength = Math.hypot(x, y) / total;
  if (strength < 1e-9) return { degrees: null, strength: 0 };
  const degrees = (Math.atan2(y, x) * 180) / Math.PI;
  return { degrees: (degrees + 360) % 360, strength };
}

/**
 * Reads a ring as a whole. Parts not observed are left out of left–right and evenness; for the bias they count as the
 * mean of what was seen, so that not looking at the back does not read as leaning forward. Below four observed parts
 * there is no bias.
 *
 * @param grades 0 to 3 or null a part
 * @source R12 for direction and strength; evenness is Shannon's entropy over its maximum
 * @example summariseRing({ ...unobserved(), belly: 3, leftSide: 0, rightSide: 0, lowBack: 0 }).biasDegrees // 0
 */
export function summariseRing(grades: Grades): RingSummary {
  const observed = ringRegionIds.filter((id) => grades[id] !== null);
  const seen = observed.length;
  const values = observed.map((id) => grades[id]!);
  const mean = seen === 0 ? 0 : values.reduce((sum, value) => sum + value, 0) / seen;
  const bias =
    seen >= 4
      ? circularMean(ringRegionIds.map((id) => [regions[id].angleDegrees!, grades[id] ?? mean] as const))
      : null;
  return {
    seen,
    biasDegrees: bias?.degrees ?? null,
    biasStrength: bias?.strength ?? null,
    leftRightIndex: leftRightIndex(grades),
    evenness: evenness(values),
  };
}

function leftRightIndex(grades: Grades): number | null {
  const pairs: readonly (readonly [RegionId, RegionId])[] = [
    ['leftSide', 'rightSide'],
    ['leftBack', 'rightBack'],
  ];
  const both = pairs.filter(([left, right]) => grades[left] !== null && grades[right] !== null);
  const left = both.reduce((sum, [id]) => sum + grades[id]!, 0);
  const right = both.reduce((sum, [, id]) => sum + grades[id]!, 0);
  return left + right === 0 ? null : (right - left) / (right + left);
}

function evenness(values: readonly number[]): number | null {
  const total = values.reduce((sum, value) => sum + value, 0);
  if (values.length < 4 || total === 0) return null;
  const entropy = values
    .filter((value) => value > 0)
    .reduce((sum, value) => sum - (value / total) * Math.log(value / total), 0);
  return entropy / Math.log(values.length);
}

const compass = ['front', 'front-right', 'right', 'back-right', 'back', 'back-left', 'left', 'front-left'] as const;

/** A direction in words, with the client's own left and right. @example directionInWords(60) // 'front-right' */
export function directionInWords(degrees: number): string {
  return compass[Math.round(((degrees % 360) + 360) / 45) % 8]!;
}

const stepWords = ['', 'one step', 'two steps', 'three steps'];

/**
 * Plain sentences for a ring: which side gives less, what barely moves, which way it leans. Empty when nothing was seen.
 *
 * @example ringInWords({ ...unobserved(), leftSide: 1, rightSide: 2 }) // ['Left side gives one step less than right.', …]
 */
export function ringInWords(grades: Grades): string[] {
  const sentences: string[] = [];
  const compare = (left: RegionId, right: RegionId, what: string) => {
    const [l, r] = [grades[left], grades[right]];
    if (l === null || r === null || l === r) return;
    const [less, more] = l < r ? ['Left', 'right'] : ['Right', 'left'];
    sentences.push(`${less} ${what} gives ${stepWords[Math.abs(l - r)]} less than ${more}.`);
  };
  compare('leftSide', 'rightSide', 'side');
  compare('leftBack', 'rightBack', 'back');

  const still = regionIds.filter((id) => grades[id] === 0).map((id) => regions[id].name);
  const trace = regionIds.filter((id) => grades[id] === 1).map((id) => regions[id].name);
  if (still.length > 0) sentences.push(`Nothing moves at the ${listed(still)}.`);
  if (trace.length > 0) sentences.push(`Only a trace at the ${listed(trace)}.`);

  const { seen, biasDegrees, biasStrength } = summariseRing(grades);
  if (biasDegrees !== null && biasStrength !== null && biasStrength >= 0.1) {
    sentences.push(`The breath leans to the ${directionInWords(biasDegrees)}.`);
  } else if (seen >= 6 && sentences.length === 0) {
    sentences.push('All parts move alike.');
  }
  return sentences;
}
