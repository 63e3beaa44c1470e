import { drills, positionIds } from '@/core/catalogue';
import { foot, lengths, range } from './body';
import { frontTrunk, solveFront } from './front';
import { frameOf } from './frame';
import { movementDrawing } from './movements';
import { limbOutline, sidePatch, smoothPath } from './outline';
import { type Figure, type Point, type Pose, footOutline, solve, standingHeight, trunkOutline, turnOf } from './pose';
import { scenes } from './poses';

const apart = ([ax, ay]: Point, [bx, by]: Point) => Math.hypot(ax - bx, ay - by);
const sideScenes = positionIds.flatMap((id) => {
  const scene = scenes[id];
  return scene.view === 'front' ? [] : [{ id, view: scene.view, figure: solve(scene.pose), scene }];
});

/** Every second pose of every movement the catalogue uses. */
const moves = [
  ...new Set(drills.flatMap(({ movement, positions }) => positions.map((position) => `${position}|${movement}`))),
]
  .map((key) => key.split('|') as [(typeof positionIds)[number], (typeof drills)[number]['movement']])
  .filter(([, movement]) => movement !== 'none');

const lowest = (figure: Figure) =>
  Math.min(
    ...trunkOutline(figure).map(({ point }) => point[1]),
    ...(['near', 'far'] as const).flatMap((side) => [
      ...footOutline(figure[side].leg.end, figure[side].leg.turn).map(([, y]) => y),
      figure[side].leg.middle[1] - 3.2,
      figure[side].arm.end[1] - 1.6,
    ]),
  );

function expectWhole(figure: Figure, where: string) {
  for (const side of ['near', 'far'] as const) {
    const { leg, arm } = figure[side];
    const measured = [
      [apart(leg.root, leg.middle), lengths.thigh],
      [apart(leg.middle, leg.end), lengths.shank],
      [apart(arm.root, arm.middle), lengths.upperArm],
      [apart(arm.middle, arm.end), lengths.forearm],
      [apart(arm.end, arm.tip), lengths.hand],
    ];
    for (const [is, should] of measured)
      expect([where, side, is!.toFixed(3)]).toEqual([where, side, should!.toFixed(3)]);
  }
  expect(apart(figure.hip, figure.waist)).toBeCloseTo(lengths.pelvis, 6);
  expect(apart(figure.ribs, figure.shoulder)).toBeCloseTo(lengths.thorax, 6);
}

function expectHuman(figure: Figure, where: string) {
  for (const { joint, side, degrees } of figure.angles) {
    const [from, to] = range[joint];
    const fits = degrees >= from - 0.01 && degrees <= to + 0.01;
    expect([where, side, joint, fits ? 'within' : Math.round(degrees)]).toEqual([where, side, joint, 'within']);
  }
}

describe('poses', () => {
  test.each(sideScenes)('$id keeps its limbs, reaches its targets and bends as people do', ({ id, figure }) => {
    expectWhole(figure, id);
    expect(figure.missedBy).toBeLessThan(0.6);
    expectHuman(figure, id);
  });

  test.each(sideScenes.filter(({ view }) => view === 'side'))(
    '$id rests on the floor and nothing sinks into it',
    ({ id, figure }) => {
      const low = lowest(figure);
      expect([id, low >= -0.4, low <= 0.4]).toEqual([id, true, true]);
    },
  );

  test('feet that stand have their whole sole on the floor', () => {
    for (const id of [
      'standing',
      'sitting',
      'hook-lying',
      'bridge',
      'hands on a surface',
      'elbows on the wall',
    ] as const) {
      const { figure } = sideScenes.find((scene) => scene.id === id)!;
      const sole = footOutline(figure.near.leg.end, figure.near.leg.turn).filter(([, y]) => Math.abs(y) < 0.01);
      expect([id, sole.length]).toEqual([id, 2]);
    }
  });

  test('lying down is lower than sitting, sitting lower than standing', () => {
    const height = (id: string) => sideScenes.find((scene) => scene.id === id)!.figure.headCentre[1];
    expect(height('hook-lying')).toBeLessThan(height('sitting'));
    expect(height('sitting')).toBeLessThan(height('standing'));
    // Standing, the crown is at the full height of a hundred, give or take a soft knee.
    expect(height('standing') + lengths.head).toBeGreaterThan(96);
    expect(height('standing') + lengths.head).toBeLessThan(101);
  });

  test('on the back the front of the chest is up, on the front it is down', () => {
    const centre = (points: readonly Point[]) => points.reduce((sum, [, y]) => sum + y, 0) / points.length;
    const facing = (id: string) => {
      const { figure } = sideScenes.find((scene) => scene.id === id)!;
      return Math.sign(centre(sidePatch(figure, 'chestFront')) - centre(sidePatch(figure, 'chestBack')));
    };
    expect(['hook-lying', '90/90', 'bridge'].map(facing)).toEqual([1, 1, 1]);
    expect(['prone', 'quadruped', 'bear', "child's pose", 'prone over half-dome'].map(facing)).toEqual([
      -1, -1, -1, -1, -1,
    ]);
  });

  test('the side plank’s lower elbow and knees are on the floor', () => {
    const scene = scenes['side plank'];
    if (scene.view !== 'front') throw new Error('The side plank is drawn from the front.');
    const { arms, legs } = solveFront(scene.pose);
    expect(arms.right[1][1]).toBeGreaterThan(0.5);
    expect(arms.right[1][1]).toBeLessThan(4);
    expect(Math.min(legs.left[1]![1], legs.right[1]![1])).toBeGreaterThan(0.5);
  });
});

describe('movements', () => {
  test.each(moves)('%s, %s is drawn, and its second pose keeps limbs and joints', (position, movement) => {
    const drawing = movementDrawing(position, movement);
    expect(drawing).not.toBeNull();
    const poses: Pose[] = [];
    if (drawing!.ghost && 'hipX' in drawing!.ghost) poses.push(drawing!.ghost);
    if (drawing!.scene && drawing!.scene.view !== 'front') poses.push(drawing!.scene.pose);
    for (const pose of poses) {
      const figure = solve(pose);
      expectWhole(figure, `${position} ${movement}`);
      expectHuman(figure, `${position} ${movement}`);
      expect(figure.missedBy).toBeLessThan(3);
    }
  });

  test('a bend opens the side asked for: that edge of the trunk gets longer', () => {
    for (const open of ['left', 'right'] as const) {
      const { scene } = movementDrawing('standing', 'sideBend', open)!;
      if (scene?.view !== 'front') throw new Error('A side bend is drawn from the front.');
      const edge = frontTrunk(solveFront(scene.pose));
      const half = edge.length / 2;
      const length = (points: Point[]) => points.slice(1).reduce((sum, p, i) => sum + apart(points[i]!, p), 0);
      // Waist to armpit only: the corners of each edge from the second to the sixth.
      const [left, right] = [length(edge.slice(1, 6)), length(edge.slice(half).reverse().slice(1, 6))];
      expect(open === 'left' ? left > right : right > left).toBe(true);
    }
  });
});

describe('shapes', () => {
  test('an ankle stands as high as its lowest corner asks for', () => {
    expect(standingHeight('leg', 0)).toBeCloseTo(foot.height, 6);
    expect(standingHeight('leg', -60)).toBeGreaterThan(foot.height);
  });

  test('a limb is as thick as it should be at both ends', () => {
    const outline = limbOutline([0, 0], [10, 0], [3, 1]);
    expect(Math.max(...outline.map(([, y]) => y))).toBeCloseTo(3, 1);
    expect(Math.max(...outline.map(([x]) => x))).toBeCloseTo(11, 6);
    expect(Math.min(...outline.map(([x]) => x))).toBeCloseTo(-3, 6);
  });

  test('paths close, and turn y over', () => {
    expect(
      smoothPath(
        [
          [0, 0],
          [1, 0],
          [1, 1],
        ],
        0,
      ),
    ).toBe('M0 0L1 0L1 -1Z');
    expect(turnOf(270)).toBe(-90);
  });

  test('every picture holds the whole figure', () => {
    for (const [position, movement] of moves) {
      const { viewBox, left, right } = frameOf(position, movement);
      const [x, y, width, height] = viewBox.split(' ').map(Number);
      expect([width! > 90, height! > 60, x! <= left + 0.1, x! + width! >= right - 0.1, Number.isFinite(y!)]).toEqual(
        Array(5).fill(true),
      );
    }
  });
});
