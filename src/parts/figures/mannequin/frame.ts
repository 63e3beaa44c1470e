import { type MovementId, type PositionId } from '@/core/catalogue';
import { type FrontPose, frontHead, solveFront } from './front';
import { movementDrawing } from './movements';
import { type Figure, type Point, type Pose, footOutline, headOutline, solve, trunkOutline } from './pose';
import { scenes } from './poses';

export interface Frame {
  left: number;
  right: number;
  viewBox: string;
}

/** Every point that must be in the picture. */
function extent(figure: Figure): Point[] {
  return [
    ...headOutline(figure),
    ...trunkOutline(figure).map(({ point }) => point),
    ...(['near', 'far'] as const).flatMap((side) => {
      const { leg, arm } = figure[side];
      return [leg.middle, ...footOutline(leg.end, leg.turn), arm.middle, arm.end, arm.tip];
    }),
  ];
}

const frontExtent = (pose: FrontPose): Point[] => {
  const figure = solveFront(pose);
  return [...frontHead(figure), ...figure.arms.left, ...figure.arms.right, ...figure.legs.left, ...figure.legs.right];
};

/** Smallest picture, so that a figure lying down is not blown up beside one standing. */
const least = { width: 96, height: 62 };
const margin = 5;

/** The part of the world that a picture shows: everything in it, the floor near the bottom. */
export function frameOf(position: PositionId, movement: MovementId = 'none', side?: 'left' | 'right'): Frame {
  const drawing = movementDrawing(position, movement, side);
  const scene = drawing?.scene ?? scenes[position];
  const points: Point[] = [];
  if (scene.view === 'front') points.push(...frontExtent(scene.pose));
  else {
    const figure = solve(scene.pose);
    points.push(
      ...extent(figure),
      ...scene.things(figure).flatMap((thing) => (thing.kind === 'wall' ? [] : thing.points)),
    );
    for (const thing of scene.things(figure))
      if (thing.kind === 'wall') points.push(...thing.points.map(([x]): Point => [x, 4]));
  }
  if (drawing?.ghost) {
    points.push(...('hip' in drawing.ghost ? frontExtent(drawing.ghost) : extent(solve(drawing.ghost as Pose))));
  }
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  const [low, high] = [Math.min(...xs) - margin, Math.max(...xs) + margin];
  const bottom = scene.view === 'above' ? Math.min(...ys) - margin : -4;
  const top = Math.max(...ys) + margin;
  const width = Math.max(least.width, high - low);
  const height = Math.max(least.height, top - bottom);
  const left = (low + high) / 2 - width / 2;
  return {
    left,
    right: left + width,
    viewBox: [left, -(bottom + height), width, height].map((value) => Math.round(value * 10) / 10).join(' '),
  };
}
