'use client';

import { useCallback, useEffect, useRef } from 'react';

/** A second tap within so long was meant for what stood there before. Common practice, ours. */
const guardMs = 600;

/** Of a press, when it was made. */
export type Made = Pick<Event, 'timeStamp'>;

/** When a press was made, by the clock: a page that is busy gets to it late, and would take the second tap of a double one for another. */
export const madeAt = ({ timeStamp }: Made) => Date.now() - Math.max(0, performance.now() - timeStamp);

/**
 * Keeps a fast finger from pressing what it has not seen yet: after a press on a place, presses on the same place are passed over
 * for a moment, whatever stands there by then; so they are where the meaning of a place changes by itself.
 *
 * @param changing places whose meaning changes without a press, with what they mean now
 * @returns guards a press by its place
 */
export function useGuard(changing: Readonly<Record<number, string>>) {
  const closedUntil = useRef(new Map<number, number>());
  const meant = useRef(changing);
  useEffect(() => {
    for (const [place, meaning] of Object.entries(changing)) {
      if (meant.current[Number(place)] !== meaning) closedUntil.current.set(Number(place), Date.now() + guardMs);
    }
    meant.current = changing;
  }, [changing]);
  return useCallback(
    (place: number, press: () => void) => (event: Made) => {
      const at = madeAt(event);
      if (at < (closedUntil.current.get(place) ?? 0)) return;
      closedUntil.current.set(place, at + guardMs);
      press();
    },
    [],
  );
}
