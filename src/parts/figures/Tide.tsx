'use client';

import { memo, useEffect, useRef } from 'react';
import { type PhaseMoment } from '@/core/cadence';
import { follow } from '../follow';

/** What the tide asks each frame: the phase now, or null when nothing is paced. */
export type AskMoment = () => PhaseMoment | null;

/** Room above and below in parts of the height, so that full and empty are levels and not edges. */
const margin = 0.025;

/** How far down the level lies, in parts of the channel's height. @example tideDown(1) // 0.025 */
export const tideDown = (level: number) => 1 - margin - level * (1 - 2 * margin);

/**
 * The pacer: a tall channel in which a level climbs on the inhale (solid), falls on the exhale (hatched) and rests on a
 * dotted shelf in a pause. With reduced motion the level moves in whole seconds. The water is drawn once and only moved, so
 * that a slow tablet keeps its sixty frames.
 */
export const Tide = memo(function Tide({ ask, className = '' }: { ask: AskMoment; className?: string }) {
  const water = useRef<HTMLDivElement>(null);

  useEffect(() => {
    const still = window.matchMedia('(prefers-reduced-motion: reduce)');
    let shown = '';
    let phaseShown = '';
    const draw = () => {
      const moment = ask();
      const level = moment ? (still.matches ? steppedLevel(moment) : moment.level) : 0;
      const down = `translate3d(0,${(tideDown(level) * 100).toFixed(2)}%,0)`;
      const moves = down !== shown;
      if (moves) water.current?.style.setProperty('transform', down);
      shown = down;
      const phase = moment?.phase ?? 'none';
      if (phase !== phaseShown) water.current?.setAttribute('data-tide', phase);
      phaseShown = phase;
      return moves;
    };
    return follow(draw, { glides: true });
  }, [ask]);

  return (
    <div className={`relative overflow-hidden rounded-one border-2 border-rule bg-leaf ${className}`} aria-hidden>
      <div ref={water} className="tide-water" data-tide="none">
        <svg viewBox="-30 -20 60 40" className="tide-arrow" aria-hidden>
          <path d="M-24 12 L0 -12 L24 12" />
        </svg>
      </div>
      {[0.25, 0.5, 0.75].map((mark) => (
        <span
          key={mark}
          className="absolute left-0 block h-0.5 w-3.5 bg-ink"
          style={{ top: `${(tideDown(mark) * 100).toFixed(1)}%` }}
        />
      ))}
    </div>
  );
});

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
