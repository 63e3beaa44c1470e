'use client';

import { memo, useEffect, useMemo, useRef } from 'react';
import { type FigureSpec } from '@/core/body';
import { type TrunkMotion } from '@/core/trunk';
import { follow } from '../../follow';
import { type AskMoment } from '../Tide';
import { BodyFigure } from './BodyFigure';
import { isGround, pathsOf } from './layers';
import { breathing } from './picture';
import { type Opened } from './tint';

/**
 * A figure that breathes with a clock: trunk, what is tinted and the hands that lie on it, as the drill's stances move them. It teaches
 * and does not pace: thirty steps from empty to full, two for who wants no motion.
 */
export const MovingBody = memo(function MovingBody({
  spec,
  opened,
  motion,
  ask,
  title,
  className,
}: {
  spec: FigureSpec;
  opened: Opened;
  motion: TrunkMotion;
  ask: AskMoment;
  title?: string;
  className?: string;
}) {
  const box = useRef<HTMLDivElement>(null);
  const moving = useMemo(() => breathing(spec, opened, motion), [spec, opened, motion]);

  useEffect(() => {
    const svg = box.current?.querySelector('svg');
    if (!svg) return;
    const still = window.matchMedia('(prefers-reduced-motion: reduce)');
    const { shapes, ghost } = moving.rest;
    const paths = [...svg.querySelectorAll('path')];
    const ground = shapes.filter(({ tone }) => isGround(tone)).length;
    let next = ground + (ghost ? 1 : 0);
    const own = shapes.map((shape, at) => (at < ground ? [] : paths.slice(next, (next += pathsOf(shape)))));
    const shown = shapes.map(({ d }) => d);
    let key = '';
    return follow(() => {
      const moment = ask();
      const exhaling = moment === null || moment.phase === 'exhale' || moment.phase === 'bottomPause';
      // Two still poses for who wants no motion: full, and empty.
      const level = moment ? (still.matches ? (exhaling ? 0 : 1) : moment.level) : 0;
      const breath = moment?.breath ?? 0;
      const now = `${Math.round(level * 30)} ${exhaling} ${breath % 2}`;
      if (now === key) return;
      key = now;
      moving.at(level, exhaling, breath).forEach((d, at) => {
        if (d === shown[at]) return;
        shown[at] = d;
        for (const path of own[at]!) path.setAttribute('d', d);
      });
    });
  }, [ask, moving]);

  return (
    <div ref={box} className={className}>
      <BodyFigure spec={spec} opened={opened} title={title} className="h-full w-full" />
    </div>
  );
});
