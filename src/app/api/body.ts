/** So many times too long, a body is heard out all the same: whoever is cut off while sending never hears why. */
const heardOut = 3;

/**
 * Reads a body as text. What is longer than it may be is thrown away as it comes, so that nothing larger ever lies in memory; what
 * is longer by far is not even heard out.
 *
 * @returns null when it is too long
 */
export async function readBody(request: Request, mostBytes: number): Promise<string | null> {
  const enough = heardOut * mostBytes;
  if (Number(request.headers.get('content-length') ?? 0) > enough) {
    await request.body?.cancel().catch(() => undefined);
    return null;
  }
  const reader = request.body?.getReader();
  if (!reader) return '';
  const chunks: Uint8Array[] = [];
  let bytes = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    bytes += value.byteLength;
    if (bytes > enough) {
      await reader.cancel().catch(() => undefined);
      return null;
    }
    if (bytes > mostBytes) chunks.length = 0;
    else chunks.push(value);
  }
  return bytes > mostBytes ? null : Buffer.concat(chunks).toString('utf8');
}

/**
 * Reads a body as JSON.
 *
 * @returns null for what is too long or no JSON: no shape that is asked for fits it
 */
export async function readJson(request: Request, mostBytes: number): Promise<unknown> {
  const text = await readBody(request, mostBytes);
  try {
    return JSON.parse(text ?? 'null');
  } catch {
    return null;
  }
}
