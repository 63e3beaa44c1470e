'use client';

import { useEffect, useId, useRef, useState } from 'react';
import { type Segment } from '@/core/dose';
import { breathPieces, pointList } from './score.geometry';

export interface ScoreItem {
  id: string;
  name: string;
  position: string;
  cadence: string;
  dose: string;
  floor: string;
  segments: readonly Segment[];
}

const laneLabels = ['', 'breath', 'position', 'cadence', 'dose'] as const;
const height = { name: 40, breath: 58, row: 28 };
const labelWidth = 76;
/** Until the sheet has been measured; after that a unit is a pixel, so that words keep their size. */
const firstWidth = 960;
const narrowest = 640;

/** The plan as a sheet with lanes against time. Tapping a bar chooses the item. */
export function Score({
  items,
  selected,
  onSelect,
}: {
  items: readonly ScoreItem[];
  selected: string | null;
  onSelect: (id: string) => void;
}) {
  const id = useId().replace(/[^a-zA-Z0-9]/g, '');
  const sheet = useRef<SVGSVGElement>(null);
  const [width, setWidth] = useState(firstWidth);
  useEffect(() => {
    const observer = new ResizeObserver(([entry]) => {
      if (entry) setWidth(Math.max(narrowest, Math.round(entry.contentRect.width)));
    });
    if (sheet.current) observer.observe(sheet.current);
    return () => observer.disconnect();
  }, []);
  const seconds = items.map(({ segments }) => segments.reduce((sum, segment) => sum + segment.seconds, 0));
  const total = seconds.reduce((sum, value) => sum + value, 0) || 1;
  const perSecond = (width - labelWidth) / total;
  const full = height.name + height.breath + 3 * height.row + 8;
  const rowTop = (row: number) => height.name + height.breath + 8 + row * height.row;
  const starts = seconds.map(
    (_, i) => labelWidth + seconds.slice(0, i).reduce((sum, value) => sum + value, 0) * perSecond,
  );
  return (
    <svg
      ref={sheet}
      viewBox={`0 0 ${width} ${full}`}
      className="w-full min-w-[40rem]"
      role="group"
      aria-label="The plan against time"
    >
      <defs>
        <pattern id={`${id}out`} width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
          <rect width="6" height="6" fill="var(--exhalew)" />
          <rect width="2.4" height="6" fill="var(--exhale)" />
        </pattern>
      </defs>
      {laneLabels.map((label, lane) => (
        <text
          key={label}
          x="0"
          y={lane === 1 ? height.name + height.breath / 2 : rowTop(lane - 2) + height.row / 2}
          dominantBaseline="middle"
          fontSize="13"
          fill="var(--ink2)"
        >
          {label}
        </text>
      ))}
      {items.map((item, i) => {
        const x = starts[i]!;
        const itemWidth = seconds[i]! * perSecond;
        const isSelected = item.id === selected;
        return (
          <g key={item.id}>
            <rect
              x={x + 1}
              y={height.name}
              width={Math.max(2, itemWidth - 2)}
              height={full - height.name - 2}
              fill={isSelected ? 'var(--leaf)' : 'var(--paper)'}
              stroke={isSelected ? 'var(--ink)' : 'var(--rule)'}
              strokeWidth={isSelected ? 2.5 : 1.2}
            />
            <svg aria-hidden x={x + 4} y="0" width={Math.max(0, itemWidth - 8)} height={full} overflow="hidden">
              <text y={height.name - 22} fontSize="13.5" fontWeight="650" fill="var(--ink)">
                {fitted(item.name, itemWidth, 0)}
              </text>
              <text y={height.name - 6} fontSize="13.5" fontWeight="650" fill="var(--ink)">
                {fitted(item.name, itemWidth, 1)}
              </text>
              {[item.position, item.cadence, item.dose].map((words, row) => (
                <text
                  key={row}
                  y={rowTop(row) + height.row / 2}
                  dominantBaseline="middle"
                  fontSize="13"
                  fill="var(--ink)"
                >
                  {words}
                </text>
              ))}
            </svg>
            <g transform={`translate(${x} ${height.name + 4})`}>
              {breathPieces(item.segments, perSecond, height.breath - 8).map((piece, p) =>
                piece.kind === 'pause' ? (
                  <polyline
                    key={p}
                    points={pointList(piece.points)}
                    stroke="var(--ink)"
                    strokeWidth="2.5"
                    strokeDasharray="0.1 4"
                    strokeLinecap="round"
                  />
                ) : (
                  <polygon
                    key={p}
                    points={pointList(piece.points)}
                    fill={
                      piece.kind === 'inhale'
                        ? 'var(--inhale)'
                        : piece.kind === 'exhale'
                          ? `url(#${id}out)`
                          : 'var(--rule)'
                    }
                  />
                ),
              )}
            </g>
            {/* The bar answers as a button of its own, over the drawing, so that its words are said in one piece. */}
            <rect
              x={x}
              y="0"
              width={itemWidth}
              height={full}
              fill="transparent"
              role="button"
              tabIndex={0}
              aria-pressed={isSelected}
              aria-label={`${i + 1}. ${item.name}, ${item.position}, ${item.cadence}, ${item.dose}`}
              onClick={() => onSelect(item.id)}
              onKeyDown={(event) => {
                if (event.key !== 'Enter' && event.key !== ' ') return;
                event.preventDefault();
                onSelect(item.id);
              }}
              style={{ cursor: 'pointer' }}
            />
          </g>
        );
      })}
    </svg>
  );
}

/** A name broken over two lines of about the bar's width. */
function fitted(name: string, barWidth: number, line: 0 | 1): string {
  const room = Math.max(6, Math.floor(barWidth / 7.4));
  const words = name.split(' ');
  let first = '';
  while (words.length > 0 && `${first} ${words[0]}`.trim().length <= room) first = `${first} ${words.shift()}`.trim();
  if (first === '') first = words.shift() ?? '';
  return line === 0 ? first : words.join(' ');
}
