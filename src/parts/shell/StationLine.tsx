'use client';

import { Link } from '@/parts/Link';
import { usePathname, useRouter } from 'next/navigation';
import { Lock } from 'lucide-react';
import { useEffect, useRef } from 'react';
import { type StationId } from '@/core/safety';
import { actFor, isTyping } from './keys';
import { useKeyDown } from './useKeyDown';
import { stationList } from './stations';

/** The stations as one ruled line; keys 1 to 7 go there, N to what comes next on the page. A station that is closed today is told so, not linked. */
export function StationLine({
  clientId,
  open,
  reached,
}: {
  clientId: string;
  open: readonly StationId[];
  /** Stations with something recorded in today's visit. */
  reached: readonly StationId[];
}) {
  const router = useRouter();
  const path = usePathname();
  const current = path.split('/')[3];
  const line = useRef<HTMLOListElement>(null);
  // On a phone the line is longer than the screen: where one is stands in its middle.
  useEffect(() => {
    const here = line.current?.querySelector('[aria-current]')?.parentElement;
    if (here) line.current!.scrollLeft = here.offsetLeft - (line.current!.clientWidth - here.clientWidth) / 2;
  }, [current]);

  useKeyDown((event) => {
    const typing = isTyping(event.target);
    // No slider answers to it: from there too it leads on.
    const free = !typing || (event.target as HTMLElement).matches('[role=slider]');
    actFor('client', {
      onward:
        event.repeat || !free
          ? undefined
          : () => document.querySelector<HTMLElement>('main [data-way-on]:not(:disabled)')?.click(),
      station: typing
        ? undefined
        : (digit) => {
            const station = stationList.find(({ number }) => String(number) === digit);
            if (station && open.includes(station.id)) router.push(`/clients/${clientId}/${station.id}`);
          },
    })(event)?.();
  });

  return (
    <nav aria-label="Stations" className="screen-only border-b border-rule px-4 lg:px-7">
      <ol ref={line} className="relative flex overflow-x-auto">
        {stationList.map(({ id, number, name }) => {
          const isOpen = open.includes(id);
          const mark = current === id ? 'border-ink' : reached.includes(id) ? 'border-line' : 'border-transparent';
          const inside = (
            <>
              <span className="text-sm text-ink2">{number}</span>
              <span className={`whitespace-nowrap ${current === id ? 'font-semibold' : ''}`}>{name}</span>
              {!isOpen && <Lock size={14} aria-hidden />}
            </>
          );
          const shape = `flex min-h-11 items-center gap-2 border-b-4 pt-1 pr-3 pl-3 ${mark}`;
          return (
            <li key={id} className="flex-auto border-l lg:flex-1 border-rule last:border-r">
              {isOpen ? (
                <Link
                  href={`/clients/${clientId}/${id}`}
                  aria-current={current === id ? 'page' : undefined}
                  className={`${shape} hover:bg-leaf`}
                >
                  {inside}
                </Link>
              ) : (
                <span className={`${shape} text-ink2`}>
                  {inside}
                  <span className="sr-only">closed today</span>
                </span>
              )}
            </li>
          );
        })}
      </ol>
    </nav>
  );
}
