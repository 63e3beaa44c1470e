'use client';

import { useCallback, useMemo, useSyncExternalStore } from 'react';

const listeners = new Set<() => void>();
const subscribe = (listener: () => void) => {
  listeners.add(listener);
  window.addEventListener('storage', listener);
  return () => {
    listeners.delete(listener);
    window.removeEventListener('storage', listener);
  };
};

/**
 * Words being typed that aren't a record yet, kept in this browser until they are: a reload or a closed tab loses none.
 *
 * @returns the words, empty at first, and how to change them; changing them to nothing forgets them
 */
export function useKept(key: string): [string, (next: string) => void] {
  const value = useSyncExternalStore(
    subscribe,
    () => localStorage.getItem(key) ?? '',
    () => '',
  );
  const change = useCallback(
    (next: string) => {
      if (next === '') localStorage.removeItem(key);
      else localStorage.setItem(key, next);
      for (const listener of listeners) listener();
    },
    [key],
  );
  return [value, change];
}

/** The same for something with parts, as JSON; null until there is some, and what can't be read counts as none. */
export function useKeptValue<T>(key: string): [T | null, (next: T | null) => void] {
  const [kept, setKept] = useKept(key);
  const value = useMemo(() => readJson<T>(kept), [kept]);
  const change = useCallback((next: T | null) => setKept(next === null ? '' : JSON.stringify(next)), [setKept]);
  return [value, change];
}

function readJson<T>(text: string): T | null {
  try {
    return text === '' ? null : (JSON.parse(text) as T);
  } catch {
    return null;
  }
}
