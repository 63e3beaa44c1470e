/** Health notes: no cache keeps an answer, and no page of another origin takes it in as a picture, a script or a frame. */
export const privateHeaders = {
  'cache-control': 'no-store',
  'cross-origin-resource-policy': 'same-origin',
  'x-content-type-options': 'nosniff',
} as const;

/** An answer as JSON, for this app's own pages only. */
export const answer = (body: unknown, status = 200, headers: Record<string, string> = {}) =>
  Response.json(body, { status, headers: { ...privateHeaders, ...headers } });

const uuid = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i;

/** Whether a part of an address can be an id. */
export const isId = (part: string) => uuid.test(part);
