'use client';

import { type RefObject, useEffect, useRef, useState } from 'react';

/**
 * How wide something is, as it is and as it changes.
 *
 * @param start what it most likely is: the page as the server makes it goes by this
 */
export function useWidth<Box extends HTMLElement = HTMLDivElement>(start: number): [RefObject<Box | null>, number] {
  const box = useRef<Box>(null);
  const [width, setWidth] = useState(start);
  useEffect(() => {
    const element = box.current;
    if (!element) return;
    const watch = new ResizeObserver(([entry]) => {
      if (entry && entry.contentRect.width > 0) setWidth(entry.contentRect.width);
    });
    watch.observe(element);
    return () => watch.disconnect();
  }, []);
  return [box, width];
}
