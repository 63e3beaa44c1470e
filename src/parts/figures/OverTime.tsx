import { counted } from '@/core/reasons';
import { type Grades } from '@/core/trunk';
import { Ring } from './Ring';
import { daysAcross, keptApart, roundMarks } from './overTime.geometry';

const width = 960;
const left = 124;
const right = width - 44;
const chart = { top: 26, bottom: 236 } as const;
const ring = 84;
const lane = 34;

export interface OverTimeProps {
  title: string;
  unit: string;
  digits: number;
  /** Oldest first, like with like; after the work where it was taken again. */
  points: readonly { day: string; value: number; after: number | null }[];
  /** What the first value and the client's own noise leave open. */
  band?: readonly [low: number, high: number] | null;
  dayWords: (day: string) => string;
  /** Deep breaths of visits, before and after the work. */
  rings?: readonly { day: string; deep: Grades; after: Grades | null }[];
  /** Figures told on days: the complaint, leaks. */
  lanes?: readonly { name: string; values: readonly (readonly [day: string, words: string])[] }[];
  /** What was asked at home, and on how many days something of it was done. */
  home?: readonly { day: string; until: string; days: number; done: number | null }[];
  /** One of several: half as wide, its figures alone. */
  small?: boolean;
}

/**
 * A measure over visits, true to time: what repeats differ by as a band round the first, before as a dot, after as an open ring; under
 * it the region maps, what was told and what was done at home, on the same days. The figures stand in tables beside it.
 */
export function OverTime({
  title,
  unit,
  digits,
  points,
  band = null,
  dayWords,
  rings = [],
  lanes = [],
  home = [],
  small = false,
}: OverTimeProps) {
  const wide = small ? 460 : width;
  const from = small ? 44 : left;
  const to = small ? wide - 40 : right;
  const days = [
    ...points.map(({ day }) => day),
    ...rings.map(({ day }) => day),
    ...home.flatMap(({ day, until }) => [day, until]),
    ...lanes.flatMap(({ values }) => values.map(([day]) => day)),
  ].sort();
  const x = daysAcross(days[0] ?? '2026-01-01', days.at(-1) ?? '2026-01-01', from + 40, to - 16);
  const values = points.flatMap(({ value, after }) => (after === null ? [value] : [value, after]));
  const marks = roundMarks(Math.min(...values, ...(band ?? [])), Math.max(...values, ...(band ?? [])), small ? 4 : 6);
  const [low, high] = [marks[0]!, marks.at(-1)!];
  const bottom = small ? 156 : chart.bottom;
  const y = (value: number) => bottom - ((value - low) / (high - low || 1)) * (bottom - chart.top);
  const figure = (value: number) => value.toFixed(digits);
  const xs = points.map(({ day }) => x(day));
  const told = keptApart(xs, small ? 44 : 40);
  const dated = keptApart(xs, 66);
  const ringsKept = keptApart(
    rings.map(({ day }) => x(day)),
    ring + 4,
  );
  let down = bottom + 30;
  const ringsTop = down;
  if (ringsKept.length > 0) down += ring + 12;
  const lanesTop = down;
  const shown = lanes.filter((one) => one.values.length > 0);
  down += shown.length * lane;
  const homeTop = down;
  // What goes home today is not asked of any day yet.
  const begun = home.filter(({ day, until }) => until > day);
  if (begun.length > 0) down += lane;
  const last = points.length - 1;
  const round = (value: number) => Math.round(value * 10) / 10;
  const marked = points.map(({ value }, at): [number, number] => [round(xs[at]!), round(y(value))]);
  const again = points.flatMap(({ after }, at) =>
    after === null ? [] : [{ x: marked[at]![0], from: marked[at]![1], to: round(y(after)) }],
  );
  return (
    <svg
      viewBox={`0 0 ${wide} ${down + 4}`}
      className={small ? 'w-full' : 'w-full min-w-176'}
      role={small ? 'img' : 'group'}
      aria-label={`${title} over ${counted(points.length, 'visit')}, ${unit}; the figures stand below`}
      fontSize="15"
    >
      {marks.map((mark) => (
        <g key={mark}>
          <path d={`M${from} ${y(mark)}H${to + 24}`} stroke="var(--rule)" />
          <text x={from - 10} y={y(mark) + 5} textAnchor="end" fill="var(--ink2)">
            {mark}
          </text>
        </g>
      ))}
      {!small && <Label y={chart.top + 12} lines={[...inLines(title, 15), unit]} />}
      {band && (
        <g>
          <rect x={from} y={y(band[1])} width={to + 24 - from} height={y(band[0]) - y(band[1])} fill="var(--leaf)" />
          {band.map((edge) => (
            <path key={edge} d={`M${from} ${y(edge)}H${to + 24}`} stroke="var(--ink)" strokeDasharray="2 5" />
          ))}
        </g>
      )}
      <path
        d={points
          .map(({ value }, at) => `${at === 0 ? 'M' : 'L'}${xs[at]!.toFixed(1)} ${y(value).toFixed(1)}`)
          .join('')}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="2"
      />
      {/* Every mark of a kind in one stroke: hundreds of visits stay light. */}
      <path
        d={again.map(({ x: at, from: low, to: high }) => `M${at} ${low}h12V${high}`).join('')}
        fill="none"
        stroke="var(--ink2)"
        strokeWidth="1.5"
      />
      <Dots at={again.map(({ x: at, to: high }) => [at + 12, high])} size={12.5} ink="var(--ink)" />
      <Dots at={again.map(({ x: at, to: high }) => [at + 12, high])} size={7.5} ink="var(--paper)" />
      <Dots at={marked} size={16} ink="var(--paper)" />
      <Dots at={marked} size={13} ink="var(--ink)" />
      {told.map((at) => {
        const { day, value, after } = points[at]!;
        return (
          <g key={day}>
            <text
              x={xs[at]! - 11}
              // Where the line comes down from above, the figure stands below it.
              y={y(value) + (at > 0 && points[at - 1]!.value > value ? 26 : -10)}
              textAnchor="end"
              fill="var(--ink)"
              fontSize={at === last ? 19 : 16}
              fontWeight={at === last ? 650 : 400}
            >
              {figure(value)}
            </text>
            {after !== null && (
              <text x={xs[at]! + 23} y={y(after) + 5} fill="var(--ink2)">
                {figure(after)}
                {at === 0 && !small && ' after'}
              </text>
            )}
          </g>
        );
      })}
      {dated.map((at) => (
        <text
          key={points[at]!.day}
          x={xs[at]}
          y={bottom + 21}
          textAnchor="middle"
          fill="var(--ink)"
          fontWeight={at === last ? 650 : 400}
        >
          {dayWords(points[at]!.day)}
        </text>
      ))}
      {ringsKept.length > 0 && (
        <Label
          y={ringsTop + 18}
          lines={['deep breaths', 'solid before,', 'hatched after,', `${ringsKept.length} of ${rings.length} maps`]}
        />
      )}
      {ringsKept.map((at) => {
        const { day, deep, after } = rings[at]!;
        return (
          <Ring
            key={day}
            title={`Deep breaths, ${dayWords(day)}`}
            first={deep}
            second={after}
            names={['before', 'more after']}
            showLabels={false}
            place={{ x: x(day) - ring / 2, y: ringsTop, width: ring, height: ring }}
          />
        );
      })}
      {shown.map(({ name, values: list }, row) => {
        const middle = lanesTop + row * lane + lane / 2;
        const places = list.map(([day]) => x(day));
        return (
          <g key={name}>
            <path d={`M${from} ${middle - lane / 2}H${to + 24}`} stroke="var(--rule)" />
            <Label y={middle + 5} lines={[name]} />
            {keptApart(places, 30).map((at) => (
              <text
                key={list[at]![0]}
                x={places[at]}
                y={middle + 5}
                textAnchor="middle"
                fill="var(--ink)"
                fontWeight="650"
              >
                {list[at]![1]}
              </text>
            ))}
          </g>
        );
      })}
      {begun.length > 0 && <Label y={homeTop + 20} lines={['home, days done']} />}
      {begun.map(({ day, until, days: asked, done }) => {
        const [a, b] = [x(day) + 3, Math.max(x(day) + 8, x(until) - 3)];
        return (
          <g key={day}>
            <rect
              x={a}
              y={homeTop + 6}
              width={b - a}
              height={lane - 14}
              fill="var(--paper)"
              stroke="var(--line)"
              strokeWidth="1.5"
            />
            {done !== null && (
              <rect
                x={a}
                y={homeTop + 6}
                width={((b - a) * done) / asked}
                height={lane - 14}
                fill="var(--line)"
                opacity="0.55"
              />
            )}
            {b - a >= 76 && (
              <text x={(a + b) / 2} y={homeTop + 21} textAnchor="middle" fill="var(--ink)" fontWeight="650">
                {done === null ? 'no code' : `${done} of ${asked}`}
              </text>
            )}
          </g>
        );
      })}
    </svg>
  );
}

/** Discs of one size, as the round ends of strokes without length. */
const Dots = ({ at, size, ink }: { at: readonly (readonly [x: number, y: number])[]; size: number; ink: string }) => (
  <path d={at.map(([x, y]) => `M${x} ${y}h0`).join('')} stroke={ink} strokeWidth={size} strokeLinecap="round" />
);

/** Words in lines of at most so many letters. */
const inLines = (words: string, most: number): string[] =>
  words.split(' ').reduce<string[]>((lines, word) => {
    const longer = `${lines.at(-1) ?? ''} ${word}`.trim();
    return lines.length > 0 && longer.length <= most ? [...lines.slice(0, -1), longer] : [...lines, word];
  }, []);

/** Words in the gutter. */
const Label = ({ y, lines }: { y: number; lines: readonly string[] }) => (
  <text fill="var(--ink2)" fontSize="14">
    {lines.map((words, at) => (
      <tspan key={words} x="0" y={y + at * 17}>
        {words}
      </tspan>
    ))}
  </text>
);
