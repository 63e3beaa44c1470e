/** @jest-environment jsdom */
import { act, cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
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
  fireEvent.keyDown(document.activeElement!, { key: 'Escape' });
  // The focus goes back a turn after it is closed, and a busy machine takes several.
  await waitFor(() => expect([told(), document.activeElement]).toEqual([null, mark]));
});

test('a press elsewhere closes it and leaves the focus there', async () => {
  const mark = await page();
  await press(mark);
  const elsewhere = screen.getByRole('button', { name: 'Elsewhere' });
  await press(elsewhere);
  expect(told()).toBeNull();
  expect(document.activeElement).toBe(elsewhere);
});

describe('the second tap of a double one falls on nothing that lay under what the first one closed', () => {
  function Standing({ open, letsThrough = false }: { open: boolean; letsThrough?: boolean }) {
    useShield(open, letsThrough);
    return open ? <p role="dialog">A dialog</p> : null;
  }
  const pane = () => document.querySelector<HTMLElement>('body > div[aria-hidden][style*="fixed"]');
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => {
    jest.runAllTimers();
    jest.useRealTimers();
  });
  const pressed = (on: Element) =>
    on.dispatchEvent(new MouseEvent('pointerdown', { bubbles: true, clientX: 300, clientY: 200 }));

  test('where it was pressed, and for a moment', () => {
    const shown = render(<Standing open />);
    pressed(screen.getByRole('dialog'));
    expect(pane()).toBeNull();
    shown.rerender(<Standing open={false} />);
    const { left, top, width, height } = pane()!.style;
    expect([left, top, width, height].map((size) => Number.parseInt(size, 10))).toEqual([264, 164, 72, 72]);
    jest.advanceTimersByTime(700);
    expect(pane()).toBeNull();
  });

  test('closed by a key it shields nothing', () => {
    const shown = render(<Standing open />);
    shown.rerender(<Standing open={false} />);
    expect(pane()).toBeNull();
  });

  test('a press beside what opens beside a button is for whatever was pressed', () => {
    const shown = render(<Standing open letsThrough />);
    pressed(document.body);
    shown.rerender(<Standing open={false} letsThrough />);
    expect(pane()).toBeNull();
  });
});
