import { privateHeaders } from '../answer';

/** Tells how far it is, and at last what came of it. */
export type Tell = (line: object) => void;

/**
 * An answer that comes line by line while the work goes on: `{done, of}` as often as it is worth telling, and one last line with what came
 * of it, or why nothing did. Whoever goes away meanwhile stops it.
 *
 * @param work settles with the last line; what it throws is told as one sentence by `wordsOf`
 */
export function inLines(
  request: Request,
  work: (tell: Tell, signal: AbortSignal) => Promise<object>,
  wordsOf: (error: unknown) => string,
): Response {
  const stop = new AbortController();
  request.signal.addEventListener('abort', () => stop.abort());
  const encoder = new TextEncoder();
  const body = new ReadableStream<Uint8Array>({
    async start(controller) {
      const say = (line: object) => {
        if (!stop.signal.aborted) controller.enqueue(encoder.encode(`${JSON.stringify(line)}\n`));
      };
      let toldAtMs = 0;
      const tell: Tell = (line) => {
        if (Date.now() - toldAtMs < 100) return;
        toldAtMs = Date.now();
        say(line);
      };
      try {
        say({ last: true, ...(await work(tell, stop.signal)) });
      } catch (error) {
        say({ last: true, why: wordsOf(error) });
      }
      if (!stop.signal.aborted) controller.close();
    },
    cancel: () => stop.abort(),
  });
  return new Response(body, { headers: { ...privateHeaders, 'content-type': 'application/x-ndjson' } });
}
