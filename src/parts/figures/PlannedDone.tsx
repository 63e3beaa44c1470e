import { useId } from 'react';

/** A drill as it was planned and as it was given. */
export interface DoneDrill {
  name: string;
  /** Seconds as planned, and what of them is setting up. */
  seconds: number;
  setUpSeconds: number;
  planned: number;
  given: number;
  /** Part of a breath that is the inhale. */
  inhalePart: number;
  /** What happened in it, in a few words. */
  words: string;
}

const width = 960;
const nameRows = 34;
const row = 44;
const tooth = 28;

/**
 * What was planned over what was given, on one scale of time: a tooth a breath, solid rising and hatched falling; what was not
 * breathed stays an outline. The same is told below in figures.
 */
export function PlannedDone({ drills, title }: { drills: readonly DoneDrill[]; title: string }) {
  const id = useId();
  const whole = drills.reduce((sum, { seconds }) => sum + seconds, 0);
  const starts = drills.map((_, i) => drills.slice(0, i).reduce((sum, { seconds }) => sum + seconds, 0));
  const x = (seconds: number) => (whole > 0 ? (seconds / whole) * width : 0);
  const base = (line: number) => nameRows + line * row + row - 8;
  return (
    <div>
      <svg viewBox={`0 0 ${width} ${nameRows + 2 * row}`} className="w-full" role="img" aria-label={title}>
        <defs>
          <pattern id={`${id}fall`} width="4" height="4" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <rect width="2" height="4" className="fill-exhale" />
          </pattern>
        </defs>
        {[0, 1].map((line) => (
          <line key={line} x1={0} x2={width} y1={base(line)} y2={base(line)} className="stroke-rule" />
        ))}
        {drills.map((drill, i) => {
          const from = x(starts[i]!);
          return (
            <g key={i}>
              <line x1={from} x2={from} y1={4} y2={nameRows + 2 * row} className="stroke-rule" />
              <text x={from + 5} y={nameRows - 12} className="fill-ink text-[15px] font-semibold">
                {i + 1}
              </text>
              {[drill.planned, drill.given].map((full, line) => (
                <Teeth
                  key={line}
                  from={from + x(drill.setUpSeconds)}
                  span={x(drill.seconds - drill.setUpSeconds)}
                  base={base(line)}
                  drill={drill}
                  full={full}
                  pattern={`url(#${id}fall)`}
                />
              ))}
            </g>
          );
        })}
      </svg>
      <div className="flex justify-between text-sm text-ink2">
        <span>above planned, below given; an outline was not breathed</span>
      </div>
      <ol className="mt-2 grid gap-x-8 md:grid-cols-2">
        {drills.map(({ name, planned, given, words }, i) => (
          <li key={i} className="flex gap-3 border-t border-rule py-1.5">
            <span className="w-5 text-right text-ink2">{i + 1}</span>
            <span className="min-w-0">
              <span className="font-semibold">{name}</span>{' '}
              <span className="whitespace-nowrap tabular-nums">
                {given} of {planned}
              </span>
              {words && <span className="block text-sm text-ink2">{words}</span>}
            </span>
          </li>
        ))}
      </ol>
    </div>
  );
}

function Teeth({
  from,
  span,
  base,
  drill,
  full,
  pattern,
}: {
  from: number;
  span: number;
  base: number;
  drill: DoneDrill;
  full: number;
  pattern: string;
}) {
  const { planned, inhalePart } = drill;
  const wide = planned > 0 ? span / planned : 0;
  return (
    <>
      {Array.from({ length: planned }, (_, n) => {
        const left = from + n * wide;
        const peak = left + wide * inhalePart;
        const top = base - tooth;
        return n < full ? (
          <g key={n}>
            <polygon points={`${left},${base} ${peak},${top} ${peak},${base}`} className="fill-inhale" />
            <polygon points={`${peak},${base} ${peak},${top} ${left + wide},${base}`} fill={pattern} />
          </g>
        ) : (
          <polyline
            key={n}
            points={`${left},${base} ${peak},${top} ${left + wide},${base}`}
            fill="none"
            className="stroke-ink2"
            strokeWidth={0.8}
          />
        );
      })}
    </>
  );
}
