import {
  type Drill,
  type PositionId,
  type PropId,
  findDrill,
  inProps,
  placeInOrder,
  props,
  remade,
  substituteFor,
} from '../catalogue';
import { type Reason, asPart } from '../reasons';
import { type Gate, type Gates, checkComponents, components, refusalInWords } from '../safety';
import { type SchoolId, clashes, everydayRules, schools } from '../schools';
import { type Step } from './choiceRules';
import { settles, stepOf } from './step';
import { type DrillHistory, prescribedBreaths } from './history';
import { fitOf, formsInWords, refusalsOf } from './fit';
import { gainOn, setUpEffects } from './gains';
import { isFirstLine } from './orderOfWork';
import { type PlanItem, type PlanRequest } from './planSchema';
import { allDrills, drillOf, isOfOneSide, startCadences, startStay } from './plan';
import { laterFromLevel, newFromLevel } from './rules';
import { because } from './reasonRules';
import { type PlanContext, type Setting, type Wanted, settingOf } from './setting';
import { type WorthPart, worthParts } from './worth';

/** A drill in a position with props and a dose, ready to be chosen, with what it would gain. */
export interface Candidate {
  item: Omit<PlanItem, 'id' | 'reasons' | 'byHand'>;
  drill: Drill;
  dose: 'start' | 'prescribed' | 'kept';
  /** What the rules look at in it. */
  step: Step;
  /** Gain on each wanted thing, in tenths, by index into {@link Wanted}. */
  gains: number[];
  value: number;
  valueParts: readonly WorthPart[];
}

export interface Gathered {
  candidates: Candidate[];
  wanted: Wanted;
  refusals: { drillId: string; reason: Reason }[];
}

/** Where a candidate stands in the one total order of a plan. */
export const orderOf = (candidate: Candidate): readonly [number, number, number] => [
  candidate.step.stage,
  placeInOrder(candidate.item.position),
  candidate.drill.level,
];

export function compareOrder(a: Candidate, b: Candidate): number {
  const [one, other] = [orderOf(a), orderOf(b)];
  return (
    one[0] - other[0] ||
    one[1] - other[1] ||
    one[2] - other[2] ||
    (a.drill.id < b.drill.id ? -1 : a.drill.id > b.drill.id ? 1 : a.step.seconds - b.step.seconds)
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
  const setting = settingOf(request, context);
  const attempts = attemptsFor(setting);
  const candidates: Candidate[] = [];
  const refusals: Gathered['refusals'] = [];
  for (const drill of allDrills(context)) {
    const outcome = forDrill(drill, setting, attempts, byHand);
    if ('refusal' in outcome) refusals.push({ drillId: drill.id, reason: outcome.refusal });
    else candidates.push(...outcome.candidates);
  }
  candidates.sort(compareOrder);
  return { candidates, wanted: setting.wanted, refusals };
}

type Attempt = { candidate: Candidate } | { refused: Gate };

/** What came of each drill in a place with its props, for somebody and what is asked for them. */
const attempted = new WeakMap<PlanContext, Map<string, Map<string, Attempt>>>();

/** Variants of a plan ask for other minutes and other props; neither they nor the talk change what a drill is in a place with the props it gets. */
function attemptsFor({ request, context }: Setting): Map<string, Attempt> {
  const ofContext = attempted.get(context) ?? new Map<string, Map<string, Attempt>>();
  attempted.set(context, ofContext);
  const key = JSON.stringify({ ...request, minutes: null, propsAtHand: null, talkSeconds: null });
  const attempts = ofContext.get(key) ?? new Map<string, Attempt>();
  ofContext.set(key, attempts);
  return attempts;
}

function attempt(drill: Drill, position: PositionId, used: PropId[], setting: Setting): Attempt {
  const made = itemFor(drill, position, used, setting);
  if ('refused' in made) return made;
  const dose = setting.history.has(drill.id) ? 'prescribed' : 'start';
  return { candidate: candidateOf(drillOf(made.item), made.item, setting, dose) };
}

function forDrill(
  drill: Drill,
  setting: Setting,
  attempts: Map<string, Attempt>,
  byHand: boolean,
): { candidates: Candidate[] } | { refusal: Reason } {
  const { request, context, history } = setting;
  const stopped = context.stoppedDrills.find(({ drillId }) => drillId === drill.id);
  if (stopped) {
    return {
      refusal: {
        ...because('stopped', 'Ended in a stop last time; out of plans until you have reviewed it.'),
        records: [{ kind: 'run', id: stopped.runId, label: 'the run' }],
      },
    };
  }
  if (request.nevers?.includes(drill.id)) {
    return { refusal: { ...because('yourWord', 'You took it out for today.'), provenance: { kind: 'set by you' } } };
  }
  const asked = byHand || request.musts?.includes(drill.id);
  const later = history.size === 0 && !asked ? laterVisitsOnly(drill) : null;
  if (later) return { refusal: because('gentleOverVisits', later) };
  const [clash] = clashes(everydayRules(drill.stances), schools[request.leadSchool].everyday);
  if (clash) {
    return {
      refusal: because(
        'oneEverydayRule',
        `Teaches “${clash.one}”; ${schools[request.leadSchool].name} teaches “${clash.other}”.`,
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
    const key = `${drill.id} ${position} ${used.join(' ')}`;
    const made = attempts.get(key) ?? attempt(drill, position, used, setting);
    attempts.set(key, made);
    if ('refused' in made) refused ??= made.refused;
    else found.push(made.candidate);
  }
  if (found.length > 0) return { candidates: found };
  if (refused) return { refusal: gateRefusal(refused) };
  return {
    refusal: missing ? propRefusal(missing) : because('positionsToAvoid', 'Only in positions that you keep out today.'),
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
      if (!isOfOneSide(fit.refused.component)) break;
      continue;
    }
    const now = inProps(remade(drill, fit.forms, position)!, used);
    const oneSide =
      side === wanted || refused === null ? [] : [`${side} side up only (${asPart(refused.reason.what)})`];
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
    const grown = most !== now.breaths.start && refusalsOf(item, context.gates).length > 0;
    return { item: grown ? { ...item, breaths: now.breaths.start } : item };
  }
  return { refused: refused! };
}

/**
 * A drill as an item in the first of its positions that is open, with its own props whether they are at hand or not: who puts it in
 * by hand has seen the room.
 */
export function itemByHand(drill: Drill, setting: Setting): { item: Candidate['item'] } | { refused: Gate } {
  // A drill of the catalogue leads there by its name; any other stands in the plan whole.
  const context =
    findDrill(drill.id) === drill
      ? setting.context
      : { ...setting.context, ownDrills: [...(setting.context.ownDrills ?? []), drill] };
  let refused: { refused: Gate } | null = null;
  for (const position of drill.positions) {
    const made = itemFor(drill, position, [...drill.props], { ...setting, context });
    if (!('refused' in made)) return made;
    refused ??= made;
  }
  return refused!;
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

function sideFor(drill: Drill, request: PlanRequest): PlanItem['side'] {
  if (drill.sides === 'none') return 'none';
  return request.intent === 'openOneSide' && request.side ? request.side : 'both';
}

/** A candidate out of an item as it stands, whoever made it. */
export function candidateOf(
  drill: Drill,
  item: Candidate['item'],
  setting: Setting,
  dose: Candidate['dose'],
): Candidate {
  const { request, wanted } = setting;
  const shares = setting.sharesUnder(setUpEffects(drill, item));
  const oneSided = request.intent === 'openOneSide';
  const gains = wanted.keys.map((key) => Math.round(10 * gainOn(key, drill, item, shares, oneSided)));
  const oneSideOff =
    item.side !== 'both' &&
    sideFor(drill, request) === 'both' &&
    refusalsOf({ ...item, side: 'both' }, setting.context.gates).some(({ component }) => isOfOneSide(component));
  const valueParts = worthParts(drill, item, setting, { settles: settles(drill), oneSideOff });
  return {
    item,
    drill,
    dose,
    step: stepOf(drill, item, setting),
    gains,
    value: valueParts.reduce((sum, { points }) => sum + points, 0),
    valueParts,
  };
}

/**
 * Why a drill is not for a first visit, or null: it is hard, a hold that is practised, or built on what has to be learned
 * first. Common practice.
 *
 * @example laterVisitsOnly(findDrill('bear-float')!) // 'Later visits only: …'
 */
export function laterVisitsOnly(drill: Drill): string | null {
  if (drill.level >= laterFromLevel) return 'Later visits only: it asks for what gentler drills teach first.';
  if (drill.family === 'hold' && drill.level >= newFromLevel)
    return 'Later visits only: a hold is practised once breath is easy.';
  return drill.prerequisites.length > 0 && drill.level >= newFromLevel && !isFirstLine(drill.id)
    ? 'Later visits only: it goes on from another drill, which is owned first.'
    : null;
}

const propRefusal = (name: string): Reason =>
  because('propOrSubstitute', `Needs ${name}, which is not at hand, nor a substitute.`);

function gateRefusal(gate: Gate): Reason {
  return {
    ...gate.reason,
    what: refusalInWords({ refusals: [gate] }) ?? `Off today: ${components[gate.component]}.`,
  };
}
