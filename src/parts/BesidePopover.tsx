'use client';

import { Popover } from 'radix-ui';
import { type ReactNode, type RefObject, useRef } from 'react';
import { useShield } from './shield';

export interface BesideProps {
  /** What was pressed: it opens beside this, which gets the focus back. */
  anchor: RefObject<HTMLElement | null>;
  open: boolean;
  onOpenChange: (open: boolean) => void;
  /** Its name, for those who can't see it. */
  label: string;
  className: string;
  arrow?: boolean;
  children: ReactNode;
}

/** What {@link Beside} fetches. */
export function BesidePopover({ anchor, open, onOpenChange, label, className, arrow = false, children }: BesideProps) {
  const elsewhere = useRef(false);
  useShield(open, true);
  return (
    <Popover.Root open={open} onOpenChange={onOpenChange}>
      <Popover.Anchor virtualRef={anchor as RefObject<HTMLElement>} />
      <Popover.Portal>
        <Popover.Content
          sideOffset={6}
          collisionPadding={12}
          aria-label={label}
          className={`max-w-[min(24rem,92vw)] rounded-one border border-ink bg-paper ${className}`}
          onInteractOutside={(event) => {
            // A press on what opened it closes it by itself: closing here too would open it again.
            if (anchor.current?.contains(event.target as Node)) event.preventDefault();
            else elsewhere.current = true;
          }}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            // Whoever pressed something else has their focus there.
            if (!elsewhere.current) anchor.current?.focus();
            elsewhere.current = false;
          }}
        >
          {children}
          {arrow && <Popover.Arrow className="fill-ink" />}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
