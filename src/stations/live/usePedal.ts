'use client';

import { useEffect, useRef } from 'react';
import { type Gesture, type PedalState, type PedalStep, idlePedal, pedalMove, pedalTime } from '@/core/coach';
import { isTyping } from '@/parts/shell/keys';

/**
 * A presenter or pedal, which is a keyboard with few keys: short, long and double presses of the learnt keys.
 *
 * @param keys names of its keys, as the browser says them
 * @param on what each gesture does; may change from render to render
 */
export function usePedal(keys: readonly string[], on: (gesture: Gesture) => void, active = true) {
  const act = useRef(on);
  useEffect(() => {
    act.current = on;
  });
  useEffect(() => {
    if (!active || keys.length === 0) return;
    let state: PedalState = idlePedal;
    let timer: ReturnType<typeof setTimeout> | null = null;
    const take = ({ state: next, gesture, waitMs }: PedalStep) => {
      state = next;
      if (waitMs !== null) {
        if (timer) clearTimeout(timer);
        timer = setTimeout(() => take(pedalTime(state, performance.now())), waitMs + 5);
      }
      if (gesture) act.current(gesture);
    };
    const listen = (event: KeyboardEvent) => {
      if (!keys.includes(event.key) || isTyping(event.target)) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      if (event.repeat) return;
      take(pedalMove(state, { move: event.type === 'keydown' ? 'down' : 'up', atMs: performance.now() }));
    };
    // Before the keys of the page: a pedal may well send Space or an arrow.
    window.addEventListener('keydown', listen, true);
    window.addEventListener('keyup', listen, true);
    return () => {
      if (timer) clearTimeout(timer);
      window.removeEventListener('keydown', listen, true);
      window.removeEventListener('keyup', listen, true);
    };
  }, [keys, active]);
}
