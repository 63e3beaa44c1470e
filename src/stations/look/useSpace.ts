'use client';

import { actFor, isControl, isTyping } from '@/parts/shell/keys';
import { useKeyDown } from '@/parts/shell/useKeyDown';

/** The keys of a look anywhere on the page, but not while typing, nor Space on a control that takes it for itself. */
export function useSpace(press: () => void, undo?: () => void) {
  useKeyDown((event) => {
    if (isTyping(event.target) || event.repeat || (event.key === ' ' && isControl(event.target))) return;
    const does = actFor('look', { press, undo })(event);
    if (!does) return;
    event.preventDefault();
    does();
  });
}
