import {
  type Body,
  type Figure,
  type FigureSpec,
  type Swelling,
  type Thing,
  cornersOf,
  figureOf,
  type Moves,
  midway,
  movesOn,
  ringAt,
  ringHeights,
  sides,
  thingsOf,
} from '@/core/body';
import { type Vec, inFrame } from '@/core/vector';
import { type RegionId, type TrunkMoment, type TrunkMotion, trunkAt } from '@/core/trunk';
import { type Drawing, drawn, ghostPath } from './draw';
import { regionPath } from './drawTrunk';
import { type Opened, partsSeen } from './tint';
import { type Eye, eyeOf } from './outline';

/** What part of the paper is shown, in centimetres. */
interface Frame {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** Every point that must be in the picture. */
function extent(body: Body, eye: Eye, shows: Figure['shows']): [number, number, number][] {
  const spots: [number, number, number][] = [];
  const put = (at: Vec, radius: number) => {
    const [x, y] = eye.see(at);
    spots.push([x, y, radius]);
  };
  for (const height of ringHeights) for (const point of ringAt(body.spine, height, 8, body.build)) put(point, 0);
  if (shows === 'trunk') {
    put(inFrame(body.head, -0.06, 0, 0), 4);
    for (const side of sides) put(body.arms[side].shoulder, 6);
    return spots;
  }
  put(inFrame(body.head, 0.02, 0, 0), 11);
  put(inFrame(body.head, 0.085, -0.092, 0), 4);
  for (const side of sides) {
    const { knee, ankle, toe, heel } = body.legs[side];
    const { elbow, wrist, tips } = body.arms[side];
    put(knee, 6);
    if (shows === 'all') {
      put(ankle, 4);
      put(toe, 2);
      put(heel, 4);
    }
    put(elbow, 4);
    put(wrist, 3);
    put(tips, 2);
  }
  return spots;
}

/** Smallest picture, so that a figure folded up is not blown up beside one stretched out. */
const least = {
  all: { width: 118, height: 78 },
  upper: { width: 90, height: 78 },
  trunk: { width: 50, height: 50 },
} as const;
const margin = 5;

const spotsOf = (thing: Thing): readonly Vec[] => {
  switch (thing.form) {
    case 'sheet':
      return [];
    case 'ball':
      return [-1, 1].flatMap((way) =>
        [0, 1, 2].map((axis): Vec => {
          const at = [...thing.at] as [number, number, number];
          at[axis]! += way * thing.radius;
          return at;
        }),
      );
    case 'rod':
      return [thing.from, thing.to];
    case 'strap':
    case 'solid':
      return thing.points;
    default:
      return cornersOf(thing);
  }
};

/** The part of the paper that holds these bodies and what they use. */
function frameOf(
  bodies: readonly Body[],
  things: readonly Thing[],
  way: readonly Vec[],
  eye: Eye,
  shows: Figure['shows'],
): Frame {
  const spots = bodies.flatMap((body) => extent(body, eye, shows));
  for (const point of way) spots.push([eye.see(point)[0], eye.see(point)[1], 3]);
  for (const thing of things) for (const point of spotsOf(thing)) spots.push([eye.see(point)[0], eye.see(point)[1], 0]);
  const left = Math.min(...spots.map(([x, , r]) => x - r)) - margin;
  const right = Math.max(...spots.map(([x, , r]) => x + r)) + margin;
  const top = Math.min(...spots.map(([, y, r]) => y - r)) - margin;
  const bottom = Math.max(...spots.map(([, y, r]) => y + r)) + margin;
  const width = Math.max(least[shows].width, right - left);
  const height = Math.max(least[shows].height, bottom - top);
  return { x: (left + right) / 2 - width / 2, y: bottom - height, width, height };
}

export interface Picture extends Drawing {
  eye: Eye;
  frame: Frame;
  /** Parts that are tinted: what opens most of what is seen. */
  tinted: readonly RegionId[];
  ghost: string;
  /** Line and tip of the arrow. */
  arrow: { line: string; tip: string } | null;
}

/** Draws a figure, with what it opens tinted as far as it is seen. */
function pictureOf({ body, other, things, arrow: way, camera, shows }: Figure, opened: Opened = {}): Picture {
  const eye = eyeOf(camera);
  const tinted = partsSeen(opened, (region) => regionPath(body, eye, region, 1) !== '');
  return {
    ...drawn(body, things, eye, tinted),
    tinted,
    eye,
    frame: frameOf(other ? [body, other] : [body], shows === 'all' ? things : [], way ?? [], eye, shows),
    ghost: other ? ghostPath(other, eye) : '',
    arrow: way && way.length > 1 ? arrow(way, eye) : null,
  };
}

/** How far parts stand out at a moment of a breath, in metres: a little more than life, so that it can be seen. */
function swellingOf(moment: TrunkMoment, opened: Opened): Swelling {
  const back = (region: 'leftBack' | 'rightBack') => (opened[region] ? 0.03 : 0.014) * moment.lowBack;
  return {
    belly: 0.038 * (moment.upperBelly + moment.lowerBelly) * 0.5,
    leftSide: 0.032 * moment.leftSide,
    rightSide: 0.032 * moment.rightSide,
    chestFront: 0.03 * moment.chestFront,
    chestBack: 0.026 * moment.chestBack,
    lowBack: 0.024 * moment.lowBack,
    leftBack: back('leftBack'),
    rightBack: back('rightBack'),
  };
}

/** Steps from empty to full that are drawn. */
const levels = 30;

const eased = (part: number) => part * part * (3 - 2 * part);

/** How far a movement has gone at a moment of a breath, 0 to 1. */
function gone(moves: Moves, breathsEach: 1 | 2, level: number, exhaling: boolean, breath: number): number {
  if (moves === 'in') return eased(level);
  if (breathsEach === 1) return eased(1 - level);
  // Of two breaths the first takes it out on the exhale, the second brings it back on its own.
  const back = breath % 2 === 1;
  return exhaling ? eased(back ? level : 1 - level) : back ? 1 : 0;
}

/**
 * A figure that breathes, and moves as its drill does on the breath: its picture at rest, and what its shapes are at a moment. A moment
 * is drawn once and kept; shapes keep their number and order, so that a page only has to put in what has changed.
 */
export function breathing(spec: FigureSpec, opened: Opened, motion: TrunkMotion): Breathing {
  const key = JSON.stringify([spec, opened, motion]);
  const before = inMotion.get(key);
  if (before) return before;
  const moving = breathingOf(spec, opened, motion);
  if (inMotion.size >= mostInMotion) inMotion.delete(inMotion.keys().next().value!);
  inMotion.set(key, moving);
  return moving;
}

/** What is at rest, and what each shape is at a moment. */
interface Breathing {
  rest: Picture;
  at: (level: number, exhaling: boolean, breath?: number) => readonly string[];
}

const inMotion = new Map<string, Breathing>();
/** Figures whose moments are kept: a visit's worth. */
const mostInMotion = 20;

function breathingOf(spec: FigureSpec, opened: Opened, motion: TrunkMotion): Breathing {
  const rest = pictureFor(spec, opened);
  const { body: shown, other, full } = figureOf(spec);
  const moves = other ? movesOn(spec) : 'not';
  const [start, end] = full === 'start' ? [shown, other] : [other, shown];
  const moments = new Map<string, readonly string[]>();
  const at = (level: number, exhaling: boolean, breath = 0): readonly string[] => {
    const step = Math.round(level * levels);
    const late = exhaling && motion.lowToHigh;
    const part = moves === 'not' ? 0 : gone(moves, spec.breathsEach ?? 1, step / levels, exhaling, breath);
    const key = `${step} ${late} ${part.toFixed(3)}`;
    const before = moments.get(key);
    if (before) return before;
    const swelling = swellingOf(trunkAt(motion, step / levels, exhaling), opened);
    let body: Body;
    let things: Thing[];
    if (moves !== 'not' && start && end) {
      body = midway(start, end, part, swelling);
      things = thingsOf(spec, body, shown);
    } else ({ body, things } = figureOf(spec, undefined, swelling));
    const shapes = drawn(body, things, rest.eye, rest.tinted, rest.order).shapes.map(({ d }) => d);
    moments.set(key, shapes);
    return shapes;
  };
  return { rest, at };
}

const known = new Map<string, Picture>();
/** Pictures kept: a catalogue's worth. */
const most = 400;

/** The picture of a figure. One asked for before is not drawn again. */
export function pictureFor(spec: FigureSpec, opened: Opened = {}): Picture {
  const key = JSON.stringify([spec, opened]);
  const before = known.get(key);
  if (before) return before;
  const picture = pictureOf(figureOf(spec), opened);
  if (known.size >= most) known.delete(known.keys().next().value!);
  known.set(key, picture);
  return picture;
}

/** The shortest arrow, in centimetres of the drawn world. */
const shortest = 13;

function arrow(points: readonly Vec[], eye: Eye): { line: string; tip: string } {
  const spots: (readonly [number, number])[] = points.map((point) => {
    const [x, y] = eye.see(point);
    return [x, y];
  });
  const whole = spots.slice(1).reduce((sum, [x, y], at) => sum + Math.hypot(x - spots[at]![0], y - spots[at]![1]), 0);
  const [a, b] = [spots.at(-2)!, spots.at(-1)!];
  if (whole < shortest) {
    // A small movement is still told in an arrow that can be seen: it begins further back.
    const [first, last] = [spots[0]!, b];
    const away = Math.hypot(last[0] - first[0], last[1] - first[1]) || 1;
    const back = (shortest - whole) / away;
    spots.unshift([first[0] - (last[0] - first[0]) * back, first[1] - (last[1] - first[1]) * back]);
  }
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
  const long = Math.hypot(dx, dy) || 1;
  const [ux, uy] = [dx / long, dy / long];
  const write = (x: number, y: number) => `${x.toFixed(1)} ${y.toFixed(1)}`;
  const [bx, by] = [b[0] - ux * 4, b[1] - uy * 4];
  const rest = spots.slice(0, -1);
  const line = [...rest.map(([x, y]) => write(x, y)), write(bx, by)];
  return {
    line: `M${line.join('L')}`,
    tip: `M${write(b[0], b[1])}L${write(b[0] - ux * 6 - uy * 3.2, b[1] - uy * 6 + ux * 3.2)}L${write(b[0] - ux * 6 + uy * 3.2, b[1] - uy * 6 - ux * 3.2)}Z`,
  };
}
