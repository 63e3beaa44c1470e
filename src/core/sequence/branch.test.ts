import { solveWith, solver } from '../../../bench/highs';
import { instance } from '../../../bench/instances';
import { branch } from './branch';
import { compile } from './compile';
import { type Hunt, descend } from './descend';
import { findPrices, firstPrices } from './prices';
import { type PlanningProblem } from './problem';
import { certain, layerOf, relax } from './relaxation';
import { Incumbent, nothingChosen } from './state';
import { narrowed } from './sweep';
import { tally } from './tally';
import { met } from '../../../scripts/met';
import { rounds } from '../../../scripts/rounds';

const shape = { drills: 20, positions: 3, doses: 1, mostItems: 4, minutes: 10, targets: 5 };
const seeds = Array.from({ length: 9 }, (_, i) => i + 1);

/** Parted from the first node on, as a search is only where the way down takes too long. */
function partedFrom(problem: PlanningProblem, cap = 100_000) {
  const c = compile(problem);
  const hunt: Hunt = { c, state: nothingChosen(c), best: new Incumbent(c), nodes: 0, cap };
  const left = branch(hunt, c.reachable, firstPrices(c), Number.POSITIVE_INFINITY);
  return { left, nodes: hunt.nodes, chosen: hunt.best.chosen, points: hunt.best.points };
}

/** Every third seed brings a drill that must be in, or tighter caps. */
function varied(seed: number): PlanningProblem {
  const problem = instance(seed, shape);
  const work = problem.items.filter(({ stage, needs }) => stage === 2 && needs.length === 0);
  if (seed % 3 === 1) return { ...problem, musts: [work[0]!.drill] };
  if (seed % 3 === 2) return { ...problem, mostAlike: 1, mostNew: 1, mostHoldSeconds: 40 };
  return problem;
}

test.each(seeds.slice(0, rounds(seeds.length)))(
  'parting by drills finds what an independent solver finds, seed %d',
  async (seed) => {
    const problem = varied(seed);
    const theirs = solveWith(await solver(), problem);
    const { left, nodes, chosen, points } = partedFrom(problem);
    expect(left).toBe(Number.NEGATIVE_INFINITY);
    expect(points).toBe(theirs?.points);
    expect(tally(problem, chosen)).toMatchObject({ points, broken: [] });
    // One part alone takes no more than the steps of its prices: these were parted.
    expect(nodes).toBeGreaterThan(40);
  },
);

/** Depth first through the items in their order, to the end: the other way to search everything. */
function inOrder(problem: PlanningProblem) {
  const c = compile(problem);
  const hunt: Hunt = { c, state: nothingChosen(c), best: new Incumbent(c), nodes: 0, cap: Number.POSITIVE_INFINITY };
  const { prices } = findPrices(c, c.reachable, firstPrices(c), { rounds: 60, stretch: 1 }, () => 0);
  expect(descend(hunt, relax(c, c.reachable, problem.mostItems, prices), hunt.cap)).toBe(true);
  return hunt.best.points;
}

test.each(seeds)(
  'finds what going down in order finds, and says when cut off what could still be possible, seed %d',
  (seed) => {
    const problem = varied(seed);
    const best = inOrder(problem);
    const { left, points } = partedFrom(problem);
    expect([left, points]).toEqual([Number.NEGATIVE_INFINITY, best]);
    for (const cap of [30, 100, 200]) {
      const short = partedFrom(problem, cap);
      expect(short.points).toBeLessThanOrEqual(best);
      expect(Math.max(short.left + 1e-6, short.points)).toBeGreaterThanOrEqual(best);
    }
  },
);

describe('what is sure to be in', () => {
  const small = { drills: 7, positions: 2, doses: 1, mostItems: 4, minutes: 9, targets: 3 };
  /** Every plan there is, by the plain checker, with what it is worth. */
  const plansOf = (problem: PlanningProblem) => {
    const plans: { chosen: number[]; points: number }[] = [];
    for (let mask = 1; mask < 2 ** problem.items.length; mask += 1) {
      const chosen = problem.items.flatMap((_, i) => (mask & (1 << i) ? [i] : []));
      if (chosen.length > problem.mostItems) continue;
      const { points, broken } = tally(problem, chosen);
      if (broken.length === 0) plans.push({ chosen, points });
    }
    return plans;
  };

  test.each(seeds.slice(0, 8))(
    'bounds every plan with it, by sweep and by table, and keeps the best, seed %d',
    (seed) => {
      const whole = instance(seed, { ...small, bare: seed % 2 === 0 });
      const problem = { ...whole, items: whole.items.filter((_, i) => i < 11), mostNew: 1 + (seed % 2) };
      const c = compile(problem);
      const items = Int32Array.from({ length: c.n }, (_, i) => i);
      const nothing = nothingChosen(c);
      const plans = plansOf(problem);
      for (let a = 0; a < c.n; a += 1) {
        for (let b = a; b < c.n; b += 1) {
          const sure = new Uint8Array(c.n);
          sure[a] = sure[b] = 1;
          const paths: number[][] = [];
          const { bound, prices, scratch } = findPrices(
            c,
            items,
            firstPrices(c),
            { rounds: 6, stretch: 1, sure },
            (path) => {
              paths.push([...path]);
              return 0;
            },
          );
          // No path passes by what is sure.
          for (const path of paths) expect(path).toEqual(expect.arrayContaining([a, b]));
          const holding = plans.filter(({ chosen }) => chosen.includes(a) && chosen.includes(b));
          const best = holding.toSorted((one, other) => other.points - one.points)[0];
          if (met(best === undefined)) continue;
          expect(bound).toBeGreaterThanOrEqual(best!.points - 1e-6);
          const table = relax(c, items, problem.mostItems, prices, sure);
          const begun = table.from[layerOf(c, nothing)]![problem.mostItems]!;
          expect(certain(c, table, nothing) + Math.max(...begun.subarray(0, a + 1))).toBeGreaterThanOrEqual(
            best!.points - 1e-6,
          );
          const kept = narrowed(c, items, prices, scratch, best!.points - 1);
          expect([...kept]).toEqual(expect.arrayContaining(best!.chosen));
        }
      }
    },
  );

  test.each(seeds.slice(0, 8))('leaves a plan that is sure as a whole worth what it is worth, seed %d', (seed) => {
    const whole = instance(seed, { ...small, bare: seed % 2 === 0 });
    const problem = { ...whole, items: whole.items.filter((_, i) => i < 11), mostNew: 1 };
    const c = compile(problem);
    const items = Int32Array.from({ length: c.n }, (_, i) => i);
    const nothing = nothingChosen(c);
    for (const { chosen, points } of plansOf(problem).filter((plan) => plan.chosen.length === problem.mostItems)) {
      const sure = new Uint8Array(c.n);
      for (const i of chosen) sure[i] = 1;
      const haggling = { rounds: 400, stretch: 1, sure };
      const { bound, prices, scratch } = findPrices(c, items, firstPrices(c), haggling, () => points - 1);
      // No other plan has all of it, so at the best prices next to nothing is left between.
      expect(bound).toBeGreaterThanOrEqual(points - 1e-6);
      expect(bound).toBeLessThan(points * 1.02);
      const table = relax(c, items, problem.mostItems, prices, sure);
      const begun = table.from[layerOf(c, nothing)]![problem.mostItems]!;
      const first = chosen[0]!;
      expect(certain(c, table, nothing) + begun[first]!).toBeLessThanOrEqual(bound + 1e-6);
      // There is room for no more, and none of it can be passed by.
      for (const beyond of begun.subarray(0, first)) expect(beyond).toBeLessThan(-1e14);
      expect([...narrowed(c, items, prices, scratch, points - 1)]).toEqual(expect.arrayContaining(chosen));
      expect([...narrowed(c, items, prices, scratch, points * 1.02)]).toEqual([]);
    }
  });
});
