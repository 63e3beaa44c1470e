/** The host of an origin as a browser sends it, or null for one that is none: "null", nothing, or something made up. */
function hostOf(origin: string): string | null {
  try {
    const { protocol, host } = new URL(origin);
    return protocol === 'http:' || protocol === 'https:' ? host : null;
  } catch {
    return null;
  }
}

/**
 * The app is used from its own pages only: a page of another origin that posts here is turned away, whatever name it found
 * this machine under. Whoever says nothing of where they come from is no browser.
 */
export function isSameOrigin(request: Request): boolean {
  const site = request.headers.get('sec-fetch-site');
  if (site !== null && site !== 'same-origin' && site !== 'none') return false;
  const origin = request.headers.get('origin');
  if (origin === null) return true;
  const host = hostOf(origin);
  return host !== null && host === request.headers.get('host');
}
