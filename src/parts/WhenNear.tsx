'use client';

import { type ReactNode, useEffect, useRef, useState } from 'react';
import { flushSync } from 'react-dom';

/** As far beyond what is seen as a quick flick of the finger goes. */
const around = '600px';

/**
 * What is drawn once it comes near what is seen, and stays then: of a list with a hundred figures a dozen are looked at. Until then an
 * empty place of the same size. Printed, all of it is there.
 */
export function WhenNear({ className, children }: { className?: string; children: () => ReactNode }) {
  const [near, setNear] = useState(false);
  const place = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (near) return;
    const watch = new IntersectionObserver(([seen]) => seen?.isIntersecting && setNear(true), { rootMargin: around });
    watch.observe(place.current!);
    const print = () => flushSync(() => setNear(true));
    window.addEventListener('beforeprint', print);
    return () => {
      watch.disconnect();
      window.removeEventListener('beforeprint', print);
    };
  }, [near]);
  return near ? children() : <div ref={place} className={className} aria-hidden />;
}
