/** @jest-environment jsdom */
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { gatesOfPerson } from '@/core/fixtures';
import { type Lift } from '@/core/load';
import { browserFakes, doing, sent } from '@/parts/browser.fakes';
import { pullInWords } from '@/parts/figures/load/pullInWords';
import { LoadStation } from './LoadStation';

// The figure is fetched and has tests of its own; what is said does not wait for it.
jest.mock('@/parts/figures/load/LateLoadFigure', () => ({ LateLoadFigure: () => null }));

beforeEach(() => {
  browserFakes();
  localStorage.clear();
});
afterEach(cleanup);

const show = () => render(<LoadStation keepAs="ada" gates={null} cautions={null} />);
const type = (label: string, value: string) =>
  doing(() => fireEvent.change(screen.getByRole('textbox', { name: label }), { target: { value } }));
const choose = (name: string) => doing(() => fireEvent.click(screen.getByRole('radio', { name })));
const movement = (id: string) =>
  doing(() => fireEvent.change(screen.getByRole('combobox', { name: 'Movement' }), { target: { value: id } }));

test('what can’t be answered is one sentence, what was typed stays, and the movement is still told', async () => {
  show();
  await type('Weight', 'twelve');
  expect(screen.getByRole('alert').textContent).toMatch(/A load is a number/);
  expect((screen.getByRole('textbox', { name: 'Weight' }) as HTMLInputElement).value).toBe('twelve');
  expect(screen.getByRole('heading', { level: 1 }).textContent).toMatch(/^Side bend/);
  cleanup();
  show();
  expect((screen.getByRole('textbox', { name: 'Weight' }) as HTMLInputElement).value).toBe('twelve');
});

test('a comma is a point, pounds are pounds, and the heaviest at hand that still breathes is named', async () => {
  show();
  await type('Weight', '12,0');
  await type('Times possible', '15');
  await type('Weights at hand, kg', '4, 8; 10 12');
  // 12 kg fifteen times: the least said of one lift is 18.0 kg, and 60 % of it 10.8.
  expect(screen.getByText(/Up to 10\.8 kg the breath goes with the movement\..*At hand: 10 kg\./)).toBeTruthy();
  await choose('lb');
  expect((screen.getByRole('textbox', { name: 'Weight' }) as HTMLInputElement).value).toBe('26.5');
  expect(screen.getByText(/39\.\d to 43\.\d lb/)).toBeTruthy();
});

test('sets of both sides are counted, and a carry has none', async () => {
  show();
  expect(screen.getByRole('region', { name: 'Sets' }).textContent).toMatch(
    /40 repetitions.*200 s|40 repetitions.*3 min 20 s/,
  );
  await doing(() => fireEvent.click(screen.getByRole('button', { name: 'Sets: more' })));
  expect(screen.getByRole('region', { name: 'Sets' }).textContent).toContain('80 repetitions');
  await movement('carry-one');
  expect(screen.queryByRole('region', { name: 'Sets' })).toBeNull();
  expect(screen.getByRole('heading', { level: 1 }).textContent).toMatch(/small, easy breaths/);
});

test('a line of pull is told in words, round the whole clock', () => {
  expect([0, 45, 90, 180, 270, -90, 359].map(pullInWords)).toEqual([
    'straight up, 0 degrees',
    'up and right, 45 degrees',
    'to the right, 90 degrees',
    'straight down, 180 degrees',
    'to the left, 270 degrees',
    'to the left, 270 degrees',
    'straight up, 359 degrees',
  ]);
});

describe('the log', () => {
  const logged = () =>
    sent.filter(({ kind }) => kind === 'lift.log').map(({ payload }) => (payload as { lift: Lift }).lift);
  const log = { visitId: '00000000-0000-4000-8000-000000000001', lifts: [] };
  const press = (name: string) => doing(() => fireEvent.click(screen.getByRole('button', { name })));

  test('two taps of a fast finger are one set; what is said of it is not carried on to the next', async () => {
    render(<LoadStation keepAs="ada" gates={null} cautions={null} log={log} />);
    await choose('Lost');
    await doing(() => {
      const button = screen.getByRole('button', { name: 'Log this set of 20' });
      fireEvent.click(button);
      fireEvent.click(button);
    });
    expect(logged()).toMatchObject([{ movementId: 'side-bend', repetitions: 20, breath: 'lost' }]);
    expect(screen.getByRole('radio', { name: 'Went along' }).getAttribute('aria-checked')).toBe('true');
  });

  test('a carry is one, whatever was counted before', async () => {
    render(<LoadStation keepAs="ada" gates={null} cautions={null} log={log} />);
    await movement('carry-both');
    await press('Log this one');
    expect(logged()).toMatchObject([{ movementId: 'carry-both', repetitions: 1 }]);
  });
});

test('what is no number stays as it was typed in another unit, and weights at hand go along', async () => {
  show();
  await type('Weights at hand, kg', '10, big');
  await type('Weight', 'twelve');
  await choose('lb');
  expect((screen.getByRole('textbox', { name: 'Weight' }) as HTMLInputElement).value).toBe('twelve');
  expect((screen.getByRole('textbox', { name: 'Weights at hand, lb' }) as HTMLInputElement).value).toBe('22, big');
});

test('what is off says so and shows nothing to follow; how light it must be is told in the unit that was chosen', async () => {
  const shown = render(<LoadStation keepAs="ada" gates={gatesOfPerson({ shoulder: {} })} cautions="shoulder" />);
  await movement('press-overhead');
  expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('Press overhead: not today');
  expect(screen.queryByText(/One repetition/)).toBeNull();
  shown.unmount();
  render(<LoadStation keepAs="ben" gates={gatesOfPerson({ heart: {} })} cautions="heart" />);
  await movement('hinge');
  await choose('lb');
  await type('Weight', '132');
  await type('Times possible', '5');
  // 60 % of 132 lb · 36/32.
  expect(screen.getByText(/Go down to 89\.1 lb or less/)).toBeTruthy();
});
