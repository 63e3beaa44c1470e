import { rounds } from '../../../scripts/rounds';
import { choices, contextFor, requestFor } from '../fixtures';
import { patternIds } from '../read';
import { type ChoiceRuleId, checkPlan, layOut } from './index';
import { compile } from './compile';
import { type PlanRuleId } from './planRules';
import { tally } from './problem';
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

// The rules of a choice are stated for speed (the search), plainly (the judge) and in words (the checker): they must be the same ones.
describe.each(patternIds.filter((id) => id !== 'even'))(
  'rules of choices for “%s”, on the catalogue as it is',
  (pattern) => {
    const request = requestFor(pattern, { minutes: 40 });
    const context = contextFor(pattern);
    const { problem, candidates } = layOut(request, context);
    const c = compile(problem);
    const chance = choices(pattern.length + 7);
    const some = () => {
      const count = 1 + chance.below(8);
      return [...new Set(Array.from({ length: count }, () => chance.below(candidates.length)))].sort((a, b) => a - b);
    };
    const made = Array.from({ length: rounds(120) }, some);

    test('the search takes what the judge passes, and nothing else', () => {
      for (const chosen of made) {
        const state = nothingChosen(c);
        const whole = chosen.every((i) => fits(c, state, i) && (take(c, state, i), true)) && complete(c, state);
        expect([chosen, whole]).toEqual([chosen, tally(problem, chosen).broken.length === 0]);
      }
    });

    test('the checker finds in a plan made by hand what the judge finds in the choice', () => {
      for (const chosen of made) {
        const items = chosen.map((i) => ({ ...candidates[i]!.item, id: `item-${i}`, reasons: [], byHand: true }));
        const plan = { request, proven: false, items, refusals: [] };
        const told = checkPlan(plan, context.gates).map(({ code }) => code);
        expect([chosen, shared(told)]).toEqual([chosen, shared(tally(problem, chosen).broken)]);
      }
    });
  },
);
