import { foot, lengths, trunkWidth } from './body';
import { type Point, along, placed } from './pose';

/** An arm seen from the front: absolute directions of its two parts; short where it points at the viewer. */
interface FrontArm {
  directions: readonly [number, number];
  short?: boolean;
}

/** A pose seen from the front: the figure's left is on the viewer's right. */
export interface FrontPose {
  hip: Point;
  /** Direction of the spine, 90 upright. */
  spine: number;
  /** Side bend in degrees over the whole spine; positive bends to the figure's right. */
  bend: number;
  /** Turn of the head against the last part of the spine. */
  head: number;
  arms: { left: FrontArm; right: FrontArm };
  legs: { kind: 'standing' | 'sitting' | 'kneeling' } | { kind: 'lying'; direction: number };
}

export interface FrontFigure {
  spine: { point: Point; direction: number }[];
  shoulders: { left: Point; right: Point };
  arms: { left: [Point, Point, Point, Point]; right: [Point, Point, Point, Point] };
  legs: { left: Point[]; right: Point[] };
  headCentre: Point;
  headTurn: number;
}

const spineLength = lengths.pelvis + lengths.lumbar + lengths.thorax;

/** A place along the spine of a front pose, bending evenly from the waist up. */
function frontSpine({ hip, spine, bend }: FrontPose, at: number): { point: Point; direction: number } {
  const steps = 24;
  const whole = Math.abs(at) * steps;
  let point: Point = hip;
  let direction = spine;
  for (let step = 0; step < whole; step += 1) {
    const part = (step / steps) * Math.sign(at);
    direction = spine + bend * Math.max(0, Math.min(1, (part - 0.15) / 0.75));
    point = along(point, direction, (Math.sign(at) * Math.min(1, whole - step) * spineLength) / steps);
  }
  return { point, direction };
}

const armPoints = (from: Point, { directions: [upper, lower], short }: FrontArm): [Point, Point, Point, Point] => {
  const elbow = along(from, upper, lengths.upperArm * (short ? 0.84 : 1));
  const wrist = along(elbow, lower, lengths.forearm * (short ? 0.12 : 1));
  return [from, elbow, wrist, along(wrist, lower, lengths.hand * (short ? 0.4 : 1))];
};

/** Works a front pose out. @example solveFront(pose).headCentre */
export function solveFront(pose: FrontPose): FrontFigure {
  const top = frontSpine(pose, 0.94);
  const left = along(top.point, top.direction - 90, 8.6);
  const right = along(top.point, top.direction + 90, 8.6);
  const neck = frontSpine(pose, 1);
  const headTurn = neck.direction + pose.head;
  const headCentre = along(along(neck.point, neck.direction, 5.6), headTurn, lengths.head);
  return {
    spine: trunkWidth.map(({ at }) => frontSpine(pose, at)),
    shoulders: { left, right },
    arms: { left: armPoints(left, pose.arms.left), right: armPoints(right, pose.arms.right) },
    legs: { left: legPoints(pose, 1), right: legPoints(pose, -1) },
    headCentre,
    headTurn,
  };
}

/** Hip, knee, ankle of one leg; `side` 1 is the viewer's right. */
function legPoints({ hip: [x, y], spine, legs }: FrontPose, side: 1 | -1): Point[] {
  switch (legs.kind) {
    case 'standing':
      return [
        [x + side * 4.6, y],
        [x + side * 4.4, y - lengths.thigh],
        [x + side * 4.2, foot.height],
      ];
    case 'sitting':
      // The thighs come towards the viewer: they are seen short.
      return [
        [x + side * 5, y],
        [x + side * 8, y - 3.4],
        [x + side * 8, foot.height],
      ];
    case 'kneeling':
      return [
        [x + side * 4.6, y],
        [x + side * 4.8, 3.4],
        [x + side * 4.8, 3],
      ];
    case 'lying': {
      const across = along([x, y], spine - 90, side * 3.6);
      const knee = along(across, legs.direction, lengths.thigh);
      return [across, knee, along(knee, legs.direction - 6, 5)];
    }
  }
}

/** Corners of the trunk seen from the front: up the figure's left, down its right. */
export function frontTrunk(figure: FrontFigure): Point[] {
  const edge = (side: 1 | -1) =>
    figure.spine.map(({ point, direction }, i) => along(point, direction - 90, side * trunkWidth[i]!.half));
  return [...edge(1), ...edge(-1).reverse()];
}

/** A place in the trunk seen from the front: along it and across, the figure's left being 1. */
export function inFront(pose: FrontPose, at: number, across: number): Point {
  const { point, direction } = frontSpine(pose, at);
  const next = Math.max(
    1,
    trunkWidth.findIndex((row) => row.at >= at),
  );
  const [a, b] = [trunkWidth[next - 1]!, trunkWidth[next]!];
  const half = a.half + ((b.half - a.half) * (at - a.at)) / (b.at - a.at);
  return along(point, direction - 90, across * half);
}

/** The head from the front round its middle, crown up. */
export const frontHead = ({ headCentre, headTurn }: FrontFigure): Point[] =>
  placed(
    [
      [0, 6.6],
      [3.6, 5.2],
      [4.8, 1.6],
      [4.2, -2.2],
      [2.2, -5.4],
      [0, -6.2],
      [-2.2, -5.4],
      [-4.2, -2.2],
      [-4.8, 1.6],
      [-3.6, 5.2],
    ],
    headCentre,
    headTurn - 90,
  );
