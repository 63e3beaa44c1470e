'use client';

import { type ReactNode, useEffect, useRef, useState } from 'react';

/** Something folded up that is drawn only once it is opened: most pages never open it, and it may be long. */
export function Fold({
  title,
  className = '',
  titleClass = 'text-ink2',
  children,
}: {
  title: ReactNode;
  className?: string;
  titleClass?: string;
  children: ReactNode;
}) {
  const [open, setOpen] = useState(false);
  const details = useRef<HTMLDetailsElement>(null);
  // Opened before the page listened, it stands open with nothing in it.
  useEffect(() => setOpen(details.current?.open ?? false), []);
  return (
    <details ref={details} className={className} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className={`flex min-h-11 cursor-pointer items-center ${titleClass}`}>{title}</summary>
      {open && children}
    </details>
  );
}
