'use client';

import { memo, useEffect, useId, useMemo, useRef } from 'react';
import { type BreathStretch, cycleSeconds } from '@/core/cadence';
import { follow } from '../follow';
import { breathPieces, pointList } from './score/score.geometry';

const width = 600;
const breathHeight = 96;
/** A movement's line stands above the breath. */
const wayHeight = 54;
const perSecond = 36;
/** Where "now" stands: a little of what was, most of what comes. */
const nowX = 145;

/** The phases ahead, gliding past a line that is now. The sheet is drawn once and only moved. */
export const Ribbon = memo(function Ribbon({
  stretches,
  askSeconds,
  way = null,
  className = '',
}: {
  stretches: readonly BreathStretch[];
  /** Seconds into these stretches. */
  askSeconds: () => number;
  /** How far a movement has gone, over the breath: corners of a line, in seconds of these stretches. */
  way?: readonly { at: number; level: number }[] | null;
  className?: string;
}) {
  const top = way ? wayHeight : 0;
  const height = breathHeight + top;
  const id = useId().replace(/[^a-zA-Z0-9]/g, '');
  const sheet = useRef<SVGSVGElement>(null);
  const pieces = useMemo(
    () =>
      breathPieces(
        [{ kind: 'breaths', seconds: 0, side: null, set: 1, stretches: [...stretches] }],
        perSecond,
        breathHeight - 16,
      ),
    [stretches],
  );
  const length = useMemo(
    () => perSecond * stretches.reduce((sum, { cadence, breaths }) => sum + cycleSeconds(cadence) * breaths, 0),
    [stretches],
  );

  useEffect(() => {
    const still = window.matchMedia('(prefers-reduced-motion: reduce)');
    let shown = '';
    const draw = () => {
      const seconds = still.matches ? Math.floor(askSeconds()) : askSeconds();
      // In parts of the sheet's own length, so that it holds at any size of the screen.
      const left = (nowX - seconds * perSecond) / length;
      const along = `translate3d(${(left * 100).toFixed(4)}%,0,0)`;
      const moves = along !== shown;
      if (moves) sheet.current?.style.setProperty('transform', along);
      shown = along;
      return moves;
    };
    return follow(draw, { glides: true });
  }, [askSeconds, length]);

  return (
    <span
      className={`relative block overflow-hidden ${className}`}
      style={{ aspectRatio: `${width} / ${height}` }}
      aria-hidden
    >
      <svg
        ref={sheet}
        viewBox={`0 0 ${length} ${height}`}
        className="absolute top-0 left-0 h-full max-w-none will-change-transform"
        style={{ width: `${(length / width) * 100}%` }}
      >
        <defs>
          <pattern id={`${id}out`} width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
            <rect width="9" height="9" fill="var(--exhalew)" />
            <rect width="3.2" height="9" fill="var(--exhale)" />
          </pattern>
        </defs>
        <g transform={`translate(0 ${top + 8})`}>
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
        {way && (
          <polyline
            points={way
              .map(
                ({ at, level }) => `${(at * perSecond).toFixed(1)},${(8 + (1 - level) * (wayHeight - 16)).toFixed(1)}`,
              )
              .join(' ')}
            fill="none"
            stroke="var(--ink)"
            strokeWidth="4"
            strokeLinejoin="round"
          />
        )}
      </svg>
      <svg viewBox={`0 0 ${width} ${height}`} className="absolute inset-0 h-full w-full">
        <line x1="0" x2={width} y1={height - 8} y2={height - 8} stroke="var(--rule)" strokeWidth="1.5" />
        <line x1={nowX} x2={nowX} y1="0" y2={height} stroke="var(--ink)" strokeWidth="3" />
      </svg>
    </span>
  );
});
