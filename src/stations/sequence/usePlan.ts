'use client';

import { type Remote, wrap } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import { type MeasuredBreath } from '@/core/cadence';
import { allOf, baseMap, bestGrades, newest, rateOf } from '@/core/look';
import { conditionIds } from '@/core/safety';
import { type Plan, type PlanContext, type PlanItem, seenEffects } from '@/core/sequence';
import { estimateYields, evenYields } from '@/core/trunk';
import { newId, useKeep } from '@/keep';
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
    conditions: conditionIds.filter((id) => view.known.profile.answers[id]?.value === 'yes'),
    stoppedDrills: view.stopped,
    history: view.planning?.history ?? [],
    ownDrills: view.planning?.ownDrills ?? [],
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

/** What was measured of the client's own breath today, for the comfort of a cadence. */
export function measuredBreath(view: ClientView): MeasuredBreath {
  const looks = view.visit?.looks ?? [];
  const quiet = newest(looks, 'quietLook', 'before');
  // One taken a second time may have no seconds yet.
  const exhale = allOf(looks, 'exhale', 'before').findLast(({ raw }) => raw.seconds.length > 0);
  const seconds = [...(exhale?.raw.seconds ?? [])].sort((a, b) => a - b);
  return {
    ratePerMinute: (quiet && rateOf(quiet.raw.taps)?.breathsPerMinute) ?? null,
    exhaleSeconds: seconds.length > 0 ? seconds[Math.floor((seconds.length - 1) / 2)]! : null,
  };
}

const mostUndo = 100;

/** The visit's plan on the screen: every change is saved at once and can be undone. */
export function usePlan(view: ClientView) {
  const stored = view.visit?.plan ?? null;
  const [plan, setPlan] = useState<Plan | null>(stored?.plan ?? null);
  const [error, setError] = useState<string | null>(null);
  const [steps, setSteps] = useState({ back: 0, on: 0 });
  const record = useRef({ id: stored?.id ?? null, revision: stored?.revision ?? 0 });
  const past = useRef<Plan[]>([]);
  const future = useRef<Plan[]>([]);
  const now = useRef(plan);
  const visitId = view.visit?.id;
  const keep = useKeep();

  const show = useCallback(
    (next: Plan) => {
      now.current = next;
      setPlan(next);
      setSteps({ back: past.current.length, on: future.current.length });
      if (!visitId) return;
      const own = record.current;
      own.id ??= newId();
      const revision = own.revision;
      own.revision += 1;
      void keep('plan.save', { planId: own.id, visitId, plan: next, revision }).then((outcome) => {
        setError(outcome.state === 'refused' ? outcome.why : null);
        if (outcome.state === 'conflict') own.revision = outcome.revision ?? own.revision;
        // What was refused did not move the plan on: the next change stands on the one before it.
        if (outcome.state === 'refused') own.revision = Math.max(0, own.revision - 1);
      });
    },
    [visitId, keep],
  );

  const change = useCallback(
    (next: Plan) => {
      if (now.current) past.current = [...past.current.slice(1 - mostUndo), now.current];
      future.current = [];
      show(next);
    },
    [show],
  );

  const undo = useCallback(() => {
    const before = past.current.at(-1);
    if (!before || !now.current) return;
    past.current = past.current.slice(0, -1);
    future.current = [...future.current, now.current];
    show(before);
  }, [show]);

  const redo = useCallback(() => {
    const next = future.current.at(-1);
    if (!next || !now.current) return;
    future.current = future.current.slice(0, -1);
    past.current = [...past.current, now.current];
    show(next);
  }, [show]);

  /** Edits go through here, so that they work on the plan as it is now and need not be made anew when it changes. */
  const edit = useCallback(
    (make: (items: PlanItem[]) => PlanItem[]) => {
      if (now.current) change({ ...now.current, items: make(now.current.items) });
    },
    [change],
  );

  return { plan, error, change, edit, undo: steps.back > 0 ? undo : null, redo: steps.on > 0 ? redo : null };
}

/** An item moved to another place. @example moved(items, 'a', 0)[0].id // 'a' */
export function moved(items: readonly PlanItem[], id: string, to: number): PlanItem[] {
  const from = items.findIndex((item) => item.id === id);
  if (from < 0) return [...items];
  const rest = items.filter((item) => item.id !== id);
  return [...rest.slice(0, to), items[from]!, ...rest.slice(to)];
}

/** Breaths of an item set, where its breath allows: a ladder has as many as it has rungs. */
export const withBreaths = (item: PlanItem, breaths: number): PlanItem =>
  item.cadences.length > 1 ? item : { ...item, breaths: Math.max(1, Math.min(60, breaths)), byHand: true };
