import { type LookRecord } from '../look';
import { lookOn } from '../fixtures';
import { type RunDigest } from '../coach';
import { type Fact } from '../safety';
import { regionIds, unobserved } from '../trunk';
import {
  type Followed,
  clearSince,
  complaintChange,
  followed,
  leadingMeasure,
  notComparedInWords,
  notePage,
  overInWords,
  ringsOver,
  toldOver,
  whatWorked,
} from '.';

const said = (day: string) => day;
/** Visits are named by their day. */
const dayOf = (visitId: string) => visitId;
const ease = (day: string, value: number, position = 'sitting', moment: LookRecord['moment'] = 'before') =>
  lookOn('marker', day, { measure: 'ease', position, readings: [value, value] }, moment);

describe('a measure over visits', () => {
  const visits = [
    ease('2026-10-01', 3),
    ease('2026-10-08', 3.5),
    ease('2026-10-15', 7),
    ease('2026-10-15', 8, 'sitting', 'after'),
    ease('2026-10-22', 9, 'hook-lying'),
    ease('2026-10-29', 8),
    ease('2026-10-29', 9, 'hook-lying', 'after'),
  ];
  const [one] = followed(visits, dayOf) as [Followed];

  test('each visit has its value before the work, and after it only where it was taken in the same position', () => {
    expect(one.points.map(([day, value, , after]) => [day, value, after])).toEqual([
      ['2026-10-01', 3, null],
      ['2026-10-08', 3.5, null],
      ['2026-10-15', 7, 8],
      ['2026-10-22', 9, null],
      ['2026-10-29', 8, null],
    ]);
  });

  test('it is said with its direction, its time and the day from which it is clear', () => {
    const { title, line } = overInWords(one, said, 'cm');
    expect(title).toBe('Deep-breath ease up 5.0: larger than their noise');
    expect(line).toBe('Sitting: 3.0 to 8.0 of 10 before the work, in 4 weeks. Clear since 2026-10-15.');
  });

  test.each([
    ['2026-10-02', 'in a day'],
    ['2026-10-14', 'in 13 days'],
    ['2026-10-15', 'in 2 weeks'],
    ['2026-10-26', 'in 4 weeks'],
  ])('from the first of October to %s it is %s', (last, span) => {
    const [both] = followed([ease('2026-10-01', 3), ease(last, 8)], dayOf);
    expect(overInWords(both!, said, 'cm').line).toContain(`before the work, ${span}.`);
  });

  test('what was not compared is said', () => {
    expect(notComparedInWords([['hook-lying', 1]])).toBe('Not compared: 1 taken hook-lying.');
    expect(notComparedInWords([])).toBeNull();
  });

  test('clear once and lost again is clear from the later time on', () => {
    const like: Followed['points'] = [
      ['a', 3, 'sitting', null],
      ['b', 9, 'sitting', null],
      ['c', 4, 'sitting', null],
      ['d', 9, 'sitting', null],
    ];
    expect(clearSince(like, { before: 3, noise: 2 })).toBe('d');
    expect(clearSince(like.slice(0, 3), { before: 3, noise: 2 })).toBeNull();
  });

  test('within noise no direction is told, and one visit is no line', () => {
    expect(overInWords(followed(visits.slice(0, 2), dayOf)[0]!, said, 'cm').title).toBe(
      'Deep-breath ease: no clear change',
    );
    expect(overInWords(followed(visits.slice(0, 1), dayOf)[0]!, said, 'cm').line).toContain(
      'One visit is no line yet.',
    );
  });

  test('the newest marker leads, whatever was taken more often', () => {
    const rates = ['2026-10-01', '2026-10-08', '2026-10-15'].map((day) =>
      lookOn('quietLook', day, { position: 'sitting', breaths: 12, seconds: 60 }),
    );
    const bend = lookOn('marker', '2026-10-29', { measure: 'ease', position: 'sitting', readings: [4, 4] });
    const all = [...rates, bend];
    expect(leadingMeasure(followed(all, dayOf), all)).toBe('ease');
    expect(leadingMeasure([], [])).toBeNull();
  });
});

describe('maps over visits', () => {
  const map = (day: string, position: string, leftSide: number, moment: LookRecord['moment'] = 'before') =>
    lookOn(
      'regionMap',
      day,
      { position, deep: { ...unobserved(), leftSide }, quiet: { ...unobserved(), leftSide: 1 } },
      moment,
    );

  test('those of the newest position stand beside each other, others are named; after belongs to the same position', () => {
    const rings = ringsOver(
      [
        map('2026-10-01', 'sitting', 1),
        map('2026-10-08', 'hook-lying', 2),
        map('2026-10-15', 'sitting', 2),
        map('2026-10-15', 'sitting', 3, 'after'),
      ],
      dayOf,
    )!;
    expect(rings.like.map(({ day, deep, after }) => [day, deep.leftSide, after?.leftSide ?? null])).toEqual([
      ['2026-10-01', 1, null],
      ['2026-10-15', 2, 3],
    ]);
    expect(rings.other).toEqual([{ day: '2026-10-08', position: 'hook-lying' }]);
    expect(Object.keys(rings.like[0]!.deep)).toHaveLength(regionIds.length);
  });
});

describe('what was told', () => {
  const fact = (key: Fact['key'], value: unknown, day: string) => ({ key, value, day });
  const facts = [
    fact('complaintDetail', { places: ['neck'], level: 6 }, '2026-10-01'),
    fact('symptoms', { leaks: 3, signs: ['heaviness'] }, '2026-10-01'),
    fact('complaintDetail', { places: ['neck'], level: 5 }, '2026-10-08'),
    fact('complaintDetail', { places: ['neck'], level: 2 }, '2026-10-08'),
    fact('symptoms', { leaks: null, signs: [] }, '2026-10-15'),
    fact('symptoms', { leaks: 99 }, '2026-10-16'),
  ];

  test('the newest answer of a day counts, a day without an answer has no line, and what can’t be read is passed over', () => {
    expect(toldOver({ facts, runs: [], home: [] })).toEqual([
      { day: '2026-10-01', where: 'at a visit', complaint: 6, leaks: 3, symptoms: ['heaviness below'] },
      { day: '2026-10-08', where: 'at a visit', complaint: 2, leaks: null, symptoms: [] },
    ]);
  });

  test('a code from home and a stopped run have lines of their own, in order of days', () => {
    const told = toldOver({
      facts,
      runs: [{ day: '2026-10-03', symptoms: ['Dizziness'] }],
      home: [
        { day: '2026-10-05', signs: ['leaking'] },
        { day: '2026-10-06', signs: [] },
      ],
    });
    expect(told.map(({ day, where, symptoms }) => [day, where, symptoms.join()])).toEqual([
      ['2026-10-01', 'at a visit', 'heaviness below'],
      ['2026-10-03', 'in a run', 'dizziness'],
      ['2026-10-05', 'at home', 'leaking'],
      ['2026-10-08', 'at a visit', ''],
    ]);
  });

  test('the complaint changes by more than such answers repeat by, or not clearly', () => {
    const told = (...levels: number[]) =>
      levels.map((complaint, at) => ({
        day: `2026-10-0${at + 1}`,
        where: 'at a visit' as const,
        complaint,
        leaks: null,
        symptoms: [],
      }));
    expect(complaintChange(told(6, 4, 2))?.verdict).toBe('smaller');
    expect(complaintChange(told(4, 5))?.verdict).toBe('no clear change');
    expect(complaintChange(told(4))).toBeNull();
  });
});

test('a note as a page has its day, its words, what was added, and when it was signed', () => {
  const page = notePage(
    {
      studio: 'Saltmarsh Movement Rooms',
      name: 'Tamsin Fenwreath',
      day: '2026-10-01',
      text: 'Done: 60 s.\n',
      signedAt: '2026-10-01T11:00:00Z',
      additions: [{ id: 'a', at: '2026-10-02T08:00:00Z', text: 'Slept well.' }],
    },
    'Europe/London',
  );
  expect(page.split('\n')).toEqual([
    'Saltmarsh Movement Rooms',
    'Tamsin Fenwreath, visit of 1 October 2026',
    '',
    'Done: 60 s.',
    '',
    'Added 2 October 2026, 09:00: Slept well.',
    'Signed 1 October 2026, 12:00.',
    'Written by a breathing coach from what was seen and done. It is no diagnosis.',
  ]);
});

test('what worked is counted, drill, position and cue by cue: calmly of the times done, landed of the times answered', () => {
  const one = (part: Partial<RunDigest[number]>): RunDigest[number] => ({
    drillId: 'towel-hug',
    breaths: 10,
    sets: 1,
    outcome: 'calm',
    checked: null,
    lift: null,
    landed: [],
    missed: [],
    faults: {},
    position: 'sitting',
    side: 'none',
    exhaleSeconds: 6,
    delivered: 10,
    effort: null,
    helped: null,
    ...part,
  });
  const worked = whatWorked([
    [
      one({ landed: ['Widen'] }),
      one({ drillId: 'quiet-nose', position: 'hook-lying', outcome: null, missed: ['Widen'] }),
    ],
    [
      one({ outcome: 'not calm', missed: ['Soft'] }),
      one({ drillId: 'quiet-nose', position: 'hook-lying', landed: ['Soft'] }),
    ],
    [one({})],
  ]);
  expect(worked.drills).toEqual([
    { what: 'towel-hug', times: 3, well: 2 },
    { what: 'quiet-nose', times: 1, well: 1 },
  ]);
  expect(worked.positions.map(({ what, times, well }) => [what, well, times])).toEqual([
    ['sitting', 2, 3],
    ['hook-lying', 1, 1],
  ]);
  expect(worked.cues).toEqual([
    { what: 'Soft', times: 2, well: 1 },
    { what: 'Widen', times: 2, well: 1 },
  ]);
});
