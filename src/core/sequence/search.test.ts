import { findDrill } from '../catalogue';
import { clashes, everydayRules } from '../schools';
import { type Candidate, type Wanted, gatherCandidates } from './candidates';
import { type PlanRequest, recheckSeconds } from './plan';
import { marginalPoints, mostItems, obstacle, search } from './search';
import { conditionIds, emptyProfile, evaluateGates } from '../safety';
import { intentIds } from '../read';
import { evenYields } from '../trunk';

const no = { value: 'no' as const, day: '2026-11-23', recordId: 'fact', detail: {} };
const profile = { ...emptyProfile, answers: Object.fromEntries(conditionIds.map((id) => [id, no])) };
const context = {
  gates: evaluateGates(profile, '2026-11-23'),
  yields: evenYields(),
  confirmedPatterns: [],
  stoppedDrills: [],
};
const request = (extra: Partial<PlanRequest> = {}): PlanRequest => ({
  intent: 'openSidesAndBack',
  side: null,
  minutes: 12,
  propsAtHand: ['towel', 'pillow', 'wall', 'chair', 'halfDome'],
  leadSchool: 'openAllRegions',
  ...extra,
});

/** A repeatable handful of candidates, kept in their order, always with something that settles. */
function handful(seed: number, count: number, asked: PlanRequest): { candidates: Candidate[]; wanted: Wanted } {
  let state = seed;
  const random = () => (state = (state * 48271) % 2147483647) / 2147483647;
  const { candidates, wanted } = gatherCandidates(asked, context);
  const settling = candidates.filter(({ stage }) => stage === 0).slice(0, 2);
  const others = candidates.filter(({ stage }) => stage > 0).sort(() => random() - 0.5);
  const chosen = new Set([...settling, ...others.slice(0, count - 2)]);
  return { candidates: candidates.filter((candidate) => chosen.has(candidate)), wanted };
}

/** Every allowed selection, one by one: slow, plain and independent of the bound. */
function bruteForce(candidates: readonly Candidate[], wanted: Wanted, asked: PlanRequest): number {
  let best = 0;
  const room = mostItems(asked.minutes);
  const walk = (index: number, chosen: Candidate[]) => {
    if (chosen.length > 0) {
      // A search given just these has nothing to choose but to take them all or fewer.
      const { best: found } = search(chosen, wanted, asked, Number.POSITIVE_INFINITY);
      if (found.chosen.length === chosen.length) best = Math.max(best, worth(found));
    }
    if (chosen.length === room) return;
    for (let next = index; next < candidates.length; next += 1) {
      if (obstacle(chosen, candidates[next]!, asked)) continue;
      walk(next + 1, [...chosen, candidates[next]!]);
    }
  };
  walk(0, []);
  return best;
}

const upright = new Set(['sitting', 'standing', 'standing at a wall', 'elbows on the wall', 'hands on a surface']);
const worth = (found: { points: number; chosen: readonly Candidate[] }) =>
  found.points + (found.chosen.length > 0 && upright.has(found.chosen.at(-1)!.item.position) ? 120 : 0);

describe('search', () => {
  test.each([1, 2, 3, 4, 5, 6])('finds the best of every possible selection, handful %d', (seed) => {
    const asked = request({ intent: intentIds[seed % intentIds.length]!, side: 'left', minutes: 10 });
    const { candidates, wanted } = handful(seed * 7919, 9, asked);
    const { best, proven } = search(candidates, wanted, asked, Number.POSITIVE_INFINITY);
    expect(proven).toBe(true);
    expect(worth(best)).toBe(bruteForce(candidates, wanted, asked));
  });

  test('is cut off by nodes, says so, and never gives less than a longer search began with', () => {
    const asked = request({ minutes: 30 });
    const { candidates, wanted } = gatherCandidates(asked, context);
    const short = search(candidates, wanted, asked, 5);
    const long = search(candidates, wanted, asked, 2000);
    expect(short.proven).toBe(false);
    expect(worth(long.best)).toBeGreaterThanOrEqual(worth(short.best));
    expect(long.nodes).toBeGreaterThan(short.nodes);
  });

  test('more time never lowers the optimum; taking out a drill that was not chosen changes nothing', () => {
    const { candidates, wanted } = handful(104729, 12, request());
    const at = (minutes: number) =>
      worth(search(candidates, wanted, request({ minutes }), Number.POSITIVE_INFINITY).best);
    const values = [6, 8, 10, 12, 15].map(at);
    expect([...values].sort((a, b) => a - b)).toEqual(values);

    const { best } = search(candidates, wanted, request(), Number.POSITIVE_INFINITY);
    const spare = candidates.find((candidate) => !best.chosen.includes(candidate))!;
    const without = search(
      candidates.filter((candidate) => candidate !== spare),
      wanted,
      request(),
      Number.POSITIVE_INFINITY,
    );
    expect(worth(without.best)).toBe(worth(best));
  });

  test('a block never raises the optimum', () => {
    const { candidates, wanted } = handful(31337, 12, request());
    const all = worth(search(candidates, wanted, request(), Number.POSITIVE_INFINITY).best);
    for (const blocked of candidates) {
      const rest = candidates.filter((candidate) => candidate !== blocked);
      expect(worth(search(rest, wanted, request(), Number.POSITIVE_INFINITY).best)).toBeLessThanOrEqual(all);
    }
  });

  test('what a drill adds never grows in company: the bound stands on it', () => {
    const { candidates, wanted } = gatherCandidates(request(), context);
    const alone = wanted.keys.map(() => 0);
    const company = candidates[3]!.gains;
    for (const candidate of candidates) {
      expect(marginalPoints(company, candidate, wanted)).toBeLessThanOrEqual(marginalPoints(alone, candidate, wanted));
    }
  });

  test('the plan it gives fits the time with the recheck, holds apart, settled first, rules in peace', () => {
    for (const intent of intentIds) {
      const asked = request({ intent, side: 'right', minutes: 20 });
      const { candidates, wanted } = gatherCandidates(asked, context);
      const { best } = search(candidates, wanted, asked);
      expect(best.seconds + recheckSeconds).toBeLessThanOrEqual(1200);
      expect(best.chosen[0]!.stage).toBe(0);
      best.chosen.slice(1).forEach((candidate, i) => expect(candidate.holds && best.chosen[i]!.holds).toBe(false));
      const rules = best.chosen.map(({ drill }) => everydayRules(drill.stances));
      for (const one of rules) for (const other of rules) expect(clashes(one, other)).toHaveLength(0);
    }
  });
});

describe('obstacle says why a drill can’t follow', () => {
  const { candidates } = gatherCandidates(request({ minutes: 60 }), context);
  const of = (id: string) => candidates.find(({ drill }) => drill.id === id)!;

  test.each([
    [[], 'towel-hug', 'can’t come first: settling does'],
    [['resting-watch'], 'resting-watch', 'is in the plan already'],
    [['resting-watch'], 'sternum-and-blades', 'would be too big a step up'],
    [['resting-watch', 'two-hand-belly'], 'hook-stack', 'contradicts Two-hand belly breath'],
    [['resting-watch'], 'quiet-nose', null],
  ] as const)('after %j, %s: %s', (before, next, words) => {
    const candidate = of(next) ?? { ...of('towel-hug'), drill: findDrill(next)! };
    expect(obstacle(before.map(of), candidate, request({ minutes: 60 }))).toBe(words);
  });

  test('too many things are too many, whatever the clock says', () => {
    const full = candidates.filter(({ stage }) => stage === 0).slice(0, 1);
    while (full.length < mostItems(5)) full.push(of('quiet-nose'));
    expect(obstacle(full, of('soft-hiss'), request({ minutes: 5 }))).toBe('would be one thing too many for the visit');
    expect([5, 10, 20, 60].map(mostItems)).toEqual([3, 4, 6, 7]);
  });
});
