'use client';

import { useEffect, useMemo, useRef } from 'react';
import { type Phase } from '@/core/cadence';
import { type PlanItem } from '@/core/sequence';
import { say } from '@/parts/say';
import { actFor, isTyping } from '@/parts/shell/keys';
import { useKeyDown } from '@/parts/shell/useKeyDown';
import { type ScoreEdits } from './ScoreEditor';
import { moved, withBreaths } from '../usePlan';

/** Edits that stay the same from one drawing to the next, so that only the bars that changed are drawn anew. */
export function useEdits({
  edit,
  select,
  setPhase,
  preview,
  swap,
}: {
  edit: (make: (items: PlanItem[]) => PlanItem[]) => void;
  select: (id: string) => void;
  setPhase: (phase: Phase | null) => void;
  preview: (pulled: { id: string; breaths: number } | null) => void;
  swap: (id: string) => void;
}): ScoreEdits {
  const latest = useRef({ swap });
  useEffect(() => {
    latest.current = { swap };
  });
  return useMemo(() => {
    const one = (id: string, turn: (item: PlanItem) => PlanItem) =>
      edit((items) => items.map((item) => (item.id === id ? turn(item) : item)));
    return {
      select: (id) => {
        select(id);
        setPhase(null);
      },
      phase: (id, phase) => {
        select(id);
        setPhase(phase);
      },
      place: (id, to) => edit((items) => moved(items, id, to)),
      preview: (id, breaths) => preview(breaths === null ? null : { id, breaths }),
      breaths: (id, breaths) => one(id, (item) => withBreaths(item, breaths)),
      lock: (id) => one(id, (item) => ({ ...item, locked: !item.locked })),
      swap: (id) => {
        select(id);
        latest.current.swap(id);
      },
      takeOut: (id) => {
        edit((items) => items.filter((item) => item.id !== id));
        say('Taken out. Undo brings it back.');
      },
      turn: (id, change) => one(id, (item) => ({ ...item, ...change, byHand: true })),
    };
  }, [edit, select, setPhase, preview]);
}

export function useUndoKeys(undo: (() => void) | null, redo: (() => void) | null) {
  useKeyDown((event) => {
    if (isTyping(event.target) && !(event.target as HTMLElement).matches('[role="slider"]')) return;
    const nothing = () => undefined;
    const act = actFor('score', { undo: undo ?? nothing, redo: redo ?? nothing })(event);
    if (!act) return;
    event.preventDefault();
    act();
  });
}
