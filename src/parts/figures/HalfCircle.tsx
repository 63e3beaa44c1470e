'use client';

import { type PointerEvent, useRef } from 'react';
import { angleAtPoint, halfCircleSize, lineEnd, pivot, sector } from './halfCircle.geometry';

/** The half circle on which two lines are drawn: tap or drag above the horizontal for the upper one, below for the lower. */
export function HalfCircle({
  upperDegrees,
  lowerDegrees,
  onChange,
}: {
  upperDegrees: number | null;
  lowerDegrees: number | null;
  onChange: (next: { upperDegrees?: number; lowerDegrees?: number }) => void;
}) {
  const { width, height, radius } = halfCircleSize;
  const svg = useRef<SVGSVGElement>(null);
  const draw = (event: PointerEvent) => {
    if (event.buttons === 0 && event.type !== 'pointerdown') return;
    const box = svg.current!.getBoundingClientRect();
    const scale = width / box.width;
    const { line, degrees } = angleAtPoint((event.clientX - box.left) * scale, (event.clientY - box.top) * scale);
    onChange(line === 'upper' ? { upperDegrees: degrees } : { lowerDegrees: degrees });
  };
  const line = (degrees: number, name: string, below: boolean) => {
    const end = lineEnd(degrees);
    return (
      <g>
        <line
          x1={pivot.x}
          y1={pivot.y}
          x2={end.x}
          y2={end.y}
          stroke="var(--ink)"
          strokeWidth="5"
          strokeLinecap="round"
        />
        <circle cx={end.x} cy={end.y} r="11" fill="var(--paper)" stroke="var(--ink)" strokeWidth="3" />
        <text
          x={Math.min(end.x, width - 64)}
          y={end.y + (below ? 34 : -20)}
          textAnchor="middle"
          fontSize="19"
          fill="var(--ink)"
        >
          {name}
        </text>
      </g>
    );
  };
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${width} ${height}`}
      className="mx-auto max-h-[26rem] w-full max-w-xs touch-none select-none"
      role="img"
      aria-label={`Upper line ${upperDegrees ?? 'not drawn'}, lower line ${lowerDegrees ?? 'not drawn'}; the two sliders set them too`}
      onPointerDown={draw}
      onPointerMove={draw}
    >
      <path d={sector(-90, 90)} fill="var(--leaf)" stroke="var(--rule)" strokeWidth="2" />
      {upperDegrees !== null && upperDegrees > 0 && <path d={sector(0, upperDegrees)} fill="var(--inhalew)" />}
      {lowerDegrees !== null && lowerDegrees > 0 && <path d={sector(-lowerDegrees, 0)} fill="var(--inhalew)" />}
      <line
        x1={pivot.x}
        y1={pivot.y}
        x2={pivot.x + radius + 20}
        y2={pivot.y}
        stroke="var(--ink2)"
        strokeWidth="2"
        strokeDasharray="2 7"
      />
      <text x={pivot.x + 60} y={pivot.y - 8} fontSize="17" fill="var(--ink2)">
        {upperDegrees === null && lowerDegrees === null ? 'tap above and below' : ''}
      </text>
      {upperDegrees !== null && line(upperDegrees, 'upper', false)}
      {lowerDegrees !== null && line(-lowerDegrees, 'lower', true)}
    </svg>
  );
}
