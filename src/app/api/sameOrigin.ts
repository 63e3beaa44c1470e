/**
 * The app is used from its own pages only: a page of another origin that posts here is turned away, whatever name it found
 * this machine under.
 */
export function isSameOrigin(request: Request): boolean {
  const site = request.headers.get('sec-fetch-site');
  if (site) return site === 'same-origin' || site === 'none';
  const origin = request.headers.get('origin');
  return origin === null || new URL(origin).host === request.headers.get('host');
}
