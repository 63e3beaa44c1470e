'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { Button } from '@/parts/Button';
import { useHydrated } from '@/parts/useHydrated';
import { useSpace } from './useSpace';

const mostGoes = 3;

/** Press at the beginning and at the end, by hand or with Space; up to three goes, each can be taken out. */
export function SecondsTimer({
  label,
  values,
  onChange,
}: {
  label: string;
  values: readonly number[];
  onChange: (values: number[]) => void;
}) {
  const began = useRef<number | null>(null);
  const [running, setRunning] = useState(false);
  const [shown, setShown] = useState(0);
  const full = values.length >= mostGoes;

  const press = useCallback(() => {
    if (full && began.current === null) return;
    if (began.current === null) {
      began.current = performance.now();
      setShown(0);
      setRunning(true);
      return;
    }
    const seconds = Math.round((performance.now() - began.current) / 100) / 10;
    began.current = null;
    setRunning(false);
    // A press and its bounce are no exhale.
    if (seconds >= 0.3) onChange([...values, Math.min(120, seconds)]);
  }, [full, onChange, values]);
  useSpace(press);
  const listening = useHydrated();

  useEffect(() => {
    if (!running) return;
    const timer = setInterval(() => setShown((performance.now() - (began.current ?? performance.now())) / 1000), 200);
    return () => clearInterval(timer);
  }, [running]);

  return (
    <div>
      <p className="mb-1 text-sm text-ink2">{label}</p>
      <div className="flex flex-wrap items-center gap-4">
        <button
          type="button"
          onClick={press}
          disabled={(full && !running) || !listening}
          className="grid h-24 w-64 place-items-center rounded-one border-2 border-ink hover:bg-leaf disabled:border-rule"
        >
          <span className="text-center">
            <span className="block text-xl font-semibold">
              {running ? 'Stop at the end' : full ? 'Three goes done' : 'Start the exhale'}
            </span>
            <span className="block text-ink2">{running ? `${shown.toFixed(1)} s` : full ? '' : 'tap, or Space'}</span>
          </span>
        </button>
        <ul className="flex flex-wrap gap-2" aria-label="Goes">
          {values.map((seconds, i) => (
            <li key={i} className="flex items-center rounded-one border border-rule pl-3">
              <span className="text-xl font-semibold">{seconds.toFixed(1)}</span>
              <span className="ml-1">s</span>
              <Button look="quiet" onClick={() => onChange(values.filter((_, index) => index !== i))}>
                Take out <span className="sr-only">go {i + 1}</span>
              </Button>
            </li>
          ))}
        </ul>
      </div>
      <p className="sr-only" role="status">
        {values.length > 0 && !running ? `${values.at(-1)!.toFixed(1)} seconds` : ''}
      </p>
    </div>
  );
}
