import { knownDrill } from '@/core/sequence';
import { type Effect } from '@/core/track';

const half = 240;
const row = 36;

/** What the marker showed right after each drill, drawn toward what it shows with other clients; filled where the interval leaves no change out. */
export function WhatChanged({ effects }: { effects: readonly Effect[] }) {
  if (effects.length === 0) return null;
  const x = (value: number) => half + Math.max(-1, Math.min(1, value)) * (half - 12);
  return (
    <section aria-labelledby="changed" className="mt-8 border-t border-ink pt-4">
      <h2 id="changed" className="text-lg">
        What changed it
      </h2>
      <p className="text-ink2">
        The marker asked right after a drill, better or worse; drawn toward what the drill shows with other clients
        here, the more the fewer times it was asked (partial pooling). The line is what chance leaves open, 95 of 100.
        It says what was seen, not what will be.
      </p>
      <table className="mt-2 w-full">
        <thead className="text-left text-sm text-ink2">
          <tr>
            <th className="font-normal">Drill</th>
            <th className="font-normal">
              <span className="flex justify-between" style={{ width: half * 2 }}>
                <span>worse</span>
                <span>no change</span>
                <span>better</span>
              </span>
            </th>
            <th className="font-normal">Seen</th>
          </tr>
        </thead>
        <tbody>
          {effects.map(({ drillId, times, pooled, low, high, clear }) => (
            <tr key={drillId} className="border-t border-rule">
              <th scope="row" className={`pr-4 text-left ${clear ? 'font-semibold' : 'font-normal'}`}>
                {knownDrill({ drillId })?.name ?? drillId}
              </th>
              <td>
                <svg width={half * 2} height={row} viewBox={`0 0 ${half * 2} ${row}`} aria-hidden>
                  <path d={`M${half} 0V${row}`} stroke="var(--ink)" />
                  <path d={`M${x(low)} ${row / 2}H${x(high)}`} stroke="var(--ink)" strokeWidth={clear ? 4 : 2} />
                  <circle
                    cx={x(pooled)}
                    cy={row / 2}
                    r="8"
                    fill={clear ? 'var(--ink)' : 'var(--paper)'}
                    stroke="var(--ink)"
                    strokeWidth="2.5"
                  />
                </svg>
              </td>
              <td className="text-sm">
                {clear ? (pooled > 0 ? 'clearly better' : 'clearly worse') : 'not clear'},{' '}
                {times === 1 ? 'once' : `${times} times`}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
