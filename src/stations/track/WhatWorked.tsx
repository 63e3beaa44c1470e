'use client';

import { capital } from '@/core/reasons';
import { type WhatWorked as Lists, type Worked } from '@/core/track';

/** Rows of a list that are shown, the best first. */
const rowsShown = 6;

/** Drills, positions and cues that worked for this client, each with how often that was seen. */
export function WhatWorked({
  worked,
  names,
}: {
  worked: Lists;
  /** What the drills are called, by their ids. */
  names: Readonly<Record<string, string>>;
}) {
  const lists = [
    { title: 'Drills, gone calmly', list: worked.drills, name: (id: string) => names[id] ?? id },
    { title: 'Positions, gone calmly', list: worked.positions, name: capital },
    { title: 'Cues that landed', list: worked.cues, name: (words: string) => `“${words}”` },
  ].filter(({ list }) => list.length > 0);
  if (lists.length === 0) return null;
  return (
    <section aria-labelledby="worked" className="mt-8 border-t border-ink pt-4">
      <h2 id="worked" className="text-lg">
        What worked
      </h2>
      <div className="mt-2 grid gap-x-10 gap-y-4 md:grid-cols-3">
        {lists.map(({ title, list, name }) => (
          <section key={title} aria-label={title}>
            <h3 className="text-base">{title}</h3>
            <ul>
              {list.slice(0, rowsShown).map((one) => (
                <Row key={one.what} one={one} name={name(one.what)} />
              ))}
            </ul>
            {list.length > rowsShown && <p className="text-sm text-ink2">{list.length - rowsShown} more.</p>}
          </section>
        ))}
      </div>
    </section>
  );
}

const Row = ({ one: { times, well }, name }: { one: Worked; name: string }) => (
  <li className="flex justify-between gap-3 border-t border-rule py-1">
    <span>{name}</span>
    <span className="shrink-0 text-ink2">
      {well} of {times}
    </span>
  </li>
);
