'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { type Drill, type FaultId, faults } from '@/core/catalogue';
import {
  type FaultHistory,
  type Remedy,
  type UnnamedMark,
  adjustment,
  cueAnswer,
  faultOrder,
  faultsOf,
  harderReadiness,
  remedyFor,
  sitOutOf,
  unnamedMarks,
} from '@/core/coach';
import { lighterThan, weightInWords } from '@/core/load';
import { type Gates } from '@/core/safety';
import { type PlanItem, cueWords, drillOf, weightOf } from '@/core/sequence';
import { newId } from '@/keep';
import { planContext, usePlanner } from '../usePlan';
import { type ClientView } from '../view';
import { type GroupMember } from './GroupTiles';
import { type LiveRun } from './useRun';

/** How long the zones offer the likeliest faults after a mark. */
const namingMs = 6000;

/** One cue at a time; whether it landed is one tap, and then the next is at hand. */
export function useCues(run: LiveRun, item: PlanItem, index: number) {
  const cues = useMemo(() => cueWords(item), [item]);
  const [at, setAt] = useState<Record<number, number>>({});
  const current = (at[index] ?? 0) % cues.length;
  const words = cues[current]!;
  const answer = cueAnswer(run.state, index, words);
  const { append } = run;
  return useMemo(
    () => ({
      words,
      answer,
      nextWords: cues[(current + 1) % cues.length]!,
      landed: (landed: 'yes' | 'partly' | 'no') => append({ type: 'cue', item: index, cue: words, landed }),
      next: () => setAt((all) => ({ ...all, [index]: current + 1 })),
    }),
    [words, answer, cues, current, append, index],
  );
}

/** A mark is stamped at once; for a few seconds the zones offer the likeliest names, and later it can still be named. */
export function useNaming(
  run: LiveRun,
  index: number,
  history: FaultHistory,
  who: string | undefined,
  /** Limits of whoever the marks are about. */
  gates: Gates,
) {
  const { append, state } = run;
  const [marked, setMarked] = useState<{ id: string; item: number } | null>(null);
  const [all, setAll] = useState(false);
  const [named, setNamed] = useState<{ fault: FaultId; item: number } | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  useEffect(() => () => clearTimeout(timer.current ?? undefined), []);

  const mark = useCallback(() => {
    const stamped = append({ type: 'fault', item: index, fault: null, ...(who ? { who } : {}) });
    if (!stamped) return;
    setMarked({ id: stamped.id, item: index });
    setAll(false);
    if (timer.current) clearTimeout(timer.current);
    timer.current = setTimeout(() => setMarked(null), namingMs);
  }, [append, index, who]);

  const nameOne = useCallback(
    (id: string, of: number, fault: FaultId) => {
      append({ type: 'named', of: id, fault });
      setNamed({ fault, item: of });
      setMarked(null);
      setAll(false);
      if (timer.current) clearTimeout(timer.current);
    },
    [append],
  );

  /** Shows them all and waits for as long as it takes. */
  const showAll = useCallback(() => {
    if (timer.current) clearTimeout(timer.current);
    setAll(true);
  }, []);
  const close = useCallback(() => {
    setMarked(null);
    setAll(false);
  }, []);

  /** The correction was given: the cue comes back. */
  const drop = useCallback(() => setNamed(null), []);

  const item = state.items[index];
  // In a group each has their own ladder of remedies.
  const marks = faultsOf(state, index, who);
  const order = item ? faultOrder(drillOf(item), history, marks) : [];
  const times = named ? marks.filter((fault) => fault === named.fault).length : 0;
  const remedy: Remedy | null =
    named && named.item === index && times > 0 ? remedyFor(named.fault, times, gates) : null;
  const waiting: UnnamedMark[] = unnamedMarks(state).filter(({ id }) => id !== marked?.id);
  return {
    open: marked !== null,
    all,
    mark,
    name: (fault: FaultId) => marked && nameOne(marked.id, marked.item, fault),
    nameOne,
    showAll,
    close,
    drop,
    order,
    orderFor: (of: number) => {
      const other = state.items[of];
      return other ? faultOrder(drillOf(other), history, []) : order;
    },
    remedy,
    named: named ? faults[named.fault].words : null,
    waiting,
  };
}
export type Naming = ReturnType<typeof useNaming>;

interface Neighbour {
  name: string;
  item: Omit<PlanItem, 'id'>;
}

/** The easier and the harder neighbour of the drill at hand, where gates and props allow them. */
export function useNeighbours(
  view: ClientView<'looks' | 'plan' | 'planning'>,
  run: LiveRun,
  item: PlanItem,
  index: number,
  group: readonly GroupMember[] = [],
) {
  const planner = usePlanner();
  const plan = view.visit?.plan?.plan ?? null;
  const drill: Drill = drillOf(item);
  const { items } = run.state;
  const [found, setFound] = useState<{
    for: string;
    easier: Neighbour | null;
    harder: Neighbour | null;
    another: Neighbour | null;
  } | null>(null);
  // Taps and ramps give new lists of the same drills; only other drills need new neighbours.
  const drillsKey = items.map(({ drillId, position }) => `${drillId} ${position}`).join('|');
  const list = useRef(items);
  useEffect(() => {
    list.current = items;
  });
  useEffect(() => {
    if (!plan || (!drill.easier && !drill.harder && !drill.otherWay)) return;
    let over = false;
    const plain = list.current.map(({ paced: _, ...rest }) => rest);
    void planner()
      .alternatives(plan.request, planContext(view), plain, index, 'swap')
      .then((offers) => {
        const of = (relation: 'easier' | 'harder' | 'another way'): Neighbour | null => {
          const one = offers.find((offer) => offer.relation === relation);
          return one ? { name: one.drill.name, item: one.item } : null;
        };
        if (!over) setFound({ for: drill.id, easier: of('easier'), harder: of('harder'), another: of('another way') });
      });
    return () => {
      over = true;
    };
  }, [planner, plan, view, drill, index, drillsKey]);
  const usable = found?.for === drill.id ? found : null;
  const readiness = useMemo(() => harderReadiness(run.state, index), [run.state, index]);
  const { append } = run;
  // What was there before the swap, for a finger that was too fast: as long as the one that came is still there.
  const [swapped, setSwapped] = useState<{ index: number; from: PlanItem; to: string } | null>(null);
  const put = (to: PlanItem, why: 'easier' | 'harder' | 'another way' | 'by hand') =>
    append({ type: 'swap', item: index, to, why, ...sitOutOf(view.id, group, to) });
  const swap = (neighbour: Neighbour | null, why: 'easier' | 'harder' | 'another way') => {
    if (!neighbour) return;
    const to = { ...neighbour.item, id: newId() };
    const { paced: _, ...from } = list.current[index]!;
    setSwapped({ index, from, to: to.id });
    return put(to, why);
  };
  const { load } = drill;
  const { weightUnit } = view.settings;
  const kg = weightOf(item);
  const lighter = load && kg !== null ? lighterThan(kg, weightUnit) : null;
  /** The same at the same pace with less in the hand, where the drill has no easier neighbour. */
  const takeLighter = (to: number) =>
    append({ ...adjustment(index, item, { kg: to }), ...sitOutOf(view.id, group, { ...item, kg: to }) });
  const canTakeBack = swapped !== null && swapped.index === index && items[index]?.id === swapped.to;
  return {
    easier: lighter === null ? (usable?.easier?.name ?? null) : `${weightInWords(lighter, weightUnit)}, same pace`,
    harder: usable?.harder?.name ?? null,
    another: usable?.another?.name ?? null,
    readiness,
    /** Puts back what was swapped; null where nothing was, or the run has gone on from it. */
    takeBack: canTakeBack
      ? () => {
          setSwapped(null);
          return put({ ...swapped.from, id: newId() }, 'by hand');
        }
      : null,
    takeEasier: () => (lighter === null ? swap(usable?.easier ?? null, 'easier') : takeLighter(lighter)),
    takeAnother: () => swap(usable?.another ?? null, 'another way'),
    takeHarder: () => swap(usable?.harder ?? null, 'harder'),
  };
}
export type Neighbours = ReturnType<typeof useNeighbours>;
