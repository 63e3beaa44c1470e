import { type Frame, type Vec, add, times } from '../vector';

/** What a thing is made of, for the pen. */
export type Stuff = 'floor' | 'wall' | 'wood' | 'soft' | 'band' | 'rubber' | 'metal' | 'air';

/** A thing in the room, in metres. What is `flat` lies behind everything. */
export type Thing = { name: string; stuff: Stuff } & (
  | { form: 'sheet'; corners: readonly Vec[] }
  | { form: 'box'; frame: Frame; half: Vec; round?: boolean }
  | { form: 'ball'; at: Vec; radius: number }
  | { form: 'rod'; from: Vec; to: Vec; radius: number; ends?: number }
  | {
      form: 'strap';
      points: readonly Vec[];
      width: number;
      /** What it goes round: only what of it lies before this is seen. */ round?: Vec;
    }
  | { form: 'dome'; frame: Frame; half: Vec }
  | { form: 'solid'; points: readonly Vec[] }
);

const upright: Frame = { at: [0, 0, 0], head: [0, 0, 1], front: [1, 0, 0], left: [0, 1, 0] };

/** A box that stands level; half its height, its length ahead, its breadth. */
export const box = (name: string, stuff: Stuff, at: Vec, half: Vec, round = false, frame: Frame = upright): Thing => ({
  name,
  stuff,
  form: 'box',
  frame: { ...frame, at },
  half,
  round,
});

/** A mat on the floor from one corner to the other. */
export const mat = (from: readonly [number, number], to: readonly [number, number]): Thing => ({
  name: 'mat',
  stuff: 'floor',
  form: 'sheet',
  corners: [
    [from[0], from[1], 0],
    [to[0], from[1], 0],
    [to[0], to[1], 0],
    [from[0], to[1], 0],
  ],
});

const legsOf = (at: Vec, half: Vec, high: number, name: string): Thing[] =>
  ([1, -1] as const).flatMap((ahead) =>
    ([1, -1] as const).map((out): Thing => {
      const top = add(at, [ahead * (half[0] - 0.02), out * (half[1] - 0.02), 0]);
      return {
        name,
        stuff: 'wood',
        form: 'rod',
        from: [top[0], top[1], 0.008],
        to: [top[0], top[1], high],
        radius: 0.012,
      };
    }),
  );

/** A stool or chair: where the middle of its seat is, how high, and on which side its back stands (ahead 1, behind -1). */
export function seat(at: readonly [number, number], high: number, back: 0 | 1 | -1 = 0, deep = 0.2): Thing[] {
  const thick = 0.018;
  const top: Vec = [at[0], at[1], high - thick];
  const things = [
    ...legsOf([at[0], at[1], 0], [deep, 0.2, 0], high - 2 * thick, 'seat'),
    box('seat', 'wood', top, [thick, deep, 0.2]),
  ];
  if (back !== 0) {
    const x = at[0] + back * (deep + 0.005);
    things.push(box('chair back', 'wood', [x, at[1], high + 0.34], [0.1, 0.012, 0.19]));
    for (const out of [1, -1]) {
      const y = at[1] + out * 0.17;
      things.push({
        name: 'chair back',
        stuff: 'wood',
        form: 'rod',
        from: [x, y, high],
        to: [x, y, high + 0.26],
        radius: 0.012,
      });
    }
  }
  return things;
}

/** A table: its middle, half its size, how high. */
export const table = (at: readonly [number, number], half: readonly [number, number], high: number): Thing[] => [
  ...legsOf([at[0], at[1], 0], [half[0], half[1], 0], high - 0.04, 'table'),
  box('table', 'wood', [at[0], at[1], high - 0.02], [0.02, half[0], half[1]]),
];

/** A wall at a distance, across the way ahead or along it. */
export const wall = (at: number, across: boolean, from: number, to: number, high: number): Thing => ({
  name: 'wall',
  stuff: 'wall',
  form: 'sheet',
  corners: across
    ? [
        [at, from, 0],
        [at, to, 0],
        [at, to, high],
        [at, from, high],
      ]
    : [
        [from, at, 0],
        [to, at, 0],
        [to, at, high],
        [from, at, high],
      ],
});

export const ball = (name: string, at: Vec, radius: number, stuff: Stuff = 'rubber'): Thing => ({
  name,
  stuff,
  form: 'ball',
  at,
  radius,
});

/** Corners of a box. */
export const cornersOf = ({ frame, half }: { frame: Frame; half: Vec }): Vec[] =>
  [1, -1].flatMap((h) =>
    [1, -1].flatMap((f) =>
      [1, -1].map((l) =>
        add(
          frame.at,
          add(times(frame.head, h * half[0]), add(times(frame.front, f * half[1]), times(frame.left, l * half[2]))),
        ),
      ),
    ),
  );

/** A wedge or bolster: what lies between its outline on the one side and on the other. */
export const solid = (
  name: string,
  stuff: Stuff,
  outline: readonly (readonly [number, number])[],
  half: number,
): Thing => ({
  name,
  stuff,
  form: 'solid',
  points: outline.flatMap(([x, z]): Vec[] => [
    [x, half, z],
    [x, -half, z],
  ]),
});
