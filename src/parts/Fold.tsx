'use client';

import { type ReactNode, useState } from 'react';

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
  return (
    <details className={className} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className={`flex min-h-11 cursor-pointer items-center ${titleClass}`}>{title}</summary>
      {open && children}
    </details>
  );
}
