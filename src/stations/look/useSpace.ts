'use client';

import { useEffect } from 'react';
import { isControl, isTyping } from '@/parts/shell/keys';

/** Space anywhere on the page, but not while typing or on a control that takes Space for itself. */
export function useSpace(press: () => void, otherKeys: Readonly<Record<string, () => void>> = {}) {
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (isTyping(event.target) || event.repeat) return;
      if (event.key === ' ' && !isControl(event.target)) {
        event.preventDefault();
        press();
      } else if (!event.ctrlKey && !event.metaKey) otherKeys[event.key.toLowerCase()]?.();
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, [press, otherKeys]);
}
