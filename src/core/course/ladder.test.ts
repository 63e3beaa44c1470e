import { type CheckId } from '../coach';
import { climbInWords, ladderInWords, ladderOf, rungCriterion } from '.';

type Visits = Parameters<typeof ladderOf>[0]['visits'];
type Try = Visits[number]['drills'][number];

const tried = (drillId: string, rest: Partial<Try> = {}): Try => ({
  drillId,
  position: 'standing',
  outcome: 'calm',
  delivered: 10,
  faults: {},
  effort: 2,
  checked: null,
  ...rest,
});
const asked = (...found: CheckId[]): Partial<Try> => ({ checked: { asked: ['leak'], found } });
const days = (...visits: Try[][]): Visits =>
  visits.map((drills, at) => ({ visitId: `visit-${at}`, day: `2026-11-${String(at + 1).padStart(2, '0')}`, drills }));
const climb = (visits: Visits, rest: Partial<Parameters<typeof ladderOf>[0]> = {}) =>
  ladderOf({ visits, conditions: [], off: () => null, ...rest });
const at = (ladder: ReturnType<typeof ladderOf>) => ladder.rungs[ladder.current]!.name;
const upToChair = [
  [tried('towel-hug', { position: 'hook-lying' })],
  [tried('carry-sitting')],
  [tried('carry-standing')],
  [tried('carry-walking')],
];

// The order of the rungs and their criteria: common practice, no published source.
test('from lying to landing, a rung a visit, whatever drill the lying breath was found with', () => {
  const whole = [
    ...upToChair,
    [tried('chair-rise')],
    [tried('carry-stairs')],
    [tried('carry-hinge', { checked: { asked: ['not kept by day'], found: [] } })],
    [tried('carry-lift')],
  ];
  const names = whole.map((_, count) => at(climb(days(...whole.slice(0, count + 1)))));
  expect(names).toEqual([
    'sitting',
    'standing',
    'walking',
    'chair rise',
    'stairs',
    'hinge, by day',
    'a light lift',
    'a landing',
  ]);
  const done = climb(days(...whole, [tried('carry-impact')]));
  expect(ladderInWords(done)).toBe('The whole ladder is kept.');
  expect(done.moved).toHaveLength(8);
});

test('eighty of a hundred breaths clean, effort three at most, calm: each alone keeps somebody where they are', () => {
  const after = (rest: Partial<Try>) => climb(days(...upToChair, [tried('chair-rise', rest)]));
  expect(at(after({ faults: { arching: 2 } }))).toBe('stairs');
  expect(at(after({ faults: { arching: 3 } }))).toBe('chair rise');
  expect(at(after({ effort: 4 }))).toBe('chair rise');
  expect(at(after({ outcome: 'not calm' }))).toBe('chair rise');
  // Half begun proves nothing and is no failure.
  const little = climb(
    days(...upToChair, [tried('chair-rise', { outcome: null })], [tried('chair-rise', { effort: 9 })]),
  );
  expect([at(little), little.moved.at(-1)!.why]).toEqual(['chair rise', null]);
});

test('not kept at two visits in a row it goes one back, and has to be kept there again; a clean try between begins anew', () => {
  const bad = [tried('chair-rise', { effort: 7 })];
  const twice = climb(days(...upToChair, bad, bad));
  expect(at(twice)).toBe('walking');
  expect(climbInWords(twice, twice.moved.at(-1)!, (day) => day)).toBe(
    '2026-11-06: chair rise was not kept twice (too much effort); back to walking.',
  );
  const again = climb(days(...upToChair, bad, bad, [tried('carry-walking')], [tried('chair-rise')]));
  expect(at(again)).toBe('stairs');
  // Once is not twice, on the lowest rung neither; and back on a rung it takes two again.
  const low = [tried('two-hand-belly', { position: 'hook-lying', effort: 7 })];
  expect(climb(days(low)).rungs[0]!.tries.map(({ back }) => back)).toEqual([false]);
  const walk = [tried('carry-walking', { effort: 7 })];
  expect(at(climb(days(...upToChair, bad, bad, walk)))).toBe('walking');
  expect(at(climb(days(...upToChair, bad, bad, walk, walk)))).toBe('standing');
  // One bad, one that is not judged, one bad: still two in a row. With a good one between they are not.
  expect(at(climb(days(...upToChair, bad, [tried('chair-rise', { outcome: null })], bad)))).toBe('walking');
  expect(at(climb(days(...upToChair, bad, [tried('chair-rise')], bad)))).toBe('stairs');
});

test('who leaks is asked: not asked keeps the rung open and is no failure, a leak is one, twice steps back', () => {
  const conditions = ['leaking'] as const;
  const of = (...tries: Partial<Try>[]) =>
    climb(days(...upToChair, ...tries.map((rest) => [tried('chair-rise', rest)])), { conditions });
  expect(rungCriterion(of().rungs[4]!)).toBe('80 % of breaths clean, effort 3 of 10 at most, calm, no leak');
  expect(rungCriterion(of().rungs[1]!)).not.toMatch(/leak/);
  expect(at(of({}, {}, {}))).toBe('chair rise');
  expect(ladderInWords(of({}))).toMatch(/not asked: no leak\?$/);
  expect(at(of(asked()))).toBe('stairs');
  expect(at(of(asked('leak')))).toBe('chair rise');
  const back = of(asked('leak'), asked('leak'));
  expect([at(back), back.moved.at(-1)!.why]).toEqual(['walking', 'leak']);
});

test('what does not hold through the day takes its time: no weight comes onto it, and nothing steps back', () => {
  const hinge = (found: CheckId[]) => [tried('carry-hinge', { checked: { asked: ['not kept by day'], found } })];
  const before = [...upToChair, [tried('chair-rise')], [tried('carry-stairs')]];
  const slow = climb(
    days(...before, hinge(['not kept by day']), hinge(['not kept by day']), hinge(['not kept by day'])),
  );
  expect(at(slow)).toBe('hinge, by day');
  expect(at(climb(days(...before, hinge([]))))).toBe('a light lift');
});

test('it says how many rungs are above, and that the last is the last, though it is off', () => {
  expect(ladderInWords(climb([]))).toBe('Now lying; 8 rungs above it.');
  const whole = [
    ...upToChair,
    [tried('chair-rise')],
    [tried('carry-stairs')],
    [tried('carry-hinge', { checked: { asked: ['not kept by day'], found: [] } })],
  ];
  expect(ladderInWords(climb(days(...whole)))).toBe('Now a light lift; 1 rung above it.');
  expect(ladderInWords(climb(days(...whole, [tried('carry-lift')])))).toBe('Now a landing; it is the last rung.');
  const off = (drillId: string) => (drillId === 'carry-impact' ? 'Off today.' : null);
  expect(at(climb(days(...whole, [tried('carry-lift')]), { off }))).toBe('a landing');
});

test('what was begun and not breathed is no try of a rung', () => {
  const none = climb(days([tried('chair-rise', { delivered: 0 })]));
  expect(none.rungs.flatMap(({ tries }) => tries)).toEqual([]);
});

test('what is off today is stepped over, up and back', () => {
  const off = (drillId: string) => (drillId === 'carry-walking' || drillId === 'carry-impact' ? 'Off today.' : null);
  const three = upToChair.slice(0, 3);
  expect(at(climb(days(...three), { off }))).toBe('chair rise');
  const bad = [tried('chair-rise', { effort: 7 })];
  expect(at(climb(days(...three, bad, bad), { off }))).toBe('standing');
});

test('a rung kept higher up is kept: nobody is held back who can do more', () => {
  expect(at(climb(days(upToChair[0]!, [tried('chair-rise')])))).toBe('stairs');
});

test('two runs of one visit are one try: the last of it counts', () => {
  const twoRuns = (visits: Visits): Visits => [
    ...visits,
    { visitId: 'same', day: '2026-11-20', drills: [tried('chair-rise', { effort: 7 })] },
    { visitId: 'same', day: '2026-11-20', drills: [tried('chair-rise', { effort: 8 })] },
  ];
  expect(at(climb(twoRuns(days(...upToChair))))).toBe('chair rise');
});
