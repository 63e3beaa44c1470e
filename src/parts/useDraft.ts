'use client';

import { useCallback, useEffect, useRef, useState } from 'react';

/**
 * A value being typed that saves itself: after a pause in typing, on leaving the field, and when the page goes away. The
 * typed value stays on the screen whatever becomes of it.
 */
export function useDraft<T>(initial: T, save: (value: T) => void, waitMs = 600) {
  const [value, setValue] = useState(initial);
  const pending = useRef<{ value: T } | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const saveNow = useRef(save);
  useEffect(() => {
    saveNow.current = save;
  });

  const commit = useCallback(() => {
    if (timer.current) clearTimeout(timer.current);
    if (!pending.current) return;
    const { value: last } = pending.current;
    pending.current = null;
    saveNow.current(last);
  }, []);

  const change = useCallback(
    (next: T) => {
      setValue(next);
      pending.current = { value: next };
      if (timer.current) clearTimeout(timer.current);
      timer.current = setTimeout(commit, waitMs);
    },
    [commit, waitMs],
  );

  useEffect(() => {
    const leave = () => commit();
    window.addEventListener('pagehide', leave);
    document.addEventListener('visibilitychange', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      document.removeEventListener('visibilitychange', leave);
      commit();
    };
  }, [commit]);

  return { value, change, commit, replace: setValue };
}
