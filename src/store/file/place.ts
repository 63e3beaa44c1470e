import { type Store } from './open';

/** Kept on the connection itself: the app is built in several parts, and each has modules of its own. */
const key = Symbol.for('kokyu.place');
type Counting = { [key]?: number };

/**
 * How many commands were taken in, counted from a number that no earlier start of the server can have come to. A page says by
 * it what it was made with, an answer where its command stands: so a browser knows what a page can't show yet.
 */
export const placeNow = ({ $client }: Store): number => (($client as Counting)[key] ??= Date.now() * 1000);

export function nextPlace(store: Store): number {
  const next = placeNow(store) + 1;
  (store.$client as Counting)[key] = next;
  return next;
}
