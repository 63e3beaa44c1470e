import { often } from '@/core/reasons';
import { type Effect } from '@/core/track';

const row = 36;
/** Where the line of a row has a value, −1 to 1: it is as wide as the screen lets it be. */
const x = (value: number) => `${50 + Math.max(-1, Math.min(1, value)) * 47.5}%`;

/** What the marker showed right after each drill, drawn toward what it shows with other clients; filled where the interval leaves no change out. */
export function WhatChanged({
  effects,
  names,
}: {
  effects: readonly Effect[];
  /** What the drills are called, by their ids. */
  names: Readonly<Record<string, string>>;
}) {
  if (effects.length === 0) return null;
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
            <th className="font-normal sm:w-120">
              <span className="flex max-w-120 justify-between">
                <span>worse</span>
                <span className="max-sm:sr-only">no change</span>
                <span>better</span>
              </span>
            </th>
            <th className="pl-4 font-normal">Seen</th>
          </tr>
        </thead>
        <tbody>
          {effects.map(({ drillId, times, pooled, low, high, clear }) => (
            <tr key={drillId} className="border-t border-rule">
              <th scope="row" className={`pr-4 text-left ${clear ? 'font-semibold' : 'font-normal'}`}>
                {names[drillId] ?? drillId}
              </th>
              <td>
                <svg height={row} className="block w-full max-w-120 min-w-24 overflow-visible" aria-hidden>
                  <line x1="50%" x2="50%" y2={row} stroke="var(--ink)" />
                  <line
                    x1={x(low)}
                    x2={x(high)}
                    y1={row / 2}
                    y2={row / 2}
                    stroke="var(--ink)"
                    strokeWidth={clear ? 4 : 2}
                  />
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
              <td className="pl-4 text-sm">
                {clear ? (pooled > 0 ? 'clearly better' : 'clearly worse') : 'not clear'}, {often(times)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
