'use client';

import { useCallback, useEffect, useRef, useSyncExternalStore } from 'react';
import { type CommandKind, type Payload, type Said } from '@/core/record';
import { holdPresence } from './presence';
import {
  type KeepState,
  flush,
  freshKeepState,
  keep,
  keepState,
  nothingSaid,
  onKeepState,
  onSaid,
  saidNow,
} from './outbox';

/** How saving stands: what waits, whether the server answers, when something was saved last. */
export function useKeepState(): KeepState {
  return useSyncExternalStore(onKeepState, keepState, () => freshKeepState);
}

/** Everything that was written down in this browser and is not refused, oldest first: pages lay it over what they were made with. */
export function useSaid(): readonly Said[] {
  return useSyncExternalStore(onSaid, saidNow, () => nothingSaid);
}

/** Whether this part of the page is still there. */
export function useMounted() {
  const mounted = useRef(false);
  useEffect(() => {
    mounted.current = true;
    return () => {
      mounted.current = false;
    };
  }, []);
  return mounted;
}

/** {@link keep} for a part of a page: once that part is gone, a refusal is shown on whatever page is open instead. */
export function useKeep() {
  const mounted = useMounted();
  return useCallback(
    <K extends CommandKind>(kind: K, payload: Payload<K>) => keep(kind, payload, () => mounted.current),
    [mounted],
  );
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

/** While something goes on that needs nobody's hand, silence does not lock the page. */
export function usePresent(going: boolean) {
  useEffect(() => (going ? holdPresence() : undefined), [going]);
}
