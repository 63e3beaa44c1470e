import { type PlanningProblem, layOut, search, tally } from '@/core/sequence';
import { constructed } from '../demo/constructed';
import { asked } from './people';
import { instance } from './instances';
import { solveWith, solver } from './highs';
import { rounds } from '../scripts/rounds';

/**
 * The search against an independent mixed-integer solver whose model is written from the same raw problem, and both answers
 * through a third, plain checker. Made-up catalogues, from repeatable seeds.
 */
const small = { drills: 7, positions: 2, doses: 1, mostItems: 3, minutes: 8, targets: 2 };
const doubled = { drills: 6, positions: 1, doses: 2, mostItems: 4, minutes: 9, targets: 3 };
const middle = { drills: 14, positions: 3, doses: 1, mostItems: 4, minutes: 10, targets: 5 };

/** Every fifth seed brings a drill that must be in, or tighter caps. */
function varied(seed: number): PlanningProblem {
  const problem = instance(seed, seed % 50 === 0 ? middle : seed % 2 === 0 ? doubled : small);
  const some = problem.items.find(({ stage }) => stage === 2)?.drill;
  if (seed % 5 === 2 && some) return { ...problem, musts: [some] };
  if (seed % 5 === 4) return { ...problem, mostAlike: 1 };
  if (seed % 5 === 3) return { ...problem, mostHoldSeconds: 30, mostNew: 1 };
  return problem;
}

/** Ten of each hundred with every run of the tests; all five hundred when asked for. */
const seedsALot = rounds(100);

test.each([0, 1, 2, 3, 4])(
  'equal optimum on many seeds, lot %d',
  async (lot) => {
    const highs = await solver();
    for (let seed = lot * 100 + 1; seed <= lot * 100 + seedsALot; seed += 1) {
      const problem = varied(seed);
      const theirs = solveWith(highs, problem);
      const ours = search(problem);
      const where = `seed ${seed}`;
      expect([where, ours.proven]).toEqual([where, true]);
      // Where the one finds that nothing keeps the rules, so does the other.
      expect([where, ours.chosen.length > 0]).toEqual([where, theirs !== null]);
      const answers = theirs === null ? [] : [theirs, ours];
      expect([where, ...answers.slice(1).map(({ points }) => points)]).toEqual([
        where,
        ...(theirs ? [theirs.points] : []),
      ]);
      for (const { chosen, points } of answers) {
        expect([where, tally(problem, chosen)]).toEqual([where, expect.objectContaining({ points, broken: [] })]);
      }
    }
  },
  120_000,
);

/** An eighth of them with every run of the tests, each with another length of visit; all of them when asked for. */
const people = constructed
  .map((person, i) => ({ person, minutes: [20, 30, 15, 40, 60, 10][Math.floor(i / 3) % 6]! }))
  .filter((_, i) => i % 8 === 0 || rounds(8) === 8);

test.each(people.map(({ person, minutes }) => [person.who, minutes, person] as const))(
  'equal optimum on the catalogue as it is: %s, %d minutes',
  async (_, minutes, person) => {
    const { request, context } = asked(person, minutes);
    const { problem } = layOut(request, context);
    const theirs = solveWith(await solver(), problem);
    const ours = search(problem);
    expect(ours.proven).toBe(true);
    // Each of these people has a plan.
    expect(ours.points).toBe(theirs?.points);
    for (const { chosen, points } of [theirs!, ours]) {
      expect(tally(problem, chosen)).toMatchObject({ points, broken: [] });
    }
  },
  120_000,
);
