import { type PositionId, bodyProps, findDrill, positions, props } from '../catalogue';
import { durationInWords, holdCapSeconds, isHold } from '../dose';
import { type Gates, checkComponents, refusalInWords } from '../safety';
import { type Plan, type PlanItem, drillOf, itemComponents, planTotals } from './plan';
import { mostBaseChanges } from './search';

/** A problem with a plan: `off` may not be coached, `mind` is a warning that leaves the choice with the coach. */
export interface Problem {
  level: 'off' | 'mind';
  itemId: string | null;
  what: string;
  wayOut: string;
}

/**
 * Checks a plan as it stands, whoever made it. Run on every hand edit, and again whenever the plan is opened, since gates
 * are a function of the day.
 *
 * @returns all problems, `off` first; empty when the plan may be coached as it is
 */
export function checkPlan(plan: Plan, gates: Gates): Problem[] {
  const perItem = plan.items.flatMap((item, i) => itemProblems(item, plan.items[i - 1] ?? null, gates, plan));
  const { whole, baseChanges } = planTotals(plan.items);
  const problems: Problem[] = [...perItem];
  const mind = (what: string, wayOut: string) => problems.push({ level: 'mind', itemId: null, what, wayOut });
  const limit = plan.request.minutes * 60;
  if (whole.seconds > limit) {
    mind(
      `${durationInWords(whole.seconds - limit)} longer than the ${plan.request.minutes} minutes there are.`,
      'Take breaths or an item out.',
    );
  }
  if (baseChanges > mostBaseChanges) {
    mind(`${baseChanges} changes between floor, chair and standing.`, 'Put items in the same position together.');
  }
  if (whole.holdSeconds > holdCapSeconds) {
    problems.push({
      level: 'off',
      itemId: null,
      what: `${Math.round(whole.holdSeconds)} s of holds; the cap is ${holdCapSeconds} s.`,
      wayOut: 'Shorten a pause or take breaths out.',
    });
  }
  return problems.sort((a, b) => Number(a.level === 'mind') - Number(b.level === 'mind'));
}

function itemProblems(item: PlanItem, previous: PlanItem | null, gates: Gates, plan: Plan): Problem[] {
  const problems: Problem[] = [];
  const add = (level: Problem['level'], what: string, wayOut: string) =>
    problems.push({ level, itemId: item.id, what, wayOut });
  if (!findDrill(item.drillId)) {
    add('off', 'This drill is no longer in the catalogue.', 'Take it out.');
    return problems;
  }
  const drill = drillOf(item);
  const refusal = refusalInWords(checkComponents(gates, itemComponents(item)));
  if (refusal) add('off', `${drill.name}: ${refusal}`, wayOutOf(item, drill.positions, gates));
  if (previous && item.cadences.some(isHold) && previous.cadences.some(isHold)) {
    add('off', `${drill.name}: two holds back to back.`, 'Put something without a pause between them.');
  }
  const missing = item.props.filter((prop) => !plan.request.propsAtHand.includes(prop) && !bodyProps.includes(prop));
  for (const prop of missing) add('mind', `${drill.name}: ${props[prop].name} is not at hand.`, 'Tick it, or swap.');
  for (const words of doseProblems(item))
    add('mind', `${drill.name}: ${words}`, 'Bring it back, or keep it knowingly.');
  return problems;
}

/** The smallest change that would make an item allowed, in words. */
function wayOutOf(item: PlanItem, allowed: readonly PositionId[], gates: Gates): string {
  const fits = (change: Partial<PlanItem>) => checkComponents(gates, itemComponents({ ...item, ...change })).allowed;
  const withoutPause = item.cadences.map((breath) => ({ ...breath, topPauseSeconds: 0, bottomPauseSeconds: 0 }));
  if (fits({ cadences: withoutPause })) return 'Drop the pause.';
  const position = allowed.find((candidate) => fits({ position: candidate }));
  if (position) return `Do it in ${positions[position].name}.`;
  const both = allowed.find((candidate) => fits({ position: candidate, cadences: withoutPause }));
  return both ? `Do it in ${positions[both].name} and drop the pause.` : 'Swap it for another.';
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
