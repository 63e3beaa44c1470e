import { rounds } from '../../../scripts/rounds';
import { choices, contextFor, requestFor } from '../fixtures';
import { patternIds } from '../read';
import { type ChoiceRuleId, type PlanningProblem, checkPlan, layOut, search } from './index';
import { compile } from './compile';
import { type PlanRuleId } from './planRules';
import { tally } from './tally';
import { complete, fits, nothingChosen, take } from './state';

/**
 * What the checker of plans made by hand does not say, since a coach may: leave out what was asked for, carry two things over. Minutes
 * it counts without the talk that the planner allows for.
 */
const plannersOwn: readonly ChoiceRuleId[] = ['mustMissing', 'carriesTwice', 'tooLong'];
const shared = (codes: readonly PlanRuleId[]) =>
  [...new Set(codes)]
    .filter((code) => !(plannersOwn as readonly PlanRuleId[]).includes(code) && ofChoices.has(code))
    .sort();
const ofChoices = new Set<PlanRuleId>([
  'twice',
  'tooMany',
  'holdsTooLong',
  'tooNew',
  'tooAlike',
  'basesChange',
  'notSettled',
  'notCarried',
  'holdAfterHold',
  'stepsUp',
  'wantsBefore',
  'contradicts',
]);

/** The rules of a choice once more, from docs/planner.md and not from the table. Common practice, no published source. */
function statedAnew({ items: all, change, ...most }: PlanningProblem, chosen: readonly number[]): ChoiceRuleId[] {
  const items = chosen.map((i) => all[i]!);
  const drills = items.map(({ drill }) => drill);
  const pairs = items.slice(1).map((item, i) => ({ from: items[i]!, to: item }));
  const kinds = new Map<string, number>();
  for (const { alike } of items) if (alike !== null) kinds.set(alike, (kinds.get(alike) ?? 0) + 1);
  let [seconds, holds, learned, bases, hardest] = [0, 0, 0, 0, 0];
  let climbs = false;
  for (const [i, item] of items.entries()) {
    seconds += item.seconds;
    holds += item.holdSeconds;
    if (item.isNew) learned += 1;
    if (i > 0 && item.level - hardest > most.mostLevelRise) climbs = true;
    hardest = Math.max(hardest, item.level);
  }
  for (const { from, to } of pairs) {
    const step = change[from.position]![to.position]!;
    seconds += step.seconds;
    if (step.base) bases += 1;
  }
  const carried = items.filter(({ stage }) => stage === 3).length;
  const rules: Record<ChoiceRuleId, boolean> = {
    twice: drills.some((drill, i) => drills.indexOf(drill) !== i),
    tooMany: items.length > most.mostItems,
    tooLong: seconds > most.mostSeconds,
    holdsTooLong: holds > most.mostHoldSeconds,
    tooNew: learned > most.mostNew,
    tooAlike: [...kinds.values()].some((count) => count > most.mostAlike),
    basesChange: bases > most.mostBaseChanges,
    notSettled: most.settleFirst && items.length > 0 && items[0]!.stage > 0,
    notCarried: most.carryLast && items.length > 0 && items.at(-1)!.stage < 3,
    carriesTwice: most.carryLast && carried > 1,
    holdAfterHold: pairs.some(({ from, to }) => from.holds && to.holds),
    stepsUp: climbs,
    wantsBefore: items.some(({ needs }, i) => !needs.every((need) => drills.slice(0, i).includes(need))),
    contradicts: most.clashes.some((pair) => pair.every((drill) => drills.includes(drill))),
    mustMissing: !most.musts.every((must) => drills.includes(must)),
  };
  return (Object.keys(rules) as ChoiceRuleId[]).filter((code) => rules[code]);
}

const met = new Map<ChoiceRuleId, number>();

// One table states the rules; the search counts by it as it goes, the judge reads it whole, the checker tells it in words.
describe.each(patternIds.filter((id) => id !== 'even'))(
  'rules of choices for “%s”, on the catalogue as it is',
  (pattern) => {
    const request = requestFor(pattern, { minutes: pattern.length % 2 === 0 ? 15 : 40 });
    const usual = contextFor(pattern);
    const context = { ...usual, gates: { ...usual.gates, holdSeconds: 20 } };
    const { problem, candidates } = layOut(request, context);
    const c = compile(problem);
    const chance = choices(pattern.length + 7);
    const some = () => {
      // Some begin as a plan does: what is taken quite by chance breaks so much that little else is seen.
      const [from, count] = [chance.below(2) * 40, 1 + chance.below(9)];
      const near = () => Math.min(candidates.length - 1, from + chance.below(candidates.length));
      return [...new Set(Array.from({ length: count }, near))].sort((a, b) => a - b);
    };
    const made = Array.from({ length: rounds(400) }, some);

    test('the judge finds broken what is broken', () => {
      for (const chosen of made) {
        const anew = statedAnew(problem, chosen);
        for (const code of anew) met.set(code, (met.get(code) ?? 0) + 1);
        expect([chosen, [...tally(problem, chosen).broken].sort()]).toEqual([chosen, anew.sort()]);
      }
    });

    test('the search takes what breaks nothing, and nothing else', () => {
      for (const chosen of made) {
        const state = nothingChosen(c);
        const whole = chosen.every((i) => fits(c, state, i) && (take(c, state, i), true)) && complete(c, state);
        expect([chosen, whole]).toEqual([chosen, statedAnew(problem, chosen).length === 0]);
      }
      // What it found itself breaks nothing; every first answer may be too much for these minutes.
      const free = { ...problem, musts: [] };
      const { chosen } = search(free);
      expect([chosen.length > 0, statedAnew(free, chosen)]).toEqual([true, []]);
    });

    test('the checker finds in a plan made by hand what is broken', () => {
      for (const chosen of made) {
        const items = chosen.map((i) => ({ ...candidates[i]!.item, id: `item-${i}`, reasons: [], byHand: true }));
        const plan = { request, proven: false, items, refusals: [] };
        const told = checkPlan(plan, context.gates).map(({ code }) => code);
        expect([chosen, shared(told)]).toEqual([chosen, shared(statedAnew(problem, chosen))]);
      }
    });
  },
);

test('every rule is broken by some of them', () => {
  expect([...met.keys()].sort()).toEqual([...ofChoices, ...plannersOwn].sort());
});
