'use client';

import { Popover } from 'radix-ui';
import { type ReactNode } from 'react';

/** A short mark that says more when it is tapped. */
export function TapNote({
  mark,
  spoken,
  title,
  children,
}: {
  mark: string;
  /** What a screen reader is told of the mark, after it. */
  spoken: string;
  title: string;
  children: ReactNode;
}) {
  return (
    <Popover.Root>
      <Popover.Trigger className="inline-flex min-h-6 min-w-6 items-center rounded-one border border-rule px-1.5 align-baseline text-xs leading-5 text-ink2 hover:border-ink hover:text-ink">
        {mark}
        <span className="sr-only">{spoken}</span>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={6}
          collisionPadding={12}
          aria-label={title}
          className="z-50 max-w-sm rounded-one border border-ink bg-paper p-3 text-sm text-ink"
        >
          {children}
          <Popover.Arrow className="fill-ink" />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
