import { type Drill, type FaultId, correctionLadder, faultIds } from '../catalogue';
import { type Component, type Gates, checkComponents } from '../safety';
import { calmPart, type FaultHistory, mostEffort } from './history';
import { type RunState } from './run';
import { faultsOf, summariseRun } from './summary';

/** What makes a fault likely, in points: a table a coach could argue with. Ours; common practice, no published source. */
const likely = {
  /** The drill names it as one of its own; the first named counts most. */
  ofTheDrill: 6,
  perPlaceLater: 0.5,
  /** Marked in this run already. */
  now: 4,
  /** Marked in this drill on an earlier visit, and in any drill; each further mark counts less. */
  inThisDrill: 5,
  inAnyDrill: 2,
} as const;

/**
 * All faults, the likeliest first: by what the drill is prone to, and by what this client showed before, here and elsewhere.
 *
 * @example faultOrder(drill, {}, [])[0] === drill.faults[0] // true
 */
export function faultOrder(drill: Drill, history: FaultHistory, markedNow: readonly string[]): FaultId[] {
  const elsewhere = (fault: string) => Object.values(history).reduce((sum, counts) => sum + (counts[fault] ?? 0), 0);
  const points = (fault: FaultId) => {
    const place = drill.faults.indexOf(fault);
    return (
      (place < 0 ? 0 : likely.ofTheDrill - place * likely.perPlaceLater) +
      (markedNow.includes(fault) ? likely.now : 0) +
      likely.inThisDrill * Math.log2(1 + (history[drill.id]?.[fault] ?? 0)) +
      likely.inAnyDrill * Math.log2(1 + elsewhere(fault))
    );
  };
  return [...faultIds].sort((a, b) => points(b) - points(a) || faultIds.indexOf(a) - faultIds.indexOf(b));
}

const openTo = (gates: Gates, asks: readonly Component[]): boolean => {
  const { allowed, changes } = checkComponents(gates, asks);
  return allowed && changes.length === 0;
};

/** What to do about a fault just marked: the correction, then the fallback, then an easier drill. */
export interface Remedy {
  step: 'correction' | 'fallback' | 'easier';
  words: string;
}

/**
 * The remedy due for a fault, by how often it was marked in the item as it stands: of each rung the first that is open to
 * them today.
 *
 * @param times marks of this fault in the item, this one included; 1 or more
 * @param gates limits of whoever it is about
 * @source faults and corrections, common practice
 * @example remedyFor('shoulders', 2, gates).step // 'fallback'
 */
export function remedyFor(fault: FaultId, times: number, gates: Gates): Remedy {
  const [correction, fallback] = correctionLadder(fault, (asks) => openTo(gates, asks));
  if (times <= 1) return { step: 'correction', words: correction };
  if (times === 2) return { step: 'fallback', words: fallback };
  return { step: 'easier', words: 'Take the easier one now' };
}

/** Whether a harder neighbour is due, and what still speaks against it, in words. */
export interface Readiness {
  met: boolean;
  against: string[];
}

/**
 * Whether the item under way meets the criteria for a harder neighbour: a whole set given, at least 80 % of its breaths
 * without a marked fault, effort asked and at most 3 of 10, no stop. Common practice.
 *
 * @example harderReadiness(state, 0).met
 */
export function harderReadiness(state: RunState, index: number): Readiness {
  const summary = summariseRun(state).items.findLast((item) => item.index === index);
  if (!summary) return { met: false, against: ['Not begun.'] };
  const { deliveredBreaths, stopped, efforts } = summary;
  const aSet = state.items[index]!.breaths;
  const marks = faultsOf(state, index).length;
  const clean = deliveredBreaths === 0 ? 0 : 1 - marks / deliveredBreaths;
  const effort = efforts.at(-1);
  const against = [
    ...(deliveredBreaths < aSet ? [`${deliveredBreaths} of ${aSet} breaths done.`] : []),
    ...(deliveredBreaths > 0 && clean < calmPart - 1e-9 ? [`${marks} faults in ${deliveredBreaths} breaths.`] : []),
    ...(effort === undefined ? ['Ask the effort.'] : effort > mostEffort ? [`Effort ${effort} of 10.`] : []),
    ...(stopped ? ['It was stopped.'] : []),
  ];
  return { met: against.length === 0, against };
}
