import { Link } from '@/parts/Link';

const pages = [
  { id: 'visit', path: 'track', name: 'This visit' },
  { id: 'visits', path: 'track/visits', name: 'Over visits' },
  { id: 'course', path: 'track/course', name: 'Course' },
  { id: 'record', path: 'track/record', name: 'Their record' },
] as const;

/** The pages of Track: what changed today, what became of it over visits, and what the next visits hold. */
export function TrackNav({
  clientId,
  on,
  visit,
}: {
  clientId: string;
  on: (typeof pages)[number]['id'];
  /** Whether there is a visit today: without one its page leads nowhere. */
  visit: boolean;
}) {
  return (
    <nav aria-label="Pages of Track" className="flex">
      {pages
        .filter(({ id }) => visit || id !== 'visit')
        .map(({ id, path, name }) => (
          <Link
            key={id}
            href={`/clients/${clientId}/${path}`}
            aria-current={id === on ? 'page' : undefined}
            className={`-ml-px flex min-h-11 items-center border border-ink px-4 font-semibold first:ml-0 first:rounded-l-one last:rounded-r-one ${
              id === on ? 'bg-ink text-onink' : 'hover:bg-leaf'
            }`}
          >
            {name}
          </Link>
        ))}
    </nav>
  );
}
