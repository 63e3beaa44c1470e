'use client';

import { useEffect, useSyncExternalStore } from 'react';
import { type KeepState, flush, keepState, onKeepState } from './outbox';

const serverState: KeepState = { waiting: 0, reachable: true, lastSavedAt: null };

/** How saving stands: what waits, whether the server answers, when something was saved last. */
export function useKeepState(): KeepState {
  return useSyncExternalStore(onKeepState, keepState, () => serverState);
}

/** Sends what an earlier page left behind, and tries again when the machine comes back online or the tab is shown. */
export function useFlushing() {
  useEffect(() => {
    const go = () => void flush();
    go();
    window.addEventListener('online', go);
    document.addEventListener('visibilitychange', go);
    return () => {
      window.removeEventListener('online', go);
      document.removeEventListener('visibilitychange', go);
    };
  }, []);
}
