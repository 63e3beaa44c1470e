/** @jest-environment jsdom */
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { TapNote } from './TapNote';
import { useShield } from './shield';

beforeEach(() => {
  globalThis.ResizeObserver = class {
    observe() {}
    unobserve() {}
    disconnect() {}
  };
});
afterEach(cleanup);

/** A press as a hand gives it: what comes before the click counts as a press elsewhere too. */
const press = (on: Element) =>
  act(async () => {
    fireEvent.pointerDown(on);
    fireEvent.mouseDown(on);
    (on as HTMLElement).focus();
    fireEvent.click(on);
    await new Promise((done) => setTimeout(done, 0));
  });

async function page() {
  render(
    <>
      <TapNote mark="trade" spoken=": common practice" title="Source">
        A working rule of the trade.
      </TapNote>
      <button>Elsewhere</button>
    </>,
  );
  // What opens is fetched once the page stands.
  await act(async () => new Promise((done) => setTimeout(done, 20)));
  return screen.getByRole('button', { name: /trade/ });
}
const told = () => screen.queryByText('A working rule of the trade.');

test('a mark opens what it says at a press and closes it at the next', async () => {
  const mark = await page();
  expect(told()).toBeNull();
  await press(mark);
  expect(told()).not.toBeNull();
  expect(mark.getAttribute('aria-expanded')).toBe('true');
  await press(mark);
  expect(told()).toBeNull();
});

test('Escape closes it and the focus is back where it was', async () => {
  const mark = await page();
  await press(mark);
  await act(async () => {
    fireEvent.keyDown(document.activeElement!, { key: 'Escape' });
    await new Promise((done) => setTimeout(done, 0));
  });
  expect(told()).toBeNull();
  expect(document.activeElement).toBe(mark);
});

test('a press elsewhere closes it and leaves the focus there', async () => {
  const mark = await page();
  await press(mark);
  const elsewhere = screen.getByRole('button', { name: 'Elsewhere' });
  await press(elsewhere);
  expect(told()).toBeNull();
  expect(document.activeElement).toBe(elsewhere);
});

test('the second tap of a double one falls on nothing that lay under what the first one closed', async () => {
  jest.useFakeTimers();
  function Standing({ open }: { open: boolean }) {
    useShield(open);
    return open ? <p>A dialog</p> : null;
  }
  const pane = () => document.querySelector('body > div[aria-hidden][style*="fixed"]');
  try {
    const shown = render(<Standing open={false} />);
    expect(pane()).toBeNull();
    shown.rerender(<Standing open />);
    expect(pane()).toBeNull();
    shown.rerender(<Standing open={false} />);
    expect(pane()).not.toBeNull();
    jest.advanceTimersByTime(700);
    expect(pane()).toBeNull();
  } finally {
    jest.useRealTimers();
  }
});
