'use client';

import dynamic from 'next/dynamic';
import { useRef, useState } from 'react';
import { opener } from '../Beside';
import { actFor, isTyping } from './keys';
import { useKeyDown } from './useKeyDown';
import { patiently } from '../patiently';

const KeyPage = dynamic(() => patiently(() => import('./KeyPage')).then(({ KeyPage }) => KeyPage), { ssr: false });

/** The keys, on a question mark. */
export function KeyHelp() {
  const [open, setOpen] = useState(false);
  const anchor = useRef<HTMLButtonElement>(null);
  useKeyDown((event) => {
    if (!isTyping(event.target)) actFor('anywhere', { help: () => setOpen(true), find: undefined })(event)?.();
  });
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
