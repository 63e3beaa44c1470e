'use client';

import { useCallback, useMemo } from 'react';
import { type HoldTry } from '@/core/look';
import { useKept } from '@/parts/useKept';

export type Measured = Pick<HoldTry, 'seconds' | 'steps' | 'endedAt'>;

/** A hold that was measured and not yet told of: it outlives a reload. */
export function useMeasured(key: string): [Measured | null, (next: Measured | null) => void] {
  const [kept, setKept] = useKept(key);
  const measured = useMemo(() => measuredIn(kept), [kept]);
  const change = useCallback((next: Measured | null) => setKept(next ? JSON.stringify(next) : ''), [setKept]);
  return [measured, change];
}

function measuredIn(kept: string): Measured | null {
  try {
    return kept === '' ? null : (JSON.parse(kept) as Measured);
  } catch {
    return null;
  }
}
