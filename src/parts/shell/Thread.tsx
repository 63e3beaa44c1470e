import { type ReactNode } from 'react';
import { Link } from '@/parts/Link';
import { type StationId } from '@/core/safety';

/** The visit so far in short sentences, each leading to its record. */
export function Thread({
  lines,
  base,
  visits = [],
}: {
  lines: readonly { heading: string; words: ReactNode; station: StationId }[];
  /** Address of the client; a station's name is added. */
  base: string;
  /** Pages of visits, the one that is going on first. */
  visits?: readonly { id: string; words: string }[];
}) {
  return (
    <aside aria-label="So far today" className="screen-only border-rule bg-leaf px-5 py-6 max-lg:border-t lg:border-l">
      <div className="lg:sticky lg:top-27 lg:max-h-[calc(100dvh-7.5rem)] lg:overflow-y-auto">
        <h2 className="text-base font-semibold">So far today</h2>
        {lines.length === 0 && <p className="mt-3 text-ink2">Nothing recorded yet. Start with why they came.</p>}
        <ol>
          {lines.map(({ heading, words, station }) => (
            <li key={heading} className="border-b border-rule py-3 last:border-b-0">
              <Link href={`${base}/${station}`} className="block hover:bg-paper">
                <span className="block text-sm text-ink2">{heading}</span>
                <span className="block [overflow-wrap:anywhere]">{words}</span>
              </Link>
            </li>
          ))}
        </ol>
        {visits.length > 0 && (
          <nav aria-label="Visits" className="border-t border-line pt-3">
            <h2 className="text-base font-semibold">Visits</h2>
            <ul>
              {visits.map(({ id, words }) => (
                <li key={id}>
                  <Link
                    href={`${base}/visit/${id}`}
                    className="flex min-h-11 items-center hover:bg-paper hover:underline"
                  >
                    {words}
                  </Link>
                </li>
              ))}
            </ul>
          </nav>
        )}
      </div>
    </aside>
  );
}
