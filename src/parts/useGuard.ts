'use client';

import { useCallback, useEffect, useRef } from 'react';

/** A second tap within so long was meant for what stood there before. Common practice, ours. */
const guardMs = 600;

/**
 * Keeps a fast finger from pressing what it has not seen yet: after a press, and after the thing pressed has come to mean
 * something else, presses are passed over for a moment.
 *
 * @param meaning what a press would do now
 * @returns the press, guarded
 */
export function useGuard(meaning: string, press: () => void): () => void {
  const closedUntil = useRef(0);
  const means = useRef(meaning);
  useEffect(() => {
    if (means.current === meaning) return;
    means.current = meaning;
    closedUntil.current = Date.now() + guardMs;
  }, [meaning]);
  return useCallback(() => {
    if (Date.now() < closedUntil.current) return;
    closedUntil.current = Date.now() + guardMs;
    press();
  }, [press]);
}
