import { contextFor, requestFor } from '../fixtures';
import { allDrills, leftOut, makePlan } from '.';

test('every drill is in the plan or left out with a reason; what the coach took out says so, what was put in is not among them', () => {
  const request = requestFor('shallowBraced', { minutes: 20 });
  const context = contextFor('shallowBraced');
  let next = 0;
  const plan = makePlan(request, context, () => `item-${(next += 1)}`);
  const drills = allDrills(context);
  const asMade = leftOut(plan, drills, plan.refusals);
  expect(asMade.length + plan.items.length).toBe(drills.length);
  expect(asMade.filter(({ reason }) => reason.provenance.kind === 'set by you')).toEqual([]);

  const [first, ...rest] = plan.items;
  const added = { ...first!, id: 'added', drillId: asMade[0]!.drill.id };
  const edited = leftOut({ items: [...rest, added] }, drills, plan.refusals);
  expect(edited).toHaveLength(asMade.length);
  expect(edited.map(({ drill }) => drill.id)).not.toContain(added.drillId);
  const byHand = edited.filter(({ reason }) => reason.provenance.kind === 'set by you');
  expect(byHand.map(({ drill }) => drill.id)).toEqual([first!.drillId]);
});
