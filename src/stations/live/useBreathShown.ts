import { useCallback } from 'react';
import { type PhaseMoment } from '@/core/cadence';
import { type PlanItem } from '@/core/sequence';
import { teachingMoment } from '../teaching';
import { type LiveRun } from './useRun';

/** The breath that figures show: the run's own while it is paced, else this drill's, round and round. */
export function useBreathShown({ state: { status }, place, nowMs }: LiveRun, item: PlanItem): () => PhaseMoment {
  return useCallback(
    () => (status === 'running' ? place().moment : null) ?? teachingMoment(item.cadences, nowMs()),
    [status, place, item, nowMs],
  );
}
