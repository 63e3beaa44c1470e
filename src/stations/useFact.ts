'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { type Fact, type FactKey } from '@/core/safety';
import { keep, newId, useMounted } from '@/keep';

/**
 * Records facts of one key. Remembers which fact this window saw last, so that an edit made elsewhere meanwhile is noticed;
 * returns the sentence when the last one was refused.
 */
export function useFact(
  clientId: string,
  key: FactKey,
  latest: Fact | undefined,
  /** Whether a refusal is shown beside what was answered; otherwise it comes up on whatever page is open. */
  { shownHere = true }: { shownHere?: boolean } = {},
) {
  const mounted = useMounted();
  const [error, setError] = useState<string | null>(null);
  // What was said in this window is in the view at once: the newest fact it shows is the one this builds on.
  const basedOn = useRef(latest?.id ?? null);
  useEffect(() => {
    basedOn.current = latest?.id ?? null;
  }, [latest?.id]);

  const record = useCallback(
    async (value: unknown): Promise<string | null> => {
      const factId = newId();
      const before = basedOn.current;
      basedOn.current = factId;
      const outcome = await keep(
        'fact.add',
        { factId, clientId, key, value, basedOn: before },
        () => shownHere && mounted.current,
      );
      if (outcome.state === 'refused') {
        if (basedOn.current === factId) basedOn.current = before;
        setError(outcome.why);
        return null;
      }
      setError(null);
      return factId;
    },
    [clientId, key, shownHere, mounted],
  );

  return { record, error };
}
