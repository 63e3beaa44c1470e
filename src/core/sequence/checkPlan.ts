import { type Drill, bodyProps, findDrill, positions, props } from '../catalogue';
import { durationInWords, isHold } from '../dose';
import { intents } from '../read';
import { type Gates, refusalInWords } from '../safety';
import { axes, clashes, everydayRules, schools } from '../schools';
import { type DrillHistory, isOwned } from './history';
import { refitted, refusalsOf } from './fit';
import { type Plan, type PlanItem } from './planSchema';
import { drillOf, knownDrill, planTotals } from './plan';
import { likenessOf } from './alike';
import { stageOf } from './candidates';
import { newThings, thingsKnown, toLearn } from './newThings';
import { type BrokenRule, type PlanRuleId, broken, planRules } from './planRules';
import { mostAlike, mostBaseChanges, mostItems, mostLevelRise, mostNewDrills } from './rules';

/**
 * Checks a plan as it stands, whoever made it. Run on every hand edit, and again whenever the plan is opened, since gates
 * are a function of the day.
 *
 * @returns all problems, `off` first; empty when the plan may be coached as it is
 */
export function checkPlan(plan: Plan, gates: Gates, history: readonly DrillHistory[] = []): BrokenRule[] {
  const perItem = plan.items.flatMap((item, i) => [
    ...itemProblems(item, plan.items[i - 1] ?? null, gates, plan),
    ...orderProblems(plan, i, history),
    ...clashProblems(plan, i),
  ]);
  const { whole, baseChanges } = planTotals(plan.items);
  const problems: BrokenRule[] = [...perItem];
  const add = (code: PlanRuleId, what: string) => problems.push(broken(code, null, what));
  const limit = plan.request.minutes * 60;
  if (whole.seconds > limit) {
    add(
      'tooLong',
      `${durationInWords(whole.seconds - limit)} longer than the ${plan.request.minutes} minutes there are.`,
    );
  }
  if (baseChanges > mostBaseChanges) {
    add('basesChange', `${baseChanges} changes between floor, chair and standing.`);
  }
  for (const [code, what] of wholeProblems(plan, history)) add(code, what);
  if (whole.holdSeconds > gates.holdSeconds) {
    add('holdsTooLong', `${Math.round(whole.holdSeconds)} s of holds; the cap is ${gates.holdSeconds} s.`);
  }
  return problems.sort((a, b) => Number(a.level === 'mind') - Number(b.level === 'mind'));
}

function itemProblems(item: PlanItem, previous: PlanItem | null, gates: Gates, plan: Plan): BrokenRule[] {
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
  if (previous && item.cadences.some(isHold) && previous.cadences.some(isHold)) {
    add('holdAfterHold', `${drill.name}: two holds back to back.`);
  }
  const missing = item.props.filter((prop) => !plan.request.propsAtHand.includes(prop) && !bodyProps.includes(prop));
  for (const prop of missing) add('propMissing', `${drill.name}: ${props[prop].name} is not at hand.`);
  for (const words of doseProblems(item)) add('doseUnusual', `${drill.name}: ${words}`);
  return problems;
}

/** Rules of order an item breaks where it stands. */
function orderProblems(plan: Plan, index: number, history: readonly DrillHistory[]): BrokenRule[] {
  const item = plan.items[index]!;
  const drill = knownDrill(item);
  if (!drill) return [];
  const before = plan.items.slice(0, index).flatMap((other) => knownDrill(other) ?? []);
  const problems: BrokenRule[] = [];
  const add = (code: PlanRuleId, what: string) => problems.push(broken(code, item.id, `${drill.name}: ${what}`));
  const owned = (id: string) => isOwned(history.find(({ drillId }) => drillId === id));
  const missing = drill.prerequisites.filter((id) => !owned(id) && !before.some((other) => other.id === id));
  if (missing.length > 0 && !owned(drill.id)) {
    add('wantsBefore', `wants ${missing.map((id) => findDrill(id)?.name ?? id).join(', ')} before it.`);
  }
  const hardest = Math.max(...before.map(({ level }) => level));
  if (before.length > 0 && drill.level > hardest + mostLevelRise) {
    add('stepsUp', `a step up from ${hardest} to ${drill.level} of 6.`);
  }
  const opens = drill.family === 'open' || drill.family === 'stack';
  const exhaleLater = plan.items
    .slice(index + 1)
    .some((other) => (knownDrill(other)?.skills.exhale ?? 0) >= 3 && knownDrill(other)!.family !== 'carry');
  if (intents[plan.request.intent].exhaleFirst && opens && exhaleLater) {
    add('opensFirst', 'opens before the exhale was worked.');
  }
  if (plan.items.slice(0, index).some(({ drillId }) => drillId === item.drillId)) {
    add('twice', 'is in the plan twice.');
  }
  return problems;
}

/** Everyday rules that contradict an earlier item's, or the lead school's. */
function clashProblems(plan: Plan, index: number): BrokenRule[] {
  const item = plan.items[index]!;
  const drill = knownDrill(item);
  if (!drill || item.contrast) return [];
  const rules = everydayRules(drill.stances);
  const against = (name: string, other: ReturnType<typeof everydayRules>): BrokenRule[] =>
    clashes(rules, other).map(({ axis, one, other: theirs }) =>
      broken('contradicts', item.id, `${drill.name}: ${axes[axis].name} “${one}”; ${name} says “${theirs}”.`),
    );
  const earlier = plan.items
    .slice(0, index)
    .filter(({ contrast }) => !contrast)
    .flatMap((other) => knownDrill(other) ?? []);
  const school = schools[plan.request.leadSchool];
  return [
    ...earlier.flatMap((other: Drill) => against(other.name, everydayRules(other.stances))),
    ...against(`${school.name}, which leads,`, school.everyday),
  ];
}

/** Rules the plan breaks as a whole. */
function wholeProblems({ items, request }: Plan, history: readonly DrillHistory[]): [PlanRuleId, string][] {
  const known = items.flatMap((item) => {
    const drill = knownDrill(item);
    return drill ? [{ item, drill }] : [];
  });
  if (known.length === 0) return [];
  const found: [boolean, PlanRuleId, string][] = [];
  const first = known[0]!.drill;
  const last = known.at(-1)!.drill;
  found.push([stageOf(first, request) !== 0, 'notSettled', 'It does not begin with settling.']);
  found.push([last.family !== 'carry', 'notCarried', 'Nothing at the end carries it into the day.']);
  const most = mostItems(request.minutes);
  found.push([
    items.length > most,
    'tooMany',
    `${items.length} things; ${most} are enough for ${request.minutes} minutes.`,
  ]);
  const things = thingsKnown(history);
  const doneBefore = (id: string) => history.some(({ drillId }) => drillId === id);
  const fresh = known.filter(({ drill }) => toLearn(drill, newThings(drill, doneBefore(drill.id), things))).length;
  found.push([fresh > mostNewDrills, 'tooNew', `${fresh} things to learn; ${mostNewDrills} a visit are enough.`]);
  const kinds = known.flatMap(({ drill, item }) => (drill.family === 'carry' ? [] : likenessOf(drill, item)));
  for (const kind of new Set(kinds)) {
    const count = kinds.filter((other) => other === kind).length;
    const what = `${count} things of the same breath and shape: ${kind}.`;
    found.push([count > mostAlike, 'tooAlike', what]);
  }
  return found.filter(([isBroken]) => isBroken).map(([, code, what]) => [code, what]);
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
