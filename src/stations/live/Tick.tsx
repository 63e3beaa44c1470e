'use client';

import { memo, useEffect, useRef } from 'react';
import { follow } from '@/parts/follow';

/**
 * Words that change with the clock, written straight to the page: the count turns every second, and nothing else of the
 * screen has to be thought over for it.
 */
export const Tick = memo(function Tick({ ask, className }: { ask: () => string; className?: string }) {
  const place = useRef<HTMLSpanElement>(null);
  useEffect(() => {
    let shown = '';
    return follow(() => {
      const words = ask();
      if (words === shown || !place.current) return;
      shown = words;
      place.current.textContent = words;
    });
  }, [ask]);
  return <span ref={place} className={className} data-tick />;
});
