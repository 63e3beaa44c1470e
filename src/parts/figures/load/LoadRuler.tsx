import { type LoadAnswer, type WeightUnit, inUnit } from '@/core/load';
import { roundMarks } from '../overTime.geometry';

const width = 700;
// As much beside the line as half of the longest figure under it.
const [left, right] = [10, 680];
const line = 70;
/** Half as wide as it is written, about. */
const half = { border: 24, oneLift: 32 } as const;

/** Loads on one line: today's, the border up to which the breath goes with the movement as wide as it is unsure, one lift as a bar. */
export function LoadRuler({ answer, kg, unit }: { answer: LoadAnswer; kg: number; unit: WeightUnit }) {
  const { oneLift } = answer;
  if (!oneLift) return null;
  const marks = roundMarks(0, inUnit(oneLift.high, unit) * 1.08, 8);
  const most = marks.at(-1)!;
  const x = (value: number) => left + ((right - left) * inUnit(value, unit)) / most;
  const border = [oneLift.low * 0.6, oneLift.high * 0.6] as const;
  const figure = (value: number) => inUnit(value, unit).toFixed(1);
  const today = x(kg);
  /** Over what it names, or where today's bar stands in its way on this side of it. */
  const label = (from: number, to: number, wide: number) => {
    const middle = (from + to) / 2;
    if (Math.abs(middle - today) > wide + 6) return { x: middle, textAnchor: 'middle' } as const;
    return middle < today
      ? ({ x: today - 8, textAnchor: 'end' } as const)
      : ({ x: today + 8, textAnchor: 'start' } as const);
  };
  return (
    <svg
      viewBox={`0 0 ${width} 100`}
      className="w-full"
      role="img"
      aria-label={`Today ${figure(kg)} ${unit}; up to ${figure(border[0])} to ${figure(border[1])} breathe with the movement; one lift ${figure(oneLift.low)} to ${figure(oneLift.high)} ${unit}`}
      fontSize="14"
    >
      <defs>
        <pattern id="load-border" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="7" height="7" fill="var(--paper)" />
          <rect width="2.4" height="7" fill="var(--ink)" />
        </pattern>
      </defs>
      <path d={`M${left} ${line}H${right}`} stroke="var(--ink)" strokeWidth="2" />
      {marks.map((mark) => {
        const at = left + ((right - left) * mark) / most;
        return (
          <g key={mark}>
            <path d={`M${at} ${line}v7`} stroke="var(--ink)" />
            <text x={at} y={line + 22} textAnchor="middle" fill="var(--ink2)">
              {mark}
            </text>
          </g>
        );
      })}
      <rect
        x={x(border[0])}
        y={line - 12}
        width={Math.max(6, x(border[1]) - x(border[0]))}
        height="10"
        fill="url(#load-border)"
        stroke="var(--ink)"
      />
      <text {...label(x(border[0]), x(border[1]), half.border)} y={line - 20} fill="var(--ink)" fontWeight="650">
        60 %
      </text>
      <rect
        x={x(oneLift.low)}
        y={line - 14}
        width={Math.max(6, x(oneLift.high) - x(oneLift.low))}
        height="14"
        fill="var(--ink)"
      />
      <text {...label(x(oneLift.low), x(oneLift.high), half.oneLift)} y={line - 20} fill="var(--ink)" fontWeight="650">
        one lift
      </text>
      <path d={`M${today} ${line - 54}V${line + 8}`} stroke="var(--ink)" strokeWidth="4" />
      {/* In a row of its own: wherever it stands, the others have theirs. */}
      <text
        x={today > right - 56 ? today - 7 : today + 7}
        y={line - 44}
        textAnchor={today > right - 56 ? 'end' : 'start'}
        fill="var(--ink)"
      >
        today
      </text>
    </svg>
  );
}
