import { type Thing, cornersOf } from '@/core/body';
import { type Frame, type Vec, add, cosine, dot, inFrame, minus, sine, times, unit } from '@/core/vector';
import { type Eye, capsulePath, closedPath, disc, hull, openPath } from './outline';
import { type Sample } from './order';
import { type Shape, type Part, flat, sampled, piece } from './shapes';

export function thingPart(thing: Thing, eye: Eye, at: number): Part {
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
