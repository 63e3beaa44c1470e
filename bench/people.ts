import { baseMap, bestGrades } from '@/core/look';
import { likelyPatterns, readFindings, scorePatterns, leadSchoolFor } from '@/core/read';
import { type ConditionId, type AnswerDetail, conditionIds, emptyProfile, evaluateGates } from '@/core/safety';
import { type PlanContext, type PlanRequest, seenEffects } from '@/core/sequence';
import { type SchoolId } from '@/core/schools';
import { estimateYields, evenYields } from '@/core/trunk';
import { type Constructed, recordsOf } from '../demo/constructed';

const day = '2026-11-24';

/** A person as the planner would be asked about them: read, confirmed as read, with what they said of themselves. */
export function asked(
  person: Constructed,
  minutes: number,
  {
    conditions = {},
    props = ['towel', 'pillow', 'wall', 'chair', 'straw', 'block', 'table', 'ball', 'halfDome', 'band'],
    leadSchool,
  }: {
    conditions?: Partial<Record<ConditionId, AnswerDetail>>;
    props?: PlanRequest['propsAtHand'];
    leadSchool?: SchoolId;
  } = {},
): { request: PlanRequest; context: PlanContext } {
  const records = recordsOf(person.seen);
  const findings = readFindings(records);
  const { shown } = likelyPatterns(scorePatterns(findings), findings);
  const patterns = shown.slice(0, 1).map(({ pattern }) => pattern);
  const [first] = patterns;
  const sided = findings.find(({ side }) => side)?.side;
  const map = baseMap(records, 'before');
  const answers = Object.fromEntries(
    conditionIds.map((id) => [
      id,
      {
        value: conditions[id] ? ('yes' as const) : ('no' as const),
        day,
        recordId: 'fact',
        detail: conditions[id] ?? {},
      },
    ]),
  );
  return {
    request: {
      intent: first!.intent,
      side: first!.intent === 'openOneSide' ? (sided ?? 'left') : null,
      minutes,
      propsAtHand: props,
      leadSchool:
        leadSchool ??
        leadSchoolFor(
          patterns.map(({ id }) => id),
          'openAllRegions',
        ).school,
    },
    context: {
      gates: evaluateGates({ ...emptyProfile, answers }, day),
      yields: map ? estimateYields(bestGrades(map.raw), seenEffects(map.raw.position)) : evenYields(),
      confirmedPatterns: patterns.map(({ id }) => id),
      confirmedFindings: findings.map(({ id, severity, side }) => ({ id, severity, ...(side ? { side } : {}) })),
      stoppedDrills: [],
    },
  };
}
