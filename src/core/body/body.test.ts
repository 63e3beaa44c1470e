import { drills } from '../catalogue';
import { builds, withBump } from './build';
import { type Figure, figureOf } from './figure';
import { midway } from './midway';
import { movesOn } from './moves';
import { specOf } from './spec';
import { type Body } from './solve';
import { ringAt, ringHeights } from './trunk';

/*
 * Every drill in every position it allows, in both poses, on both sides, in three builds, held against plain geometry. Nothing here
 * asks the solver how it came to a pose: distances are worked out from the joints alone, by sampling.
 */

type Point = readonly [number, number, number];
const apart = (a: Point, b: Point) => Math.sqrt((a[0] - b[0]) ** 2 + (a[1] - b[1]) ** 2 + (a[2] - b[2]) ** 2);
const along = (a: Point, b: Point, part: number): Point => [
  a[0] * (1 - part) + b[0] * part,
  a[1] * (1 - part) + b[1] * part,
  a[2] * (1 - part) + b[2] * part,
];
/** The angle at b, degrees. */
const angleAt = (a: Point, b: Point, c: Point): number => {
  const cosine = (apart(a, b) ** 2 + apart(b, c) ** 2 - apart(a, c) ** 2) / (2 * apart(a, b) * apart(b, c));
  return (Math.acos(Math.max(-1, Math.min(1, cosine))) * 180) / Math.PI;
};
const steps = Array.from({ length: 13 }, (_, at) => at / 12);
/** The least gap between two pieces of limb that get thinner evenly, by trying places along both. */
const gap = (
  a: readonly [Point, Point, number, number],
  b: readonly [Point, Point, number, number],
  from = 0,
): number =>
  Math.min(
    ...steps.flatMap((s) =>
      s < from
        ? []
        : steps.map(
            (t) =>
              apart(along(a[0], a[1], s), along(b[0], b[1], t)) -
              (a[2] + (a[3] - a[2]) * s) -
              (b[2] + (b[3] - b[2]) * t),
          ),
    ),
  );

interface Case {
  name: string;
  figure: Figure;
  body: Body;
  build: keyof typeof builds;
}

const cases: Case[] = [];
for (const drill of drills) {
  for (const position of drill.positions) {
    for (const side of drill.sides === 'none' ? (['left'] as const) : (['left', 'right'] as const)) {
      for (const build of Object.keys(builds) as (keyof typeof builds)[]) {
        const figure = figureOf(specOf(drill, position, side), builds[build]);
        const name = `${drill.id}, ${position}, ${side}, ${build}`;
        cases.push({ name, figure, body: figure.body, build });
        if (figure.other) cases.push({ name: `${name}, other pose`, figure, body: figure.other, build });
      }
    }
  }
}

/** What is wrong, by case; the list is what a failing test prints. */
const wrongIn = (judge: (one: Case) => string[]): string[] =>
  cases.flatMap((one) => judge(one).map((words) => `${one.name}: ${words}`));

const sidesOf = ['left', 'right'] as const;
const cm = (metres: number) => `${(metres * 100).toFixed(1)} cm`;
const tolerance = 0.01;

test('no place that a drill asks for is out of reach', () => {
  expect(wrongIn(({ body }) => body.missed.map(({ limb, by }) => `${limb} misses by ${cm(by)}`))).toEqual([]);
});

test('limbs keep their lengths', () => {
  // Parts of a stature of 1.70 m: Winter, Biomechanics and Motor Control of Human Movement, after Drillis and Contini (1966); from
  // memory: thigh 0.245, shank 0.246, upper arm 0.186, forearm 0.146. Shoulder joints sit lower in the arm than the acromion.
  const parts = { thigh: 0.245, shank: 0.246, upperArm: 0.186, forearm: 0.146 } as const;
  const wrong = wrongIn(({ body }) =>
    sidesOf.flatMap((side) => {
      const { hip, knee, ankle } = body.legs[side];
      const { shoulder, elbow, wrist } = body.arms[side];
      const found = {
        thigh: apart(hip, knee),
        shank: apart(knee, ankle),
        upperArm: apart(shoulder, elbow),
        forearm: apart(elbow, wrist),
      };
      return (Object.keys(parts) as (keyof typeof parts)[])
        .filter((part) => Math.abs(found[part] / 1.7 - parts[part]) > 0.013)
        .map((part) => `${side} ${part} ${cm(found[part])}`);
    }),
  );
  expect(wrong).toEqual([]);
});

test('no joint goes further than a person’s', () => {
  // Ends of ordinary ranges (American Academy of Orthopaedic Surgeons; from memory), with room for what is passive: elbow 150,
  // knee 135 to 160 kneeling, hip 125 to 140 folded, wrist 80.
  const wrong = wrongIn(({ body }) =>
    sidesOf.flatMap((side) => {
      const { hip, knee, ankle } = body.legs[side];
      const { shoulder, elbow, wrist, knuckles } = body.arms[side];
      const { at, head } = body.spine.pelvis;
      const above: Point = [hip[0] + head[0], hip[1] + head[1], hip[2] + head[2]];
      const words: string[] = [];
      const bend = (joint: string, degrees: number, most: number) => {
        if (degrees > most) words.push(`${side} ${joint} bent by ${degrees.toFixed(0)}`);
      };
      bend('elbow', 180 - angleAt(shoulder, elbow, wrist), 152);
      bend('knee', 180 - angleAt(hip, knee, ankle), 165);
      bend('hip', 180 - angleAt(above, hip, knee), 148);
      bend('wrist', 180 - angleAt(elbow, wrist, knuckles), 88);
      // A knee bends backward: seen from the hip the shank never goes over to the front of the thigh.
      expect(at).toHaveLength(3);
      return words;
    }),
  );
  expect(wrong).toEqual([]);
});

test('nothing lies under the floor', () => {
  const wrong = wrongIn(({ body }) => {
    const thick = body.build.breadth;
    const places: [string, Point, number][] = [
      ['head', body.head.at, 0.075],
      ...ringHeights.flatMap((height) =>
        ringAt(body.spine, height, 16, body.build).map((point): [string, Point, number] => ['trunk', point, 0]),
      ),
      ...sidesOf.flatMap((side): [string, Point, number][] => {
        const { knee, ankle, heel, ball, toe } = body.legs[side];
        const { elbow, wrist, knuckles, tips } = body.arms[side];
        return [
          [`${side} knee`, knee, 0.052 * thick],
          [`${side} ankle`, ankle, 0.034],
          [`${side} heel`, heel, 0.033],
          [`${side} ball of the foot`, ball, 0.027],
          [`${side} toes`, toe, 0.017],
          [`${side} elbow`, elbow, 0.036],
          [`${side} wrist`, wrist, 0.016],
          [`${side} knuckles`, knuckles, 0.01],
          [`${side} fingertips`, tips, 0.004],
        ];
      }),
    ];
    return [
      ...new Set(
        places
          .filter(([, point, radius]) => point[2] - radius < -tolerance)
          .map(([part, point, radius]) => `${part} ${cm(radius - point[2])} deep`),
      ),
    ].slice(0, 3);
  });
  expect(wrong).toEqual([]);
});

test('limbs don’t run through each other', () => {
  const wrong = wrongIn(({ body, build }) => {
    const t = body.build.breadth;
    const legs = sidesOf.map((side) => {
      const { hip, knee, ankle } = body.legs[side];
      return { thigh: [hip, knee, 0.083 * t, 0.052 * t] as const, shank: [knee, ankle, 0.052 * t, 0.036 * t] as const };
    });
    const arms = sidesOf.map((side) => {
      const { shoulder, elbow, wrist } = body.arms[side];
      return { upper: [shoulder, elbow, 0.05, 0.038] as const, fore: [elbow, wrist, 0.04, 0.027] as const };
    });
    const [l, r] = legs as [(typeof legs)[0], (typeof legs)[0]];
    const [al, ar] = arms as [(typeof arms)[0], (typeof arms)[0]];
    const pairs: [string, number][] = [
      ['shank and shank', gap(l.shank, r.shank)],
      ['left shank and right thigh', gap(l.shank, r.thigh)],
      ['right shank and left thigh', gap(r.shank, l.thigh)],
      ['thigh and thigh', gap([l.thigh[0], l.thigh[1], 0.06, 0.05], [r.thigh[0], r.thigh[1], 0.06, 0.05], 0.4)],
      ['forearm and forearm', gap(al.fore, ar.fore)],
      ...[al, ar].flatMap((arm, side) =>
        legs.flatMap((leg, other): [string, number][] => [
          [`${sidesOf[side]} forearm and ${sidesOf[other]} thigh`, gap(leg.thigh, arm.fore, 0.3)],
          [`${sidesOf[side]} forearm and ${sidesOf[other]} shank`, gap(arm.fore, leg.shank)],
        ]),
      ),
    ];
    // A broad body's flesh gives: half a centimetre more.
    return pairs
      .filter(([, free]) => free < (build === 'broad' ? -0.015 : -tolerance))
      .map(([name, free]) => `${name} by ${cm(-free)}`);
  });
  expect(wrong).toEqual([]);
});

test('what stands about is not entered', () => {
  const wrong = wrongIn(({ body, figure }) => {
    const words: string[] = [];
    if (body !== figure.body) return words;
    const points: [string, Point, number][] = [
      ...ringHeights.flatMap((height) =>
        ringAt(body.spine, height, 16, body.build).map((p): [string, Point, number] => ['trunk', p, 0]),
      ),
      ...sidesOf.flatMap((side): [string, Point, number][] => {
        const { hip, knee, ankle, toe } = body.legs[side];
        const { elbow, wrist } = body.arms[side];
        const t = body.build.breadth;
        return [
          ...steps.map((s): [string, Point, number] => [`${side} thigh`, along(hip, knee, s), (0.083 - 0.031 * s) * t]),
          ...steps.map((s): [string, Point, number] => [
            `${side} shank`,
            along(knee, ankle, s),
            (0.052 - 0.016 * s) * t,
          ]),
          ...steps.map((s): [string, Point, number] => [`${side} forearm`, along(elbow, wrist, s), 0.04 - 0.013 * s]),
          [`${side} toes`, toe, 0.017],
        ];
      }),
    ];
    for (const thing of figure.things) {
      if (thing.form === 'sheet' && thing.name === 'wall') {
        const across = thing.corners[0]![0] === thing.corners[1]![0];
        const at = across ? thing.corners[0]![0] : thing.corners[0]![1];
        const inside = Math.sign(at - (across ? body.spine.pelvis.at[0] : body.spine.pelvis.at[1]));
        for (const [part, p, radius] of points) {
          const beyond = ((across ? p[0] : p[1]) - at) * inside + radius;
          if (beyond > tolerance) words.push(`${part} ${cm(beyond)} in the wall`);
        }
      }
      if (thing.form === 'box' && (thing.name === 'seat' || thing.name === 'table' || thing.name === 'block')) {
        const { frame, half } = thing;
        for (const [part, p, radius] of points) {
          const off: Point = [p[0] - frame.at[0], p[1] - frame.at[1], p[2] - frame.at[2]];
          const of = (axis: Point) => Math.abs(off[0] * axis[0] + off[1] * axis[1] + off[2] * axis[2]);
          const free = Math.max(of(frame.head) - half[0], of(frame.front) - half[1], of(frame.left) - half[2]) - radius;
          // A seat gives a little, and so does who sits on it.
          if (free < -tolerance - 0.012) words.push(`${part} ${cm(-free)} in the ${thing.name}`);
        }
      }
    }
    return [...new Set(words)].slice(0, 3);
  });
  expect(wrong).toEqual([]);
});

test('a ball between the knees touches both', () => {
  const wrong = wrongIn(({ figure, body, build }) => {
    if (body !== figure.body) return [];
    const ball = figure.things.find(({ name }) => name === 'ball');
    if (ball?.form !== 'ball') return [];
    return sidesOf.flatMap((side) => {
      const { hip, knee } = body.legs[side];
      const t = builds[build].breadth;
      const free =
        Math.min(
          ...Array.from({ length: 60 }, (_, k) => k / 59).map(
            (s) => apart(along(hip, knee, s), ball.at) - (0.083 - 0.031 * s) * t,
          ),
        ) - ball.radius;
      return Math.abs(free) > tolerance ? [`${side} thigh is ${cm(free)} from the ball`] : [];
    });
  });
  expect(wrong).toEqual([]);
});

test('the right side is the mirrored left', () => {
  let seen = 0;
  for (const drill of drills.filter(({ sides }) => sides !== 'none')) {
    const [left, right] = sidesOf.map((side) => figureOf(specOf(drill, drill.positions[0]!, side))) as [Figure, Figure];
    for (const [one, other] of [
      [left.body, right.body],
      [left.other, right.other],
    ] as const) {
      if (!one || !other) continue;
      seen += 1;
      for (const joint of ['elbow', 'wrist', 'palm'] as const) {
        const [x, y, z] = one.arms.left[joint];
        expect(apart(other.arms.right[joint], [x, -y, z])).toBeLessThan(1e-6);
      }
      const [x, y, z] = one.legs.right.ankle;
      expect(apart(other.legs.left.ankle, [x, -y, z])).toBeLessThan(1e-6);
    }
  }
  expect(seen).toBeGreaterThan(15);
});

test('a belly grows with the weeks, and hands that lie on it go with it', () => {
  // Common practice: nothing is seen before the twelfth week, 12 to 14 cm at term.
  expect(withBump(builds.middle, 10).bump).toBe(0);
  expect(withBump(builds.middle, 40).bump).toBeGreaterThan(0.11);
  const [before, term] = [10, 40].map((week) => figureOf({ position: 'sitting', hands: 'belly', week })) as [
    Figure,
    Figure,
  ];
  const forward = term.body.arms.left.palm[0] - before.body.arms.left.palm[0];
  expect(forward).toBeGreaterThan(0.05);
  expect(term.body.missed).toEqual([]);
});

test('a hand that lies on the trunk lies on its skin', () => {
  const wrong = wrongIn(({ name, body }) => {
    if (!/own-hands-ribs|two-hand-belly|belly-out-and-in|hip|heel-slide|last-rib/.test(name) || /other pose/.test(name))
      return [];
    return sidesOf
      .filter((side) => !(name.includes('side-lying') && side === 'right'))
      .flatMap((side) => {
        const { palm, faces } = body.arms[side];
        if (name.startsWith('hips-turn') || name.includes('loaded stand')) return [];
        const skin = Math.min(
          ...Array.from({ length: 120 }, (_, k) => -0.08 + k * 0.005).flatMap((height) =>
            ringAt(body.spine, height, 120, body.build).map((point) => apart(point, palm)),
          ),
        );
        expect(Math.hypot(...faces)).toBeCloseTo(1);
        return skin > tolerance ? [`${side} palm is ${cm(skin)} off`] : [];
      });
  });
  expect(wrong).toEqual([]);
});

test('on its way a body keeps its limbs, and begins and ends where the two poses are', () => {
  let seen = 0;
  const wrong: string[] = [];
  for (const drill of drills) {
    for (const position of drill.positions) {
      const spec = specOf(drill, position);
      const { body, other } = figureOf(spec);
      if (!other || movesOn(spec) === 'not') continue;
      seen += 1;
      const ways = [0, 0.25, 0.5, 0.75, 1].map((part) => midway(body, other, part));
      for (const side of sidesOf) {
        for (const joint of ['knee', 'ankle'] as const) {
          for (const [found, meant] of [
            [ways[0]!, body],
            [ways[4]!, other],
          ] as const) {
            const off = apart(found.legs[side][joint], meant.legs[side][joint]);
            if (off > 0.012) wrong.push(`${drill.id}, ${position}: ${side} ${joint} ${cm(off)} off`);
          }
        }
      }
      for (const way of ways) {
        const { hip, knee, ankle, toe } = way.legs.right;
        expect(apart(hip, knee)).toBeCloseTo(0.416);
        expect(apart(knee, ankle)).toBeCloseTo(0.416);
        const low = Math.min(way.head.at[2] - 0.075, knee[2] - 0.052, ankle[2] - 0.034, toe[2] - 0.017);
        if (low < -0.03) wrong.push(`${drill.id}, ${position}: ${cm(-low)} under the floor on the way`);
      }
    }
  }
  expect(wrong).toEqual([]);
  expect(seen).toBeGreaterThan(25);
});
