'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { type FaultId, faults } from '@/core/catalogue';
import { type PlanItem, cueWords, drillOf } from '@/core/sequence';
import { newId } from '@/keep';
import { planContext, usePlanner } from '../sequence/usePlan';
import { type ClientView } from '../view';
import { type LiveRun } from './useRun';

/** How long the zones offer the likeliest faults after a mark. */
const namingMs = 6000;

/** One cue at a time; whether it landed is one tap, and then the next is at hand. */
export function useCues(run: LiveRun, item: PlanItem, index: number) {
  const cues = useMemo(() => cueWords(item), [item]);
  const [at, setAt] = useState<Record<number, number>>({});
  const current = (at[index] ?? 0) % cues.length;
  const words = cues[current]!;
  const answered = run.state.events.some(
    ({ event }) => event.type === 'cue' && event.item === index && event.cue === words,
  );
  const { append } = run;
  return useMemo(
    () => ({
      words,
      answered,
      nextWords: cues[(current + 1) % cues.length]!,
      landed: (landed: 'yes' | 'partly' | 'no') => append({ type: 'cue', item: index, cue: words, landed }),
      next: () => setAt((all) => ({ ...all, [index]: current + 1 })),
    }),
    [words, answered, cues, current, append, index],
  );
}

/** A mark is stamped at once; for a few seconds the zones offer the likeliest names. */
export function useNaming(run: LiveRun, index: number) {
  const { append, state } = run;
  const [marked, setMarked] = useState<{ id: string; item: number } | null>(null);
  const [named, setNamed] = useState<{ fault: FaultId; item: number } | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  useEffect(() => () => clearTimeout(timer.current ?? undefined), []);

  const mark = useCallback(() => {
    const stamped = append({ type: 'fault', item: index, fault: null });
    if (!stamped) return;
    setMarked({ id: stamped.id, item: index });
    if (timer.current) clearTimeout(timer.current);
    timer.current = setTimeout(() => setMarked(null), namingMs);
  }, [append, index]);

  const name = useCallback(
    (fault: FaultId) => {
      if (!marked) return;
      append({ type: 'named', of: marked.id, fault });
      setNamed({ fault, item: marked.item });
      setMarked(null);
    },
    [append, marked],
  );

  const item = state.items[index];
  const likeliest = useMemo(() => (item ? drillOf(item).faults.slice(0, 4) : []), [item]);
  const again =
    named !== null &&
    state.events.filter(({ event }) => event.type === 'named' && event.fault === named.fault).length > 1;
  const correction =
    named && named.item === index ? (again ? faults[named.fault].fallback : faults[named.fault].correction) : null;
  return useMemo(
    () => ({ open: marked !== null, mark, name, likeliest, correction, named: named?.fault ?? null }),
    [marked, mark, name, likeliest, correction, named],
  );
}

/** The easier neighbour of the drill at hand, where gates and props allow it. */
export function useEasier(view: ClientView, items: readonly PlanItem[], item: PlanItem) {
  const planner = usePlanner();
  const plan = view.visit?.plan?.plan ?? null;
  const drill = drillOf(item);
  const [found, setFound] = useState<{ for: string; name: string; item: Omit<PlanItem, 'id'> } | null>(null);
  const at = items.findIndex(({ id }) => id === item.id);
  useEffect(() => {
    if (!plan || !drill.easier || at < 0) return;
    let over = false;
    void planner()
      .alternatives(plan.request, planContext(view), [...items], at, 'swap')
      .then((list) => {
        const one = list.find(({ relation }) => relation === 'easier');
        if (!over && one) setFound({ for: drill.id, name: one.drill.name, item: one.item });
      });
    return () => {
      over = true;
    };
  }, [planner, plan, view, drill, items, at]);
  const usable = found?.for === drill.id ? found : null;
  return useMemo(
    () => ({
      name: usable?.name ?? null,
      find: async (): Promise<PlanItem | null> => (usable ? { ...usable.item, id: newId() } : null),
    }),
    [usable],
  );
}
