'use client';

import { type ReactNode, useEffect, useState } from 'react';
import { flushSync } from 'react-dom';

/** What is made only when something is about to be printed, and gone again after it. */
export function WhilePrinting({ children }: { children: () => ReactNode }) {
  const [printing, setPrinting] = useState(false);
  useEffect(() => {
    // The browser takes its picture right after this event: the sheet must stand there before it ends.
    const begin = () => flushSync(() => setPrinting(true));
    const end = () => setPrinting(false);
    window.addEventListener('beforeprint', begin);
    window.addEventListener('afterprint', end);
    return () => {
      window.removeEventListener('beforeprint', begin);
      window.removeEventListener('afterprint', end);
    };
  }, []);
  return printing ? children() : null;
}
