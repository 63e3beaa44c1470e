import { type RegionId, regions } from '@/core/trunk';

/** Drawing size of the ring: a square of this side, the trunk's middle in its centre. */
export const ringSize = 560;
const centre = ringSize / 2;

/** How far the drawing reaches from the middle without its names. */
export const ringReach = 232;

/** Radii between which each band is drawn; a full grade fills the band. */
const bandRadii = { outer: [128, 200], inner: [62, 108], floor: [214, 226] } as const;

/** Half the angle a part spans, in degrees; what is left between neighbours is a gap of paper. */
const halfSpan = { outer: 28.5, inner: 62, floor: 14 } as const;

export interface Point {
  x: number;
  y: number;
}

/**
 * A point on the ring: degrees clockwise from the front (up), radius from the middle.
 *
 * @example pointAt(90, 100) // { x: 380, y: 280 }: the client's right is on the right
 */
export function pointAt(degrees: number, radius: number): Point {
  const angle = ((degrees - 90) * Math.PI) / 180;
  return { x: centre + radius * Math.cos(angle), y: centre + radius * Math.sin(angle) };
}

const at = ({ x, y }: Point) => `${x.toFixed(2)} ${y.toFixed(2)}`;

/** An SVG path for the piece of a band between two radii and two angles. */
export function sectorPath(fromDegrees: number, toDegrees: number, inner: number, outer: number): string {
  const large = toDegrees - fromDegrees > 180 ? 1 : 0;
  return [
    `M ${at(pointAt(fromDegrees, outer))}`,
    `A ${outer} ${outer} 0 ${large} 1 ${at(pointAt(toDegrees, outer))}`,
    `L ${at(pointAt(toDegrees, inner))}`,
    `A ${inner} ${inner} 0 ${large} 0 ${at(pointAt(fromDegrees, inner))}`,
    'Z',
  ].join(' ');
}

/** An SVG path for an arc at one radius. */
export function arcPath(fromDegrees: number, toDegrees: number, radius: number): string {
  return `M ${at(pointAt(fromDegrees, radius))} A ${radius} ${radius} 0 0 1 ${at(pointAt(toDegrees, radius))}`;
}

/** Where a part of the trunk is drawn. */
export interface PartShape {
  from: number;
  to: number;
  inner: number;
  outer: number;
}

/** The pelvic floor has no direction: its arc is drawn below the low back. */
const floorAngle = 180;

export function partShape(id: RegionId): PartShape {
  const { band, angleDegrees } = regions[id];
  const middle = angleDegrees ?? floorAngle;
  const [inner, outer] = bandRadii[band];
  return { from: middle - halfSpan[band], to: middle + halfSpan[band], inner, outer };
}

/** How far from the middle a finger still means the neck: to the edge of the inner band. */
export const neckReach = 58;

/** Where a finger means a part: what is drawn, and for the thin arc of the floor everything round it that is nobody else's. */
export function reachPath(id: RegionId): string {
  const { from, to, inner, outer } = partShape(id);
  return regions[id].band === 'floor'
    ? sectorPath(from - 8, to + 8, bandRadii.outer[1] + 3, ringSize / 2 - 2)
    : sectorPath(from, to, inner, outer);
}

/** The radius up to which a grade of 0 to 3 fills its band. */
export function gradeRadius({ inner, outer }: PartShape, grade: number): number {
  return inner + ((outer - inner) * Math.min(3, Math.max(0, grade))) / 3;
}

/** Where the words of a part stand, outside the ring for the outer band. */
export function labelPoint(id: RegionId): Point & { anchor: 'start' | 'middle' | 'end' } {
  const { band, angleDegrees } = regions[id];
  if (band === 'floor') return { ...pointAt(floorAngle, 246), anchor: 'middle' };
  // The floor's arc takes the place under the low back, so its words stand to the side.
  if (id === 'lowBack') return { ...pointAt(204, 222), anchor: 'end' };
  if (band === 'inner') return { ...pointAt(angleDegrees!, 40), anchor: 'middle' };
  const point = pointAt(angleDegrees!, 216);
  const anchor = angleDegrees === 0 || angleDegrees === 180 ? 'middle' : angleDegrees! < 180 ? 'start' : 'end';
  return { ...point, anchor };
}

/** Tip and tail of the needle for a bias; null where there is too little to point at. */
export function needle(degrees: number | null, strength: number | null): { tail: Point; tip: Point } | null {
  if (degrees === null || strength === null || strength < 0.05) return null;
  const length = Math.min(118, 34 + strength * 160);
  return { tail: pointAt(degrees, 0), tip: pointAt(degrees, length) };
}
