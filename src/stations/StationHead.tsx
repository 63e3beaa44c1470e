'use client';

import { type ReactNode, useEffect, useRef } from 'react';

/** The page that was asked for first has the browser's own beginning, and its way past the top. */
let arrived = false;

/** The head of a station: one title, one line that says what it is for, and what can be done with the whole. */
export function StationHead({ title, line, children }: { title: string; line: ReactNode; children?: ReactNode }) {
  const heading = useRef<HTMLHeadingElement>(null);
  // Gone on by a key, what was pressed is gone with its page: the keys go on from the new title, not from the top.
  useEffect(() => {
    if (arrived && (document.activeElement === null || document.activeElement === document.body)) {
      heading.current?.focus({ preventScroll: true });
    }
    arrived = true;
  }, [title]);
  return (
    <div className="mb-5 flex flex-wrap items-start justify-between gap-4">
      <div>
        <h1 ref={heading} tabIndex={-1} className="text-2xl outline-none">
          {title}
        </h1>
        <p className="text-ink2">{line}</p>
      </div>
      {children}
    </div>
  );
}
