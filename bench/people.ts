import { type LookRecord, type ProtocolId, baseMap, bestGrades, blankRaw, rawSchemas } from '@/core/look';
import { likelyPatterns, readFindings, scorePatterns, leadSchoolFor } from '@/core/read';
import { type ConditionId, type AnswerDetail, conditionIds, emptyProfile, evaluateGates } from '@/core/safety';
import { type PlanContext, type PlanRequest, seenEffects } from '@/core/sequence';
import { type SchoolId } from '@/core/schools';
import { estimateYields, evenYields } from '@/core/trunk';
import { type Constructed, constructed } from '../demo/constructed';

const day = '2026-11-24';

/** What was seen of a constructed person, as records. */
export function recordsOf({ seen: { rate, ...seen } }: Constructed): LookRecord[] {
  const taps = rate ? Array.from({ length: rate + 2 }, (_, i) => Math.round((i * 6000) / rate) / 100) : [];
  return (Object.entries(seen) as [ProtocolId, object][]).map(([protocol, raw]) => ({
    id: `look-${protocol}`,
    visitId: 'visit',
    protocol,
    version: 1,
    moment: 'before',
    takenAt: `${day}T10:00:00.000Z`,
    raw: rawSchemas[protocol].parse({ ...blankRaw(protocol), ...(protocol === 'quietLook' ? { taps } : {}), ...raw }),
  })) as LookRecord[];
}

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
  const records = recordsOf(person);
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

/** The ten of the review, one for each main pattern, and the even one. */
export const ten = constructed;
