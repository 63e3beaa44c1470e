/** @jest-environment jsdom */
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { type CommandKind } from '@/core/record';
import { send } from '@/keep';
import { around } from '../around.fakes';
import { answerWith, browserFakes, doing, pass, serverGone } from '../browser.fakes';
import { Keeping } from './Keeping';

let mockAway = false;
jest.mock('next/offline', () => ({ useOffline: () => mockAway }));

/** Something is recorded that nobody on the page waits for. */
const record = (kind: CommandKind, payload: object = {}) => doing(() => send(kind, payload as never));
const refusal = { state: 'refused', code: 'gone', why: 'This client is gone.' } as const;

beforeEach(() => {
  jest.useFakeTimers();
  browserFakes({ served: [] });
  around.path = '/clients/x/coach';
  mockAway = false;
});
afterEach(async () => {
  // What the page still has to say would stand on the next one too.
  for (const button of screen.queryAllByRole('button', { name: 'I have noted it' })) {
    await doing(() => fireEvent.click(button));
  }
  cleanup();
  jest.useRealTimers();
});

test('the page follows what was saved; tap after tap is followed once, when the hand rests', async () => {
  render(<Keeping />);
  await record('home.told');
  await pass(0.2);
  expect(around.refreshed).toBe(1);
  for (let tap = 0; tap < 5; tap += 1) {
    await record('look.save');
    await pass(0.4);
  }
  expect(around.refreshed).toBe(1);
  await pass(0.5);
  expect(around.refreshed).toBe(2);
});

test('pressing on does not put off what the page can’t show by itself, and only a client’s page shows anything by itself', async () => {
  const first = render(<Keeping />);
  await record('home.told');
  await pass(0.1);
  await record('look.save');
  await pass(0.1);
  expect(around.refreshed).toBe(1);
  first.unmount();
  around.path = '/';
  render(<Keeping />);
  await record('visit.end');
  await pass(0.2);
  expect(around.refreshed).toBe(2);
});

test('an event of a run is followed everywhere but on the live screen: one sent late must not leave the run open', async () => {
  around.path = '/run/abc';
  const shown = render(<Keeping />);
  await record('run.append');
  await pass(1);
  expect(around.refreshed).toBe(0);
  shown.unmount();
  around.path = '/clients/x/coach';
  render(<Keeping />);
  await record('run.append');
  await pass(1);
  expect(around.refreshed).toBe(1);
});

test('without a server the page stays as it is until there is one again', async () => {
  render(<Keeping />);
  await record('fact.add');
  serverGone(true);
  await pass(3);
  expect(around.refreshed).toBe(0);
  serverGone(false);
  await pass(1.2);
  expect(around.refreshed).toBe(1);
});

test('who asks for a page while the server is away is told that it comes, and not where a network only changes', async () => {
  const shown = render(<Keeping />);
  const away = async (is: boolean) => {
    mockAway = is;
    shown.rerender(<Keeping />);
    await pass(0.6);
  };
  await away(true);
  await away(false);
  await pass(2);
  expect(around.said).toEqual([]);
  await away(true);
  await pass(1);
  expect(around.said).toEqual([expect.stringMatching(/can’t be reached just now.*is kept.*comes once it answers/)]);
});

test('two that wrote the same are told; a refusal shows its sentence and what was typed, until it was read', async () => {
  const shown = render(<Keeping />);
  answerWith({ state: 'conflict', at: '', why: 'Changed elsewhere too; both are kept.', theirs: null });
  await record('fact.add');
  expect(around.said).toEqual(['Changed elsewhere too; both are kept.']);
  answerWith(refusal);
  await record('fact.add', { value: 'Stiff ribs' });
  expect(screen.getByText('This client is gone.')).toBeTruthy();
  // On the next page too, whatever it is.
  shown.unmount();
  around.path = '/settings';
  await doing(() => render(<Keeping />));
  expect(screen.getByText(/Stiff ribs/)).toBeTruthy();
  await doing(() => fireEvent.click(screen.getByRole('button', { name: 'I have noted it' })));
  expect(screen.queryByText(/Stiff ribs/)).toBeNull();
});

test('a browser that refuses to keep things says so for as long as something waits', async () => {
  render(<Keeping />);
  serverGone(true);
  await record('fact.add');
  expect(screen.getByText('This browser refuses to keep what you record')).toBeTruthy();
  serverGone(false);
  await pass(5);
});
