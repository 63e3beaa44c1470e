/** @jest-environment jsdom */
import { fireEvent, render, screen } from '@testing-library/react';
import { Fold } from './Fold';

test('what is folded up is drawn once it is opened, and keeps what was typed when it is folded up again', () => {
  render(
    <Fold title="More">
      <input aria-label="A word" />
    </Fold>,
  );
  const details = screen.getByText('More').closest('details')!;
  const turn = (open: boolean) => {
    details.open = open;
    fireEvent(details, new Event('toggle'));
  };
  expect(screen.queryByLabelText('A word')).toBeNull();
  turn(true);
  fireEvent.change(screen.getByLabelText('A word'), { target: { value: 'half a sen' } });
  turn(false);
  turn(true);
  expect(screen.getByLabelText('A word')).toHaveProperty('value', 'half a sen');
});
