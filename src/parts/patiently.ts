const betweenMs = 1000;

/**
 * Fetches a part of a page that comes after it, again and again until it is there: a server that goes away between the two must
 * not take the page that stands.
 */
export const patiently = <T>(load: () => Promise<T>): Promise<T> =>
  load().catch(() => new Promise<T>((done) => setTimeout(() => done(patiently(load)), betweenMs)));
