import { type TrunkMoment } from '@/core/trunk';

export type Point = readonly [number, number];

/** Both views are drawn in this box; y counts downward. */
export const trunkBox = { width: 200, height: 300 } as const;

const round = (value: number) => String(Math.round(value * 10) / 10);

/**
 * An open path through points, rounded where it turns.
 *
 * @example throughPoints([[0, 0], [10, 0]]) // 'M0 0C1.7 0 8.3 0 10 0'
 */
export function throughPoints(points: readonly Point[]): string {
  const at = (i: number) => points[Math.min(points.length - 1, Math.max(0, i))]!;
  const pieces = points.slice(0, -1).map((_, i) => {
    const [p0, p1, p2, p3] = [at(i - 1), at(i), at(i + 1), at(i + 2)];
    const k = 1 / 6;
    return `C${round(p1[0] + (p2[0] - p0[0]) * k)} ${round(p1[1] + (p2[1] - p0[1]) * k)} ${round(p2[0] - (p3[0] - p1[0]) * k)} ${round(p2[1] - (p3[1] - p1[1]) * k)} ${round(p2[0])} ${round(p2[1])}`;
  });
  return `M${round(at(0)[0])} ${round(at(0)[1])}${pieces.join('')}`;
}

const closed = (there: readonly Point[], back: readonly Point[]) =>
  `${throughPoints(there)}L${throughPoints([...back].reverse()).slice(1)}Z`;

/** Lines of one view of the canister. */
export interface TrunkLines {
  /** The trunk as a body, for its ground. */
  body: string;
  /** The spine as bones one above the other; only the side shows it. */
  spine: string | null;
  /** Outer contours. */
  outline: string[];
  /** The space above the dome: where the air is. */
  lungs: string;
  dome: string;
  /** The abdominal wall, drawn by how firm it is. */
  wall: string[];
  floor: string;
  ribs: string[];
  /** The apex of the dome and the middle of the floor, for their arrows and for checks. */
  domeApex: Point;
  floorMiddle: Point;
}

/** Largest travel of each part in the drawing, in units of the box. */
const travel = { dome: 40, belly: 26, chest: 15, back: 11, side: 17, floor: 15 } as const;

/**
 * The canister from the client's right: the front is at the right of the picture.
 *
 * @example sideLines(trunkAt(motion, 0, true)).domeApex[1] < sideLines(trunkAt(motion, 1, false)).domeApex[1] // true
 */
export function sideLines(moment: TrunkMoment): TrunkLines {
  const chest = Math.max(-0.3, moment.chestFront) * travel.chest;
  const chestBack = Math.max(-0.3, moment.chestBack) * travel.back;
  const lowBack = moment.lowBack * travel.back;
  const upper = moment.upperBelly * travel.belly;
  const lower = moment.lowerBelly * travel.belly;
  const lift = chest * 0.45;
  const spine: Point[] = [
    [86, 14],
    [72 - chestBack * 0.3, 52],
    [62 - chestBack * 0.4, 96],
    [74 - lowBack * 0.2, 160],
    [78, 200],
    [66, 240],
    [72, 268],
  ];
  const back: Point[] = [
    [72, 14],
    [52 - chestBack * 0.8, 50],
    [40 - chestBack, 94],
    [52 - lowBack, 158],
    [54 - lowBack * 0.7, 196],
    [38, 240],
    [56, 282],
  ];
  const front: Point[] = [
    [106, 14],
    [118 + chest * 0.5, 40 - lift],
    [138 + chest, 84 - lift],
    [143 + chest * 0.9, 122 - lift * 0.6],
  ];
  const wall: Point[] = [
    front[3]!,
    [141 + upper * 0.75 + chest * 0.3, 152],
    [141 + (upper + lower) * 0.5, 188],
    [138 + lower * 0.9, 222],
    [130, 258],
  ];
  const sink = moment.dome * travel.dome;
  const domeFront: Point = [front[3]![0] - 5, front[3]![1] + 4];
  const domeBack: Point = [spine[3]![0] + 4, spine[3]![1] + 4];
  const apex: Point = [104, 92 + sink];
  const dome: Point[] = [domeBack, [80, 118 + sink * 0.62], apex, [128, 102 + sink * 0.72 - lift * 0.4], domeFront];
  const floorMiddle: Point = [100, 268 - moment.floor * travel.floor];
  const floor: Point[] = [
    [spine[6]![0] + 4, 266],
    [84, 268 - moment.floor * travel.floor * 0.7],
    floorMiddle,
    [117, 266 - moment.floor * travel.floor * 0.7],
    [128, 258],
  ];
  const chestWall: Point[] = [[100, 26], ...front.slice(1)].map(([x, y]): Point => [x - 6, y + 2]);
  const backWall: Point[] = spine.slice(1, 4).map(([x, y]): Point => [x + 8, y]);
  return {
    body: closed([...front, ...wall.slice(1)], back),
    spine: throughPoints(spine),
    outline: [throughPoints(back), throughPoints(front)],
    lungs: closed([...chestWall, domeFront], [...backWall, ...dome.slice(0, -1)]),
    dome: throughPoints(dome),
    wall: [throughPoints(wall)],
    floor: throughPoints(floor),
    ribs: [0.18, 0.4, 0.62, 0.84].map((part) => {
      const from = between(backWall, part);
      const to = between(chestWall.slice(1), part);
      return throughPoints([from, [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2 + 9 - lift * 0.4], to]);
    }),
    domeApex: apex,
    floorMiddle,
  };
}

/** A point part of the way along corners, by their number. */
function between(points: readonly Point[], part: number): Point {
  const at = part * (points.length - 1);
  const i = Math.min(points.length - 2, Math.floor(at));
  const [a, b] = [points[i]!, points[i + 1]!];
  return [a[0] + (b[0] - a[0]) * (at - i), a[1] + (b[1] - a[1]) * (at - i)];
}

/** The canister from the front: the client's left is at the right of the picture. */
export function frontLines(moment: TrunkMoment): TrunkLines {
  const side = (sign: 1 | -1) => {
    const open = (sign > 0 ? moment.leftSide : moment.rightSide) * travel.side;
    const x = (offset: number) => 100 + sign * offset;
    const waist = ((moment.upperBelly + moment.lowerBelly) / 2) * 5;
    const ribsOut: Point[] = [
      [x(16), 14],
      [x(40 + open * 0.2), 34],
      [x(56 + open * 0.6), 78],
      [x(60 + open), 118 - open * 0.25],
      [x(57 + open), 150 - open * 0.35],
    ];
    const wall: Point[] = [ribsOut[4]!, [x(50 + open * 0.35 + waist), 192], [x(58 + waist * 0.3), 236], [x(60), 262]];
    return { open, ribsOut, wall, x };
  };
  const [left, right] = [side(1), side(-1)];
  const sink = moment.dome * travel.dome;
  const cupola = ({ x, open }: typeof left): Point[] => [
    [x(52 + open), 150 - open * 0.35],
    [x(46 + open * 0.8), 116 + sink * 0.55],
    [x(27), 94 + sink],
  ];
  const centre: Point = [100, 106 + sink * 0.85];
  const dome: Point[] = [...cupola(right), centre, ...[...cupola(left)].reverse()];
  const floorMiddle: Point = [100, 272 - moment.floor * travel.floor];
  const inner = (from: typeof left): Point[] =>
    from.ribsOut.map(([px, py]): Point => [px + (px > 100 ? -5 : 5), py + 4]);
  return {
    body: closed([...left.ribsOut, ...left.wall.slice(1)], [...right.ribsOut, ...right.wall.slice(1)]),
    spine: null,
    outline: [left, right].flatMap(({ ribsOut }) => [throughPoints(ribsOut)]),
    lungs: closed([...inner(left).slice(1, 4), dome.at(-1)!], [...inner(right).slice(1, 4), ...dome.slice(0, -1)]),
    dome: throughPoints(dome),
    wall: [left, right].map(({ wall }) => throughPoints(wall)),
    floor: throughPoints([
      [46, 258],
      [72, 268 - moment.floor * travel.floor * 0.7],
      floorMiddle,
      [128, 268 - moment.floor * travel.floor * 0.7],
      [154, 258],
    ]),
    // Bucket handles: hung at spine and sternum, the outer end swings out and up.
    ribs: [0.3, 0.5, 0.7, 0.9].flatMap((part) =>
      [left, right].map(({ ribsOut, open, x }) => {
        const [px, py] = between(ribsOut.slice(1), part);
        const from: Point = [x(9), py - 20 + part * 2];
        return throughPoints([from, [(from[0] + px) / 2, py - 14 - open * 0.2], [px, py - open * 0.35]]);
      }),
    ),
    domeApex: [100 + 27, 94 + sink],
    floorMiddle,
  };
}
