'use client';

import { useEffect, useRef } from 'react';
import { follow } from '../follow';

/** Where each item of a plan starts, on one ruled line with a cursor: how far the run has come, without figures. */
export function PlanStrip({
  starts,
  totalSeconds,
  at,
  askSeconds,
  className,
}: {
  starts: readonly number[];
  totalSeconds: number;
  /** The item under way. */
  at: number;
  /** Seconds on the run's clock. */
  askSeconds: () => number;
  className?: string;
}) {
  const cursor = useRef<SVGLineElement>(null);
  const part = (seconds: number) => (totalSeconds > 0 ? Math.min(1, seconds / totalSeconds) * 1000 : 0);
  useEffect(() => {
    let shown = -1;
    return follow(() => {
      // A whole plan on a line this long moves less than a pixel a second: a step a second is as smooth as it gets.
      const seconds = Math.floor(askSeconds());
      if (seconds === shown) return;
      shown = seconds;
      const x = totalSeconds > 0 ? Math.min(1, seconds / totalSeconds) * 1000 : 0;
      cursor.current?.setAttribute('x1', x.toFixed(1));
      cursor.current?.setAttribute('x2', x.toFixed(1));
    });
  }, [askSeconds, totalSeconds]);
  return (
    <svg viewBox="-2 0 1004 24" preserveAspectRatio="none" className={className} aria-hidden>
      <line x1="0" x2="1000" y1="12" y2="12" stroke="var(--rule)" strokeWidth="3" vectorEffect="non-scaling-stroke" />
      {starts.map((start, i) => {
        const to = starts[i + 1] ?? totalSeconds;
        return (
          <g key={i}>
            {i === at && (
              <line
                x1={part(start)}
                x2={part(to)}
                y1="12"
                y2="12"
                stroke="var(--ink)"
                strokeWidth="5"
                vectorEffect="non-scaling-stroke"
              />
            )}
            <line
              x1={part(start)}
              x2={part(start)}
              y1="5"
              y2="19"
              stroke="var(--ink2)"
              strokeWidth="2"
              vectorEffect="non-scaling-stroke"
            />
          </g>
        );
      })}
      <line ref={cursor} y1="0" y2="24" stroke="var(--ink)" strokeWidth="4" vectorEffect="non-scaling-stroke" />
    </svg>
  );
}
