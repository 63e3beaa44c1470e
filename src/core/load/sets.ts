import { type LoadAnswer, type LoadAsked } from './answer';
import { type Beat } from './beats';
import { type StrategyId } from './strategy';

/** From where to where something goes, and where it begins. */
interface Span {
  min: number;
  start: number;
  max: number;
}
const span = (min: number, start: number, max: number): Span => ({ min, start, max });

/**
 * Repetitions (of what is carried or held: breaths), sets, and the rest between, by how breath and load go together. Common practice, no
 * published source: timing is learnt in sets of 20 to 25 light ones; the heavier, the fewer, and the longer the rest.
 */
export const setsBy: Readonly<Record<StrategyId, { repetitions: Span; sets: Span; restSeconds: number }>> = {
  with: { repetitions: span(5, 20, 25), sets: span(1, 1, 4), restSeconds: 60 },
  keep: { repetitions: span(3, 8, 12), sets: span(1, 2, 5), restSeconds: 120 },
  between: { repetitions: span(1, 3, 6), sets: span(1, 2, 5), restSeconds: 180 },
  burst: { repetitions: span(3, 6, 10), sets: span(1, 2, 4), restSeconds: 60 },
  steady: { repetitions: span(4, 6, 20), sets: span(1, 2, 4), restSeconds: 60 },
};

export interface UsualSet {
  sets: number;
  repetitions: number;
  restSeconds: number;
  /** Most repetitions there can be, as far as is known. */
  most: number;
}

/** Most sets and repetitions that are counted: beyond that it is no set. */
const mostInSet = 100;

/**
 * What is usually done with a load: sets, repetitions and rest. Never more repetitions than are possible with it.
 *
 * @source common practice, no published source
 * @example usualSet(answer, asked).repetitions // 20
 */
export function usualSet(
  { strategy, possible }: Pick<LoadAnswer, 'strategy' | 'possible'>,
  asked: Pick<LoadAsked, 'repetitions'>,
): UsualSet {
  const { repetitions, sets, restSeconds } = setsBy[strategy];
  const most = Math.max(1, Math.min(asked.repetitions ?? mostInSet, possible?.fewest ?? mostInSet));
  return { sets: sets.start, repetitions: Math.min(repetitions.start, most), restSeconds, most };
}

/** What a set of repetitions comes to. */
interface SetTotals {
  repetitions: number;
  breaths: number;
  /** Seconds of moving and keeping the stiffness; what is breathed between is not among them. */
  underTension: number;
  seconds: number;
}

/**
 * What sets of repetitions come to: breaths, time under tension, time in all.
 *
 * @param sides 2 where both are done one after the other
 * @param restSeconds between two sets
 * @throws {RangeError} for sets or repetitions below 1 or above 100
 * @example setTotals(answer, { sets: 2, repetitions: 20, sides: 1, restSeconds: 60 }).repetitions // 40
 */
export function setTotals(
  { beats }: Pick<LoadAnswer, 'beats'>,
  { sets, repetitions, sides, restSeconds }: { sets: number; repetitions: number; sides: 1 | 2; restSeconds: number },
): SetTotals {
  for (const count of [sets, repetitions])
    if (!Number.isInteger(count) || count < 1 || count > mostInSet)
      throw new RangeError(`Sets and repetitions go from 1 to ${mostInSet}.`);
  const all = sets * repetitions * sides;
  const sum = (some: readonly Beat[]) => some.reduce((seconds, one) => seconds + one.seconds, 0);
  const first = beats.filter(({ stage }) => stage === 'fill');
  const each = beats.filter(({ stage }) => stage !== 'fill');
  // Filling up comes once before a set; from then on the way back fills.
  const fills = sum(first) * sets * sides;
  // Parts that follow one another on one breath out are one breath.
  const outs = each.filter(({ breath }, at) => breath === 'out' && each.at(at - 1)!.breath !== 'out').length;
  return {
    repetitions: all,
    breaths: all * Math.max(1, outs),
    underTension: sum(each.filter(({ stage }) => stage !== 'between')) * all,
    seconds: sum(each) * all + fills + restSeconds * (sets * sides - 1),
  };
}
