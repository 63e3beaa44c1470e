/** @jest-environment jsdom */
import { createEvent, fireEvent, render } from '@testing-library/react';
import { useShield } from './shield';

function Over({ open }: { open: boolean }) {
  useShield(open);
  return open ? <div role="dialog">Over the page</div> : null;
}

let now = 10_000;
beforeEach(() => jest.spyOn(performance, 'now').mockImplementation(() => now));
afterEach(() => jest.restoreAllMocks());

/** A press that was made and heard at these times closes what stands over the page: whether something lies where it fell, for the second tap. */
function closedBy(madeMs: number, heardMs: number, closedMs: number): boolean {
  const { container, rerender, unmount } = render(<Over open />);
  const press = createEvent.pointerDown(container.querySelector('[role="dialog"]')!);
  Object.defineProperty(press, 'timeStamp', { value: madeMs });
  now = heardMs;
  fireEvent(container.querySelector('[role="dialog"]')!, press);
  now = closedMs;
  rerender(<Over open={false} />);
  const [pane, ...more] = document.querySelectorAll('body > [aria-hidden="true"]');
  pane?.remove();
  unmount();
  expect(more).toEqual([]);
  return pane !== undefined;
}

test('the second tap falls on nothing that lay under, also where a busy page got to the first one late', () => {
  expect(closedBy(20_000, 20_000, 20_010)).toBe(true);
  expect(closedBy(30_000, 30_900, 30_950)).toBe(true);
});

test('what closes by itself long after a press leaves the page as it is', () => {
  expect(closedBy(40_000, 40_000, 43_000)).toBe(false);
});
