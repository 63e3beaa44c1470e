import Link from 'next/link';

/** The visit so far in short sentences, each leading to its record. */
export function Thread({
  lines,
  base,
}: {
  lines: readonly { heading: string; words: string; station: string }[];
  /** Address of the client; a station's name is added. */
  base: string;
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
      </div>
    </aside>
  );
}
