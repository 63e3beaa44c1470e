import { renderToStaticMarkup as html } from 'react-dom/server';
import { evaluateGates, knownClient } from '@/core/safety';
import { Close } from '../Close';
import { CoachStation } from './CoachStation';
import { type GroupCandidate, GroupStart } from './GroupStart';
import { GroupTiles } from '../live/GroupTiles';
import { answers, fact, item, run, signs, today, idOf, viewOf } from '../live/coach.fixtures';
import { RunClock } from '../live/runClock';
import { RunScreen } from '../live/RunScreen';
import { whole } from '../whole.fixtures';

describe('the live screen', () => {
  test.each([
    ['yes', 'TOUCH: YES'],
    ['own hands', 'OWN HANDS'],
    ['no', 'NO TOUCH'],
  ])('consent %s stands on it in words', (touch, words) => {
    expect(html(<RunScreen view={viewOf([fact('touch', touch)])} stored={run()} />)).toContain(words);
    const stopped = run([
      [0, { type: 'start' }],
      [12, { type: 'stop', item: 0 }],
    ]);
    expect(html(<RunScreen view={viewOf([fact('touch', touch)])} stored={stopped} />)).toContain(words);
  });

  test('before it begins: position, drill and set-up; the pacer stands', () => {
    const page = html(<RunScreen view={viewOf()} stored={run()} />);
    expect(page).toContain('Sitting');
    expect(page).toContain('Begin (Space)');
    expect(page).not.toContain('data-phase=');
  });

  test('a stop: breathe normally, the emergency number, and nothing that paces', () => {
    const page = html(
      <RunScreen
        view={viewOf()}
        stored={run([
          [0, { type: 'start' }],
          [12, { type: 'stop', item: 0 }],
        ])}
      />,
    );
    expect(page).toContain('Breathe normally');
    expect(page).toContain('call 999');
    expect(page).not.toContain('data-tide');
    expect(page).not.toContain('data-announce');
  });

  test('a talk shows the trunk from both sides and says what it shows', () => {
    const page = html(
      <RunScreen
        view={viewOf()}
        stored={run([
          [0, { type: 'start' }],
          [12, { type: 'pause', why: 'talk' }],
        ])}
      />,
    );
    expect(page).toContain('The trunk from the side. The dome goes down on the inhale.');
    expect(page).toContain('The trunk from the front.');
    expect(page).toContain('Go on where it was held (T)');
  });
});

describe('a group', () => {
  const person = (n: number, yes: Record<string, object> = {}): GroupCandidate => ({
    clientId: idOf(n),
    visitId: idOf(100 + n),
    name: `Person ${n}`,
    gates: evaluateGates(knownClient([...signs, ...answers(yes)]).profile, today),
    items: n === 1 ? [item({ drillId: 'half-dome-back', position: 'prone over half-dome', props: ['halfDome'] })] : [],
  });

  test('tiles say who does it as shown and who does not, with consent on each', () => {
    const members = [person(1), person(2, { pregnancy: { weekOnDay: 24 } })].map((one, i) => ({
      ...one,
      path: { state: 'open' as const, reasons: [] },
      touch: i === 0 ? ('no' as const) : ('own hands' as const),
      latestTouch: undefined,
    }));
    const page = html(
      <GroupTiles
        members={members}
        item={members[0]!.items[0]!}
        chosen={null}
        resting={new Set()}
        onChoose={() => undefined}
      />,
    );
    expect(page).toMatch(/as shown.*no touch/);
    expect(page).toMatch(/▲ not this: .*own hands/);
  });

  test('at the end each has a way to their own recheck', () => {
    const over = run([
      [0, { type: 'start' }],
      [20, { type: 'end', why: 'done' }],
    ]);
    const path = { state: 'open' as const, reasons: [] };
    const members = [person(1), person(2)].map((one) => ({
      ...one,
      path,
      touch: 'no' as const,
      latestTouch: undefined,
    }));
    const page = html(<RunScreen view={viewOf()} stored={over} group={members} />);
    expect(page).toContain('Recheck Person 1');
    expect(page).toContain('Recheck Person 2');
    expect(html(<RunScreen view={viewOf()} stored={over} />)).toContain('Go to the recheck');
  });

  test('needs two people and a plan; says who can’t be coached today', () => {
    expect(html(<GroupStart candidates={[person(1)]} closed={[]} />)).toContain('A group needs two people');
    expect(html(<GroupStart candidates={[person(2), person(3)]} closed={[]} />)).toContain('A group needs two people');
    const page = html(<GroupStart candidates={[person(1), person(2)]} closed={['Cas Weir']} />);
    expect(page).toContain('Not today, or not screened yet: Cas Weir.');
    expect(page).toContain('Half-dome back opener');
  });

  test('somebody who was only in a group has what was done and a close of their own', async () => {
    const done = run(
      [
        [0, { type: 'start' }],
        [19, { type: 'breath', item: 0, set: 1, breath: 0, seconds: 9 }],
        [20, { type: 'end', why: 'by hand' }],
      ],
      {
        members: [
          { clientId: idOf(1), visitId: 'other', sitsOut: [] },
          { clientId: 'client', visitId: 'visit', sitsOut: [] },
        ],
      },
    );
    const page = await whole(<CoachStation view={viewOf([], { runs: [done] })} />);
    expect(page).toContain('In a group, on another’s plan.');
    expect(page).toContain('What was done, 20 s');
    expect(page).toContain('In a group of 2.');
    expect(page).not.toContain('Open the run');
  });
});

describe('the close', () => {
  const done = run([
    [0, { type: 'start' }],
    [19, { type: 'breath', item: 0, set: 1, breath: 0, seconds: 9 }],
    [20, { type: 'end', why: 'by hand' }],
  ]);
  test('the note stands there written from the log, ready to sign', () => {
    const page = html(<Close view={viewOf([fact('complaint', 'Stiff ribs')], { runs: [done] })} repeats={{}} />);
    expect(page).toContain('Came for: Stiff ribs');
    expect(page).toContain('Done: 20 s of');
    expect(page).toContain('Not done: Quiet nose breath.');
    expect(page).toContain('Sign and end the visit');
  });
  test('once edited, the coach’s words stand; once signed, they can only be added to', () => {
    const note = { text: 'Mine.', home: [], revision: 3, at: `${today}T11:00:00.000Z`, signedAt: null, additions: [] };
    expect(html(<Close view={viewOf([], { runs: [done], note })} repeats={{}} />)).toContain(
      'Write it anew from the log',
    );
    const signed = {
      ...note,
      signedAt: `${today}T11:05:00.000Z`,
      additions: [{ id: 'a', at: `${today}T12:00:00.000Z`, text: 'She rang.' }],
    };
    const page = html(<Close view={viewOf([], { runs: [done], note: signed })} repeats={{}} />);
    expect(page).toContain('Mine.');
    expect(page).toContain('She rang.');
    expect(page).toContain('Add it with today’s date');
    expect(page).not.toContain('Sign and end the visit');
  });
});

describe('one clock for two windows', () => {
  const at = (wall: number, monotonic: number) => {
    jest.spyOn(Date, 'now').mockReturnValue(wall);
    jest.spyOn(performance, 'now').mockReturnValue(monotonic);
  };
  afterEach(() => jest.restoreAllMocks());

  test('a window opened after the wall clock was set comes to the coach’s time with the first message', () => {
    at(1_000_000, 0);
    const coach = new RunClock();
    at(1_400_000, 10_000);
    const client = new RunClock();
    expect(client.now() - coach.now()).toBe(390_000);
    client.follow(coach.now());
    expect(client.now()).toBe(coach.now());
  });

  test('the journey of a message moves nothing, and the quickest of the last few tells', () => {
    at(1_000_000, 0);
    const client = new RunClock();
    for (const late of [2, 9, 4, 12, 3]) client.follow(client.now() - late);
    expect(client.now()).toBe(1_000_000);
    // Forty ahead: five messages later even the slow ones say so.
    for (const late of [45, 52, 41, 60, 47, 43]) client.follow(1_000_000 - late);
    expect(Math.abs(client.now() - (1_000_000 - 41))).toBeLessThanOrEqual(15);
  });
});
