/** @jest-environment jsdom */
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { answerWith, browserFakes, doing, sent } from '@/parts/browser.fakes';
import { type ExpectedRow, TodayBoard } from './TodayBoard';

let mockPushed: string | null = null;
let mockUndo: (() => void) | null = null;
jest.mock('@/parts/say', () => ({ say: (_: string, undo?: () => void) => (mockUndo = undo ?? null) }));
jest.mock('next/navigation', () => ({
  useRouter: () => ({ push: (to: string) => (mockPushed = to), refresh: () => undefined }),
}));

const commands = () => sent.map(({ kind, payload }) => [kind, payload as Record<string, unknown>] as const);

beforeEach(() => {
  browserFakes();
  mockPushed = null;
});
afterEach(cleanup);

const row = (rest: Partial<ExpectedRow> = {}): ExpectedRow => ({
  id: 'booking',
  clientId: 'tamsin',
  name: 'Tamsin Fenwreath',
  startsAt: '2026-11-25T09:30:00.000Z',
  time: '09:30',
  minutes: 45,
  note: 'rows on the same side',
  visit: 'none',
  cautions: [],
  closed: false,
  needs: ['Ask today’s signs.'],
  ...rest,
});
const board = (rest: Partial<Parameters<typeof TodayBoard>[0]> = {}) =>
  render(
    <TodayBoard
      today="2026-11-25"
      rows={[row()]}
      walkIns={[]}
      openRuns={[]}
      leftOpen={[]}
      recent={[]}
      clientCount={1}
      noticeSeen
      isDemo={false}
      {...rest}
    />,
  );
const click = (name: string | RegExp) => doing(() => fireEvent.click(screen.getByRole('button', { name })));

test('a visit begins from its row, and goes to the client; one under way is only gone back to', async () => {
  const shown = board();
  await click('Begin');
  expect(commands()).toEqual([['visit.start', { visitId: expect.any(String), clientId: 'tamsin' }]]);
  expect(mockPushed).toBe('/clients/tamsin');
  shown.unmount();
  sent.length = 0;
  board({ rows: [row({ visit: 'open' })] });
  await click('Resume');
  expect(commands()).toEqual([]);
});

test('a cancelled booking comes back as it was', async () => {
  board();
  await click('Cancel the booking of Tamsin Fenwreath');
  expect(commands()).toEqual([['appointment.cancel', { appointmentId: 'booking' }]]);
  await doing(() => mockUndo!());
  expect(commands().at(-1)).toEqual([
    'appointment.add',
    {
      appointmentId: expect.any(String),
      clientId: 'tamsin',
      startsAt: '2026-11-25T09:30:00.000Z',
      minutes: 45,
      note: 'rows on the same side',
    },
  ]);
});

test('what a client may not do stands before what they need, in words', () => {
  board({
    rows: [row({ cautions: ['pregnant, week 29', 'reflux'], closed: true, needs: ['Red flag: refer.', 'Next'] })],
  });
  const item = within(screen.getAllByRole('listitem')[0]!);
  expect(item.getByText('pregnant, week 29 · reflux')).toBeTruthy();
  expect(item.getByText('Red flag: refer.').className).toContain('font-semibold');
  expect(item.getByText('Next').className).not.toContain('font-semibold');
});

test('a run left open is closed with what was done in it, as one event behind the others', async () => {
  board({ openRuns: [{ clientId: 'tamsin', name: 'Tamsin', day: '2026-11-24', runId: 'run', nextSeq: 7 }] });
  expect(screen.getByText(/go back to it$/).textContent).toBe('Tamsin, 24 November: go back to it');
  await click('Close it with what was done');
  expect(commands()[0]).toMatchObject([
    'run.append',
    { runId: 'run', events: [{ seq: 7, event: { type: 'end', why: 'closed later' } }] },
  ]);
});

test('booking asks for a time; a refusal is told and the time stays', async () => {
  board({ recent: [{ id: 'ness', name: 'Ness Harrow' }] });
  await click(/^Book for today/);
  await click('Book');
  expect(screen.getByText('Give a time, like 14:30.')).toBeTruthy();
  expect(commands()).toEqual([]);
  answerWith({ state: 'refused', code: 'does not fit', why: 'Ness Harrow is booked at that time already.' });
  const time = screen.getByLabelText('At') as HTMLInputElement;
  fireEvent.change(time, { target: { value: '14:30' } });
  await click('Book');
  expect(screen.getByText('Ness Harrow is booked at that time already.')).toBeTruthy();
  expect(time.value).toBe('14:30');
  const [, booked] = commands().at(-1)!;
  const at = new Date(booked['startsAt'] as string);
  expect([at.getHours(), at.getMinutes()]).toEqual([14, 30]);
});

test('an empty studio says what to do next', () => {
  board({ rows: [], clientCount: 0, noticeSeen: false });
  expect(screen.getByText('The studio is empty.')).toBeTruthy();
  expect(screen.getByRole('link', { name: 'Add your first client' })).toBeTruthy();
  expect(screen.getByText('Kokyu is a coaching aid.')).toBeTruthy();
});
