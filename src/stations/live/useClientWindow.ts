'use client';

import { useCallback, useEffect, useRef } from 'react';
import { type ClientFrame, type ClientMessage, clientChannel } from '@/core/coach';

/** Said again this often, so that a window opened later hears it, and one whose coach has gone knows. */
const everyMs = 1000;

/**
 * Tells the client's window what to show.
 *
 * @param frame asked at once whenever `changes` differ, and every second
 * @param nowMs the clock both windows keep
 * @param active whether this page has the say at all
 */
export function useClientWindow(
  frame: () => ClientFrame,
  nowMs: () => number,
  changes: readonly unknown[],
  active = true,
) {
  const ask = useRef({ frame, nowMs });
  useEffect(() => {
    ask.current = { frame, nowMs };
  });
  const key = changes.map(String).join('|');
  const speaks = useRef(active);
  useEffect(() => {
    speaks.current = active;
  }, [active]);
  // The live screen is left, or taken away by an emergency that was told elsewhere: nobody is paced by what was said last.
  useEffect(
    () => () => {
      if (!speaks.current || typeof BroadcastChannel === 'undefined') return;
      const channel = new BroadcastChannel(clientChannel);
      channel.postMessage({
        frame: { kind: 'rest', words: 'Rest' },
        sentAtMs: ask.current.nowMs(),
      } satisfies ClientMessage);
      channel.close();
    },
    [],
  );
  useEffect(() => {
    if (!active || typeof BroadcastChannel === 'undefined') return;
    const channel = new BroadcastChannel(clientChannel);
    const tell = () =>
      channel.postMessage({ frame: ask.current.frame(), sentAtMs: ask.current.nowMs() } satisfies ClientMessage);
    tell();
    const timer = setInterval(tell, everyMs);
    return () => {
      clearInterval(timer);
      channel.close();
    };
  }, [key, active]);
}

/** Opens the client's window, or brings it forward. */
export function useOpenClientWindow() {
  return useCallback(() => {
    window.open('/client-window', 'kokyu-client', 'popup,width=900,height=700');
  }, []);
}
