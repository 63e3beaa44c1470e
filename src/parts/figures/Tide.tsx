'use client';

import { useEffect, useId, useRef } from 'react';
import { type PhaseMoment } from '@/core/cadence';

/** What the tide asks each frame: the phase now, or null when nothing is paced. */
export type AskMoment = () => PhaseMoment | null;

const width = 160;
const height = 560;
/** Room above and below, so that full and empty are levels and not edges. */
const margin = 14;

export const tideLevelY = (level: number) => height - margin - level * (height - 2 * margin);

/**
 * The pacer: a tall channel in which a level climbs on the inhale (solid), falls on the exhale (hatched) and rests on a
 * dotted shelf in a pause. With reduced motion the level moves in whole seconds.
 */
export function Tide({ ask, className }: { ask: AskMoment; className?: string }) {
  const id = useId().replace(/[^a-zA-Z0-9]/g, '');
  const fill = useRef<SVGRectElement>(null);
  const surface = useRef<SVGLineElement>(null);
  const arrow = useRef<SVGPathElement>(null);

  useEffect(() => {
    const still = window.matchMedia('(prefers-reduced-motion: reduce)');
    let frame = 0;
    let phaseShown = '';
    const draw = () => {
      frame = requestAnimationFrame(draw);
      const moment = ask();
      const level = moment ? (still.matches ? steppedLevel(moment) : moment.level) : 0;
      const y = tideLevelY(level);
      fill.current?.setAttribute('y', y.toFixed(1));
      fill.current?.setAttribute('height', (height - y).toFixed(1));
      surface.current?.setAttribute('y1', y.toFixed(1));
      surface.current?.setAttribute('y2', y.toFixed(1));
      arrow.current?.setAttribute('transform', `translate(80 ${Math.min(height - 60, y + 60).toFixed(1)})`);
      const phase = moment?.phase ?? 'none';
      if (phase === phaseShown) return;
      phaseShown = phase;
      surface.current?.setAttribute('data-tide', phase);
      const rising = phase === 'inhale' || phase === 'topPause';
      const pause = phase === 'topPause' || phase === 'bottomPause';
      fill.current?.setAttribute('fill', phase === 'none' ? 'none' : rising ? 'var(--inhale)' : `url(#${id}hatch)`);
      const ink = pause || phase === 'none' ? 'var(--ink)' : rising ? 'var(--inhale)' : 'var(--exhale)';
      surface.current?.setAttribute('stroke', ink);
      surface.current?.setAttribute('stroke-dasharray', pause ? '0.1 12' : 'none');
      surface.current?.setAttribute('stroke-linecap', pause ? 'round' : 'butt');
      arrow.current?.setAttribute(
        'd',
        pause || phase === 'none' ? '' : rising ? 'M-24 12 L0 -12 L24 12' : 'M-24 -12 L0 12 L24 -12',
      );
      arrow.current?.setAttribute('stroke', rising ? 'var(--onink)' : 'var(--exhale)');
    };
    draw();
    return () => cancelAnimationFrame(frame);
  }, [ask, id]);

  return (
    <svg viewBox={`0 0 ${width} ${height}`} preserveAspectRatio="none" className={className} aria-hidden>
      <defs>
        <pattern id={`${id}hatch`} width="12" height="12" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
          <rect width="12" height="12" fill="var(--exhalew)" />
          <rect width="4" height="12" fill="var(--exhale)" />
        </pattern>
        <clipPath id={`${id}clip`}>
          <rect width={width} height={height} rx="6" />
        </clipPath>
      </defs>
      <g clipPath={`url(#${id}clip)`}>
        <rect width={width} height={height} fill="var(--leaf)" />
        <rect ref={fill} width={width} />
        <line ref={surface} x1="0" x2={width} strokeWidth="9" />
        {[0.25, 0.5, 0.75].map((mark) => (
          <line
            key={mark}
            x1="0"
            x2="14"
            y1={tideLevelY(mark)}
            y2={tideLevelY(mark)}
            stroke="var(--ink)"
            strokeWidth="2"
          />
        ))}
        <path ref={arrow} fill="none" strokeWidth="10" strokeLinecap="round" strokeLinejoin="round" />
      </g>
      <rect x="1" y="1" width={width - 2} height={height - 2} rx="6" fill="none" stroke="var(--rule)" strokeWidth="2" />
    </svg>
  );
}

/**
 * The level in whole seconds, for reduced motion: it moves once a count and stays.
 *
 * @example steppedLevel({ phase: 'inhale', intoSeconds: 1.4, phaseSeconds: 4, … }) // 0.25
 */
export function steppedLevel({ phase, intoSeconds, phaseSeconds, level }: PhaseMoment): number {
  if (phase === 'topPause' || phase === 'bottomPause') return level;
  const part = Math.min(1, Math.floor(intoSeconds) / Math.max(1, Math.round(phaseSeconds)));
  return phase === 'inhale' ? part : 1 - part;
}
