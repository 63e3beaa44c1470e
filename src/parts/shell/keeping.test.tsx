/** @jest-environment jsdom */
import { act, cleanup, render, screen } from '@testing-library/react';
import { type Outcome } from '@/core/record';
import { browserFakes, pass } from '../browser.fakes';
import { Keeping } from './Keeping';

let mockTell: (event: { kind: string; payload: unknown; outcome: Outcome }) => void = () => undefined;
let mockPath = '/';
let mockRefreshed = 0;
let mockRefused: { id: string; kind: string; payload: unknown; why: string }[] = [];
const mockSaid: string[] = [];
jest.mock('@/keep', () => ({
  onOutcome: (listener: typeof mockTell) => {
    mockTell = listener;
    return () => (mockTell = () => undefined);
  },
  useFlushing: () => undefined,
  refusedEntries: () => Promise.resolve(mockRefused),
  dropRefused: () => Promise.resolve(),
}));
jest.mock('../say', () => ({ say: (words: string) => mockSaid.push(words) }));
jest.mock('next/navigation', () => {
  const router = { refresh: () => (mockRefreshed += 1) };
  return { useRouter: () => router, usePathname: () => mockPath };
});

const saved: Outcome = { state: 'saved', at: '' };
const tell = (kind: string, outcome: Outcome = saved) => act(async () => mockTell({ kind, payload: {}, outcome }));

beforeEach(() => {
  jest.useFakeTimers();
  browserFakes({ served: [] });
  mockPath = '/clients/x/coach';
  mockRefreshed = 0;
  mockRefused = [];
  mockSaid.length = 0;
});
afterEach(() => {
  cleanup();
  jest.useRealTimers();
});

test('the page follows what was saved; tap after tap is followed once, when the hand rests', async () => {
  render(<Keeping />);
  await tell('fact.add');
  await pass(0.2);
  expect(mockRefreshed).toBe(1);
  for (let tap = 0; tap < 5; tap += 1) {
    await tell('look.save');
    await pass(0.4);
  }
  expect(mockRefreshed).toBe(1);
  await pass(0.5);
  expect(mockRefreshed).toBe(2);
});

test('an event of a run is followed everywhere but on the live screen: one sent late must not leave the run open', async () => {
  mockPath = '/run/abc';
  const shown = render(<Keeping />);
  await tell('run.append');
  await pass(1);
  expect(mockRefreshed).toBe(0);
  shown.unmount();
  mockPath = '/clients/x/coach';
  render(<Keeping />);
  await tell('run.append');
  await pass(1);
  expect(mockRefreshed).toBe(1);
});

test('without a server the page stays as it is until there is one again', async () => {
  browserFakes();
  render(<Keeping />);
  await tell('fact.add');
  await pass(3);
  expect(mockRefreshed).toBe(0);
  browserFakes({ served: [] });
  await pass(1.2);
  expect(mockRefreshed).toBe(1);
});

test('two that wrote the same are told; a refusal shows its sentence and what was typed', async () => {
  render(<Keeping />);
  await tell('fact.add', { state: 'conflict', at: '', why: 'Changed elsewhere too; both are kept.', theirs: null });
  expect(mockSaid).toEqual(['Changed elsewhere too; both are kept.']);
  mockRefused = [{ id: '1', kind: 'fact.add', payload: { value: 'Stiff ribs' }, why: 'This client is gone.' }];
  await tell('fact.add', { state: 'refused', why: 'This client is gone.' });
  expect(screen.getByText('This client is gone.')).toBeTruthy();
  expect(screen.getByText(/Stiff ribs/)).toBeTruthy();
});

test('the client’s window shows nothing of it', async () => {
  mockPath = '/client-window';
  mockRefused = [{ id: '1', kind: 'fact.add', payload: {}, why: 'This client is gone.' }];
  render(<Keeping />);
  await tell('fact.add');
  await pass(1);
  expect(mockRefreshed).toBe(0);
  expect(document.body.textContent).toBe('');
});
