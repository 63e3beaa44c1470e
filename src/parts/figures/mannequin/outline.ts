import { type RegionId } from '@/core/trunk';
import { type FrontPose, inFront } from './front';
import { type Figure, type Point, along, directionOf, inTrunk } from './pose';

/** A tapered limb with round ends, as corners of a smooth shape. */
export function limbOutline(from: Point, to: Point, [thick, thin]: readonly [number, number], bulge = 0): Point[] {
  const turn = directionOf(from, to);
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
  const arc = (centre: Point, radius: number, start: number): Point[] =>
    [0, 45, 90, 135, 180].map((step) => along(centre, turn + start + step, radius));
  const third = along(from, turn, length * 0.34);
  const half = thick + (thin - thick) * 0.34 + bulge;
  return [...arc(to, thin, -90), along(third, turn + 90, half), ...arc(from, thick, 90), along(third, turn - 90, half)];
}

const n = (value: number) => String(Math.round(value * 100) / 100);

/**
 * An SVG path through corners, round where they turn; y is turned over, since drawings count downward.
 *
 * @param tension 0 straight lines, 1 fully round
 * @example smoothPath([[0, 0], [1, 0], [1, 1]], 0) // 'M0 0L1 0L1 -1Z'
 */
export function smoothPath(points: readonly Point[], tension = 0.9): string {
  const at = (i: number) => points[(i + points.length) % points.length]!;
  const start = at(0);
  if (tension === 0) {
    return `M${points.map(([x, y]) => `${n(x)} ${n(-y)}`).join('L')}Z`.replace(/ -0(?=[LZ])/g, ' 0');
  }
  const k = tension / 6;
  const pieces = points.map((_, i) => {
    const [p0, p1, p2, p3] = [at(i - 1), at(i), at(i + 1), at(i + 2)];
    const a: Point = [p1[0] + (p2[0] - p0[0]) * k, p1[1] + (p2[1] - p0[1]) * k];
    const b: Point = [p2[0] - (p3[0] - p1[0]) * k, p2[1] - (p3[1] - p1[1]) * k];
    return `C${n(a[0])} ${n(-a[1])} ${n(b[0])} ${n(-b[1])} ${n(p2[0])} ${n(-p2[1])}`;
  });
  return `M${n(start[0])} ${n(-start[1])}${pieces.join('')}Z`;
}

/** Where a part lies in the trunk: along it, and across it. From the side, back -1 to front 1; from the front, right -1 to left 1. */
interface Patch {
  along: readonly [number, number];
  across: readonly [number, number];
}

const sidePatches: Readonly<Record<RegionId, Patch>> = {
  belly: { along: [0.06, 0.48], across: [0.2, 1] },
  chestFront: { along: [0.6, 0.94], across: [0.2, 1] },
  leftSide: { along: [0.44, 0.8], across: [-0.45, 0.5] },
  rightSide: { along: [0.44, 0.8], across: [-0.45, 0.5] },
  leftBack: { along: [0.46, 0.8], across: [-1, -0.3] },
  rightBack: { along: [0.46, 0.8], across: [-1, -0.3] },
  chestBack: { along: [0.76, 1], across: [-1, -0.25] },
  lowBack: { along: [0.1, 0.46], across: [-1, -0.25] },
  pelvicFloor: { along: [-0.13, 0.05], across: [-0.7, 0.7] },
};

const frontPatches: Readonly<Record<RegionId, Patch>> = {
  belly: { along: [0.06, 0.46], across: [-0.6, 0.6] },
  chestFront: { along: [0.62, 0.94], across: [-0.65, 0.65] },
  leftSide: { along: [0.42, 0.8], across: [0.4, 1] },
  rightSide: { along: [0.42, 0.8], across: [-1, -0.4] },
  leftBack: { along: [0.5, 0.84], across: [0.25, 0.85] },
  rightBack: { along: [0.5, 0.84], across: [-0.85, -0.25] },
  chestBack: { along: [0.74, 0.98], across: [-0.6, 0.6] },
  lowBack: { along: [0.1, 0.42], across: [-0.6, 0.6] },
  pelvicFloor: { along: [-0.13, 0.04], across: [-0.6, 0.6] },
};

function patchCorners(
  { along: [low, high], across: [inner, outer] }: Patch,
  place: (at: number, across: number) => Point,
) {
  return Array.from({ length: 16 }, (_, i) => {
    const angle = (Math.PI * 2 * i) / 16;
    // Rounder than a box, fuller than an ellipse.
    const [c, s] = [Math.cos(angle), Math.sin(angle)].map((v) => Math.sign(v) * Math.abs(v) ** 0.75) as [
      number,
      number,
    ];
    return place((low + high) / 2 + (c * (high - low)) / 2, (inner + outer) / 2 + (s * (outer - inner)) / 2);
  });
}

/** The shape of a part in a figure seen from the side. */
export const sidePatch = (figure: Figure, region: RegionId): Point[] =>
  patchCorners(sidePatches[region], (at, across) => inTrunk(figure, at, across));

/** The shape of a part in a figure seen from the front. */
export const frontPatch = (pose: FrontPose, region: RegionId): Point[] =>
  patchCorners(frontPatches[region], (at, across) => inFront(pose, at, across));
