'use client';

import { type KeyboardEvent, type PointerEvent, useRef, useState } from 'react';

export interface PicturePoint {
  x: number;
  y: number;
}

/** A picture on which named points are placed by tapping, moved by dragging, or by the arrow keys. */
export function PointPlacer({
  src,
  widthPx,
  heightPx,
  names,
  points,
  onChange,
}: {
  src: string;
  widthPx: number;
  heightPx: number;
  names: readonly string[];
  points: readonly PicturePoint[];
  onChange: (points: PicturePoint[]) => void;
}) {
  const svg = useRef<SVGSVGElement>(null);
  const [held, setHeld] = useState<number | null>(null);
  const size = Math.max(widthPx, heightPx) / 60;

  const inside = ({ x, y }: PicturePoint): PicturePoint => ({
    x: Math.round(Math.min(widthPx, Math.max(0, x))),
    y: Math.round(Math.min(heightPx, Math.max(0, y))),
  });
  const at = (event: PointerEvent): PicturePoint => {
    const box = svg.current!.getBoundingClientRect();
    const scale = widthPx / box.width;
    return inside({ x: (event.clientX - box.left) * scale, y: (event.clientY - box.top) * scale });
  };
  const move = (index: number, point: PicturePoint) =>
    onChange(points.map((one, i) => (i === index ? inside(point) : one)));

  const keys = (event: KeyboardEvent, index: number) => {
    const step = (event.shiftKey ? 10 : 1) * Math.max(1, Math.round(size / 10));
    const by = {
      ArrowLeft: [-step, 0],
      ArrowRight: [step, 0],
      ArrowUp: [0, -step],
      ArrowDown: [0, step],
    }[event.key];
    if (!by) return;
    event.preventDefault();
    const { x, y } = points[index]!;
    move(index, { x: x + by[0]!, y: y + by[1]! });
  };

  return (
    <div>
      <svg
        ref={svg}
        viewBox={`0 0 ${widthPx} ${heightPx}`}
        className="max-h-[32rem] w-full touch-none rounded-one border border-rule select-none"
        role="group"
        aria-label={`Photo with ${points.length} of ${names.length} points`}
        onPointerDown={(event) => points.length < names.length && onChange([...points, at(event)])}
        onPointerMove={(event) => held !== null && event.buttons > 0 && move(held, at(event))}
        onPointerUp={() => setHeld(null)}
      >
        <image href={src} width={widthPx} height={heightPx} />
        {points.map(({ x, y }, i) => (
          <g
            key={i}
            role="button"
            tabIndex={0}
            aria-label={`${i + 1} ${names[i]}: ${x} across, ${y} down; arrow keys move it`}
            onKeyDown={(event) => keys(event, i)}
            onPointerDown={(event) => {
              event.stopPropagation();
              setHeld(i);
            }}
            style={{ cursor: 'grab' }}
          >
            <circle cx={x} cy={y} r={size * 1.6} fill="transparent" />
            <circle cx={x} cy={y} r={size} fill="none" stroke="white" strokeWidth={size / 2} />
            <circle cx={x} cy={y} r={size} fill="none" stroke="black" strokeWidth={size / 5} />
            <circle cx={x} cy={y} r={size / 5} fill="black" stroke="white" strokeWidth={size / 12} />
            <text
              x={x + size * 1.4}
              y={y - size}
              fontSize={size * 1.6}
              fill="black"
              stroke="white"
              strokeWidth={size / 3}
              paintOrder="stroke"
            >
              {i + 1} {names[i]}
            </text>
          </g>
        ))}
      </svg>
      <div className="mt-2 flex flex-wrap gap-3 text-sm">
        {points.length < names.length && (
          <button
            type="button"
            className="min-h-11 underline decoration-rule underline-offset-4"
            onClick={() => onChange([...points, inside({ x: widthPx / 2, y: heightPx / 2 })])}
          >
            Place “{names[points.length]}” in the middle and move it with the arrow keys
          </button>
        )}
        {points.length > 0 && (
          <button
            type="button"
            className="min-h-11 underline decoration-rule underline-offset-4"
            onClick={() => onChange(points.slice(0, -1))}
          >
            Take back the last point
          </button>
        )}
      </div>
    </div>
  );
}
