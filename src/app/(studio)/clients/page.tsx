import { counted } from '@/core/reasons';
import { Link } from '@/parts/Link';
import { LinkButton } from '@/parts/Button';
import { TextInput } from '@/parts/Field';
import { EmptyState } from '@/parts/Notice';
import { asker, countClients, searchClients, silentSince, theStore } from '@/store';
import { dayIn } from '@/core/record';
import { StudioShell } from '../StudioShell';
import { loadSettings } from '../../load';
import { one } from '../../query';

export const metadata = { title: 'Clients' };

/** The moment so many years ago, UTC. */
function yearsAgo(years: number): string {
  const then = new Date();
  then.setUTCFullYear(then.getUTCFullYear() - years);
  return then.toISOString();
}

export default async function ClientsPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const asked = await searchParams;
  const find = one(asked.find);
  const away = one(asked.away) === 'yes';
  const store = theStore();
  const rows = searchClients(store, find, 200, { away });
  const all = countClients(store, { away });
  const others = countClients(store, { away: !away });
  const { retentionYears, timeZone } = loadSettings();
  const silent = retentionYears > 0 && asker().role === 'owner' ? silentSince(store, yearsAgo(retentionYears)) : [];
  return (
    <StudioShell>
      <div className="mb-5 flex flex-wrap items-end justify-between gap-4">
        <h1 className="text-2xl">{away ? 'Clients put away' : 'Clients'}</h1>
        <LinkButton href="/clients/new" look="strong">
          Add a client
        </LinkButton>
      </div>
      <form className="mb-5 flex max-w-md gap-2" role="search">
        {away && <input type="hidden" name="away" value="yes" />}
        <TextInput name="find" defaultValue={find} aria-label="Find by name" placeholder="Find by name" />
        <button type="submit" className="min-h-11 rounded-one border border-ink px-4 font-semibold hover:bg-leaf">
          Find
        </button>
      </form>
      {rows.length === 0 ? (
        <EmptyState as="h2" title={all === 0 ? 'No clients yet.' : `Nobody called “${find.slice(0, 60)}”.`}>
          <LinkButton href="/clients/new">Add a client</LinkButton>
        </EmptyState>
      ) : (
        <ul className="columns-1 gap-8 sm:columns-2 lg:columns-3">
          {rows.map(({ id, name }) => (
            <li key={id} className="break-inside-avoid border-t border-rule">
              <Link href={`/clients/${id}`} className="flex min-h-11 items-center truncate px-1 hover:bg-leaf">
                {name}
              </Link>
            </li>
          ))}
        </ul>
      )}
      {silent.length > 0 && (
        <section aria-labelledby="silent" className="mt-8 border-t border-ink pt-4">
          <h2 id="silent" className="text-lg">
            Not heard of for {counted(retentionYears, 'year')}
          </h2>
          <p className="mb-2 text-ink2">
            As set under Settings, they are proposed to be deleted. Nobody is until you do it, on the page of their
            record.
          </p>
          <ul className="max-w-xl">
            {silent.map(({ id, name, last }) => (
              <li key={id} className="border-t border-rule">
                <Link
                  href={`/clients/${id}/track/record`}
                  className="flex min-h-11 items-center justify-between gap-4 px-1 hover:bg-leaf"
                >
                  <span className="truncate">{name}</span>
                  <span className="text-ink2">last {dayIn(last, timeZone)}</span>
                </Link>
              </li>
            ))}
          </ul>
        </section>
      )}
      {(away || others > 0) && (
        <p className="mt-4">
          <Link
            href={away ? '/clients' : '/clients?away=yes'}
            className="underline decoration-rule underline-offset-4 hover:decoration-ink"
          >
            {away ? `Those who come (${others})` : `Put away (${others})`}
          </Link>
        </p>
      )}
      {rows.length === 200 && <p className="mt-4 text-ink2">The first 200 of {all}. Find by name for the rest.</p>}
    </StudioShell>
  );
}
