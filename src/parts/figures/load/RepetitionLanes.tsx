import { type LoadAnswer, beatInWords } from '@/core/load';

const width = 420;
const gutter = 74;
const breath = { top: 10, high: 96 } as const;
const stiff = { middle: 132, most: 15 } as const;
const words = 172;
const seconds = 198;

const breathNames = { in: 'in', out: 'out', kept: 'kept' } as const;

/** One repetition: air in the trunk true to time, kept air as a dotted shelf, stiffness as a line that swells, the word and the seconds. */
export function RepetitionLanes({ beats, parts }: Pick<LoadAnswer, 'beats' | 'parts'>) {
  const whole = beats.reduce((sum, one) => sum + one.seconds, 0);
  const perSecond = (width - gutter - 8) / whole;
  const floor = breath.top + breath.high;
  const y = (fill: number) => floor - fill * breath.high;
  const places = beats.map((beat, at) => {
    const from = gutter + beats.slice(0, at).reduce((sum, one) => sum + one.seconds, 0) * perSecond;
    // What comes before the first repetition alone begins with little air; everything else goes on from what was before it.
    const before = at > 0 ? beats[at - 1]!.fill : beat.stage === 'fill' ? 0.1 : beats.at(-1)!.fill;
    return { beat, from, to: from + beat.seconds * perSecond, before, name: beatInWords(beat, parts) };
  });
  const said = places
    .map(({ beat, name }) => `${name}: ${breathNames[beat.breath]}, ${beat.seconds.toFixed(1)} s`)
    .join('; ');
  return (
    <svg
      viewBox={`0 0 ${width} 224`}
      className="w-full"
      role="img"
      aria-label={`One repetition: ${said}`}
      fontSize="14"
    >
      <defs>
        <pattern id="repetition-out" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="8" height="8" fill="var(--exhalew)" />
          <rect width="3" height="8" fill="var(--exhale)" />
        </pattern>
      </defs>
      {(
        [
          ['breath', breath.top + breath.high / 2],
          ['stiffness', stiff.middle + 5],
          ['word', words],
          ['seconds', seconds],
        ] as const
      ).map(([name, at]) => (
        <text key={name} x="0" y={at} fill="var(--ink2)">
          {name}
        </text>
      ))}
      <path d={`M${gutter} ${floor}H${width}M${gutter} ${words + 8}H${width}`} stroke="var(--rule)" />
      {places.map(({ beat, from, to, before, name }, at) => (
        <g key={at}>
          <path d={`M${from} ${breath.top - 6}V${seconds + 8}`} stroke="var(--rule)" />
          {beat.breath === 'kept' ? (
            <path
              d={`M${from} ${y(beat.fill)}H${to}`}
              stroke="var(--ink)"
              strokeWidth="4"
              strokeDasharray="1 7"
              strokeLinecap="round"
            />
          ) : (
            <path
              d={`M${from} ${floor}L${from} ${y(before)}L${to} ${y(beat.fill)}L${to} ${floor}Z`}
              fill={beat.breath === 'in' ? 'var(--inhale)' : 'url(#repetition-out)'}
            />
          )}
          <path
            d={`M${from} ${stiff.middle}H${to}`}
            stroke="var(--ink)"
            strokeWidth={Math.max(2, (beat.stiffness / 100) * stiff.most * 2)}
          />
          <text x={(from + to) / 2} y={words} textAnchor="middle" fill="var(--ink)" fontWeight="650">
            {breathNames[beat.breath]}
          </text>
          <text x={(from + to) / 2} y={seconds} textAnchor="middle" fill="var(--ink)">
            {Number(beat.seconds.toFixed(1))}
          </text>
          {to - from > 54 && (
            <text x={(from + to) / 2} y={seconds + 20} textAnchor="middle" fill="var(--ink2)" fontSize="13">
              {name.length * 6.6 > to - from
                ? beatInWords(beat, parts, { short: true }).split(' ').slice(0, 2).join(' ')
                : name}
            </text>
          )}
        </g>
      ))}
      <path d={`M${width - 8} ${breath.top - 6}V${seconds + 8}`} stroke="var(--rule)" />
    </svg>
  );
}
