'use client';

import { memo, useEffect, useRef } from 'react';
import { type TrunkMotion, trunkAt } from '@/core/trunk';
import { follow } from '../../follow';
import { type AskMoment, steppedLevel } from '../Tide';
import { type TrunkLines, frontLines, sideLines, trunkBox } from './trunk.geometry';

const views = { side: sideLines, front: frontLines } as const;
export type TrunkView = keyof typeof views;

/** The box leaves room for the widest breath; the picture needs less. */
const inset = 14;

/** From empty to full: in one of them no line moves by more than a sixth of its width. */
const steps = 40;

const wallWidth = { soft: 2.5, light: 4.5, firm: 8 } as const;

/**
 * The canister, from the side or the front: dome, ribs, abdominal wall and floor, moving as this drill's breath moves them.
 * It teaches; it never paces, since its dome goes down on the inhale.
 */
export const TrunkSection = memo(function TrunkSection({
  motion,
  view,
  ask,
  labels = false,
  className,
}: {
  motion: TrunkMotion;
  view: TrunkView;
  ask: AskMoment;
  /** Names beside the parts, where there is room to read them. */
  labels?: boolean;
  className?: string;
}) {
  const parts = useRef<Record<string, SVGPathElement | null>>({});
  const rest = momentOf(motion, view, 0, true);

  useEffect(() => {
    const still = window.matchMedia('(prefers-reduced-motion: reduce)');
    let shown = '';
    return follow(() => {
      const moment = ask();
      const exhaling = moment === null || moment.phase === 'exhale' || moment.phase === 'bottomPause';
      // It teaches and does not pace, so a slow tablet is spared more steps than can be seen.
      const full = moment ? (still.matches ? steppedLevel(moment) : moment.level) : 0;
      const level = Math.round(full * steps) / steps;
      const key = `${level} ${exhaling}`;
      if (key === shown) return;
      shown = key;
      for (const [name, path] of momentOf(motion, view, level, exhaling)) parts.current[name]?.setAttribute('d', path);
      parts.current.lungs?.setAttribute('fill', exhaling ? 'var(--exhalew)' : 'var(--inhalew)');
      parts.current.dome?.setAttribute('stroke', exhaling ? 'var(--exhale)' : 'var(--inhale)');
    });
  }, [ask, motion, view]);

  const strokeOf: Record<string, { stroke: string; width: number; fill?: string; dashes?: string }> = {
    body: { stroke: 'none', width: 0, fill: 'var(--leaf)' },
    spine: { stroke: 'var(--bodyfar)', width: 9, dashes: '7 5' },
    lungs: { stroke: 'none', width: 0, fill: 'var(--exhalew)' },
    outline: { stroke: 'var(--body)', width: 3 },
    ribs: { stroke: 'var(--line)', width: 2 },
    wall: { stroke: 'var(--ink)', width: wallWidth[motion.wall] },
    dome: { stroke: 'var(--exhale)', width: 6 },
    floor: { stroke: 'var(--ink)', width: 5 },
  };
  return (
    <svg
      viewBox={`${inset} 0 ${trunkBox.width - 2 * inset} ${trunkBox.height}`}
      className={className}
      role="img"
      aria-label={`The trunk from the ${view}. ${motion.words.join(' ')}`}
    >
      {rest.map(([name, path]) => {
        const { stroke, width, fill = 'none', dashes } = strokeOf[name.split(' ')[0]!]!;
        return (
          <path
            key={name}
            ref={(element) => {
              parts.current[name] = element;
            }}
            d={path}
            fill={fill}
            stroke={stroke}
            strokeWidth={width}
            strokeDasharray={dashes}
            strokeLinecap={dashes ? 'butt' : 'round'}
            strokeLinejoin="round"
          />
        );
      })}
      {labels && <Labels view={view} />}
    </svg>
  );
});

/** Every line with its name, in the order of drawing. */
const pathsOf = ({ body, spine, lungs, outline, ribs, wall, dome, floor }: TrunkLines): [string, string][] => [
  ['body', body],
  ...(spine ? [['spine', spine] as [string, string]] : []),
  ['lungs', lungs],
  ...ribs.map((path, i): [string, string] => [`ribs ${i}`, path]),
  ...outline.map((path, i): [string, string] => [`outline ${i}`, path]),
  ...wall.map((path, i): [string, string] => [`wall ${i}`, path]),
  ['dome', dome],
  ['floor', floor],
];

const labelPlaces: Record<TrunkView, [string, number, number, 'start' | 'middle'][]> = {
  side: [
    ['dome', 90, 172, 'start'],
    ['floor', 84, 296, 'start'],
    ['belly', 96, 214, 'start'],
  ],
  front: [
    ['dome', 100, 178, 'middle'],
    ['floor', 100, 297, 'middle'],
    ['ribs', 100, 44, 'middle'],
  ],
};

function Labels({ view }: { view: TrunkView }) {
  return (
    <g fill="var(--ink2)" fontSize="14" aria-hidden>
      {labelPlaces[view].map(([words, x, y, anchor]) => (
        <text key={words} x={x} y={y} textAnchor={anchor}>
          {words}
        </text>
      ))}
    </g>
  );
}

type Moment = readonly [name: string, path: string][];

/** Breath for breath a drill goes through the same moments: each is worked out once, for as long as the drill is in use. */
const moments = new WeakMap<TrunkMotion, Map<string, Moment>>();

function momentOf(motion: TrunkMotion, view: TrunkView, level: number, exhaling: boolean): Moment {
  const known = moments.get(motion) ?? new Map<string, Moment>();
  moments.set(motion, known);
  const key = `${view} ${level} ${exhaling}`;
  const moment = known.get(key) ?? pathsOf(views[view](trunkAt(motion, level, exhaling)));
  known.set(key, moment);
  return moment;
}
