/** @jest-environment jsdom */
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { type Fact, conditionIds, redFlags } from '@/core/safety';
import { around } from '@/parts/around.fakes';
import { answerWith, browserFakes, doing, sent } from '@/parts/browser.fakes';
import { Shown } from '../shown.fixtures';
import { clientView, fact } from '../view.fixtures';
import { Conditions } from './Conditions';
import { Signs } from './Signs';
import { ToldSymptoms } from './ToldSymptoms';
import { ComplaintDetail } from './ComplaintDetail';

beforeEach(() => {
  browserFakes();
  localStorage.clear();
});
afterEach(cleanup);

const facts = () =>
  sent as { kind: string; payload: { factId: string; key: string; value: unknown; basedOn: string | null } }[];
const viewOf = (facts: Fact[] = []) => clientView({ facts, visit: null });
const click = (name: string | RegExp) => doing(() => fireEvent.click(screen.getByRole('button', { name })));
const values = () => facts().map(({ payload }) => [payload.key, payload.value]);

describe('today’s signs', () => {
  const neither = [fact('answer:pregnancy', { value: 'no' }), fact('answer:recentBirth', { value: 'no' })];

  test('who could have signs of their own is asked before “none” can be said', async () => {
    const first = render(<Shown view={viewOf()}>{(view) => <Signs view={view} />}</Shown>);
    expect((screen.getByRole('button', { name: 'None of these today' }) as HTMLButtonElement).disabled).toBe(true);
    await click('Neither');
    expect(values()).toEqual([
      ['answer:pregnancy', { value: 'no' }],
      ['answer:recentBirth', { value: 'no' }],
    ]);
    first.unmount();
    render(<Shown view={viewOf([neither[1]!])}>{(view) => <Signs view={view} />}</Shown>);
    await click('Pregnant');
    expect(values().at(-1)).toEqual(['answer:pregnancy', { value: 'yes' }]);
  });

  test('told after the signs, pregnancy opens them again', () => {
    const asked = [fact('emergency', { present: [] }), fact('redFlags', { present: [] })];
    const before = render(<Shown view={viewOf([...neither, ...asked])}>{(view) => <Signs view={view} />}</Shown>);
    expect(screen.getByText('Asked today: none.')).toBeTruthy();
    before.unmount();
    render(
      <Shown view={viewOf([...neither, ...asked, fact('answer:pregnancy', { value: 'yes', weekOnDay: 30 })])}>
        {(view) => <Signs view={view} />}
      </Shown>,
    );
    expect(screen.queryByText('Asked today: none.')).toBeNull();
    expect(screen.getByText('reduced movements of the baby')).toBeTruthy();
  });

  test('none of these answers both lists at once', async () => {
    render(<Shown view={viewOf(neither)}>{(view) => <Signs view={view} />}</Shown>);
    await click('None of these today');
    expect(values()).toEqual([
      ['emergency', { present: [] }],
      ['redFlags', { present: [] }],
    ]);
  });

  test('an emergency sign shows what to do before anything is logged, with the number to call', async () => {
    render(<Shown view={viewOf()}>{(view) => <Signs view={view} />}</Shown>);
    await click(/crushing|chest pain/i);
    const dialog = screen.getByRole('alertdialog');
    expect(within(dialog).getByText('Stop. Call 999.')).toBeTruthy();
    expect(within(dialog).getAllByRole('listitem').length).toBeGreaterThan(2);
    expect(facts()).toEqual([]);
    await click('Not happening, tapped by mistake');
    expect(facts()).toEqual([]);
    await click(/crushing|chest pain/i);
    await click('It is happening: log it and stop');
    expect(facts()).toHaveLength(1);
    expect((facts()[0]!.payload.value as { present: string[] }).present).toHaveLength(1);
  });

  test('signs of pregnancy are asked only of somebody who is', () => {
    const labels = () => screen.getAllByRole('button').map(({ textContent }) => textContent ?? '');
    const shown = render(<Shown view={viewOf(neither)}>{(view) => <Signs view={view} />}</Shown>);
    const plain = labels();
    shown.unmount();
    render(
      <Shown view={viewOf([fact('answer:pregnancy', { value: 'yes', weekOnDay: 20 })])}>
        {(view) => <Signs view={view} />}
      </Shown>,
    );
    expect(labels().length).toBeGreaterThan(plain.length);
  });

  test('a red flag can be taken back; cleared only with a clinician and a reason, both kept', async () => {
    const shown = render(
      <Shown view={viewOf([fact('emergency', { present: [] })])}>{(view) => <Signs view={view} />}</Shown>,
    );
    const [flag] = within(screen.getByLabelText('Red flags')).getAllByRole('button');
    await doing(() => fireEvent.click(flag!));
    const { factId, value } = facts()[0]!.payload;
    expect((value as { present: string[] }).present).toHaveLength(1);
    await doing(() => around.undo!());
    expect(facts().at(-1)).toMatchObject({ kind: 'fact.retract', payload: { factId } });
    shown.unmount();

    const flagged = viewOf([fact('emergency', { present: [] }), fact('redFlags', value)]);
    const before = render(<Shown view={flagged}>{(view) => <Signs view={view} />}</Shown>);
    expect(screen.queryByRole('button', { name: 'None of these today' })).toBeNull();
    answerWith({ state: 'refused', code: 'does not fit', why: 'Name the clinician who cleared it.' });
    fireEvent.change(screen.getByLabelText('Why going on is all right'), { target: { value: 'Seen yesterday' } });
    await click('Record the clearance and go on');
    expect(screen.getByText('Name the clinician who cleared it.')).toBeTruthy();
    expect((screen.getByLabelText('Why going on is all right') as HTMLTextAreaElement).value).toBe('Seen yesterday');
    before.unmount();
    render(<Shown view={flagged}>{(view) => <Signs view={view} />}</Shown>);
    expect((screen.getByLabelText('Why going on is all right') as HTMLTextAreaElement).value).toBe('Seen yesterday');
    answerWith({ state: 'saved', at: '' });
    fireEvent.change(screen.getByLabelText('Clinician who cleared it'), { target: { value: 'Dr Wharf' } });
    await click('Record the clearance and go on');
    expect(values().at(-1)).toEqual(['redFlagClearance', { clinician: 'Dr Wharf', reason: 'Seen yesterday' }]);
    expect(screen.queryByText('Name the clinician who cleared it.')).toBeNull();
    expect(localStorage).toHaveLength(0);
  });

  test('a second tap lifts no red flag and writes nothing; a slip of today is taken back, an older one or one of several is not', async () => {
    const first = () => within(screen.getByLabelText('Red flags')).getAllByRole('button')[0]!;
    const present = [redFlags[0]!.id];
    const today = fact('redFlags', { present });
    const more = fact('redFlags', { present: [...present, redFlags[1]!.id] });
    for (const [raised, undone] of [
      [[fact('redFlags', { present }, '2026-01-02')], false],
      [[today, more], false],
      [[today], true],
    ] as const) {
      around.undo = null;
      const shown = render(<Shown view={viewOf([...raised])}>{(view) => <Signs view={view} />}</Shown>);
      await doing(() => fireEvent.click(first()));
      expect(first().getAttribute('aria-pressed')).toBe('true');
      expect(sent).toEqual([]);
      expect(around.undo !== null).toBe(undone);
      shown.unmount();
    }
    await doing(() => around.undo!());
    expect(facts()).toMatchObject([{ kind: 'fact.retract', payload: { factId: today.id } }]);
  });
});

describe('conditions', () => {
  test('what is left of a group is answered “no” in one tap, and all of it taken back in one', async () => {
    render(
      <Shown view={viewOf([fact('answer:pregnancy', { value: 'yes', weekOnDay: 20 })])}>
        {(view) => <Conditions view={view} />}
      </Shown>,
    );
    const rest = screen.getAllByRole('button', { name: /^(All of these|The other \d+): no$/ });
    await doing(() => fireEvent.click(rest[0]!));
    const made = facts().map(({ payload }) => payload.factId);
    expect(made.length).toBeGreaterThan(1);
    expect(facts().every(({ payload }) => (payload.value as { value: string }).value === 'no')).toBe(true);
    await doing(() => around.undo!());
    const back = facts()
      .filter(({ kind }) => kind === 'fact.retract')
      .map(({ payload }) => payload.factId);
    expect(back).toEqual(made);
  });

  test('each answer knows which one it was based on, so that an edit made elsewhere is noticed', async () => {
    const before = fact('answer:pregnancy', { value: 'no' });
    render(<Shown view={viewOf([before])}>{(view) => <Conditions view={view} />}</Shown>);
    const group = screen.getByRole('radiogroup', { name: 'Pregnant now?' });
    await doing(() => fireEvent.click(within(group).getByRole('radio', { name: 'Yes' })));
    await doing(() => fireEvent.click(within(group).getByRole('radio', { name: 'Unknown' })));
    const saved = facts().map(({ payload }) => payload);
    expect(saved.map(({ basedOn }) => basedOn)).toEqual([before.id, saved[0]!.factId]);
  });

  test('a week that is no week gets one sentence and stays typed', async () => {
    jest.useFakeTimers();
    render(
      <Shown view={viewOf([fact('answer:pregnancy', { value: 'yes' })])}>{(view) => <Conditions view={view} />}</Shown>,
    );
    answerWith({ state: 'refused', code: 'does not fit', why: 'A week of pregnancy lies between 1 and 42.' });
    const field = screen.getByLabelText('Week of pregnancy today') as HTMLInputElement;
    fireEvent.change(field, { target: { value: '55' } });
    await doing(() => fireEvent.blur(field));
    expect(screen.getByText('A week of pregnancy lies between 1 and 42.')).toBeTruthy();
    expect(field.value).toBe('55');
    jest.useRealTimers();
  });

  test('a detail tapped while others are on their way is added to them, whatever comes back meanwhile', async () => {
    const told = (detail: object) => viewOf([fact('answer:recentBirth', { value: 'yes', ...detail })]);
    const shown = render(<Shown view={told({})}>{(view) => <Conditions view={view} />}</Shown>);
    const day = screen.getByLabelText('Day of the birth') as HTMLInputElement;
    // The server takes its time: nothing comes back before it is let.
    let answer = () => undefined as void;
    const slow = new Promise<void>((resolve) => (answer = resolve));
    const real = globalThis.fetch;
    globalThis.fetch = (async (...asked: Parameters<typeof fetch>) => {
      await slow;
      return real(...asked);
    }) as typeof fetch;
    fireEvent.change(day, { target: { value: '2026-10-20' } });
    await doing(() => fireEvent.blur(day));
    const kind = () => within(screen.getByRole('radiogroup', { name: 'Kind of birth' }));
    await doing(() => fireEvent.click(kind().getByRole('radio', { name: 'Caesarean' })));
    // The first answer comes back, not knowing of the second.
    shown.rerender(<Shown view={told({ date: '2026-10-20' })}>{(view) => <Conditions view={view} />}</Shown>);
    const note = screen.getAllByLabelText('Note')[0]!;
    fireEvent.change(note, { target: { value: 'twins' } });
    await doing(() => fireEvent.blur(note));
    await doing(() => answer());
    await doing(() => undefined);
    expect(values().at(-1)![1]).toEqual({ value: 'yes', date: '2026-10-20', caesarean: true, note: 'twins' });
  });

  test('every condition can be answered by name', () => {
    render(<Shown view={viewOf()}>{(view) => <Conditions view={view} />}</Shown>);
    expect(screen.getAllByRole('radiogroup')).toHaveLength(conditionIds.length);
  });
});

describe('what they tell at a visit', () => {
  const before = fact('symptoms', { leaks: 3, signs: ['heaviness'] }, '2026-11-09');
  const telling = (facts: Fact[] = []) =>
    render(<Shown view={viewOf(facts)}>{(view) => <ToldSymptoms view={view} />}</Shown>);
  const leaks = (name: string) => doing(() => fireEvent.click(screen.getByRole('radio', { name })));
  const rest = () => doing(() => window.dispatchEvent(new Event('pagehide')));

  test('how it was last time stands beside the question and is no answer to it', () => {
    telling([before]);
    expect(screen.getByText('Leaks in the last seven days (9 November: 3 leaks)')).toBeTruthy();
    expect(screen.queryByRole('radio', { checked: true })).toBeNull();
    expect(screen.queryByText(/speaks for/)).toBeNull();
  });

  test('two answers in the time of one are one telling, kept when the page goes away', async () => {
    telling([before]);
    await leaks('2');
    await click('Doming of the belly');
    await rest();
    expect(values().at(-1)).toEqual(['symptoms', { leaks: 2, signs: ['doming'] }]);
  });

  test('“none of these” and a sign exclude each other; the last sign taken off again is not an answer', async () => {
    telling();
    await click('Pain');
    await click('None of these');
    await rest();
    expect(values().at(-1)).toEqual(['symptoms', { leaks: null, signs: [] }]);
    await click('Pain');
    await rest();
    expect(values().at(-1)).toEqual(['symptoms', { leaks: null, signs: ['pain'] }]);
    await click('Pain');
    await rest();
    expect(values().at(-1)).toEqual(['symptoms', { leaks: null, signs: null }]);
  });

  test('a leak asks for the caution that is not marked, and marking it answers Screen’s question', async () => {
    telling([fact('answer:leaking', { value: 'no' })]);
    await leaks('1');
    await click('Mark leaking with effort');
    expect(values().at(-1)).toEqual(['answer:leaking', { value: 'yes' }]);
  });

  test('how much of the complaint there is, is asked anew on each day; where it is stays', async () => {
    const told = fact('complaintDetail', { places: ['neck'], level: 6 }, '2026-11-09');
    render(<Shown view={viewOf([told])}>{(view) => <ComplaintDetail view={view} />}</Shown>);
    expect(screen.getByText('How much of it today, 0 to 10 (9 November: 6)')).toBeTruthy();
    expect(screen.getByRole('slider').getAttribute('aria-valuetext')).toBe('not asked yet');
    await click('Ribs');
    await rest();
    expect(values().at(-1)).toEqual(['complaintDetail', { places: ['neck', 'ribs'], level: null }]);
  });
});
