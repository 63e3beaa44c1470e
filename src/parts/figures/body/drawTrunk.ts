import { type Body, facing, frameAt, regionPlaces, ringAt, ringHeights, surfaceAt } from '@/core/body';
import { between, cosine, dot, minus, sine } from '@/core/vector';
import { type RegionId } from '@/core/trunk';
import { type Eye, type Flat, closedPath, hull, softPath } from './outline';
import { type Sample } from './order';
import { type Shape, type Part, flat } from './shapes';

/** Rings that are drawn: enough for a smooth outline, few enough for a small picture. */
const drawnHeights = ringHeights.filter((_, at) => at % 2 === 0 || at === ringHeights.length - 1 || at === 1);

/** The trunk as one path: slices between neighbouring rings, each the outline around both. */
export function trunkPath(body: Body, eye: Eye): string {
  const rings = drawnHeights.map((height) =>
    ringAt(body.spine, height, 18, body.build, body.swelling).map((point) => flat(eye.see(point))),
  );
  return rings
    .slice(1)
    .map((ring, at) => closedPath(hull([...rings[at]!, ...ring])))
    .join('');
}

/** A part of the trunk as far as it is seen: an outline from its middle, or from its nearest place that is seen. Empty where none is. */
export function regionPath(body: Body, eye: Eye, region: RegionId, size: number): string {
  const { swelling } = body;
  const place = regionPlaces[region];
  const seen = (h: number, r: number) =>
    dot(
      facing(body.spine, place.height + h * place.reach[0] * size, place.round + r * place.reach[1] * size),
      eye.toward,
    ) > 0.06;
  let middle: readonly [number, number] | null = null;
  for (const away of [0, 0.25, 0.5, 0.7, 0.85]) {
    for (let turn = 0; turn < 360 && !middle; turn += away === 0 ? 360 : 30) {
      const [h, r] = [away * sine(turn), away * cosine(turn)];
      if (seen(h, r)) middle = [h, r];
    }
    if (middle) break;
  }
  if (!middle) return '';
  const points: Flat[] = [];
  for (let turn = 0; turn < 360; turn += 20) {
    const [dh, dr] = [sine(turn), cosine(turn)];
    // From the middle outward to the edge of the part: |middle + t·d| = 1.
    const along = middle[0] * dh + middle[1] * dr;
    const edge = -along + Math.sqrt(Math.max(0, along * along + 1 - middle[0] ** 2 - middle[1] ** 2));
    let [low, high] = [0, edge];
    const at = (t: number) => [middle[0] + t * dh, middle[1] + t * dr] as const;
    if (!seen(...at(high))) {
      for (let half = 0; half < 5; half += 1) {
        const t = (low + high) / 2;
        if (seen(...at(t))) low = t;
        else high = t;
      }
    } else low = high;
    const [h, r] = at(low);
    points.push(
      flat(
        eye.see(
          surfaceAt(
            body.spine,
            place.height + h * place.reach[0] * size,
            place.round + r * place.reach[1] * size,
            body.build,
            swelling,
          ),
        ),
      ),
    );
  }
  const area = points.reduce((sum, [x, y], at) => {
    const [nx, ny] = points[(at + 1) % points.length]!;
    return sum + x * ny - nx * y;
  }, 0);
  return Math.abs(area) < 45 ? '' : softPath(points);
}

export function trunkPart(body: Body, eye: Eye, tinted: readonly RegionId[]): Part {
  const samples: Sample[] = [];
  for (const height of drawnHeights) {
    const ring = ringAt(body.spine, height, 12, body.build, body.swelling);
    const middle = frameAt(body.spine, height).at;
    for (const point of ring) {
      const outward = minus(point, middle);
      if (dot(outward, eye.toward) < 0) continue;
      const [x, y, near] = eye.see(between(middle, point, 0.85));
      samples.push({ x, y, near, radius: 4 });
    }
  }
  return {
    name: 'trunk',
    samples,
    shapes: [
      { d: trunkPath(body, eye), tone: 'trunk', edge: 'halo' },
      ...tinted.flatMap((region) => tintShapes(body, eye, region)),
    ],
  };
}

/** A part that the breath should open: its patch, and a stronger middle. Always two shapes, one of which may be empty. */
const tintShapes = (body: Body, eye: Eye, region: RegionId): Shape[] => [
  { d: regionPath(body, eye, region, 1), tone: 'tint', edge: 'halo' },
  { d: regionPath(body, eye, region, 0.62), tone: 'core', edge: 'none' },
];
