import { type ChoiceRuleId } from './planRules';
import { type Change, type PlanningItem, type PlanningProblem } from './problem';

/** What the rules look at in one thing of a plan, and in what a plan may use. */
export type Step = Omit<PlanningItem, 'gains' | 'value'>;
export type Limits = Omit<PlanningProblem, 'items' | 'weights' | 'steps'>;

/**
 * A rule on which things may stand in a plan together, and how. Its shapes are few, so that one statement serves both who counts
 * as a plan grows, the search, and who holds a whole plan against it, the judge and the checker.
 */
export type ChoiceRule =
  /** What all of them use, the changes between them counted in, is at most so much. */
  | {
      shape: 'sum';
      of: (step: Step) => number;
      change?: (change: Change) => number;
      most: (limits: Limits) => number;
    }
  /** Of those with the same word there are at most so many; null shares with nothing. */
  | { shape: 'shared'; word: (step: Step) => string | null; most: (limits: Limits) => number }
  /** Two of the kind never follow each other. */
  | { shape: 'neverInARow'; is: (step: Step) => boolean }
  /** It rises by at most so much over the highest so far. */
  | { shape: 'rise'; of: (step: Step) => number; most: (limits: Limits) => number }
  /** Each comes after those drills. */
  | { shape: 'after'; drills: (step: Step) => readonly string[] }
  /** Only such a one comes first of all, where that is asked; only such a one last, and nothing after it. */
  | { shape: 'first'; is: (step: Step) => boolean; asked: (limits: Limits) => boolean }
  | { shape: 'last'; is: (step: Step) => boolean; asked: (limits: Limits) => boolean }
  /** Two drills don't meet. */
  | { shape: 'apart'; pairs: (limits: Limits) => readonly (readonly [string, string])[] }
  /** Drills that are in. */
  | { shape: 'there'; drills: (limits: Limits) => readonly string[] };

const settles = 0;
const carries = 3;

/**
 * Every rule on choices, stated once; what each is called and the way out stand in `planRules.ts`, the sizes in `rules.ts`. The first
 * that is broken is the one a plan is said to break.
 */
export const choiceRules = {
  twice: { shape: 'shared', word: ({ drill }) => drill, most: () => 1 },
  tooMany: { shape: 'sum', of: () => 1, most: ({ mostItems }) => mostItems },
  tooLong: {
    shape: 'sum',
    of: ({ seconds }) => seconds,
    change: ({ seconds }) => seconds,
    most: ({ mostSeconds }) => mostSeconds,
  },
  holdsTooLong: { shape: 'sum', of: ({ holdSeconds }) => holdSeconds, most: ({ mostHoldSeconds }) => mostHoldSeconds },
  tooNew: { shape: 'sum', of: ({ isNew }) => Number(isNew), most: ({ mostNew }) => mostNew },
  tooAlike: { shape: 'shared', word: ({ alike }) => alike, most: ({ mostAlike }) => mostAlike },
  basesChange: {
    shape: 'sum',
    of: () => 0,
    change: ({ base }) => Number(base),
    most: ({ mostBaseChanges }) => mostBaseChanges,
  },
  notSettled: { shape: 'first', is: ({ stage }) => stage === settles, asked: ({ settleFirst }) => settleFirst },
  notCarried: { shape: 'last', is: ({ stage }) => stage === carries, asked: ({ carryLast }) => carryLast },
  carriesTwice: {
    shape: 'shared',
    word: ({ stage }) => (stage === carries ? 'carried' : null),
    most: ({ carryLast }) => (carryLast ? 1 : Number.POSITIVE_INFINITY),
  },
  holdAfterHold: { shape: 'neverInARow', is: ({ holds }) => holds },
  stepsUp: { shape: 'rise', of: ({ level }) => level, most: ({ mostLevelRise }) => mostLevelRise },
  wantsBefore: { shape: 'after', drills: ({ needs }) => needs },
  contradicts: { shape: 'apart', pairs: ({ clashes }) => clashes },
  mustMissing: { shape: 'there', drills: ({ musts }) => musts },
} as const satisfies Record<ChoiceRuleId, ChoiceRule>;

export const choiceRuleIds = Object.keys(choiceRules) as ChoiceRuleId[];

/** Rules of one shape, by their ids. @example rulesOf('rise').map(([id]) => id) // ['stepsUp'] */
export const rulesOf = <S extends ChoiceRule['shape']>(shape: S) =>
  choiceRuleIds.flatMap((id) => {
    const rule: ChoiceRule = choiceRules[id];
    return rule.shape === shape ? [[id, rule as Extract<ChoiceRule, { shape: S }>] as const] : [];
  });

/** Where and how a rule is broken. */
export interface Break {
  /** The thing that breaks it where it stands; null for the whole. */
  at: number | null;
  /** What there is of it: a sum, how many share a word, the level there was before. */
  count?: number;
  word?: string;
  /** The earlier one it does not meet; the drills that are missing. */
  other?: number;
  missing?: readonly string[];
}

type Reader<S extends ChoiceRule['shape']> = (
  rule: Extract<ChoiceRule, { shape: S }>,
  steps: readonly Step[],
  limits: Limits,
) => Break[];

/**
 * What all things of a plan use of what a rule adds up.
 *
 * @example usedOf('tooMany', steps, problem) === steps.length // true
 */
export function usedOf(id: ChoiceRuleId, steps: readonly Step[], { change }: Limits): number {
  const rule: ChoiceRule = choiceRules[id];
  if (rule.shape !== 'sum') return 0;
  return steps.reduce((sum, step, i) => {
    const between = i === 0 || !rule.change ? 0 : rule.change(change[steps[i - 1]!.position]![step.position]!);
    return sum + between + rule.of(step);
  }, 0);
}

function placesOf(steps: readonly Step[], word: (step: Step) => string | null): Map<string, number[]> {
  const places = new Map<string, number[]>();
  steps.forEach((step, at) => {
    const own = word(step);
    if (own === null) return;
    const known = places.get(own);
    if (known) known.push(at);
    else places.set(own, [at]);
  });
  return places;
}

const onlyAt = (steps: readonly Step[], is: (step: Step, i: number) => boolean): Break[] =>
  steps.flatMap((step, at) => (is(step, at) ? [{ at }] : []));

const readers: { [S in Exclude<ChoiceRule['shape'], 'sum'>]: Reader<S> } = {
  shared: ({ word, most }, steps, limits) =>
    [...placesOf(steps, word)].flatMap(([own, places]) =>
      places.slice(most(limits)).map((at) => ({ at, count: places.length, word: own })),
    ),
  neverInARow: ({ is }, steps) => onlyAt(steps, (step, i) => i > 0 && is(step) && is(steps[i - 1]!)),
  rise: ({ of, most }, steps, limits) =>
    steps.flatMap((step, at): Break[] => {
      const highest = Math.max(...steps.slice(0, at).map(of));
      return at > 0 && of(step) > highest + most(limits) ? [{ at, count: highest }] : [];
    }),
  after: ({ drills }, steps) =>
    steps.flatMap((step, at): Break[] => {
      const missing = drills(step).filter((id) => !steps.slice(0, at).some(({ drill }) => drill === id));
      return missing.length > 0 ? [{ at, missing }] : [];
    }),
  first: ({ is, asked }, [first], limits) => (asked(limits) && first && !is(first) ? [{ at: null }] : []),
  last: ({ is, asked }, steps, limits) => {
    const last = steps.at(-1);
    return asked(limits) && last && !is(last) ? [{ at: null }] : [];
  },
  apart: ({ pairs }, steps, limits) => {
    const places = placesOf(steps, ({ drill }) => drill);
    return pairs(limits).flatMap(([a, b]) => {
      const [ones, others] = [places.get(a), places.get(b)];
      if (!ones || !others) return [];
      return ones.flatMap((i) => others.map((j) => ({ at: Math.max(i, j), other: Math.min(i, j) })));
    });
  },
  there: ({ drills }, steps, limits) => {
    const missing = drills(limits).filter((id) => !steps.some(({ drill }) => drill === id));
    return missing.length > 0 ? [{ at: null, missing }] : [];
  },
};

/**
 * Where a plan breaks a rule, plainly; none where it keeps it.
 *
 * @param steps what stands in the plan, in its order
 * @example breaksOf('tooMany', [], problem) // []
 */
export function breaksOf(id: ChoiceRuleId, steps: readonly Step[], limits: Limits): Break[] {
  const rule: ChoiceRule = choiceRules[id];
  if (rule.shape === 'sum') {
    const count = usedOf(id, steps, limits);
    return count > rule.most(limits) ? [{ at: null, count }] : [];
  }
  const read = readers[rule.shape] as Reader<typeof rule.shape>;
  return read(rule, steps, limits);
}
