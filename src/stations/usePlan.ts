'use client';

import { type Remote, wrap } from 'comlink';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { type MeasuredBreath } from '@/core/cadence';
import { restingBreathOf } from '@/core/look';
import { type Plan, type PlanContext, type PlanItem, contextOf } from '@/core/sequence';
import { newId, useKeep } from '@/keep';
import { type PlanWorker } from '@/workers/plan.worker';
import { type ClientView } from './view';

/** What the planner knows of a client, from the view. */
export const planContext = (view: ClientView<'looks' | 'planning'>): PlanContext =>
  contextOf({
    gates: view.gates,
    answers: view.known.profile.answers,
    visit: view.visit,
    stopped: view.stopped,
    history: view.planning.history,
    ownDrills: view.planning.ownDrills,
  });

/** The same context from one edit of the plan to the next: what is worked out from it need not be worked out anew. */
export function usePlanContext(view: ClientView<'looks' | 'planning'>): PlanContext {
  const { gates, stopped, planning, visit } = view;
  const { answers } = view.known.profile;
  // All that planContext reads of the view; the plan itself is not among it.
  // oxlint-disable-next-line react/exhaustive-deps
  return useMemo(() => planContext(view), [gates, stopped, planning, answers, visit?.looks, visit?.reading]);
}

export function useMeasuredBreath(view: ClientView<'looks'>): MeasuredBreath {
  const looks = view.visit?.looks;
  return useMemo(() => restingBreathOf(looks ?? []), [looks]);
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
      const worker = new Worker(new URL('../workers/plan.worker.ts', import.meta.url), { type: 'module' });
      held.current = { worker, remote: wrap<PlanWorker>(worker) };
    }
    return held.current.remote;
  }, []);
}

const mostUndo = 100;

/** Steps of a plan that can be gone back and on, by visit: leaving the page does not take them away. */
interface Steps {
  past: Plan[];
  future: Plan[];
}
const stepsOf = new Map<string, Steps>();
const noSteps: Steps = { past: [], future: [] };

/** The visit's plan as this browser last left it, in whichever tab: every change is saved at once and can be undone. */
export function usePlan(view: ClientView<'plan'>) {
  const stored = view.visit?.plan ?? null;
  const visitId = view.visit?.id;
  const [turnedAway, setTurnedAway] = useState<Plan | null>(null);
  const [error, setError] = useState<string | null>(null);
  const [steps, setSteps] = useState<Steps>((visitId && stepsOf.get(visitId)) || noSteps);
  // What was refused stays to be put right.
  const plan = turnedAway ?? stored?.plan ?? null;
  // Edited twice before the page is drawn again, the second edit stands on the first.
  const now = useRef({ plan, steps, id: stored?.id ?? null, revision: stored?.revision ?? 0 });
  useEffect(() => {
    now.current = { ...now.current, plan, id: stored?.id ?? null, revision: stored?.revision ?? 0 };
  }, [plan, stored?.id, stored?.revision]);
  const keep = useKeep();

  const show = useCallback(
    (next: Plan, walked: Steps) => {
      const own = now.current;
      own.plan = next;
      own.steps = walked;
      setSteps(walked);
      if (!visitId) return;
      stepsOf.set(visitId, walked);
      own.id ??= newId();
      const { revision } = own;
      own.revision += 1;
      setTurnedAway(null);
      void keep('plan.save', { planId: own.id, visitId, plan: next, revision }).then((outcome) => {
        setError(outcome.state === 'refused' ? outcome.why : null);
        if (outcome.state === 'refused') setTurnedAway(next);
      });
    },
    [visitId, keep],
  );

  const change = useCallback(
    (next: Plan) => {
      const { plan: before, steps: walked } = now.current;
      show(next, { past: before ? [...walked.past.slice(1 - mostUndo), before] : walked.past, future: [] });
    },
    [show],
  );

  const undo = useCallback(() => {
    const { plan: current, steps: walked } = now.current;
    const before = walked.past.at(-1);
    if (before && current) show(before, { past: walked.past.slice(0, -1), future: [...walked.future, current] });
  }, [show]);

  const redo = useCallback(() => {
    const { plan: current, steps: walked } = now.current;
    const next = walked.future.at(-1);
    if (next && current) show(next, { past: [...walked.past, current], future: walked.future.slice(0, -1) });
  }, [show]);

  /** Edits go through here, so that they work on the plan as it is now and need not be made anew when it changes. */
  const edit = useCallback(
    (make: (items: PlanItem[]) => PlanItem[]) => {
      const { plan: current } = now.current;
      if (!current) return;
      const items = make(current.items);
      if (items !== current.items) change({ ...current, items });
    },
    [change],
  );

  return {
    plan,
    error,
    change,
    edit,
    undo: steps.past.length > 0 ? undo : null,
    redo: steps.future.length > 0 ? redo : null,
  };
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
