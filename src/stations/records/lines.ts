/** One line of an answer that tells how far it is. */
export type Line = { done?: number; of?: number; last?: true; why?: string } & Record<string, unknown>;

/**
 * Asks for work that takes a while and hears line by line how far it is.
 *
 * @returns the last line, with what came of it
 */
export async function hearLines(
  url: string,
  body: BodyInit | null,
  signal: AbortSignal,
  onProgress: (part: number) => void,
): Promise<Line> {
  try {
    const response = await fetch(url, { method: 'POST', body, signal });
    if (!response.ok || !response.body) {
      const { why } = (await response.json().catch(() => ({}))) as { why?: string };
      return { last: true, why: why ?? 'The server did not take it.' };
    }
    const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
    let rest = '';
    for (;;) {
      const { done, value } = await reader.read();
      if (done) return { last: true, why: 'The server did not finish it. Try again.' };
      const lines = (rest + value).split('\n');
      rest = lines.pop() ?? '';
      for (const text of lines) {
        const line = JSON.parse(text) as Line;
        if (line.last) return line;
        if (line.of) onProgress((line.done ?? 0) / line.of);
      }
    }
  } catch {
    return {
      last: true,
      why: signal.aborted ? 'It was given up. Nothing was changed.' : 'The server did not answer. Nothing was changed.',
    };
  }
}
