/** @jest-environment jsdom */
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { type ClientMessage, clientChannel } from '@/core/coach';
import { type HoldTry, type Raw } from '@/core/look';
import { type OwnEntry } from '@/core/record';
import { browserFakes, doing, heard, pass, sent } from '@/parts/browser.fakes';
import { fact, today, viewOf } from './live/coach.fixtures';
import { OwnBreathPage } from './ownBreath/OwnBreath';
import { Shown } from './shown.fixtures';
import { type ClientView, type Part } from './view';
import { CalmHold } from './look/CalmHold';
import { FormLook } from './look/FormLook';

const payloads = (kind: string): unknown[] => sent.filter((one) => one.kind === kind).map(({ payload }) => payload);
const space = () => doing(() => fireEvent.keyDown(document.body, { key: ' ' }));
const button = (name: RegExp | string) => screen.getByRole('button', { name });
const choose = (name: string) => doing(() => fireEvent.click(screen.getByRole('radio', { name })));
const raw = () => (payloads('look.save').at(-1) as { raw: Raw<'calmHold'> }).raw;
const calm20: HoldTry = { seconds: 20, feeling: 'calm', firstBreath: 'nose and quiet' };

beforeEach(() => {
  jest.useFakeTimers({ now: Date.UTC(2026, 10, 25, 10) });
  browserFakes();
  localStorage.clear();
});
afterEach(() => {
  cleanup();
  jest.useRealTimers();
});

const before = (position: 'sitting' | 'hook-lying', tries = [calm20]) => ({ position, tries }) as Raw<'calmHold'>;
const open = (rest: Partial<ClientView<Part>> = {}) =>
  render(<Shown view={{ ...viewOf(), ...rest }}>{(view) => <CalmHold view={view} />}</Shown>);

describe('the calm exhale hold', () => {
  test('no figure is on the page while it lasts, neither now nor from last time, and the client sees none', async () => {
    open({ holdsBefore: [before('hook-lying')] });
    await space();
    await pass(14.6);
    expect(screen.getByText('Breathe when you first want to')).toBeTruthy();
    expect(document.body.textContent).not.toMatch(/\d/);
    expect(heard<ClientMessage>(clientChannel).at(-1)!.frame).toEqual({ kind: 'hold' });
    await space();
    expect(screen.getByText('14.6 s')).toBeTruthy();
  });

  test('a measured hold outlives a reload; told of, it counts, and a minute’s rest begins', async () => {
    const shown = open();
    await space();
    await pass(12);
    await space();
    shown.unmount();
    open();
    expect(screen.getByText('12.0 s')).toBeTruthy();
    await choose('calm');
    await choose('nose and quiet');
    await doing(() => fireEvent.click(button('Record this try')));
    expect(raw().tries).toMatchObject([{ seconds: 12, feeling: 'calm', firstBreath: 'nose and quiet' }]);
    await pass(1);
    expect((button(/^Rest, \d+ s/) as HTMLButtonElement).disabled).toBe(true);
    await space();
    expect(screen.queryByText('Breathe when you first want to')).toBeNull();
    await pass(60);
    expect((button(/Start the hold/) as HTMLButtonElement).disabled).toBe(false);
  });

  test('three tries are enough for a day', async () => {
    open();
    for (const seconds of [12, 15, 13]) {
      await pass(61);
      await space();
      await pass(seconds);
      await space();
      await choose('calm');
      await choose('nose and quiet');
      await doing(() => fireEvent.click(button('Record this try')));
    }
    expect(raw().tries).toHaveLength(3);
    await pass(120);
    expect(button(/Three tries: enough for today/)).toBeTruthy();
    expect(screen.getByText(/^13 s, the median of 3 calm tries/)).toBeTruthy();
  });

  test('standing and walking come after two calm sessions, or when the coach says so', async () => {
    const shown = open();
    expect(screen.queryByRole('radio', { name: 'walking' })).toBeNull();
    await doing(() => fireEvent.click(button(/^They have held calmly before/)));
    expect(screen.getByRole('radio', { name: 'walking' })).toBeTruthy();
    shown.unmount();
    open({ holdsBefore: [before('sitting'), before('hook-lying')] });
    expect(screen.getByRole('radio', { name: 'standing' })).toBeTruthy();
    expect(screen.queryByRole('button', { name: /^They have held calmly before/ })).toBeNull();
  });

  test('walking: each press is a step, and the wish has a button of its own', async () => {
    open({ holdsBefore: [before('sitting'), before('sitting')] });
    await choose('walking');
    await space();
    for (let step = 0; step < 7; step += 1) {
      await pass(0.8);
      await space();
    }
    await doing(() => fireEvent.click(button('The first wish to breathe')));
    expect(screen.getByText('5.6 s, 7 steps')).toBeTruthy();
  });

  test('a strained one is left out of the median and asks for a step back', async () => {
    open({ holdsBefore: [before('hook-lying')] });
    await pass(1);
    await space();
    await pass(26);
    await space();
    await choose('strained');
    await choose('mouth');
    await doing(() => fireEvent.click(button('Record this try')));
    expect(screen.getByText(/No try was calm, so none counts/)).toBeTruthy();
    expect(screen.getByText(/^Some strain: step back, practise holds of at most 18 s/)).toBeTruthy();
  });
});

describe('the ten-count', () => {
  const ten = () =>
    render(
      <Shown view={viewOf([fact('touch', 'yes')])}>{(view) => <FormLook view={view} protocol="tenCount" />}</Shown>,
    );

  test('is counted by the screen to ten and no further', async () => {
    ten();
    await space();
    await pass(3.1);
    expect(document.querySelector('[data-tick]')?.textContent).toBe('4');
    await pass(6.8);
    expect(document.querySelector('[data-tick]')?.textContent).toBe('10');
    await pass(0.3);
    expect(screen.getByText('Ten. Breathe out')).toBeTruthy();
    expect(sent).toHaveLength(0);
    expect(screen.getByText(/says nothing about the lungs/)).toBeTruthy();
  });

  test('a press before ten is kept as stopped, and nothing counts on', async () => {
    ten();
    await doing(() => fireEvent.click(button(/Start the ten/)));
    await pass(4);
    await space();
    expect((sent.at(-1)!.payload as { raw: unknown }).raw).toMatchObject({ result: 'stopped before ten' });
    await pass(20);
    expect(screen.queryByText('Ten. Breathe out')).toBeNull();
  });
});

describe('the coach’s own breath', () => {
  const page = (entries: readonly OwnEntry[] = []) => render(<OwnBreathPage entries={entries} today={today} />);
  const kept = () => payloads('own.add').map((payload) => (payload as { entry: unknown }).entry);

  test('a minute through the nose is kept when it is over, and sooner when it is enough', async () => {
    page();
    await doing(() => fireEvent.click(button('Begin')));
    await pass(61);
    expect(kept()).toEqual([{ kind: 'nose', seconds: 60 }]);
    await doing(() => fireEvent.click(button('Begin')));
    await pass(20);
    await doing(() => fireEvent.click(button('That is enough')));
    expect(kept()).toHaveLength(2);
    expect((kept()[1] as { seconds: number }).seconds).toBeCloseTo(20, 0);
  });

  test('a hold has no figure while it lasts and outlives a reload', async () => {
    const shown = page();
    await doing(() => fireEvent.click(button('Start the hold')));
    await pass(17);
    expect(screen.getByRole('region', { name: 'Calm exhale hold' }).textContent).not.toMatch(/\d/);
    await doing(() => fireEvent.click(button('Breathe when you first want to')));
    shown.unmount();
    page();
    await choose('calm');
    await choose('nose and big');
    await doing(() => fireEvent.click(screen.getAllByRole('button', { name: 'Keep it' })[0]!));
    expect(kept()).toEqual([{ kind: 'hold', seconds: 17, feeling: 'calm', firstBreath: 'nose and big' }]);
  });
});
