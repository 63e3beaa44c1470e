import { allOf, protocols, testVerdict } from '@/core/look';
import { type Likely, type Pattern, evenId, findingTable, nextLook, patterns } from '@/core/read';
import { capital, listed, lowered } from '@/core/reasons';
import { Link } from '@/parts/Link';
import { LinkButton } from '@/parts/Button';
import { type ClientView } from '../view';

/** The one look that would tell most next, or the one that decides and is better read twice. */
export function Settle({ view, likely }: { view: ClientView<'looks'>; likely: Likely }) {
  const looks = view.visit!.looks.filter(({ moment }) => moment === 'before');
  const taken = [...new Set(looks.map(({ protocol }) => protocol))];
  const again = taken.filter((protocol) => allOf(looks, protocol, 'before').length > 1);
  const next = nextLook(likely, taken, again, (protocol) => {
    const allowed = testVerdict(view.gates, protocols[protocol].components).allowed;
    return allowed && (!taken.includes(protocol) || protocols[protocol].takenTwice === true);
  });
  if (!next) return null;
  return (
    <section aria-labelledby="settle" className="flex flex-wrap items-center gap-x-4 gap-y-2 border-t border-ink py-3">
      <div className="min-w-64 flex-1">
        <h2 id="settle" className="text-base font-semibold">
          What would settle it
        </h2>
        <p className="text-ink2">{capital(next.why)}.</p>
      </div>
      <LinkButton href={`/clients/${view.id}/look?protocol=${next.protocol}${next.again ? '&again=1' : ''}`}>
        {next.again ? 'Look a second time' : protocols[next.protocol].name}
      </LinkButton>
    </section>
  );
}

/** What the looks taken could not have shown: never said to be absent. */
export function NotLookedFor({ view, patterns: absent }: { view: ClientView; patterns: readonly Pattern[] }) {
  if (absent.length === 0) return null;
  return (
    <p className="border-t border-ink py-3 text-ink2">
      <span className="font-semibold text-ink">Not looked for:</span>{' '}
      {absent.map((pattern, i) => {
        const [protocol] = looksFor(pattern);
        return (
          <span key={pattern.id}>
            {i > 0 && '; '}
            {pattern.name}
            {protocol && (
              <>
                {' '}
                (
                <Link
                  className="underline decoration-rule underline-offset-4 hover:decoration-ink"
                  href={`/clients/${view.id}/look?protocol=${protocol}`}
                >
                  {lowered(protocols[protocol].name)}
                </Link>
                )
              </>
            )}
          </span>
        );
      })}
      . Nothing is said of it.
    </p>
  );
}

/** Protocols that could show a pattern, by the points they can give. */
function looksFor({ rows }: Pattern) {
  const given = new Map<(typeof findingTable)[keyof typeof findingTable]['settledBy'], number>();
  for (const [id, [, , , marked]] of Object.entries(rows) as [
    keyof typeof findingTable,
    readonly [0, 0, 0, number],
  ][]) {
    const { settledBy } = findingTable[id];
    if (marked > 0) given.set(settledBy, (given.get(settledBy) ?? 0) + marked);
  }
  return [...given].sort((a, b) => b[1] - a[1]).map(([protocol]) => protocol);
}

/** Nothing that was looked at is trouble: said in so many words, with what was looked at. */
export function Even({ view }: { view: ClientView<'looks'> }) {
  const { name, firstAnswer } = patterns.find(({ id }) => id === evenId)!;
  const looked = [
    ...new Set(view.visit!.looks.filter(({ moment }) => moment === 'before').map(({ protocol }) => protocol)),
  ];
  return (
    <section className="border-t border-ink py-4" aria-label={name}>
      <h2 className="text-lg">{capital(name)}</h2>
      <p className="mt-2">
        Nothing that was looked at speaks for trouble on two separate signs. Single signs are common in people who
        breathe well.
      </p>
      <p className="mt-1 text-ink2">Looked at: {listed(looked.map((id) => lowered(protocols[id].name)))}.</p>
      <p className="mt-1 text-ink2">Usual first answer: {firstAnswer}</p>
    </section>
  );
}
