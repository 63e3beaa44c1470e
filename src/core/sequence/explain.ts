import { positions } from '../catalogue';
import { type SkillId, patterns, skills } from '../read';
import { type Reason, capital, listed, lowered } from '../reasons';
import { because } from './reasonRules';
import { inShort } from './planRules';
import { type RegionId, regions } from '../trunk';
import { type Candidate } from './candidates';
import { type LaidOut } from './layOut';
import { type PlanningProblem, diminishing } from './problem';
import { gainsOf, keepsRules, pointsFor, pointsWith, tally } from './tally';
import { type PlanContext, type Wanted } from './setting';

const wantedName = (key: RegionId | SkillId): string =>
  key in regions ? regions[key as RegionId].name : skills[key as SkillId];

/** Why an item is in, why here, and why at this dose. */
export function presentReasons(
  candidate: Candidate,
  index: number,
  chosen: readonly Candidate[],
  { wanted, problem, firstAnswers }: LaidOut,
  context: PlanContext,
): Reason[] {
  return [
    whyIt(candidate, index, chosen, wanted, problem.steps),
    ...whyFirst(candidate, firstAnswers, context),
    ...whyAnswers(candidate),
    whyHere(candidate, index, chosen),
    ...whyThisForm(candidate, context),
    whyThisDose(candidate),
  ];
}

/** What the plan would lose without it: its own gain where the others leave room. */
function whyIt(
  candidate: Candidate,
  index: number,
  chosen: readonly Candidate[],
  { keys, weights }: Wanted,
  steps: PlanningProblem['steps'],
): Reason {
  const helped = keys
    .map((key, i) => {
      const others = chosen.reduce((sum, other, at) => sum + (at === index ? 0 : other.gains[i]!), 0);
      const points = weights[i]! * (diminishing(others + candidate.gains[i]!, steps) - diminishing(others, steps));
      return { key, points };
    })
    .filter(({ points }) => points > 0)
    .sort((a, b) => b.points - a.points)
    .slice(0, 3);
  const opened = helped.filter(({ key }) => key in regions).map(({ key }) => wantedName(key));
  const trained = helped.filter(({ key }) => !(key in regions)).map(({ key }) => wantedName(key));
  const parts = [
    ...(opened.length > 0 ? [`opens ${listed(opened)}`] : []),
    ...(trained.length > 0 ? [`trains ${listed(trained)}`] : []),
  ];
  if (parts.length > 0) return because('wantedBeyond', `${capital(parts.join('; '))}.`);
  if (candidate.step.stage === 0) return because('settlesFirst', 'Brings the client to rest before anything is asked.');
  if (candidate.step.stage === 3) return because('endsInDay', 'Takes what was found into the day.');
  return because('confirmed', 'Answers what was found.');
}

const ordinals = ['First', 'Second', 'Third', 'Fourth'];

/** A first answer to what was confirmed is in because it is that. */
function whyFirst({ drill }: Candidate, firstAnswers: readonly string[], context: PlanContext): Reason[] {
  const at = firstAnswers.indexOf(drill.id);
  const lead = patterns.find(({ id }) => id === context.confirmedPatterns[0]);
  if (at < 0 || !lead) return [];
  return [because('firstAnswers', `${ordinals[at] ?? 'Another'} answer to “${lead.name}”, in its order of work.`)];
}

const whyAnswers = ({ valueParts }: Candidate): Reason[] =>
  valueParts
    .filter(({ points, code }) => points > 0 && code !== 'answers')
    .map(({ why }) => because('fit', `${capital(why)}.`));

function whyHere(candidate: Candidate, index: number, chosen: readonly Candidate[]): Reason {
  const previous = chosen[index - 1];
  const next = chosen[index + 1];
  if (index === 0) return because('order', 'First: settling comes before everything.');
  if (candidate.step.stage === 3) return because('order', 'Last: carried over into daily posture, then the recheck.');
  if (candidate.step.stage === 1) return because('order', 'Here: the exhale comes before inhale work.');
  if (previous && next && next.step.stage === 2 && next.item.position === candidate.item.position) {
    return because('fewChanges', `Here: together with what else is done in ${candidate.item.position}.`);
  }
  if (previous?.item.position === candidate.item.position) {
    return because('gentle', `Here: ${candidate.item.position} goes on, a little harder.`);
  }
  return because('floorToStanding', `Here: ${candidate.item.position} comes after ${previous!.item.position}.`);
}

function whyThisForm({ drill, item }: Candidate, context: PlanContext): Reason[] {
  const list: Reason[] = [];
  const skipped = drill.positions.find(
    (position) => position !== item.position && positions[position].rank < positions[item.position].rank,
  );
  const gate = skipped
    ? context.gates.gates.find(
        ({ component, level, form }) =>
          (level !== 'change' || form === 'offTheBack') &&
          (positions[skipped].components as readonly string[]).includes(component),
      )
    : undefined;
  if (skipped && gate) {
    const what = `${capital(item.position)}, because ${skipped} is off: ${lowered(gate.reason.what)}.`;
    list.push({ ...gate.reason, what });
  }
  item.props.forEach((used, i) => {
    const meant = drill.props[i];
    if (meant && used !== meant) list.push(because('propsAtHand', `${capital(used)} instead of ${meant}.`));
  });
  for (const change of item.changes) list.push(because('cautions', `Changed: ${change}.`));
  return list;
}

const doseWords = {
  start: ['The drill’s start dose.', 'smallBegin'],
  prescribed: ['The dose this client has reached.', 'steps'],
  kept: ['Kept as you set it.', 'locked'],
} as const;

function whyThisDose({ dose, drill }: Candidate): Reason {
  const [what, rule] = doseWords[dose];
  return { ...because(rule, what), provenance: dose === 'kept' ? { kind: 'set by you' } : drill.provenance };
}

/** For each drill that could have been chosen and was not: the rule or the loss that kept it out, the expected ones first. */
export function absentReasons(
  chosen: readonly number[],
  laid: LaidOut,
  context: PlanContext,
): { drillId: string; reason: Reason }[] {
  const { candidates, problem } = laid;
  const inPlan = new Set(chosen.map((index) => candidates[index]!.drill.id));
  const absent = new Map<string, { index: number; expected: number }[]>();
  candidates.forEach(({ drill }, index) => {
    if (inPlan.has(drill.id)) return;
    const expected = drill.answers.filter((pattern) => context.confirmedPatterns.includes(pattern)).length;
    absent.set(drill.id, [...(absent.get(drill.id) ?? []), { index, expected }]);
  });
  const points = pointsFor(problem, chosen);
  const without = chosen.map((out): Without => {
    const rest = chosen.filter((kept) => kept !== out);
    return { out, rest, gained: gainsOf(problem, rest) };
  });
  return [...absent]
    .sort(([, a], [, b]) => b[0]!.expected - a[0]!.expected)
    .map(([drillId, own]) => ({
      drillId,
      reason: absentReason(
        own.map(({ index }) => index),
        chosen,
        laid,
        points,
        without,
      ),
    }));
}

/** A choice without one of its items, and what is left to gain. */
interface Without {
  out: number;
  rest: readonly number[];
  gained: readonly number[];
}

/** A choice and one more, in the problem's order. */
function withOne(chosen: readonly number[], index: number): number[] {
  const place = chosen.findIndex((other) => other > index);
  return place < 0 ? [...chosen, index] : [...chosen.slice(0, place), index, ...chosen.slice(place)];
}

function absentReason(
  own: readonly number[],
  chosen: readonly number[],
  { problem, candidates }: LaidOut,
  points: number,
  without: readonly Without[],
): Reason {
  const helps = own.some((index) => candidates[index]!.gains.some((gain) => gain > 0));
  if (!helps) return because('wanted', 'Nothing the intent wants.');
  const added = own
    .map((index) => withOne(chosen, index))
    .filter((more) => keepsRules(problem, more))
    .map((more) => pointsFor(problem, more) - points);
  if (added.length > 0) {
    return Math.max(...added) <= -40
      ? because('worth', 'Adds less than its change of position, props and attention cost.')
      : because('diminishing', 'What it opens is covered by the others.');
  }
  if (chosen.length === 0) return because('hardRules', 'No plan keeps all the rules.');
  // There is no room beside the others: what would it be worth in the place of one of them?
  const exchanges = own
    .flatMap((index) => {
      const { gains } = candidates[index]!;
      return without.map(({ out, rest, gained }) => {
        const then = withOne(rest, index);
        return {
          out,
          then,
          points: pointsWith(
            gained.map((gain, i) => gain + gains[i]!),
            problem,
            then,
          ),
        };
      });
    })
    .sort((a, b) => b.points - a.points);
  const best = exchanges.find(({ then }) => keepsRules(problem, then));
  if (!best) {
    const [broken] = tally(problem, exchanges[0]!.then).broken;
    return because('hardRules', `With it the plan would be ${broken ? inShort(broken) : 'against a rule'}.`);
  }
  const name = candidates[best.out]!.drill.name;
  const part = points > 0 ? Math.round((100 * (points - best.points)) / points) : 0;
  return part <= 0
    ? because('worth', `As good as ${name}, which is in; the plan keeps one of them.`)
    : because('worth', `Would push out ${name} and cost about ${part} % of the plan’s worth.`);
}
