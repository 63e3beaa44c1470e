/** @jest-environment jsdom */
import { act, cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { type ReactNode } from 'react';
import { planItem } from '@/core/fixtures';
import { type Plan } from '@/core/sequence';
import { browserFakes, doing, sent } from '@/parts/browser.fakes';
import { clientView } from '../view.fixtures';
import { SequenceStation } from './SequenceStation';

/** What was drawn, by name, since it was last looked. */
const drawn: string[] = [];
type Drawn = (of: { id?: string; label?: string }) => ReactNode;
/** A module whose parts say that they are drawn. */
function mockTelling(path: string, ...parts: string[]) {
  const whole = jest.requireActual<Record<string, Drawn>>(path);
  const told = (part: string): Drawn => {
    return (of) => {
      drawn.push(of.id ?? of.label ?? part);
      return whole[part]!(of);
    };
  };
  return { ...whole, ...Object.fromEntries(parts.map((part) => [part, told(part)])) };
}
jest.mock('@dnd-kit/sortable', () => mockTelling('@dnd-kit/sortable', 'useSortable'));
jest.mock('@/parts/Chips', () => mockTelling('@/parts/Chips', 'ChoiceChips', 'TickChips'));
jest.mock('@/parts/Stepper', () => mockTelling('@/parts/Stepper', 'Stepper'));

const plan: Plan = {
  request: { intent: 'openSidesAndBack', side: null, minutes: 20, propsAtHand: [], leadSchool: 'openAllRegions' },
  proven: false,
  items: ['quiet-nose', 'two-hand-belly', 'side-bend-open'].map((drillId, at) =>
    planItem({ id: `bar-${at + 1}`, drillId, position: 'sitting', breaths: 5 + at }),
  ),
  refusals: [],
};
const reading = {
  id: 'r',
  at: '2026-11-24T08:30:00.000Z',
  intent: 'openSidesAndBack' as const,
  side: null,
  patterns: ['sidesAndBackClosed' as const],
  ownLine: '',
  snapshot: null,
};

beforeEach(() => {
  browserFakes();
  localStorage.clear();
  sent.length = 0;
});
afterEach(cleanup);

test('what is done to one bar draws that bar, and neither another nor the panel of another nor what the plan was asked with', async () => {
  const view = clientView({ visit: { reading, plan: { id: 'plan', at: reading.at, revision: 1, plan } } });
  render(<SequenceStation view={view} />);
  const bars = await screen.findByRole('list', { name: 'Drills in order' }, { timeout: 10_000 });
  await screen.findByRole('region', { name: 'Quiet nose breath' });
  // At a scale that stands: where the whole plan is fitted in, a longer bar makes the others narrower.
  await act(async () => fireEvent.click(screen.getByRole('radio', { name: 'Each breath' })));
  const [, second] = within(bars).getAllByRole('button');
  for (const [key, breaths, locked] of [
    ['+', 7, false],
    ['l', 7, true],
    ['-', 6, true],
  ] as const) {
    drawn.length = 0;
    await doing(() => fireEvent.keyDown(second!, { key }));
    expect(sent.at(-1)).toMatchObject({
      kind: 'plan.save',
      payload: { plan: { items: [{}, { id: 'bar-2', breaths, ...(locked ? { locked } : {}) }, {}] } },
    });
    expect([key, ...new Set(drawn)]).toEqual([key, 'bar-2']);
  }
});
