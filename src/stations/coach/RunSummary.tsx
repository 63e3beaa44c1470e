'use client';

import { faults, type FaultId } from '@/core/catalogue';
import { stateOf, summariseRun } from '@/core/coach';
import { durationInWords } from '@/core/dose';
import { type StoredRun } from '@/core/record';
import { drillOf } from '@/core/sequence';

/** The length of a breath as it was planned; paced otherwise or tapped along only where it was. */
function cyclesInWords({ planned, paced, tapped }: ReturnType<typeof summariseRun>['items'][number]['cycles']): string {
  const seconds = (cycle: number) => `${cycle.toFixed(1)} s`;
  const others = [
    paced !== null && (planned === null || Math.abs(paced - planned) >= 0.05) ? `paced ${seconds(paced)}` : '',
    tapped === null ? '' : `tapped ${seconds(tapped)}`,
  ].filter((part) => part !== '');
  return [planned === null ? '–' : seconds(planned), ...others].join(', ');
}

/** What was done in a run, drill by drill, of one of those who took part. */
export function RunSummary({ run, who }: { run: StoredRun; who: string }) {
  const { items, plannedSeconds, activeSeconds, symptoms, settledSeconds, notes } = summariseRun(stateOf(run), who);
  return (
    <section aria-label="What was done" className="mt-7 border-t border-ink pt-4">
      <h2 className="text-lg">
        What was done, {durationInWords(activeSeconds)}
        <span className="font-normal text-ink2"> of {durationInWords(plannedSeconds)} planned</span>
      </h2>
      {symptoms.length > 0 && (
        <p className="text-caution">
          Stopped for: {symptoms.join(', ')}.
          {settledSeconds.length > 0 && ` Settled after ${durationInWords(Math.max(...settledSeconds))}.`}
        </p>
      )}
      {notes.length > 0 && <p>Noted: {notes.join('; ')}.</p>}
      <table className="mt-2 w-full text-left">
        <thead className="text-sm text-ink2">
          <tr>
            <th className="py-1 font-normal">Drill</th>
            <th className="py-1 text-right font-normal">Breaths done / planned</th>
            <th className="py-1 pl-6 text-right font-normal">Length of a breath</th>
            <th className="py-1 pl-6 font-normal">Faults</th>
            <th className="py-1 pl-6 font-normal">Cues that landed</th>
          </tr>
        </thead>
        <tbody>
          {items.map(({ item, plannedBreaths, deliveredBreaths, cycles, faults: list, cues, stopped, swapped }) => (
            <tr key={item.id} className="border-t border-rule">
              <td className="py-1.5">
                {drillOf(item).name}
                {stopped ? ' (stopped)' : ''}
                {swapped ? ' (changed for another)' : ''}
              </td>
              <td className="py-1.5 text-right">
                {deliveredBreaths} / {plannedBreaths}
              </td>
              <td className="py-1.5 pl-6 text-right tabular-nums">{cyclesInWords(cycles)}</td>
              <td className="py-1.5 pl-6">
                {list
                  .map(
                    ({ fault, times }) =>
                      `${faults[fault as FaultId]?.words ?? fault}${times > 1 ? ` × ${times}` : ''}`,
                  )
                  .join(', ') || '–'}
              </td>
              <td className="py-1.5 pl-6">
                {cues
                  .filter(({ landed }) => landed === 'yes')
                  .map(({ cue }) => `“${cue}”`)
                  .join(', ') || '–'}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
