import { drillUnderLoad, findDrill } from '../catalogue';
import { contextFor, gatesOfPerson, requestFor } from '../fixtures';
import { checkPlan, makePlan, putIn, weightOf } from '.';

const request = requestFor('shallowBraced', { minutes: 25 });
const context = contextFor('shallowBraced');
const squat = drillUnderLoad('own-squat', {
  movementId: 'squat',
  own: null,
  toward: null,
  kg: 12,
  strategy: 'with',
  through: false,
});

test('a loaded set goes into a plan after what settles and before what carries over, and the rest stays', () => {
  let next = 0;
  const plan = makePlan(request, context, () => `item-${(next += 1)}`);
  const { items } = plan;
  const made = putIn(squat, request, context, items, 'new', { kg: 16 });
  if ('refused' in made) throw new Error(made.refused);
  expect(made.items.filter(({ id }) => id !== 'new')).toEqual(items);
  const at = made.items.findIndex(({ id }) => id === 'new');
  const family = (index: number) => findDrill(made.items[index]!.drillId)?.family;
  expect(at).toBeGreaterThan(0);
  for (let later = at + 1; later < made.items.length; later += 1) expect(family(later)).toBe('carry');
  // The drill stands in the plan whole, with the weight that was chosen.
  expect(made.item.own).toEqual(squat);
  expect(weightOf(made.item)).toBe(16);
  expect(checkPlan({ ...plan, items: made.items }, context.gates).filter(({ level }) => level === 'off')).toEqual([]);
});

test('in the form a caution asks for; and what is off today is refused in one sentence', () => {
  const leaking = { ...context, gates: gatesOfPerson({ leaking: {} }) };
  const made = putIn(squat, request, leaking, [], 'new');
  if ('refused' in made) throw new Error(made.refused);
  expect(made.item.forms).toEqual(['exhaleFirst']);
  const heavy = drillUnderLoad('own-heavy', { ...squat.load!, strategy: 'between' });
  expect(putIn(heavy, request, leaking, [], 'new')).toEqual({
    refused: expect.stringMatching(/^Off today, .*leaking/),
  });
});
