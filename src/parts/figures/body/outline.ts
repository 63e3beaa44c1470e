import { type Vec, cosine, dot, sine } from '@/core/vector';

/** Where the viewer stands: degrees round from the figure's right side toward its front, and above the level. */
export interface Camera {
  turn: number;
  height: number;
}

/** A point on the paper in centimetres, downward, and how near it is to the viewer in metres. */
export type Spot = readonly [x: number, y: number, near: number];
export type Flat = readonly [number, number];

export interface Eye {
  /** Toward the viewer. */
  toward: Vec;
  right: Vec;
  up: Vec;
  see: (point: Vec) => Spot;
}

/** What a camera sees: an even view without vanishing points, so that lengths stay comparable. */
export function eyeOf({ turn, height }: Camera): Eye {
  const [s, c, sh, ch] = [sine(turn), cosine(turn), sine(height), cosine(height)];
  const toward: Vec = [s * ch, -c * ch, sh];
  const right: Vec = [c, s, 0];
  const up: Vec = [-s * sh, c * sh, ch];
  return {
    toward,
    right,
    up,
    see: (point) => [dot(point, right) * 100, -dot(point, up) * 100, dot(point, toward)],
  };
}

/** The smallest outward-bent outline around points, in order. */
export function hull(points: readonly Flat[]): Flat[] {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const turn = (o: Flat, a: Flat, b: Flat) => (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0]);
  const halfOf = (list: readonly Flat[]) => {
    const out: Flat[] = [];
    for (const point of list) {
      while (out.length >= 2 && turn(out[out.length - 2]!, out[out.length - 1]!, point) <= 0) out.pop();
      out.push(point);
    }
    out.pop();
    return out;
  };
  return [...halfOf(sorted), ...halfOf(sorted.reverse())];
}

/** Points round a disc of size one, by their number: a figure has some hundred discs of few kinds. */
const rounds = new Map<number, readonly Flat[]>();

function roundOf(points: number): readonly Flat[] {
  let round = rounds.get(points);
  if (!round) {
    round = Array.from({ length: points }, (_, at): Flat => [cosine((at * 360) / points), sine((at * 360) / points)]);
    rounds.set(points, round);
  }
  return round;
}

/** Points round a disc. */
export const disc = ([x, y]: Flat, radius: number, points = 16): Flat[] =>
  roundOf(points).map(([c, s]): Flat => [x + radius * c, y + radius * s]);

/** A millimetre is finer than any pen here. */
const short = (value: number) => String(Math.round(value * 10) / 10);

/** Corners as a closed path of short relative steps. Rounding is carried over, so that it doesn't add up. */
export function closedPath(points: readonly Flat[]): string {
  if (points.length === 0) return '';
  let [x, y] = [Math.round(points[0]![0] * 10) / 10, Math.round(points[0]![1] * 10) / 10];
  let text = `M${short(x)} ${short(y)}`;
  for (const [px, py] of points.slice(1)) {
    const [dx, dy] = [Math.round((px - x) * 10) / 10, Math.round((py - y) * 10) / 10];
    if (dx === 0 && dy === 0) continue;
    x = Math.round((x + dx) * 10) / 10;
    y = Math.round((y + dy) * 10) / 10;
    text += `l${short(dx)} ${short(dy)}`;
  }
  return `${text}Z`;
}

/** Points as one open line. */
export const openPath = (points: readonly Flat[]): string =>
  points.map(([x, y], at) => `${at === 0 ? 'M' : 'L'}${short(x)} ${short(y)}`).join('');

/** Corners rounded into a soft closed outline: quadratics through the middles of the sides. */
export function softPath(points: readonly Flat[]): string {
  if (points.length < 3) return '';
  const middle = (a: Flat, b: Flat): Flat => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
  const write = ([x, y]: Flat) => `${short(x)} ${short(y)}`;
  const start = middle(points.at(-1)!, points[0]!);
  return `M${write(start)}${points
    .map((point, at) => `Q${write(point)} ${write(middle(point, points[(at + 1) % points.length]!))}`)
    .join('')}Z`;
}

/** Two discs and what lies between them, with true arcs, turning the way the hulls turn. */
export function capsulePath(a: Flat, ra: number, b: Flat, rb: number): string {
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
  const away = Math.hypot(dx, dy);
  const circle = ([x, y]: Flat, r: number) =>
    `M${short(x - r)} ${short(y)}a${short(r)} ${short(r)} 0 0 1 ${short(2 * r)} 0a${short(r)} ${short(r)} 0 0 1 ${short(-2 * r)} 0Z`;
  if (away <= Math.abs(ra - rb) + 0.01) return ra > rb ? circle(a, ra) : circle(b, rb);
  const along = Math.atan2(dy, dx);
  const open = Math.acos((ra - rb) / away);
  const at = ([x, y]: Flat, r: number, turn: number): string =>
    `${short(x + r * Math.cos(turn))} ${short(y + r * Math.sin(turn))}`;
  return (
    `M${at(a, ra, along - open)}L${at(b, rb, along - open)}` +
    `A${short(rb)} ${short(rb)} 0 ${open > Math.PI / 2 ? 1 : 0} 1 ${at(b, rb, along + open)}` +
    `L${at(a, ra, along + open)}A${short(ra)} ${short(ra)} 0 ${open < Math.PI / 2 ? 1 : 0} 1 ${at(a, ra, along - open)}Z`
  );
}

/** How far apart the dots of a dotted part are, in centimetres. */
const dotEvery = 2.1;

/** Dots spread over what a soft outline holds, for a picture that has no colour to say it with. */
export function dotsIn(soft: string): string {
  const corners = [...soft.matchAll(/Q\S+ \S+ (-?[\d.]+) (-?[\d.]+)/g)].map(([, x, y]): Flat => [Number(x), Number(y)]);
  if (corners.length < 3) return '';
  const [left, right] = [Math.min(...corners.map(([x]) => x)), Math.max(...corners.map(([x]) => x))];
  const [top, bottom] = [Math.min(...corners.map(([, y]) => y)), Math.max(...corners.map(([, y]) => y))];
  // A ray to the right crosses the outline of what holds the point an odd number of times.
  const holds = (x: number, y: number) =>
    corners.filter(([ax, ay], at) => {
      const [bx, by] = corners[(at + 1) % corners.length]!;
      return ay > y !== by > y && x < ax + ((y - ay) / (by - ay)) * (bx - ax);
    }).length %
      2 ===
    1;
  let dots = '';
  for (let y = top + dotEvery / 2; y < bottom; y += dotEvery)
    for (let x = left + dotEvery / 2; x < right; x += dotEvery)
      if (holds(x, y)) dots += `M${short(x - 0.5)} ${short(y)}a.5 .5 0 0 1 1 0a.5 .5 0 0 1 -1 0Z`;
  return dots;
}
