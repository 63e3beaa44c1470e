import { useId } from 'react';

/** One set of a small score: one breath stands for it, as long as the set. */
export interface SmallBar {
  name: string;
  seconds: number;
  inhalePart: number;
  /** Its number in today's plan; null for what comes in. */
  number: number | null;
}

const height = 58;
const base = 50;
const top = 18;

/**
 * A plan in one line: a rise for the inhale (solid), a fall for the exhale (hatched), boxed with a plus where it comes in.
 * Rows that are compared share their pixels a minute.
 *
 * @param pixelsAMinute the scale
 */
export function SmallScore({
  bars,
  pixelsAMinute,
  title,
}: {
  bars: readonly SmallBar[];
  pixelsAMinute: number;
  title: string;
}) {
  const id = useId();
  const wide = (seconds: number) => (seconds / 60) * pixelsAMinute;
  const starts = bars.map((_, i) => bars.slice(0, i).reduce((sum, bar) => sum + wide(bar.seconds), 0));
  const width = bars.reduce((sum, bar) => sum + wide(bar.seconds), 0);
  return (
    <svg width={Math.ceil(width) + 4} height={height} className="max-w-full" role="img" aria-label={title}>
      <defs>
        <pattern id={`${id}fall`} width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="3" height="6" className="fill-exhale" />
        </pattern>
      </defs>
      <line x1={0} x2={width} y1={base} y2={base} className="stroke-rule" strokeDasharray="2 3" />
      {bars.map(({ name, seconds, inhalePart, number }, i) => {
        const [from, span] = [starts[i]! + 2, wide(seconds) - 2];
        const peak = from + span * Math.max(0.15, Math.min(0.6, inhalePart));
        return (
          <g key={name}>
            <polygon points={`${from},${base} ${peak},${top} ${peak},${base}`} className="fill-inhale" />
            <polygon points={`${peak},${base} ${peak},${top} ${from + span},${base}`} fill={`url(#${id}fall)`} />
            <line x1={from + span + 1} x2={from + span + 1} y1={top - 4} y2={base + 4} className="stroke-rule" />
            {number === null ? (
              <>
                <rect
                  x={from - 1}
                  y={3}
                  width={span + 1}
                  height={base + 1}
                  fill="none"
                  strokeWidth={2}
                  className="stroke-ink"
                />
                <text x={from + 4} y={15} className="fill-ink text-sm font-semibold">
                  +
                </text>
              </>
            ) : (
              <text x={peak} y={13} textAnchor="middle" className="fill-ink2 text-xs">
                {number}
              </text>
            )}
          </g>
        );
      })}
    </svg>
  );
}
