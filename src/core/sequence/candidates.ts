import {
  type Drill,
  type PositionId,
  type PropId,
  asGood,
  drills,
  inProps,
  placeInOrder,
  positions,
  props,
  remade,
  substituteFor,
  drillSchema,
} from '../catalogue';
import { segmentsOf, totalsOf } from '../dose';
import { type ConfirmedFinding, type SkillId, intents, wantedFor } from '../read';
import { type Reason, commonPractice, lowered } from '../reasons';
import {
  type ConditionId,
  type Gate,
  type Gates,
  checkComponents,
  components,
  conditionById,
  forms,
  refusalInWords,
} from '../safety';
import { type AxisId, type SchoolId, clashes, everydayRules, schools } from '../schools';
import { type RegionId, type Shares, type TrunkEffect, predictShares, regionIds, regions } from '../trunk';
import { type DrillHistory, isOwned, prescribedBreaths } from './history';
import { isFirstLine } from './firstLine';
import { fitOf, formsInWords, refusalsOf } from './fit';
import { type PlanItem, type PlanRequest, drillOf, itemComponents, startCadences, startStay } from './plan';
import { laterFromLevel, newFromLevel, worth } from './rules';

/** What the planner knows besides the request. */
export interface PlanContext {
  gates: Gates;
  /** How freely each part yields, from the look; even where nothing was seen. */
  yields: Shares;
  /** Patterns the coach confirmed. */
  confirmedPatterns: readonly string[];
  /** Findings as the coach left them when the reading was confirmed. */
  confirmedFindings?: readonly ConfirmedFinding[];
  /** What was told of on Screen and stands today: it pulls drills in as well as pushing them out. */
  conditions?: readonly ConditionId[];
  /** Drills that ended in a stop and were not reviewed since, with the run that says so. */
  stoppedDrills: readonly { drillId: string; runId: string }[];
  /** How drills went before, for this client. */
  history?: readonly DrillHistory[];
  /** The coach's own drills, planned with like the built-in ones. */
  ownDrills?: readonly Drill[];
}

/** A part of what a candidate is worth besides its gains, with why. */
export interface WorthPart {
  why: string;
  points: number;
}

/** A drill in a position with props and a dose, ready to be chosen, with what it would gain. */
export interface Candidate {
  item: Omit<PlanItem, 'id' | 'reasons' | 'byHand'>;
  drill: Drill;
  stage: 0 | 1 | 2 | 3;
  dose: 'start' | 'prescribed' | 'kept';
  /** Gain on each wanted thing, in tenths, by index into {@link Wanted}. */
  gains: number[];
  /** Seconds and hold seconds, without the change into its position. */
  seconds: number;
  holdSeconds: number;
  value: number;
  valueParts: readonly WorthPart[];
  holds: boolean;
  /** Has to be learned. */
  isNew: boolean;
  /** Drills that must come before it, those that are owned left out. */
  needs: readonly string[];
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

/** Everything about an item that changes where the air goes: position, bend, band, tension. */
export function setUpEffects(drill: Drill, item: Pick<PlanItem, 'position' | 'side' | 'props'>): TrunkEffect[] {
  const effects = positionEffects(item.position, item.side);
  const bends = drill.movement === 'sideBend' || drill.movement === 'sideReach';
  if (bends && item.side === 'left') effects.push('left side open in a bend');
  if (bends && item.side === 'right') effects.push('right side open in a bend');
  if (drill.stances.bandLevel && item.props.some((prop) => prop === 'band' || prop === 'towel')) {
    effects.push('band round the ribs');
  }
  if (drill.stances.abdominalStrategy?.stance === 'opposition') effects.push('light front tension');
  return effects;
}

/** What is wrong with a drill as data, in one sentence; null for a sound one. Asked of the same few drills again and again. */
const faultsKnown = new WeakMap<Drill, string | null>();
function drillFault(drill: Drill): string | null {
  const known = faultsKnown.get(drill);
  if (known !== undefined) return known;
  const issue = drillSchema.safeParse(drill).error?.issues[0];
  const fault = issue ? `${issue.path.join(' ')}: ${issue.message}` : null;
  faultsKnown.set(drill, fault);
  return fault;
}

/**
 * All drills a plan may choose from. A drill of the coach's own takes the place of a built-in one of the same id; one that no
 * longer fits the schema is left out, so that it can't stop the planning of everything else.
 */
export function allDrills(context: Pick<PlanContext, 'ownDrills'>): Drill[] {
  const own = (context.ownDrills ?? []).filter((drill) => drillFault(drill) === null);
  const taken = new Set(own.map(({ id }) => id));
  return [...drills.filter(({ id }) => !taken.has(id)), ...own];
}

/** Where a candidate stands in the one total order of a plan. */
export const orderOf = (candidate: Candidate): readonly [number, number, number] => [
  candidate.stage,
  placeInOrder(candidate.item.position),
  candidate.drill.level,
];

export function compareOrder(a: Candidate, b: Candidate): number {
  const [one, other] = [orderOf(a), orderOf(b)];
  return (
    one[0] - other[0] ||
    one[1] - other[1] ||
    one[2] - other[2] ||
    (a.drill.id < b.drill.id ? -1 : a.drill.id > b.drill.id ? 1 : a.seconds - b.seconds)
  );
}

/**
 * Every drill in every position it allows, filtered by gates, props, the lead school and the coach's own word; and for each
 * drill that is left with nothing, the reason.
 *
 * @param options byHand offers what is for later visits too: who puts it in has seen the client
 */
export function gatherCandidates(
  request: PlanRequest,
  context: PlanContext,
  { byHand = false }: { byHand?: boolean } = {},
): Gathered {
  const wanted = wantedOf(request, context.confirmedFindings);
  const history = new Map((context.history ?? []).map((entry) => [entry.drillId, entry]));
  const candidates: Candidate[] = [];
  const refusals: Gathered['refusals'] = [];
  for (const drill of allDrills(context)) {
    const outcome = forDrill(drill, { request, context, wanted, history }, byHand);
    if ('refusal' in outcome) refusals.push({ drillId: drill.id, reason: outcome.refusal });
    else candidates.push(...outcome.candidates);
  }
  for (const drill of context.ownDrills ?? []) {
    const fault = drillFault(drill);
    if (fault === null) continue;
    refusals.push({
      drillId: String(drill.id),
      reason: reason(`Can’t be planned with: ${fault}. Put it right in the catalogue.`, 'A drill fits the schema.'),
    });
  }
  candidates.sort(compareOrder);
  return { candidates, wanted, refusals };
}

interface Setting {
  request: PlanRequest;
  context: PlanContext;
  wanted: Wanted;
  history: ReadonlyMap<string, DrillHistory>;
}

const reason = (what: string, rule: string): Reason => ({ what, rule, records: [], provenance: commonPractice });

function forDrill(drill: Drill, setting: Setting, byHand: boolean): { candidates: Candidate[] } | { refusal: Reason } {
  const { request, context, history } = setting;
  const stopped = context.stoppedDrills.find(({ drillId }) => drillId === drill.id);
  if (stopped) {
    return {
      refusal: {
        ...reason(
          'Ended in a stop last time; out of plans until you have reviewed it.',
          'A drill that ended in a stop waits for the coach.',
        ),
        records: [{ kind: 'run', id: stopped.runId, label: 'the run' }],
      },
    };
  }
  if (request.nevers?.includes(drill.id)) {
    return { refusal: { ...reason('You took it out for today.', 'Your word'), provenance: { kind: 'set by you' } } };
  }
  const asked = byHand || request.musts?.includes(drill.id);
  const later = history.size === 0 && !asked ? laterVisitsOnly(drill) : null;
  if (later) return { refusal: reason(later, 'Gentle to demanding, over visits too') };
  const [clash] = clashes(everydayRules(drill.stances), schools[request.leadSchool].everyday);
  if (clash) {
    return {
      refusal: reason(
        `Teaches “${clash.one}”; ${schools[request.leadSchool].name} teaches “${clash.other}”.`,
        'One everyday rule a plan: two that contradict never meet.',
      ),
    };
  }
  const found: Candidate[] = [];
  let refused: Gate | null = null;
  let missing: string | null = null;
  for (const position of drill.positions) {
    if (request.avoidPositions?.includes(position)) continue;
    const used = propsFor(drill, request.propsAtHand, context.gates);
    if (!Array.isArray(used)) {
      missing ??= used.missing;
      continue;
    }
    const attempt = itemFor(drill, position, used, setting);
    if ('refused' in attempt) refused ??= attempt.refused;
    else {
      const dose = setting.history.has(drill.id) ? 'prescribed' : 'start';
      found.push(candidateOf(drillOf(attempt.item), attempt.item, setting, dose));
    }
  }
  if (found.length > 0) return { candidates: found };
  if (refused) return { refusal: gateRefusal(refused) };
  return {
    refusal: missing
      ? propRefusal(missing)
      : reason('Only in positions that you keep out today.', 'Positions to avoid'),
  };
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
  { request, context, history }: Setting,
): { item: Candidate['item'] } | { refused: Gate } {
  const own = context.ownDrills?.includes(drill) ? { own: drill } : {};
  const wanted = sideFor(drill, request);
  // Where one side may not be lain on or worked, the other one still can be.
  const sides = wanted === 'both' ? (['both', 'left', 'right'] as const) : [wanted];
  let refused: Gate | null = null;
  for (const side of sides) {
    const fit = fitOf(drill, { position, props: used, side }, context.gates);
    if ('refused' in fit) {
      refused ??= fit.refused;
      if (!fit.refused.component.startsWith('lyingOn')) break;
      continue;
    }
    const now = inProps(remade(drill, fit.forms, position)!, used);
    const oneSide = side === wanted || refused === null ? [] : [`${side} side up only (${lower(refused.reason.what)})`];
    const most = now.breath.kind === 'ladder' ? now.breath.rungs.length : prescribedBreaths(now, history.get(drill.id));
    const item: Candidate['item'] = {
      drillId: drill.id,
      ...own,
      position,
      props: used,
      side,
      cadences: startCadences(now),
      breaths: most,
      sets: now.sets.start,
      restSeconds: now.restSeconds,
      setUpSeconds: now.setUpSeconds,
      ...startStay(now),
      ...(fit.forms.length > 0 ? { forms: fit.forms } : {}),
      changes: [...formsInWords(fit), ...oneSide],
      cues: cuesFor(now, request.leadSchool, history.get(drill.id)),
    };
    // A dose that grew may bring what the drill as it begins does not.
    return { item: refusalsOf(item, context.gates).length === 0 ? item : { ...item, breaths: now.breaths.start } };
  }
  return { refused: refused! };
}

/**
 * The cues to begin with: what landed with this client before, then what is new, never what did not land, at most two.
 * A cue whose wording teaches against the lead school is left out. Common practice: no more than two new cues in a drill.
 */
export function cuesFor(drill: Drill, leadSchool: SchoolId, history?: DrillHistory): string[] {
  const fits = drill.cues.filter(
    ({ stance, words }) =>
      !history?.missed.includes(words) &&
      (stance === null || clashes({ [stance.axis]: stance.stance }, schools[leadSchool].everyday).length === 0),
  );
  const place = (words: string, handled: boolean) => (history?.landed.includes(words) ? 0 : handled ? 2 : 1);
  return [...fits]
    .sort((a, b) => place(a.words, a.care !== null) - place(b.words, b.care !== null))
    .slice(0, 2)
    .map(({ words }) => words);
}

const lower = (words: string) => lowered(words).replace(/\.$/, '');

function sideFor(drill: Drill, request: PlanRequest): PlanItem['side'] {
  if (drill.sides === 'none') return 'none';
  return request.intent === 'openOneSide' && request.side ? request.side : 'both';
}

/** A candidate out of an item as it stands, whoever made it. */
export function candidateOf(
  drill: Drill,
  item: Candidate['item'],
  { request, context, wanted, history }: Setting,
  dose: Candidate['dose'],
): Candidate {
  const shares = predictShares(context.yields, setUpEffects(drill, item));
  const oneSided = request.intent === 'openOneSide';
  const gains = wanted.keys.map((key) => Math.round(10 * gainOn(key, drill, item, shares, oneSided)));
  const { seconds, holdSeconds } = totalsOf(segmentsOf(item));
  const own = history.get(drill.id);
  const valueParts = worthParts(drill, item, { request, context, wanted, history });
  return {
    item,
    drill,
    stage: stageOf(drill, request),
    dose,
    gains,
    seconds,
    holdSeconds,
    value: valueParts.reduce((sum, { points }) => sum + points, 0),
    valueParts,
    holds: itemComponents(item).includes('hold'),
    isNew: drill.level >= newFromLevel && !own,
    needs: drill.prerequisites.filter((id) => !isOwned(own) && !isOwned(history.get(id))),
  };
}

/**
 * Why a drill is not for a first visit, or null: it is hard, a hold that is practised, or built on what has to be learned
 * first. Common practice.
 *
 * @example laterVisitsOnly(findDrill('bear-float')!) // 'later visits only: …'
 */
export function laterVisitsOnly(drill: Drill): string | null {
  if (drill.level >= laterFromLevel) return 'Later visits only: it asks for what gentler drills teach first.';
  if (drill.family === 'hold' && drill.level >= newFromLevel)
    return 'Later visits only: a hold is practised once breath is easy.';
  return drill.prerequisites.length > 0 && drill.level >= newFromLevel && !isFirstLine(drill.id)
    ? 'Later visits only: it goes on from another drill, which is owned first.'
    : null;
}

/** A drill a visit can open with: it brings somebody to rest, or is gentle and still and does so a little. */
export function settles({ skills: { settle = 0 }, level, movement, family }: Drill): boolean {
  const still = movement === 'none' && family !== 'exhale';
  return settle >= 3 || (still && ((settle >= 2 && level <= 2) || (settle >= 1 && level === 1)));
}

/** 0 settles, 1 exhale first where the intent asks for it, 2 the work, 3 carries it into the day. */
function stageOf(drill: Drill, { intent }: PlanRequest): Candidate['stage'] {
  if (drill.family === 'carry') return 3;
  // What opens the ribs waits for the exhale, however gentle it is.
  if (settles(drill) && !(intents[intent].exhaleFirst && drill.family === 'open')) return 0;
  return intents[intent].exhaleFirst && (drill.skills.exhale ?? 0) >= 3 ? 1 : 2;
}

/** What a condition asks for, whatever the breath looks like. Common practice, no published source. */
const pulls: Partial<Record<ConditionId, readonly string[]>> = {
  lung: ['lean-and-purse'],
  leaking: ['hips-turn-in', 'hips-turn-feet', 'own-hands-ribs', 'wall-sit-reach'],
  pregnancy: ['wall-sit-reach', 'own-hands-ribs', 'side-lying-open'],
  holdingFloor: ['childs-pose-back', 'figure-four'],
};

const pulledBy = ({ id }: Drill, { conditions = [] }: PlanContext): string[] =>
  conditions
    .filter((condition) => pulls[condition]?.includes(id))
    .map((condition) => `asked for by ${conditionById(condition).name}`);

function worthParts(drill: Drill, item: Candidate['item'], { request, context, history }: Setting): WorthPart[] {
  const answers = drill.answers.filter((pattern) => context.confirmedPatterns.includes(pattern)).length;
  const teaches = schools[request.leadSchool].everyday;
  const fit = (Object.entries(teaches) as [AxisId, string][]).filter(
    ([axis, stance]) => drill.stances[axis]?.stance === stance,
  ).length;
  const substituted = item.props.filter((prop, i) => !asGood(prop, drill.props[i]!)).length;
  // A drill that needs no other form answers better than one that does; a pause left out costs nothing.
  const changed = item.changes.filter((change) => !change.startsWith(forms.noPause.says)).length;
  const own = history.get(drill.id);
  const landed = Math.min(3, drill.cues.filter(({ words }) => own?.landed.includes(words)).length);
  const { moves, sides, sets } = worth.attention;
  const attention =
    (drill.movement === 'none' ? 0 : moves) + (item.side === 'both' ? sides : 0) + (item.sets > 1 ? sets : 0);
  const parts: [string, number][] = [
    ['answers what was found', answers * worth.answer],
    [
      'is the usual first answer to what was found',
      context.confirmedPatterns.includes(drill.answers[0]!) ? worth.firstAnswer : 0,
    ],
    [`stands as ${schools[request.leadSchool].name} teaches`, fit * worth.schoolFit],
    ['opens the visit without answering what was found', answers === 0 && settles(drill) ? worth.opensOnly : 0],
    ...pulledBy(drill, context).map((why): [string, number] => [why, worth.pulled]),
    ['needs another form today', changed * worth.change],
    ['props to hand out', item.props.length * worth.prop],
    ['a substitute for a prop', substituted * worth.substitute],
    ['new to the client', history.size > 0 && !own ? worth.novelty : 0],
    ['attention it takes', attention],
    ['cues of it landed before', landed * worth.landed],
    ['went calmly last time', own?.outcomes.at(-1) === 'calm' ? worth.calm : 0],
    ['did not go calmly last time', own?.outcomes.at(-1) === 'not calm' ? worth.notCalm : 0],
  ];
  return parts.filter(([, points]) => points !== 0).map(([why, points]) => ({ why, points }));
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
