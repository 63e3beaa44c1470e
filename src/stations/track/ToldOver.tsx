'use client';

import { useState } from 'react';
import { leaksInWords } from '@/core/safety';
import { type Told, complaintChange, verdictInWords } from '@/core/track';
import { Button } from '@/parts/Button';
import { ProvenanceMark } from '@/parts/Provenance';

/** Rows that are shown at once, the newest first. */
const rowsShown = 8;

/** The diary: the complaint, leaks and symptoms as they were told, by day. */
export function ToldOver({ told, said }: { told: readonly Told[]; said: (day: string) => string }) {
  const [all, setAll] = useState(false);
  if (told.length === 0) return null;
  const newestFirst = [...told].reverse();
  const rows = all ? newestFirst : newestFirst.slice(0, rowsShown);
  const change = complaintChange(told);
  return (
    <section aria-labelledby="told" className="mt-8 border-t border-ink pt-4">
      <h2 id="told" className="text-lg">
        What they told
      </h2>
      {change && (
        <p>
          The complaint {change.before} of 10 at first, {change.after} now: {verdictInWords(change)}.{' '}
          <ProvenanceMark provenance={change.provenance} />
        </p>
      )}
      <table className="mt-2 w-full">
        <thead className="text-left text-sm text-ink2">
          <tr>
            <th className="font-normal">Told on</th>
            <th className="font-normal">Complaint</th>
            <th className="font-normal">Leaks in seven days</th>
            <th className="font-normal">Besides</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ day, where, complaint, leaks, symptoms }, at) => (
            <tr key={`${day} ${where} ${at}`} className="border-t border-rule">
              <th scope="row" className="py-1 pr-4 text-left font-normal">
                {said(day)}
                {where !== 'at a visit' && <span className="text-ink2">, {where}</span>}
              </th>
              <td className="py-1 pr-4">{complaint === null ? '' : `${complaint} of 10`}</td>
              <td className="py-1 pr-4">{leaks === null ? '' : leaksInWords(leaks)}</td>
              <td className="py-1">{symptoms.join(', ')}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {rows.length < told.length && (
        <Button look="quiet" onClick={() => setAll(true)}>
          Show all {told.length}
          <span className="sr-only"> that was told</span>
        </Button>
      )}
    </section>
  );
}
