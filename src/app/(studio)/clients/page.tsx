import Link from 'next/link';
import { LinkButton } from '@/parts/Button';
import { TextInput } from '@/parts/Field';
import { EmptyState } from '@/parts/Notice';
import { countClients, searchClients, theStore } from '@/store';
import { StudioShell } from '../StudioShell';
import { one } from '../../query';

export const metadata = { title: 'Clients' };

export default async function ClientsPage({ searchParams }: { searchParams: Promise<{ find?: string | string[] }> }) {
  const find = one((await searchParams).find);
  const store = theStore();
  const rows = searchClients(store, find, 200);
  const all = countClients(store);
  return (
    <StudioShell>
      <div className="mb-5 flex flex-wrap items-end justify-between gap-4">
        <h1 className="text-2xl">Clients</h1>
        <LinkButton href="/clients/new" look="strong">
          Add a client
        </LinkButton>
      </div>
      <form className="mb-5 flex max-w-md gap-2" role="search">
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
      {rows.length === 200 && <p className="mt-4 text-ink2">The first 200 of {all}. Find by name for the rest.</p>}
    </StudioShell>
  );
}
