'use client';

import dynamic from 'next/dynamic';
import { useEffect, useRef, useState } from 'react';
import { opener } from '../Beside';
import { actFor, isTyping } from './keys';
import { patiently } from '../patiently';

const KeyPage = dynamic(() => patiently(() => import('./KeyPage')).then(({ KeyPage }) => KeyPage), { ssr: false });

/** The keys, on a question mark. */
export function KeyHelp() {
  const [open, setOpen] = useState(false);
  const anchor = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    const act = actFor('anywhere', { help: () => setOpen(true), find: undefined });
    const listen = (event: KeyboardEvent) => {
      if (!isTyping(event.target)) act(event)?.();
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, []);
  return (
    <>
      <button
        ref={anchor}
        {...opener(open, setOpen)}
        className="grid size-11 place-items-center rounded-one text-lg font-semibold text-ink2 hover:text-ink"
        aria-label="Keys"
      >
        ?
      </button>
      <KeyPage anchor={anchor} open={open} onOpenChange={setOpen} />
    </>
  );
}
