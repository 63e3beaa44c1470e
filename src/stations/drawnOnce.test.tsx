/** @jest-environment jsdom */
import { act, cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { Profiler, type ReactNode } from 'react';
import { hydrateRoot } from 'react-dom/client';
import { renderToString } from 'react-dom/server';
import { browserFakes, doing, sent, serverSlow } from '@/parts/browser.fakes';
import { send } from '@/keep';
import { saidNow } from '@/keep/outbox';
import { Conditions } from './screen/Conditions';
import { SettingsForm } from './settings/SettingsForm';
import { drawnAsShown } from './useShown';
import { type ClientView, type Part } from './view';
import { clientView, today } from './view.fixtures';

/** How many rows of chips were drawn. */
let chips = 0;
const mockCounted = () => {
  chips += 1;
};
jest.mock('@/parts/Chips', () => {
  const whole = jest.requireActual<{ ChoiceChips: (props: object) => ReactNode }>('@/parts/Chips');
  return {
    ...whole,
    ChoiceChips: (props: object) => {
      mockCounted();
      return whole.ChoiceChips(props);
    },
  };
});

let drawn = 0;
const Station = drawnAsShown(function Station({ view }: { view: ClientView<Part> }) {
  drawn += 1;
  return <p>{String(view.known.latest.goal?.value ?? 'no goal')}</p>;
});
const asServed = clientView();
const goal = (value: string, factId = 'goal') =>
  send('fact.add', { factId, clientId: 'client', key: 'goal', value, basedOn: null });
/** The page made anew, with what was said in it at the server's own time. */
const servedAnew = (value: string, at: string, asOf: number): ClientView<Part> => {
  const { facts } = asServed.history!;
  return { ...clientView({ facts: [...facts, { id: 'goal', key: 'goal', value, at, day: today }] }), asOf };
};

beforeEach(() => {
  browserFakes();
  localStorage.clear();
  sent.length = 0;
  drawn = 0;
  chips = 0;
});
afterEach(() => {
  cleanup();
  serverSlow(0);
  jest.useRealTimers();
});

test('a page nothing was said on is drawn once as it begins to listen', async () => {
  const box = document.createElement('div');
  const page = <Station view={asServed} />;
  box.innerHTML = renderToString(page);
  document.body.replaceChildren(box);
  drawn = 0;
  const commits: string[] = [];
  const root = await act(async () =>
    hydrateRoot(
      box,
      <Profiler id="page" onRender={(_, phase) => commits.push(phase)}>
        {page}
      </Profiler>,
    ),
  );
  expect(box.textContent).toBe('no goal');
  expect([drawn, commits]).toEqual([1, ['mount']]);
  act(() => root.unmount());
});

test('what is said is drawn as it is said, and not again as the server has it and the page is made anew', async () => {
  jest.useFakeTimers({ now: Date.parse(`${today}T09:00:10.000Z`) });
  const { rerender } = render(<Station view={asServed} />);
  expect(drawn).toBe(1);
  serverSlow(400);
  await doing(() => goal('A full breath'));
  expect(screen.getByText('A full breath')).toBeTruthy();
  expect([drawn, saidNow().at(-1)?.place]).toEqual([2, null]);
  await doing(() => jest.advanceTimersByTime(400));
  expect(saidNow().at(-1)?.place).toBe(asServed.asOf + 1);
  rerender(<Station view={servedAnew('A full breath', `${today}T09:00:10.400Z`, asServed.asOf + 1)} />);
  expect(screen.getByText('A full breath')).toBeTruthy();
  expect(drawn).toBe(2);
  // Written elsewhere meanwhile it is another page.
  rerender(<Station view={servedAnew('Two lengths under water', `${today}T09:00:31.000Z`, asServed.asOf + 2)} />);
  expect(screen.getByText('Two lengths under water')).toBeTruthy();
  expect(drawn).toBe(3);
});

test('one condition answered draws that one anew, and none of the others', async () => {
  const Screen = drawnAsShown(({ view }: { view: ClientView<Part> }) => <Conditions view={view} />);
  render(<Screen view={clientView()} />);
  const all = chips;
  expect(all).toBeGreaterThan(15);
  const [first] = screen.getAllByRole('radiogroup');
  await doing(() => fireEvent.click(within(first!).getByRole('radio', { name: 'Yes' })));
  expect(within(first!).getByRole('radio', { name: 'Yes' }).getAttribute('aria-checked')).toBe('true');
  // Itself, and what a yes asks further.
  expect(chips - all).toBeLessThan(4);
});

test('settings are drawn anew for what is set, not for each step of its way', async () => {
  const { settings } = clientView();
  const form = <SettingsForm settings={settings} asOf={0} today={today} usual={settings} ownable={[]} />;
  render(form);
  const all = chips;
  await doing(() => fireEvent.click(screen.getByRole('radio', { name: 'inches' })));
  expect(sent.at(-1)).toMatchObject({ kind: 'settings.change' });
  expect(screen.getByRole('radio', { name: 'inches' }).getAttribute('aria-checked')).toBe('true');
  expect(chips).toBe(2 * all);
});
