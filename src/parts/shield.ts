'use client';

import { useLayoutEffect, useRef } from 'react';

/** As long as the second tap of a double one may be late. */
const shieldMs = 600;

/**
 * Lies over the page for a moment: the second tap of a double one must not fall on what lay under something that the first one
 * closed.
 */
export function shield() {
  const pane = document.createElement('div');
  pane.setAttribute('aria-hidden', 'true');
  pane.style.cssText = 'position:fixed;inset:0;z-index:60';
  document.body.append(pane);
  setTimeout(() => pane.remove(), shieldMs);
}

/** A {@link shield} whenever something that stood over the page closes. */
export function useShield(open: boolean) {
  const was = useRef(open);
  // Before the browser takes the next tap.
  useLayoutEffect(() => {
    if (was.current && !open) shield();
    was.current = open;
  }, [open]);
}
