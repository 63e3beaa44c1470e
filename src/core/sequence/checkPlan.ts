import { type Drill, bodyProps, findDrill, positions, props } from '../catalogue';
import { durationInWords, isHold } from '../dose';
import { intents } from '../read';
import { type Gates, refusalInWords } from '../safety';
import { axes, clashes, everydayRules, schools } from '../schools';
import { clashingPairs, limitsOf } from './allowance';
import { stepOf } from './step';
import { type Break, type Limits, breaksOf, choiceRules } from './choiceRules';
import { refitted, refusalsOf } from './fit';
import { thingsKnown } from './newThings';
import { type Plan, type PlanItem } from './planSchema';
import { drillOf, knownDrill } from './plan';
import { type PlanContext } from './setting';
import { type BrokenRule, type ChoiceRuleId, type PlanRuleId, broken, planRules } from './planRules';

/**
 * Checks a plan as it stands, whoever made it. Run on every hand edit, and again whenever the plan is opened, since gates
 * are a function of the day.
 *
 * @param known how drills went before, and the coach's own drills: what was learnt of those is not new either
 * @returns all problems, `off` first; empty when the plan may be coached as it is
 */
export function checkPlan(plan: Plan, gates: Gates, known: KnownOf = {}): BrokenRule[] {
  const { rules, limits } = seenAs(plan, gates, known);
  const told = rules.flatMap(({ code, breaks }) =>
    breaks.flatMap((one) => wordsFor[code](one, plan, limits).map((what) => ({ code, at: placeOf(code, one), what }))),
  );
  const at = (place: number | null) => told.filter((one) => one.at === place);
  const problems = [
    ...plan.items.flatMap((item, i) => [
      ...itemProblems(item, gates, plan),
      ...at(i).map(({ code, what }) => broken(code, item.id, `${drillOf(item).name}: ${what}`)),
      ...openingTooSoon(plan, i),
      ...againstTheSchool(plan, i),
    ]),
    // One word for all that share it.
    ...[...new Map(at(null).map((one) => [one.what, one])).values()].map(({ code, what }) => broken(code, null, what)),
  ];
  return problems.sort((a, b) => Number(a.level === 'mind') - Number(b.level === 'mind'));
}

type KnownOf = { [K in 'history' | 'ownDrills']?: PlanContext[K] | undefined };

/** What the planner alone keeps to: a coach may carry over as much as they like, and leave out what was asked for. */
type PlannersOwn = 'carriesTwice' | 'mustMissing';
type CheckedId = Exclude<ChoiceRuleId, PlannersOwn>;

const drillAt = ({ items }: Plan, at: number) => drillOf(items[at]!);
const namesOf = (ids: readonly string[]) => ids.map((id) => findDrill(id)?.name ?? id).join(', ');
const contradiction = ({ axis, one, other }: ReturnType<typeof clashes>[number], name: string) =>
  `${axes[axis].name} “${one}”; ${name} says “${other}”.`;

/** What a broken rule is told in, in the order they are told. Nothing is said of what a coach marked as meant. */
const wordsFor: { [C in CheckedId]: (one: Break, plan: Plan, limits: Limits) => readonly string[] } = {
  holdAfterHold: () => ['two holds back to back.'],
  wantsBefore: ({ missing = [] }) => [`wants ${namesOf(missing)} before it.`],
  stepsUp: ({ at, count }, plan) => [`a step up from ${count} to ${drillAt(plan, at!).level} of 6.`],
  twice: () => ['is in the plan twice.'],
  contradicts: ({ at, other }, plan) => {
    if ([at!, other!].some((place) => plan.items[place]!.contrast)) return [];
    const [one, earlier] = [drillAt(plan, at!), drillAt(plan, other!)];
    return clashes(everydayRules(one.stances), everydayRules(earlier.stances)).map((clash) =>
      contradiction(clash, earlier.name),
    );
  },
  tooLong: ({ count = 0 }, { request }, { mostSeconds }) => [
    `${durationInWords(count - mostSeconds)} longer than the ${request.minutes} minutes there are.`,
  ],
  basesChange: ({ count }) => [`${count} changes between floor, chair and standing.`],
  notSettled: () => ['It does not begin with settling.'],
  notCarried: () => ['Nothing at the end carries it into the day.'],
  tooMany: ({ count }, { request }, { mostItems }) => [
    `${count} things; ${mostItems} are enough for ${request.minutes} minutes.`,
  ],
  tooNew: ({ count }, _, { mostNew }) => [`${count} things to learn; ${mostNew} a visit are enough.`],
  tooAlike: ({ count, word }) => [`${count} things of the same breath and shape: ${word}.`],
  holdsTooLong: ({ count = 0 }, _, { mostHoldSeconds }) => [
    `${Math.round(count)} s of holds; the cap is ${mostHoldSeconds} s.`,
  ],
};

/** What shares too much is told of the plan as a whole; the same drill twice where it stands again. */
const placeOf = (code: CheckedId, { at }: Break) => (code === 'tooAlike' ? null : at);

/** A plan made by hand as the rules see it, and where it breaks each. What the catalogue no longer has takes its time and is like nothing. */
function seenAs(plan: Plan, gates: Gates, { history = [], ownDrills = [] }: KnownOf) {
  const { request, items } = plan;
  const setting = {
    request,
    history: new Map(history.map((entry) => [entry.drillId, entry])),
    known: thingsKnown(history, (id) => ownDrills.find((own) => own.id === id) ?? findDrill(id)),
  };
  const steps = items.map((item) => stepOf(drillOf(item), item, setting));
  const known = items.flatMap((item, at) => {
    const drill = knownDrill(item);
    return drill ? [{ item, drill, at }] : [];
  });
  const limits: Limits = {
    ...limitsOf(request.minutes),
    mostHoldSeconds: gates.holdSeconds,
    clashes: clashingPairs(known),
    settleFirst: true,
    carryLast: true,
  };
  const there = known.map(({ at }) => steps[at]!);
  const inPlan = ({ at, other, ...rest }: Break): Break => ({
    ...rest,
    at: at === null ? null : known[at]!.at,
    ...(other === undefined ? {} : { other: known[other]!.at }),
  });
  const rules = (Object.keys(wordsFor) as CheckedId[]).map((code) => ({
    code,
    breaks:
      choiceRules[code].shape === 'sum' ? breaksOf(code, steps, limits) : breaksOf(code, there, limits).map(inPlan),
  }));
  return { rules, limits };
}

function itemProblems(item: PlanItem, gates: Gates, plan: Plan): BrokenRule[] {
  const problems: BrokenRule[] = [];
  const add = (code: PlanRuleId, what: string) => problems.push(broken(code, item.id, what));
  if (!knownDrill(item)) {
    add('gone', 'This drill is no longer in the catalogue.');
    return problems;
  }
  const drill = drillOf(item);
  const refusal = refusalInWords({ refusals: refusalsOf(item, gates) });
  if (refusal) {
    problems.push({ ...broken('gated', item.id, `${drill.name}: ${refusal}`), ...wayOutOf(item, gates) });
  }
  const missing = item.props.filter((prop) => !plan.request.propsAtHand.includes(prop) && !bodyProps.includes(prop));
  for (const prop of missing) add('propMissing', `${drill.name}: ${props[prop].name} is not at hand.`);
  for (const words of doseProblems(item)) add('doseUnusual', `${drill.name}: ${words}`);
  return problems;
}

const exhales = (item: PlanItem) => {
  const drill: Drill | undefined = knownDrill(item);
  return drill !== undefined && (drill.skills.exhale ?? 0) >= 3 && drill.family !== 'carry';
};

/** What opens waits for the exhale, where the intent asks for it. */
function openingTooSoon({ items, request }: Plan, index: number): BrokenRule[] {
  const item = items[index]!;
  const drill = knownDrill(item);
  const opens = drill?.family === 'open' || drill?.family === 'stack';
  if (!opens || !intents[request.intent].exhaleFirst || !items.slice(index + 1).some(exhales)) return [];
  return [broken('opensFirst', item.id, `${drill.name}: opens before the exhale was worked.`)];
}

/** Everyday rules that contradict the lead school's. */
function againstTheSchool({ items, request }: Plan, index: number): BrokenRule[] {
  const item = items[index]!;
  const drill = knownDrill(item);
  if (!drill || item.contrast) return [];
  const school = schools[request.leadSchool];
  return clashes(everydayRules(drill.stances), school.everyday).map((clash) =>
    broken('contradicts', item.id, `${drill.name}: ${contradiction(clash, `${school.name}, which leads,`)}`),
  );
}

/** The smallest change that would make an item allowed, in words, and the item so changed. */
function wayOutOf(item: PlanItem, gates: Gates): { wayOut: string; fix?: PlanItem } {
  const fix = refitted(item, gates);
  if (!fix) return { wayOut: planRules.gated.wayOut };
  const moved = fix.position === item.position ? [] : [`in ${positions[fix.position].name}`];
  const sided = fix.side === item.side ? [] : [`${fix.side} side up only`];
  const parts = [...moved, ...sided, ...fix.changes].join('; ');
  if (parts === '') return { wayOut: item.cadences.some(isHold) ? 'Drop the pause.' : 'Take the dose back.', fix };
  return { wayOut: `Do it ${moved.length > 0 ? '' : 'so: '}${parts}.`, fix };
}

function doseProblems(item: PlanItem): string[] {
  const drill = drillOf(item);
  const outside = (value: number, { min, max }: { min: number; max: number }) => value < min || value > max;
  const words: string[] = [];
  if (outside(item.breaths, drill.breaths)) {
    words.push(`${item.breaths} breaths, usual ${drill.breaths.min} to ${drill.breaths.max}.`);
  }
  if (outside(item.sets, drill.sets)) words.push(`${item.sets} sets, usual ${drill.sets.min} to ${drill.sets.max}.`);
  const [first] = item.cadences;
  if (drill.breath.kind === 'steady' && first) {
    const { breath } = drill;
    const rows = [
      ['in', first.inhaleSeconds, breath.inhale],
      ['out', first.exhaleSeconds, breath.exhale],
      ['pause after the inhale', first.topPauseSeconds, breath.topPause],
      ['pause after the exhale', first.bottomPauseSeconds, breath.bottomPause],
    ] as const;
    for (const [name, value, range] of rows) {
      if (outside(value, range)) words.push(`${value} s ${name}, usual ${range.min} to ${range.max}.`);
    }
  }
  return words;
}
