import Link from 'next/link';

const pages = [
  { id: 'visits', path: 'track', name: 'Visits' },
  { id: 'course', path: 'track/course', name: 'Course' },
] as const;

/** The two pages of Track: what was, and what the next visits hold. */
export function TrackNav({ clientId, on }: { clientId: string; on: (typeof pages)[number]['id'] }) {
  return (
    <nav aria-label="Pages of Track" className="flex">
      {pages.map(({ id, path, name }) => (
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
