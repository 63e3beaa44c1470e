'use client';

import { useLayoutEffect } from 'react';

/** As long as the second tap of a double one may be late, and as far from the first as it may fall. */
const shieldMs = 600;
const shieldPx = 72;

/** Lies for a moment where somebody has just pressed; everywhere else, and by keys, the page can be worked on at once. */
function shieldAt({ clientX, clientY }: PointerEvent) {
  const pane = document.createElement('div');
  pane.setAttribute('aria-hidden', 'true');
  const [left, top] = [clientX, clientY].map((at) => at - shieldPx / 2);
  pane.style.cssText = `position:fixed;left:${left}px;top:${top}px;width:${shieldPx}px;height:${shieldPx}px;z-index:60`;
  document.body.append(pane);
  setTimeout(() => pane.remove(), shieldMs);
}

const standing = '[role="dialog"], [role="alertdialog"]';

/**
 * Keeps the second tap of a double one from falling on what lay under something that the first one closed.
 *
 * @param open whether it stands over the page
 * @param letsThrough whether a press beside it belongs to what was pressed there, as with what opens beside a button
 */
export function useShield(open: boolean, letsThrough = false) {
  // Its clean-up comes before the browser takes the next tap.
  useLayoutEffect(() => {
    if (!open) return;
    let last: PointerEvent | null = null;
    let heardAtMs = 0;
    const note = (event: PointerEvent) => {
      const inside = event.target instanceof Element && event.target.closest(standing) !== null;
      last = inside || !letsThrough ? event : null;
      // When it was heard and not when it was made: a page that is busy gets to it late, and to the second tap right after it.
      heardAtMs = performance.now();
    };
    document.addEventListener('pointerdown', note, true);
    return () => {
      document.removeEventListener('pointerdown', note, true);
      if (last && performance.now() - heardAtMs < shieldMs) shieldAt(last);
    };
  }, [open, letsThrough]);
}
