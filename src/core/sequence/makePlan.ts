import { positions } from '../catalogue';
import { type SkillId, skills } from '../read';
import { type Reason, capital, commonPractice, listed, lowered } from '../reasons';
import { type RegionId, regions } from '../trunk';
import { type Candidate, type PlanContext, type Wanted, gatherCandidates } from './candidates';
import { type Plan, type PlanRequest, recheckSeconds } from './plan';
import { type Selection, marginalPoints, obstacle, search } from './search';

/**
 * Makes a plan for an intent: settles first, exhale before inhale work where the intent asks for it, gentle to demanding,
 * within the minutes, the props, the gates and the hold cap. The answer is one and the same everywhere; `proven` says
 * whether the whole space was searched or the search was cut off.
 *
 * @param request what the coach asked for
 * @param context gates, yields and history
 * @param newId gives ids for the items
 * @example makePlan(request, context, () => crypto.randomUUID()).items.length
 */
export function makePlan(request: PlanRequest, context: PlanContext, newId: () => string): Plan {
  const { candidates, wanted, refusals } = gatherCandidates(request, context);
  const { best, proven } = search(candidates, wanted, request);
  const items = best.chosen.map((candidate, i) => ({
    ...candidate.item,
    id: newId(),
    byHand: false,
    reasons: reasonsFor(candidate, wanted, context, i),
  }));
  const lost = candidates
    .filter(({ drill }) => !best.chosen.some((chosen) => chosen.drill.id === drill.id))
    .map(({ drill }) => drill.id);
  return {
    request,
    proven,
    items,
    refusals: [
      ...refusals,
      ...[...new Set(lost)].map((drillId) => ({
        drillId,
        reason: lostReason(drillId, candidates, best, wanted, request),
      })),
    ],
  };
}

function nameOf(key: RegionId | SkillId): string {
  return key in regions ? regions[key as RegionId].name : skills[key as SkillId];
}

function reasonsFor(candidate: Candidate, wanted: Wanted, context: PlanContext, index: number): Reason[] {
  const reason = (what: string, rule: string): Reason => ({ what, rule, records: [], provenance: commonPractice });
  const { drill, item } = candidate;
  const helped = wanted.keys
    .map((key, i) => ({ key, points: candidate.gains[i]! * wanted.weights[i]! }))
    .filter(({ points }) => points > 0)
    .sort((a, b) => b.points - a.points)
    .slice(0, 3);
  const opened = helped.filter(({ key }) => key in regions).map(({ key }) => nameOf(key));
  const trained = helped.filter(({ key }) => !(key in regions)).map(({ key }) => nameOf(key));
  const what = [
    ...(opened.length > 0 ? [`opens ${listed(opened)}`] : []),
    ...(trained.length > 0 ? [`trains ${listed(trained)}`] : []),
  ].join('; ');
  const list: Reason[] = [];
  if (index === 0) list.push(reason('Settles first.', 'Settling comes before everything.'));
  if (what) list.push(reason(`${what.charAt(0).toUpperCase()}${what.slice(1)}.`, 'Wanted by the intent'));
  const skipped = drill.positions.find(
    (position) => position !== item.position && positions[position].rank < positions[item.position].rank,
  );
  const gate = skipped
    ? context.gates.gates.find(
        ({ component, level }) =>
          level !== 'change' && (positions[skipped].components as readonly string[]).includes(component),
      )
    : undefined;
  if (skipped && gate) {
    list.push({
      ...gate.reason,
      what: `${capital(item.position)}, because ${skipped} is off: ${lowered(gate.reason.what)}.`,
    });
  }
  item.props.forEach((used, i) => {
    const meant = drill.props[i];
    if (meant && used !== meant) list.push(reason(`${capital(used)} instead of ${meant}.`, 'Props at hand'));
  });
  for (const change of item.changes) list.push(reason(`Changed: ${change}.`, 'Cautions'));
  list.push(reason('Start dose of the drill.', 'Begin small; change one thing at a time.'));
  return list;
}

function lostReason(
  drillId: string,
  candidates: readonly Candidate[],
  best: Selection,
  wanted: Wanted,
  request: PlanRequest,
): Reason {
  const own = candidates.filter(({ drill }) => drill.id === drillId);
  const helps = own.some(({ gains }) => gains.some((gain) => gain > 0));
  const reason = (what: string, rule: string): Reason => ({ what, rule, records: [], provenance: commonPractice });
  if (!helps) return reason('Nothing the intent wants.', 'Wanted by the intent');
  const blocked = obstacle(best.chosen, own[0]!, request);
  if (blocked) return reason(`${capital(blocked)}.`, 'Order and attention');
  const spare = request.minutes * 60 - recheckSeconds - best.seconds;
  const shortest = Math.min(...own.map(({ seconds }) => seconds));
  if (shortest > spare) return reason('No time left for it; what is in the plan answers more.', 'Minutes of the visit');
  const added = Math.max(...own.map((candidate) => marginalPoints(best.gains, candidate, wanted) - candidate.value));
  return reason(
    added <= 0 ? 'What it opens is covered by the others.' : 'Adds less than its change of position costs.',
    'Diminishing returns',
  );
}
