'use client';

import { useCallback, useEffect, useRef } from 'react';

export interface ScreenPoint {
  x: number;
  y: number;
}

/** Where on the screen a press or a movement was. */
export function pointOf(event: Event): ScreenPoint | null {
  const { clientX: x, clientY: y } =
    'changedTouches' in event ? ((event as TouchEvent).changedTouches[0] ?? {}) : (event as MouseEvent);
  return x === undefined || y === undefined ? null : { x, y };
}

const told = ['pointermove', 'pointerup', 'mousemove', 'mouseup', 'touchmove', 'touchend'] as const;

/**
 * Where the finger or the mouse is. What is dragged is let go there: the drag library tells of a drop by what was drawn last, and a
 * quick hand is a step or two further by then.
 */
export function useLastPoint(): () => ScreenPoint | null {
  const last = useRef<ScreenPoint | null>(null);
  useEffect(() => {
    const note = (event: Event) => {
      last.current = pointOf(event) ?? last.current;
    };
    for (const kind of told) document.addEventListener(kind, note, { capture: true, passive: true });
    return () => {
      for (const kind of told) document.removeEventListener(kind, note, { capture: true });
    };
  }, []);
  return useCallback(() => last.current, []);
}
