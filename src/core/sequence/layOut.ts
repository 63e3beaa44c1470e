import { type Reason } from '../reasons';
import { refusalInWords } from '../safety';
import { refitted, refusalsOf } from './fit';
import { type Candidate, type Gathered, candidateOf, compareOrder, gatherCandidates, orderOf } from './candidates';
import { type PlanItem, type PlanRequest } from './planSchema';
import { knownDrill } from './plan';
import { clashingPairs, limitsOf } from './allowance';
import { type PlanningItem, type PlanningProblem, gainSteps } from './problem';
import { firstLineOf } from './firstLine';
import { mostAlike, talkOf } from './rules';
import { because } from './reasonRules';
import { type PlanContext, settingOf } from './setting';

/** The planning problem of a request, with the candidates its numbers stand for, index by index. */
export interface LaidOut extends Gathered {
  problem: PlanningProblem;
  /** First answers of the lead pattern that are in the problem as musts. */
  firstAnswers: readonly string[];
  notes: readonly string[];
}

/**
 * Lays a request out as numbers for the search.
 *
 * @param locked items that are to be in as they are; they keep their order among themselves
 * @param answers how many first answers of the lead pattern must be in; as many as the minutes ask for unless said
 */
export function layOut(
  request: PlanRequest,
  context: PlanContext,
  locked: readonly PlanItem[] = [],
  answers?: number,
): LaidOut {
  const gathered = gatherCandidates(request, context);
  const { kept, refusals } = keptCandidates(locked, request, context);
  const keptIds = new Set(kept.map(({ drill }) => drill.id));
  const free = gathered.candidates.filter(({ drill }) => !keptIds.has(drill.id));
  const candidates = merged(free, kept);
  const drillIds = new Set(candidates.map(({ drill }) => drill.id));
  const first = firstLineOf(context.confirmedPatterns[0], request, { ...gathered, candidates }, answers);
  return {
    candidates,
    firstAnswers: first.musts,
    notes: first.notes,
    wanted: gathered.wanted,
    refusals: [
      ...refusals,
      ...gathered.refusals.filter(
        ({ drillId }) => !keptIds.has(drillId) && !refusals.some((other) => other.drillId === drillId),
      ),
    ],
    problem: {
      ...problemOf(candidates, gathered.wanted.weights, request),
      mostHoldSeconds: context.gates.holdSeconds,
      clashes: clashingPairs(candidates),
      musts: [...new Set([...(request.musts ?? []).filter((id) => drillIds.has(id)), ...keptIds, ...first.musts])],
      settleFirst: candidates.some(({ step }) => step.stage === 0),
      carryLast: candidates.some(({ step }) => step.stage === 3),
    },
  };
}

/** Variants of a plan are laid out of the same candidates: each is put into numbers once. */
const numbers = new WeakMap<Candidate, { talk: number; item: PlanningItem }>();

function inNumbers(candidate: Candidate, talk: number): PlanningItem {
  const known = numbers.get(candidate);
  if (known?.talk === talk) return known.item;
  const { step, gains, value } = candidate;
  const item = { ...step, seconds: step.seconds + talk, gains, value };
  numbers.set(candidate, { talk, item });
  return item;
}

/** The problem over some candidates in the order they stand in, without rules on which may meet. */
export const problemOf = (
  candidates: readonly Candidate[],
  weights: readonly number[],
  request: PlanRequest,
): PlanningProblem => ({
  ...limitsOf(request.minutes),
  items: candidates.map((candidate) => inNumbers(candidate, talkOf(request))),
  weights,
  steps: gainSteps,
});

/** Locked items as candidates of their own; one that is off today can't be kept, and says why. */
function keptCandidates(
  locked: readonly PlanItem[],
  request: PlanRequest,
  context: PlanContext,
): { kept: Candidate[]; refusals: { drillId: string; reason: Reason }[] } {
  const setting = settingOf(request, context);
  const kept: Candidate[] = [];
  const refusals: { drillId: string; reason: Reason }[] = [];
  for (const item of locked) {
    const drill = knownDrill(item);
    if (!drill || kept.some((other) => other.drill.id === drill.id)) continue;
    const standing = refitted(item, context.gates);
    const refusal = refusalInWords({ refusals: refusalsOf(item, context.gates) });
    if (refusal && !standing) {
      refusals.push({ drillId: drill.id, reason: because('nothingBlocked', `Locked, but ${refusal}`) });
      continue;
    }
    // What is kept by hand needs nobody before it: the coach has seen it.
    const now = refusal ? standing! : item;
    const candidate = candidateOf(knownDrill(now)!, now, setting, 'kept');
    const { alike } = candidate.step;
    // Nor is it too much of the same: a third that is kept counts as like nothing else.
    const enough = kept.filter(({ step }) => step.alike === alike).length >= mostAlike;
    kept.push({ ...candidate, step: { ...candidate.step, needs: [], isNew: false, alike: enough ? null : alike } });
  }
  return { kept, refusals };
}

/** Puts locked candidates among the others: where the rule of order would turn two of them round, the later one follows. */
function merged(free: readonly Candidate[], kept: readonly Candidate[]): Candidate[] {
  const rows = free.map((candidate) => ({ candidate, key: orderOf(candidate), turn: -1 }));
  let before: readonly [number, number, number] = [-1, -1, -1];
  kept.forEach((candidate, turn) => {
    const own = orderOf(candidate);
    const key = own.some((value, i) => own.slice(0, i).every((v, k) => v === before[k]) && value < before[i]!)
      ? before
      : own;
    before = key;
    rows.push({ candidate, key, turn });
  });
  return rows
    .sort(
      (a, b) =>
        a.key[0] - b.key[0] ||
        a.key[1] - b.key[1] ||
        a.key[2] - b.key[2] ||
        (a.turn >= 0 && b.turn >= 0 ? a.turn - b.turn : compareOrder(a.candidate, b.candidate)),
    )
    .map(({ candidate }) => candidate);
}
