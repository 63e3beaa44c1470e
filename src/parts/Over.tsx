'use client';

import { Dialog } from 'radix-ui';
import { type ReactNode } from 'react';

/** A form over the page: it has a title, and goes by Escape, by a press beside it, or by a {@link Leave} in it. */
export function Over({
  title,
  onClose,
  className = '',
  children,
}: {
  title: string;
  onClose: () => void;
  className?: string;
  children: ReactNode;
}) {
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
        <Dialog.Content
          aria-describedby={undefined}
          className={`fixed top-1/2 left-1/2 z-50 max-h-[94dvh] w-[min(96vw,52rem)] -translate-x-1/2 -translate-y-1/2 overflow-auto rounded-one border border-ink bg-paper p-5 ${className}`}
        >
          <Dialog.Title className="text-xl font-semibold">{title}</Dialog.Title>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** Closes what it stands in; its child is the button. */
export const Leave = ({ children }: { children: ReactNode }) => <Dialog.Close asChild>{children}</Dialog.Close>;
