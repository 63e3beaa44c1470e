'use client';

import { useEffect, useLayoutEffect, useRef } from 'react';
import { type Gesture, type PedalState, type PedalStep, idlePedal, pedalMove, pedalTime } from '@/core/coach';
import { isTyping } from '@/parts/shell/keys';
import { useKeyDown } from '@/parts/shell/useKeyDown';

/**
 * A presenter or pedal, which is a keyboard with few keys: short, long and double presses of the learnt keys.
 *
 * @param keys names of its keys, as the browser says them
 * @param on what each gesture does; may change from render to render
 */
export function usePedal(keys: readonly string[], on: (gesture: Gesture) => void, active = true) {
  const act = useRef(on);
  useLayoutEffect(() => {
    act.current = on;
  });
  const state = useRef<PedalState>(idlePedal);
  const timer = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  const take = ({ state: next, gesture, waitMs }: PedalStep) => {
    state.current = next;
    if (waitMs !== null) {
      clearTimeout(timer.current);
      timer.current = setTimeout(() => take(pedalTime(state.current, performance.now())), waitMs + 5);
    }
    if (gesture) act.current(gesture);
  };
  useEffect(
    () => () => {
      clearTimeout(timer.current);
      state.current = idlePedal;
    },
    [keys, active],
  );
  // Before the keys of the page: a pedal may well send Space or an arrow.
  useKeyDown(
    (event) => {
      if (!keys.includes(event.key) || isTyping(event.target)) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      if (event.repeat) return;
      take(pedalMove(state.current, { move: event.type === 'keydown' ? 'down' : 'up', atMs: performance.now() }));
    },
    { first: true, up: true, active: active && keys.length > 0 },
  );
}
