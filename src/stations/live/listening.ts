import { type PairKind } from '@/core/access';
import { clientChannel } from '@/core/coach';

/** Hears what a live screen tells. @returns stops hearing */
export type Listen = (take: (data: unknown) => void) => () => void;

/** From a window of the same browser. */
export const onThisMachine: Listen = (take) => {
  if (typeof BroadcastChannel === 'undefined') return () => undefined;
  const channel = new BroadcastChannel(clientChannel);
  channel.onmessage = ({ data }: MessageEvent<unknown>) => take(data);
  return () => channel.close();
};

/** A server that turned an asker away is asked again after this long. */
const againMs = 2000;

/**
 * From the server, event by event, for as long as it takes: a stream that breaks is taken up again.
 *
 * @param on what to do with each kind of event
 * @param onOver told once it is over for good
 */
export function streamFrom(
  url: string,
  on: Readonly<Record<string, (data: never) => void>>,
  onOver: () => void,
): () => void {
  let source: EventSource | null = null;
  let timer: ReturnType<typeof setTimeout> | null = null;
  let left = false;
  const end = () => {
    left = true;
    if (timer) clearTimeout(timer);
    source?.close();
  };
  const over = () => {
    if (left) return;
    end();
    onOver();
  };
  const begin = () => {
    source = new EventSource(url);
    for (const [event, take] of Object.entries(on)) {
      source.addEventListener(event, ({ data }: MessageEvent<string>) => take(JSON.parse(data) as never));
    }
    source.addEventListener('over', over);
    source.onerror = () => {
      // While it is tried again by the browser itself there is nothing to do.
      if (left || source?.readyState !== EventSource.CLOSED) return;
      timer = setTimeout(() => void ask(), againMs);
    };
  };
  /** Turned away: for good, or only until the server is up again? */
  const ask = async () => {
    const stop = new AbortController();
    try {
      const { status } = await fetch(url, { signal: stop.signal, cache: 'no-store' });
      stop.abort();
      if (status === 204 || status === 401 || status === 404) return over();
    } catch {
      // It does not answer: asked again below.
    }
    if (!left) begin();
  };
  begin();
  return end;
}

/** From the live screen of the run a device goes along with. */
export const fromLiveScreen = (kind: PairKind, take: (data: unknown) => void, onOver: () => void) =>
  streamFrom(`/api/paired/follow?as=${kind}`, { frame: take }, onOver);
