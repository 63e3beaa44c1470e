import { type Body, frameAt } from '@/core/body';
import { type Frame, type Vec, add, cosine, dot, inFrame, minus, sine, times, unit } from '@/core/vector';
import { type Eye, type Flat, closedPath, disc, hull, openPath } from './outline';
import { type Shape, type Part, flat, piece, sampled } from './shapes';

export const headAxes = [0.115, 0.094, 0.077] as const;

/** Points of an ellipsoid's outline as the viewer has it. */
export function roundOutline(frame: Frame, axes: readonly [number, number, number], eye: Eye, points: number): Vec[] {
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

export function headPart(body: Body, eye: Eye): Part {
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
