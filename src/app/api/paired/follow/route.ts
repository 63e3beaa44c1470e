import { pairKinds } from '@/core/access';
import { deviceOf, follow } from '../../../paired';
import { answer } from '../../answer';
import { isSameOrigin } from '../../sameOrigin';
import { eventStream } from '../stream';

/** What a device of a run is shown, for as long as it goes along with it. */
export function GET(request: Request) {
  if (!isSameOrigin(request)) return answer({ why: 'Only the device’s own page may follow.' }, 403);
  const as = pairKinds.find((kind) => kind === new URL(request.url).searchParams.get('as'));
  const pair = as && deviceOf(request, as);
  // No content: a browser that is told so does not ask again by itself.
  if (!pair) return new Response(null, { status: 204 });
  return eventStream(
    request,
    (hear) => follow(pair, hear),
    () => deviceOf(request, pair.kind)?.pairId === pair.pairId,
  );
}
