import {
  type Body,
  type Frame,
  type Side,
  type Thing,
  type Vec,
  add,
  between,
  cornersOf,
  cosine,
  cross,
  dot,
  facing,
  frameAt,
  inFrame,
  minus,
  radii,
  regionPlaces,
  ringAt,
  ringHeights,
  sides,
  sine,
  surfaceAt,
  times,
  unit,
} from '@/core/body';
import { type RegionId } from '@/core/trunk';
import { type Eye, type Flat, type Spot, capsulePath, closedPath, disc, hull, openPath, softPath } from './outline';
import { type Sample, inOrder } from './order';

/** What a shape is, for the pen: each has its fill and line. */
export type Tone =
  | 'floor'
  | 'wall'
  | 'wood'
  | 'woodSide'
  | 'soft'
  | 'band'
  | 'rubber'
  | 'metal'
  | 'air'
  | 'shadow'
  | 'leg'
  | 'legFar'
  | 'trunk'
  | 'trunkFar'
  | 'skin'
  | 'skinFar'
  | 'hand'
  | 'hair'
  | 'tint'
  | 'core'
  | 'fine';

export interface Shape {
  d: string;
  tone: Tone;
  /** A light edge that sets it off from what lies behind; an ink edge; both; or only its fill. */
  edge: 'halo' | 'ink' | 'both' | 'none';
  /** Of a line: how wide, in centimetres. */
  wide?: number;
}

interface Part {
  name: string;
  samples: Sample[];
  shapes: Shape[];
  /** Fill without an edge that closes the joint with the next piece of the limb. */
  stub?: Shape;
  joins?: string;
}

const flat = ([x, y]: Spot): Flat => [x, y];

/** Rings that are drawn: enough for a smooth outline, few enough for a small picture. */
const drawnHeights = ringHeights.filter((_, at) => at % 2 === 0 || at === ringHeights.length - 1 || at === 1);

/** The trunk as one path: slices between neighbouring rings, each the outline around both. */
function trunkPath(body: Body, eye: Eye): string {
  const rings = drawnHeights.map((height) =>
    ringAt(body.spine, height, 22, body.build, body.swelling).map((point) => flat(eye.see(point))),
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

const sampled = (eye: Eye, from: Vec, to: Vec, ra: number, rb: number, first = 0, last = 1): Sample[] =>
  Array.from({ length: 5 }, (_, at) => {
    const part = first + ((last - first) * at) / 4;
    const [x, y, near] = eye.see(between(from, to, part));
    return { x, y, near, radius: (ra + (rb - ra) * part) * 100 };
  });

const piece = (eye: Eye, from: Vec, to: Vec, ra: number, rb: number): string =>
  capsulePath(flat(eye.see(from)), ra * 100, flat(eye.see(to)), rb * 100);

function trunkPart(body: Body, eye: Eye, tinted: readonly RegionId[]): Part {
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

const headAxes = [0.115, 0.094, 0.077] as const;

/** Points of an ellipsoid's outline as the viewer has it. */
function roundOutline(frame: Frame, axes: readonly [number, number, number], eye: Eye, points: number): Vec[] {
  return Array.from({ length: points }, (_, at) => {
    const turn = (at * 360) / points;
    const way = add(times(eye.right, cosine(turn)), times(eye.up, sine(turn)));
    const [h, f, l] = [dot(way, frame.head), dot(way, frame.front), dot(way, frame.left)];
    const long = Math.hypot(axes[0] * h, axes[1] * f, axes[2] * l);
    return inFrame(frame, (axes[0] ** 2 * h) / long, (axes[1] ** 2 * f) / long, (axes[2] ** 2 * l) / long);
  });
}

/** Of a closed line, the stretch that is kept, in order; all of it where all is. */
function stretchOf(points: readonly Vec[], kept: (point: Vec) => boolean): Vec[] {
  const yes = points.map(kept);
  const start = yes.findIndex((now, at) => now && !yes[(at + points.length - 1) % points.length]);
  if (start < 0) return yes[0] ? [...points] : [];
  const stretch: Vec[] = [];
  for (let at = start; yes[at % points.length] && stretch.length < points.length; at += 1)
    stretch.push(points[at % points.length]!);
  return stretch;
}

/** Hair: what of the head lies above a plane from brow to nape and is seen. */
function hairPath(frame: Frame, eye: Eye): string {
  const across = add(times(frame.head, 0.72), times(frame.front, -0.69));
  const down = add(times(frame.head, 0.69), times(frame.front, 0.72));
  const base = add(frame.at, times(across, 0.012));
  const hairline = Array.from({ length: 48 }, (_, at) => {
    const way = add(times(frame.left, cosine(at * 7.5)), times(down, sine(at * 7.5)));
    const off = minus(base, frame.at);
    // Where the line from the plane's middle meets the ellipsoid: a quadratic in the distance.
    const scaled = (vector: Vec) =>
      [
        dot(vector, frame.head) / headAxes[0],
        dot(vector, frame.front) / headAxes[1],
        dot(vector, frame.left) / headAxes[2],
      ] as const;
    const [w, o] = [scaled(way), scaled(off)];
    const a = dot(w, w);
    const b = dot(w, o);
    const out = (-b + Math.sqrt(b * b - a * (dot(o, o) - 1))) / a;
    return add(base, times(way, out));
  });
  const towardViewer = (point: Vec) => {
    const way = minus(point, frame.at);
    return (
      [frame.head, frame.front, frame.left].reduce(
        (sum, axis, at) => sum + (dot(way, axis) / headAxes[at]! ** 2) * dot(axis, eye.toward),
        0,
      ) >= 0
    );
  };
  const edge = stretchOf(hairline, towardViewer);
  const rim = stretchOf(roundOutline(frame, headAxes, eye, 48), (point) => dot(minus(point, base), across) >= 0);
  // The rim leads from one end of the seen hairline to the other; where they meet decides which way it is walked.
  const apartBy = (a: Vec | undefined, b: Vec | undefined) => (a && b ? Math.hypot(...minus(a, b)) : 0);
  const onward = apartBy(rim.at(-1), edge[0]) <= apartBy(rim.at(-1), edge.at(-1)) ? edge : [...edge].reverse();
  const spots = [...rim, ...onward].map((point) => flat(eye.see(point)));
  return spots.length < 6 ? '' : closedPath(spots);
}

function headPart(body: Body, eye: Eye): Part {
  const { head } = body;
  const skull = roundOutline(head, headAxes, eye, 28).map((point) => flat(eye.see(point)));
  const ballAt = (h: number, f: number, l: number, radius: number): Flat[] =>
    disc(flat(eye.see(inFrame(head, h, f, l))), radius * 100, 12);
  const face = closedPath(hull([...skull, ...ballAt(-0.082, 0.052, 0, 0.034)]));
  const nose = closedPath(
    hull([...ballAt(-0.014, 0.1, 0, 0.011), ...ballAt(0.03, 0.084, 0, 0.008), ...ballAt(-0.03, 0.084, 0, 0.008)]),
  );
  const neckFrom = inFrame(frameAt(body.spine, 0.475), 0, -0.004, 0);
  const neckTo = inFrame(head, -0.05, -0.018, 0);
  const shapes: Shape[] = [
    { d: piece(eye, neckFrom, neckTo, 0.05, 0.047), tone: 'skin', edge: 'both' },
    { d: face + nose, tone: 'skin', edge: 'both' },
  ];
  const bun = inFrame(head, 0.085, -0.092, 0);
  const bunPath = closedPath(disc(flat(eye.see(bun)), 3.4, 16));
  const bunNear = dot(minus(bun, head.at), eye.toward) > 0;
  // What is turned away is an empty shape: a head that turns keeps the number of its shapes.
  shapes.unshift({ d: bunNear ? '' : bunPath, tone: 'hair', edge: 'halo' });
  shapes.push({ d: hairPath(head, eye), tone: 'hair', edge: 'none' });
  shapes.push({ d: bunNear ? bunPath : '', tone: 'hair', edge: 'halo' });
  const visible = (h: number, f: number, l: number) => {
    const normal = unit(
      add(
        times(head.head, h / headAxes[0] ** 2),
        add(times(head.front, f / headAxes[1] ** 2), times(head.left, l / headAxes[2] ** 2)),
      ),
    );
    return dot(normal, eye.toward) > 0.12;
  };
  for (const side of [1, -1]) {
    const lid = [0.02, 0.034, 0.048].map((l, at) =>
      flat(eye.see(inFrame(head, at === 1 ? 0.009 : 0.016, 0.09 - l * 0.25, side * l))),
    );
    shapes.push({ d: visible(0.016, 0.085, side * 0.036) ? openPath(lid) : '', tone: 'fine', edge: 'none', wide: 0.9 });
    const [x, y] = eye.see(inFrame(head, -0.008, -0.008, side * 0.078));
    const ear = visible(0, -0.005, side * 0.077) ? closedPath(disc([x, y], 1.7, 12)) : '';
    shapes.push({ d: ear, tone: 'skin', edge: 'ink' });
  }
  const mouth = [-0.018, 0, 0.018].map((l) =>
    flat(eye.see(inFrame(head, -0.062 - (l === 0 ? 0.003 : 0), 0.085 - Math.abs(l) * 0.3, l))),
  );
  shapes.push({ d: visible(-0.06, 0.08, 0) ? openPath(mouth) : '', tone: 'fine', edge: 'none', wide: 0.8 });
  const [x, y, near] = eye.see(head.at);
  return { name: 'head', samples: [{ x, y, near, radius: 9 }, ...sampled(eye, neckTo, head.at, 0.05, 0.08)], shapes };
}

/** How much further from the viewer than its fellow a limb must be to be drawn paler, in metres. */
const apart = 0.07;

function legParts(body: Body, eye: Eye, side: Side): Part[] {
  const leg = body.legs[side];
  const other = body.legs[side === 'left' ? 'right' : 'left'];
  const depth = ({ hip, knee, ankle }: typeof leg) => (eye.see(hip)[2] + eye.see(knee)[2] * 2 + eye.see(ankle)[2]) / 4;
  const tone: Tone = depth(other) - depth(leg) > apart ? 'legFar' : 'leg';
  const thick = body.build.breadth;
  const [t0, t1] = [radii.thigh[0] * thick, radii.thigh[1] * thick];
  const [s0, s1] = [radii.shank[0] * thick, radii.shank[1] * thick];
  const calf = between(leg.knee, leg.ankle, 0.3);
  const cuff = between(leg.knee, leg.ankle, 0.9);
  const footDiscs = (
    [
      [leg.heel, radii.heel],
      [leg.ball, radii.ball],
      [leg.toe, radii.toe],
    ] as const
  ).flatMap(([at, radius]) => disc(flat(eye.see(at)), radius * 100, 14));
  const across = times(unit(cross(leg.sole, minus(leg.toe, leg.heel))), 0.022);
  const broad = [add(leg.ball, across), minus(leg.ball, across)].flatMap((at) => disc(flat(eye.see(at)), 2.2, 10));
  const foot = closedPath(hull([...footDiscs, ...broad, ...disc(flat(eye.see(leg.ankle)), 3.3, 12)]));
  const thigh = `${side} thigh`;
  const shank = `${side} shank`;
  const footTone: Tone = tone === 'leg' ? 'skin' : 'skinFar';
  return [
    {
      name: thigh,
      samples: sampled(eye, leg.hip, leg.knee, t0, t1, 0.3),
      shapes: [{ d: piece(eye, leg.hip, leg.knee, t0, t1), tone, edge: 'halo' }],
      stub: {
        d: piece(eye, between(leg.hip, leg.knee, 0.55), leg.knee, t0 + (t1 - t0) * 0.55, t1),
        tone,
        edge: 'none',
      },
    },
    {
      name: shank,
      joins: thigh,
      samples: sampled(eye, leg.knee, leg.ankle, s0, s1),
      shapes: [
        {
          d: piece(eye, leg.knee, calf, s0, s0 * 1.04) + piece(eye, calf, cuff, s0 * 1.04, s1 * 1.04),
          tone,
          edge: 'halo',
        },
      ],
      stub: { d: piece(eye, leg.knee, between(leg.knee, leg.ankle, 0.4), s0, s0 * 0.97), tone, edge: 'none' },
    },
    {
      name: `${side} foot`,
      joins: shank,
      samples: [...sampled(eye, leg.heel, leg.toe, radii.heel, radii.toe)],
      shapes: [{ d: foot, tone: footTone, edge: 'both' }],
    },
  ];
}

function handShapes(body: Body, eye: Eye, side: Side): Shape[] {
  const { wrist, knuckles, tips, thumb, faces, grip } = body.arms[side];
  const along = unit(minus(knuckles, wrist));
  const across = cross(faces, along);
  const spots = (at: Vec, half: number, radius: number, points = 10) =>
    [-1, 0, 1].flatMap((way) => disc(flat(eye.see(add(at, times(across, way * half)))), radius * 100, points));
  const palm = hull([...spots(wrist, 0.012, 0.024), ...spots(knuckles, 0.029, 0.016)]);
  const fingers = hull([...spots(knuckles, 0.029, 0.016), ...spots(tips, grip ? 0.026 : 0.021, grip ? 0.017 : 0.01)]);
  const root = add(wrist, times(along, 0.02));
  const thumbPath = capsulePath(flat(eye.see(root)), 1.5, flat(eye.see(thumb)), 1.05);
  const shapes: Shape[] = [{ d: thumbPath + closedPath(palm) + closedPath(fingers), tone: 'hand', edge: 'both' }];
  // Lines between the fingers, where they are seen from the flat of the hand; an empty shape elsewhere.
  const seen = Math.abs(dot(faces, eye.toward)) > 0.35 && !grip;
  const lines = (seen ? [-0.5, 0, 0.5] : [])
    .map((way) => {
      const from = add(between(knuckles, tips, 0.15), times(across, way * 0.029));
      const to = add(between(knuckles, tips, 0.95), times(across, way * 0.024));
      return openPath([flat(eye.see(from)), flat(eye.see(to))]);
    })
    .join('');
  shapes.push({ d: lines, tone: 'fine', edge: 'none', wide: 0.5 });
  return shapes;
}

function armParts(body: Body, eye: Eye, side: Side): Part[] {
  const arm = body.arms[side];
  const other = body.arms[side === 'left' ? 'right' : 'left'];
  const depth = ({ shoulder, elbow, wrist }: typeof arm) =>
    (eye.see(shoulder)[2] + eye.see(elbow)[2] + eye.see(wrist)[2]) / 3;
  const away = depth(other) - depth(arm) > apart * 1.6;
  const skin: Tone = away ? 'skinFar' : 'skin';
  const sleeve: Tone = away ? 'trunkFar' : 'trunk';
  const thick = (1 + body.build.breadth) / 2;
  const [u0, u1] = [radii.upperArm[0] * thick, radii.upperArm[1] * thick];
  const [f0, f1] = [radii.forearm[0] * thick, radii.forearm[1] * thick];
  const hem = between(arm.shoulder, arm.elbow, 0.52);
  const uh = u0 + (u1 - u0) * 0.52;
  const upper = `${side} upper arm`;
  const fore = `${side} forearm`;
  return [
    {
      name: upper,
      samples: sampled(eye, arm.shoulder, arm.elbow, u0, u1, 0.35),
      shapes: [
        { d: piece(eye, hem, arm.elbow, uh, u1), tone: skin, edge: 'both' },
        { d: piece(eye, arm.shoulder, hem, u0, uh * 1.06), tone: sleeve, edge: 'halo' },
      ],
      stub: {
        d: piece(eye, between(arm.shoulder, arm.elbow, 0.7), arm.elbow, u0 + (u1 - u0) * 0.7, u1),
        tone: skin,
        edge: 'none',
      },
    },
    {
      name: fore,
      joins: upper,
      samples: sampled(eye, arm.elbow, arm.wrist, f0, f1, 0.1),
      shapes: [{ d: piece(eye, arm.elbow, arm.wrist, f0, f1), tone: skin, edge: 'both' }],
      stub: {
        d: piece(eye, between(arm.elbow, arm.wrist, 0.6), arm.wrist, f0 + (f1 - f0) * 0.6, f1),
        tone: skin,
        edge: 'none',
      },
    },
    {
      name: `${side} hand`,
      joins: fore,
      samples: sampled(eye, arm.wrist, arm.tips, 0.028, 0.015, 0.15).map((sample) => ({
        ...sample,
        near: sample.near + 0.01,
      })),
      shapes: handShapes(body, eye, side),
    },
  ];
}

function thingPart(thing: Thing, eye: Eye, at: number): Part {
  const name = `${thing.name} ${at}`;
  const tone = thing.stuff;
  switch (thing.form) {
    case 'sheet':
      return {
        name,
        samples: [],
        shapes: [{ d: closedPath(thing.corners.map((corner) => flat(eye.see(corner)))), tone, edge: 'none' }],
      };
    case 'ball': {
      const [x, y, near] = eye.see(thing.at);
      const r = thing.radius * 100;
      return {
        name,
        samples: [{ x, y, near, radius: r }],
        shapes: [{ d: capsulePath([x, y], r, [x, y], r), tone, edge: 'both' }],
      };
    }
    case 'rod': {
      const shapes: Shape[] = [{ d: piece(eye, thing.from, thing.to, thing.radius, thing.radius), tone, edge: 'both' }];
      if (thing.ends) {
        for (const end of [thing.from, thing.to]) {
          const way = times(unit(minus(thing.to, thing.from)), 0.03);
          shapes.push({ d: piece(eye, minus(end, way), add(end, way), thing.ends, thing.ends), tone, edge: 'both' });
        }
      }
      return {
        name,
        samples: sampled(eye, thing.from, thing.to, Math.max(0.02, thing.radius), Math.max(0.02, thing.radius)),
        shapes,
      };
    }
    case 'solid': {
      const spots = thing.points.map((point) => eye.see(point));
      return {
        name,
        samples: spots.map(([x, y, near]) => ({ x, y, near: near - 0.03, radius: 8 })),
        shapes: [{ d: closedPath(hull(spots.map(flat))), tone, edge: 'both' }],
      };
    }
    case 'strap': {
      const spots = seenOf(thing.points, thing.round, eye).map((point) => eye.see(point));
      return {
        name,
        samples: spots.map(([x, y, near]) => ({ x, y, near: near + 0.03, radius: thing.width * 50 })),
        shapes: [{ d: openPath(spots.map(flat)), tone, edge: 'halo', wide: thing.width * 100 }],
      };
    }
    case 'box':
    case 'dome': {
      const corners = cornersOf(thing);
      const { frame, half } = thing;
      const samples = boxSamples(frame, half, eye);
      if (thing.form === 'dome') {
        const rim = Array.from({ length: 24 }, (_, k) =>
          inFrame(frame, -half[0], half[1] * cosine(k * 15), half[2] * sine(k * 15)),
        );
        const arc = [0.35, 0.65, 0.85, 1].flatMap((lift) =>
          Array.from({ length: 18 }, (_, k) => {
            const wide = Math.sqrt(1 - lift * lift * 0.98);
            return inFrame(
              frame,
              -half[0] + 2 * half[0] * lift,
              half[1] * wide * cosine(k * 20),
              half[2] * wide * sine(k * 20),
            );
          }),
        );
        return {
          name,
          samples,
          shapes: [{ d: closedPath(hull([...rim, ...arc].map((point) => flat(eye.see(point))))), tone, edge: 'both' }],
        };
      }
      if (thing.round) {
        const small = Math.min(...half) * 0.75;
        const inner = cornersOf({ frame, half: [half[0] - small, half[1] - small, half[2] - small] });
        return {
          name,
          samples,
          shapes: [
            {
              d: closedPath(hull(inner.flatMap((corner) => disc(flat(eye.see(corner)), small * 100, 14)))),
              tone,
              edge: 'both',
            },
          ],
        };
      }
      const shapes: Shape[] = [
        { d: closedPath(hull(corners.map((corner) => flat(eye.see(corner))))), tone, edge: 'both' },
      ];
      const axes = [frame.head, frame.front, frame.left];
      axes.forEach((axis, index) => {
        const sign = dot(axis, eye.toward) >= 0 ? 1 : -1;
        if (Math.abs(dot(axis, eye.toward)) < 0.03) return;
        const [a, b] = [(index + 1) % 3, (index + 2) % 3];
        const middle = add(frame.at, times(axis, sign * half[index]!));
        const face = (
          [
            [1, 1],
            [1, -1],
            [-1, -1],
            [-1, 1],
          ] as const
        ).map(([u, v]) =>
          flat(eye.see(add(middle, add(times(axes[a]!, u * half[a]!), times(axes[b]!, v * half[b]!))))),
        );
        shapes.push({
          d: closedPath(face),
          tone: index === 0 ? tone : tone === 'wood' ? 'woodSide' : tone,
          edge: 'ink',
        });
      });
      return { name, samples, shapes };
    }
  }
}

/** Of a loop, the stretch before what it goes round, from where it comes into sight. */
function seenOf(points: readonly Vec[], round: Vec | undefined, eye: Eye): readonly Vec[] {
  if (!round) return points;
  const seen = points.map((point) => dot(minus(point, round), eye.toward) > 0);
  const start = seen.findIndex((yes, at) => yes && !seen[(at + points.length - 1) % points.length]);
  const turnedTo = points.map((_, at) => (Math.max(0, start) + at) % points.length);
  return turnedTo.filter((at) => seen[at]).map((at) => points[at]!);
}

/** The faces of a box toward the viewer, as places to compare. */
function boxSamples(frame: Frame, half: Vec, eye: Eye): Sample[] {
  const samples: Sample[] = [];
  const steps = [-0.8, -0.4, 0, 0.4, 0.8];
  for (const a of steps)
    for (const b of steps) {
      // One layer through the middle across its thinnest side is what it is compared by.
      const thin = half.indexOf(Math.min(...half));
      const place: [number, number, number] = [0, 0, 0];
      place[(thin + 1) % 3] = a * half[(thin + 1) % 3]!;
      place[(thin + 2) % 3] = b * half[(thin + 2) % 3]!;
      const [x, y, near] = eye.see(inFrame(frame, place[0], place[1], place[2]));
      samples.push({ x, y, near, radius: Math.max(1.5, Math.min(...half) * 100) });
    }
  return samples;
}

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
