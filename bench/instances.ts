import { type PlanningProblem, type PlanningItem, gainSteps } from '@/core/sequence';

/** A repeatable stream of numbers from 0 to 1: the first one this project had, kept so that its figures can be compared. */
function randomFrom(seed: number): () => number {
  let state = (seed * 2654435761 + 1) % 2147483647 || 1;
  return () => (state = (state * 48271) % 2147483647) / 2147483647;
}

export interface Shape {
  drills: number;
  /** Positions a drill allows, at most. */
  positions: number;
  doses: number;
  mostItems: number;
  minutes: number;
  targets: number;
  /** Without in-plan prerequisites, steps of difficulty and fixed ends: the bare model. */
  bare?: boolean;
}

/** Made-up catalogues of the three sizes that planner models are compared on. */
export const rows = {
  small: { drills: 40, positions: 5, doses: 1, mostItems: 5, minutes: 12, targets: 8 },
  middle: { drills: 70, positions: 5, doses: 1, mostItems: 6, minutes: 15, targets: 8 },
  large: { drills: 70, positions: 5, doses: 2, mostItems: 8, minutes: 20, targets: 8 },
} as const satisfies Record<string, Shape>;

const places = [
  'lying',
  'side',
  'prone',
  'kneeling',
  'hands and knees',
  'seat',
  'bench',
  'wall',
  'standing',
  'walking',
];
const baseOf = (place: string) => (places.indexOf(place) < 5 ? 0 : places.indexOf(place) < 7 ? 1 : 2);

/** A made-up planning problem: drills that open some things in some positions, at some cost. */
export function instance(seed: number, shape: Shape): PlanningProblem {
  const random = randomFrom(seed);
  const whole = (from: number, to: number) => from + Math.floor(random() * (to - from + 1));
  const weights = Array.from({ length: shape.targets }, () => whole(1, 3));
  const items: PlanningItem[] = [];
  for (let d = 0; d < shape.drills; d += 1) {
    const stage = d < 4 ? 0 : d < 6 ? 3 : random() < 0.2 ? 1 : 2;
    const opens = weights.map(() => (random() < 0.35 ? whole(1, 3) : 0));
    const base = { level: stage === 0 || stage === 3 ? 1 : whole(1, 6), seconds: whole(60, 240) };
    const holds = random() < 0.15 && stage !== 0;
    const isNew = base.level > 1 && random() < 0.5;
    const worth = whole(-20, 60);
    const needs = base.level > 3 && random() < 0.3 ? [`d${whole(6, shape.drills - 1)}`] : [];
    const own = new Set(Array.from({ length: whole(1, shape.positions) }, () => places[whole(0, places.length - 1)]!));
    for (const position of own) {
      const fit = 0.6 + random() * 0.9;
      for (let dose = 0; dose < shape.doses; dose += 1) {
        const more = 1 + dose * 0.4;
        items.push({
          drill: `d${d}`,
          position,
          stage,
          ...base,
          seconds: Math.round(base.seconds * more),
          holdSeconds: holds ? whole(10, 50) : 0,
          isNew,
          holds,
          alike: shape.bare ? null : `${position} ${d % 3}`,
          gains: opens.map((open) => Math.round(10 * open * fit * more)),
          value: worth,
          needs: needs.filter((need) => need !== `d${d}`),
        });
      }
    }
  }
  items.sort(
    (a, b) =>
      a.stage - b.stage ||
      places.indexOf(a.position) - places.indexOf(b.position) ||
      a.level - b.level ||
      Number(a.drill.slice(1)) - Number(b.drill.slice(1)) ||
      a.seconds - b.seconds,
  );
  const clashes = Array.from(
    { length: Math.round(shape.drills / 5) },
    () => [`d${whole(6, shape.drills - 1)}`, `d${whole(6, shape.drills - 1)}`] as const,
  ).filter(([a, b]) => a !== b);
  const rules = shape.bare
    ? { mostLevelRise: 9, settleFirst: false, carryLast: false }
    : { mostLevelRise: 2, settleFirst: true, carryLast: true };
  return {
    items: shape.bare ? items.map((item) => ({ ...item, needs: [] })) : items,
    weights,
    steps: gainSteps,
    change: Object.fromEntries(
      places.map((from) => [
        from,
        Object.fromEntries(
          places.map((to) => {
            const base = baseOf(from) !== baseOf(to);
            const seconds = from === to ? 0 : base ? 30 : 15;
            return [to, { seconds, points: 2 * seconds, base }];
          }),
        ),
      ]),
    ),
    mostItems: shape.mostItems,
    mostSeconds: shape.minutes * 60 - 60,
    mostHoldSeconds: 120,
    mostNew: 2,
    mostAlike: 2,
    mostBaseChanges: 3,
    ...rules,
    clashes,
    musts: [],
  };
}
