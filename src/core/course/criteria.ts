import { calmPart, mostEffort } from '../coach';

/** Why a step is not kept, in codes. */
export type NotKept = 'too many marks' | 'too much effort' | 'stopped or changed' | 'too little done';

/** How a try went, as far as keeping a step goes. */
interface Went {
  outcome: 'calm' | 'not calm' | null;
  delivered: number;
  /** Breaths with a marked fault. */
  marked: number;
  effort: number | null;
}

/**
 * Why a try does not keep its step; null where it does: at least 80 % of breaths without a mark, effort at most 3 of 10, calm.
 *
 * @source common practice, no published source
 * @example notKeptBy({ outcome: 'calm', delivered: 10, marked: 3, effort: 2 }) // 'too many marks'
 */
export function notKeptBy({ outcome, delivered, marked, effort }: Went): NotKept | null {
  if (outcome === null) return 'too little done';
  if (effort !== null && effort > mostEffort) return 'too much effort';
  if (marked > delivered * (1 - calmPart) + 1e-9) return 'too many marks';
  return outcome === 'calm' ? null : 'stopped or changed';
}
