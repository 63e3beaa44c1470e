import { type Body, type Thing, frameAt, radii, sides } from '@/core/body';
import { type Vec, between, cosine, inFrame, sine } from '@/core/vector';
import { type RegionId } from '@/core/trunk';
import { type Eye, closedPath, disc, hull } from './outline';
import { inOrder } from './order';
import { type Shape, type Part, flat, piece } from './shapes';
import { headAxes, headPart, roundOutline } from './drawHead';
import { armParts, legParts } from './drawLimbs';
import { thingPart } from './drawThings';
import { trunkPart, trunkPath } from './drawTrunk';

/** Soft shadows where the body rests on the floor. */
function shadows(body: Body, eye: Eye): Shape[] {
  const spots: [Vec, number][] = [];
  for (const side of sides) {
    const { ankle, knee, ball } = body.legs[side];
    if (ankle[2] < 0.12) spots.push([between(ankle, ball, 0.5), 0.09]);
    if (knee[2] < 0.1) spots.push([knee, 0.08]);
    const { wrist, elbow, knuckles } = body.arms[side];
    if (wrist[2] < 0.1) spots.push([knuckles, 0.06]);
    if (elbow[2] < 0.1) spots.push([elbow, 0.06]);
  }
  for (const height of [0, 0.34]) {
    const frame = frameAt(body.spine, height);
    if (frame.at[2] < 0.22) spots.push([frame.at, 0.17]);
  }
  const d = spots
    .map(([[x, y], radius]) =>
      closedPath(
        hull(
          Array.from({ length: 16 }, (_, k) =>
            flat(eye.see([x + radius * cosine(k * 22.5), y + radius * sine(k * 22.5), 0])),
          ),
        ),
      ),
    )
    .join('');
  return [{ d, tone: 'shadow', edge: 'none' }];
}

export interface Drawing {
  shapes: Shape[];
  /** In which order the parts were painted: a moment of a breath keeps that of its rest. */
  order: readonly number[];
}

/** A body and what stands about it, in the order in which they are painted. */
export function drawn(
  body: Body,
  things: readonly Thing[],
  eye: Eye,
  tinted: readonly RegionId[],
  given?: readonly number[],
): Drawing {
  const named = things.map((thing, at) => ({ thing, part: thingPart(thing, eye, at) }));
  const behind = named.filter(({ thing }) => thing.form === 'sheet').map(({ part }) => part);
  const parts: Part[] = [
    trunkPart(body, eye, tinted),
    headPart(body, eye),
    ...sides.flatMap((side) => [...legParts(body, eye, side), ...armParts(body, eye, side)]),
    ...named.filter(({ thing }) => thing.form !== 'sheet').map(({ part }) => part),
  ];
  const order = given ?? inOrder(parts.map(({ samples }) => samples));
  const shapes: Shape[] = behind.flatMap((part) => part.shapes);
  shapes.push(...shadows(body, eye));
  const painted = new Set<string>();
  const byName = new Map(parts.map((part) => [part.name, part]));
  for (const at of order) {
    const part = parts[at]!;
    shapes.push(...part.shapes);
    painted.add(part.name);
    // A piece laid over the one it grows from, or under it: the joint is closed again without an edge.
    const root = part.joins ? byName.get(part.joins) : undefined;
    if (root?.stub && painted.has(root.name)) shapes.push(root.stub);
    for (const next of parts) {
      if (next.joins === part.name && painted.has(next.name) && next.stub && part.stub) shapes.push(next.stub);
    }
  }
  return { shapes, order };
}

/** A body as one pale outline: where a movement comes from or goes to. */
export function ghostPath(body: Body, eye: Eye): string {
  const thick = body.build.breadth;
  const skull = roundOutline(body.head, headAxes, eye, 20).map((point) => flat(eye.see(point)));
  const limbs = sides.flatMap((side) => {
    const { hip, knee, ankle, heel, ball, toe } = body.legs[side];
    const { shoulder, elbow, wrist, tips } = body.arms[side];
    return [
      piece(eye, hip, knee, radii.thigh[0] * thick, radii.thigh[1] * thick),
      piece(eye, knee, ankle, radii.shank[0] * thick, radii.shank[1] * thick),
      closedPath(hull([heel, ball, toe, ankle].flatMap((at, k) => disc(flat(eye.see(at)), k === 2 ? 1.7 : 3, 10)))),
      piece(eye, shoulder, elbow, radii.upperArm[0], radii.upperArm[1]),
      piece(eye, elbow, wrist, radii.forearm[0], radii.forearm[1]),
      piece(eye, wrist, tips, 0.028, 0.015),
    ];
  });
  return [
    ...limbs,
    trunkPath(body, eye),
    piece(eye, frameAt(body.spine, 0.475).at, inFrame(body.head, -0.05, -0.018, 0), 0.05, 0.047),
    closedPath(hull(skull)),
  ].join('');
}
