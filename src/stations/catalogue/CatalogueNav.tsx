'use client';

import { Link } from '@/parts/Link';
import { usePathname } from 'next/navigation';

const places = [
  { href: '/catalogue', name: 'Drills' },
  { href: '/catalogue/positions', name: 'Positions' },
  { href: '/catalogue/words', name: 'Props, cues, faults' },
  { href: '/catalogue/schools', name: 'Where schools differ' },
  { href: '/catalogue/load-breath', name: 'Breath under load' },
] as const;

/** The rooms of the catalogue, as one ruled line. */
export function CatalogueNav() {
  const path = usePathname();
  return (
    <nav aria-label="Catalogue" className="screen-only mb-5 flex flex-wrap border-y border-rule">
      {places.map(({ href, name }) => (
        <Link
          key={href}
          href={href}
          aria-current={path === href ? 'page' : undefined}
          className={`flex min-h-11 items-center border-b-4 px-4 hover:bg-leaf ${
            path === href ? 'border-ink font-semibold' : 'border-transparent text-ink2'
          }`}
        >
          {name}
        </Link>
      ))}
    </nav>
  );
}
