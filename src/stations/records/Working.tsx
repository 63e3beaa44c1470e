'use client';

import { useRef, useState } from 'react';
import { Button } from '@/parts/Button';

/** Work that takes a while: how far it is, and the way to give it up. */
export function useWork() {
  const [part, setPart] = useState<number | null>(null);
  const stop = useRef<AbortController | null>(null);
  const begin = async <T,>(
    work: (signal: AbortSignal, onProgress: (part: number) => void) => Promise<T>,
  ): Promise<T> => {
    const controller = (stop.current = new AbortController());
    setPart(0);
    try {
      return await work(controller.signal, setPart);
    } finally {
      setPart(null);
    }
  };
  return { part, begin, giveUp: () => stop.current?.abort() };
}

export function Working({ part, what, onGiveUp }: { part: number | null; what: string; onGiveUp: () => void }) {
  if (part === null) return null;
  const percent = Math.round(part * 100);
  return (
    <div className="mt-3 flex max-w-xl flex-wrap items-center gap-4">
      <div
        role="progressbar"
        aria-label={what}
        aria-valuenow={percent}
        aria-valuemin={0}
        aria-valuemax={100}
        className="h-3 grow rounded-one border border-ink"
      >
        <div className="h-full bg-ink" style={{ width: `${percent}%` }} />
      </div>
      <span className="w-12 tabular-nums">{percent} %</span>
      <Button onClick={onGiveUp}>Give it up</Button>
    </div>
  );
}
