/**
 * Something goes on that needs nobody's hand, a run that is being breathed: silence is not counted meanwhile.
 *
 * @returns lets it be counted again
 */
let held = 0;
export function holdPresence(): () => void {
  held += 1;
  let over = false;
  return () => {
    if (!over) held -= 1;
    over = true;
  };
}

export const isPresent = () => held > 0;

/** The door was shut on something that was asked: the session is locked, or over. */
export type Shut = 'locked' | 'over';
const listeners = new Set<(how: Shut) => void>();

export function onShut(listener: (how: Shut) => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

export function tellShut(status: number) {
  if (status !== 423 && status !== 401) return;
  for (const listener of listeners) listener(status === 423 ? 'locked' : 'over');
}
