import { useEffectEvent, useLayoutEffect } from 'react';

/**
 * Listens to keys anywhere on the page, as things stand: a key pressed in the very moment a button says it can be pressed finds it so.
 * An effect comes a moment after what is drawn, and a quick finger lies between.
 *
 * @param heard what a key does; may change from render to render
 * @param first hears it before what it is pressed on does, and may keep it from that
 */
export function useKeyDown(
  heard: (event: KeyboardEvent) => void,
  { first = false, active = true, up = false }: { first?: boolean; active?: boolean; up?: boolean } = {},
) {
  const now = useEffectEvent(heard);
  useLayoutEffect(() => {
    if (!active) return;
    const listen = (event: KeyboardEvent) => now(event);
    const kinds = up ? (['keydown', 'keyup'] as const) : (['keydown'] as const);
    for (const kind of kinds) window.addEventListener(kind, listen, first);
    return () => {
      for (const kind of kinds) window.removeEventListener(kind, listen, first);
    };
  }, [first, active, up]);
}
