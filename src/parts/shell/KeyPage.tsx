'use client';

import { Dialog } from 'radix-ui';
import { type RefObject } from 'react';
import { useShield } from '../shield';
import { KeyList } from './KeyList';
import { type KeyGroup, keyGroups } from './keys';

/** What {@link KeyHelp} opens: every key, by where it works. */
export function KeyPage({
  anchor,
  open,
  onOpenChange,
}: {
  /** What was pressed: it gets the focus back. */
  anchor: RefObject<HTMLElement | null>;
  open: boolean;
  onOpenChange: (open: boolean) => void;
}) {
  useShield(open);
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
        <Dialog.Content
          aria-describedby={undefined}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            anchor.current?.focus();
          }}
          className="fixed top-1/2 left-1/2 z-50 flex max-h-[92vh] w-[min(92vw,64rem)] -translate-x-1/2 -translate-y-1/2 flex-col rounded-one border border-ink bg-paper p-6"
        >
          <div className="flex items-start justify-between gap-4">
            <Dialog.Title className="text-xl font-semibold">Keys</Dialog.Title>
            <Dialog.Close className="min-h-11 rounded-one border border-ink px-4 font-semibold hover:bg-leaf">
              Close
            </Dialog.Close>
          </div>
          <div
            className="mt-2 gap-8 overflow-auto sm:columns-2 lg:columns-3"
            tabIndex={0}
            role="group"
            aria-label="All keys"
          >
            {(Object.keys(keyGroups) as KeyGroup[]).map((group) => (
              <section key={group} aria-label={keyGroups[group].heading} className="mb-5 break-inside-avoid">
                <h3 className="mb-1 text-ink2">{keyGroups[group].heading}</h3>
                <KeyList group={group} />
              </section>
            ))}
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
