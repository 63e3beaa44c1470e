/** @jest-environment jsdom */
import { act, render, screen } from '@testing-library/react';
import { allDrills, makePlan, whatWouldChange } from '@/core/sequence';
import { planContext } from '../usePlan';
import { answers, clientView, signs } from '../view.fixtures';
import { LeftOut } from './Asking';
import { WhatWouldChange } from './WhatWouldChange';

const view = clientView({ facts: [...Object.values(answers()), ...signs] });
const context = planContext(view);
const request = {
  intent: 'lowerBreath' as const,
  side: null,
  minutes: 12,
  propsAtHand: [],
  leadSchool: 'openAllRegions' as const,
};
let made = 0;
const plan = makePlan(request, context, () => `item-${(made += 1)}`);

test('what is read of the drills left out stays open while a changed plan is asked about anew', async () => {
  let tell = (_: object) => {};
  const planner = () =>
    ({
      plan: () => new Promise((resolve) => (tell = resolve)),
      prices: () => Promise.resolve([{ part: 0.04, pushesOut: [] }]),
    }) as never;
  const drills = allDrills(context);
  const shown = (now: typeof plan) => (
    <LeftOut plan={now} view={view} drills={drills} context={context} planner={planner} />
  );
  const { rerender } = render(shown(plan));
  const rows = () => screen.getAllByRole('listitem');
  const [before, first] = [rows().length, rows()[0]];
  expect(before).toBe(drills.length - plan.items.length);
  // As it comes back from the server: another object, without what was left out.
  rerender(shown({ ...plan, request: { ...request }, refusals: [] }));
  expect(rows()).toHaveLength(before);
  expect(rows()[0]).toBe(first);
  const said = { ...plan.refusals[0]!.reason, what: 'Said anew.' };
  await act(async () => tell({ refusals: plan.refusals.map((one) => ({ ...one, reason: said })) }));
  expect(rows()).toHaveLength(before);
  expect(screen.getAllByText(/^Said anew\./)).toHaveLength(before);

  // A price is of the plan it was asked for.
  rerender(shown(plan));
  await act(async () => screen.getAllByText('What would it cost?')[0]!.click());
  expect(screen.getAllByText(/^Costs 4 %/)).toHaveLength(1);
  rerender(shown({ ...plan, request: { ...request, minutes: 30 } }));
  expect(screen.queryAllByText(/^Costs/)).toEqual([]);
});

test('what would change is asked once for what a plan was asked with, anew for more; it stands beside the planner’s own plan, and says so once that was changed by hand', async () => {
  const answer = whatWouldChange(request, context);
  const whatIf = jest.fn(() => Promise.resolve(answer));
  const onTake = jest.fn();
  const shown = (now: typeof plan) => (
    <WhatWouldChange plan={now} context={context} planner={() => ({ whatIf }) as never} onTake={onTake} />
  );
  const { rerender } = render(shown(plan));
  expect(await screen.findByText('Today’s plan')).toBeTruthy();
  // Of plans worth the same it is the one shown that is taken, which hangs on what it was shown beside.
  const [first] = answer.variants;
  await act(async () => screen.getByRole('button', { name: `Take this: ${first!.change}` }).click());
  expect(onTake).toHaveBeenCalledWith(first!.request, request);
  await act(async () => rerender(shown({ ...plan, items: plan.items.slice(1), request: { ...request } })));
  expect(screen.getByText('As the planner has it')).toBeTruthy();
  expect(screen.queryByText('Today’s plan')).toBeNull();
  expect(whatIf).toHaveBeenCalledTimes(1);
  await act(async () => rerender(shown({ ...plan, request: { ...request, musts: [plan.items[0]!.drillId] } })));
  expect(whatIf).toHaveBeenCalledTimes(2);
});
