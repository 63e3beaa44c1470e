'use client';

import { useEffect, useId, useMemo, useRef } from 'react';
import { type BreathStretch } from '@/core/cadence';
import { breathPieces, pointList } from './score/score.geometry';

const width = 600;
const height = 96;
const perSecond = 36;
/** Where "now" stands: a little of what was, most of what comes. */
const nowX = 145;

/** The phases ahead, gliding past a line that is now. */
export function Ribbon({
  stretches,
  askSeconds,
  className,
}: {
  stretches: readonly BreathStretch[];
  /** Seconds into these stretches. */
  askSeconds: () => number;
  className?: string;
}) {
  const id = useId().replace(/[^a-zA-Z0-9]/g, '');
  const moving = useRef<SVGGElement>(null);
  const pieces = useMemo(
    () =>
      breathPieces(
        [{ kind: 'breaths', seconds: 0, side: null, set: 1, stretches: [...stretches] }],
        perSecond,
        height - 16,
      ),
    [stretches],
  );

  useEffect(() => {
    const still = window.matchMedia('(prefers-reduced-motion: reduce)');
    let frame = 0;
    const draw = () => {
      frame = requestAnimationFrame(draw);
      const seconds = still.matches ? Math.floor(askSeconds()) : askSeconds();
      moving.current?.setAttribute('transform', `translate(${(nowX - seconds * perSecond).toFixed(1)} 8)`);
    };
    draw();
    return () => cancelAnimationFrame(frame);
  }, [askSeconds]);

  return (
    <svg viewBox={`0 0 ${width} ${height}`} className={className} aria-hidden>
      <defs>
        <pattern id={`${id}out`} width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
          <rect width="9" height="9" fill="var(--exhalew)" />
          <rect width="3.2" height="9" fill="var(--exhale)" />
        </pattern>
      </defs>
      <g ref={moving}>
        {pieces.map((piece, i) =>
          piece.kind === 'pause' ? (
            <polyline
              key={i}
              points={pointList(piece.points)}
              stroke="var(--ink)"
              strokeWidth="5"
              strokeDasharray="0.1 10"
              strokeLinecap="round"
            />
          ) : (
            <polygon
              key={i}
              points={pointList(piece.points)}
              fill={piece.kind === 'inhale' ? 'var(--inhale)' : `url(#${id}out)`}
            />
          ),
        )}
      </g>
      <line x1="0" x2={width} y1={height - 8} y2={height - 8} stroke="var(--rule)" strokeWidth="1.5" />
      <line x1={nowX} x2={nowX} y1="0" y2={height} stroke="var(--ink)" strokeWidth="3" />
    </svg>
  );
}
