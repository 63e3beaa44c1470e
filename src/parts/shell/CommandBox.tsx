'use client';

import dynamic from 'next/dynamic';
import { Search } from 'lucide-react';
import { useCallback, useRef, useState } from 'react';
import { type StationId } from '@/core/safety';
import { opener } from '../Beside';
import { actFor } from './keys';
import { useKeyDown } from './useKeyDown';
import { patiently } from '../patiently';

// What opens over the page is fetched once the page stands.
const FindBox = dynamic(() => patiently(() => import('./FindBox')).then(({ FindBox }) => FindBox), { ssr: false });

/** One box to find a client or go anywhere: Ctrl+K. */
export function CommandBox({ clientId, open: openStationIds }: { clientId?: string; open?: readonly StationId[] }) {
  const [open, setOpen] = useState(false);
  const [here, setHere] = useState(false);
  const anchor = useRef<HTMLButtonElement>(null);
  const [words, setWords] = useState('');
  // What is typed before the box has come, or before its field has the focus: on a slow machine fingers go on meanwhile.
  useKeyDown(
    (event) => {
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      const field = document.querySelector<HTMLElement>('[cmdk-input]');
      if (here && field && (event.target as Element).closest('[role=dialog]')) return;
      if (here) field?.focus();
      if (event.key === 'Escape') setOpen(false);
      else if (event.key === 'Backspace') setWords((before) => before.slice(0, -1));
      else if (event.key.length === 1) setWords((before) => before + event.key);
      else if (event.key !== 'Enter') return;
      event.preventDefault();
      event.stopImmediatePropagation();
    },
    { first: true, active: open },
  );
  const onHere = useCallback(() => setHere(true), []);
  useKeyDown((event) => {
    const find = actFor('anywhere', { find: () => setOpen((shown) => !shown), help: undefined })(event);
    if (!find) return;
    event.preventDefault();
    find();
  });
  return (
    <>
      <button
        ref={anchor}
        {...opener(open, setOpen)}
        className="flex min-h-11 items-center gap-2 border-b border-line text-left text-ink2 hover:text-ink max-sm:min-w-11 max-sm:justify-center max-sm:border-b-0 lg:min-w-44"
      >
        <Search size={16} aria-hidden />
        <span className="grow max-sm:sr-only">Find or do…</span>
        <kbd className="font-sans text-sm max-lg:hidden">Ctrl K</kbd>
      </button>
      <FindBox
        anchor={anchor}
        open={open}
        onOpenChange={setOpen}
        onHere={onHere}
        words={words}
        onWords={setWords}
        clientId={clientId}
        stations={openStationIds ?? []}
      />
    </>
  );
}
