'use client';

import { useEffect, useRef, useState } from 'react';
import { type RunPlace } from '@/core/coach';
import { follow } from '@/parts/follow';
import { type LiveRun } from './useRun';

/** What the words on the coach's screen need; it changes about once a phase. What changes every second is a Tick. */
export interface ShownMoment {
  item: number;
  segment: number;
  kind: RunPlace['timed']['segment']['kind'];
  phase: string | null;
  breath: number;
  /** Breaths of the set under way, 0 between sets. */
  of: number;
  set: number;
  side: 'left' | 'right' | null;
  minutesLeft: number;
}

function shownAt({ timeline, state, place }: LiveRun): ShownMoment {
  const now = place();
  const { segment } = now.timed;
  const cursor = now.timed.startSeconds + now.intoSeconds;
  return {
    item: now.item,
    segment: timeline.segments.indexOf(now.timed),
    kind: segment.kind,
    phase: now.moment && state.status !== 'ready' ? now.moment.phase : null,
    breath: now.moment ? now.moment.breath + 1 : 0,
    of: now.timed.breaths?.cadences.length ?? 0,
    set: segment.kind === 'breaths' ? segment.set : 0,
    side: segment.kind === 'breaths' ? segment.side : segment.kind === 'change side' ? segment.to : null,
    minutesLeft: Math.ceil((timeline.totalSeconds - cursor) / 60),
  };
}

/** The words of the run, looked up with the clock and shown only when one of them changes. */
export function useMoment(run: LiveRun): ShownMoment {
  const [shown, setShown] = useState(() => shownAt(run));
  const live = useRef(run);
  useEffect(() => {
    live.current = run;
  });
  useEffect(() => {
    let key = '';
    return follow(() => {
      const next = shownAt(live.current);
      const nextKey = Object.values(next).join('|');
      if (nextKey === key) return;
      key = nextKey;
      setShown(next);
    });
  }, []);
  return shown;
}

/** Keeps the screen awake while a run goes on, where the browser can. A browser lets go when the page is hidden: it is asked again. */
export function useAwake(on: boolean) {
  useEffect(() => {
    if (!on || !('wakeLock' in navigator)) return;
    let held: WakeLockSentinel | null = null;
    let over = false;
    const ask = () => {
      if (document.visibilityState !== 'visible') return;
      navigator.wakeLock.request('screen').then(
        (sentinel) => {
          if (over) void sentinel.release();
          else held = sentinel;
        },
        // A low battery may forbid it; the run goes on without.
        () => undefined,
      );
    };
    ask();
    document.addEventListener('visibilitychange', ask);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', ask);
      void held?.release();
    };
  }, [on]);
}
