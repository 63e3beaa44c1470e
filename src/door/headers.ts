/**
 * What a page may do: everything from this origin only, which also holds the promise that nothing is fetched from outside while the
 * app runs; scripts only with this request's word, so that one written into a page by whatever way does not run.
 *
 * @param nonce made anew for every request
 */
export function contentSecurityPolicy(nonce: string, dev = false): string {
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}'${dev ? " 'unsafe-eval'" : ''}`,
    // Radix and the figures place things by style attributes.
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    `connect-src 'self'${dev ? ' ws:' : ''}`,
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'self'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
}

/** Headers of every answer. */
export const everywhere: Readonly<Record<string, string>> = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'no-referrer',
  'cross-origin-resource-policy': 'same-origin',
  'cross-origin-opener-policy': 'same-origin',
};

/** Headers by which somebody in between could tell the app another name or address than it has. */
export const notBelieved = [
  'x-forwarded-host',
  'x-forwarded-proto',
  'x-forwarded-for',
  'forwarded',
  'x-original-url',
] as const;
