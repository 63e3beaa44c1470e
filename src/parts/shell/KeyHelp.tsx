'use client';

import { Dialog } from 'radix-ui';
import { useEffect, useState } from 'react';
import { isTyping } from './keys';

const rows = [
  ['Ctrl + K', 'find a client, or go somewhere'],
  ['1 – 7', 'go to a station'],
  ['N', 'what comes next: the next look, the intent, the plan, the run'],
  ['Space', 'tap a breath; start, wait and go on in a run'],
  ['0 – 3, x', 'grade the part of the ring that has the focus; x: not seen'],
  ['F', 'mark a fault in a run'],
  ['C', 'the cue landed'],
  ['E', 'an easier drill in place, in a run'],
  ['N or →', 'next drill in a run'],
  ['Esc', 'stop a run'],
  ['U', 'undo the last tap'],
  ['?', 'these keys'],
] as const;

/** The keys, on a question mark. */
export function KeyHelp() {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (event.key === '?' && !isTyping(event.target)) setOpen(true);
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, []);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger
        className="grid size-11 place-items-center rounded-one text-lg font-semibold text-ink2 hover:text-ink"
        aria-label="Keys"
      >
        ?
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 z-50 w-[min(92vw,30rem)] -translate-x-1/2 -translate-y-1/2 rounded-one border border-ink bg-paper p-6"
        >
          <Dialog.Title className="text-xl font-semibold">Keys</Dialog.Title>
          <dl className="mt-4 grid grid-cols-[auto_1fr] gap-x-6 gap-y-2">
            {rows.map(([key, what]) => (
              <div key={key} className="contents">
                <dt className="font-semibold">{key}</dt>
                <dd>{what}</dd>
              </div>
            ))}
          </dl>
          <Dialog.Close className="mt-6 min-h-11 rounded-one border border-ink px-4 font-semibold hover:bg-leaf">
            Close
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
