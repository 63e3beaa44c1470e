import { type default as Database } from 'better-sqlite3';

/** Kept on the connection itself: the app is built in several parts, and each has modules of its own. */
const key = Symbol.for('kokyu.place');
const wholeKey = Symbol.for('kokyu.whole');
/** An open studio, as far as what is counted on its connection goes. */
type Counted = { $client: object };
type Counting = { [key]?: number; [wholeKey]?: Counting };

/** Says of a connection that it shows a part of what another one has: what is counted is counted there. */
export const isPartOf = (part: Database.Database, whole: Database.Database) =>
  void Object.assign(part, { [wholeKey]: whole });

const counting = ({ $client }: Counted): Counting => ($client as Counting)[wholeKey] ?? ($client as Counting);

/**
 * How many commands were taken in, counted from a number that no earlier start of the server can have come to. A page says by
 * it what it was made with, an answer where its command stands: so a browser knows what a page can't show yet.
 */
export const placeNow = (store: Counted): number => (counting(store)[key] ??= Date.now() * 1000);

export function nextPlace(store: Counted): number {
  const next = placeNow(store) + 1;
  counting(store)[key] = next;
  return next;
}
