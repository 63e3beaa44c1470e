import fc from 'fast-check';
import { drills, findDrill, placeInOrder } from '../catalogue';
import {
  type Tried,
  courseInWords,
  courseOf,
  criterionInWords,
  departureOf,
  leadOf,
  movedInWords,
  reviewsOf,
  stepsFrom,
  withReviews,
} from '.';
import { firstStep } from './steps';
import { met } from '../../../scripts/met';

const belly = findDrill('two-hand-belly')!;
const tried = (day: string, part: Partial<Tried> = {}): Tried => ({
  visitId: day,
  day,
  drillId: belly.id,
  position: belly.positions[0]!,
  breaths: 10,
  exhaleSeconds: 6,
  outcome: 'calm',
  delivered: 10,
  marked: 1,
  effort: 2,
  ...part,
});
const course = (list: readonly Tried[], part: Partial<Parameters<typeof courseOf>[0]> = {}) =>
  courseOf({
    tried: list,
    booked: [],
    missed: [],
    allowed: () => true,
    today: '2026-11-26',
    timesAtHome: 3,
    ...part,
  })!;

describe('the steps', () => {
  // Common practice, no published source: change one thing at a time.
  test('for every drill of the catalogue, one step differs from the next in one thing and goes up in it', () => {
    for (const drill of drills) {
      const steps = stepsFrom(firstStep(drill), () => true);
      for (const [at, step] of steps.slice(1).entries()) {
        const before = steps[at]!;
        const other = [
          step.drillId !== before.drillId,
          step.drillId === before.drillId && step.position !== before.position,
          step.drillId === before.drillId && step.breaths !== before.breaths,
          step.drillId === before.drillId && step.exhaleSeconds !== before.exhaleSeconds,
        ].filter(Boolean).length;
        expect([drill.id, at, other]).toEqual([drill.id, at, 1]);
        const range = findDrill(step.drillId)!;
        expect(range.positions).toContain(step.position);
        expect(step.breaths).toBeLessThanOrEqual(Math.max(range.breaths.max, range.breaths.start));
        if (met(step.change === 'position'))
          expect(placeInOrder(step.position)).toBeGreaterThan(placeInOrder(before.position));
        if (met(step.change === 'dose')) expect(step.breaths).toBeGreaterThan(before.breaths);
        if (met(step.change === 'exhale')) expect(step.exhaleSeconds).toBe(before.exhaleSeconds + 1);
      }
    }
  });

  // Common practice, no published source: 10 breaths, then 15, 20, 30.
  test('ten breaths go on to fifteen', () => {
    const [, second] = stepsFrom(firstStep(findDrill('tuck-breath')!, { breaths: 10 }), () => true);
    expect(second).toMatchObject({ change: 'dose', breaths: 15 });
    expect(criterionInWords(second!)).toBe('dose up; 12 of 15 clean');
  });

  test('what a caution puts off is stepped over', () => {
    const steps = stepsFrom(firstStep(belly), ({ position }) => position === belly.positions[0]);
    expect(steps.every(({ change }) => change !== 'position')).toBe(true);
  });
});

describe('where it stands', () => {
  test('a kept step leads on; eighty of a hundred is kept, less is not (common practice, no published source)', () => {
    expect(course([tried('2026-11-05')]).current).toBe(1);
    expect(course([tried('2026-11-05', { marked: 2 })]).current).toBe(1);
    expect(course([tried('2026-11-05', { marked: 3, outcome: 'not calm' })])).toMatchObject({
      current: 0,
      past: [{ kept: false, why: 'too many marks', clean: 7, done: 10 }],
    });
    expect(course([tried('2026-11-05', { effort: 4, outcome: 'not calm' })]).past[0]!.why).toBe('too much effort');
  });

  const steps = stepsFrom(firstStep(belly, { breaths: 10, exhaleSeconds: 6 }), () => true);
  /** A try of a step, as it is asked for. */
  const of = (at: number, day: string, part: Partial<Tried> = {}) => {
    const { drillId, position, breaths, exhaleSeconds } = steps[at]!;
    return tried(day, { drillId, position, breaths, exhaleSeconds, ...part });
  };

  test('a step is kept by trying it: the easier one done well once more moves nothing', () => {
    const again = course([of(0, '2026-11-01'), of(0, '2026-11-08'), of(0, '2026-11-15')]);
    expect(again.current).toBe(1);
    expect(again.past.map(({ step }) => step)).toEqual([0, 0, 0]);
    expect(again.moved).toHaveLength(1);
    expect(course([of(0, '2026-11-01'), of(1, '2026-11-08')]).current).toBe(2);
  });

  test('another drill, however well it went, keeps no step of the harder one', () => {
    const harder = steps.findIndex(({ drillId }) => drillId !== belly.id);
    const up = steps.slice(0, harder).map((_, at) => of(at, `2026-11-${String(at + 1).padStart(2, '0')}`));
    const there = course(up);
    expect(there.current).toBe(harder);
    expect(course([...up, of(harder - 1, '2026-11-20')]).current).toBe(harder);
    expect(course([...up, of(harder, '2026-11-20')]).current).toBe(Math.min(steps.length - 1, harder + 1));
  });

  test('twice not kept goes one step back, once does not, and too little done is neither', () => {
    const bad = { marked: 5, outcome: 'not calm' } as const;
    const list = [
      of(0, '2026-11-01'),
      of(1, '2026-11-05', bad),
      of(1, '2026-11-08', { outcome: null, delivered: 1, marked: 0 }),
    ];
    expect(course(list).current).toBe(1);
    const twice = course([...list, of(1, '2026-11-12', bad)]);
    expect(twice.current).toBe(0);
    expect(twice.past.at(-1)!.back).toBe(true);
    expect(movedInWords(twice.moved.at(-1)!, (day) => day)).toBe(
      '2026-11-12: step 2 was not kept twice (too many marks); back to step 1.',
    );
    expect(courseInWords(twice, (day) => day)).toMatch(/^Back to step 1/);
    // Kept between, it is not in a row; and back on a step it takes two again.
    expect(course([of(0, '2026-11-01', bad), of(0, '2026-11-02'), of(1, '2026-11-05', bad)]).moved).toHaveLength(1);
    const [first] = course([of(0, '2026-11-01', bad)]).past;
    expect(first!.back).toBe(false);
    const after = course([...list, of(1, '2026-11-12', bad), of(0, '2026-11-14', bad)]);
    expect(after.past.map(({ back }) => back)).toEqual([false, false, false, true, false]);
    expect(
      course([...list, of(1, '2026-11-12', bad), of(0, '2026-11-14', bad), of(0, '2026-11-16', bad)]).past.at(-1),
    ).toMatchObject({
      back: true,
      step: 0,
    });
  });

  test('whatever happens, it goes up by one step at most, only from a step that was tried and kept, and stays within the steps', () => {
    const any = fc.record({
      at: fc.integer({ min: 0, max: steps.length - 1 }),
      outcome: fc.constantFrom('calm' as const, 'not calm' as const, null),
      delivered: fc.integer({ min: 0, max: 10 }),
      marked: fc.integer({ min: 0, max: 12 }),
      effort: fc.option(fc.integer({ min: 0, max: 10 })),
    });
    fc.assert(
      fc.property(fc.array(any, { minLength: 1, maxLength: 14 }), (list) => {
        const days = list.map(({ at, ...one }, n) => of(at, `2026-10-${String(n + 1).padStart(2, '0')}`, one));
        // Grown visit by visit, as a coach sees it.
        const seen = days.map((_, n) => course([days[0]!, ...days.slice(1, n + 1)]));
        seen.slice(1).forEach((now, n) => {
          const before = seen[n]!;
          expect(now.current - before.current).toBeLessThanOrEqual(1);
          if (met(now.current > before.current))
            expect(now.past.at(-1)).toMatchObject({ kept: true, step: before.current });
        });
        const { current, steps: laid, ahead } = seen.at(-1)!;
        expect(current >= 0 && current < laid.length).toBe(true);
        expect(ahead.every(({ step }) => step >= current && step < laid.length)).toBe(true);
      }),
    );
  });
});

describe('the visits ahead', () => {
  test('what is booked comes first, then the client’s own gap; a day ahead is after today', () => {
    const list = [tried('2026-11-05'), tried('2026-11-15'), tried('2026-11-25')];
    const { ahead } = course(list, { booked: ['2026-11-20', '2026-12-03'] });
    expect(ahead.slice(0, 2).map(({ day, booked }) => [day, booked])).toEqual([
      ['2026-12-03', true],
      ['2026-12-13', false],
    ]);
  });

  test('the gap is the middle one of their own, a week where there is none, and never more than six weeks', () => {
    const gap = (...days: string[]) => {
      const [one, two] = course(days.map((day) => tried(day))).ahead;
      return (Date.parse(two!.day) - Date.parse(one!.day)) / 86_400_000;
    };
    expect(gap('2026-11-20')).toBe(7);
    // Two visits of one day are no gap.
    expect(gap('2026-11-20', '2026-11-20')).toBe(7);
    expect(gap('2026-11-01', '2026-11-04', '2026-11-14', '2026-11-26')).toBe(10);
    expect(gap('2026-11-19', '2026-11-20')).toBe(1);
    expect(gap('2026-10-14', '2026-11-25')).toBe(42);
    expect(gap('2026-08-01', '2026-11-25')).toBe(42);
  });

  test('a step a visit from the one that is worked on, the map every other visit, and as many visits as steps are left', () => {
    const laid = course([tried('2026-11-19', { marked: 5, outcome: 'not calm' })]);
    expect(laid.current).toBe(0);
    expect(laid.ahead.map(({ step }) => step)).toEqual(laid.steps.map((_, at) => at));
    // Visit two is the first ahead.
    expect(laid.ahead.slice(0, -1).map(({ look }) => look.includes('region map'))).toEqual(
      laid.ahead.slice(0, -1).map((_, at) => at % 2 === 0),
    );
    const booked = ['2026-11-27', '2026-11-28', '2026-11-29', '2026-11-30', '2026-12-01', '2026-12-02', '2026-12-03'];
    expect(course([tried('2026-11-19')], { booked }).ahead.map(({ day }) => day)).toEqual(
      booked.slice(0, laid.steps.length - 1),
    );
  });

  test('it says where it stands: kept and what comes, worked on, or the last of all kept', () => {
    const said = (list: readonly Tried[], booked: string[] = []) =>
      courseInWords(course(list, { booked }), (day) => day);
    expect(said([tried('2026-11-19')], ['2026-12-03'])).toBe('Step 1 is kept; step 2 on 2026-12-03.');
    expect(said([tried('2026-11-19')])).toBe('Step 1 is kept; step 2 about 2026-12-03.');
    const all = stepsFrom(firstStep(belly, { breaths: 10, exhaleSeconds: 6 }), () => true);
    expect(said([tried('2026-11-19', { effort: 8 })])).toBe(`Step 1 of ${all.length} is worked on.`);
    const kept = all.map((step, at) => tried(`2026-11-0${at + 1}`, step));
    expect(said(kept)).toBe(`The last of ${all.length} steps is kept.`);
    expect(said([...kept.slice(0, -1), { ...kept.at(-1)!, effort: 8 }])).toBe(
      `Step ${all.length} of ${all.length} is worked on.`,
    );
  });

  test('home asks less and less, nothing at the end, and the last visit looks at everything again', () => {
    const { ahead } = course([tried('2026-11-19')], { timesAtHome: 6 });
    const times = ahead.map(({ timesAtHome }) => timesAtHome);
    expect(times).toEqual([...times].sort((a, b) => b - a));
    expect(ahead.at(-1)).toMatchObject({ timesAtHome: 0, look: ['marker', 'the whole first look'] });
    expect(ahead.every(({ look }) => look[0] === 'marker')).toBe(true);
  });
});

test('a plan says where it departs from what the course asks for', () => {
  const [step] = stepsFrom(firstStep(belly, { breaths: 10, exhaleSeconds: 6 }), () => true);
  const item = { drillId: belly.id, position: belly.positions[0]!, breaths: 10, cadences: [{ exhaleSeconds: 6 }] };
  expect(departureOf(step!, [])).toBe('not in this plan');
  expect(departureOf(step!, [item])).toBeNull();
  expect(departureOf(step!, [{ ...item, breaths: 8, position: belly.positions[1]! }])).toBe(
    `in this plan in ${belly.positions[1]!}, with 8 breaths`,
  );
});

test('the drill a course goes by is the one tried at most visits', () => {
  const of = (drillId: string) => ({
    drillId,
    position: findDrill(drillId)!.positions[0]!,
    breaths: 8,
    exhaleSeconds: 6,
    outcome: 'calm' as const,
    delivered: 8,
    faults: { shoulders: 2 },
    effort: 2,
    checked: null,
    lift: null,
  });
  const visits = [
    { visitId: 'a', day: '2026-11-01', drills: [of('quiet-nose'), of('waist-band-breath')] },
    { visitId: 'b', day: '2026-11-08', drills: [of('waist-band-breath'), of('quiet-nose')] },
  ];
  expect(leadOf(visits).map(({ day, drillId, marked }) => [day, drillId, marked])).toEqual([
    ['2026-11-01', 'waist-band-breath', 2],
    ['2026-11-08', 'waist-band-breath', 2],
  ]);
  expect(
    leadOf([
      { visitId: 'a', day: '2026-11-01', drills: [of('quiet-nose')].map((one) => ({ ...one, drillId: 'gone' })) },
    ]),
  ).toEqual([]);
});

describe('which pattern leads', () => {
  test('the first confirmed that the lead drill answers; the others come after it, each with the drill it begins with', () => {
    const [own] = belly.answers;
    const { lead } = course([tried('2026-11-12')], {
      confirmed: ['oneSide', own!],
      begins: (pattern) => `drill for ${pattern}`,
    });
    expect(lead).toEqual({ pattern: own, then: [{ pattern: 'oneSide', drillId: 'drill for oneSide' }] });
    expect(course([tried('2026-11-12')], { confirmed: ['oneSide'] }).lead).toEqual({ pattern: 'oneSide', then: [] });
    expect(course([tried('2026-11-12')]).lead).toBeNull();
  });
});

// When a coach asks a clinician is common practice, no published source; the numbers are ours.
describe('a word with the clinician', () => {
  const quiet = {
    today: '2026-11-26',
    days: ['2026-11-01', '2026-11-15'],
    moved: [],
    stopped: [],
    cautions: [],
    anythingClear: false,
    complaint: null,
    told: [],
  };
  const told = (day: string, leaks: number | null, ...symptoms: string[]) => ({ day, leaks, symptoms });
  const up = (from: number) => ({ from, why: null });
  const down = (from: number) => ({ from, why: 'too many marks' });

  test.each<[string, Partial<Parameters<typeof reviewsOf>[0]>, RegExp]>([
    ['a stop nobody reviewed', { stopped: ['Quiet nose breath'] }, /ended in a stop/],
    ['a complaint that grows', { complaint: 'larger' }, /clearly larger/],
    ['leaks that go up', { told: [told('2026-11-01', 1), told('2026-11-15', 4)] }, /from 1 to 4/],
    [
      'a symptom told twice running',
      { told: [told('a', null, 'pain'), told('b', 0, 'pain', 'dizzy')] },
      /running: pain\./,
    ],
    ['a step given up twice', { moved: [up(0), down(1), up(0), down(1)] }, /Step 2 was given up twice/],
    [
      'six visits and nothing clear',
      { days: Array(6).fill('2026-11-01') as string[] },
      /6 visits, and no clear change/,
    ],
  ])('%s asks for one now', (_what, part, words) => {
    const reviews = reviewsOf({ ...quiet, ...part });
    expect(reviews).toHaveLength(1);
    expect(reviews[0]!.due).toBe(quiet.today);
    expect(reviews[0]!.why).toMatch(words);
  });

  test.each<[string, Partial<Parameters<typeof reviewsOf>[0]>]>([
    ['nothing', {}],
    ['leaks that go down', { told: [told('a', 4), told('b', 1)] }],
    ['a symptom that went', { told: [told('a', null, 'pain'), told('b', null)] }],
    [
      'a symptom told of once before, and not last',
      { told: [told('a', null, 'pain'), told('b', null), told('c', null, 'pain')] },
    ],
    ['two different steps given up', { moved: [down(1), down(2)] }],
    ['six visits with something clear', { days: Array(6).fill('2026-11-01') as string[], anythingClear: true }],
    ['six visits and less of the complaint', { days: Array(6).fill('2026-11-01') as string[], complaint: 'smaller' }],
  ])('%s asks for none', (_what, part) => {
    expect(reviewsOf({ ...quiet, ...part })).toEqual([]);
  });

  test('with a caution every six weeks, and the first visit not before it says so', () => {
    const reviews = reviewsOf({ ...quiet, cautions: ['pregnant, week 24'] });
    expect(reviews).toEqual([{ due: '2026-12-13', why: 'Every 6 weeks with a caution: pregnant, week 24.' }]);
    const laid = withReviews(
      course([tried('2026-11-12'), tried('2026-11-19')], { booked: ['2026-12-03', '2026-12-17'] }),
      reviews,
    );
    expect(laid.ahead.map(({ day, look }) => [day, look.includes('a word with the clinician')]).slice(0, 2)).toEqual([
      ['2026-12-03', false],
      ['2026-12-17', true],
    ]);
  });
});
