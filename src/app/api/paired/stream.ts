import { privateHeaders } from '../answer';

/** Said this often, so that either side notices when the other is gone. */
const beatMs = 10_000;

/**
 * An answer that goes on, event by event, until either side ends it.
 *
 * @param open begins, and gives what ends it; `hear` sends an event
 * @param stands asked at every beat; once it says no, the stream tells so and ends
 */
export function eventStream(
  request: Request,
  open: (hear: (event: string, data: object) => void) => () => void,
  stands: () => boolean,
): Response {
  const encoder = new TextEncoder();
  let end: () => void = () => undefined;
  const body = new ReadableStream<Uint8Array>({
    start(controller) {
      let over = false;
      const send = (text: string) => {
        if (!over) controller.enqueue(encoder.encode(text));
      };
      const leave = open((event, data) => {
        send(`event: ${event}\ndata: ${JSON.stringify(data)}\n\n`);
        if (event === 'over') end();
      });
      const beat = setInterval(() => {
        let goesOn: boolean;
        try {
          goesOn = stands();
        } catch (error) {
          // What can't be asked just now is asked again by whoever comes back.
          console.error(error);
          return end();
        }
        if (goesOn) return send('event: beat\ndata: {}\n\n');
        send('event: over\ndata: {}\n\n');
        end();
      }, beatMs);
      beat.unref();
      end = () => {
        if (over) return;
        over = true;
        clearInterval(beat);
        leave();
        try {
          controller.close();
        } catch {
          // Whoever went away has closed it already.
        }
      };
      send(`event: hello\ndata: ${JSON.stringify({ serverMs: Date.now() })}\n\n`);
      request.signal.addEventListener('abort', end);
    },
    cancel: () => end(),
  });
  return new Response(body, {
    headers: { ...privateHeaders, 'cache-control': 'no-store, no-transform', 'content-type': 'text/event-stream' },
  });
}
