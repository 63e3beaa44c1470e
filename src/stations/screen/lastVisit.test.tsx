/** @jest-environment jsdom */
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { findDrill } from '@/core/catalogue';
import { type HomePlan, codeOf } from '@/core/home';
import { itemFrom } from '@/core/sequence';
import { browserFakes, doing, sent } from '@/parts/browser.fakes';
import { placed } from '@/parts/placed.fixtures';
import { ForNextTime } from '../ForNextTime';
import { firstTime } from '../diary/diary.fixtures';
import { type ComingView } from '../diary/view';
import { answers, clientView, signs } from '../view.fixtures';
import { LastVisit } from './LastVisit';

beforeEach(() => browserFakes());
afterEach(cleanup);

const coming = (): ComingView => ({
  ...firstTime,
  diary: {
    ...firstTime.diary,
    asOf: placed.count,
    notes: [{ id: 'n', clientId: 'client', text: 'the stool', at: '2026-11-20T10:00:00.000Z', done: false }],
  },
  last: {
    visitId: 'v',
    day: '2026-11-16',
    signed: true,
    aim: 'Open the left side',
    ownLine: 'slow',
    home: [
      { drillId: 'one', name: 'Towel hug' },
      { drillId: 'two', name: 'Straw' },
    ],
    props: ['towel', 'wall'],
    position: 'lying',
    marker: 'Deep-breath ease 5 before, 7 after.',
    note: 'Came for ribs.',
  },
  told: { one: 'some days' },
  next: '2026-11-27T09:00:00.000Z',
  off: [{ day: '2026-11-19', how: 'did not come', reason: 'ill' }],
});
const commands = () => sent.map(({ kind, payload }) => [kind, payload]);

test('the visit before stands there whole: aim, place, marker, props, what went home, when they come next', async () => {
  render(<LastVisit view={clientView()} coming={coming()} />);
  const text = screen.getByRole('region', { name: 'Last time, 16 November' }).textContent;
  for (const words of ['Open the left side.', '“slow”', '7 after.', 'lying, towel, wall', 'the stool']) {
    expect(text).toContain(words);
  }
  expect(text).toContain('Booked next for Friday 27 November, 09:00. 19 November: did not come, ill.');
  fireEvent(screen.getByText('The note, as signed').closest('details')!, new Event('toggle'));
  expect(text).not.toContain('Came for ribs.');
});

test('what was done at home is asked by drill and shown at once', async () => {
  render(<LastVisit view={clientView()} coming={coming()} />);
  const of = (name: string) => within(screen.getByRole('radiogroup', { name: `Done at home: ${name}` }));
  expect(of('Towel hug').getByRole('radio', { name: 'some days' }).getAttribute('aria-checked')).toBe('true');
  await doing(() => fireEvent.click(of('Straw').getByRole('radio', { name: 'most days' })));
  expect(commands()).toEqual([
    ['home.told', { answerId: expect.any(String), visitId: 'v', drillId: 'two', answer: 'most days' }],
  ]);
  expect(of('Straw').getByRole('radio', { name: 'most days' }).getAttribute('aria-checked')).toBe('true');
});

describe('what went home', () => {
  const prone = itemFrom(findDrill('prone-low-breath')!, { id: 'one' });
  const home: HomePlan = {
    from: '2026-11-16',
    days: 14,
    wakes: '07:00',
    sleeps: '22:30',
    sits: null,
    items: [{ id: 'one', item: prone, cue: '', feels: '', notMeant: '' }],
    moreReason: '',
    goes: [],
    calledOff: [],
  };
  const told = { done: [['all' as const]], felt: [], signs: ['dizzy' as const] };

  test('a caution told since takes it back, in words: what the server found until the drills are at hand, then what is known here', async () => {
    const withdrawn = [{ id: 'one', name: 'As the server has it', why: 'Not in pregnancy.' }];
    const view = clientView({ facts: [...answers({ pregnancy: { weekOnDay: 24 } }), ...signs] });
    render(<LastVisit view={view} coming={{ ...coming(), home, withdrawn }} />);
    expect(screen.getByText('As the server has it went home and is off now.')).toBeTruthy();
    expect(await screen.findByText(`${findDrill('prone-low-breath')!.name} went home and is off now.`)).toBeTruthy();
    expect(screen.queryByText(/As the server has it/)).toBeNull();
  });

  test('a code with one wrong letter says so and stays typed; the right one is sent and told at once', async () => {
    render(<LastVisit view={clientView()} coming={{ ...coming(), home }} />);
    const box = () => screen.getByLabelText(/ode from their phone$/) as HTMLInputElement;
    await screen.findByLabelText(/ode from their phone$/);
    const read = () => doing(() => fireEvent.click(screen.getByRole('button', { name: 'Read the code' })));
    const code = codeOf(told, 'v');
    const wrong = code.replace(/^./, code.startsWith('A') ? 'C' : 'A');
    await doing(() => fireEvent.change(box(), { target: { value: wrong } }));
    await read();
    expect(screen.getByRole('alert').textContent).toMatch(/One letter is not right/);
    expect(box().value).toBe(wrong);
    expect(commands()).toEqual([]);
    await doing(() => fireEvent.change(box(), { target: { value: code } }));
    await read();
    expect(commands()).toEqual([['home.returned', { returnId: expect.any(String), visitId: 'v', code }]]);
    expect(screen.getByText(/Everything on 1 of 14 days.*Ticked: dizzy/)).toBeTruthy();
    expect(box().value).toBe('');
  });
});

test('somebody who was never here has no last time', () => {
  const { container } = render(<LastVisit view={clientView()} coming={firstTime} />);
  expect(container.textContent).toBe('');
});

test('what is to be remembered is written once, and stays typed until then', async () => {
  const shown = render(<ForNextTime clientId="client" />);
  const box = () => screen.getByLabelText('To remember when they come next') as HTMLInputElement;
  await doing(() => fireEvent.change(box(), { target: { value: ' the rowing seat ' } }));
  shown.unmount();
  render(<ForNextTime clientId="client" />);
  expect(box().value).toBe(' the rowing seat ');
  await doing(() => fireEvent.click(screen.getByRole('button', { name: 'Remember it' })));
  expect(commands()).toEqual([
    ['nextTime.add', { noteId: expect.any(String), clientId: 'client', text: 'the rowing seat' }],
  ]);
  expect(box().value).toBe('');
  expect(screen.getByRole('status').textContent).toContain('“the rowing seat” will stand on their next day');
});
