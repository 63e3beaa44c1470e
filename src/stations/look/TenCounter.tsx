'use client';

import { useCallback, useEffect, useState } from 'react';
import { useHydrated } from '@/parts/useHydrated';
import { Tick } from '../live/Tick';
import { useSpace } from './useSpace';

const countMs = 10_000;

/** Ten seconds counted by the screen, so that eyes and hands stay with the client; a press before ten stops it. */
export function TenCounter({ onStopped }: { onStopped: () => void }) {
  const [since, setSince] = useState<number | 'over' | null>(null);
  const counting = typeof since === 'number';
  const press = useCallback(() => {
    if (!counting) return setSince(performance.now());
    setSince(null);
    onStopped();
  }, [counting, onStopped]);
  useSpace(press);
  const listening = useHydrated();
  useEffect(() => {
    if (typeof since !== 'number') return;
    const timer = setTimeout(() => setSince('over'), since + countMs - performance.now());
    return () => clearTimeout(timer);
  }, [since]);
  const ask = useCallback(
    () => (typeof since === 'number' ? String(Math.min(10, Math.floor((performance.now() - since) / 1000) + 1)) : ''),
    [since],
  );
  return (
    <button
      type="button"
      disabled={!listening}
      onClick={press}
      className="grid h-48 w-full max-w-xl place-items-center rounded-one border-2 border-ink px-4 text-center hover:bg-leaf"
    >
      <span>
        {counting ? (
          <Tick ask={ask} className="block text-8xl leading-none font-bold" />
        ) : (
          <span className="block text-2xl font-semibold" role="status">
            {since === 'over' ? 'Ten. Breathe out' : 'Start the ten'}
          </span>
        )}
        <span className="block text-ink2">
          {counting
            ? 'tap or Space when they stop earlier'
            : since === 'over'
              ? 'how did the exhale come? Tap to count anew'
              : 'at the top of a full breath in'}
        </span>
      </span>
    </button>
  );
}
