/** @jest-environment jsdom */
import { act, cleanup, render, screen } from '@testing-library/react';
import { cadence, phaseAt, planBreaths } from '@/core/cadence';
import { type ClientFrame, clientChannel, silentAfterMs } from '@/core/coach';
import { browserFakes, sayOn, pass } from '@/parts/browser.fakes';
import { ClientScreen } from './ClientScreen';

const now = Date.UTC(2026, 10, 25, 10);
const tell = (frame: unknown) => act(() => sayOn(clientChannel, { frame, sentAtMs: Date.now() }));
const breathing = (rest: Partial<Extract<ClientFrame, { kind: 'breathing' }>> = {}): ClientFrame => ({
  kind: 'breathing',
  cadences: [cadence(4, 6), cadence(4, 6)],
  startEpochMs: Date.now(),
  stillAtSeconds: null,
  showCount: true,
  cue: 'Wide like a lantern',
  figure: null,
  ...rest,
});

beforeEach(() => {
  jest.useFakeTimers({ now });
  browserFakes();
});
afterEach(() => {
  cleanup();
  jest.useRealTimers();
});

test('blank paper until the coach’s window says something', () => {
  render(<ClientScreen />);
  expect(screen.getByRole('heading').textContent).toBe('Rest');
});

test('the word and the count follow the coach’s clock through two breaths, in phase to the second', async () => {
  render(<ClientScreen />);
  tell(breathing());
  const plan = planBreaths([{ cadence: cadence(4, 6), breaths: 2 }]);
  for (let second = 0; second < 19; second += 1) {
    await pass(second === 0 ? 0.5 : 1);
    tell(breathing({ startEpochMs: now }));
    const { phase, intoSeconds } = phaseAt(plan, second + 0.5);
    const heading = screen.getByRole('heading');
    expect(heading.textContent).toBe(phase === 'inhale' ? 'In' : 'Out');
    expect(heading.getAttribute('data-client-phase')).toBe(phase);
    expect(screen.getByText(String(Math.floor(intoSeconds) + 1))).toBeTruthy();
  }
});

test('a window whose own clock goes wrong is brought to the coach’s', async () => {
  render(<ClientScreen />);
  // The coach's clock is three seconds ahead of this window's: their breath is in its exhale already.
  const theirs = () => Date.now() + 3000;
  act(() => sayOn(clientChannel, { frame: breathing({ startEpochMs: now }), sentAtMs: theirs() }));
  await pass(1.5);
  expect(screen.getByRole('heading').textContent).toBe('Out');
});

test('the count can be left out; a wait shows no count', async () => {
  render(<ClientScreen />);
  tell(breathing({ showCount: false }));
  await pass(0.5);
  expect(screen.queryByText('1')).toBeNull();
  tell(breathing({ stillAtSeconds: 2.5 }));
  await pass(0.5);
  expect(screen.getByRole('heading').textContent).toBe('Wait');
  expect(screen.queryByText('3')).toBeNull();
});

test.each<[ClientFrame, string]>([
  [{ kind: 'stopped' }, 'Breathe normally'],
  [{ kind: 'hold' }, 'Breathe when you first want to'],
  [{ kind: 'rest', words: 'Now the left side' }, 'Now the left side'],
])('%j: large words only, no number, nothing that paces', async (frame, words) => {
  render(<ClientScreen />);
  tell(frame);
  await pass(0.5);
  expect(screen.getByRole('heading').textContent).toBe(words);
  expect(document.body.textContent).not.toMatch(/\d/);
  expect(document.querySelector('[data-tide]')).toBeNull();
});

test('when the coach’s window has gone silent it goes blank instead of pacing on', async () => {
  render(<ClientScreen />);
  tell(breathing());
  await pass(silentAfterMs / 1000 - 1.5);
  expect(screen.getByRole('heading').textContent).not.toBe('Rest');
  await pass(3);
  expect(screen.getByRole('heading').textContent).toBe('Rest');
});

test('what is no message of the coach’s is not shown', async () => {
  render(<ClientScreen />);
  act(() => sayOn(clientChannel, { frame: { kind: 'rest', words: 'x'.repeat(500) }, sentAtMs: 0 }));
  act(() => sayOn(clientChannel, 'Tamsin, neck muscles'));
  await pass(0.2);
  expect(screen.getByRole('heading').textContent).toBe('Rest');
});
