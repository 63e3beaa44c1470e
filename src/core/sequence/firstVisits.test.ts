import { type PropId, drills, findDrill } from '../catalogue';
import { contextFor, cupboard, requestFor } from '../fixtures';
import { patterns } from '../read';
import { schoolIds } from '../schools';
import { firstAnswers, laterVisitsOnly, orderOfWorkFor, solve } from '.';

const cupboards: readonly (readonly PropId[])[] = [
  ['towel', 'pillow', 'wall', 'chair'],
  [...cupboard, 'twinBalls', 'balloon', 'mirror', 'fixedBand', 'weight'],
  ['pillow', 'chair'],
];

/** First visits of everybody: each pattern, school and length, with what a cupboard has. */
const plans = patterns.flatMap(({ id }, p) =>
  schoolIds.flatMap((leadSchool, s) =>
    [12, 20, 30, 45].map((minutes, m) => {
      const propsAtHand = [...cupboards[(p * schoolIds.length * 4 + s * 4 + m) % cupboards.length]!];
      const { laid, found, leftOut } = solve(requestFor(id, { minutes, propsAtHand, leadSchool }), contextFor(id));
      const plan = found.chosen.map((index) => laid.candidates[index]!.drill);
      const steps = orderOfWorkFor(id, leadSchool).slice(0, firstAnswers(minutes));
      const unanswered = steps.filter((step) => !plan.some((drill) => step.includes(drill.id)));
      return { who: `${id}, ${leadSchool}, ${minutes}`, plan, unanswered, notes: [...laid.notes, ...leftOut] };
    }),
  ),
);

// A catalogue is worth what is used of it: wanted of the planner, no published source.
describe(`${plans.length} first visits`, () => {
  const times = new Map<string, number>();
  for (const { plan } of plans) for (const { id } of plan) times.set(id, (times.get(id) ?? 0) + 1);

  test('everybody gets a plan', () => {
    expect(plans.length).toBeGreaterThan(400);
    expect(plans.filter(({ plan }) => plan.length === 0)).toEqual([]);
  });

  test('as many first answers as the minutes ask for, or it says which is missing', () => {
    const silent = plans.filter(({ unanswered, notes }) => notes.length < unanswered.length);
    expect(silent.map(({ who, unanswered }) => [who, unanswered])).toEqual([]);
    expect(plans.filter(({ unanswered }) => unanswered.length === 0).length).toBeGreaterThan(plans.length / 2);
  });

  test('every drill stands in one of them, or says why it is for later visits only', () => {
    const neither = drills.filter((drill) => !times.has(drill.id) && laterVisitsOnly(drill) === null);
    expect(neither.map(({ id }) => id)).toEqual([]);
    const both = drills.filter((drill) => times.has(drill.id) && laterVisitsOnly(drill) !== null);
    expect(both.map(({ id }) => id)).toEqual([]);
  });

  test('none but what carries over stands in more than a third', () => {
    const often = [...times].filter(([id, count]) => findDrill(id)!.family !== 'carry' && count > plans.length / 3);
    expect(often).toEqual([]);
  });
});
