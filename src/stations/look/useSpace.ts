'use client';

import { useEffect } from 'react';
import { actFor, isControl, isTyping } from '@/parts/shell/keys';

/** The keys of a look anywhere on the page, but not while typing, nor Space on a control that takes it for itself. */
export function useSpace(press: () => void, undo?: () => void) {
  useEffect(() => {
    const act = actFor('look', { press, undo });
    const listen = (event: KeyboardEvent) => {
      if (isTyping(event.target) || event.repeat || (event.key === ' ' && isControl(event.target))) return;
      const does = act(event);
      if (!does) return;
      event.preventDefault();
      does();
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, [press, undo]);
}
