/** @jest-environment jsdom */
import { createEvent, fireEvent, render, screen } from '@testing-library/react';
import { useGuard } from './useGuard';

const pressed: string[] = [];
function Place({ meaning }: { meaning: string }) {
  const guard = useGuard({ 0: meaning });
  return (
    <button type="button" onClick={guard(0, () => pressed.push(meaning))}>
      {meaning}
    </button>
  );
}

let now = 10_000;
beforeEach(() => {
  pressed.length = 0;
  now = 10_000;
  jest.spyOn(Date, 'now').mockImplementation(() => 1_800_000_000_000 + now);
  jest.spyOn(performance, 'now').mockImplementation(() => now);
});
afterEach(() => jest.restoreAllMocks());

/** A press that was made at a time and is got to at another, ms. */
function press(madeAt: number, handledAt = madeAt) {
  now = handledAt;
  const button = screen.getByRole('button');
  const event = createEvent.click(button);
  Object.defineProperty(event, 'timeStamp', { value: madeAt });
  fireEvent(button, event);
}

test('the second tap of a double one does nothing, however late a busy page gets to it; one that was meant does', () => {
  render(<Place meaning="next" />);
  press(11_000);
  press(11_200);
  press(11_250, 13_000);
  expect(pressed).toEqual(['next']);
  press(13_700);
  expect(pressed).toEqual(['next', 'next']);
});

test('a press made before its place came to mean something else is passed over', () => {
  const { rerender } = render(<Place meaning="the second drill" />);
  now = 12_000;
  rerender(<Place meaning="the third drill" />);
  press(11_900, 12_900);
  press(12_500);
  expect(pressed).toEqual([]);
  press(12_700);
  expect(pressed).toEqual(['the third drill']);
});
