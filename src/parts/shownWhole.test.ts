/** @jest-environment jsdom */
import { showWhole } from './shownWhole';

const page = document.documentElement;
const hidden = () => page.dataset.coming !== undefined;
let lettersCome = () => {};

beforeEach(() => {
  jest.useFakeTimers();
  Object.defineProperty(document, 'fonts', {
    configurable: true,
    value: { ready: new Promise<void>((resolve) => (lettersCome = resolve)) },
  });
  delete page.dataset.coming;
  delete (window as { $RT?: number }).$RT;
});
afterEach(() => jest.useRealTimers());

const allOfIt = () => document.dispatchEvent(new Event('DOMContentLoaded'));

test('a page is shown once all of it and its letters have come, its parts put in before', async () => {
  showWhole();
  // What the framework would put off its parts by.
  Object.assign(window, { $RT: 5 });
  expect('$RT' in window && window.$RT).toBeUndefined();
  await jest.advanceTimersByTimeAsync(2000);
  expect(hidden()).toBe(true);
  let putIn: boolean | null = null;
  requestAnimationFrame(() => (putIn = hidden()));
  allOfIt();
  await jest.advanceTimersByTimeAsync(50);
  expect(hidden()).toBe(true);
  lettersCome();
  await jest.advanceTimersByTimeAsync(0);
  expect([hidden(), putIn]).toEqual([false, true]);
});

test('letters that do not come, and a page that does not end, are waited for a moment only', async () => {
  showWhole();
  allOfIt();
  await jest.advanceTimersByTimeAsync(4000);
  expect(hidden()).toBe(false);
  showWhole();
  await jest.advanceTimersByTimeAsync(5000);
  expect(hidden()).toBe(true);
  await jest.advanceTimersByTimeAsync(6000);
  expect(hidden()).toBe(false);
});
