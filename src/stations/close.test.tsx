/** @jest-environment jsdom */
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { blankRaw } from '@/core/look';
import { type StoredLook } from '@/core/record';
import { repeatsOf } from '@/core/track';
import { around } from '@/parts/around.fakes';
import { answerWith, browserFakes, doing, sent } from '@/parts/browser.fakes';
import { Shown } from './shown.fixtures';
import { Close } from './Close';
import { type GroupCandidate, GroupStart } from './coach/GroupStart';
import { answers, item, run, signs, today, idOf, viewOf } from './live/coach.fixtures';
import { evaluateGates, knownClient } from '@/core/safety';

beforeEach(() => {
  browserFakes();
  localStorage.clear();
});
afterEach(cleanup);

/** Two breaths of the first drill with a mark, and one of the second. */
const done = run([
  [0, { type: 'start' }],
  [19, { type: 'breath', item: 0, set: 1, breath: 0, seconds: 9 }],
  [22, { type: 'fault', item: 0, fault: 'shoulders' }],
  [28, { type: 'breath', item: 0, set: 1, breath: 1, seconds: 9 }],
  [30, { type: 'jump', toSeconds: 56, why: 'next' }],
  [41, { type: 'breath', item: 1, set: 1, breath: 0, seconds: 9 }],
  [45, { type: 'end', why: 'by hand' }],
]);
const note = () => screen.getByLabelText('The note of this visit') as HTMLTextAreaElement;
/** A press or a change with what it sets going, the outbox's answer included. */
const click = (on: HTMLElement) => doing(() => fireEvent.click(on));
const type = (into: HTMLElement, value: string) => doing(() => fireEvent.change(into, { target: { value } }));
const leave = (field: HTMLElement) => doing(() => fireEvent.blur(field));
const sentOf = (kind: string) =>
  sent.filter((one) => one.kind === kind).map(({ payload }) => payload as Record<string, unknown>);

describe('the note before it is signed', () => {
  test('is written from the log and not sent until the coach changes it', () => {
    render(<Shown view={viewOf([], { runs: [done] })}>{(view) => <Close view={view} repeats={{}} />}</Shown>);
    expect(note().value).toContain('Towel round the ribs, sitting: 2 of 4 breaths at 3 in, 6 out; shoulders creep up.');
    expect(sent).toEqual([]);
  });

  test('after a stop in the first breath there is nothing to take home, and that is said', () => {
    const stopped = run([
      [0, { type: 'start' }],
      [12, { type: 'stop', item: 0 }],
      [60, { type: 'settled', symptoms: ['dizziness'], note: '', then: 'end' }],
    ]);
    render(<Shown view={viewOf([], { runs: [stopped] })}>{(view) => <Close view={view} repeats={{}} />}</Shown>);
    expect(screen.getByText('No drill was done that could go home.')).toBeTruthy();
    expect(screen.queryByText(/What goes home/)).toBeNull();
    expect(note().value).toContain('Stopped: dizziness.');
  });

  test('what goes home is at most three, written into the note and kept with it', async () => {
    render(<Shown view={viewOf([], { runs: [done] })}>{(view) => <Close view={view} repeats={{}} />}</Shown>);
    await click(screen.getByRole('button', { name: /^Quiet nose breath/ }));
    expect(note().value).toMatch(/\nHome: Quiet nose breath\.$/);
    // Without words of the coach's own it goes on following the log.
    expect(sentOf('note.save')).toEqual([{ visitId: 'visit', text: '', home: ['quiet-nose'], revision: 0 }]);
    await click(screen.getByRole('button', { name: /^Quiet nose breath/ }));
    expect(note().value).not.toContain('Home:');
    expect(sentOf('note.save').at(-1)).toMatchObject({ home: [], revision: 1 });
  });

  test('what is rechecked after the choice still gets into it, and after a reload too', async () => {
    const shown = render(
      <Shown view={viewOf([], { runs: [done] })}>{(view) => <Close view={view} repeats={{}} />}</Shown>,
    );
    await click(screen.getByRole('button', { name: /^Quiet nose breath/ }));
    const marker = (moment: 'before' | 'after', readings: number[]): StoredLook => ({
      id: moment,
      visitId: 'visit',
      protocol: 'marker',
      version: 1,
      moment,
      takenAt: `${today}T10:00:00.000Z`,
      raw: blankRaw('marker', { readings }),
      revision: 1,
    });
    const saved = {
      text: '',
      home: ['quiet-nose'],
      revision: 1,
      at: `${today}T11:00:00.000Z`,
      signedAt: null,
      additions: [],
    };
    const looks = [marker('before', [5, 5]), marker('after', [8, 8])];
    shown.rerender(
      <Shown view={viewOf([], { runs: [done], looks, note: saved })}>
        {(view) => <Close view={view} repeats={repeatsOf(looks)} />}
      </Shown>,
    );
    expect(note().value).toMatch(/\nMarker: .*\n/);
    shown.unmount();
    const later = render(
      <Shown view={viewOf([], { runs: [done], note: saved })}>{(view) => <Close view={view} repeats={{}} />}</Shown>,
    );
    later.rerender(
      <Shown view={viewOf([], { runs: [done], looks, note: saved })}>
        {(view) => <Close view={view} repeats={repeatsOf(looks)} />}
      </Shown>,
    );
    expect(note().value).toMatch(/\nMarker: .*\nHome: Quiet nose breath\.$/);
  });

  test('a note of the coach’s own words stays theirs after a reload', () => {
    const saved = { text: 'Mine.', home: [], revision: 2, at: `${today}T11:00:00.000Z`, signedAt: null, additions: [] };
    render(
      <Shown view={viewOf([], { runs: [done], note: saved })}>{(view) => <Close view={view} repeats={{}} />}</Shown>,
    );
    expect(note().value).toBe('Mine.');
  });

  test('typed words are saved on leaving the field, and signed as they stand', async () => {
    render(<Shown view={viewOf([], { runs: [done] })}>{(view) => <Close view={view} repeats={{}} />}</Shown>);
    await type(note(), 'Short and good.');
    await leave(note());
    expect(sentOf('note.save')).toEqual([{ visitId: 'visit', text: 'Short and good.', home: [], revision: 0 }]);
    await click(screen.getByRole('button', { name: 'Sign and end the visit' }));
    await waitFor(() =>
      expect(sentOf('note.sign')).toMatchObject([{ visitId: 'visit', text: 'Short and good.', home: [], revision: 1 }]),
    );
  });

  test('can be written anew from the log', async () => {
    render(<Shown view={viewOf([], { runs: [done] })}>{(view) => <Close view={view} repeats={{}} />}</Shown>);
    await type(note(), 'Oops');
    await click(screen.getByRole('button', { name: 'Write it anew from the log' }));
    expect(note().value).toContain('Towel round the ribs');
  });

  test('a refusal is one sentence, and the words stay', async () => {
    render(<Shown view={viewOf([], { runs: [done] })}>{(view) => <Close view={view} repeats={{}} />}</Shown>);
    answerWith({ state: 'refused', code: 'does not fit', why: 'This visit is signed already.' });
    await type(note(), 'Mine.');
    await leave(note());
    expect(await screen.findByText('This visit is signed already.')).toBeTruthy();
    expect(note().value).toBe('Mine.');
  });
});

describe('after signing', () => {
  const signed = {
    text: 'Mine.',
    home: [],
    revision: 3,
    at: `${today}T11:00:00.000Z`,
    signedAt: `${today}T11:05:00.000Z`,
    additions: [],
  };
  const box = () => screen.getByLabelText('An addition') as HTMLTextAreaElement;

  test('the note can’t be changed; an addition leaves the box at once, so that it can’t be added twice', async () => {
    const shown = render(
      <Shown view={viewOf([], { runs: [done], note: signed })}>{(view) => <Close view={view} repeats={{}} />}</Shown>,
    );
    expect(screen.queryByLabelText('The note of this visit')).toBeNull();
    await type(box(), 'She rang.');
    shown.unmount();
    render(
      <Shown view={viewOf([], { runs: [done], note: signed })}>{(view) => <Close view={view} repeats={{}} />}</Shown>,
    );
    expect(box().value).toBe('She rang.');
    await click(screen.getByRole('button', { name: 'Add it with today’s date' }));
    expect(sentOf('note.add')).toEqual([{ additionId: expect.any(String), visitId: 'visit', text: 'She rang.' }]);
    expect(box().value).toBe('');
    expect((screen.getByRole('button', { name: 'Add it with today’s date' }) as HTMLButtonElement).disabled).toBe(true);
  });

  test('a refused addition comes back into the box with its reason', async () => {
    render(
      <Shown view={viewOf([], { runs: [done], note: signed })}>{(view) => <Close view={view} repeats={{}} />}</Shown>,
    );
    answerWith({ state: 'refused', code: 'does not fit', why: 'An addition needs words.' });
    await type(box(), 'She rang.');
    await click(screen.getByRole('button', { name: 'Add it with today’s date' }));
    expect(await screen.findByText('An addition needs words.')).toBeTruthy();
    expect(box().value).toBe('She rang.');
  });
});

describe('bringing a group together', () => {
  const person = (n: number, items = [item()]): GroupCandidate => ({
    clientId: idOf(n),
    visitId: idOf(100 + n),
    name: `Person ${n}`,
    gates: evaluateGates(knownClient([...signs, ...answers()]).profile, today),
    items,
  });
  const six = Array.from({ length: 8 }, (_, i) => person(i + 1, i === 0 ? [item()] : []));

  test('the run is opened for those chosen, with the leader first, and no more than six', async () => {
    render(<GroupStart candidates={six} closed={[]} />);
    const open = () => screen.getByRole('button', { name: /^Open the run for/ }) as HTMLButtonElement;
    expect(open().disabled).toBe(true);
    for (const n of [2, 3, 4, 5, 6]) await click(screen.getByRole('button', { name: `Person ${n}` }));
    expect((screen.getByRole('button', { name: 'Person 7' }) as HTMLButtonElement).disabled).toBe(true);
    await click(screen.getByRole('button', { name: 'Person 6' }));
    await click(open());
    expect(sentOf('run.create')).toEqual([
      {
        runId: expect.any(String),
        visitId: idOf(101),
        items: [item()],
        members: [1, 2, 3, 4, 5].map((n) => ({ clientId: idOf(n), visitId: idOf(100 + n), sitsOut: [] })),
      },
    ]);
    expect(around.went).toEqual([expect.stringMatching(/^\/run\/[0-9a-f-]{36}$/)]);
  });

  test('a refusal is told, and nobody is sent on', async () => {
    render(<GroupStart candidates={[person(1), person(2, [])]} closed={[]} />);
    answerWith({ state: 'refused', code: 'does not fit', why: 'Person 2 is not screened today.' });
    await click(screen.getByRole('button', { name: 'Person 2' }));
    await click(screen.getByRole('button', { name: 'Open the run for 2' }));
    expect(await screen.findByText('Person 2 is not screened today.')).toBeTruthy();
    expect(around.went).toEqual([]);
  });
});
