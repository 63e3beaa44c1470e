/**
 * Reads a body as text and stops as soon as it is longer than it may be, so that nothing larger ever lies in memory.
 *
 * @returns null when it is too long
 */
export async function readBody(request: Request, mostBytes: number): Promise<string | null> {
  if (Number(request.headers.get('content-length') ?? 0) > mostBytes) {
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
    if (bytes > mostBytes) {
      await reader.cancel().catch(() => undefined);
      return null;
    }
    chunks.push(value);
  }
  return Buffer.concat(chunks).toString('utf8');
}
