'use client';

import { memo, useId } from 'react';
import { type PositionId } from '@/core/catalogue';
import { type Segment } from '@/core/dose';
import { type FigureSpec } from '@/core/body';
import { LateBody } from '../body/LateBody';
import { type Opened } from '../body/tint';
import { type BreathPiece, type FloorStance, breathPieces, floorLine, pointList, toneShapes } from './score.geometry';

/** One drill of a plan as the score shows it. */
export interface ScoreItem {
  id: string;
  name: string;
  position: PositionId;
  /** In words. */
  movement: string;
  /** In words; empty for none. */
  props: string;
  side: 'left' | 'right' | 'both' | 'none';
  cadence: string;
  dose: string;
  cue: string;
  floor: FloorStance | null;
  tone: string | null;
  /** How the drill looks in this item, and what it opens. */
  figure: FigureSpec;
  opened: Opened;
  segments: readonly Segment[];
  locked: boolean;
  contrast: boolean;
  /** Something is wrong with it today. */
  problem: 'off' | 'mind' | null;
}

export const secondsOf = ({ segments }: Pick<ScoreItem, 'segments'>) =>
  segments.reduce((sum, { seconds }) => sum + seconds, 0);

/** The lanes from top to bottom, with the height of each in pixels. */
export const lanes = [
  { id: 'breath', label: 'breath', height: 56 },
  { id: 'movement', label: 'movement', height: 26 },
  { id: 'floor', label: 'pelvic floor', height: 32 },
  { id: 'tone', label: 'abdominals', height: 26 },
  { id: 'position', label: 'position, props', height: 84 },
  { id: 'cue', label: 'cue', height: 40 },
] as const;

const heightOf = (id: (typeof lanes)[number]['id']) => lanes.find((lane) => lane.id === id)!.height;

/** Pieces of one kind as one path: a long score has hundreds of breaths, and one path is drawn at once. */
function lineOf(pieces: readonly BreathPiece[], kind: BreathPiece['kind'], closed: boolean): string {
  return pieces
    .filter((piece) => piece.kind === kind)
    .map(({ points }) => `M${pointList(points).replaceAll(' ', 'L')}${closed ? 'Z' : ''}`)
    .join('');
}

/** The lanes of one drill, true to time. */
export const ScoreBar = memo(function ScoreBar({ item, pxPerSecond }: { item: ScoreItem; pxPerSecond: number }) {
  const id = useId().replace(/[^a-zA-Z0-9]/g, '');
  const width = secondsOf(item) * pxPerSecond;
  // As wide as the bar stands: drawn before that is measured, it is stretched a little until it is.
  const lane = (of: (typeof lanes)[number]['id']) => ({
    width: '100%',
    height: heightOf(of),
    viewBox: `0 0 ${width} ${heightOf(of)}`,
    preserveAspectRatio: 'none',
  });
  const pieces = breathPieces(item.segments, pxPerSecond, heightOf('breath') - 6);
  const line = 'overflow-hidden text-ellipsis whitespace-nowrap px-1.5 text-[13px] leading-tight';
  return (
    <div aria-hidden>
      <svg {...lane('breath')} className="block">
        <defs>
          <pattern id={`${id}out`} width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
            <rect width="6" height="6" fill="var(--exhalew)" />
            <rect width="2.4" height="6" fill="var(--exhale)" />
          </pattern>
        </defs>
        <g transform="translate(0 4)">
          <path d={lineOf(pieces, 'envelope', true)} fill="var(--rule)" />
          <path d={lineOf(pieces, 'inhale', true)} fill="var(--inhale)" />
          <path d={lineOf(pieces, 'exhale', true)} fill={`url(#${id}out)`} />
          <path
            d={lineOf(pieces, 'pause', false)}
            fill="none"
            stroke="var(--ink)"
            strokeWidth="2.5"
            strokeDasharray="0.1 4"
            strokeLinecap="round"
          />
        </g>
      </svg>
      <div className="border-t border-rule" style={{ height: heightOf('movement') }}>
        <div className={`${line} pt-1 ${item.movement === 'still' ? 'text-ink2' : ''}`}>{item.movement}</div>
      </div>
      <svg {...lane('floor')} className="block border-t border-rule">
        <line x1="0" x2={width} y1={heightOf('floor') / 2} y2={heightOf('floor') / 2} stroke="var(--rule)" />
        {item.floor && (
          <polyline
            points={pointList(floorLine(item.segments, item.floor, pxPerSecond, heightOf('floor')))}
            fill="none"
            stroke="var(--ink)"
            strokeWidth="1.6"
          />
        )}
      </svg>
      <svg {...lane('tone')} className="block border-t border-rule">
        {toneShapes(item.segments, item.tone, pxPerSecond, heightOf('tone')).map((points, i) => (
          <polygon key={i} points={pointList(points)} fill="var(--ink2)" />
        ))}
      </svg>
      <div className="overflow-hidden border-t border-rule" style={{ height: heightOf('position') }}>
        {width >= 56 && (
          <LateBody
            className={`mt-1 h-10 ${width > 200 ? 'ml-1.5' : 'mx-auto'}`}
            small
            spec={item.figure}
            opened={item.opened}
          />
        )}
        <div className={line}>{item.position}</div>
        <div className={`${line} text-ink2`}>{item.props}</div>
      </div>
      <div
        className="overflow-hidden border-t border-rule px-1.5 pt-1 text-[13px] leading-tight"
        style={{ height: heightOf('cue') }}
      >
        {item.cue}
      </div>
    </div>
  );
});
