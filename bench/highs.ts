import highsLoader from 'highs';
import { type PlanningProblem } from '@/core/sequence';

/**
 * The planning problem as a mixed-integer model for an independent solver, written from the raw problem and sharing nothing
 * with the search. Items that stand together in the order and in one position are a group; a plan is a path through groups.
 */
function modelOf(problem: PlanningProblem): string {
  const { items, weights, steps, change } = problem;
  const groups: { position: string; items: number[] }[] = [];
  items.forEach(({ position, stage }, i) => {
    const last = groups.at(-1);
    if (last && last.position === position && items[i - 1]!.stage === stage) last.items.push(i);
    else groups.push({ position, items: [i] });
  });
  const rows: string[] = [];
  const add = (terms: readonly string[], relation: string) => {
    if (terms.length > 0) rows.push(` r${rows.length}: ${terms.join(' ')} ${relation}`);
  };
  const term = (factor: number, name: string) => `${factor < 0 ? '-' : '+'} ${Math.abs(factor)} ${name}`;
  const x = (factor: number, i: number) => term(factor, `x${i}`);
  const arcs = groups.flatMap((from, g) =>
    groups.slice(g + 1).map((to, k) => ({ from: g, to: g + 1 + k, ...change[from.position]![to.position]! })),
  );
  const y = (factor: number, arc: { from: number; to: number }) => term(factor, `y${arc.from}_${arc.to}`);

  const objective = [
    ...weights.flatMap((weight, r) => steps.map(({ slope }, k) => term(weight * slope, `u${r}_${k}`))),
    ...items.flatMap(({ value }, i) => (value === 0 ? [] : [x(value, i)])),
    ...arcs.flatMap((arc) => (arc.points === 0 ? [] : [y(-arc.points, arc)])),
  ];

  const byDrill = new Map<string, number[]>();
  items.forEach(({ drill }, i) => byDrill.set(drill, [...(byDrill.get(drill) ?? []), i]));
  const of = (drill: string) => byDrill.get(drill) ?? [];
  for (const own of byDrill.values())
    add(
      own.map((i) => x(1, i)),
      '<= 1',
    );
  for (const must of problem.musts)
    add(
      of(must).map((i) => x(1, i)),
      '= 1',
    );
  for (const [a, b] of problem.clashes) {
    if (a !== b && of(a).length > 0 && of(b).length > 0)
      add(
        [...of(a), ...of(b)].map((i) => x(1, i)),
        '<= 1',
      );
  }
  add(
    items.map((_, i) => x(1, i)),
    `<= ${problem.mostItems}`,
  );
  const capped = (most: number, used: (item: PlanningProblem['items'][number]) => number, more: string[] = []) => {
    if (!Number.isFinite(most)) return;
    add([...items.flatMap((item, i) => (used(item) === 0 ? [] : [x(used(item), i)])), ...more], `<= ${most}`);
  };
  capped(
    problem.mostSeconds,
    ({ seconds }) => seconds,
    arcs.flatMap((arc) => (arc.seconds === 0 ? [] : [y(arc.seconds, arc)])),
  );
  capped(problem.mostHoldSeconds, ({ holdSeconds }) => holdSeconds);
  for (const kind of new Set(items.flatMap(({ alike }) => alike ?? [])))
    capped(problem.mostAlike, ({ alike }) => Number(alike === kind));
  capped(problem.mostNew, ({ isNew }) => Number(isNew));
  add(
    arcs.filter(({ base }) => base).map((arc) => y(1, arc)),
    `<= ${problem.mostBaseChanges}`,
  );
  if (problem.settleFirst)
    add(
      items.flatMap(({ stage }, i) => (stage === 0 ? [x(1, i)] : [])),
      '>= 1',
    );
  if (problem.carryLast)
    add(
      items.flatMap(({ stage }, i) => (stage === 3 ? [x(1, i)] : [])),
      '= 1',
    );

  items.forEach(({ level, stage, needs, holds }, i) => {
    for (const need of needs)
      add(
        [
          x(1, i),
          ...of(need)
            .filter((j) => j < i)
            .map((j) => x(-1, j)),
        ],
        '<= 0',
      );
    // What can't stand first must follow something nearly as hard.
    if (!problem.settleFirst || stage > 0) {
      const before = items.flatMap((other, j) =>
        j < i && other.level >= level - problem.mostLevelRise ? [x(-1, j)] : [],
      );
      add([x(1, i), ...before], '<= 0');
    } else if (level > problem.mostLevelRise + 1) throw new Error('The model takes settling as gentle.');
    if (!holds) return;
    items.forEach((other, j) => {
      if (j <= i || !other.holds) return;
      const between = items.flatMap((_, k) => (k > i && k < j ? [x(-1, k)] : []));
      add([x(1, i), x(1, j), ...between], '<= 1');
    });
  });
  groups.forEach(({ items: own }, g) => {
    for (const i of own) add([x(1, i), term(-1, `a${g}`)], '<= 0');
    add([term(1, `a${g}`), ...own.map((i) => x(-1, i))], '<= 0');
    add([term(1, `b${g}`), ...arcs.filter(({ to }) => to === g).map((arc) => y(1, arc)), term(-1, `a${g}`)], '= 0');
    add([term(1, `e${g}`), ...arcs.filter(({ from }) => from === g).map((arc) => y(1, arc)), term(-1, `a${g}`)], '= 0');
  });
  add(
    groups.map((_, g) => term(1, `b${g}`)),
    '<= 1',
  );
  weights.forEach((_, r) => {
    const gained = items.flatMap(({ gains }, i) => (gains[r] ? [x(-gains[r], i)] : []));
    add([...steps.map((_step, k) => term(1, `u${r}_${k}`)), ...gained], '<= 0');
  });

  const widths = steps.map(({ upTo }, k) => upTo - (steps[k - 1]?.upTo ?? 0));
  const bounds = weights.flatMap((_, r) => widths.map((width, k) => ` 0 <= u${r}_${k} <= ${width}`));
  const binary = [
    ...items.map((_, i) => `x${i}`),
    ...groups.flatMap((_, g) => [`a${g}`, `b${g}`, `e${g}`]),
    ...arcs.map(({ from, to }) => `y${from}_${to}`),
  ];
  return [
    'Maximize',
    ` obj: ${objective.join(' ')}`,
    'Subject To',
    ...rows,
    'Bounds',
    ...bounds,
    'Binary',
    ` ${binary.join('\n ')}`,
    'End',
  ].join('\n');
}

type Solver = Awaited<ReturnType<typeof highsLoader>>;
let loading: Promise<Solver> | null = null;

/** The independent solver, loaded once. */
export const solver = (): Promise<Solver> => (loading ??= highsLoader());

/** The best choice by the independent solver; null when nothing keeps the rules. */
export function solveWith(highs: Solver, problem: PlanningProblem): { points: number; chosen: number[] } | null {
  const { Status, ObjectiveValue, Columns } = highs.solve(modelOf(problem), {
    mip_rel_gap: 0,
    mip_abs_gap: 0.5,
    output_flag: false,
  });
  if (Status !== 'Optimal') return null;
  const chosen = problem.items.flatMap((_, i) =>
    ((Columns as Record<string, { Primal?: number }>)[`x${i}`]?.Primal ?? 0) > 0.5 ? [i] : [],
  );
  return { points: Math.round(ObjectiveValue), chosen };
}
