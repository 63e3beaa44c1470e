'use client';

import { useCallback, useEffect, useRef, useState } from 'react';

/**
 * A value being typed that saves itself: after a pause in typing, on leaving the field, and when the page goes away. The
 * typed value stays on the screen whatever becomes of it; what another window wrote takes its place only once nobody is
 * typing here any more and what was typed was taken in.
 *
 * @param stored the value as it stands
 * @param save answers null where it was refused
 * @param typed whether a field is left when typing is over; what is tapped or dragged is over with the pause
 */
export function useDraft<T>(
  stored: T,
  save: (value: T) => unknown,
  { waitMs = 600, typed = true }: { waitMs?: number; typed?: boolean } = {},
) {
  const [value, setValue] = useState(stored);
  const [followed, setFollowed] = useState(stored);
  const [mine, setMine] = useState(false);
  const pending = useRef<{ value: T } | null>(null);
  const typing = useRef(false);
  const underway = useRef(0);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const saveNow = useRef(save);
  useEffect(() => {
    saveNow.current = save;
  });

  // Values with parts are new objects each time the page is made: what they say counts.
  if (!mine && !same(stored, followed)) {
    setFollowed(stored);
    setValue(stored);
  }

  const flush = useCallback(() => {
    if (timer.current) clearTimeout(timer.current);
    if (!pending.current) return;
    const { value: last } = pending.current;
    pending.current = null;
    underway.current += 1;
    void Promise.resolve(saveNow.current(last)).then((answer) => {
      underway.current -= 1;
      // Refused, it stays as it was typed until it is typed anew.
      if (answer !== null && underway.current === 0 && !pending.current && !typing.current) setMine(false);
    });
  }, []);

  const commit = useCallback(() => {
    typing.current = false;
    flush();
  }, [flush]);

  const change = useCallback(
    (next: T) => {
      setValue(next);
      setMine(true);
      typing.current = typed;
      pending.current = { value: next };
      if (timer.current) clearTimeout(timer.current);
      timer.current = setTimeout(flush, waitMs);
    },
    [flush, waitMs, typed],
  );

  /** Puts something else in its place that is saved elsewhere. */
  const replace = useCallback((next: T) => {
    setValue(next);
    setFollowed(next);
  }, []);

  useEffect(() => {
    const leave = () => flush();
    window.addEventListener('pagehide', leave);
    document.addEventListener('visibilitychange', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      document.removeEventListener('visibilitychange', leave);
      flush();
    };
  }, [flush]);

  return { value, change, commit, replace };
}

const same = (one: unknown, other: unknown) => one === other || JSON.stringify(one) === JSON.stringify(other);
