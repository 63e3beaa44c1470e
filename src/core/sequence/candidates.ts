import { type Drill, type PositionId, type PropId, drills, positions, props, substituteFor } from '../catalogue';
import { segmentsOf, totalsOf } from '../dose';
import { type ConfirmedFinding, type SkillId, intents, wantedFor } from '../read';
import { type Reason, commonPractice, lowered } from '../reasons';
import { type Gate, type Gates, checkComponents, components, refusalInWords } from '../safety';
import { clashes, everydayRules, schools } from '../schools';
import { type RegionId, type Shares, type TrunkEffect, predictShares, regionIds, regions } from '../trunk';
import { type PlanItem, type PlanRequest, itemComponents, startCadences } from './plan';

/** What the planner knows besides the request. */
export interface PlanContext {
  gates: Gates;
  /** How freely each part yields, from the look; even where nothing was seen. */
  yields: Shares;
  /** Patterns the coach confirmed. */
  confirmedPatterns: readonly string[];
  /** Findings as the coach left them when the reading was confirmed. */
  confirmedFindings?: readonly ConfirmedFinding[];
  /** Drills that ended in a stop and were not reviewed since, with the run that says so. */
  stoppedDrills: readonly { drillId: string; runId: string }[];
}

/** A drill in a position with props and its start dose, ready to be chosen, with what it would gain. */
export interface Candidate {
  item: Omit<PlanItem, 'id' | 'reasons' | 'byHand'>;
  drill: Drill;
  stage: number;
  /** Gain on each wanted thing, in tenths, by index into {@link Wanted}. */
  gains: number[];
  /** Indices of the gains above 0. */
  helps: number[];
  /** Seconds and hold seconds without the change into its position. */
  seconds: number;
  holdSeconds: number;
  value: number;
  holds: boolean;
}

/** The wanted parts and skills with their weights, in a fixed order. */
export interface Wanted {
  keys: (RegionId | SkillId)[];
  weights: number[];
}

export interface Gathered {
  candidates: Candidate[];
  wanted: Wanted;
  refusals: { drillId: string; reason: Reason }[];
}

/** What the intent and the confirmed findings want, laid out for the search. */
export function wantedOf(request: PlanRequest, findings: readonly ConfirmedFinding[] = []): Wanted {
  const all = Object.entries(wantedFor(request.intent, request.side, findings)) as [RegionId | SkillId, number][];
  return { keys: all.map(([key]) => key), weights: all.map(([, weight]) => weight) };
}

/** Effects on the trunk of a position, with side-lying turned to the side that is up. */
export function positionEffects(position: PositionId, side: PlanItem['side']): TrunkEffect[] {
  if (position === 'side-lying') return [side === 'right' ? 'side-lying, right side up' : 'side-lying, left side up'];
  return [...positions[position].effects];
}

/** Effects a look was taken under. Which side was up in side-lying is not noted, so it counts as even. */
export function seenEffects(position: PositionId): TrunkEffect[] {
  return position === 'side-lying' ? [] : positionEffects(position, 'none');
}

/**
 * Every drill in every position it allows, filtered by gates, props and the lead school; and for each drill that is left
 * with nothing, the reason.
 */
export function gatherCandidates(request: PlanRequest, context: PlanContext): Gathered {
  const wanted = wantedOf(request, context.confirmedFindings);
  const candidates: Candidate[] = [];
  const refusals: Gathered['refusals'] = [];
  for (const drill of drills) {
    const outcome = forDrill(drill, request, context, wanted);
    if ('refusal' in outcome) refusals.push({ drillId: drill.id, reason: outcome.refusal });
    else candidates.push(...outcome.candidates);
  }
  candidates.sort(
    (a, b) =>
      a.stage - b.stage ||
      positions[a.item.position].rank - positions[b.item.position].rank ||
      a.drill.level - b.drill.level ||
      (a.drill.id < b.drill.id ? -1 : 1),
  );
  return { candidates, wanted, refusals };
}

function forDrill(
  drill: Drill,
  request: PlanRequest,
  context: PlanContext,
  wanted: Wanted,
): { candidates: Candidate[] } | { refusal: Reason } {
  const stopped = context.stoppedDrills.find(({ drillId }) => drillId === drill.id);
  if (stopped) {
    return {
      refusal: {
        what: 'Ended in a stop last time; out of plans until you have reviewed it.',
        rule: 'A drill that ended in a stop waits for the coach.',
        records: [{ kind: 'run', id: stopped.runId, label: 'the run' }],
        provenance: commonPractice,
      },
    };
  }
  const [clash] = clashes(everydayRules(drill.stances), schools[request.leadSchool].everyday);
  if (clash) {
    return {
      refusal: {
        what: `Teaches “${clash.one}”; ${schools[request.leadSchool].name} teaches “${clash.other}”.`,
        rule: 'One everyday rule a plan: two that contradict never meet.',
        records: [],
        provenance: commonPractice,
      },
    };
  }
  const found: Candidate[] = [];
  let refused: Gate | null = null;
  let missing: string | null = null;
  for (const position of drill.positions) {
    const used = propsFor(drill, request.propsAtHand, context.gates);
    if (!Array.isArray(used)) {
      missing = used.missing;
      continue;
    }
    const attempt = itemFor(drill, position, used, request, context.gates);
    if ('refused' in attempt) refused ??= attempt.refused;
    else found.push(candidateOf(drill, attempt.item, request, context, wanted));
  }
  if (found.length > 0) return { candidates: found };
  return { refusal: missing ? propRefusal(missing) : gateRefusal(refused!) };
}

function propsFor(drill: Drill, atHand: readonly PropId[], gates: Gates): PropId[] | { missing: string } {
  const used: PropId[] = [];
  for (const prop of drill.props) {
    const found = substituteFor(prop, atHand, ({ components: own }) => checkComponents(gates, own).allowed);
    if (found === null) return { missing: props[prop].name };
    used.push(found);
  }
  return used;
}

function itemFor(
  drill: Drill,
  position: PositionId,
  used: PropId[],
  request: PlanRequest,
  gates: Gates,
): { item: Candidate['item'] } | { refused: Gate } {
  const build = (withoutHold: boolean): Candidate['item'] => ({
    drillId: drill.id,
    position,
    props: used,
    side: sideFor(drill, request),
    cadences: startCadences(drill, withoutHold),
    breaths: drill.breath.kind === 'ladder' ? drill.breath.rungs.length : drill.breaths.start,
    sets: drill.sets.start,
    restSeconds: drill.restSeconds,
    setUpSeconds: drill.setUpSeconds,
    changes: [],
  });
  // The smallest allowed change comes first: drop the pause, then ask whether the rest may stand.
  const plain = build(false);
  const verdict = checkComponents(gates, itemComponents(plain));
  if (verdict.allowed) return { item: { ...plain, changes: changesOf(verdict.changes) } };
  const light = build(true);
  const second = checkComponents(gates, itemComponents(light));
  if (!second.allowed) return { refused: second.refusals[0]! };
  const why = verdict.refusals.find(({ component }) => component === 'hold')!;
  return { item: { ...light, changes: [`pause dropped: ${lower(why.reason.what)}`, ...changesOf(second.changes)] } };
}

const lower = (words: string) => lowered(words).replace(/\.$/, '');

const changesOf = (changes: readonly Gate[]) => [
  ...new Set(changes.map(({ to, reason }) => `${to} (${lower(reason.what)})`)),
];

function sideFor(drill: Drill, request: PlanRequest): PlanItem['side'] {
  if (drill.sides === 'none') return 'none';
  return request.intent === 'openOneSide' && request.side ? request.side : 'both';
}

function candidateOf(
  drill: Drill,
  item: Candidate['item'],
  request: PlanRequest,
  context: PlanContext,
  wanted: Wanted,
): Candidate {
  const shares = predictShares(context.yields, positionEffects(item.position, item.side));
  const oneSided = request.intent === 'openOneSide';
  const gains = wanted.keys.map((key) => Math.round(10 * gainOn(key, drill, item, shares, oneSided)));
  const { seconds, holdSeconds } = totalsOf(segmentsOf(item));
  const answers = drill.answers.filter((pattern) => context.confirmedPatterns.includes(pattern)).length;
  const exhaleFirst = intents[request.intent].exhaleFirst && (drill.skills.exhale ?? 0) >= 3;
  const substituted = item.props.filter((prop, i) => prop !== drill.props[i]).length;
  // A change that asks for another position is better answered by a position that needs no change.
  const changed = item.changes.filter((change) => !change.startsWith('pause dropped')).length;
  return {
    item,
    drill,
    stage: (drill.skills.settle ?? 0) >= 3 ? 0 : exhaleFirst ? 1 : 2,
    gains,
    helps: gains.flatMap((gain, i) => (gain > 0 ? [i] : [])),
    seconds,
    holdSeconds,
    value: answers * 60 - substituted * 10 - item.props.length * 8 - changed * 80,
    holds: itemComponents(item).includes('hold'),
  };
}

/** Parts a drill opens, with its open side made definite; both sides share the gain. */
export function openedRegions(drill: Drill, side: PlanItem['side']): Partial<Record<RegionId, number>> {
  const opened: Partial<Record<RegionId, number>> = {};
  const add = (region: RegionId, gain: number) => {
    opened[region] = Math.max(opened[region] ?? 0, gain);
  };
  for (const [key, gain] of Object.entries(drill.opens) as [keyof Drill['opens'], number][]) {
    if (key !== 'openSide' && key !== 'openBack') add(key, gain);
    else {
      const part = key === 'openSide' ? 'Side' : 'Back';
      if (side !== 'right') add(`left${part}`, gain);
      if (side !== 'left') add(`right${part}`, gain);
    }
  }
  return opened;
}

const oppositeSide: Partial<Record<RegionId, RegionId>> = {
  leftSide: 'rightSide',
  rightSide: 'leftSide',
  leftBack: 'rightBack',
  rightBack: 'leftBack',
};

function gainOn(
  key: RegionId | SkillId,
  drill: Drill,
  item: Candidate['item'],
  shares: Shares,
  oneSided: boolean,
): number {
  if (!(key in regions)) return drill.skills[key as SkillId] ?? 0;
  const region = key as RegionId;
  const opened = openedRegions(drill, item.side);
  // Where one side is wanted, opening both alike leaves the difference as it was: it counts half.
  const other = oneSided ? (opened[oppositeSide[region] ?? region] ?? 0) : 0;
  const net = Math.max(0, (opened[region] ?? 0) - other / 2);
  // A position that sends air there helps; the teaching model ranks, it does not promise, so its say is bounded.
  const fit = Math.min(1.5, Math.max(0.6, shares[region] * regionIds.length));
  return net * fit;
}

function propRefusal(name: string): Reason {
  return {
    what: `Needs ${name}, which is not at hand, nor a substitute.`,
    rule: 'Props at hand, or a substitute.',
    records: [],
    provenance: commonPractice,
  };
}

function gateRefusal(gate: Gate): Reason {
  return {
    ...gate.reason,
    what: refusalInWords({ refusals: [gate] }) ?? `Off today: ${components[gate.component]}.`,
  };
}
