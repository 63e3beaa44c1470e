'use client';

import { useEffect, useRef, useState } from 'react';
import { type Go, type HomeItem, type HomePlan, breathsOf, goesOf, type HabitId } from '@/core/home';
import { newId, useKeep } from '@/keep';
import { say } from '@/parts/say';
import { type ClientView } from '../view';

/** The plan somebody begins with: fourteen days from today, an ordinary waking day. */
const freshPlan = (today: string): HomePlan => ({
  from: today,
  days: 14,
  wakes: '07:00',
  sleeps: '22:30',
  sits: null,
  items: [],
  moreReason: '',
  remind: null,
  goes: [],
  calledOff: [],
});

/** What goes home, and every way to change it. What is changed is kept at once, and shown at once. */
export function useHome(view: ClientView) {
  const visit = view.visit!;
  const keep = useKeep();
  const [error, setError] = useState<string | null>(null);
  const plan = visit.home?.plan ?? freshPlan(view.today);
  // Two changes in the time of one paint: the second builds on the first.
  const latest = useRef(plan);
  const revision = useRef(visit.home?.revision ?? 0);
  useEffect(() => {
    // What was refused is lifted off the page; the next change must not bring it along.
    latest.current = visit.home?.plan ?? freshPlan(view.today);
    revision.current = visit.home?.revision ?? 0;
  }, [visit.home?.plan, visit.home?.revision, view.today]);

  const change = (part: Partial<HomePlan>) => {
    const next = { ...latest.current, ...part };
    // A time of the day that was handed out and is gone has to be called off in the next calendar.
    if (visit.home?.handedAt) {
      const standing = new Set(next.goes.map(({ id }) => id));
      const off = [...next.calledOff, ...latest.current.goes].filter(
        (go, at, all) => !standing.has(go.id) && all.findIndex(({ id }) => id === go.id) === at,
      );
      next.calledOff = off.slice(-200);
    }
    latest.current = next;
    const based = revision.current;
    revision.current += 1;
    void keep('home.save', { visitId: visit.id, plan: next, revision: based }).then((outcome) =>
      setError(outcome.state === 'refused' ? outcome.why : null),
    );
  };

  const goes = (itemId: string, list: readonly Go[]) => [
    ...latest.current.goes.filter((go) => go.itemId !== itemId),
    ...list,
  ];

  return {
    plan,
    error,
    change,
    /** Several at once, as far as nothing of them is there. */
    addAll: (homes: readonly HomeItem[]) => {
      const { items, goes: before } = latest.current;
      const fresh = homes.filter(({ id }) => !items.some((one) => one.id === id));
      change({
        items: [...items, ...fresh],
        goes: [...before, ...fresh.flatMap(({ id }) => goesOf('wakingAndBed', id, latest.current, newId))],
      });
    },
    add: (home: HomeItem) => {
      const { items } = latest.current;
      change({
        items: [...items, home],
        goes: goes(home.id, goesOf('wakingAndBed', home.id, latest.current, newId)),
      });
    },
    takeOut: (id: string) => {
      const before = latest.current;
      change({ items: before.items.filter((one) => one.id !== id), goes: goes(id, []) });
      say('Taken out of what goes home.', () => change({ items: before.items, goes: before.goes }));
    },
    /** On what stands by now, not on what the page showed when it was pressed. */
    changeItem: (id: string, to: (one: HomeItem) => HomeItem) =>
      change({ items: latest.current.items.map((one) => (one.id === id ? to(one) : one)) }),
    spread: (id: string, habit: HabitId) => {
      const breaths = breathsOf(habit);
      change({
        goes: goes(id, goesOf(habit, id, latest.current, newId)),
        items: latest.current.items.map((one) =>
          one.id === id && breaths !== null && one.item.cadences.length === 1
            ? { ...one, item: { ...one.item, breaths } }
            : one,
        ),
      });
    },
    changeGo: (id: string, to: (go: Go) => Go) =>
      change({ goes: latest.current.goes.map((one) => (one.id === id ? to(one) : one)) }),
    changeSits: (part: { from?: string; to?: string }) => {
      const { sits } = latest.current;
      if (sits) change({ sits: { ...sits, ...part } });
    },
    addGo: (itemId: string, at: string) =>
      change({ goes: [...latest.current.goes, { id: newId(), itemId, at, with: '' }] }),
    takeGo: (id: string) => change({ goes: latest.current.goes.filter((one) => one.id !== id) }),
  };
}
export type Home = ReturnType<typeof useHome>;
