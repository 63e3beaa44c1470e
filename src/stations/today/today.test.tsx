/** @jest-environment jsdom */
import { act, cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { type Outcome } from '@/core/record';
import { type ExpectedRow, TodayBoard } from './TodayBoard';

const mockSent: [string, Record<string, unknown>][] = [];
let mockAnswer: Outcome = { state: 'saved', at: '' };
let mockPushed: string | null = null;
let mockUndo: (() => void) | null = null;
jest.mock('@/keep', () => ({
  keep: (kind: string, payload: Record<string, unknown>) => {
    mockSent.push([kind, payload]);
    return Promise.resolve(mockAnswer);
  },
  newId: () => 'new-id',
}));
jest.mock('@/parts/say', () => ({ say: (_: string, undo?: () => void) => (mockUndo = undo ?? null) }));
jest.mock('next/navigation', () => ({
  useRouter: () => ({ push: (to: string) => (mockPushed = to), refresh: () => undefined }),
}));

beforeEach(() => {
  mockSent.length = 0;
  mockAnswer = { state: 'saved', at: '' };
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
const click = (name: string | RegExp) => act(async () => void fireEvent.click(screen.getByRole('button', { name })));

test('a visit begins from its row, and goes to the client; one under way is only gone back to', async () => {
  const shown = board();
  await click('Begin');
  expect(mockSent).toEqual([['visit.start', { visitId: 'new-id', clientId: 'tamsin' }]]);
  expect(mockPushed).toBe('/clients/tamsin');
  shown.unmount();
  mockSent.length = 0;
  board({ rows: [row({ visit: 'open' })] });
  await click('Resume');
  expect(mockSent).toEqual([]);
});

test('a cancelled booking comes back as it was', async () => {
  board();
  await click('Cancel the booking of Tamsin Fenwreath');
  expect(mockSent).toEqual([['appointment.cancel', { appointmentId: 'booking' }]]);
  mockUndo!();
  expect(mockSent.at(-1)).toEqual([
    'appointment.add',
    {
      appointmentId: 'new-id',
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
  expect(screen.getByText(/go back to it$/).textContent).toBe('Tamsin, 2026-11-24: go back to it');
  await click('Close it with what was done');
  expect(mockSent[0]).toMatchObject([
    'run.append',
    { runId: 'run', events: [{ seq: 7, event: { type: 'end', why: 'closed later' } }] },
  ]);
});

test('booking asks for a time; a refusal is told and the time stays', async () => {
  board({ recent: [{ id: 'ness', name: 'Ness Harrow' }] });
  await click(/^Book for today/);
  await click('Book');
  expect(screen.getByText('Give a time, like 14:30.')).toBeTruthy();
  expect(mockSent).toEqual([]);
  mockAnswer = { state: 'refused', why: 'Ness Harrow is booked at that time already.' };
  const time = screen.getByLabelText('At') as HTMLInputElement;
  fireEvent.change(time, { target: { value: '14:30' } });
  await click('Book');
  expect(screen.getByText('Ness Harrow is booked at that time already.')).toBeTruthy();
  expect(time.value).toBe('14:30');
  const [, sent] = mockSent.at(-1)!;
  const at = new Date(sent['startsAt'] as string);
  expect([at.getHours(), at.getMinutes()]).toEqual([14, 30]);
});

test('an empty studio says what to do next', () => {
  board({ rows: [], clientCount: 0, noticeSeen: false });
  expect(screen.getByText('The studio is empty.')).toBeTruthy();
  expect(screen.getByRole('link', { name: 'Add your first client' })).toBeTruthy();
  expect(screen.getByText('Kokyu is a coaching aid.')).toBeTruthy();
});
