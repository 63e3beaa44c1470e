'use client';

import { type Remote, wrap } from 'comlink';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { baseMap, bestGrades } from '@/core/look';
import { type Plan, type PlanContext, type PlanItem, seenEffects } from '@/core/sequence';
import { estimateYields, evenYields } from '@/core/trunk';
import { keep, newId } from '@/keep';
import { type PlanWorker } from '@/workers/plan.worker';
import { type ClientView } from '../view';

/** What the planner knows of a client, put together from the view. */
export function planContext(view: ClientView): PlanContext {
  const map = baseMap(view.visit?.looks ?? [], 'before');
  const reading = view.visit?.reading;
  return {
    gates: view.gates,
    yields: map ? estimateYields(bestGrades(map.raw), seenEffects(map.raw.position)) : evenYields(),
    confirmedPatterns: reading?.patterns ?? [],
    confirmedFindings: reading?.snapshot?.findings ?? [],
    stoppedDrills: view.stopped,
  };
}

/** The planner in its worker, started when first needed. */
export function usePlanner(): () => Remote<PlanWorker> {
  const held = useRef<{ worker: Worker; remote: Remote<PlanWorker> } | null>(null);
  useEffect(
    () => () => {
      held.current?.worker.terminate();
      held.current = null;
    },
    [],
  );
  return useCallback(() => {
    if (!held.current) {
      const worker = new Worker(new URL('../../workers/plan.worker.ts', import.meta.url), { type: 'module' });
      held.current = { worker, remote: wrap<PlanWorker>(worker) };
    }
    return held.current.remote;
  }, []);
}

/** The visit's plan on the screen: every change is saved at once and can be undone. */
export function usePlan(view: ClientView) {
  const stored = view.visit?.plan ?? null;
  const [plan, setPlan] = useState<Plan | null>(stored?.plan ?? null);
  const [past, setPast] = useState<Plan[]>([]);
  const [future, setFuture] = useState<Plan[]>([]);
  const [error, setError] = useState<string | null>(null);
  const record = useRef({ id: stored?.id ?? null, revision: stored?.revision ?? 0 });
  const visitId = view.visit?.id;

  const send = useCallback(
    (next: Plan) => {
      if (!visitId) return;
      const now = record.current;
      now.id ??= newId();
      const revision = now.revision;
      now.revision += 1;
      void keep('plan.save', { planId: now.id, visitId, plan: next, revision }).then((outcome) => {
        setError(outcome.state === 'refused' ? outcome.why : null);
        if (outcome.state === 'conflict') now.revision = (outcome.theirs as { revision: number }).revision;
      });
    },
    [visitId],
  );

  const change = useCallback(
    (next: Plan) => {
      if (plan) setPast((list) => [...list.slice(-49), plan]);
      setFuture([]);
      setPlan(next);
      send(next);
    },
    [plan, send],
  );

  const step = useCallback(
    (from: Plan[], setFrom: (list: Plan[]) => void, to: Plan[], setTo: (list: Plan[]) => void) => {
      const next = from.at(-1);
      if (!next || !plan) return;
      setFrom(from.slice(0, -1));
      setTo([...to, plan]);
      setPlan(next);
      send(next);
    },
    [plan, send],
  );

  const edits = useMemo(() => {
    const withItems = (items: PlanItem[]) => plan && change({ ...plan, items });
    return {
      move: (index: number, by: -1 | 1) => {
        const to = index + by;
        if (!plan || to < 0 || to >= plan.items.length) return;
        const items = [...plan.items];
        const [item] = items.splice(index, 1);
        items.splice(to, 0, item!);
        withItems(items);
      },
      remove: (id: string) => plan && withItems(plan.items.filter((item) => item.id !== id)),
      replace: (id: string, next: PlanItem) =>
        plan && withItems(plan.items.map((item) => (item.id === id ? next : item))),
      add: (item: PlanItem) => plan && withItems([...plan.items, item]),
    };
  }, [plan, change]);

  return {
    plan,
    error,
    change,
    ...edits,
    undo: past.length > 0 ? () => step(past, setPast, future, setFuture) : null,
    redo: future.length > 0 ? () => step(future, setFuture, past, setPast) : null,
  };
}
