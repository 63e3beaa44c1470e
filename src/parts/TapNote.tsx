'use client';

import { type ReactNode, useRef, useState } from 'react';
import { Beside, opener } from './Beside';

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
  const [open, setOpen] = useState(false);
  const anchor = useRef<HTMLButtonElement>(null);
  return (
    <>
      <button
        ref={anchor}
        {...opener(open, setOpen)}
        className="inline-flex min-h-6 min-w-6 items-center rounded-one border border-rule px-1.5 align-baseline text-xs leading-5 text-ink2 hover:border-ink hover:text-ink"
      >
        {mark}
        <span className="sr-only">{spoken}</span>
      </button>
      <Beside
        anchor={anchor}
        open={open}
        onOpenChange={setOpen}
        label={title}
        className="z-50 p-3 text-sm text-ink"
        arrow
      >
        {children}
      </Beside>
    </>
  );
}
