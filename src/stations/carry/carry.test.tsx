/** @jest-environment jsdom */
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { type HomePlan } from '@/core/home';
import { answerOnce, browserFakes, doing, sent } from '@/parts/browser.fakes';
import { Shown } from '../shown.fixtures';
import { answers, idOf, item, run, signs, viewOf } from '../live/coach.fixtures';
import { CarryStation } from './CarryStation';

beforeEach(() => {
  browserFakes();
  localStorage.clear();
});
afterEach(cleanup);

const quiet = item({ id: 'one', drillId: 'quiet-nose', position: 'sitting' });
const plan = (rest: Partial<HomePlan> = {}): HomePlan => ({
  from: '2026-11-23',
  days: 14,
  wakes: '07:00',
  sleeps: '22:30',
  sits: null,
  items: [{ id: 'one', item: quiet, cue: '', feels: '', notMeant: '' }],
  moreReason: '',
  goes: [{ id: idOf(1), itemId: 'one', at: '08:00', with: '' }],
  calledOff: [],
  ...rest,
});
const show = (home: HomePlan | null, yes: Record<string, object> = {}) => {
  const stored = home && { visitId: 'visit', at: '2026-11-23T11:00:00.000Z', revision: 1, plan: home, handedAt: null };
  const facts = [...answers(yes), ...signs];
  return render(
    <Shown view={viewOf(facts, { runs: [run()], home: stored })}>
      {(view) => <CarryStation view={view} before={[]} link={{ standing: null, elsewhere: 'studio.local' }} />}
    </Shown>,
  );
};
const saves = () => sent.filter(({ kind }) => kind === 'home.save').map(({ payload }) => payload as { plan: HomePlan });
const press = (name: string | RegExp) => doing(() => fireEvent.click(screen.getByRole('button', { name })));

test('words typed and at once a time moved: neither takes the other along', async () => {
  show(plan());
  await press(/08:00/);
  const words = screen.getByLabelText(/^Hangs on/);
  // All in one turn of the page, as a fast finger does it: the second press is handed what the page showed before the first.
  await doing(() => {
    fireEvent.change(words, { target: { value: 'first kettle' } });
    fireEvent.blur(words);
    fireEvent.click(screen.getByRole('button', { name: '15 minutes later' }));
  });
  expect(saves().at(-1)!.plan.goes).toMatchObject([{ at: '08:15', with: 'first kettle' }]);
});

test('a breath more and a cue, pressed in one turn, are both kept', async () => {
  show(plan());
  const cue = screen.getByLabelText('Think');
  await doing(() => {
    fireEvent.click(screen.getByRole('button', { name: 'Breaths: more' }));
    fireEvent.change(cue, { target: { value: 'Soft' } });
    fireEvent.blur(cue);
  });
  const [kept] = saves().at(-1)!.plan.items;
  expect(kept).toMatchObject({ cue: 'Soft', item: { breaths: quiet.breaths + 1 } });
});

test('each time of the day has room for a finger, on a narrow page too, and no time is written over another', async () => {
  const later = Array.from({ length: 6 }, (_, at) => ({ id: idOf(at + 2), itemId: 'one', at: '08:05', with: '' }));
  const goes = [{ id: idOf(1), itemId: 'one', at: '08:00', with: '' }, ...later];
  // The test's page measures nothing: what is as wide as a phone's line is told so.
  for (const wide of [318, 632, 888]) {
    const before = globalThis.ResizeObserver;
    globalThis.ResizeObserver = class {
      constructor(readonly tell: (of: { contentRect: { width: number } }[]) => void) {}
      observe = () => this.tell([{ contentRect: { width: wide } }]);
      unobserve() {}
      disconnect() {}
    } as unknown as typeof ResizeObserver;
    const shown = show(plan({ goes }));
    globalThis.ResizeObserver = before;
    const places = screen.getAllByRole('button', { name: /^1\s+08:0/ });
    const lefts = places.map((place) => (Number.parseFloat(place.style.left) * wide) / 100);
    const nearest = Math.min(...lefts.slice(1).map((left, at) => left - lefts[at]!));
    expect([wide, nearest >= 44]).toEqual([wide, true]);
    const written = places.flatMap((place, at) =>
      place.querySelector('.tabular-nums')!.className.includes('opacity-0') ? [] : [lefts[at]!],
    );
    // Six are at one time: it is written once, beside the one before.
    expect([wide, written.length]).toEqual([wide, 2]);
    shown.unmount();
  }
});

test('what the server refuses is lifted off and told, and the next change does not bring it along', async () => {
  show(plan());
  answerOnce({ state: 'refused', code: 'gated', why: 'Off today.' });
  await press('Add a time');
  expect(screen.getByText('Off today.')).toBeTruthy();
  await press(/08:00/);
  await press('15 minutes later');
  expect(saves().at(-1)!.plan.goes).toMatchObject([{ at: '08:15' }]);
});

test('a caution told since stands over it, and nothing is handed over until it is out', async () => {
  const prone = item({ id: 'one', drillId: 'prone-low-breath', position: 'prone' });
  show(plan({ items: [{ id: 'one', item: prone, cue: '', feels: '', notMeant: '' }] }), {
    pregnancy: { weekOnDay: 24 },
  });
  expect(screen.getByText(/is taken back\.$/)).toBeTruthy();
  expect((screen.getByRole('button', { name: 'Hand it over' }) as HTMLButtonElement).disabled).toBe(true);
});

test('a breath for home is made longer within what the drill allows, and its pause is no longer than a caution leaves it', async () => {
  show(plan());
  await press('Out: more');
  const { cadences } = saves().at(-1)!.plan.items[0]!.item;
  expect(cadences).toEqual([{ ...quiet.cadences[0], exhaleSeconds: quiet.cadences[0]!.exhaleSeconds + 0.5 }]);
  expect(screen.queryByRole('group', { name: 'Pause after' })).toBeNull();
});

test('what reminds them is theirs to choose: its own goes along, the other doesn’t, and a tick by hand stands', async () => {
  const pressed = (name: string) => screen.getByRole('button', { name }).getAttribute('aria-pressed');
  show(plan());
  expect([pressed('Calendar'), pressed('Stickers')]).toEqual(['false', 'false']);
  await doing(() => fireEvent.click(screen.getByRole('radio', { name: 'Things passed anyway' })));
  expect(saves().at(-1)!.plan.remind).toBe('things');
  expect([pressed('Calendar'), pressed('Stickers')]).toEqual(['false', 'true']);
  await press('Stickers');
  await press('Calendar');
  expect([pressed('Calendar'), pressed('Stickers')]).toEqual(['true', 'false']);
  await doing(() => fireEvent.click(screen.getByRole('radio', { name: 'Alarms on the phone' })));
  expect([pressed('Calendar'), pressed('Stickers')]).toEqual(['true', 'false']);
});
