import { instance } from '../../../bench/instances';
import { compile } from './compile';
import { type PlanningProblem, diminishing } from './problem';
import { tally } from './tally';
import { findPrices, firstPrices } from './prices';
import { certain, layerOf, relax } from './relaxation';
import { search } from './search';
import { fits, nothingChosen, putBack, take } from './state';
import { met } from '../../../scripts/met';

const shape = { drills: 7, positions: 2, doses: 1, mostItems: 4, minutes: 9, targets: 3 };
const seeds = Array.from({ length: 40 }, (_, i) => i + 1);

/** Every choice there is, one by one, judged by the plain checker: slow and independent of everything the search does. */
function bruteForce({ items, ...rest }: PlanningProblem): number | null {
  const problem = { items, ...rest };
  let best: number | null = null;
  for (let mask = 1; mask < 2 ** items.length; mask += 1) {
    const chosen = items.flatMap((_, i) => (mask & (1 << i) ? [i] : []));
    if (chosen.length > problem.mostItems) continue;
    const { points, broken } = tally(problem, chosen);
    if (broken.length === 0 && (best === null || points > best)) best = points;
  }
  return best;
}

const withItems = (problem: PlanningProblem, keep: (i: number) => boolean): PlanningProblem => ({
  ...problem,
  items: problem.items.filter((_, i) => keep(i)),
});
const best = (problem: PlanningProblem) => search(problem);

describe('the search', () => {
  test.each(seeds.slice(0, 16))('finds the best of every possible choice, seed %d', (seed) => {
    const whole = instance(seed, shape);
    const problem = withItems(whole, (i) => i < 12);
    const found = best(problem);
    expect(found.proven).toBe(true);
    expect(found.chosen.length > 0 ? found.points : null).toBe(bruteForce(problem));
  });

  test.each(seeds.slice(0, 12))('more time, a wider cap, one thing more never lower the optimum, seed %d', (seed) => {
    const problem = instance(seed, shape);
    const { points } = best(problem);
    const wider: Partial<PlanningProblem>[] = [
      { mostSeconds: problem.mostSeconds + 120 },
      { mostHoldSeconds: problem.mostHoldSeconds + 60 },
      { mostItems: problem.mostItems + 1 },
      { mostNew: problem.mostNew + 1 },
      { mostBaseChanges: problem.mostBaseChanges + 1 },
      { mostLevelRise: problem.mostLevelRise + 1 },
      { clashes: [] },
    ];
    for (const more of wider) expect(best({ ...problem, ...more }).points).toBeGreaterThanOrEqual(points);
  });

  test.each(seeds.slice(0, 12))(
    'a block never raises it; taking out what was not chosen changes nothing, seed %d',
    (seed) => {
      const problem = instance(seed, shape);
      const { points, chosen } = best(problem);
      const inPlan = new Set(chosen.map((i) => problem.items[i]!.drill));
      for (const drill of new Set(problem.items.map((item) => item.drill))) {
        const without = best(withItems(problem, (i) => problem.items[i]!.drill !== drill));
        const worth = without.chosen.length > 0 ? without.points : Number.NEGATIVE_INFINITY;
        if (met(inPlan.has(drill))) expect(worth).toBeLessThanOrEqual(points);
        else expect(worth).toBe(points);
      }
    },
  );

  test('a drill that must be in is in, and can only cost', () => {
    for (const seed of seeds.slice(0, 10)) {
      const problem = instance(seed, shape);
      const free = best(problem);
      for (const drill of new Set(problem.items.map((item) => item.drill))) {
        const forced = best({ ...problem, musts: [drill] });
        if (forced.chosen.length === 0) continue;
        expect(forced.chosen.some((i) => problem.items[i]!.drill === drill)).toBe(true);
        expect(forced.points).toBeLessThanOrEqual(free.points);
      }
    }
  });

  test('is cut off by nodes, says so, and says how much better could still be possible', () => {
    const large = instance(2, { drills: 40, positions: 4, doses: 2, mostItems: 8, minutes: 20, targets: 8 });
    const short = search(large, { nodes: 40 });
    const long = search(large, { nodes: 4000 });
    expect(short.proven).toBe(false);
    expect(short.atMost).toBeGreaterThan(short.points);
    expect(long.points).toBeGreaterThanOrEqual(short.points);
    expect(short.atMost).toBeGreaterThanOrEqual(long.points);
    expect(tally(large, short.chosen).broken).toEqual([]);
  });

  test('the same question has the same answer, and a known plan is never made worse', () => {
    const problem = instance(5, { ...shape, drills: 20, mostItems: 5 });
    const once = best(problem);
    expect(best(problem)).toEqual(once);
    expect(search(problem, { nodes: 1, known: once.chosen }).points).toBe(once.points);
  });

  test('nothing that keeps the rules is told as nothing', () => {
    const problem = { ...instance(1, shape), mostSeconds: 10 };
    expect(best(problem)).toMatchObject({ chosen: [], points: 0 });
  });
});

describe('the bound', () => {
  test.each(seeds.slice(0, 8))('never lies below what can still be reached, seed %d', (seed) => {
    const problem = withItems(instance(seed, shape), (i) => i < 11);
    const c = compile(problem);
    const items = Int32Array.from({ length: c.n }, (_, i) => i);
    const priced = (rounds: number) => findPrices(c, items, firstPrices(c), { rounds, stretch: 1 }, () => 0).prices;
    for (const prices of [firstPrices(c), priced(6), priced(12)]) {
      const table = relax(c, items, problem.mostItems, prices);
      const state = nothingChosen(c);
      // At every state the search can reach: the bound of each way on against the true best beyond it.
      const visit = (from: number): number => {
        const here = tally(problem, state.chosen);
        let most = here.broken.length === 0 && state.chosen.length > 0 ? here.points : Number.NEGATIVE_INFINITY;
        const places = problem.mostItems - state.chosen.length;
        if (places === 0) return most;
        const last = state.chosen.at(-1);
        for (let i = from; i < c.n; i += 1) {
          if (!fits(c, state, i)) continue;
          const arc = last === undefined ? 0 : table.arc[c.placeOf[last]! * c.places + c.placeOf[i]!]!;
          const bound = certain(c, table, state) + table.from[layerOf(c, state)]![places]![i]! + arc;
          take(c, state, i);
          const reached = visit(i + 1);
          putBack(c, state);
          if (met(reached > Number.NEGATIVE_INFINITY)) expect(bound).toBeGreaterThanOrEqual(reached - 1e-6);
          most = Math.max(most, reached);
        }
        return most;
      };
      visit(0);
    }
  });

  test('gains are worth less the more there is of them, and nothing past the last step', () => {
    expect([0, 30, 60, 100, 500].map((tenths) => diminishing(tenths))).toEqual([0, 300, 450, 530, 530]);
  });
});
