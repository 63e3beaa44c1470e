'use client';

import { Activity, type ReactNode, useEffect, useRef, useState } from 'react';

/**
 * Something folded up that is drawn only once it is opened: most pages never open it, and it may be long. Folded up again it keeps what
 * was asked or typed in it, and is drawn after everything that can be seen.
 */
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
  const [open, setOpen] = useState<boolean | null>(null);
  const details = useRef<HTMLDetailsElement>(null);
  // Opened before the page listened, it stands open with nothing in it.
  useEffect(() => {
    if (details.current?.open) setOpen(true);
  }, []);
  return (
    <details ref={details} className={className} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className={`flex min-h-11 cursor-pointer items-center ${titleClass}`}>{title}</summary>
      {open !== null && <Activity mode={open ? 'visible' : 'hidden'}>{children}</Activity>}
    </details>
  );
}
